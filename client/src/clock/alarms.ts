import { remedyOf, MS_PER_MINUTE, windowState, type JobSummary, type RunningWindow } from '@lintrel/core/front';

/** How a person is told on this device. */
export interface AlarmSetting {
  readonly on: boolean;
  /** Hours in which nothing sounds, minutes from midnight; the same: none. */
  readonly quietFromMin: number;
  readonly quietToMin: number;
}

export const DEFAULT_ALARM: AlarmSetting = { on: false, quietFromMin: 1260, quietToMin: 360 };

/** Something a person is told once. */
export interface Alarm {
  /** The same for the same thing, so that it is told once. */
  readonly key: string;
  readonly kind: 'open' | 'closing' | 'passed';
  readonly job: JobSummary;
  readonly window: RunningWindow;
}

/** So long before it closes a window that is open is told of once more, or a fifth of its time, whichever is less. */
const CLOSING_MS = 10 * MS_PER_MINUTE;
/** What happened longer ago than this is not told any more: it stands on the clock. */
const STALE_MS = 60 * MS_PER_MINUTE;

/**
 * What is to be told now: windows that have opened, that close soon, that have closed.
 * @param told keys of what was told before
 * A page that slept tells what is so when it wakes, not what it slept through.
 */
export function alarmsAt(jobs: readonly JobSummary[], now: number, given: ReadonlySet<string>): Alarm[] {
  return jobs.flatMap((job) =>
    job.windows.flatMap((window): Alarm[] => {
      const kind = kindAt(window, now);
      if (kind === null) return [];
      const key = `${job.id} ${window.step} ${window.code} ${window.opens ?? ''} ${kind}`;
      return given.has(key) ? [] : [{ key, kind, job, window }];
    }),
  );
}

function kindAt(window: RunningWindow, now: number): Alarm['kind'] | null {
  const { opens, closes } = window;
  const state = windowState(window, now);
  if (state === 'before') return null;
  if (state === 'passed') return now - (closes ?? now) < STALE_MS ? 'passed' : null;
  if (closes !== null && closes - now < Math.min(CLOSING_MS, (closes - (opens ?? now)) / 5)) return 'closing';
  // What was just mixed is known to be good.
  if (remedyOf(window.code) === 'mix') return null;
  return now - (opens ?? now) < STALE_MS ? 'open' : null;
}

/** Whether it is quiet at a time of the day, also over midnight. */
export function isQuiet({ quietFromMin, quietToMin }: AlarmSetting, minuteOfDay: number): boolean {
  if (quietFromMin === quietToMin) return false;
  return quietFromMin < quietToMin
    ? minuteOfDay >= quietFromMin && minuteOfDay < quietToMin
    : minuteOfDay >= quietFromMin || minuteOfDay < quietToMin;
}
