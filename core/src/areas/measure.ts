import { type Point, ringArea, ringLength } from '../curves';
import { TOLERANCE } from '../kit';
import { trueLength } from '../lines';
import type { Metric, Skin } from '../surface';
import type { Face } from './face';
import { fromGrid } from './grid';
import { seamPiece } from './seam';

/** A connected piece of a part between trim lines. */
export interface Area {
  /** Code on the drawing: A1, A2 … from the top down, then from the left. */
  readonly code: string;
  /** Every closed line round it and round its holes on the sheet, mm; inside is where one crosses an odd number of them. */
  readonly rings: readonly (readonly Point[])[];
  /** True size on the part. */
  readonly sizeMm2: number;
  /** True length round it and its holes, mm; a seam it lies across does not count. */
  readonly perimeterMm: number;
  /** A place well inside. */
  readonly seed: Point;
  /** True if it is narrower than the accuracy of any tape edge. */
  readonly sliver: boolean;
}

/** Sorts areas in the order of their codes, from the top down and then from the left, with the new index of each. */
export function sortAreas(areas: readonly Omit<Area, 'code'>[]): {
  readonly ordered: readonly Area[];
  readonly placeOf: readonly number[];
} {
  const order = areas
    .map((_, index) => index)
    .sort((i, j) => areas[j]!.seed.y - areas[i]!.seed.y || areas[i]!.seed.x - areas[j]!.seed.x);
  const placeOf = new Array<number>(areas.length);
  order.forEach((area, place) => (placeOf[area] = place));
  return { ordered: order.map((area, place) => ({ ...areas[area]!, code: `A${place + 1}` })), placeOf };
}

/** Measures the area a group of faces makes. */
export function measureArea(faces: readonly Face[], skin: Skin): Omit<Area, 'code'> {
  const rings = faces.flatMap((face) => face.rings);
  const { sizeMm2 } = sizeOfRings(rings, skin.metric);
  const perimeterMm = rimLength(faces, skin);
  const largest =
    faces.length === 1
      ? faces[0]!
      : [...faces].sort((a, b) => sizeOfRings(b.rings, null).sizeMm2 - sizeOfRings(a.rings, null).sizeMm2)[0]!;
  return {
    rings,
    sizeMm2,
    perimeterMm,
    seed: largest.seed,
    sliver: perimeterMm > 0 && (2 * sizeMm2) / perimeterMm < TOLERANCE.sliverWidth,
  };
}

/**
 * Size and length round some rings, holes running the other way.
 * @param metric what sizes on the drawing really are; null where it is true
 */
export function sizeOfRings(
  rings: readonly (readonly Point[])[],
  metric: Metric | null,
): { readonly sizeMm2: number; readonly perimeterMm: number } {
  return {
    sizeMm2: rings.reduce((sum, ring) => sum + (metric ? metric.sizeOf(ring) : ringArea(ring)), 0),
    perimeterMm: rings.reduce((sum, ring) => sum + ringLength(ring), 0),
  };
}

/** Length of the outline of a group; edges inside the group, and the seam within it, do not count. */
function rimLength(faces: readonly Face[], skin: Skin): number {
  const seen = new Map<object, number>();
  const halves = faces.flatMap(({ walks }) => walks.flat());
  for (const { edge } of halves) seen.set(edge, (seen.get(edge) ?? 0) + 1);
  return halves.reduce((sum, { edge }) => {
    if ((seen.get(edge) ?? 0) > 1) return sum;
    if (skin.seam && edge.segments.every(({ source }) => source < 0) && seamPiece(skin, edge)) return sum;
    return sum + trueLength(skin, fromGrid(edge.a), fromGrid(edge.b));
  }, 0);
}
