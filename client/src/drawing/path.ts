import type { AreaPlan, Coordinates } from '@lintrel/core';

const point = ([x, y]: Coordinates): string => `${x.toFixed(3)} ${y.toFixed(3)}`;

/** Path of an open line. */
export const openPath = (points: readonly Coordinates[]): string => `M${points.map(point).join('L')}`;

/** Path of a ring. */
export const ringPath = (points: readonly Coordinates[]): string => `${openPath(points)}Z`;

/** Path of an area with its holes. */
export const areaPath = ({ rim, holes }: Pick<AreaPlan, 'rim' | 'holes'>): string => [rim, ...holes].map(ringPath).join('');

/** Box round some places. */
export function boxRound(points: readonly Coordinates[]): { minX: number; minY: number; maxX: number; maxY: number } {
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  return { minX: Math.min(...xs), minY: Math.min(...ys), maxX: Math.max(...xs), maxY: Math.max(...ys) };
}

/** Where the code of a line stands: codes of lines close together are spread along them. */
export function placeOfCode(points: readonly Coordinates[], index: number): Coordinates {
  const share = 0.5 + 0.14 * ((index % 3) - 1);
  const at = share * (points.length - 1);
  const [a, b] = [points[Math.floor(at)], points[Math.ceil(at)]];
  const within = at - Math.floor(at);
  return [a[0] + within * (b[0] - a[0]), a[1] + within * (b[1] - a[1])];
}

/** The part of a line between two distances from its start, shifted to one side; mm. */
export function stripAlong(points: readonly Coordinates[], from: number, to: number, shift: number): Coordinates[] {
  const strip: Coordinates[] = [];
  let at = 0;
  for (let index = 1; index < points.length; index++) {
    const [a, b] = [points[index - 1], points[index]];
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (length === 0) continue;
    const start = Math.max(from, at);
    const end = Math.min(to, at + length);
    if (end > start) {
      const offset = (share: number): Coordinates => [
        a[0] + share * (b[0] - a[0]) - (shift * (b[1] - a[1])) / length,
        a[1] + share * (b[1] - a[1]) + (shift * (b[0] - a[0])) / length,
      ];
      if (strip.length === 0) strip.push(offset((start - at) / length));
      strip.push(offset((end - at) / length));
    }
    at += length;
  }
  return strip;
}
