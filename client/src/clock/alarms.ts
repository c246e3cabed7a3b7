import { type JobSummary, MS_PER_MINUTE, remedyOf, type RunningWindow, windowState } from '@lintrel/core/front';

/** Alarm settings of a device. */
export interface AlarmSetting {
  readonly on: boolean;
  /** Hours in which nothing sounds, minutes from midnight; the same: none. */
  readonly quietFromMin: number;
  readonly quietToMin: number;
}

export const DEFAULT_ALARM: AlarmSetting = { on: false, quietFromMin: 1260, quietToMin: 360 };

/** An alarm, raised once. */
export interface Alarm {
  /** Identifies the alarm, so that it is raised once. */
  readonly key: string;
  readonly kind: 'open' | 'closing' | 'passed';
  readonly job: JobSummary;
  readonly window: RunningWindow;
}

/** An open window raises another alarm this long before it closes, or a fifth of its time if that is less. */
const CLOSING_MS = 10 * MS_PER_MINUTE;
/** Older events raise no alarm any more: the Clock shows them. */
const STALE_MS = 60 * MS_PER_MINUTE;

/**
 * Alarms to raise now: windows that have opened, that close soon, that have closed. A page that was asleep raises
 * what applies when it wakes.
 * @param given keys of earlier alarms
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
