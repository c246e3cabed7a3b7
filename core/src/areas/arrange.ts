import type { ResolvedLine } from '../lines';
import { distanceToSegment, type Point, type Sheet } from '../surface';
import { TOLERANCE } from '../units';
import { bordersBetween, type Border } from './borders';
import { facesOf } from './face';
import { traceCycles } from './faces';
import { fromGrid, toGrid, type GridPoint } from './grid';
import { grouped } from './group';
import { inOrder, measureGroup, type Area } from './measure';
import { mergedEdges, noded, OPENING, OUTLINE, SEAM, type Segment } from './node';
import { onSeam } from './seam';

/** What the lines make of a part. */
export interface Arrangement {
  readonly areas: readonly Area[];
  readonly borders: readonly Border[];
  /** Lines with a free end, and how much of them bounds nothing, mm. */
  readonly loose: readonly { readonly line: string; readonly lengthMm: number }[];
}

/** A part that areas are found on. */
export interface Ground {
  readonly sheet: Sheet;
  /** Rims of its openings on the sheet. */
  readonly openings: readonly (readonly Point[])[];
}

/**
 * Finds the areas of a part, on any kind of surface; across the seam of a round one they are joined.
 * @param lines worked-out lines; those without a place on the part are passed over
 * @returns areas that together are the part without its openings, borders between them, and what hangs loose
 */
export function arrange(ground: Ground, lines: readonly ResolvedLine[]): Arrangement {
  const { sheet, openings } = ground;
  const rims = [sheet.ring, ...openings];
  const segments = [
    ...rimSegments(sheet.ring, (a, b) => (onSeam(sheet, a) && onSeam(sheet, b) ? SEAM : OUTLINE)),
    ...openings.flatMap((ring) => rimSegments(ring, () => OPENING)),
    ...snapEnds(lines.flatMap(lineSegments), rims),
  ];
  const { cycles, dangling } = traceCycles(mergedEdges(noded(segments)));
  const faces = facesOf(cycles, ground);
  const { groupOf, count } = grouped(faces, sheet);
  const members = Array.from({ length: count }, (): number[] => []);
  groupOf.forEach((group, face) => members[group].push(face));
  const measured = members.map((indices) =>
    measureGroup(
      indices.map((index) => faces[index]),
      sheet,
    ),
  );
  const { ordered, placeOf } = inOrder(measured);
  return {
    areas: ordered,
    borders: bordersBetween(
      faces,
      groupOf.map((group) => placeOf[group]),
      lines.map(({ id }) => id),
      sheet,
    ),
    loose: looseLengths(
      dangling.flatMap(({ segments: on }) => on),
      lines,
    ),
  };
}

function rimSegments(ring: readonly Point[], sourceOf: (a: Point, b: Point) => number): Segment[] {
  let at = 0;
  return ring.flatMap((point, index) => {
    const next = ring[(index + 1) % ring.length];
    const fromAt = at;
    at += Math.hypot(next.x - point.x, next.y - point.y);
    return segment(toGrid(point), toGrid(next), sourceOf(point, next), fromAt, at);
  });
}

function lineSegments(line: ResolvedLine, source: number): Segment[] {
  return line.pieces.flatMap((piece) =>
    piece.slice(1).flatMap((point, index) => segment(toGrid(piece[index]), toGrid(point), source, piece[index].at, point.at)),
  );
}

const segment = (a: GridPoint, b: GridPoint, source: number, fromAt: number, toAt: number): Segment[] =>
  a.x === b.x && a.y === b.y ? [] : [{ a, b, source, fromAt, toAt }];

/** Moves free line ends that all but touch a rim onto it; farther ends stay where they were measured. */
function snapEnds(segments: readonly Segment[], rims: readonly (readonly Point[])[]): Segment[] {
  const snap = (place: GridPoint): GridPoint => {
    const point = fromGrid(place);
    for (const ring of rims) {
      for (let index = 0; index < ring.length; index++) {
        const next = ring[(index + 1) % ring.length];
        if (distanceToSegment(point, ring[index], next) <= TOLERANCE.snap) return toGrid(nearestOn(point, ring[index], next));
      }
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

function looseLengths(segments: readonly Segment[], lines: readonly ResolvedLine[]): { line: string; lengthMm: number }[] {
  const sums = new Map<number, number>();
  for (const { source, fromAt, toAt } of segments) {
    if (source >= 0) sums.set(source, (sums.get(source) ?? 0) + Math.abs(toAt - fromAt));
  }
  return [...sums].sort(([a], [b]) => a - b).map(([source, lengthMm]) => ({ line: lines[source].id, lengthMm }));
}
