import { RULE_OF_THUMB } from '../units';
import type { Finish } from './finish';
import { colourDifference, layerOver, reflectanceOf, scatterFromHiding } from './layer';

export interface Hiding {
  /** Coats until the undercolour no longer shows; null when more than 20 would be needed. */
  readonly coats: number | null;
  /** What is left to see after those coats, ΔE00; after the most coats where none suffices. */
  readonly deltaE: number;
  readonly scatterPerUm: number;
}

/**
 * Coats a paint needs to hide an undercolour.
 * @param paint colour of the paint, `#rrggbb`
 * @param under colour it goes over
 * @param hidingUm dry film that hides a black-and-white card, µm
 * @param coatUm dry film of one coat, µm
 * @param tolerance ΔE00 that counts as hidden
 */
export function coatsToHide(paint: string, under: string, hidingUm: number, coatUm: number, tolerance: number = RULE_OF_THUMB.hidingTolerance): Hiding {
  const masstone = reflectanceOf(paint);
  const ground = reflectanceOf(under);
  const scatterPerUm = scatterFromHiding(masstone, hidingUm);
  let deltaE = Infinity;
  for (let coats = 1; coats <= RULE_OF_THUMB.mostCoats; coats++) {
    deltaE = colourDifference(layerOver(masstone, scatterPerUm, coats * coatUm, ground), masstone);
    if (deltaE <= tolerance) return { coats, deltaE, scatterPerUm };
  }
  return { coats: null, deltaE, scatterPerUm };
}

/** Why a finish gets the number of coats it gets. */
export interface CoatCount {
  readonly coats: number;
  /** `sheet`: the finish states a count; `hiding`: computed; `most`: hiding asks for more than 20. */
  readonly from: 'sheet' | 'hiding' | 'most';
}

/**
 * Coats of a finish over one undercolour.
 * Effects and finishes with a data-sheet count use that count; the formula is then only a check.
 * @returns at least 1; an effect without a stated count takes what hiding asks for
 */
export function coatsOver(finish: Finish, under: string): CoatCount {
  if (finish.coats !== null) return { coats: finish.coats, from: 'sheet' };
  const { coats } = coatsToHide(finish.colour, under, finish.hidingUm, finish.coatUm);
  return coats === null ? { coats: RULE_OF_THUMB.mostCoats, from: 'most' } : { coats, from: 'hiding' };
}
