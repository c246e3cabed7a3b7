import { changeSchema, presenceSchema, type Change, type Presence } from '@lintrel/core/front';
import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import * as v from 'valibot';
import { onPresence } from '@/api/presence';

/** What is asked for anew when something has changed. A job that is open keeps what is being typed: its next save tells of another's. */
export function onChange(client: Pick<QueryClient, 'invalidateQueries'>, { kind, job }: Change): void {
  const anew = (...queryKey: readonly string[]) => void client.invalidateQueries({ queryKey: [...queryKey] });
  if (kind === 'shelf') anew('shelf');
  if (kind === 'log' && job !== null) anew('run', job);
  if (kind !== 'shelf') anew('jobs');
  if (kind !== 'job') anew('stock');
  if (kind !== 'job') anew('day');
}

/** Everything that may have changed while nobody listened. */
export function onGap(client: Pick<QueryClient, 'invalidateQueries'>): void {
  for (const key of ['shelf', 'run', 'jobs', 'stock', 'day']) void client.invalidateQueries({ queryKey: [key] });
}

/** What listening needs of the page. */
export interface LivePage {
  readonly open: (url: string) => Pick<EventSource, 'close' | 'addEventListener'>;
  readonly visible: () => boolean;
  readonly document: Pick<Document, 'addEventListener' | 'removeEventListener'>;
  readonly window: Pick<Window, 'addEventListener' | 'removeEventListener'>;
}

/**
 * Listens to what changes in the shop while a page is seen: a browser holds only six connections to a server, and each page that listens
 * takes one. A page that is seen again says where it was, and is told what it missed.
 * @returns how to end that
 */
export function listen(
  page: LivePage,
  heard: (change: Change) => void,
  missed: () => void,
  onHere: (here: Presence) => void = () => undefined,
): () => void {
  let source: ReturnType<LivePage['open']> | null = null;
  let last: string | null = null;
  const stop = () => {
    source?.close();
    source = null;
  };
  const start = () => {
    if (source || !page.visible()) return;
    source = page.open(last === null ? '/api/live' : `/api/live?after=${last}`);
    const onMessage = (event: Event) => {
      last = (event as MessageEvent<string>).lastEventId || last;
      return (event as MessageEvent<string>).data;
    };
    source.addEventListener('here', onMessage);
    source.addEventListener('resync', missed);
    source.addEventListener('at', (event) => {
      const here = v.safeParse(presenceSchema, JSON.parse((event as MessageEvent<string>).data));
      if (here.success) onHere(here.output);
    });
    source.addEventListener('message', (event) => {
      const change = v.safeParse(changeSchema, JSON.parse(onMessage(event)));
      if (change.success) heard(change.output);
    });
  };
  const look = () => (page.visible() ? start() : stop());
  page.document.addEventListener('visibilitychange', look);
  page.window.addEventListener('pagehide', stop);
  page.window.addEventListener('pageshow', start);
  start();
  return () => {
    page.document.removeEventListener('visibilitychange', look);
    page.window.removeEventListener('pagehide', stop);
    page.window.removeEventListener('pageshow', start);
    stop();
  };
}

/** Listens while a page is open. Without it lists are asked for now and then all the same. */
export function useLive(): void {
  const client = useQueryClient();
  useEffect(() => {
    if (typeof EventSource === 'undefined') return;
    const page: LivePage = {
      open: (url) => new EventSource(url),
      visible: () => document.visibilityState === 'visible',
      document,
      window,
    };
    return listen(
      page,
      (change) => onChange(client, change),
      () => onGap(client),
      onPresence,
    );
  }, [client]);
}
