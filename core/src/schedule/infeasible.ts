import { minOf } from '../kit';
import { type Lag, type ScheduleProblem, taskMinutes } from './problem';
import { solveSchedule } from './solve';

/** Why there is no schedule, and what would help. */
export type ScheduleTrouble =
  | { readonly code: 'no-workers' }
  /** A person who does not work, or a place that is never open, in the whole planned time. */
  | { readonly code: 'no-hours'; readonly worker: string }
  | { readonly code: 'closed'; readonly place: string; readonly task: string }
  /** A task needs more people than there are. */
  | { readonly code: 'hands'; readonly task: string; readonly hands: number; readonly workers: number }
  /** A task is longer than anybody's day, or than the opening time of a place. */
  | { readonly code: 'too-long'; readonly task: string; readonly minutes: number; readonly longestMin: number }
  /**
   * A window that cannot be kept in these hours; it could with days longer by `extraMin`, or not at all (null);
   * `also`: windows that cannot be kept together with it.
   */
  | {
      readonly code: 'window';
      readonly task: string;
      readonly other: string;
      readonly maxMin: number;
      readonly extraMin: number | null;
      readonly also: readonly LimitRef[];
    }
  | { readonly code: 'pinned'; readonly task: string }
  | { readonly code: 'none' };

/** A window of a task after another. */
interface LimitRef {
  readonly task: string;
  readonly other: string;
  readonly maxMin: number;
}

/** Longer days that are tried, min. */
const LONGER_DAYS_MIN = [30, 60, 120, 240];
/** Maximum number of partial schedules per attempt. */
const TRY = 400;
const LEAST_TRY = 20;
const MANY_TASKS = 25;
/** Maximum number of attempts to find the limits in conflict; with more tasks, longer days are not tried. */
const MOST_TRIES = 32;
const MOST_ASKED = 60;

/** Finds what prevents any schedule: the simplest reason first. */
export function scheduleTrouble(problem: ScheduleProblem): ScheduleTrouble {
  const { tasks, workers, places } = problem;
  const manned = tasks.filter(({ hands }) => hands > 0);
  if (manned.length > 0 && workers.length === 0) return { code: 'no-workers' };
  const idle = workers.find(({ hours }) => hours.every(({ to }) => to <= problem.nowMin));
  const working = workers.filter((worker) => worker !== idle && worker.hours.some(({ to }) => to > problem.nowMin));
  if (idle && working.length === 0) return { code: 'no-hours', worker: idle.id };
  for (const { id, hours } of places) {
    const held = tasks.find((task) => task.places.includes(id));
    if (held && hours !== null && !hours.some(({ to }) => to > problem.nowMin))
      return { code: 'closed', place: id, task: held.id };
  }
  const crowd = manned.find(({ hands }) => hands > workers.length);
  if (crowd) return { code: 'hands', task: crowd.id, hands: crowd.hands, workers: workers.length };
  for (const task of tasks) {
    const limits = [
      ...(task.hands > 0 ? [Math.max(0, ...workers.flatMap(({ hours }) => hours.map(lengthOf)))] : []),
      ...task.places.flatMap((id) => openLength(problem, id)),
    ];
    const longestMin = Math.min(Infinity, ...limits);
    const minutes =
      workers.length === 0
        ? task.minutes
        : minOf(workers.map(({ id }) => taskMinutes(task, task.hands > 0 ? [id] : [])));
    if (minutes > longestMin && !(task.pauses && task.places.length === 0))
      return { code: 'too-long', task: task.id, minutes, longestMin };
  }
  const most = Math.max(LEAST_TRY, Math.round(TRY / Math.max(1, tasks.length / MANY_TASKS) ** 2));
  const isPossible = (changed: ScheduleProblem) => solveSchedule(changed, { most }) !== null;
  // Completed work is pinned to the past; only remaining tasks can be released.
  const pins = manned.filter(({ atMin, worker }) => atMin !== undefined || worker !== undefined).map(({ id }) => id);
  if (pins.length > 0 && isPossible(withoutPins(problem, pins)))
    return { code: 'pinned', task: pins.find((pin) => isPossible(withoutPins(problem, [pin]))) ?? pins[0]! };
  const limits = tasks.flatMap(({ id, after }) =>
    after.flatMap((lag) => (lag.maxMin === null || lag.scuffMin !== undefined ? [] : [{ task: id, lag }])),
  );
  const [inTheWay, ...also] = notToBeKept(problem, limits, isPossible);
  if (!inTheWay) return { code: 'none' };
  const extraMin =
    tasks.length > MOST_ASKED
      ? null
      : (LONGER_DAYS_MIN.find((extra) => isPossible(withLongerDays(problem, extra))) ?? null);
  const limitRef = ({ task, lag }: Limit): LimitRef => ({ task, other: lag.task, maxMin: lag.maxMin ?? Infinity });
  return { code: 'window', ...limitRef(inTheWay), extraMin, also: also.map(limitRef) };
}

