import { airAnswerSchema, overAir, type AirAnswer, type AirReading, type JobSummary } from '@lintrel/core/front';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { request } from '@/api/http';

/** A sensor says something new every minute. */
const ANEW_MS = 60_000;
const NONE: readonly AirReading[] = [];

/** The air of the shop as it was read off: what is told, and as readings windows are counted over. */
export function useAir(): { readonly told: AirAnswer | null; readonly readings: readonly AirReading[] } {
  const { data } = useQuery({ queryKey: ['air'], queryFn: () => request('GET', '/air', airAnswerSchema), refetchInterval: ANEW_MS });
  const readings = useMemo(() => data?.readings.map(({ at, airC, rhPercent }) => ({ atMin: Date.parse(at) / 60_000, airC, rhPercent })) ?? NONE, [data]);
  return { told: data ?? null, readings };
}

/** Jobs with their windows in the air as it really was. */
export const inAir = (jobs: readonly JobSummary[], readings: readonly AirReading[]): readonly JobSummary[] =>
  readings.length === 0 ? jobs : jobs.map((job) => ({ ...job, windows: job.windows.map((window) => overAir(window, readings)) }));
