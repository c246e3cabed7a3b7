import { bisect } from '../kit';
import { type DryingAir, dryingRate } from './rate';
import { airAt, type AirSeries } from './series';

/** Speed of a process in this air relative to the reference air. */
export type RateFunction = (air: DryingAir) => number;

/** What decides how fast a film dries. */
export interface DryingFilm {
  readonly activationKj: number;
  readonly waterborne: boolean;
}

/** Pace a film dries at. */
export const dryingRateFunction =
  ({ activationKj, waterborne }: DryingFilm): RateFunction =>
  (air) =>
    dryingRate(activationKj, waterborne, air);

/** Longest stretch that is integrated at once, min; the sum of Gauss over it errs by less than a millionth even from frost to heat. */
const CELL_MIN = 60;
/** Of an hour this leaves less than a ten-thousandth of a second. */
const CELL_HALVINGS = 32;
/** Nothing is looked for later than this, min: a year. */
const MOST_AHEAD_MIN = 525_600;

// Gauss–Legendre over a unit stretch: places and weights.
const GAUSS = [
  [0.5 - Math.sqrt(0.6) / 2, 5 / 18],
  [0.5, 8 / 18],
  [0.5 + Math.sqrt(0.6) / 2, 5 / 18],
] as const;

/** What passes in a stretch without a reading in it. */
const within = (pace: RateFunction, course: AirSeries, fromMin: number, toMin: number): number =>
  (toMin - fromMin) *
  GAUSS.reduce((sum, [place, weight]) => sum + weight * pace(airAt(course, fromMin + place * (toMin - fromMin))), 0);

/** The next place where the course has a corner or a stretch gets too long. */
function cellEnd(
  { readings }: AirSeries,
  fromMin: number,
  index: number,
): { readonly toMin: number; readonly index: number } {
  let next = index;
  while (next < readings.length && readings[next]!.atMin <= fromMin) next++;
  const corner = readings[next]?.atMin ?? Infinity;
  return { toMin: Math.min(corner, fromMin + CELL_MIN), index: next };
}

/**
 * Reference minutes that pass between two moments.
 * @returns the integral of the pace over the air as it changes; negative where `toMin` comes first
 */
export function elapsedBetween(pace: RateFunction, course: AirSeries, fromMin: number, toMin: number): number {
  if (toMin < fromMin) return -elapsedBetween(pace, course, toMin, fromMin);
  // Before the first reading and after the last nothing changes.
  const first = course.readings[0]!.atMin;
  const last = course.readings[course.readings.length - 1]!.atMin;
  let sum = 0;
  let atMin = fromMin;
  if (atMin < first) {
    const end = Math.min(first, toMin);
    sum += (end - atMin) * pace(airAt(course, atMin));
    atMin = end;
  }
  for (let index = 0; atMin < Math.min(last, toMin);) {
    const cell = cellEnd(course, atMin, index);
    const end = Math.min(cell.toMin, toMin);
    sum += within(pace, course, atMin, end);
    [atMin, index] = [end, cell.index];
  }
  return sum + Math.max(0, toMin - atMin) * pace(airAt(course, last));
}

/**
 * Moment at which a number of reference minutes has elapsed.
 * @param neededMin 0 or more
 * @returns the moment; null if it is not reached within a year
 */
export function timeWhenElapsed(
  pace: RateFunction,
  course: AirSeries,
  fromMin: number,
  neededMin: number,
): number | null {
  let left = neededMin;
  let atMin = fromMin;
  const last = course.readings[course.readings.length - 1]!.atMin;
  for (let index = 0; atMin < last && left > 0;) {
    const cell = cellEnd(course, atMin, index);
    const passed = within(pace, course, atMin, cell.toMin);
    if (passed >= left) {
      const [from, needed] = [atMin, left];
      return bisect(from, cell.toMin, CELL_HALVINGS, (end) => within(pace, course, from, end) < needed);
    }
    left -= passed;
    [atMin, index] = [cell.toMin, cell.index];
  }
  if (left <= 0) return atMin;
  const end = atMin + left / pace(airAt(course, Math.max(atMin, last)));
  return end - fromMin <= MOST_AHEAD_MIN ? end : null;
}
