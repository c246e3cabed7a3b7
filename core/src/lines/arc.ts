import type { Point } from '../surface';
import { TOLERANCE } from '../units';
import type { Path, PathPoint } from './path';

/**
 * The arc from one place through a second to a third.
 * @returns the path, distances measured along the true arc; null where two places coincide or all lie on one straight
 * Source: circle through three points.
 */
export function arcPath(from: Point, through: Point, to: Point): Path | null {
  const circle = circleThrough(from, through, to);
  if (!circle) return null;
  const { centre, radius } = circle;
  const angleOf = (point: Point) => Math.atan2(point.y - centre.y, point.x - centre.x);
  const start = angleOf(from);
  const turnTo = (point: Point) => positiveTurn(angleOf(point) - start);
  // Anticlockwise when the middle place is met before the last one on the way round.
  const left = turnTo(through) <= turnTo(to);
  const sweep = left ? turnTo(to) : turnTo(to) - 2 * Math.PI;
  const perStep = 2 * Math.acos(1 - Math.min(1, TOLERANCE.flatten / radius));
  const steps = Math.max(2, Math.ceil(Math.abs(sweep) / perStep));
  return Array.from({ length: steps + 1 }, (_, step): PathPoint => {
    const angle = start + (sweep * step) / steps;
    const sign = left ? 1 : -1;
    const place = step === 0 ? from : step === steps ? to : { x: centre.x + radius * Math.cos(angle), y: centre.y + radius * Math.sin(angle) };
    return {
      x: place.x,
      y: place.y,
      tx: -sign * Math.sin(angle),
      ty: sign * Math.cos(angle),
      curvature: sign / radius,
      at: (radius * Math.abs(sweep) * step) / steps,
    };
  });
}

const positiveTurn = (angle: number): number => ((angle % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);

function circleThrough(a: Point, b: Point, c: Point): { readonly centre: Point; readonly radius: number } | null {
  const bx = b.x - a.x;
  const by = b.y - a.y;
  const cx = c.x - a.x;
  const cy = c.y - a.y;
  const cross = 2 * (bx * cy - by * cx);
  const longest = Math.max(bx * bx + by * by, cx * cx + cy * cy);
  // Flatter than a radius of 10 km over this length cannot be told from a straight.
  if (Math.abs(cross) <= 1e-7 * longest * Math.min(1, Math.sqrt(longest))) return null;
  const ux = (cy * (bx * bx + by * by) - by * (cx * cx + cy * cy)) / cross;
  const uy = (bx * (cx * cx + cy * cy) - cx * (bx * bx + by * by)) / cross;
  return { centre: { x: a.x + ux, y: a.y + uy }, radius: Math.hypot(ux, uy) };
}
