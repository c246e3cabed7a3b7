import { dayAnswerSchema } from '@lintrel/core/front';
import { useQuery } from '@tanstack/react-query';
import { request } from '@/api/http';

/** The day goes on without events: the plan is refetched, ms. */
const ANEW_MS = 120_000;

/** The day's plan of the shop. */
export const useDay = () =>
  useQuery({ queryKey: ['day'], queryFn: () => request('GET', '/day', dayAnswerSchema), refetchInterval: ANEW_MS });
