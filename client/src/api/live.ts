import { type Change, changeSchema, type Presence, presenceSchema } from '@lintrel/core/front';
import { type QueryClient, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import * as v from 'valibot';
import { onPresence } from '@/api/presence';

/** Queries to refetch after a change. An open job keeps what is being typed; its next save reports a conflict. */
export function onChange(client: Pick<QueryClient, 'invalidateQueries'>, { kind, job }: Change): void {
  const anew = (...queryKey: readonly string[]) => void client.invalidateQueries({ queryKey: [...queryKey] });
  if (kind === 'shelf') anew('shelf');
  if (kind === 'log' && job !== null) anew('run', job);
  if (kind !== 'shelf') anew('jobs');
  if (kind !== 'job') anew('stock');
  if (kind !== 'job') anew('day');
}

/** Refetches everything that may have changed while not listening. */
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
 * Listens to changes while the page is visible: browsers allow six connections per server, and each listening page
 * takes one. A returning page sends its position and gets what it missed.
 * @returns a function that stops listening
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

/** Listens while a page is open. Lists are also polled now and then. */
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
