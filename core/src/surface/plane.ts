import { type Path, type Point, straightPath } from '../curves';
import { maxOf, minOf, TOLERANCE } from '../kit';
import { dot, type SpacePoint } from './space';

/** A plane in space: all places p with normal · p = offset. */
export interface Plane {
  readonly normal: SpacePoint;
  readonly offset: number;
}

/** How a part is placed: where its origin is, and where its own directions point. */
export interface Frame {
  readonly origin: SpacePoint;
  readonly forward: SpacePoint;
  readonly left: SpacePoint;
  readonly up: SpacePoint;
}

/** A plane as the part sees it: (a, b, c) · (own place) = offset. */
export interface PartPlane {
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly offset: number;
}

/** A plane of the whole piece in a part's own directions. */
export const planeOnPart = ({ normal, offset }: Plane, { origin, forward, left, up }: Frame): PartPlane => ({
  a: dot(normal, forward),
  b: dot(normal, left),
  c: dot(normal, up),
  offset: offset - dot(normal, origin),
});

/** On a flat sheet a plane meets in a straight line a·x + c·y = k, drawn as long as the sheet is large; empty where it is parallel. */
export function cutFlatSheet(ring: readonly Point[], a: number, c: number, k: number): Path[] {
  const size = Math.hypot(a, c);
  if (size < TOLERANCE.rounding) return [];
  const foot = { x: (a * k) / size ** 2, y: (c * k) / size ** 2 };
  const along = { x: c / size, y: -a / size };
  const sign = Math.abs(along.x) > TOLERANCE.rounding ? Math.sign(along.x) : Math.sign(along.y);
  const positions = ring.map(({ x, y }) => ((x - foot.x) * along.x + (y - foot.y) * along.y) * sign);
  const end = (t: number): Point => ({ x: foot.x + t * sign * along.x, y: foot.y + t * sign * along.y });
  const path = straightPath(end(minOf(positions) - 1), end(maxOf(positions) + 1));
  return path ? [path] : [];
}
