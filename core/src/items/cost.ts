import type { PlanLists } from '../contract';
import type { Finish } from '../finish';
import type { Shelf } from '../job';
import { RULE_OF_THUMB, sumOf } from '../kit';
import { rollLengthM } from '../tape';
import { ITEM_RULES } from './rules-of-thumb';

/** Cost of materials in the shop's currency: by the prices of the shelf, else by typical ones. */
export function costOf(
  { tape, paint, supplies }: Pick<PlanLists, 'tape' | 'paint' | 'supplies'>,
  shelf: Pick<Shelf, 'tapes' | 'supplies'>,
  finishes: ReadonlyMap<string, Finish>,
): PlanLists['cost'] {
  let typical = false;
  const priced = (price: number | undefined, usual: number): number => {
    if (price === undefined) typical = true;
    return price ?? usual;
  };
  const tapeCost = sumOf(tape, ({ tape: code, lengthM }) => {
    const ownTape = shelf.tapes.find((other) => other.code === code);
    return (
      lengthM *
      priced(
        ownTape?.rollPrice === undefined ? undefined : ownTape.rollPrice / rollLengthM(ownTape),
        RULE_OF_THUMB.pricePerTapeMetre,
      )
    );
  });
  const supplyCost = sumOf(supplies, ({ kind, code, amount }) => {
    const supply = shelf.supplies?.find((one) => one.code === code);
    return (
      amount *
      priced(
        supply?.packPrice === undefined ? undefined : supply.packPrice / supply.pack,
        ITEM_RULES.pricePerSupply[kind],
      )
    );
  });
  const paintCost = sumOf(
    paint,
    ({ finish, ml }) => (ml / 1000) * priced(finishes.get(finish)?.pricePerL, RULE_OF_THUMB.pricePerLitre),
  );
  return { tape: tapeCost, supplies: supplyCost, paint: paintCost, typical };
}