interface Limit {
  readonly task: string;
  readonly lag: Lag;
}

/**
 * Limits that cannot be kept together with all others: a maximal set is kept, those of earlier tasks first. Halves
 * are tried at once, so that few attempts are needed if few limits are in conflict.
 * @returns none if limits are not the reason
 */
function notToBeKept(
  problem: ScheduleProblem,
  limits: readonly Limit[],
  isPossible: (changed: ScheduleProblem) => boolean,
): Limit[] {
  const gone = new Set(limits.map(({ lag }) => lag));
  let tries = Math.round(MOST_TRIES * Math.min(1, MANY_TASKS / problem.tasks.length));
  if (limits.length === 0 || !isPossible(withoutLags(problem, gone))) return [];
  const keep = (some: readonly Limit[]): void => {
    // Limits that are not tried any more are dropped.
    if (tries-- <= 0) return;
    for (const { lag } of some) gone.delete(lag);
    if (isPossible(withoutLags(problem, gone))) return;
    for (const { lag } of some) gone.add(lag);
    if (some.length === 1) return;
    const half = some.length >> 1;
    keep(some.slice(0, half));
    keep(some.slice(half));
  };
  // All at once is what is known not to be possible.
  if (limits.length > 1) {
    keep(limits.slice(0, limits.length >> 1));
    keep(limits.slice(limits.length >> 1));
  }
  return limits.filter(({ lag }) => gone.has(lag));
}

/** The problem with some tasks unpinned: anybody does them, at any time. */
export const withoutPins = (problem: ScheduleProblem, letGo: readonly string[]): ScheduleProblem => ({
  ...problem,
  tasks: problem.tasks.map((task) => {
    if (!letGo.includes(task.id)) return task;
    const { atMin: _at, worker: _worker, ...free } = task;
    return free;
  }),
});

const withoutLags = (problem: ScheduleProblem, gone: ReadonlySet<Lag>): ScheduleProblem =>
  withoutLimits(problem, (_task, lag) => gone.has(lag));

/** The problem without the limits of one task after another: however late, it may begin. */
export const withoutMaxLags = (problem: ScheduleProblem, task: string, other: string): ScheduleProblem =>
  withoutLimits(problem, (limited, lag) => limited === task && lag.task === other);

const withoutLimits = (problem: ScheduleProblem, picked: (task: string, lag: Lag) => boolean): ScheduleProblem => ({
  ...problem,
  tasks: problem.tasks.map((task) => ({
    ...task,
    after: task.after.map((lag) => (picked(task.id, lag) ? { ...lag, maxMin: null } : lag)),
  })),
});

const lengthOf = ({ from, to }: { readonly from: number; readonly to: number }): number => to - from;

function openLength({ places }: ScheduleProblem, id: string): number[] {
  const hours = places.find((place) => place.id === id)?.hours ?? null;
  return hours === null ? [] : [Math.max(0, ...hours.map(lengthOf))];
}

const withLongerDays = (problem: ScheduleProblem, extra: number): ScheduleProblem => ({
  ...problem,
  workers: problem.workers.map((worker) => ({
    ...worker,
    hours: worker.hours.map(({ from, to }) => ({ from, to: to + extra })),
  })),
});
