import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useSyncExternalStore } from 'react';
import { createOutbox, sendEntry, type OutboxState } from './outbox';

/** The one outbox of this page. */
export const outbox = createOutbox({ storage: localStorage, send: sendEntry, later: (work, ms) => void setTimeout(work, ms) });

/** What waits to be sent, kept up to date. */
export const useOutbox = (): OutboxState => useSyncExternalStore(outbox.subscribe, outbox.state);

/** Sends what is waiting from whatever screen, as soon as there is a connection. */
export function useSending(): void {
  const client = useQueryClient();
  useEffect(() => {
    outbox.onTaken = (job, record) => {
      client.setQueryData(['run', job], record);
      void client.invalidateQueries({ queryKey: ['jobs'] });
    };
    // Another page of this device has added an entry, or the server has confirmed one to it.
    const other = () => {
      outbox.reread();
      void client.invalidateQueries({ queryKey: ['run'] });
    };
    window.addEventListener('online', outbox.sendNow);
    window.addEventListener('storage', other);
    outbox.sendNow();
    return () => {
      window.removeEventListener('online', outbox.sendNow);
      window.removeEventListener('storage', other);
    };
  }, [client]);
}
