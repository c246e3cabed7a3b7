import { type AreaPlan, maxOf, minOf, type Place } from '@lintrel/core';

/** A place, possibly with more figures behind its coordinates. */
type PathPlace = readonly [number, number, ...number[]];

const point = ([x, y]: PathPlace): string => `${x.toFixed(3)} ${y.toFixed(3)}`;

/** Path of an open line. */
export const openPath = (points: readonly PathPlace[]): string => `M${points.map(point).join('L')}`;

/** Path of a ring. */
export const ringPath = (points: readonly PathPlace[]): string => `${openPath(points)}Z`;

/** Path of an area with its holes. */
export const areaPath = ({ rings }: Pick<AreaPlan, 'rings'>): string => rings.map(ringPath).join('');

/** Box round some places. */
export function boxRound(points: readonly PathPlace[]): { minX: number; minY: number; maxX: number; maxY: number } {
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  return { minX: minOf(xs), minY: minOf(ys), maxX: maxOf(xs), maxY: maxOf(ys) };
}

/** Where the code of a line stands: codes of lines close together are spread along them. */
export function placeOfCode(points: readonly PathPlace[], index: number): Place {
  const share = 0.5 + 0.14 * ((index % 5) - 2);
  const position = share * (points.length - 1);
  const [a, b] = [points[Math.floor(position)]!, points[Math.ceil(position)]!];
  const within = position - Math.floor(position);
  return [a[0] + within * (b[0] - a[0]), a[1] + within * (b[1] - a[1])];
}

/** The part of a line between two distances along it, shifted to one side; mm. Its places carry their distances. */
export function stripAlong(
  points: readonly (readonly [number, number, number])[],
  from: number,
  to: number,
  shift: number,
): Place[] {
  const strip: Place[] = [];
  for (let index = 1; index < points.length; index++) {
    const [a, b] = [points[index - 1]!, points[index]!];
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (length === 0 || b[2] <= a[2]) continue;
    const start = Math.max(from, a[2]);
    const end = Math.min(to, b[2]);
    if (end <= start) continue;
    const offset = (along: number): Place => {
      const share = (along - a[2]) / (b[2] - a[2]);
      return [
        a[0] + share * (b[0] - a[0]) - (shift * (b[1] - a[1])) / length,
        a[1] + share * (b[1] - a[1]) + (shift * (b[0] - a[0])) / length,
      ];
    };
    if (strip.length === 0) strip.push(offset(start));
    strip.push(offset(end));
  }
  return strip;
}
