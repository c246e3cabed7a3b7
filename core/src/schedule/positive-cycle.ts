import type { EarliestTimes } from './earliest';
import { TIME_TOLERANCE_MIN } from './problem';
import { canEndAt, type Decisions, type ScheduleTables } from './tables';

/**
 * Whether lags and order form a cycle that increases times without end, whatever the hours. Starts and ends are
 * separate nodes: for a task that may pause, the end is at least its minutes after the start, but may be later.
 */
export function hasPositiveCycle(
  tables: ScheduleTables,
  decisions: Decisions,
  minutes: readonly number[],
  { start, end }: EarliestTimes,
): boolean {
  const { tasks, lags } = tables;
  const count = tasks.length;
  // Starts, then ends, at their present times: what is stable is not visited again.
  const values = Float64Array.from([...start, ...end]);
  // What pushed each last: where these lead back to where they came from, nothing ever comes to rest.
  const pushedBy = new Int32Array(2 * count).fill(-1);
  const open = tasks.map((_, task) => canEndAt(tables, decisions, task));
  for (;;) {
    let moved = false;
    const push = (from: number, to: number, by: number): void => {
      if (values[to]! >= values[from]! + by - TIME_TOLERANCE_MIN) return;
      values[to] = values[from]! + by;
      pushedBy[to] = from;
      moved = true;
    };
    for (let task = 0; task < count; task++) {
      push(task, count + task, minutes[task]!);
      if (!open[task]) push(count + task, task, -minutes[task]!);
    }
    for (const [before, after] of decisions.order) push(count + before, after, 0);
    for (let index = 0; index < lags.length; index++) {
      const { before, task, fromEnd, minMin, maxMin, scuffMin } = lags[index]!;
      const since = fromEnd ? count + before : before;
      push(since, task, minMin);
      if (maxMin !== Infinity && (scuffMin === null || decisions.lag[index] === 'kept')) push(task, since, -maxMin);
    }
    if (!moved) return false;
    if (leadsBack(pushedBy)) return true;
  }
}

/** Whether following what each was pushed by leads round to where it began. */
function leadsBack(pushedBy: Int32Array): boolean {
  const seen = new Int32Array(pushedBy.length).fill(-1);
  for (let first = 0; first < pushedBy.length; first++) {
    let current = first;
    while (current >= 0 && seen[current] === -1) {
      seen[current] = first;
      current = pushedBy[current]!;
    }
    if (current >= 0 && seen[current] === first) return true;
  }
  return false;
}
