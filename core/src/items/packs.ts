import { RULE_OF_THUMB } from '../kit';

/**
 * Rolls or packs for so much, with what is left at their ends and cannot be used.
 * @param perPack how much one holds
 * @param inStock how many there are; undefined: not counted
 * @returns whole ones, at least one; and how many are missing, null where they are not counted
 */
export function packsFor(
  amount: number,
  perPack: number,
  inStock: number | undefined,
): { readonly whole: number; readonly missing: number | null } {
  const share = (amount * (1 + RULE_OF_THUMB.tapeWaste)) / perPack;
  return {
    whole: Math.max(1, Math.ceil(share - 1e-9)),
    missing: inStock === undefined ? null : Math.max(0, Math.ceil(share - inStock - 1e-9)),
  };
}
