import { type BatchAction, maxWaitMin, scheduleActions, type StripTimes, TIME_TOLERANCE_MIN } from './actions';
import { maxPaintedAhead, shortestCycle } from './cycle';

export type { StripTimes } from './actions';

/** One step of the batch cycle: a number of paints or pulls in a row. */
export interface BatchCycleStep {
  readonly turn: BatchAction;
  readonly strips: number;
  /** When the first of them begins, minutes from the start. */
  readonly startMin: number;
}

/** How strips are painted and pulled by one person so that each is pulled in its window. */
export interface Batches {
  readonly feasible: true;
  /** Maximum number painted before the first is pulled. */
  readonly paintAhead: number;
  /** Least minutes for all of it, and whether that is proven. */
  readonly totalMinutes: number;
  readonly proven: boolean;
  readonly rhythm: readonly BatchCycleStep[];
}

/** Why it cannot be done, and what would make it so. */
export interface BatchFailure {
  readonly feasible: false;
  /** Longest feasible pull, min: with shorter strips or more people per strip. */
  readonly longestPullMin: number;
  /** The window would have to end no sooner than this, min: slower thinner, cooler air. */
  readonly leastToMin: number;
}

/**
 * Plans painting and pulling of equal strips by one person, who does one thing at a time, paints and pulls in the
 * same order, and may wait.
 * @param strips at least one strip; minutes of 0 or more
 * @returns the largest number painted ahead and the shortest total; or what would make it feasible. Painting and
 *   pulling strip by strip is always feasible if a pull fits into the window, so that is the only possible obstacle
 */
export function batches(strips: StripTimes): Batches | BatchFailure {
  const { fromMin, toMin, pullMin } = strips;
  if (fromMin > maxWaitMin(strips) + TIME_TOLERANCE_MIN)
    return { feasible: false, longestPullMin: Math.max(0, toMin - fromMin), leastToMin: fromMin + pullMin };
  const { turns, totalMin, proven } = shortestCycle(strips);
  return {
    feasible: true,
    paintAhead: maxPaintedAhead(strips),
    totalMinutes: totalMin,
    proven,
    rhythm: heapsOf(turns, scheduleActions(turns, strips)!),
  };
}

function heapsOf(turns: readonly BatchAction[], begins: readonly number[]): BatchCycleStep[] {
  const heaps: BatchCycleStep[] = [];
  turns.forEach((turn, index) => {
    const last = heaps[heaps.length - 1];
    if (last?.turn === turn) heaps[heaps.length - 1] = { ...last, strips: last.strips + 1 };
    else heaps.push({ turn, strips: 1, startMin: begins[index]! });
  });
  return heaps;
}
