import { RULE_OF_THUMB, TOLERANCE } from '../kit';
import type { Finish } from './finish';
import { FINISH_RULES } from './rules-of-thumb';

/** What to put together in a cup. */
export interface Mix {
  /** As sprayed, with what stays in the cup. */
  readonly ml: number;
  /** Rounded up to what a cup can measure, and split by the ratio: paint first. */
  readonly mixMl: number;
  readonly partsMl: readonly number[];
  /** Whole cans; null where it does not come in cans. */
  readonly cans: number | null;
}

/**
 * Volume of paint to spray.
 * @param buildUm dry film of all coats, µm
 * @param solids volume fraction that stays as film
 * @param transfer fraction that lands on the part
 * @returns ml: m² · µm / (volume solids · transfer)
 */
export const sprayedMl = (m2: number, buildUm: number, solids: number, transfer: number): number =>
  (m2 * buildUm) / (solids * transfer);

/** Paint to put in the cup, ml: what is sprayed, and what stays in the cup. */
export const paintNeeded = (
  m2: number,
  buildUm: number,
  { solids, method }: Pick<Finish, 'solids' | 'method'>,
): number =>
  m2 === 0 ? 0 : sprayedMl(m2, buildUm, solids, RULE_OF_THUMB.transfer[method]) + RULE_OF_THUMB.cupLossMl[method];

/**
 * Splits paint by a mixing ratio.
 * @param ratio parts by volume, paint first: [4, 1, 1]
 * @returns ml of each part; they add up to `ml`
 */
export function mixParts(ml: number, ratio: readonly number[]): number[] {
  const all = ratio.reduce((sum, part) => sum + part, 0);
  return ratio.map((part) => (ml * part) / all);
}

/** Paint needed as a person measures it out: to the next half millilitre in a tiny cup, to the next 5 ml in a large one. */
export function mixFor(ml: number, { mixRatio, method }: Pick<Finish, 'mixRatio' | 'method'>): Mix {
  const step = ml < 10 ? 0.5 : ml < 50 ? 1 : ml < 1000 ? 5 : 50;
  // The smallest part is rounded to whole steps, so that no part needs a fraction that cannot be measured.
  const all = mixRatio.reduce((sum, part) => sum + part, 0);
  const smallest = Math.min(...mixRatio);
  const units = Math.ceil((ml * smallest) / all / step - TOLERANCE.rounding);
  const mixMl =
    mixRatio.length === 1 ? Math.ceil(ml / step - TOLERANCE.rounding) * step : (units * step * all) / smallest;
  return {
    ml,
    mixMl,
    partsMl: mixParts(mixMl, mixRatio),
    cans: method === 'can' ? Math.ceil(ml / FINISH_RULES.canMl) : null,
  };
}
