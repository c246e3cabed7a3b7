import {
  cubicSpline,
  distance,
  type Path,
  type PathPoint,
  type Point,
  type Spline,
  splineAt,
  straightPath,
  withArcLength,
} from '../curves';
import { TOLERANCE } from '../kit';

/** Directions a sweep must leave and arrive in, radians; null where it may choose. */
export interface SweepEnds {
  readonly start: number | null;
  readonly end: number | null;
}

/** How strongly distance counts in the parameter: centripetal first; others where that one would loop. */
const EXPONENTS = [0.5, 0.65, 0.8, 1, 0.35];
/** A span whose direction swings through more than this is on its way to a loop, radians. */
const LOOP = 0.98 * Math.PI;
/** Maximum number of halvings of a long span, which keep the curve from looping. */
const MOST_HALVINGS = 8;

/**
 * A smooth curve through measured places: direction and bend both run on without a break.
 * Cubic spline; its parameter is chosen so that it does not loop between two places. Free ends are straight.
 * @param points in order; neighbours at least a micrometre apart
 * @returns the path; null where two neighbours coincide or fewer than two places are given
 */
export function sweepPath(points: readonly Point[], ends: SweepEnds = { start: null, end: null }): Path | null {
  if (points.length < 2) return null;
  if (points.some((point, index) => index > 0 && distance(points[index - 1]!, point) < TOLERANCE.grid)) return null;
  if (points.length === 2 && ends.start === null && ends.end === null) return straightPath(points[0]!, points[1]!);
  let through = points;
  for (let halvings = 0; halvings <= MOST_HALVINGS; halvings++) {
    for (const exponent of EXPONENTS) {
      const spans = sweepSpans(through, ends, exponent);
      if (spans.every((span) => swingOf(span) < LOOP)) return asPath(spans);
    }
    through = halved(through);
  }
  return asPath(sweepSpans(through, ends, 1));
}

type Sample = Omit<PathPoint, 'at'>;
const asPath = (spans: readonly Sample[][]): Path =>
  withArcLength(spans.flatMap((span, index) => (index === 0 ? span : span.slice(1))));

/** The curve span by span, each with both its ends. */
function sweepSpans(points: readonly Point[], ends: SweepEnds, exponent: number): Sample[][] {
  const gaps = points.slice(1).map((point, index) => distance(points[index]!, point));
  const knots = gaps.reduce((sums, gap) => [...sums, sums.at(-1)! + gap ** exponent], [0]);
  // Speed at an end that points the same way as its neighbour: as if the first gap were run through evenly.
  const speed = (gap: number) => gap ** (1 - exponent);
  const slope = (turn: number | null, gap: number, axis: 'x' | 'y') =>
    turn === null ? null : speed(gap) * (axis === 'x' ? Math.cos(turn) : Math.sin(turn));
  const over = (axis: 'x' | 'y') =>
    cubicSpline(
      knots,
      points.map((point) => point[axis]),
      slope(ends.start, gaps[0]!, axis),
      slope(ends.end, gaps.at(-1)!, axis),
    );
  const [x, y] = [over('x'), over('y')];
  const total = gaps.reduce((sum, gap) => sum + gap, 0);
  return gaps.map((gap, span) => {
    const steps = stepsOf(x, y, span, gap, total);
    return Array.from({ length: steps + 1 }, (_, step) => sampleAt(x, y, span, step / steps));
  });
}

/** How far the direction swings from one side to the other along a span, radians. */
function swingOf(span: readonly Sample[]): number {
  let [turned, least, most] = [0, 0, 0];
  for (let index = 1; index < span.length; index++) {
    const [a, b] = [span[index - 1]!, span[index]!];
    turned += Math.atan2(a.tx * b.ty - a.ty * b.tx, a.tx * b.tx + a.ty * b.ty);
    least = Math.min(least, turned);
    most = Math.max(most, turned);
  }
  return most - least;
}

/** One place more, in the middle of the longest straight between two. */
function halved(points: readonly Point[]): Point[] {
  const longest = points
    .slice(1)
    .reduce(
      (best, point, index) =>
        distance(points[index]!, point) > distance(points[best]!, points[best + 1]!) ? index : best,
      0,
    );
  const [a, b] = [points[longest]!, points[longest + 1]!];
  return [...points.slice(0, longest + 1), { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }, ...points.slice(longest + 1)];
}

/** Enough steps that chords stray less than the tolerance and the bend is sampled closely. */
function stepsOf(x: Spline, y: Spline, span: number, gap: number, total: number): number {
  const width = x.knots[span + 1]! - x.knots[span]!;
  const second = (s: Spline, knot: number) => s.seconds[knot]!;
  const bend = Math.max(
    Math.hypot(second(x, span), second(y, span)),
    Math.hypot(second(x, span + 1), second(y, span + 1)),
  );
  const forChords = Math.sqrt((bend * width * width) / 8 / TOLERANCE.flatten);
  return Math.max(2, Math.ceil(forChords), Math.ceil(gap / (total * TOLERANCE.curvatureShare)));
}

function sampleAt(x: Spline, y: Spline, span: number, share: number): Omit<PathPoint, 'at'> {
  const [px, dx, ddx] = splineAt(x, span, share);
  const [py, dy, ddy] = splineAt(y, span, share);
  const speed = Math.hypot(dx, dy);
  return { x: px, y: py, tx: dx / speed, ty: dy / speed, curvature: (dx * ddy - dy * ddx) / speed ** 3 };
}
