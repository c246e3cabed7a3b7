import { firstTwo, RULE_OF_THUMB, TOLERANCE } from '../kit';
import { cardFor, coatSteps, nearestCoatStep } from './coat-colours';
import type { Finish } from './finish';
import { hidingFilmUm } from './from-cards';
import { colourDifference, reflectanceOf, reflectanceOfLayer, scatterFromHiding } from './layer';

export interface Hiding {
  /** Coats until the undercolour no longer shows; null when more than 20 would be needed. */
  readonly coats: number | null;
  /** What is left to see after those coats, ΔE00; after the most coats where none suffices. */
  readonly deltaE: number;
  readonly scatterPerUm: number;
}

/**
 * Coats needed to hide an undercolour.
 * @param paint colour of the paint, `#rrggbb`
 * @param under colour below it
 * @param hidingUm dry film that hides a black-and-white card, µm
 * @param coatUm dry film of one coat, µm
 * @param tolerance ΔE00 at which it is hidden
 */
export function coatsToHide(
  paint: string,
  under: string,
  hidingUm: number,
  coatUm: number,
  tolerance: number = RULE_OF_THUMB.hidingTolerance,
): Hiding {
  const masstone = reflectanceOf(paint);
  const ground = reflectanceOf(under);
  const scatterPerUm = scatterFromHiding(masstone, hidingUm);
  let deltaE = Infinity;
  for (let coats = 1; coats <= RULE_OF_THUMB.mostCoats; coats++) {
    deltaE = colourDifference(reflectanceOfLayer(masstone, scatterPerUm, coats * coatUm, ground), masstone);
    if (deltaE <= tolerance) return { coats, deltaE, scatterPerUm };
  }
  return { coats: null, deltaE, scatterPerUm };
}

/** Why a finish gets the number of coats it gets. */
export interface CoatCount {
  readonly coats: number;
  /**
   * `card`: measured in this shop; `sheet`: stated by the finish; `ground`: stated, plus what this ground adds;
   * `hiding`: computed; `most`: hiding needs more than 20; `floor`: the reference film needs more than all of these.
   */
  readonly from: 'card' | 'sheet' | 'ground' | 'hiding' | 'most' | 'floor';
}

/** Ground a data sheet counts its coats over: a grey primer. Rule of thumb. */
const FIT_GROUND = '#8a8d86';

/**
 * Coats of a finish over one undercolour: the most of what hides it, what the data sheet states, and the film its times are stated for.
 * What a card measured on a like ground goes before sheet and formula. A candy takes those that come nearest to its colour, and no more.
 * @returns at least 1. Source of the floor: reference build ÷ film per coat
 */
export function coatsOver(finish: Finish, under: string): CoatCount {
  const counted = countedOver(finish, under);
  const floor = minCoatsForBuild(finish);
  return finish.effect === 'candy' || counted.coats >= floor ? counted : { coats: floor, from: 'floor' };
}

/** Coats that make up the film a finish's times are stated for. */
export const minCoatsForBuild = ({ referenceBuildUm, coatUm }: Pick<Finish, 'referenceBuildUm' | 'coatUm'>): number =>
  Math.min(RULE_OF_THUMB.mostCoats, Math.ceil(referenceBuildUm / coatUm - TOLERANCE.rounding));

function countedOver(finish: Finish, under: string): CoatCount {
  const measured = cardFor(finish, under) ? fromCard(finish, under) : null;
  if (measured !== null) return { coats: measured, from: 'card' };
  if (finish.coats !== null) return fromSheet(finish, finish.coats, under);
  if (finish.effect === 'candy') return { coats: nearestCoatStep(coatSteps(finish, under)).coats, from: 'hiding' };
  const { coats } = hiddenBy(finish, under);
  return coats === null ? { coats: RULE_OF_THUMB.mostCoats, from: 'most' } : { coats, from: 'hiding' };
}

const hiddenBy = (finish: Finish, under: string): Hiding =>
  coatsToHide(finish.colour, under, hidingFilmUm(finish), finish.coatUm);

/** The count of the sheet holds over a fit ground; a solid colour takes more over a worse one. What is seen through does not, nor rubber: its count is the film it peels by. */
function fromSheet(finish: Finish, stated: number, under: string): CoatCount {
  if (finish.effect !== 'solid' || finish.system === 'peelable') return { coats: stated, from: 'sheet' };
  const [here, fit] = firstTwo(
    [under, FIT_GROUND].map((ground) => hiddenBy(finish, ground).coats ?? RULE_OF_THUMB.mostCoats),
  );
  const coats = Math.min(RULE_OF_THUMB.mostCoats, stated + Math.max(0, here - fit));
  return { coats, from: coats > stated ? 'ground' : 'sheet' };
}

/**
 * Coats according to a card: the first that hides; for paints that deepen coat by coat, the nearest. Null if it is
 * never reached.
 */
function fromCard(finish: Finish, under: string): number | null {
  const measured = coatSteps(finish, under).filter(({ from }) => from === 'card');
  if (measured.length === 0) return null;
  if (finish.effect !== 'solid') return nearestCoatStep(measured).coats;
  return measured.find(({ deltaE }) => deltaE <= RULE_OF_THUMB.hidingTolerance)?.coats ?? null;
}

/**
 * Dry film that hides, from a test on a black-and-white card.
 * @param coats how many coats hid it
 * @param coatUm dry film of one, µm
 */
export const hidingFromCard = (coats: number, coatUm: number): number => coats * coatUm;
