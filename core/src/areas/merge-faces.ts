import { firstTwo, TOLERANCE } from '../kit';
import type { Skin } from '../surface';
import type { Face } from './face';
import type { ArrangementEdge } from './intersections';
import { sizeOfRings } from './measure';
import { seamPiece } from './seam';

/** Seam pieces that overlap by less than this only touch, mm. */
const TOUCH = TOLERANCE.touch;

/**
 * Merges faces that form one area: across the seam of a round surface, and very thin faces between overlapping
 * lines, which are merged into the neighbour they share most of their outline with.
 * @returns group of each face, numbered from 0 in the order of the faces
 */
export function mergeFaces(
  faces: readonly Face[],
  skin: Skin,
): { readonly groupOf: readonly number[]; readonly count: number } {
  const parent = faces.map((_, index) => index);
  const root = (index: number): number => {
    while (parent[index] !== index) index = parent[index] = parent[parent[index]!]!;
    return index;
  };
  const join = (a: number, b: number) => {
    const [low, high] = firstTwo([root(a), root(b)].sort((p, q) => p - q));
    parent[high] = low;
  };
  for (const [a, b] of acrossSeam(faces, skin)) join(a, b);
  // A face is thin only if it is thin together with what lies across the seam: a tiny face there may be part of a
  // large area.
  for (const [a, b] of hairsWithNeighbours(
    faces,
    faces.map((_, index) => root(index)),
  ))
    join(a, b);
  const numbers = new Map<number, number>();
  const groupOf = faces.map((_, index) => {
    const rootIndex = root(index);
    if (!numbers.has(rootIndex)) numbers.set(rootIndex, numbers.size);
    return numbers.get(rootIndex) as number;
  });
  return { groupOf, count: numbers.size };
}

/** Pairs of faces that meet at the seam with no line on it. */
function acrossSeam(faces: readonly Face[], skin: Skin): [number, number][] {
  if (!skin.seam) return [];
  const pieces = faces.flatMap(({ walks }, face) =>
    walks.flat().flatMap(({ edge }) => {
      const piece = edge.segments.every(({ source }) => source < 0) ? seamPiece(skin, edge) : null;
      return piece ? [{ ...piece, face }] : [];
    }),
  );
  const high = pieces.filter(({ side }) => side === 'high');
  return pieces
    .filter(({ side }) => side === 'low')
    .flatMap((low) =>
      high
        .filter(({ from, to }) => Math.min(to, low.to) - Math.max(from, low.from) > TOUCH)
        .map(({ face }): [number, number] => [low.face, face]),
    );
}

/**
 * Pairs of a face in a group thinner than the accuracy of any line, and the face of the neighbour it shares most of
 * its outline with.
 */
function hairsWithNeighbours(faces: readonly Face[], groupOf: readonly number[]): [number, number][] {
  const sums = new Map<number, { size: number; rim: number }>();
  faces.forEach(({ rings }, index) => {
    const { sizeMm2, perimeterMm } = sizeOfRings(rings, null);
    const sum = sums.get(groupOf[index]!) ?? { size: 0, rim: 0 };
    sums.set(groupOf[index]!, { size: sum.size + sizeMm2, rim: sum.rim + perimeterMm });
  });
  const hairs = [...sums].filter(([, { size, rim }]) => (2 * size) / rim < TOLERANCE.hair).map(([group]) => group);
  if (hairs.length === 0) return [];
  const sides = new Map<ArrangementEdge, number[]>();
  faces.forEach(({ walks }, face) =>
    walks.flat().forEach(({ edge }) => {
      const known = sides.get(edge);
      if (known) known.push(face);
      else sides.set(edge, [face]);
    }),
  );
  return hairs.flatMap((group): [number, number][] => {
    const shared = new Map<number, number>();
    for (const edge of faces.flatMap(({ walks }, face) =>
      groupOf[face] === group ? walks.flat().map((half) => half.edge) : [],
    )) {
      const length = Math.hypot(edge.b.x - edge.a.x, edge.b.y - edge.a.y);
      for (const other of sides.get(edge) ?? [])
        if (groupOf[other] !== group) shared.set(other, (shared.get(other) ?? 0) + length);
    }
    const best = [...shared].sort(([a, p], [b, q]) => q - p || a - b)[0];
    return best ? [[best[0], group]] : [];
  });
}
