import { LIMITS } from '../kit';
import type { PlacedFeature } from '../surface';
import type { LinePaths } from './line-paths';
import { isFailure, type LineMessage } from './messages';

/** What the lines of one part have cost so far. */
export interface Budget {
  pieces: number;
  strokes: number;
}

export const newBudget = (): Budget => ({ pieces: 0, strokes: 0 });

const piecesOf = (linePaths: LinePaths): number =>
  isFailure(linePaths) ? 0 : linePaths.reduce((sum, path) => sum + path.length, 0);

/** Message for a line with more segments than the limit; null if it is within it. */
export const tooManySegments = (pieces: number): LineMessage | null =>
  pieces > LIMITS.linePieces ? { code: 'line.too-fine', values: { pieces, most: LIMITS.linePieces } } : null;

/** The paths of a line, or a message if they exceed the limit of segments. */
export const withinSegmentLimit = (linePaths: LinePaths): LinePaths =>
  tooManySegments(piecesOf(linePaths)) ?? linePaths;

/**
 * Subtracts the cost of a line from the budget of a part.
 * @returns a message if it exceeds the budget, which is then unchanged; else null
 */
export function spendBudget(budget: Budget, linePaths: LinePaths): LineMessage | null {
  const strokes = isFailure(linePaths) ? 0 : linePaths.length;
  if (budget.strokes + strokes > LIMITS.strokes) return { code: 'line.part-strokes', values: { most: LIMITS.strokes } };
  const pieces = piecesOf(linePaths);
  if (budget.pieces + pieces > LIMITS.partPieces)
    return { code: 'line.part-pieces', values: { most: LIMITS.partPieces } };
  budget.strokes += strokes;
  budget.pieces += pieces;
  return null;
}

/** The features of a part up to the limit of corners; the rest is left out. */
export function featuresWithinBudget(features: readonly PlacedFeature[]): readonly PlacedFeature[] {
  let corners = 0;
  const end = features.findIndex(({ ring }) => (corners += ring?.length ?? 0) > LIMITS.rimCorners);
  return end < 0 ? features : features.slice(0, end);
}
