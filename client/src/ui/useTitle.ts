import { useEffect } from 'react';
import { useWords } from '@/person/PersonContext';

/** Names the page in the tab, the history and to a screen reader. */
export function useTitle(title: string): void {
  const { text } = useWords();
  useEffect(() => {
    if (typeof document !== 'undefined') document.title = `${text(title)} · Lintrel`;
  }, [title, text]);
}
