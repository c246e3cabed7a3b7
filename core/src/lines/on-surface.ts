import type { Path, PathPoint } from '../curves';
import { stretchAt, type Sheet } from '../surface';

/**
 * Gives a line drawn on the chart of a turned surface its true distances and bends.
 * Bend: with ψ the angle off the meridian, κ = dψ/dℓ + (r′/r)·sin ψ; a ring has r′/r, a meridian 0.
 * @param path distances and bends as on the drawing
 * @returns distances in mm on the skin, geodesic curvature; the same path where the sheet is true
 * Source: geodesic curvature for the metric ds² + r² dφ².
 */
export function onTrueSurface(path: Path, sheet: Sheet): Path {
  if (!sheet.chart) return path;
  let at = 0;
  return path.map((point, index): PathPoint => {
    if (index > 0) at += trueLength(sheet, path[index - 1], point);
    return { ...point, curvature: trueBend(sheet, point), at };
  });
}

function trueBend(sheet: Sheet, { x, tx, ty, curvature }: PathPoint): number {
  const { share, change } = stretchAt(sheet, x);
  const speed = Math.hypot(tx, share * ty);
  if (speed < 1e-9 || share < 1e-9) return 0;
  const turning = (share * curvature + change * ty * tx * tx) / speed ** 3;
  return turning + (change / share) * ((share * ty) / speed);
}

/** Length on the skin of a short straight piece of the drawing, by Simpson's rule. */
export function trueLength(sheet: Sheet, a: { readonly x: number; readonly y: number }, b: { readonly x: number; readonly y: number }): number {
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  if (!sheet.chart || dy === 0) return Math.hypot(dx, dy);
  const speed = (x: number) => Math.hypot(dx, stretchAt(sheet, x).share * dy);
  return (speed(a.x) + 4 * speed((a.x + b.x) / 2) + speed(b.x)) / 6;
}
