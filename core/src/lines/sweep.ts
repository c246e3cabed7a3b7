import { distance, type Point } from '../surface';
import { TOLERANCE } from '../units';
import { withDistances, type Path, type PathPoint } from './path';
import { straightPath } from './straight';

/**
 * A smooth curve through measured places: direction and bend both run on without a break.
 * Natural cubic spline over centripetal distance, which keeps it from looping between uneven places; the ends are straight.
 * @param points in order; neighbours at least a micrometre apart
 * @returns the path; null where two neighbours coincide or fewer than two places are given
 */
export function sweepPath(points: readonly Point[]): Path | null {
  if (points.length < 2) return null;
  const gaps = points.slice(1).map((point, index) => distance(points[index], point));
  if (gaps.some((gap) => gap < 1e-3)) return null;
  if (points.length === 2) return straightPath(points[0], points[1]);
  const knots = gaps.reduce((sums, gap) => [...sums, sums[sums.length - 1] + Math.sqrt(gap)], [0]);
  const x = naturalSpline(
    knots,
    points.map((point) => point.x),
  );
  const y = naturalSpline(
    knots,
    points.map((point) => point.y),
  );
  const total = gaps.reduce((sum, gap) => sum + gap, 0);
  const samples: Omit<PathPoint, 'at'>[] = [];
  gaps.forEach((gap, span) => {
    const steps = stepsOf(x, y, span, gap, total);
    for (let step = span === 0 ? 0 : 1; step <= steps; step++) samples.push(sampleAt(x, y, span, step / steps));
  });
  return withDistances(samples);
}

/** One coordinate over the knots: values and second derivatives there. */
interface Spline {
  readonly knots: readonly number[];
  readonly values: readonly number[];
  readonly seconds: readonly number[];
}

/** Solves the tridiagonal system of a natural cubic spline. */
function naturalSpline(knots: readonly number[], values: readonly number[]): Spline {
  const count = values.length;
  const seconds = new Array<number>(count).fill(0);
  const upper = new Array<number>(count).fill(0);
  for (let i = 1; i < count - 1; i++) {
    const before = knots[i] - knots[i - 1];
    const after = knots[i + 1] - knots[i];
    const slopeChange = (values[i + 1] - values[i]) / after - (values[i] - values[i - 1]) / before;
    const pivot = 2 * (before + after) - before * upper[i - 1];
    upper[i] = after / pivot;
    seconds[i] = (6 * slopeChange - before * seconds[i - 1]) / pivot;
  }
  for (let i = count - 2; i > 0; i--) seconds[i] -= upper[i] * seconds[i + 1];
  return { knots, values, seconds };
}

/** Enough steps that chords stray less than the tolerance and the bend is sampled closely. */
function stepsOf(x: Spline, y: Spline, span: number, gap: number, total: number): number {
  const width = x.knots[span + 1] - x.knots[span];
  const second = (s: Spline, at: number) => s.seconds[at];
  const bend = Math.max(Math.hypot(second(x, span), second(y, span)), Math.hypot(second(x, span + 1), second(y, span + 1)));
  const forChords = Math.sqrt((bend * width * width) / 8 / TOLERANCE.flatten);
  return Math.max(2, Math.ceil(forChords), Math.ceil(gap / (total * TOLERANCE.curvatureShare)));
}

function sampleAt(x: Spline, y: Spline, span: number, share: number): Omit<PathPoint, 'at'> {
  const [px, dx, ddx] = evaluate(x, span, share);
  const [py, dy, ddy] = evaluate(y, span, share);
  const speed = Math.hypot(dx, dy);
  return { x: px, y: py, tx: dx / speed, ty: dy / speed, curvature: (dx * ddy - dy * ddx) / speed ** 3 };
}

/** Value, first and second derivative at a share of a span. */
function evaluate({ knots, values, seconds }: Spline, span: number, share: number): readonly [number, number, number] {
  const width = knots[span + 1] - knots[span];
  const a = 1 - share;
  const b = share;
  const value = a * values[span] + b * values[span + 1] + (((a ** 3 - a) * seconds[span] + (b ** 3 - b) * seconds[span + 1]) * width * width) / 6;
  const first = (values[span + 1] - values[span]) / width + ((-(3 * a * a - 1) * seconds[span] + (3 * b * b - 1) * seconds[span + 1]) * width) / 6;
  return [value, first, a * seconds[span] + b * seconds[span + 1]];
}
