import { type ScheduleProblem, TIME_TOLERANCE_MIN } from './problem';
import type { SolvedSchedule } from './solve';
import { scheduleTables } from './tables';

/** Why a task does not begin sooner. */
export interface Binding {
  readonly task: string;
  readonly startMin: number;
  readonly by: 'now' | 'earliest' | 'pinned' | 'drying' | 'order' | 'worker' | 'place' | 'hours';
  /** The task it waits for; null for hours and the clock. */
  readonly other: string | null;
}

/**
 * Constraints that determine the end of a schedule: from the last task back to what it waits for, and so on.
 * @returns from first to last; shortening anything else does not end the schedule sooner
 */
export function bindingConstraints(problem: ScheduleProblem, { schedule, decisions }: SolvedSchedule): Binding[] {
  const tables = scheduleTables(problem);
  const { placed } = schedule;
  const chain: Binding[] = [];
  let task = placed.reduce(
    (last, assignment, index) => (assignment.endMin > placed[last]!.endMin + TIME_TOLERANCE_MIN ? index : last),
    0,
  );
  for (let guard = 0; guard <= placed.length && placed[task]; guard++) {
    const bind = bindOf(problem, tables, decisions.order, placed, task);
    chain.unshift({
      task: placed[task]!.task,
      startMin: placed[task]!.startMin,
      by: bind.by,
      other: bind.other === null ? null : placed[bind.other]!.task,
    });
    if (bind.other === null) break;
    task = bind.other;
  }
  return chain;
}

function bindOf(
  { tasks, nowMin }: ScheduleProblem,
  { lags, holds }: ReturnType<typeof scheduleTables>,
  order: readonly (readonly [number, number])[],
  placed: SolvedSchedule['schedule']['placed'],
  task: number,
): { by: Binding['by']; other: number | null } {
  const assignment = placed[task]!;
  const near = (moment: number) => Math.abs(moment - assignment.startMin) < 1e-3;
  const { earliestMin, atMin } = tasks[task]!;
  if (atMin !== undefined && near(atMin)) return { by: 'pinned', other: null };
  const lag = lags.find(
    ({ before, task: after, fromEnd, minMin }) =>
      after === task && near((fromEnd ? placed[before]!.endMin : placed[before]!.startMin) + minMin),
  );
  if (lag) return { by: lag.minMin > TIME_TOLERANCE_MIN ? 'drying' : 'order', other: lag.before };
  const behind = order.find(([before, after]) => after === task && near(placed[before]!.endMin));
  if (behind)
    return {
      by: holds[task]!.some((place) => holds[behind[0]]!.includes(place)) ? 'place' : 'worker',
      other: behind[0],
    };
  // It is put off for what must follow it in time.
  const put = lags.find(
    ({ before, task: after, maxMin, fromEnd }) =>
      before === task &&
      maxMin !== Infinity &&
      Math.abs(placed[after]!.startMin - (fromEnd ? assignment.endMin : assignment.startMin) - maxMin) < 1e-2,
  );
  if (put && assignment.startMin > Math.max(nowMin, earliestMin) + TIME_TOLERANCE_MIN)
    return { by: 'hours', other: null };
  if (near(nowMin)) return { by: 'now', other: null };
  if (near(earliestMin)) return { by: 'earliest', other: null };
  return { by: 'hours', other: null };
}
