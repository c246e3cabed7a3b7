import { useEffect, useState } from 'react';

const keyOf = (job: string) => `lintrel.down.${job}`;

function readDown(job: string): readonly string[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(keyOf(job)) ?? '[]');
    return Array.isArray(kept) ? kept.filter((id): id is string => typeof id === 'string') : [];
  } catch {
    return [];
  }
}

/** Which entries of a job's lay list are applied: stored on this device, to continue after an interruption. */
export function useLaidDown(job: string): {
  readonly isDown: (entry: string) => boolean;
  readonly setDown: (entry: string, down: boolean) => void;
} {
  const [down, setAll] = useState(() => readDown(job));
  useEffect(() => setAll(readDown(job)), [job]);
  return {
    isDown: (entry) => down.includes(entry),
    setDown: (entry, is) => {
      const next = is ? [...down.filter((other) => other !== entry), entry] : down.filter((other) => other !== entry);
      setAll(next);
      try {
        localStorage.setItem(keyOf(job), JSON.stringify(next));
      } catch {
        // A full or forbidden store: it is still marked on this page.
      }
    },
  };
}
