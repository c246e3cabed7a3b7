import type { Point } from '../curves';
import { LIMITS, type LineId, MAX_DISTANCE_MM, TOLERANCE } from '../kit';
import type { LineMessage, ResolvedLine } from '../lines';
import type { Skin } from '../surface';
import { type Border, bordersBetween } from './borders';
import { facesOf } from './face';
import { traceCycles } from './faces';
import { type GridPoint, toGrid } from './grid';
import {
  type IntersectionOverflow,
  mergeCollinearEdges,
  OPENING,
  OUTLINE,
  SEAM,
  type Segment,
  splitWithLimit,
} from './intersections';
import { type Area, measureArea, sortAreas } from './measure';
import { mergeFaces } from './merge-faces';

/** What the lines make of a part. */
export interface Arrangement {
  readonly areas: readonly Area[];
  readonly borders: readonly Border[];
  /** Lines with a free end, and how much of them bounds nothing, mm. */
  readonly loose: readonly { readonly line: LineId; readonly lengthMm: number }[];
  /** Lines of the list left out because they have more intersections than the limit. */
  readonly leftOut: readonly string[];
}

/** Message for a line that was left out. */
export const tooManyIntersections: LineMessage = { code: 'line.meetings', values: { most: LIMITS.meetings } };

/** A part that areas are found on. */
export interface Outlines {
  readonly skin: Skin;
  /** Outlines of the openings on the sheet. */
  readonly openings: readonly (readonly Point[])[];
}

/**
 * Finds the areas of a part on any kind of surface; on a round one they are joined across the seam.
 * Lines with more intersections than the limit are left out, the worst first, and named in the result.
 * @param lines resolved lines; those without a place on the part are skipped
 * @returns areas that together make up the part without its openings, the borders between them, and loose ends
 */
export function arrange(outlines: Outlines, lines: readonly ResolvedLine[]): Arrangement {
  const { skin } = outlines;
  const { pieces, leftOut } = splitUp(outlines, lines);
  if (pieces === null) return { areas: [], borders: [], loose: [], leftOut };
  const { cycles, dangling } = traceCycles(mergeCollinearEdges(pieces));
  const faces = facesOf(cycles, outlines);
  const { groupOf, count } = mergeFaces(faces, skin);
  const members = Array.from({ length: count }, (): number[] => []);
  groupOf.forEach((group, face) => members[group]!.push(face));
  const measured = members.map((indices) =>
    measureArea(
      indices.map((index) => faces[index]!),
      skin,
    ),
  );
  const { ordered, placeOf } = sortAreas(measured);
  return {
    areas: ordered,
    borders: bordersBetween(
      faces,
      groupOf.map((group) => placeOf[group]!),
      lines.map(({ id }) => id),
      skin,
    ),
    loose: looseLengths(
      dangling.flatMap(({ segments: on }) => on),
      lines,
    ),
    leftOut,
  };
}

/**
 * Splits everything on a part at its intersections; null if not even the outline can be split, with the lines left
 * out.
 */
function splitUp(
  { skin, openings }: Outlines,
  lines: readonly ResolvedLine[],
): { readonly pieces: Segment[] | null; readonly leftOut: string[] } {
  const owners = [...new Set(lines.map(({ owner }) => owner))];
  const far = ({ x, y }: Point) => Math.abs(x) > MAX_DISTANCE_MM || Math.abs(y) > MAX_DISTANCE_MM;
  if (skin.ring.some(far)) return { pieces: null, leftOut: owners };
  const rims = [skin.ring, ...openings].map((ring) => ring.map(toGrid));
  const rimPieces = [
    ...rimSegments(skin.ring, (a, b) => (skin.seam?.holds(a) && skin.seam.holds(b) ? SEAM : OUTLINE)),
    ...openings.flatMap((ring) => rimSegments(ring, () => OPENING)),
  ];
  const linePieces = snapEnds(lines.flatMap(lineSegments), rims);
  const leftOut: string[] = [];
  for (;;) {
    const splitResult = splitWithLimit(
      [...rimPieces, ...linePieces.filter(({ source }) => !leftOut.includes(lines[source]!.owner))],
      LIMITS.meetings,
    );
    if (Array.isArray(splitResult)) return { pieces: splitResult, leftOut };
    const worst = worstOwner(splitResult, lines);
    if (worst === null) return { pieces: null, leftOut: owners };
    leftOut.push(worst);
  }
}

