import { bisect } from '../kit';
import { earliestTimes } from './earliest';
import { type ScheduleProblem, TIME_TOLERANCE_MIN } from './problem';
import type { SolvedSchedule } from './solve';
import { type Decisions, type ScheduleTables, scheduleTables } from './tables';

/** The last moment a task may begin without anything after it falling out of its window or out of the hours. */
export interface LatestStart {
  readonly task: string;
  readonly latestMin: number;
  /** What would be missed by beginning later, and when it would fall, whatever the hours; null: nothing on its own, only the hours of the task. */
  readonly missed: { readonly task: string; readonly atMin: number } | null;
}

/** Looked for no further than this past the planned start, min: a day. */
const MOST_LATER_MIN = 1440;
const LOOK_EVERY_MIN = 15;

/**
 * Latest safe starts of those tasks that something has to follow in time, as the schedule stands: its people and its order.
 * @returns only those that cannot simply be begun a day later
 */
export function latestStarts(problem: ScheduleProblem, { decisions, schedule }: SolvedSchedule): LatestStart[] {
  const tables = scheduleTables(problem);
  const open = scheduleTables(atAnyHour(problem));
  // Under the same decisions nothing gets earlier if a task starts later: the search continues from the schedule.
  const asPlanned = schedule.placed.map(({ startMin }) => startMin);
  return problem.tasks.flatMap(({ id, atMin }, task): LatestStart[] => {
    // What is pinned, as all that is done, begins when it does.
    if (atMin !== undefined) return [];
    const followed = tables.lags.some(({ before, maxMin }) => before === task && maxMin !== Infinity);
    if (!followed) return [];
    const planned = schedule.placed[task]!.startMin;
    const holds = (at: number): boolean => {
      const times = earliestTimes(tables, decisions, begunAt(asPlanned, task, at));
      return times !== null && times.start[task]! <= at + TIME_TOLERANCE_MIN;
    };
    // It may be possible again the next morning: what is wanted is the end of the present interval.
    const late = Array.from(
      { length: MOST_LATER_MIN / LOOK_EVERY_MIN },
      (_, step) => planned + (step + 1) * LOOK_EVERY_MIN,
    ).find((at) => !holds(at));
    if (late === undefined) return [];
    // To a thousandth of a minute; a whole minute that holds is found whole.
    const last = bisect(late - LOOK_EVERY_MIN, late, 14, holds);
    const latestMin = Math.max(planned, Math.floor(last + 1e-2));
    return [{ task: id, latestMin, missed: missedBy(problem, open, decisions, task, latestMin + 1) }];
  });
}

const begunAt = (starts: readonly number[], task: number, at: number): number[] =>
  starts.map((start, other) => (other === task ? at : start));

/** The same problem with everybody and everything there day and night. */
function atAnyHour(problem: ScheduleProblem): ScheduleProblem {
  const always = { from: problem.nowMin - MOST_LATER_MIN, to: problem.nowMin + 400 * MOST_LATER_MIN };
  return {
    ...problem,
    workers: problem.workers.map((worker) => ({ ...worker, hours: [always] })),
    places: problem.places.map((place) => ({ ...place, hours: null })),
  };
}

/** The first task that would have to be done outside everybody's hours. */
function missedBy(
  problem: ScheduleProblem,
  open: ScheduleTables,
  decisions: Decisions,
  task: number,
  at: number,
): LatestStart['missed'] {
  const times = earliestTimes(
    open,
    decisions,
    begunAt(
      open.tasks.map(() => -Infinity),
      task,
      at,
    ),
  );
  if (!times) return null;
  const outside = open.lags
    .filter(({ before, maxMin }) => maxMin !== Infinity && before === task)
    .map((lag) => ({ task: lag.task, at: times.start[lag.task]! }))
    .filter(
      ({ task: other }) =>
        problem.tasks[other]!.hands > 0 &&
        !problem.workers.some(({ hours }) =>
          hours.some(({ from, to }) => from <= times.start[other]! && times.end[other]! <= to),
        ),
    )
    .sort((a, b) => a.at - b.at)[0];
  return outside ? { task: problem.tasks[outside.task]!.id, atMin: outside.at } : null;
}
