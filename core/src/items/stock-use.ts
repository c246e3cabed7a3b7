import type { Item } from '../contract';
import type { Shelf } from '../job';
import { CLOSING_MATERIALS } from '../masking';
import { rollLengthM } from '../tape';
import { tapeNeeds } from './lists';
import { supplyNeeds } from './supply-needs';

/** The two tables of what is used up. */
export type StockTable = 'tapes' | 'supplies';

/** An amount of a roll or a pack. */
export interface StockUsed {
  readonly stuff: StockTable;
  readonly code: string;
  readonly packs: number;
}

/**
 * Stock used by items, in rolls and packs; nothing for what is not counted or not on the shelf.
 * @param laid items of a plan that may be imported: invalid ones are ignored
 */
export function stockUse(laid: readonly unknown[], shelf: Pick<Shelf, 'tapes' | 'supplies'>): StockUsed[] {
  const items = laid.filter(isSound);
  const rolls = tapeNeeds(items, shelf.tapes).flatMap(({ tape: code, lengthM }): StockUsed[] => {
    const tape = shelf.tapes.find((other) => other.code === code);
    return tape?.rolls === undefined ? [] : [{ stuff: 'tapes', code, packs: lengthM / rollLengthM(tape) }];
  });
  const packs = supplyNeeds(items, 0, shelf.supplies ?? []).flatMap(({ code, amount }): StockUsed[] => {
    const supply = shelf.supplies?.find((other) => other.code === code);
    return supply?.packs === undefined || code === null
      ? []
      : [{ stuff: 'supplies', code, packs: amount / supply.pack }];
  });
  return [...rolls, ...packs].filter((used) => used.packs > 0);
}

const amount = (value: unknown): boolean => typeof value === 'number' && Number.isFinite(value) && value >= 0;

/** Whether what is counted of an item is there. */
function isSound(item: unknown): item is Item {
  if (typeof item !== 'object' || item === null) return false;
  const { kind, material, lengthMm, sizeM2, count, closing } = item as Record<string, unknown>;
  if (!amount(count) || !(material === null || typeof material === 'string')) return false;
  if (kind === 'cover') return amount(sizeM2);
  if (kind === 'plug') return isSoundClosing(closing);
  return typeof kind === 'string' && amount(lengthMm) && (kind !== 'own' || amount(sizeM2));
}

function isSoundClosing(closing: unknown): boolean {
  const { code, values } = (closing ?? {}) as { code?: unknown; values?: unknown };
  if (typeof code !== 'string' || !(code in CLOSING_MATERIALS) || typeof values !== 'object' || values === null)
    return false;
  return Object.values(values).every((value) => typeof value !== 'number' || amount(value));
}
