import { type LineId, TOLERANCE } from '../kit';
import type { Skin } from '../surface';
import type { Face } from './face';
import type { ArrangementEdge } from './intersections';
import { type SeamPiece, seamPiece } from './seam';

/** A piece of a trim line with one area on each side. */
export interface Border {
  readonly line: LineId;
  /** Distances along the line, mm. */
  readonly from: number;
  readonly to: number;
  /** Index of the area to the left of the line's direction, and to the right. */
  readonly left: number;
  readonly right: number;
}

/**
 * Finds where two different areas meet along a line.
 * @param areaOf area of each face
 * @param lineIds ids by source index
 * @returns borders ordered by line, then along it; pieces of the same two areas that follow each other are one. Where areas meet over
 *   less than a hair, as where two lines cross at a third, there is no border: no tape makes such an edge
 */
export function bordersBetween(
  faces: readonly Face[],
  areaOf: readonly number[],
  lineIds: readonly string[],
  skin: Skin,
): Border[] {
  const sides = new Map<ArrangementEdge, { left?: number; right?: number }>();
  faces.forEach(({ walks }, face) => {
    for (const { edge, forward } of walks.flat()) {
      const side = sides.get(edge) ?? {};
      if (forward) side.left = areaOf[face];
      else side.right = areaOf[face];
      sides.set(edge, side);
    }
  });
  const acrossSeam = seamLookup(faces, areaOf, skin);
  const pieces: { source: number; from: number; to: number; left: number; right: number }[] = [];
  for (const [edge, side] of sides) {
    const first = edge.segments.find(({ source }) => source >= 0);
    if (!first) continue;
    const left = side.left ?? acrossSeam(edge);
    const right = side.right ?? acrossSeam(edge);
    if (left === undefined || right === undefined || left === right) continue;
    const along = first.fromAt <= first.toAt;
    pieces.push(
      along
        ? { source: first.source, from: first.fromAt, to: first.toAt, left, right }
        : { source: first.source, from: first.toAt, to: first.fromAt, left: right, right: left },
    );
  }
  pieces.sort((a, b) => a.source - b.source || a.from - b.from);
  return joined(pieces)
    .filter(({ from, to }) => to - from > TOLERANCE.snap)
    .map(({ source, ...border }) => ({ line: lineIds[source]!, ...border }));
}

/** The area on the other copy of the seam, for a line that lies on the seam itself. */
function seamLookup(
  faces: readonly Face[],
  areaOf: readonly number[],
  skin: Skin,
): (edge: ArrangementEdge) => number | undefined {
  if (!skin.seam) return () => undefined;
  const pieces: (SeamPiece & { area: number })[] = faces.flatMap(({ walks }, face) =>
    walks.flat().flatMap(({ edge }) => {
      const piece = seamPiece(skin, edge);
      return piece ? [{ ...piece, area: areaOf[face]! }] : [];
    }),
  );
  return (edge) => {
    const piece = seamPiece(skin, edge);
    if (!piece) return undefined;
    const middle = (piece.from + piece.to) / 2;
    return pieces.find(({ side, from, to }) => side !== piece.side && from <= middle && middle <= to)?.area;
  };
}

type Piece = { source: number; from: number; to: number; left: number; right: number };

function joined(pieces: readonly Piece[]): Piece[] {
  const result: Piece[] = [];
  for (const piece of pieces) {
    const last = result.at(-1);
    const goesOn =
      last &&
      last.source === piece.source &&
      last.left === piece.left &&
      last.right === piece.right &&
      piece.from - last.to < TOLERANCE.along;
    if (goesOn) last.to = piece.to;
    else result.push({ ...piece });
  }
  return result;
}

/** Two areas that meet, with the length they share and the lines between them. */
export interface Neighbour {
  readonly area: number;
  readonly lengthMm: number;
  readonly lines: readonly string[];
}

/** Neighbours of one area, those it shares most with first. */
export function neighboursOf(area: number, borders: readonly Border[]): Neighbour[] {
  const shared = new Map<number, { lengthMm: number; lines: Set<string> }>();
  for (const { line, from, to, left, right } of borders) {
    if (left !== area && right !== area) continue;
    const other = left === area ? right : left;
    const entry = shared.get(other) ?? { lengthMm: 0, lines: new Set<string>() };
    entry.lengthMm += to - from;
    entry.lines.add(line);
    shared.set(other, entry);
  }
  return [...shared]
    .map(([other, { lengthMm, lines }]) => ({ area: other, lengthMm, lines: [...lines] }))
    .sort((a, b) => b.lengthMm - a.lengthMm || a.area - b.area);
}
