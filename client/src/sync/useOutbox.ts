import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useSyncExternalStore } from 'react';
import { onOthers, outbox } from './device';
import type { OutboxState } from './outbox';

/** What waits to be sent, kept up to date. */
export const useOutbox = (): OutboxState => useSyncExternalStore(outbox.subscribe, outbox.state);

/** Sends what is waiting from whatever screen, as soon as there is a connection. */
export function useSending(): void {
  const client = useQueryClient();
  useEffect(() => {
    outbox.onTaken = (job) => {
      void client.invalidateQueries({ queryKey: ['run', job] });
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
