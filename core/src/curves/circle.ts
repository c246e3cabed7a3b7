import { TOLERANCE } from '../kit';
import type { Point } from './point';

export interface Circle {
  readonly centre: Point;
  readonly radius: number;
}

/**
 * The circle through three points.
 * @returns null if two coincide or all lie on a line: a radius above about 10 km cannot be distinguished from a line
 */
export function circleThrough(a: Point, b: Point, c: Point): Circle | null {
  const bx = b.x - a.x;
  const by = b.y - a.y;
  const cx = c.x - a.x;
  const cy = c.y - a.y;
  const cross = 2 * (bx * cy - by * cx);
  const longest = Math.max(bx * bx + by * by, cx * cx + cy * cy);
  if (Math.abs(cross) <= TOLERANCE.straight * longest * Math.min(1, Math.sqrt(longest))) return null;
  const ux = (cy * (bx * bx + by * by) - by * (cx * cx + cy * cy)) / cross;
  const uy = (bx * (cx * cx + cy * cy) - cx * (bx * bx + by * by)) / cross;
  return { centre: { x: a.x + ux, y: a.y + uy }, radius: Math.hypot(ux, uy) };
}

/**
 * The circle that lies nearest to several places: least squares of the squared distances from it.
 * @returns null for fewer than three places, or places on a straight
 * Source: Kåsa 1976.
 */
export function circleFit(places: readonly Point[]): Circle | null {
  if (places.length === 3) return circleThrough(places[0]!, places[1]!, places[2]!);
  const n = places.length;
  if (n < 3) return null;
  const middle = { x: places.reduce((sum, { x }) => sum + x, 0) / n, y: places.reduce((sum, { y }) => sum + y, 0) / n };
  let [xx, xy, yy, xq, yq, q] = [0, 0, 0, 0, 0, 0];
  for (const place of places) {
    const x = place.x - middle.x;
    const y = place.y - middle.y;
    const square = x * x + y * y;
    xx += x * x;
    xy += x * y;
    yy += y * y;
    xq += x * square;
    yq += y * square;
    q += square;
  }
  const determinant = xx * yy - xy * xy;
  if (Math.abs(determinant) <= TOLERANCE.zero * (xx + yy) ** 2) return null;
  const ux = (xq * yy - yq * xy) / (2 * determinant);
  const uy = (yq * xx - xq * xy) / (2 * determinant);
  return { centre: { x: middle.x + ux, y: middle.y + uy }, radius: Math.sqrt(ux * ux + uy * uy + q / n) };
}

/** How far an arc turns, radians: positive to the left. `through` lies on it between `from` and `to`. */
export function arcSweep(centre: Point, from: Point, through: Point, to: Point): number {
  const angle = ({ x, y }: Point) => Math.atan2(y - centre.y, x - centre.x);
  const onward = (place: Point) => positiveTurn(angle(place) - angle(from));
  return onward(through) <= onward(to) ? onward(to) : onward(to) - 2 * Math.PI;
}

const positiveTurn = (angle: number): number => ((angle % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);

/** Steps a turn must be cut into so that chords stray at most `tolerance` from a circle; at least 2. */
export function arcSteps(radius: number, turn: number, tolerance: number): number {
  const perStep = 2 * Math.acos(1 - Math.min(1, tolerance / radius));
  return Math.max(2, Math.ceil(Math.abs(turn) / perStep - TOLERANCE.rounding));
}
