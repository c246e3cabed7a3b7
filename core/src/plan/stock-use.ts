import type { Shelf } from '../job';
import { rollLengthM } from '../tape';
import { tapeNeeds } from './lists';
import type { Item } from './item-types';
import { supplyNeeds } from './supply-needs';

/** The two tables of what is used up. */
export type StockTable = 'tapes' | 'supplies';

/** So much of a roll or a pack. */
export interface StockUsed {
  readonly stuff: StockTable;
  readonly code: string;
  readonly packs: number;
}

/** What laying some items takes off the stock, in rolls and packs; what is not counted, or not on the shelf, takes nothing. */
export function stockUse(items: readonly Item[], shelf: Pick<Shelf, 'tapes' | 'supplies'>): StockUsed[] {
  const rolls = tapeNeeds(items, shelf.tapes).flatMap(({ tape: code, lengthM }): StockUsed[] => {
    const tape = shelf.tapes.find((one) => one.code === code);
    return tape?.rolls === undefined ? [] : [{ stuff: 'tapes', code, packs: lengthM / rollLengthM(tape) }];
  });
  const packs = supplyNeeds(items, 0, shelf.supplies ?? []).flatMap(({ code, amount }): StockUsed[] => {
    const supply = shelf.supplies?.find((one) => one.code === code);
    return supply?.packs === undefined || code === null ? [] : [{ stuff: 'supplies', code, packs: amount / supply.pack }];
  });
  return [...rolls, ...packs].filter((one) => one.packs > 0);
}
