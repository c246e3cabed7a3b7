import { TOLERANCE } from '../kit';
export interface Facets {
  /** Longest straight piece that stays within the slack. */
  readonly facetLengthMm: number;
  readonly pieces: number;
  /** Length of each piece when the arc is shared out evenly. */
  readonly evenLengthMm: number;
}

/**
 * Backing tape laid in straight pieces behind a bend.
 * @param radiusMm radius of the bend, above 0
 * @param slackMm how far a piece may stray from the curve, above 0 and below the diameter
 * @param arcMm length along the bend
 * @returns length of the longest piece, how many are needed, and their length when shared out evenly
 * Source: chord of a circle with sagitta δ: 2·√(2Rδ − δ²).
 */
export function facetsForBend(radiusMm: number, slackMm: number, arcMm: number): Facets {
  if (!(slackMm > 0 && slackMm < 2 * radiusMm))
    throw new RangeError(`slackMm must lie between 0 and the diameter, got ${slackMm}`);
  // A chord deeper than the centre is no longer than the diameter, which already spans half the circle.
  const depth = Math.min(slackMm, radiusMm);
  const facetLengthMm = 2 * Math.sqrt(2 * radiusMm * depth - depth * depth);
  const arcPerFacet = 2 * radiusMm * Math.acos(1 - depth / radiusMm);
  const pieces = Math.max(1, Math.ceil(arcMm / arcPerFacet - TOLERANCE.rounding));
  return {
    facetLengthMm,
    pieces,
    evenLengthMm: 2 * radiusMm * Math.sin(Math.min(Math.PI / 2, arcMm / pieces / radiusMm / 2)),
  };
}
