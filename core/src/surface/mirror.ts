import { boxOf, type Point } from '../curves';
import type { Sheet } from './sheet';

/** Reflects a place of the sheet of a part into that of its opposite: left for right, or round the other way. */
export function reflected({ turns, ring }: Sheet): (place: Point) => Point {
  if (turns) return ({ x, y }) => ({ x, y: 0 - y });
  const { minX, maxX } = boxOf(ring);
  return ({ x, y }) => ({ x: minX + maxX - x, y });
}

/** A sheet as its mirror image, seen from outside. */
export function mirroredSheet(sheet: Sheet): Sheet {
  const reflect = reflected(sheet);
  return {
    ...sheet,
    ring: sheet.ring.map(reflect).reverse(),
    edges: sheet.edges.map((edge) => ({ ...edge, places: edge.places.map(reflect).reverse() })),
  };
}
