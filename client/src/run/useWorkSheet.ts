import {
  attendedSteps,
  EVENT_VERSION,
  type EventKind,
  type FrozenPlan,
  type JobProgress,
  type LogEvent,
  type Observed,
  progressOf,
  readWorkSheet,
  type Shelf,
  shelfFingerprint,
  type Step,
  type StepId,
  type WorkSheet as FrozenSheet,
} from '@lintrel/core';
import { useMemo, useRef } from 'react';
import { clock } from '@/api/clock';
import { deviceName } from '@/device/deviceName';
import { newId } from '@/device/newId';
import { outbox } from '@/sync/device';
import { useRun, useStartJob } from '@/sync/runQueries';
import type { Pending } from '@/sync/store';
import { useOutbox } from '@/sync/useOutbox';

/** The run sheet of a started job, with what was logged so far and what is still on its way to the server. */
export interface WorkSheet {
  /** The frozen plan of the started job; null before the start. */
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
  /** Adds a photo to a step, or to the whole job. */
  readonly logPhoto: (step: StepId | null, photo: Blob) => void;
  /** Starts with the plan of a revision and a shelf. */
  readonly start: (revision: number, shelf: Shelf) => void;
  /** A start is on its way. */
  readonly busy: boolean;
  /** Entries pending on this device, oldest first. */
  readonly waiting: readonly Pending[];
  /** True if the device cannot store them: they are lost with the page. */
  readonly unkept: boolean;
  /** Entries refused by the server; they stay until a person decides. */
  readonly refused: readonly Pending[];
  /** Entries on this device that the server has not confirmed. */
  readonly unsent: number;
  /** Sends a refused entry again, unchanged or edited. */
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
  // The screen is redrawn every second: what follows from the log is computed when the log changes.
  const { own, toSend, events, progress, doneCount } = useMemo(() => {
    const kept = run.data?.events ?? [];
    const ownOf = (all: readonly Pending[]) =>
      all.filter(({ job, event }) => job === id && !kept.some((entryKept) => entryKept.id === event.id));
    const here = ownOf(pending);
    const waiting = here.filter(({ refused }) => refused === null);
    // Taps count at once; the server's record replaces them when it arrives.
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
