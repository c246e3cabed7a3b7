import { isClosed, type Path, ringArea } from '../curves';
import type { LineSide } from '../tape';

/** Which side of its line a tape lies on, as a person sees it: on the drawing of a flat part, on a round part itself. */
export type SeenSide =
  | 'above'
  | 'below'
  | 'left-of'
  | 'right-of'
  | 'near-end-of'
  | 'far-end-of'
  | 'upper-side-of'
  | 'lower-side-of'
  | 'inside-of'
  | 'outside-of';

/**
 * As a person sees it: within or outside a closed line, by the ends of a round part, else on the drawing.
 * @param round true on a tube, a cone or a turned part
 */
export function sideOf(round: boolean, piece: Path, side: LineSide): SeenSide {
  if (isClosed(piece)) return ringArea(piece) > 0 === (side === 'left') ? 'inside-of' : 'outside-of';
  return round ? sideOnRound(piece, side) : sideSeen(piece, side);
}

/** Above or below a line that runs across, left or right of one that runs up. */
function sideSeen(piece: Path, side: LineSide): SeenSide {
  const first = piece[0]!;
  const last = piece.at(-1)!;
  const dx = last.x - first.x;
  const dy = last.y - first.y;
  const sign = side === 'left' ? 1 : -1;
  if (Math.abs(dx) >= Math.abs(dy)) return dx * sign > 0 ? 'above' : 'below';
  return dy * sign > 0 ? 'left-of' : 'right-of';
}

/** Towards an end for a line that runs round it, upper or lower for one that runs along it: its top is in the middle of the sheet. */
function sideOnRound(piece: Path, side: LineSide): SeenSide {
  const seen = sideSeen(piece, side);
  if (seen === 'left-of') return 'near-end-of';
  if (seen === 'right-of') return 'far-end-of';
  const middle = piece.reduce((sum, { y }) => sum + y, 0) / piece.length;
  const upwards = middle < 0 ? 'above' : 'below';
  return seen === upwards ? 'upper-side-of' : 'lower-side-of';
}
