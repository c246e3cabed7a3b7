import {
  type AirAnswer,
  airAnswerSchema,
  currentWindow,
  type JobSummary,
  measuredOf,
  MS_PER_MINUTE,
  NO_AIR,
  type ShopAir,
  windowInAir,
} from '@lintrel/core/front';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { request } from '@/api/http';

/** The air of the shop, measured and forecast: the answer, and as used for windows. */
export function useAir(): { readonly told: AirAnswer | null; readonly air: ShopAir } {
  const { data } = useQuery({
    queryKey: ['air'],
    queryFn: () => request('GET', '/air', airAnswerSchema),
    refetchInterval: MS_PER_MINUTE,
  });
  const air = useMemo(() => (data ? { measured: measuredOf(data.readings), expected: data.expected } : NO_AIR), [data]);
  return { told: data ?? null, air };
}

/** Jobs with their windows in the air as it really is. */
export const inAir = (jobs: readonly JobSummary[], air: ShopAir): readonly JobSummary[] =>
  jobs.map((job) =>
    air === NO_AIR && !job.windows.some(({ heats }) => heats)
      ? job
      : { ...job, windows: job.windows.map((window) => windowInAir(window, air)) },
  );

/** Jobs with their windows as they stand at a moment. */
export const standing = (jobs: readonly JobSummary[], now: number): readonly JobSummary[] =>
  jobs.map((job) =>
    job.windows.some(({ again }) => again)
      ? { ...job, windows: job.windows.map((window) => currentWindow(window, now)) }
      : job,
  );
