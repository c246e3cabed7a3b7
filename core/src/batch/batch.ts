import { type BatchAction, maxWaitMin, scheduleActions, type StripTimes, TIME_TOLERANCE_MIN } from './actions';
import { maxPaintedAhead, shortestCycle } from './cycle';

export type { StripTimes, BatchAction } from './actions';

/** The rhythm of painting and pulling, in heaps: so many of one turn after the other. */
export interface BatchCycleStep {
  readonly turn: BatchAction;
  readonly strips: number;
  /** When the first of them begins, minutes from the start. */
  readonly startMin: number;
}

/** How strips are painted and pulled by one person so that each is pulled in its window. */
export interface Batches {
  readonly feasible: true;
  /** So many may be painted before the first is pulled, at most. */
  readonly paintAhead: number;
  /** Least minutes for all of it, and whether that is proven. */
  readonly totalMinutes: number;
  readonly proven: boolean;
  readonly rhythm: readonly BatchCycleStep[];
}

/** Why it cannot be done, and what would make it so. */
export interface BatchFailure {
  readonly feasible: false;
  /** A pull may take no longer than this, min: shorter strips, more hands on one strip. */
  readonly longestPullMin: number;
  /** The window would have to end no sooner than this, min: slower thinner, cooler air. */
  readonly leastToMin: number;
}

/**
 * Plans painting and pulling of alike strips by one person, who does one thing at a time, paints and pulls in the same order, and may wait.
 * @param strips at least one strip; minutes of 0 or more
 * @returns the largest lead and the least total; or what would make it feasible. One strip after the other can always be kept where a
 * pull fits into the window at all, so that is the only reason it may not.
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
