import type { Design, JobSearch } from '@lintrel/core';
import { useEffect, useRef, useState } from 'react';
import { session } from '@/worker/jobSession';

/** State of a search. */
export type LongSearchState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly share: number; readonly gap: number; readonly order: readonly string[] }
  | { readonly kind: 'done'; readonly gap: number; readonly order: readonly string[]; readonly better: boolean };

/** Runs a long search, with lower priority than other questions; another design stops it. */
export function useLongSearch(design: Design): {
  readonly state: LongSearchState;
  readonly start: () => void;
  readonly stop: () => void;
} {
  const [state, setState] = useState<LongSearchState>({ kind: 'idle' });
  const leave = useRef<() => void>(undefined);
  const last = useRef<JobSearch | null>(null);
  const end = () => {
    leave.current?.();
    leave.current = undefined;
  };
  useEffect(() => {
    setState({ kind: 'idle' });
    return end;
  }, [design]);
  const show = ({ gap, order, share, better }: JobSearch, done: boolean) =>
    setState(done ? { kind: 'done', gap, order, better } : { kind: 'running', share, gap, order });
  const start = () => {
    end();
    last.current = null;
    setState({ kind: 'running', share: 0, gap: 1, order: [] });
    leave.current = session.ask('search', {}, (news) => {
      last.current = news;
      if (news) show(news, news.done);
      else setState({ kind: 'idle' });
      if (!news || news.done) end();
    });
  };
  const stop = () => {
    end();
    if (last.current) show(last.current, true);
    else setState({ kind: 'idle' });
  };
  return { state, start, stop };
}
