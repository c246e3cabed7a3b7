import { dayAnswerSchema } from '@lintrel/core/front';
import { useQuery } from '@tanstack/react-query';
import { request } from '@/api/http';

/** Nothing may happen for minutes, and the day goes on: the plan is asked for anew. */
const ANEW_MS = 120_000;

/** The day's plan of the shop. */
export const useDay = () =>
  useQuery({ queryKey: ['day'], queryFn: () => request('GET', '/day', dayAnswerSchema), refetchInterval: ANEW_MS });
