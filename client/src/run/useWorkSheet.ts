import {
  attendedSteps,
  progressOf,
  readWorkSheet,
  shelfFingerprint,
  EVENT_VERSION,
  type EventKind,
  type FrozenPlan,
  type WorkSheet as FrozenSheet,
  type JobProgress,
  type LogEvent,
  type Observed,
  type Shelf,
  type Step,
  type StepId,
} from '@lintrel/core';
import { useMemo, useRef } from 'react';
import { useRun, useStartJob } from '@/sync/runQueries';
import { clock } from '@/api/clock';
import { deviceName } from '@/device/deviceName';
import { outbox } from '@/sync/device';
import type { Pending } from '@/sync/store';
import { useOutbox } from '@/sync/useOutbox';
import { newId } from '@/device/newId';

/** The run sheet of a started job, with what was logged so far and what is still on its way to the server. */
export interface WorkSheet {
  /** The plan that was started, as it was frozen, read by its version; null before the start. */
  readonly plan: StartedSheet | null;
  /** Revision of the design the plan was started from. */
  readonly revision: number | null;
  readonly events: readonly LogEvent[];
  readonly progress: JobProgress;
  /** How many of its steps are done; scuffing that came in between is none of them. */
  readonly doneCount: number;
  readonly loading: boolean;
  readonly error: Error | null;
  readonly retry: () => void;
  readonly log: (kind: EventKind, step: StepId | null, note?: string, saw?: Observed) => void;
  /** Ticks a step off on the sheet of another job, which is done with one of this. */
  readonly logFor: (job: string, step: StepId, saw: Observed, sheet?: number) => void;
  /** Keeps a photo of a step, or of the job as a whole. */
  readonly logPhoto: (step: StepId | null, photo: Blob) => void;
  /** Starts with the plan of a revision, worked out from a shelf. */
  readonly start: (revision: number, shelf: Shelf) => void;
  /** A start is on its way. */
  readonly busy: boolean;
  /** Entries kept on this device until there is a connection, oldest first. */
  readonly waiting: readonly Pending[];
  /** True where the device has no room to keep them: they live on this page alone. */
  readonly unkept: boolean;
  /** Entries the server does not take; they stay until a person says what becomes of them. */
  readonly refused: readonly Pending[];
  /** Entries on this device that the server has not confirmed. */
  readonly unsent: number;
  /** Sends one again that was refused, as it is or mended. */
  readonly again: (id: string, mended?: Partial<LogEvent>) => void;
  readonly drop: (id: string) => void;
  readonly trouble: string | null;
}

const NO_STEPS: readonly Step[] = [];

/** What is worked by: every step, those for a person, and the cautions. */
interface StartedSheet extends FrozenSheet {
  readonly toDo: readonly Step[];
}

function startedSheet(frozen: FrozenPlan): StartedSheet {
  const sheet = readWorkSheet(frozen);
  return { ...sheet, toDo: attendedSteps(sheet.steps) };
}

/** An entry made now, on this device, for a work sheet. */
function entry(kind: EventKind, step: StepId | null, note = '', sheet?: number, saw?: Observed): LogEvent {
  const wrong = clock.aheadMs() !== 0;
  return {
    id: newId(),
    version: EVENT_VERSION,
    at: new Date(clock.now()).toISOString(),
    kind,
    step,
    note,
    device: deviceName(),
    ...(sheet === undefined ? {} : { sheet }),
    ...(saw === undefined ? {} : { saw }),
    ...(wrong ? { deviceAt: new Date().toISOString() } : {}),
  };
}

export function useWorkSheet(id: string): WorkSheet {
  const run = useRun(id);
  const { pending, landed, offline, unkept } = useOutbox();
  const begin = useStartJob(id);
  // A start whose answer was lost is sent again as the same start.
  const lastStart = useRef<{ readonly revision: number; readonly event: LogEvent } | null>(null);
  const frozen = run.data?.started?.plan ?? null;
  const plan = useMemo(() => frozen && startedSheet(frozen), [frozen]);
  const sheet = run.data?.started?.sheet;
  // A screen with a clock is drawn every second: what follows from the log is worked out when the log changes.
  const { own, toSend, events, progress, doneCount } = useMemo(() => {
    const kept = run.data?.events ?? [];
    const ownOf = (all: readonly Pending[]) =>
      all.filter(({ job, event }) => job === id && !kept.some((entryKept) => entryKept.id === event.id));
    const here = ownOf(pending);
    const waiting = here.filter(({ refused }) => refused === null);
    // What was tapped counts at once; the server's record takes its place when it comes.
    const all = [...kept, ...[...ownOf(landed), ...waiting].map(({ event }) => event)];
    const jobProgress = progressOf(plan?.steps ?? NO_STEPS, all, sheet);
    const count = plan?.toDo.filter((step) => jobProgress.doneAt.has(step.id)).length ?? 0;
    return { own: here, toSend: waiting, events: all, progress: jobProgress, doneCount: count };
  }, [id, run.data, pending, landed, plan, sheet]);
  const isOffline = offline.has(id);
  return {
    plan,
    revision: run.data?.started?.revision ?? null,
    events,
    progress,
    doneCount,
    loading: run.isPending,
    error: run.data ? null : run.error,
    retry: () => void run.refetch(),
    log: (kind, step, note, saw) => void outbox.add(id, entry(kind, step, note, sheet, saw)),
    logFor: (job, step, saw, sheetNumber) => void outbox.add(job, entry('done', step, '', sheetNumber, saw)),
    logPhoto: (step, photo) =>
      void outbox.add(id, entry('note', step, '', sheet, { kind: 'photo', photo: newId() }), photo),
    start: (revision, shelf) => {
      const event = lastStart.current?.revision === revision ? lastStart.current.event : entry('start', null);
      lastStart.current = { revision, event };
      begin.mutate(
        { revision, event, shelf: shelfFingerprint(shelf) },
        { onSuccess: () => (lastStart.current = null) },
      );
    },
    busy: begin.isPending,
    waiting: isOffline || unkept ? toSend : [],
    unkept,
    refused: own.filter(({ refused }) => refused !== null),
    unsent: own.length,
    again: (waiting, mended) => void outbox.again(waiting, mended),
    drop: (waiting) => void outbox.drop(waiting),
    trouble: begin.error?.message ?? null,
  };
}
