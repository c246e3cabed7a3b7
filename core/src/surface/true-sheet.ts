import { boundingBox, distance, isInsideRing, type PathPoint, type Point, straightPath } from '../curves';
import { closeRing } from '../kit';
import type { Skin } from './skin';

/** One place straight on from an end of a line on a true sheet, as far as it takes. */
export const extendStraight = (end: PathPoint, forward: boolean, farMm: number): PathPoint[] => {
  const sign = forward ? 1 : -1;
  return [{ ...end, x: end.x + sign * farMm * end.tx, y: end.y + sign * farMm * end.ty, curvature: 0 }];
};

/** Far enough to leave a sheet from an end of a line, whichever way it points, mm. */
export function distanceAcrossSheet(ring: readonly Point[], end: Point): number {
  const box = boundingBox([...ring, end]);
  return distance({ x: box.minX, y: box.minY }, { x: box.maxX, y: box.maxY }) + 1;
}

/**
 * Functions shared by all sheets that show true lengths: straight lines are geodesics, and the inside of the outline
 * is on the part.
 */
export const trueSheetSkin = (
  ring: readonly Point[],
): Pick<Skin, 'metric' | 'walk' | 'between' | 'onward' | 'rims' | 'holds'> => ({
  metric: null,
  walk: ({ x, y }, heading, lengthMm) => ({ x: x + lengthMm * Math.cos(heading), y: y + lengthMm * Math.sin(heading) }),
  between: straightPath,
  onward: (end, forward) => extendStraight(end, forward, distanceAcrossSheet(ring, end)),
  rims: [ring],
  holds: (place) => isInsideRing(place, ring),
});

/** What flat and folded sheets share beyond that: they do not close, and left becomes right on the opposite part. */
export function openSheetSkin(ring: readonly Point[]) {
  const { minX, maxX } = boundingBox(ring);
  return {
    ...trueSheetSkin(ring),
    ring,
    seam: null,
    axle: null,
    reflect: ({ x, y }: Point): Point => ({ x: minX + maxX - x, y }),
    shownRims: () => [closeRing(ring)],
  };
}
