import type { Design, JobSearch, Shelf } from '@lintrel/core';
import { useEffect, useRef, useState } from 'react';

/** A search as it goes on. */
export type LongSearchState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly share: number; readonly gap: number; readonly order: readonly string[] }
  | { readonly kind: 'done'; readonly gap: number; readonly order: readonly string[]; readonly better: boolean };

/** Runs a long search in a worker of its own, so that planning goes on meanwhile; another design stops it. */
export function useLongSearch(design: Design, shelf: Shelf): { readonly state: LongSearchState; readonly start: () => void; readonly stop: () => void } {
  const [state, setState] = useState<LongSearchState>({ kind: 'idle' });
  const worker = useRef<Worker | null>(null);
  const last = useRef<JobSearch | null>(null);
  const end = () => {
    worker.current?.terminate();
    worker.current = null;
  };
  useEffect(() => {
    setState({ kind: 'idle' });
    return end;
  }, [design, shelf]);
  const show = (news: JobSearch, done: boolean) => {
    const { gap, order, share, better } = news;
    setState(done ? { kind: 'done', gap, order, better } : { kind: 'running', share, gap, order });
  };
  const start = () => {
    end();
    last.current = null;
    setState({ kind: 'running', share: 0, gap: 1, order: [] });
    const started = new Worker(new URL('./search.worker', window.location.href));
    worker.current = started;
    started.onmessage = ({ data }: MessageEvent<JobSearch>) => {
      last.current = data;
      show(data, data.done);
      if (data.done) end();
    };
    started.onerror = () => {
      end();
      setState({ kind: 'idle' });
    };
    started.postMessage({ design, shelf });
  };
  const stop = () => {
    end();
    if (last.current) show(last.current, true);
    else setState({ kind: 'idle' });
  };
  return { state, start, stop };
}
