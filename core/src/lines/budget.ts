import type { PlacedFeature } from '../surface';
import { MOST } from '../units';
import type { Made } from './made';
import { isTrouble, type LineSaid } from './says';

/** What the lines of one part have cost so far. */
export interface Budget {
  pieces: number;
  strokes: number;
}

export const newBudget = (): Budget => ({ pieces: 0, strokes: 0 });

const piecesOf = (made: Made): number => (isTrouble(made) ? 0 : made.reduce((sum, path) => sum + path.length, 0));

/** What is said of a line drawn in more pieces than are worked out; null where it is not. */
export const tooFine = (pieces: number): LineSaid | null =>
  pieces > MOST.linePieces ? { code: 'line.too-fine', values: { pieces, most: MOST.linePieces } } : null;

/** A line as it was made, or what is said where it is drawn in more pieces than are worked out. */
export const bounded = (made: Made): Made => tooFine(piecesOf(made)) ?? made;

/**
 * Takes what a line costs from what a part may cost.
 * @returns what is said where it is too much, and then takes nothing; null where it is not
 */
export function takenFrom(budget: Budget, made: Made): LineSaid | null {
  const strokes = isTrouble(made) ? 0 : made.length;
  if (budget.strokes + strokes > MOST.strokes) return { code: 'line.part-strokes', values: { most: MOST.strokes } };
  const pieces = piecesOf(made);
  if (budget.pieces + pieces > MOST.partPieces) return { code: 'line.part-pieces', values: { most: MOST.partPieces } };
  budget.strokes += strokes;
  budget.pieces += pieces;
  return null;
}

/** The features of a part up to where their rims have more corners than are worked out; those after it are left out. */
export function withinBudget(features: readonly PlacedFeature[]): readonly PlacedFeature[] {
  let corners = 0;
  const end = features.findIndex(({ ring }) => (corners += ring?.length ?? 0) > MOST.rimCorners);
  return end < 0 ? features : features.slice(0, end);
}