/** The line of the list with most intersections, of equals the later one; null if only outlines intersect. */
function worstOwner({ bySource }: IntersectionOverflow, lines: readonly ResolvedLine[]): string | null {
  const counts = new Map<string, number>();
  for (const [source, count] of bySource)
    if (source >= 0) counts.set(lines[source]!.owner, (counts.get(lines[source]!.owner) ?? 0) + count);
  const most = Math.max(0, ...counts.values());
  return lines.findLast(({ owner }) => most > 0 && counts.get(owner) === most)?.owner ?? null;
}

function rimSegments(ring: readonly Point[], sourceOf: (a: Point, b: Point) => number): Segment[] {
  let start = 0;
  return ring.flatMap((point, index) => {
    const next = ring[(index + 1) % ring.length]!;
    const fromAt = start;
    start += Math.hypot(next.x - point.x, next.y - point.y);
    return segment(toGrid(point), toGrid(next), sourceOf(point, next), fromAt, start);
  });
}

function lineSegments(line: ResolvedLine, source: number): Segment[] {
  return line.pieces.flatMap((piece) =>
    piece
      .slice(1)
      .flatMap((point, index) => segment(toGrid(piece[index]!), toGrid(point), source, piece[index]!.at, point.at)),
  );
}

const segment = (a: GridPoint, b: GridPoint, source: number, fromAt: number, toAt: number): Segment[] =>
  a.x === b.x && a.y === b.y ? [] : [{ a, b, source, fromAt, toAt }];

/** Maximum distance of an end from an outline for the two to be joined, in grid steps. */
const SNAP = TOLERANCE.snap / TOLERANCE.grid;

/**
 * Moves free line ends that nearly touch an outline onto it; ends farther away stay where they were measured. The
 * outline used is the one that gets split, with its corners on the grid: an end on the original curve could miss it
 * by one step.
 */
function snapEnds(segments: readonly Segment[], rims: readonly (readonly GridPoint[])[]): Segment[] {
  const snap = (place: GridPoint): GridPoint => {
    let best = { place, distance: SNAP };
    for (const ring of rims) {
      for (let index = 0; index < ring.length; index++) {
        const [from, to] = [ring[index]!, ring[(index + 1) % ring.length]!];
        if (Math.min(from.x, to.x) > place.x + SNAP || Math.max(from.x, to.x) < place.x - SNAP) continue;
        if (Math.min(from.y, to.y) > place.y + SNAP || Math.max(from.y, to.y) < place.y - SNAP) continue;
        const near = nearestOn(place, from, to);
        const distance = Math.hypot(near.x - place.x, near.y - place.y);
        if (distance < best.distance) best = { place: { x: Math.round(near.x), y: Math.round(near.y) }, distance };
      }
    }
    return best.place;
  };
  return segments.flatMap((piece, index) => {
    const [before, after] = [segments[index - 1], segments[index + 1]];
    const first = !before || before.source !== piece.source || !samePoint(before.b, piece.a);
    const last = !after || after.source !== piece.source || !samePoint(after.a, piece.b);
    return segment(
      first ? snap(piece.a) : piece.a,
      last ? snap(piece.b) : piece.b,
      piece.source,
      piece.fromAt,
      piece.toAt,
    );
  });
}

const samePoint = (a: GridPoint, b: GridPoint): boolean => a.x === b.x && a.y === b.y;

function nearestOn(point: Point, from: Point, to: Point): Point {
  const dx = to.x - from.x;
  const dy = to.y - from.y;
  const square = dx * dx + dy * dy;
  const share =
    square === 0 ? 0 : Math.min(1, Math.max(0, ((point.x - from.x) * dx + (point.y - from.y) * dy) / square));
  return { x: from.x + share * dx, y: from.y + share * dy };
}

function looseLengths(
  segments: readonly Segment[],
  lines: readonly ResolvedLine[],
): { line: LineId; lengthMm: number }[] {
  const sums = new Map<number, number>();
  for (const { source, fromAt, toAt } of segments) {
    if (source >= 0) sums.set(source, (sums.get(source) ?? 0) + Math.abs(toAt - fromAt));
  }
  return [...sums].sort(([a], [b]) => a - b).map(([source, lengthMm]) => ({ line: lines[source]!.id, lengthMm }));
}
