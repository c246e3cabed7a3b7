import type { Point, Path } from '../curves';
import { placedFeatures, type PlacedFeature } from '../surface';
import { MOST } from '../units';
import { withinBudget } from './budget';
import { openingRings } from './features-met';
import type { TrimLine } from './line';
import { runsOn } from './made';
import { onTrueSurface } from './on-surface';
import type { PartBoard } from './part-shape';
import { connectedTo, rimsOf, piecesInside, runOn, type Rims } from './trim';
import { timesRound, wrapped } from './wrap';
import type { LineSaid } from './says';

/** What lines of a part meet: its features, the rims of its openings, and where lines may lie. */
export interface WhatLinesMeet {
  readonly features: readonly PlacedFeature[];
  readonly openings: readonly (readonly Point[])[];
  readonly rims: Rims;
}

/** What the lines of a part meet. */
export function whatLinesMeet({ shape, measured }: PartBoard): WhatLinesMeet {
  const features = withinBudget(placedFeatures(shape.features ?? [], shape.datums));
  const openings = openingRings(features, measured);
  return { features, openings, rims: rimsOf(measured, openings) };
}

/** Ends of a line that lie at a rounded corner and do not run on. */
export interface Held {
  readonly start: boolean;
  readonly end: boolean;
}
export const NONE_HELD: Held = { start: false, end: false };

/**
 * Runs a line on, cuts it at seam, rim and openings, and counts distances from where it first lies on the part.
 * @returns trouble where it goes round more often than is worked out
 */
export function laidDown(line: TrimLine, path: Path, { measured }: PartBoard, rims: Rims, held: Held = NONE_HELD): Path[] | LineSaid {
  const on = runsOn(line);
  const longer = runOn(path, measured, { start: on && !line.startOn && !held.start, end: on && !line.endOn && !held.end });
  const whole = onTrueSurface(longer.path, measured);
  // The edge of a band is measured at one place, which may itself lie beside the part: all of it counts.
  const all = line.kind === 'bands';
  const span = { from: whole[all ? 0 : longer.before]!.at, to: whole[whole.length - 1 - (all ? 0 : longer.after)]!.at };
  const turns = Math.ceil(timesRound(whole, measured));
  if (turns > MOST.turns) return { code: 'line.turns', values: { turns, most: MOST.turns } };
  const pieces = wrapped(whole, measured).flatMap((piece) => piecesInside(piece, rims));
  const reached = connectedTo(pieces, span);
  const start = reached[0]?.[0]?.at ?? 0;
  return reached.map((piece) => piece.map((point) => ({ ...point, at: point.at - start })));
}
