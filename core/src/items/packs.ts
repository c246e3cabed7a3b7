import { RULE_OF_THUMB, TOLERANCE } from '../kit';

/**
 * Rolls or packs for an amount, including waste at their ends.
 * @param perPack content of one
 * @param inStock number in stock; undefined: not counted
 * @returns whole packs, at least one; and the number missing, null if not counted
 */
export function packsFor(
  amount: number,
  perPack: number,
  inStock: number | undefined,
): { readonly whole: number; readonly missing: number | null } {
  const share = (amount * (1 + RULE_OF_THUMB.tapeWaste)) / perPack;
  return {
    whole: Math.max(1, Math.ceil(share - TOLERANCE.rounding)),
    missing: inStock === undefined ? null : Math.max(0, Math.ceil(share - inStock - TOLERANCE.rounding)),
  };
}
