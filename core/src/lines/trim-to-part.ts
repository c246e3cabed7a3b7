import type { Path, Point } from '../curves';
import { LIMITS } from '../kit';
import { type PlacedFeature, placedFeatures } from '../surface';
import { featuresWithinBudget } from './budget';
import { openingRings } from './features-met';
import type { TrimLine } from './line';
import { extendsToEdge } from './line-paths';
import type { LineMessage } from './messages';
import { withTrueMetric } from './on-surface';
import type { PartFrame } from './part-shape';
import { connectedPieces, extendEnds, piecesOnPart, type TrimRegion, trimRegion } from './trim';
import { turnsRound, wrapAtSeam } from './wrap';

/** What lines of a part meet: features, outlines of openings, and the region where lines may lie. */
export interface LineObstacles {
  readonly features: readonly PlacedFeature[];
  readonly openings: readonly (readonly Point[])[];
  readonly rims: TrimRegion;
}

/** What the lines of a part meet. */
export function lineObstacles({ shape, measured }: PartFrame): LineObstacles {
  const features = featuresWithinBudget(placedFeatures(shape.features ?? [], shape.datums));
  const openings = openingRings(features, measured);
  return { features, openings, rims: trimRegion(measured, openings) };
}

/** Ends of a line that lie at a rounded corner and do not run on. */
export interface HeldEnds {
  readonly start: boolean;
  readonly end: boolean;
}
export const NO_HELD_ENDS: HeldEnds = { start: false, end: false };

/**
 * Extends a line, cuts it at seam, outline and openings, and counts distances from where it first lies on the part.
 * @returns a failure if it goes round more often than the limit
 */
export function trimLine(
  line: TrimLine,
  path: Path,
  { measured }: PartFrame,
  rims: TrimRegion,
  held: HeldEnds = NO_HELD_ENDS,
): Path[] | LineMessage {
  const on = extendsToEdge(line);
  const longer = extendEnds(path, measured, {
    start: on && !line.startOn && !held.start,
    end: on && !line.endOn && !held.end,
  });
  const whole = withTrueMetric(longer.path, measured);
  // The edge of a band is measured at one place, which may itself lie beside the part: all of it counts.
  const all = line.kind === 'bands';
  const span = { from: whole[all ? 0 : longer.before]!.at, to: whole[whole.length - 1 - (all ? 0 : longer.after)]!.at };
  const turns = Math.ceil(turnsRound(whole, measured));
  if (turns > LIMITS.turns) return { code: 'line.turns', values: { turns, most: LIMITS.turns } };
  const pieces = wrapAtSeam(whole, measured).flatMap((piece) => piecesOnPart(piece, rims));
  const reached = connectedPieces(pieces, span);
  const start = reached[0]?.[0]?.at ?? 0;
  return reached.map((piece) => piece.map((point) => ({ ...point, at: point.at - start })));
}
