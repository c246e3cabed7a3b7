import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useSyncExternalStore } from 'react';
import { idsIn, runQuery } from '@/sync/runs';
import { onOthers, outbox, store } from './device';
import type { OutboxState } from './outbox';

/** By then a screen shows what was fetched, ms: before, what was tapped stays where it is. */
const SHOWN_AFTER_MS = 1000;

/** The state of the outbox. */
export const useOutbox = (): OutboxState => useSyncExternalStore(outbox.subscribe, outbox.state);

/** Sends what is waiting from whatever screen, as soon as there is a connection. */
export function useSending(): void {
  const client = useQueryClient();
  useEffect(() => {
    outbox.onTaken = (job) => {
      void client
        .fetchQuery({ ...runQuery(client, job, store), staleTime: 0 })
        .then((run) => setTimeout(() => void outbox.seen(job, idsIn(run)), SHOWN_AFTER_MS))
        .catch(() => undefined);
      void client.invalidateQueries({ queryKey: ['jobs'] });
    };
    const read = () =>
      void outbox.reread().then(() => {
        outbox.sendNow();
        void client.invalidateQueries({ queryKey: ['run'] });
      });
    window.addEventListener('online', outbox.sendNow);
    const alone = onOthers(read);
    void outbox.reread().then(outbox.sendNow);
    return () => {
      window.removeEventListener('online', outbox.sendNow);
      alone();
    };
  }, [client]);
}
