import { type Path, type PathPoint, type Point, withArcLength } from '../curves';
import { bisect, TOLERANCE } from '../kit';
import type { PartPlane } from './plane';
import type { RevolutionAxis } from './revolution-axis';

/** Steps along the skin in which the surface is searched for the plane. */
const SEARCH_STEPS = 600;

/**
 * On a round surface every ring meets the plane in at most two places, at φ₀ ± acos(D / (r·M)): exact at every distance
 * along the skin, with D the plane's height above the middle of the ring and M its steepness.
 */
export function cutRevolution(axle: RevolutionAxis, { a, b, c, offset }: PartPlane): Path[] {
  const steep = Math.hypot(b, c);
  const above = (s: number) => offset - a * axle.at(s).along;
  if (steep < TOLERANCE.rounding) return squareCut(axle, above);
  const middle = Math.atan2(b, c);
  const room = (s: number) => steep * axle.at(s).radius - Math.abs(above(s));
  const opening = (s: number) =>
    Math.acos(Math.max(-1, Math.min(1, above(s) / Math.max(TOLERANCE.zero, steep * axle.at(s).radius))));
  return reachesWhere(room, axle.lengthMm).flatMap(({ from, to, turnsAtStart, turnsAtEnd }) => {
    const distanceAt = parameter(
      turnsAtStart ? from : from - BEYOND_MM,
      turnsAtEnd ? to : to + BEYOND_MM,
      turnsAtStart,
      turnsAtEnd,
    );
    const branch = (sign: 1 | -1) =>
      branchPath((u) => {
        const s = distanceAt(u);
        return axle.onSheet({ along: s, angle: middle + sign * opening(s) });
      });
    const [left, right] = [branch(1), branch(-1)];
    if (!turnsAtStart && !turnsAtEnd) return [withArcLength(left), withArcLength(right)];
    if (turnsAtStart && turnsAtEnd) return [withArcLength([...left, ...backwards(right).slice(1)])];
    return turnsAtEnd
      ? [withArcLength([...left, ...backwards(right).slice(1)])]
      : [withArcLength([...backwards(left), ...right.slice(1)])];
  });
}

/** A cut runs this far beyond the ends of the surface, so that it certainly crosses their flattened outlines. */
const BEYOND_MM = 0.2;

type Sample = Omit<PathPoint, 'at'>;
const backwards = (samples: readonly Sample[]): Sample[] =>
  [...samples].reverse().map((point) => ({ ...point, tx: -point.tx, ty: -point.ty, curvature: -point.curvature }));

/** A plane square to the axis meets in rings. */
function squareCut({ ringAt, lengthMm }: RevolutionAxis, above: (s: number) => number): Path[] {
  return signChanges(above, lengthMm).map(ringAt);
}

/** Runs through one branch of a cut; direction and bend from its neighbourhood, since it is smooth in the parameter. */
function branchPath(place: (u: number) => Point, least = Math.ceil(1 / TOLERANCE.curvatureShare)): Sample[] {
  const h = 1e-4;
  return Array.from({ length: least + 1 }, (_, step) => {
    const u = step / least;
    const around = Math.min(1 - h, Math.max(h, u));
    const [p, q, r] = [place(around - h), place(around), place(around + h)];
    const [dx, dy] = [(r.x - p.x) / (2 * h), (r.y - p.y) / (2 * h)];
    const [ddx, ddy] = [(r.x - 2 * q.x + p.x) / h ** 2, (r.y - 2 * q.y + p.y) / h ** 2];
    const speed = Math.hypot(dx, dy) || 1;
    return { ...place(u), tx: dx / speed, ty: dy / speed, curvature: (dx * ddy - dy * ddx) / speed ** 3 };
  });
}

/** Distance along the skin against a parameter 0…1 that slows down where the cut turns back, so that it stays smooth there. */
function parameter(from: number, to: number, turnsAtStart: boolean, turnsAtEnd: boolean): (u: number) => number {
  const span = to - from;
  if (turnsAtStart && turnsAtEnd) return (u) => from + (span * (1 - Math.cos(Math.PI * u))) / 2;
  if (turnsAtStart) return (u) => from + span * u * u;
  if (turnsAtEnd) return (u) => to - span * (1 - u) ** 2;
  return (u) => from + span * u;
}

interface Reach {
  readonly from: number;
  readonly to: number;
  readonly turnsAtStart: boolean;
  readonly turnsAtEnd: boolean;
}

/** Stretches on which a function is not below 0. */
function reachesWhere(room: (s: number) => number, length: number): Reach[] {
  const roots = signChanges(room, length);
  const stops = [0, ...roots, length];
  return stops.slice(1).flatMap((to, index) => {
    const from = stops[index]!;
    if (to - from < TOLERANCE.along || room((from + to) / 2) < 0) return [];
    return [{ from, to, turnsAtStart: index > 0, turnsAtEnd: index < stops.length - 2 }];
  });
}

/** Places between 0 and a length at which a function passes through 0, by halving. */
function signChanges(functionOf: (s: number) => number, length: number): number[] {
  const zeros: number[] = [];
  let before = functionOf(0);
  for (let step = 1; step <= SEARCH_STEPS; step++) {
    const s = (length * step) / SEARCH_STEPS;
    const now = functionOf(s);
    if (before === 0 ? false : now === 0 || before > 0 !== now > 0) {
      zeros.push(bisect(s - length / SEARCH_STEPS, s, 60, (half) => functionOf(half) > 0 === before > 0));
    }
    before = now;
  }
  return zeros.filter((s) => s > TOLERANCE.rounding && s < length - TOLERANCE.rounding);
}
