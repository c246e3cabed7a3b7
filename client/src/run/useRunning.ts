import {
  type BoothState,
  boothState,
  currentStep,
  currentWindow,
  type RunningWindow,
  type Step,
  stepOfEntry,
  windowInAir,
  windowState,
} from '@lintrel/core';
import { useMemo } from 'react';
import { useAir } from '@/clock/useAir';
import { useNow } from '@/ui/useNow';
import type { WorkSheet } from './useWorkSheet';

/** Where a started sheet stands at this moment. */
export interface Running {
  readonly now: number;
  /** Windows in the air as it was and is expected, those of the present. */
  readonly windows: readonly RunningWindow[];
  /** The job is finished, not just its last step done. */
  readonly finished: boolean;
  /** The step to do now, and the one done last. */
  readonly next: Step | null;
  readonly last: Step | null;
  /** The step entries and photos belong to now. */
  readonly shown: Step | null;
  /** Steps left to do by hand, the current one first. */
  readonly left: readonly Step[];
  /** Plugs that are counted out at this step; null: none. */
  readonly plugs: number | null;
  /** The window of the next step has not opened yet. */
  readonly early: boolean;
  readonly inBooth: BoothState | null;
  readonly photos: readonly string[];
}

/** Where a sheet stands now. */
export function useRunning({ plan, progress: logged, events }: WorkSheet): Running {
  const now = useNow();
  const { air } = useAir();
  const counted = useMemo(() => logged.running.map((window) => windowInAir(window, air)), [logged, air]);
  const windows = counted.map((window) => currentWindow(window, now));
  const progress = { ...logged, running: windows };
  const steps = plan?.steps ?? [];
  // A coat past its limit is scuffed first, paint past its pot life is mixed again.
  const next = currentStep(progress, steps, now);
  const [lastDone] = [...progress.doneAt].sort((a, b) => b[1] - a[1]);
  const last = stepOfEntry(steps, lastDone?.[0] ?? null) ?? null;
  const shown = next ?? last;
  return {
    now,
    windows,
    finished: progress.finishedAt !== null,
    next,
    last,
    shown,
    left: progress.finishedAt === null ? (plan?.toDo ?? []).filter(({ id }) => !progress.doneAt.has(id)) : [],
    plugs: next?.kind === 'unplug' ? Number(next.say.values.plugs) : null,
    early: windows.some(
      (window) => window.step === next?.id && windowState(window, now) === 'before' && window.opens !== null,
    ),
    inBooth: boothState(steps, progress.doneAt, next, now),
    photos: events.flatMap(({ step, saw }) =>
      saw?.kind === 'photo' && step === (shown?.id ?? null) ? [saw.photo] : [],
    ),
  };
}
