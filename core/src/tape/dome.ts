import { TOLERANCE } from '../kit';
/** A straight run of tape over a dome. */
export interface Dome {
  /** Compression at the tape's edges, as a fraction. */
  readonly pleatStrain: number;
  readonly lays: boolean;
  /** Widest tape of this fold limit that lays flat. */
  readonly widestMm: number;
}

/**
 * Lays a straight run over a surface that curves both ways.
 * @param domeRadiusMm radius of the dome, above 0
 * @param widthMm width of the tape, above 0
 * @param fold compression the tape's edge takes before it pleats, as a fraction
 * Source: edge shortening of a flat strip on a sphere, w² / (8·R²) to leading order.
 */
export function fitTapeToDome(domeRadiusMm: number, widthMm: number, fold: number): Dome {
  const pleatStrain = widthMm ** 2 / (8 * domeRadiusMm ** 2);
  const widestMm = domeRadiusMm * Math.sqrt(8 * fold);
  // The example 18 mm at 0.005 on 90 mm lies on the limit itself; rounding must not decide it.
  return { pleatStrain, lays: pleatStrain <= fold * (1 + TOLERANCE.zero), widestMm };
}
