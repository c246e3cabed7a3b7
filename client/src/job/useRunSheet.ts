import { progressOf, type EventKind, type JobProgress, type LogEvent, type Plan, type Step } from '@lintrel/core';
import { useLogEvent, useRun, useStartJob } from '@/api/queries';

/** The run sheet of a started job, with what was logged so far and what is still on its way to the server. */
export interface RunSheet {
  readonly plan: Plan | null;
  /** Revision of the design the plan was started from. */
  readonly revision: number | null;
  readonly events: readonly LogEvent[];
  readonly progress: JobProgress;
  readonly loading: boolean;
  readonly error: Error | null;
  readonly retry: () => void;
  readonly log: (kind: EventKind, step: string | null, note?: string) => void;
  readonly start: (revision: number) => void;
  readonly busy: boolean;
  /** True while an entry waits for a connection. */
  readonly waiting: boolean;
  readonly trouble: string | null;
}

const NO_STEPS: readonly Step[] = [];

/** An entry made now, on this device. */
const entry = (kind: EventKind, step: string | null, note = ''): LogEvent => ({ id: crypto.randomUUID(), at: new Date().toISOString(), kind, step, note });

export function useRunSheet(id: string): RunSheet {
  const run = useRun(id);
  const append = useLogEvent(id);
  const begin = useStartJob(id);
  const plan = run.data?.started?.plan ?? null;
  const pending = append.isPending && append.variables ? [append.variables] : [];
  const kept = run.data?.events ?? [];
  // What was tapped counts at once; the server's record takes its place when it comes.
  const events = [...kept, ...pending.filter((event) => !kept.some((one) => one.id === event.id))];
  return {
    plan,
    revision: run.data?.started?.revision ?? null,
    events,
    progress: progressOf(plan?.steps ?? NO_STEPS, events),
    loading: run.isPending,
    error: run.error,
    retry: () => void run.refetch(),
    log: (kind, step, note) => append.mutate(entry(kind, step, note)),
    start: (revision) => begin.mutate({ revision, event: entry('start', null) }),
    busy: append.isPending || begin.isPending,
    waiting: append.isPaused || (append.failureCount > 0 && append.isPending),
    trouble: (append.error ?? begin.error)?.message ?? null,
  };
}
