import { ringArea, ringLength, type Point } from '../curves';
import { trueLength } from '../lines';
import { stretchAt, type Sheet } from '../surface';
import { TOLERANCE } from '../units';
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
  /** True where it is narrower than any tape edge keeps. */
  readonly sliver: boolean;
}

/** Puts areas in the order of their codes: from the top down, then from the left. `placeOf` tells where each went. */
export function inOrder(areas: readonly Omit<Area, 'code'>[]): { readonly ordered: readonly Area[]; readonly placeOf: readonly number[] } {
  const order = areas.map((_, index) => index).sort((i, j) => areas[j].seed.y - areas[i].seed.y || areas[i].seed.x - areas[j].seed.x);
  const placeOf = new Array<number>(areas.length);
  order.forEach((area, place) => (placeOf[area] = place));
  return { ordered: order.map((area, place) => ({ ...areas[area], code: `A${place + 1}` })), placeOf };
}

/** Measures the area a group of faces makes. */
export function measureGroup(faces: readonly Face[], sheet: Sheet): Omit<Area, 'code'> {
  const rings = faces.flatMap((face) => face.rings);
  const { sizeMm2 } = sizeOfRings(rings, sheet.chart ? sheet : null);
  const perimeterMm = rimLength(faces, sheet);
  const largest = faces.length === 1 ? faces[0] : [...faces].sort((a, b) => sizeOfRings(b.rings, null).sizeMm2 - sizeOfRings(a.rings, null).sizeMm2)[0];
  return { rings, sizeMm2, perimeterMm, seed: largest.seed, sliver: perimeterMm > 0 && (2 * sizeMm2) / perimeterMm < TOLERANCE.sliverWidth };
}

/**
 * Size and length round some rings, holes running the other way.
 * @param chart sheet of a turned surface, for its true sizes; null where the drawing is true
 */
export function sizeOfRings(rings: readonly (readonly Point[])[], chart: Sheet | null): { readonly sizeMm2: number; readonly perimeterMm: number } {
  return {
    sizeMm2: rings.reduce((sum, ring) => sum + (chart ? trueRingArea(ring, chart) : ringArea(ring)), 0),
    perimeterMm: rings.reduce((sum, ring) => sum + ringLength(ring), 0),
  };
}

/** Longest step along x in which a drawn edge is measured on a turned surface, mm. */
const STEP_MM = 2;

/** True size of a ring on a turned surface: −∮ y · r(x)/R dx, edge by edge with Simpson's rule. Source: Green's theorem. */
function trueRingArea(ring: readonly Point[], sheet: Sheet): number {
  let size = 0;
  ring.forEach((a, index) => {
    const b = ring[(index + 1) % ring.length];
    const dx = b.x - a.x;
    const steps = Math.max(1, Math.ceil(Math.abs(dx) / STEP_MM));
    const value = (share: number) => (a.y + share * (b.y - a.y)) * stretchAt(sheet, a.x + share * dx).share;
    for (let step = 0; step < steps; step++) {
      const [p, q] = [step / steps, (step + 1) / steps];
      size -= ((value(p) + 4 * value((p + q) / 2) + value(q)) / 6) * (dx / steps);
    }
  });
  return size;
}

/** Length of the rim of a group: edges with the group on both sides, and the seam within it, do not count. */
function rimLength(faces: readonly Face[], sheet: Sheet): number {
  const seen = new Map<object, number>();
  const halves = faces.flatMap(({ walks }) => walks.flat());
  for (const { edge } of halves) seen.set(edge, (seen.get(edge) ?? 0) + 1);
  return halves.reduce((sum, { edge }) => {
    if ((seen.get(edge) ?? 0) > 1) return sum;
    if (sheet.turns && edge.segments.every(({ source }) => source < 0) && seamPiece(sheet, edge)) return sum;
    return sum + trueLength(sheet, fromGrid(edge.a), fromGrid(edge.b));
  }, 0);
}
