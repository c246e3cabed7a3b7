import type { LogEvent } from '@lintrel/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { outbox, store } from './device';
import { idsIn, runQuery, runRequest } from './runs';

/** The plan a job was started with, and its log. */
export function useRun(id: string) {
  const client = useQueryClient();
  const run = useQuery(runQuery(client, id, store));
  // Only entries in the record on screen may be deleted elsewhere, or a tap would vanish for a moment.
  useEffect(() => {
    if (run.data) void outbox.seen(id, idsIn(run.data));
  }, [id, run.data]);
  return run;
}

/** Starts a job with the plan of a revision. */
export function useStartJob(id: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (start: { revision: number; event: LogEvent; shelf: string }) => runRequest('POST', id, 'start', start),
    onSuccess: (record) => client.setQueryData(['run', id], record),
    // A refused plan was made from an older shelf: the shelf is refetched.
    onSettled: () =>
      Promise.all([
        client.invalidateQueries({ queryKey: ['jobs'] }),
        client.invalidateQueries({ queryKey: ['shelf'] }),
      ]),
  });
}
