import type { PlacedFeature } from '../surface';
import { MOST } from '../units';
import type { Made } from './made';

/** What the lines of one part have cost so far. */
export interface Budget {
  pieces: number;
  strokes: number;
}

export const newBudget = (): Budget => ({ pieces: 0, strokes: 0 });

const piecesOf = (made: Made): number => (typeof made === 'string' ? 0 : made.reduce((sum, path) => sum + path.length, 0));

/** What is said of a line drawn in more pieces than are worked out; null where it is not. */
export const tooFine = (pieces: number): string | null =>
  pieces > MOST.linePieces ? `is so fine that it takes ${pieces} straight pieces: the most is ${MOST.linePieces}` : null;

/** A line as it was made, or a sentence where it is drawn in more pieces than are worked out. */
export const bounded = (made: Made): Made => tooFine(piecesOf(made)) ?? made;

/**
 * Takes what a line costs from what a part may cost.
 * @returns a sentence where it is too much, and then takes nothing; null where it is not
 */
export function takenFrom(budget: Budget, made: Made): string | null {
  const strokes = typeof made === 'string' ? 0 : made.length;
  if (budget.strokes + strokes > MOST.strokes) return `is one too many: the lines of a part may have ${MOST.strokes} strokes together`;
  const pieces = piecesOf(made);
  if (budget.pieces + pieces > MOST.partPieces) return `is one too many: the lines of a part may take ${MOST.partPieces} straight pieces together`;
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
