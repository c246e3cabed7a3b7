import type { ResolvedLine } from '../lines';
import { distanceToSegment, insideRing, ringArea, ringLength, type Point } from '../surface';
import { TOLERANCE } from '../units';
import { bordersBetween, type Border } from './borders';
import { traceCycles, type Cycle } from './faces';
import { fromGrid, toGrid, type GridPoint } from './grid';
import { mergedEdges, noded, type Segment } from './node';
import { placeWellInside } from './seed';

/** A connected piece of a part between trim lines. */
export interface Area {
  /** Code on the drawing: A1, A2 … from the top down, then from the left. */
  readonly code: string;
  /** Anticlockwise rim, mm. */
  readonly rim: readonly Point[];
  /** Rims of the holes in it, clockwise. */
  readonly holes: readonly (readonly Point[])[];
  readonly sizeMm2: number;
  /** Length of rim and holes, mm. */
  readonly perimeterMm: number;
  /** A place well inside. */
  readonly seed: Point;
  /** True where it is narrower than any tape edge keeps. */
  readonly sliver: boolean;
}

/** What the lines make of a part. */
export interface Arrangement {
  readonly areas: readonly Area[];
  readonly borders: readonly Border[];
  /** Lines with a free end, and how much of them bounds nothing, mm. */
  readonly loose: readonly { readonly line: string; readonly lengthMm: number }[];
}

/** Source index of the outline; lines follow from 0. */
export const OUTLINE = -1;

/**
 * Finds the areas of a part.
 * @param ring outline of the part, anticlockwise
 * @param lines worked-out lines; those without a place on the part are passed over
 * @returns areas that together are the part, borders between them, and what hangs loose
 */
export function arrange(ring: readonly Point[], lines: readonly ResolvedLine[]): Arrangement {
  const segments = [...outlineSegments(ring), ...snapEnds(lines.flatMap(lineSegments), ring)];
  const { cycles, dangling } = traceCycles(mergedEdges(noded(segments)));
  const faces = facesOf(cycles);
  const named = nameFaces(faces);
  const areaOfCycle = new Map<Cycle, number>();
  named.forEach(({ face }, index) => [face.rim, ...face.holes].forEach((cycle) => areaOfCycle.set(cycle, index)));
  return {
    areas: named.map(({ area }) => area),
    borders: bordersBetween(
      cycles,
      areaOfCycle,
      lines.map(({ id }) => id),
    ),
    loose: looseLengths(
      dangling.flatMap(({ segments: on }) => on),
      lines,
    ),
  };
}

function outlineSegments(ring: readonly Point[]): Segment[] {
  let at = 0;
  return ring.flatMap((point, index) => {
    const next = ring[(index + 1) % ring.length];
    const fromAt = at;
    at += Math.hypot(next.x - point.x, next.y - point.y);
    return segment(toGrid(point), toGrid(next), OUTLINE, fromAt, at);
  });
}

function lineSegments(line: ResolvedLine, source: number): Segment[] {
  return line.pieces.flatMap((piece) =>
    piece.slice(1).flatMap((point, index) => segment(toGrid(piece[index]), toGrid(point), source, piece[index].at, point.at)),
  );
}

const segment = (a: GridPoint, b: GridPoint, source: number, fromAt: number, toAt: number): Segment[] =>
  a.x === b.x && a.y === b.y ? [] : [{ a, b, source, fromAt, toAt }];

/** Moves free line ends that all but touch the outline onto it; farther ends stay where they were measured. */
function snapEnds(segments: readonly Segment[], ring: readonly Point[]): Segment[] {
  const snap = (place: GridPoint): GridPoint => {
    const point = fromGrid(place);
    for (let index = 0; index < ring.length; index++) {
      const next = ring[(index + 1) % ring.length];
      if (distanceToSegment(point, ring[index], next) <= TOLERANCE.snap) return toGrid(nearestOn(point, ring[index], next));
    }
    return place;
  };
  return segments.flatMap((piece, index) => {
    const [before, after] = [segments[index - 1], segments[index + 1]];
    const first = !before || before.source !== piece.source || !samePlace(before.b, piece.a);
    const last = !after || after.source !== piece.source || !samePlace(after.a, piece.b);
    return segment(first ? snap(piece.a) : piece.a, last ? snap(piece.b) : piece.b, piece.source, piece.fromAt, piece.toAt);
  });
}

const samePlace = (a: GridPoint, b: GridPoint): boolean => a.x === b.x && a.y === b.y;

function nearestOn(point: Point, from: Point, to: Point): Point {
  const dx = to.x - from.x;
  const dy = to.y - from.y;
  const share = Math.min(1, Math.max(0, ((point.x - from.x) * dx + (point.y - from.y) * dy) / (dx * dx + dy * dy)));
  return { x: from.x + share * dx, y: from.y + share * dy };
}

interface Face {
  readonly rim: Cycle;
  readonly points: readonly Point[];
  readonly holes: readonly Cycle[];
}

const pointsOf = (cycle: Cycle): Point[] => cycle.map(({ from }) => fromGrid(from));

/** Anticlockwise walks are faces; a clockwise walk is a hole in the smallest face round it, or the outside. */
function facesOf(cycles: readonly Cycle[]): Face[] {
  const rings = cycles.map((cycle) => ({ cycle, points: pointsOf(cycle), size: 0 }));
  for (const ring of rings) ring.size = ringArea(ring.points);
  const faces = rings.filter(({ size }) => size > 0).map((ring) => ({ ...ring, holes: [] as Cycle[] }));
  for (const hole of rings.filter(({ size }) => size < 0)) {
    const own = new Set(hole.cycle.map(({ edge }) => edge));
    const around = faces
      .filter((face) => face.size > -hole.size && !face.cycle.some(({ edge }) => own.has(edge)) && insideRing(hole.points[0], face.points))
      .sort((a, b) => a.size - b.size)[0];
    around?.holes.push(hole.cycle);
  }
  return faces.map(({ cycle, points, holes }) => ({ rim: cycle, points, holes }));
}

function nameFaces(faces: readonly Face[]): { face: Face; area: Area }[] {
  const measured = faces.map((face) => {
    const holes = face.holes.map(pointsOf);
    const sizeMm2 = ringArea(face.points) + holes.reduce((sum, hole) => sum + ringArea(hole), 0);
    const perimeterMm = [face.points, ...holes].reduce((sum, ring) => sum + ringLength(ring), 0);
    const sliver = (2 * sizeMm2) / perimeterMm < TOLERANCE.sliverWidth;
    return { face, area: { code: '', rim: face.points, holes, sizeMm2, perimeterMm, seed: placeWellInside([face.points, ...holes]), sliver } };
  });
  measured.sort(({ area: a }, { area: b }) => b.seed.y - a.seed.y || a.seed.x - b.seed.x);
  return measured.map(({ face, area }, index) => ({ face, area: { ...area, code: `A${index + 1}` } }));
}

function looseLengths(segments: readonly Segment[], lines: readonly ResolvedLine[]): { line: string; lengthMm: number }[] {
  const sums = new Map<number, number>();
  for (const { source, fromAt, toAt } of segments) {
    if (source !== OUTLINE) sums.set(source, (sums.get(source) ?? 0) + Math.abs(toAt - fromAt));
  }
  return [...sums].sort(([a], [b]) => a - b).map(([source, lengthMm]) => ({ line: lines[source].id, lengthMm }));
}
