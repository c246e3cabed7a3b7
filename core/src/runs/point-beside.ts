import type { PathPoint, Point } from '../curves';
import type { Metric } from '../surface';

/** Near the tip of a nose the drawing is stretched without end; nothing is laid nearer to it than this share of the widest girth. */
const LEAST_SHARE = 0.02;

/** True over drawn length across the axis at a place; 1 where the drawing is true. */
export const shareAt = (metric: Metric | null, place: Point): number =>
  metric ? Math.max(LEAST_SHARE, metric.shareAt(place)) : 1;

/** The way from a place of a line square off it, as drawn, where the drawing is as true as at some other place. */
function wayOff({ tx, ty }: Pick<PathPoint, 'tx' | 'ty'>, offMm: number, share: number): Point {
  const speed = Math.hypot(tx, share * ty);
  return { x: -(share * ty * offMm) / speed, y: (tx * offMm) / (speed * share) };
}

/**
 * The place beside a line, so far off it on the skin.
 * @param offMm to the left of the line, negative to its right; short against how fast the girth changes
 */
export function pointBesideLine(
  { x, y, tx, ty }: Pick<PathPoint, 'x' | 'y' | 'tx' | 'ty'>,
  offMm: number,
  metric: Metric | null,
): Point {
  const first = wayOff({ tx, ty }, offMm, shareAt(metric, { x, y }));
  // The drawing at half the distance gives a better estimate of the whole distance.
  const way = metric ? wayOff({ tx, ty }, offMm, shareAt(metric, { x: x + first.x / 2, y: y + first.y / 2 })) : first;
  return { x: x + way.x, y: y + way.y };
}
