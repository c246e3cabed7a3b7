import { createdSchema, jobListSchema } from '@lintrel/core/front';
import { useInfiniteQuery, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type LongAsk, request } from './http';

// Queries of the first page; those that need the schemas of designs and shelves are in jobQueries.ts.

const POLL_MS = 15_000;

/** The jobs with their running windows, page by page. */
export const useJobs = () =>
  useInfiniteQuery({
    queryKey: ['jobs', 'all'],
    queryFn: ({ pageParam }) =>
      request('GET', pageParam === null ? '/jobs' : `/jobs?after=${encodeURIComponent(pageParam)}`, jobListSchema),
    initialPageParam: null as string | null,
    getNextPageParam: ({ more }) => more,
    refetchInterval: POLL_MS,
  });

/** The jobs in the shop, with the windows that are on. */
export const useJobsInShop = () =>
  useQuery({
    queryKey: ['jobs', 'in-shop'],
    queryFn: () => request('GET', '/jobs?state=in-shop', jobListSchema),
    refetchInterval: POLL_MS,
  });

/** Takes in a job file, given as its text. */
export function useImportJob() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ text, long }: { text: string; long: LongAsk }) =>
      request('POST', '/jobs/import', createdSchema, text, long),
    onSuccess: () => client.invalidateQueries(),
  });
}
