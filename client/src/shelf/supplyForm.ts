import { numberBetween, positiveUpTo, type Supply, supplySchema, TYPICAL_NOTE } from '@lintrel/core';
import * as v from 'valibot';
import { typedNumber, typedOrNone, typedTexts } from '@/forms/typed';

// What there is of it is booked, not typed over.
const { packs: _, ...entries } = supplySchema.entries;

/** Fields of the form of a supply as typed. */
export type SupplyFields = {
  readonly [K in keyof Omit<Required<Supply>, 'packs'>]: Required<Supply>[K] extends number
    ? string
    : Required<Supply>[K];
};

/** What the form reads them as. */
const formEntries = {
  ...entries,
  sizeMm: typedOrNone(v.nullable(positiveUpTo(10_000, 'mm'))),
  pack: typedNumber(entries.pack),
  packPrice: typedOrNone(v.nullable(numberBetween(0, 1_000_000, ''))),
};

export const supplyFormSchema = v.pipe(
  v.object(formEntries),
  v.transform(({ sizeMm, packPrice, ...rest }): Supply => ({
    ...rest,
    ...(sizeMm === null ? {} : { sizeMm }),
    ...(packPrice === null ? {} : { packPrice }),
  })),
);

/** Names of its fields, where the server's faults belong. */
export const SUPPLY_FIELDS = Object.keys(formEntries);

const NEW_SUPPLY: Supply = { code: '', kind: 'paper', name: '', pack: 45, basis: TYPICAL_NOTE };

/** What the form opens with. */
export function supplyFields({ packs: _packs, ...supply }: Supply = NEW_SUPPLY): SupplyFields {
  return typedTexts({ sizeMm: '', packPrice: '', ...supply }) as unknown as SupplyFields;
}
