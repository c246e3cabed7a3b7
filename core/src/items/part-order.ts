import { sumOf } from '../kit';
import { pointOnPiece } from '../lines';
import type { PartWork } from '../setout';

/** Parts nearer to one another than this along the piece are beside one another, mm. */
const BESIDE_MM = 50;

/**
 * Parts in masking order: from the back of the whole piece to its front if they are placed on it, else as listed.
 * They are unmasked in reverse.
 * Source: order between panels, handbook, how the work goes
 */
export function partsBackToFront(works: readonly PartWork[]): PartWork[] {
  if (!works.every(({ part }) => part.pose || part.opposite)) return [...works];
  const forwardOf = ({ setOut: { board } }: PartWork) =>
    sumOf(board.drawn.ring, (place) => pointOnPiece(board, place).at.x) / Math.max(1, board.drawn.ring.length);
  return works
    .map((work, index) => ({ work, index, step: Math.round(forwardOf(work) / BESIDE_MM) }))
    .sort((a, b) => a.step - b.step || a.index - b.index)
    .map(({ work }) => work);
}
