import { lowerBound, TOLERANCE } from '../kit';
import type { EarliestTimes } from './earliest';
import type { Shift } from './problem';
import { type Decisions, minutesByTask, type ScheduleTables } from './tables';

/** The longest way from the end of each task to the end of all, whatever the hours. */
function tailsOf({ tasks, lags, leastMin, mostMin }: ScheduleTables): number[] {
  const tails = tasks.map(() => 0);
  for (let round = 0; round <= tasks.length; round++) {
    let moved = false;
    for (const { before, task, fromEnd, minMin } of lags) {
      const tail = tails[task]! + leastMin[task]! + minMin - (fromEnd ? 0 : mostMin[before]!);
      if (tail <= tails[before]! + TOLERANCE.rounding) continue;
      tails[before] = tail;
      moved = true;
    }
    if (!moved) break;
  }
  return tails;
}

/** Work that can be done by a moment by all who share a resource, at the corners of their hours. */
interface Capacity {
  readonly corners: readonly number[];
  /** Minutes worked by each corner. */
  readonly sums: readonly number[];
  /** How many work from each corner to the next. */
  readonly rates: readonly number[];
}

function capacityOf(hours: readonly (readonly Shift[])[]): Capacity {
  const corners = [...new Set(hours.flatMap((shifts) => shifts.flatMap(({ from, to }) => [from, to])))].sort(
    (a, b) => a - b,
  );
  const rates = corners.map(
    (corner) => hours.filter((shifts) => shifts.some(({ from, to }) => from <= corner && corner < to)).length,
  );
  const sums: number[] = [];
  corners.forEach((corner, index) =>
    sums.push(index === 0 ? 0 : sums[index - 1]! + rates[index - 1]! * (corner - corners[index - 1]!)),
  );
  return { corners, sums, rates };
}

/** Earliest moment by which a number of minutes can have been worked from another moment on; Infinity: never. */
function throughAt({ corners, sums, rates }: Capacity, fromMin: number, minutes: number): number {
  if (minutes <= 0) return fromMin;
  const cornerIndex = lastAtMost(corners, fromMin);
  const begun = cornerIndex < 0 ? 0 : sums[cornerIndex]! + rates[cornerIndex]! * (fromMin - corners[cornerIndex]!);
  const wanted = begun + minutes;
  const piece = Math.min(lastAtMost(sums, wanted - TOLERANCE.rounding), corners.length - 1);
  if (piece < 0 || rates[piece] === 0) return Infinity;
  return corners[piece]! + (wanted - sums[piece]!) / rates[piece]!;
}

/** Place of the last number that is no greater; the last of those alike. */
const lastAtMost = (numbers: readonly number[], most: number): number =>
  lowerBound(0, numbers.length, (index) => numbers[index]! > most) - 1;

/** Data for the bounds of a problem, computed once. */
export interface ScheduleBounds {
  readonly tails: readonly number[];
  readonly everybody: Capacity;
  readonly each: readonly Capacity[];
  /** Null: a place that is always open. */
  readonly places: readonly (Capacity | null)[];
}

export const scheduleBounds = (tables: ScheduleTables): ScheduleBounds => ({
  tails: tailsOf(tables),
  everybody: capacityOf(tables.hours),
  each: tables.hours.map((hours) => capacityOf([hours])),
  places: tables.placeHours.map((hours) => hours && capacityOf([hours])),
});

/**
 * No schedule that follows from decisions with these earliest times ends sooner: by the times themselves, and by the work of all people,
 * of each of them, and of each place, that is left from some moment on.
 */
export function lowerBoundOnEnd(
  tables: ScheduleTables,
  decisions: Decisions,
  { start, end }: EarliestTimes,
  { tails, everybody, each, places }: ScheduleBounds,
): number {
  const { tasks, holds } = tables;
  let least = 0;
  for (let task = 0; task < tasks.length; task++) least = Math.max(least, end[task]! + tails[task]!);
  const minutes = minutesByTask(tables, decisions);
  const late = tasks.map((_, task) => task).sort((a, b) => start[b]! - start[a]!);
  const share = (mine: (task: number) => number, capacity: Capacity | null) => {
    let sum = 0;
    let tail = Infinity;
    for (const task of late) {
      const work = mine(task);
      if (work === 0) continue;
      sum += work;
      tail = Math.min(tail, tails[task]!);
      least = Math.max(least, (capacity === null ? start[task]! + sum : throughAt(capacity, start[task]!, sum)) + tail);
    }
  };
  share((task) => minutes[task]! * tasks[task]!.hands, everybody);
  each.forEach((capacity, worker) => {
    const does = (task: number) =>
      decisions.team[task] !== null && tables.teams[task]![decisions.team[task]!]!.includes(worker);
    share((task) => (does(task) ? minutes[task]! : 0), capacity);
  });
  places.forEach((capacity, place) => share((task) => (holds[task]!.includes(place) ? minutes[task]! : 0), capacity));
  return least;
}
