import * as v from 'valibot';
import { PAINT_SYSTEM_KEYS } from '../finish';
import { lineSchema } from '../lines';
import { datumSchema, surfaceSchema } from '../surface';
import { colourText, idText, nameText, numberBetween, wholeBetween } from '../units';

/** What a part is made of, with the words people use. */
export const SUBSTRATES = {
  steel: 'Steel',
  aluminium: 'Aluminium',
  gelcoat: 'Glass-fibre gelcoat',
  carbon: 'Carbon/epoxy',
  wood: 'Wood',
  'varnished-wood': 'Varnished wood',
  fabric: 'Fabric and dope',
  styrene: 'Styrene',
  resin: 'Resin',
  print: '3-D print',
  melamine: 'Melamine',
  other: 'Other',
} as const;
export type Substrate = keyof typeof SUBSTRATES;

const presentSchema = v.strictObject({
  /** What is on it now; `bare` where nothing is. */
  system: v.picklist(['bare', ...PAINT_SYSTEM_KEYS] as const, 'must be bare or a paint system'),
  colour: colourText(),
  ageH: numberBetween(0, 1_000_000, 'h'),
});

/** One physical piece with one surface. */
export const partSchema = v.strictObject({
  id: idText(),
  name: nameText(),
  /** How many alike. */
  count: wholeBetween(1, 500),
  substrate: v.picklist(Object.keys(SUBSTRATES) as Substrate[], `must be one of ${Object.keys(SUBSTRATES).join(' ')}`),
  present: presentSchema,
  surface: surfaceSchema,
  datums: v.pipe(v.array(datumSchema, 'needs datums'), v.minLength(1, 'needs at least one datum'), v.maxLength(50, 'has at most 50 datums')),
  lines: v.pipe(v.array(lineSchema, 'needs a list of lines'), v.maxLength(200, 'has at most 200 lines')),
});
export type Part = v.InferOutput<typeof partSchema>;
