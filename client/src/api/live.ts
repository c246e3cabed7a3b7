import { changeSchema, type Change } from '@lintrel/core/front';
import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import * as v from 'valibot';

/** What is asked for anew when something has changed. A job that is open keeps what is being typed: its next save tells of another's. */
export function heardChange(client: Pick<QueryClient, 'invalidateQueries'>, { kind, job }: Change): void {
  const anew = (...queryKey: readonly string[]) => void client.invalidateQueries({ queryKey: [...queryKey] });
  if (kind === 'shelf') anew('shelf');
  if (kind === 'log' && job !== null) anew('run', job);
  if (kind !== 'shelf') anew('jobs');
  if (kind !== 'job') anew('stock');
}

/** Everything that may have changed while nobody listened. */
export function heardNothing(client: Pick<QueryClient, 'invalidateQueries'>): void {
  for (const key of ['shelf', 'run', 'jobs', 'stock']) void client.invalidateQueries({ queryKey: [key] });
}

/** Listens to what changes in the shop while a page is open. Without it lists are asked for now and then all the same. */
export function useLive(): void {
  const client = useQueryClient();
  useEffect(() => {
    if (typeof EventSource === 'undefined') return;
    const source = new EventSource('/api/live');
    let lost = false;
    source.onopen = () => {
      if (lost) heardNothing(client);
      lost = false;
    };
    source.onerror = () => {
      lost = true;
    };
    source.addEventListener('resync', () => heardNothing(client));
    source.onmessage = ({ data }: MessageEvent<string>) => {
      const change = v.safeParse(changeSchema, JSON.parse(data));
      if (change.success) heardChange(client, change.output);
    };
    return () => source.close();
  }, [client]);
}
