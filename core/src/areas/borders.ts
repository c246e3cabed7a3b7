import type { Cycle } from './faces';

/** A piece of a trim line with one area on each side. */
export interface Border {
  readonly line: string;
  /** Distances along the line, mm. */
  readonly from: number;
  readonly to: number;
  /** Index of the area to the left of the line's direction, and to the right. */
  readonly left: number;
  readonly right: number;
}

/**
 * Finds where two different areas meet along a line.
 * @param cycles walks round all faces
 * @param areaOf area of each walk; walks round the outside have none
 * @param lineIds ids by source index
 * @returns borders ordered by line, then along it; pieces of the same two areas that follow each other are one
 */
export function bordersBetween(cycles: readonly Cycle[], areaOf: ReadonlyMap<Cycle, number>, lineIds: readonly string[]): Border[] {
  const sides = new Map<object, { left?: number; right?: number }>();
  for (const cycle of cycles) {
    const area = areaOf.get(cycle);
    if (area === undefined) continue;
    for (const { edge, forward } of cycle) {
      const side = sides.get(edge) ?? {};
      if (forward) side.left = area;
      else side.right = area;
      sides.set(edge, side);
    }
  }
  const pieces: { source: number; from: number; to: number; left: number; right: number }[] = [];
  for (const cycle of cycles) {
    for (const { edge, forward } of cycle) {
      const { left, right } = sides.get(edge) ?? {};
      const first = edge.segments.find(({ source }) => source >= 0);
      if (!forward || !first || left === undefined || right === undefined || left === right) continue;
      const along = first.fromAt <= first.toAt;
      pieces.push(
        along
          ? { source: first.source, from: first.fromAt, to: first.toAt, left, right }
          : { source: first.source, from: first.toAt, to: first.fromAt, left: right, right: left },
      );
    }
  }
  pieces.sort((a, b) => a.source - b.source || a.from - b.from);
  return joined(pieces).map(({ source, ...border }) => ({ line: lineIds[source], ...border }));
}

type Piece = { source: number; from: number; to: number; left: number; right: number };

function joined(pieces: readonly Piece[]): Piece[] {
  const result: Piece[] = [];
  for (const piece of pieces) {
    const last = result.at(-1);
    const goesOn = last && last.source === piece.source && last.left === piece.left && last.right === piece.right && piece.from - last.to < 1e-6;
    if (goesOn) last.to = piece.to;
    else result.push({ ...piece });
  }
  return result;
}
