import {
  entryFingerprint,
  type Finish,
  finishSchema,
  jobSchema,
  MS_PER_MINUTE,
  type NewJob,
  type Supply,
  supplySchema,
  type Tape,
  tapeSchema,
  wholeShelfSchema,
} from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import * as v from 'valibot';
import { offerUndo } from '@/device/undo';
import { request, RequestError } from './http';

/** The newest design of a job. */
export const useJobQuery = (id: string) =>
  useQuery({
    queryKey: ['job', id],
    queryFn: () => request('GET', `/jobs/${id}`, jobSchema),
    staleTime: Infinity,
    gcTime: 0,
  });

/** Tapes and finishes. */
export const useShelf = () =>
  useQuery({
    queryKey: ['shelf'],
    queryFn: () => request('GET', '/shelf', wholeShelfSchema),
    staleTime: MS_PER_MINUTE,
  });

/** Makes a job. */
export function useCreateJob() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (job: NewJob) => request('POST', '/jobs', jobSchema, job),
    onSuccess: () => client.invalidateQueries({ queryKey: ['jobs'] }),
  });
}

const SCHEMAS = { tapes: tapeSchema, finishes: finishSchema, supplies: supplySchema };
type ShelfTable = keyof typeof SCHEMAS;

/**
 * Adds or changes a tape, finish or supply.
 * @param opened the entry when its form was opened: if it has changed on the server, that is reported, and the next
 *   save overwrites it
 */
export function useSaveEntry<T extends Tape | Finish | Supply>(table: ShelfTable, opened: T | undefined) {
  const client = useQueryClient();
  const seen = useRef<Tape | Finish | Supply | undefined>(opened);
  return useMutation({
    mutationFn: ({ entry, key }: { entry: T; key: string | null }) => {
      const schema = SCHEMAS[table];
      const was = seen.current ? `?was=${entryFingerprint(seen.current)}` : '';
      return key === null
        ? request<Tape | Finish | Supply>('POST', `/shelf/${table}`, schema, entry)
        : request<Tape | Finish | Supply>('PUT', `/shelf/${table}/${encodeURIComponent(key)}${was}`, schema, entry);
    },
    onSuccess: (saved) => {
      seen.current = saved;
      return client.invalidateQueries({ queryKey: ['shelf'] });
    },
    onError: (error) => {
      if (!(error instanceof RequestError) || error.body.code !== 'stale-entry') return;
      const read = v.safeParse(
        v.object({ current: SCHEMAS[table] as v.GenericSchema<unknown, Tape | Finish | Supply> }),
        error.body.versions,
      );
      if (read.success) seen.current = read.output.current;
    },
  });
}

/** Takes a tape, finish or supply off the shelf; it can be put back. */
export function useDeleteEntry<T extends Tape | Finish | Supply>(table: ShelfTable, entry: T | undefined) {
  const client = useQueryClient();
  const again = () => client.invalidateQueries({ queryKey: ['shelf'] });
  return useMutation({
    mutationFn: (key: string) => request('DELETE', `/shelf/${table}/${encodeURIComponent(key)}`, null),
    onSuccess: () => {
      if (entry)
        offerUndo({
          text: phrase`${entry.name} was taken off the shelf.`,
          undo: () => request<Tape | Finish | Supply>('POST', `/shelf/${table}`, SCHEMAS[table], entry).then(again),
        });
      return again();
    },
  });
}
