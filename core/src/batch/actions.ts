import { TOLERANCE } from '../kit';
/** Strips of one kind, painted and pulled by one person; all in minutes. */
export interface StripTimes {
  /** Painting one strip, and pulling one. */
  readonly paintMin: number;
  readonly pullMin: number;
  /** A pull begins no sooner than `fromMin` after its strip was painted, and ends no later than `toMin`. */
  readonly fromMin: number;
  readonly toMin: number;
  readonly strips: number;
}

/** What is done next: painting the next strip, or pulling the oldest that is painted. */
export type BatchAction = 'paint' | 'pull';

/** Times that differ by less are the same: sums of minutes are not exact. */
export const TIME_TOLERANCE_MIN = TOLERANCE.rounding;

/** How long a painted strip may wait for its pull to begin. */
export const maxWaitMin = ({ toMin, pullMin }: StripTimes): number => toMin - pullMin;

/**
 * Lays an order of turns on the clock, every turn as early as it can be.
 * @returns when each turn begins, minutes from the start; null where some strip must fall out of its window
 * The times are the longest ways through the waits between turns; where a pull would come too late, its painting is put off.
 */
export function scheduleActions(turns: readonly BatchAction[], strips: StripTimes): number[] | null {
  const { paintMin, pullMin, fromMin } = strips;
  const waitMin = maxWaitMin(strips);
  const painted = turns.flatMap((turn, index) => (turn === 'paint' ? [index] : []));
  const pulled = turns.flatMap((turn, index) => (turn === 'pull' ? [index] : []));
  const begins = turns.map(() => 0);
  // Each round settles one more turn at least; more rounds than turns go round in a circle for ever.
  for (let round = 0; round <= turns.length; round++) {
    let moved = false;
    const atLeast = (index: number, min: number) => {
      if (begins[index]! >= min - TIME_TOLERANCE_MIN) return;
      begins[index] = min;
      moved = true;
    };
    for (let index = 1; index < turns.length; index++)
      atLeast(index, begins[index - 1]! + (turns[index - 1] === 'paint' ? paintMin : pullMin));
    pulled.forEach((index, strip) => atLeast(index, begins[painted[strip]!]! + paintMin + fromMin));
    pulled.forEach((index, strip) => atLeast(painted[strip]!, begins[index]! - waitMin - paintMin));
    if (!moved) return begins;
  }
  return null;
}

/** Minutes a sequence of actions takes; null if it is not feasible. */
export function minutesOfActions(turns: readonly BatchAction[], strips: StripTimes): number | null {
  const begins = scheduleActions(turns, strips);
  return begins && begins[begins.length - 1]! + strips.pullMin;
}
