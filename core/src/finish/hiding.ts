import { RULE_OF_THUMB } from '../units';
import type { Finish } from './finish';
import { cardFor, ladderOf, nearestRung } from './ladder';
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
  /** `card`: measured in this shop; `sheet`: the finish states a count; `hiding`: computed; `most`: hiding asks for more than 20. */
  readonly from: 'card' | 'sheet' | 'hiding' | 'most';
}

/**
 * Coats of a finish over one undercolour.
 * What a card measured on a like ground goes first, then the data sheet's count, then the formula: the least coats that hide, for a
 * candy those that come nearest to its colour.
 * @returns at least 1
 */
export function coatsOver(finish: Finish, under: string): CoatCount {
  const measured = cardFor(finish, under) ? fromCard(finish, under) : null;
  if (measured !== null) return { coats: measured, from: 'card' };
  if (finish.coats !== null) return { coats: finish.coats, from: 'sheet' };
  if (finish.effect === 'candy') return { coats: nearestRung(ladderOf(finish, under)).coats, from: 'hiding' };
  const { coats } = coatsToHide(finish.colour, under, finish.hidingUm, finish.coatUm);
  return coats === null ? { coats: RULE_OF_THUMB.mostCoats, from: 'most' } : { coats, from: 'hiding' };
}

/** Coats a card says: the first that hides, for what deepens coat by coat the nearest; null where it never gets there. */
function fromCard(finish: Finish, under: string): number | null {
  const measured = ladderOf(finish, under).filter(({ from }) => from === 'card');
  if (measured.length === 0) return null;
  if (finish.effect !== 'solid') return nearestRung(measured).coats;
  return measured.find(({ deltaE }) => deltaE <= RULE_OF_THUMB.hidingTolerance)?.coats ?? null;
}

/**
 * Dry film that hides, from a test on a black-and-white card.
 * @param coats how many coats hid it
 * @param coatUm dry film of one, µm
 */
export const hidingFromCard = (coats: number, coatUm: number): number => coats * coatUm;
