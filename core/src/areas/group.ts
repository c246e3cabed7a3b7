import type { Sheet } from '../surface';
import { TOLERANCE } from '../units';
import type { Face } from './face';
import type { Edge } from './node';
import { sizeOfRings } from './measure';
import { seamPiece } from './seam';

/** Seam pieces that overlap by less than this only touch, mm. */
const TOUCH = 2e-3;

/**
 * Puts together faces that are one area: across the seam of a round surface, and hair-thin faces between lines that run on top
 * of each other, which go to the neighbour they share most of their rim with.
 * @returns group of each face, numbered from 0 in the order of the faces
 */
export function grouped(faces: readonly Face[], sheet: Sheet): { readonly groupOf: readonly number[]; readonly count: number } {
  const parent = faces.map((_, index) => index);
  const root = (index: number): number => {
    while (parent[index] !== index) index = parent[index] = parent[parent[index]];
    return index;
  };
  const join = (a: number, b: number) => {
    const [low, high] = [root(a), root(b)].sort((p, q) => p - q);
    parent[high] = low;
  };
  for (const [a, b] of acrossSeam(faces, sheet)) join(a, b);
  for (const [a, b] of hairsWithNeighbours(faces)) join(a, b);
  const numbers = new Map<number, number>();
  const groupOf = faces.map((_, index) => {
    const at = root(index);
    if (!numbers.has(at)) numbers.set(at, numbers.size);
    return numbers.get(at) as number;
  });
  return { groupOf, count: numbers.size };
}

/** Pairs of faces that meet at the seam with no line on it. */
function acrossSeam(faces: readonly Face[], sheet: Sheet): [number, number][] {
  if (!sheet.turns) return [];
  const pieces = faces.flatMap(({ walks }, face) =>
    walks.flat().flatMap(({ edge }) => {
      const piece = edge.segments.every(({ source }) => source < 0) ? seamPiece(sheet, edge) : null;
      return piece ? [{ ...piece, face }] : [];
    }),
  );
  const high = pieces.filter(({ side }) => side === 'high');
  return pieces
    .filter(({ side }) => side === 'low')
    .flatMap((low) =>
      high.filter(({ from, to }) => Math.min(to, low.to) - Math.max(from, low.from) > TOUCH).map(({ face }): [number, number] => [low.face, face]),
    );
}

/** Pairs of a face thinner than any line is exact with the neighbour it shares most of its rim with. */
function hairsWithNeighbours(faces: readonly Face[]): [number, number][] {
  const hairs = faces.flatMap(({ rings }, index) => {
    const { sizeMm2, perimeterMm } = sizeOfRings(rings, null);
    return (2 * sizeMm2) / perimeterMm < TOLERANCE.hair ? [index] : [];
  });
  if (hairs.length === 0) return [];
  const sides = new Map<Edge, number[]>();
  faces.forEach(({ walks }, face) => walks.flat().forEach(({ edge }) => sides.set(edge, [...(sides.get(edge) ?? []), face])));
  return hairs.flatMap((face): [number, number][] => {
    const shared = new Map<number, number>();
    for (const { edge } of faces[face].walks.flat()) {
      const length = Math.hypot(edge.b.x - edge.a.x, edge.b.y - edge.a.y);
      for (const other of sides.get(edge) ?? []) if (other !== face) shared.set(other, (shared.get(other) ?? 0) + length);
    }
    const best = [...shared].sort(([a, p], [b, q]) => q - p || a - b)[0];
    return best ? [[best[0], face]] : [];
  });
}
