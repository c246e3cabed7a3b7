import { jobListSchema, madeSchema } from '@lintrel/core/front';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { request } from './http';

// What the first page asks for; everything that needs the schemas of designs and shelves is in jobQueries.ts.

const POLL_MS = 15_000;

/** All jobs with what is on in each. */
export const useJobs = () => useQuery({ queryKey: ['jobs'], queryFn: () => request('GET', '/jobs', jobListSchema), refetchInterval: POLL_MS });

/** Takes in a job file, given as its text. */
export function useImportJob() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (text: string) => request('POST', '/jobs/import', madeSchema, text),
    onSuccess: () => client.invalidateQueries(),
  });
}
