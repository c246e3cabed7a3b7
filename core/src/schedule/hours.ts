import { lowerBound, mergeIntervals } from '../kit';
import { type Shift, TIME_TOLERANCE_MIN } from './problem';

/** Hours in the order of time, what touches or overlaps made one. */
export const mergeHours = (hours: readonly Shift[]): Shift[] =>
  mergeIntervals(
    hours.filter(({ from, to }) => to > from).map(({ from, to }) => [from, to] as const),
    TIME_TOLERANCE_MIN,
  ).map(([from, to]) => ({ from, to }));

/** Place of the first stretch that is not over at a moment. */
const firstOpen = (hours: readonly Shift[], atMin: number): number =>
  lowerBound(0, hours.length, (index) => hours[index]!.to > atMin + TIME_TOLERANCE_MIN);

/** Earliest start from a moment on at which a duration fits into one interval; Infinity: never. */
export function earliestUnbroken(hours: readonly Shift[], fromMin: number, minutes: number): number {
  for (let index = firstOpen(hours, fromMin); index < hours.length; index++) {
    const start = Math.max(fromMin, hours[index]!.from);
    if (start + minutes <= hours[index]!.to + TIME_TOLERANCE_MIN) return start;
  }
  return Infinity;
}

/** Earliest moment from another on that lies inside a stretch. */
export function nextOpening(hours: readonly Shift[], fromMin: number): number {
  const stretch = hours[firstOpen(hours, fromMin)];
  return stretch ? Math.max(fromMin, stretch.from) : Infinity;
}

/** End of work that starts at a moment and continues only within the intervals; Infinity: never. */
export function endAfterHours(hours: readonly Shift[], startMin: number, minutes: number): number {
  let left = minutes;
  for (let index = firstOpen(hours, startMin); index < hours.length; index++) {
    const begin = Math.max(startMin, hours[index]!.from);
    const open = hours[index]!.to - begin;
    if (open + TIME_TOLERANCE_MIN >= left) return begin + left;
    left -= open;
  }
  return Infinity;
}

/**
 * Latest start, inside an interval, of work that continues only within the intervals and ends no sooner than a
 * moment.
 */
export function latestStartFor(hours: readonly Shift[], endMin: number, minutes: number): number {
  let left = minutes;
  for (let index = Math.min(firstOpen(hours, endMin), hours.length - 1); index >= 0; index--) {
    const { from, to } = hours[index]!;
    const open = Math.max(0, Math.min(to, endMin) - from);
    if (open >= left - TIME_TOLERANCE_MIN) return Math.max(from, Math.min(to, endMin) - left);
    left -= open;
  }
  return -Infinity;
}

/** Minutes of the stretches between two moments. */
export const openMinutesBetween = (hours: readonly Shift[], fromMin: number, toMin: number): number =>
  hours.reduce((sum, { from, to }) => sum + Math.max(0, Math.min(to, toMin) - Math.max(from, fromMin)), 0);
