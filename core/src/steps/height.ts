import { pointOnPiece } from '../lines';
import type { PartWork } from '../setout';

/** How far up the highest part reaches above the ground, or above the lowest where some lie below it, mm; 0 where there is none. */
export function heightOf(works: readonly PartWork[]): number {
  const heights = works.flatMap(({ setOut: { board } }) =>
    board.drawn.ring.map((place) => pointOnPiece(board, place).at.z),
  );
  return heights.reduce((top, z) => Math.max(top, z), 0) - heights.reduce((low, z) => Math.min(low, z), 0);
}
