import { distance, type Path, type PathPoint, type Point } from '../curves';
import type { Skin } from '../surface';

/**
 * Gives a line drawn on a skin its true distances and bends.
 * @param path distances and bends as on the drawing
 * @returns distances in mm on the skin, geodesic curvature; the same path where the drawing is true
 */
export function withTrueMetric(path: Path, { metric }: Pick<Skin, 'metric'>): Path {
  if (!metric) return path;
  let along = 0;
  return path.map((point, index): PathPoint => {
    if (index > 0) along += metric.lengthOf(path[index - 1]!, point);
    return { ...point, curvature: metric.bendOf(point), at: along };
  });
}

/** Length on the skin of a short straight piece of its drawing, mm. */
export const trueLength = ({ metric }: Pick<Skin, 'metric'>, from: Point, to: Point): number =>
  metric ? metric.lengthOf(from, to) : distance(from, to);
