import { TOLERANCE } from '../kit';
import { type Path, withArcLength } from './path';
import { distance, type Point } from './point';

/** A straight line between two places; null where they are the same place. */
export function straightPath(from: Point, to: Point): Path | null {
  const length = distance(from, to);
  if (length < TOLERANCE.grid) return null;
  const heading = { tx: (to.x - from.x) / length, ty: (to.y - from.y) / length, curvature: 0 };
  return withArcLength([
    { ...from, ...heading },
    { ...to, ...heading },
  ]);
}
