import type { PathPoint, Point } from '../curves';
import { TOLERANCE } from '../kit';

/** What is really on a skin whose drawing is not true. */
export interface Metric {
  /** Length of a short straight piece of the drawing, mm. */
  readonly lengthOf: (from: Point, to: Point) => number;
  /** Geodesic bend of a line that is drawn with some bend at a place, 1/mm, positive to the left. */
  readonly bendOf: (point: PathPoint) => number;
  /** Direction of a line drawn at a place, radians off x. */
  readonly headingOf: (point: Pick<PathPoint, 'x' | 'y' | 'tx' | 'ty'>) => number;
  /** True over drawn length across x at a place. */
  readonly shareAt: (place: Point) => number;
  /** Signed size inside a ring, mm². */
  readonly sizeOf: (ring: readonly Point[]) => number;
}

/** True girth over drawn girth at a distance along the chart of a turned surface, and its change per mm. */
export type GirthStretch = (x: number) => { readonly share: number; readonly change: number };

/** Longest step along x in which a drawn edge is measured for sizes, mm. */
const STEP_MM = 2;

/**
 * The metric of a chart whose x is true and whose y is stretched to the widest girth.
 * Bend: with ψ the angle off the meridian, κ = dψ/dℓ + (r′/r)·sin ψ; a ring has r′/r, a meridian 0.
 * Source: geodesic curvature for the metric ds² + r² dφ²; size by Green's theorem, −∮ y · r(x)/R dx, edge by edge with Simpson's rule.
 */
export function girthMetric(stretchAt: GirthStretch): Metric {
  return {
    lengthOf: (a, b) => {
      const [dx, dy] = [b.x - a.x, b.y - a.y];
      if (dy === 0) return Math.hypot(dx, dy);
      const speed = (x: number) => Math.hypot(dx, stretchAt(x).share * dy);
      return (speed(a.x) + 4 * speed((a.x + b.x) / 2) + speed(b.x)) / 6;
    },
    bendOf: ({ x, tx, ty, curvature }) => {
      const { share, change } = stretchAt(x);
      const speed = Math.hypot(tx, share * ty);
      if (speed < TOLERANCE.rounding || share < TOLERANCE.rounding) return 0;
      const turning = (share * curvature + change * ty * tx * tx) / speed ** 3;
      return turning + (change / share) * ((share * ty) / speed);
    },
    headingOf: ({ x, tx, ty }) => Math.atan2(stretchAt(x).share * ty, tx),
    shareAt: ({ x }) => stretchAt(x).share,
    sizeOf: (ring) => {
      let size = 0;
      ring.forEach((a, index) => {
        const b = ring[(index + 1) % ring.length]!;
        const dx = b.x - a.x;
        const steps = Math.max(1, Math.ceil(Math.abs(dx) / STEP_MM));
        const value = (share: number) => (a.y + share * (b.y - a.y)) * stretchAt(a.x + share * dx).share;
        for (let step = 0; step < steps; step++) {
          const [p, q] = [step / steps, (step + 1) / steps];
          size -= ((value(p) + 4 * value((p + q) / 2) + value(q)) / 6) * (dx / steps);
        }
      });
      return size;
    },
  };
}
