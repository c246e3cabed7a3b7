import { isInsideRing, type Point, ringArea } from '../curves';
import type { Outlines } from './arrange';
import type { Cycle } from './faces';
import { fromGrid } from './grid';
import { interiorPoint } from './interior-point';

/** A piece of the sheet no line crosses: one closed walk round it, others round its holes. */
export interface Face {
  readonly walks: readonly Cycle[];
  /** Outline anticlockwise, outlines of holes clockwise; mm. */
  readonly rings: readonly (readonly Point[])[];
  readonly seed: Point;
}

const pointsOf = (cycle: Cycle): Point[] => cycle.map(({ from }) => fromGrid(from));

/**
 * Sorts closed walks into the faces that lie on the part.
 * Anticlockwise walks are faces; a clockwise walk is a hole in the smallest face round it, or the outside.
 */
export function facesOf(cycles: readonly Cycle[], { skin, openings }: Outlines): Face[] {
  const rings = cycles.map((cycle) => {
    const points = pointsOf(cycle);
    return { cycle, points, size: ringArea(points) };
  });
  const faces = rings.filter(({ size }) => size > 0).map((ring) => ({ ...ring, holes: [] as typeof rings }));
  for (const hole of rings.filter(({ size }) => size < 0)) {
    const ownEdges = new Set(hole.cycle.map(({ edge }) => edge));
    const around = faces
      .filter(
        (face) =>
          face.size > -hole.size &&
          isInsideRing(hole.points[0]!, face.points) &&
          !face.cycle.some(({ edge }) => ownEdges.has(edge)),
      )
      .sort((a, b) => a.size - b.size)[0];
    around?.holes.push(hole);
  }
  const onPart = (place: Point) =>
    isInsideRing(place, skin.ring) && !openings.some((ring) => isInsideRing(place, ring));
  return faces
    .map(({ cycle, points, holes }): Face => {
      const all = [points, ...holes.map((hole) => hole.points)];
      return { walks: [cycle, ...holes.map((hole) => hole.cycle)], rings: all, seed: interiorPoint(all) };
    })
    .filter(({ seed }) => onPart(seed));
}
