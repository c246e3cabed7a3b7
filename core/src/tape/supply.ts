import * as v from 'valibot';
import { idText, lengthMm, nameText, noteText, numberBetween, oneOfWords, positiveUpTo, type SupplyCode } from '../kit';
import { TYPICAL_NOTE } from './catalogue';

/** What masks besides tape, in the order of the shelf. */
export const SUPPLY_KINDS = ['paper', 'film', 'card', 'bag', 'foam', 'putty', 'liquid-mask'] as const;
export type SupplyKind = (typeof SUPPLY_KINDS)[number];

/** What a pack of each holds: m², m, ml, or pieces. */
export const SUPPLY_UNITS: Readonly<Record<SupplyKind, 'm2' | 'm' | 'ml' | 'pieces'>> = {
  paper: 'm2',
  film: 'm2',
  card: 'm2',
  bag: 'pieces',
  foam: 'm',
  putty: 'ml',
  'liquid-mask': 'ml',
};

/** A covering or closing material on the shelf, as it is bought. */
export const supplySchema = v.strictObject({
  /** Unique among its like. */
  code: idText<SupplyCode>(),
  kind: oneOfWords(SUPPLY_KINDS),
  name: nameText(),
  /** How thick foam is, how wide paper or film; left out where it does not matter. */
  sizeMm: v.optional(lengthMm()),
  /** How much a pack holds, in the unit of its kind. */
  pack: positiveUpTo(100_000, ''),
  /** Money of your own for a pack; left out: not known. */
  packPrice: v.optional(numberBetween(0, 1_000_000, '')),
  /** Packs in stock; left out: not counted. */
  packs: v.optional(numberBetween(0, 10_000, '')),
  /** Where the figures come from. */
  basis: noteText(),
});
export type Supply = v.InferOutput<typeof supplySchema>;

type Row = readonly [code: string, kind: SupplyKind, name: string, sizeMm: number | null, pack: number];

// Usual packs of generic materials (rule of thumb); each can be edited on the Shelf.
const ROWS: readonly Row[] = [
  ['paper-450', 'paper', 'Masking paper 450 mm, 50 m', 450, 22.5],
  ['paper-900', 'paper', 'Masking paper 900 mm, 50 m', 900, 45],
  ['film-4000', 'film', 'Masking film 4 m, 100 m', 4000, 400],
  ['card', 'card', 'Card, 10 sheets of 700 × 1000 mm', null, 7],
  ['bags', 'bag', 'Small bags, 100', null, 100],
  ['foam-6', 'foam', 'Foam strip 6 mm, 50 m', 6, 50],
  ['foam-10', 'foam', 'Foam strip 10 mm, 50 m', 10, 50],
  ['foam-13', 'foam', 'Foam strip 13 mm, 50 m', 13, 50],
  ['foam-19', 'foam', 'Foam strip 19 mm, 25 m', 19, 25],
  ['putty', 'putty', 'Masking putty', null, 80],
  ['liquid-mask', 'liquid-mask', 'Liquid mask', null, 60],
];

/** What a new shop has to cover with. */
export const SHIPPED_SUPPLIES: readonly Supply[] = ROWS.map(([code, kind, name, sizeMm, pack]) => ({
  code,
  kind,
  name,
  ...(sizeMm === null ? {} : { sizeMm }),
  pack,
  basis: TYPICAL_NOTE,
}));
