import * as v from 'valibot';
import { climateSchema } from '../drying';
import { SCHOOLS } from '../finish';
import { placeSchema } from '../surface';
import { idText, nameText, numberBetween } from '../units';
import { partSchema } from './part';

export const JOB_KINDS = {
  road: 'Road vehicle',
  boat: 'Boat',
  aircraft: 'Aircraft',
  model: 'Scale model',
  other: 'Other',
} as const;
export type JobKind = keyof typeof JOB_KINDS;

/** A finish given to the area of a part that holds a place. */
export const areaChoiceSchema = v.strictObject({
  part: idText(),
  seed: placeSchema,
  /** Null: this area is kept as it is. */
  finish: v.nullable(idText()),
});
export type PartAreaChoice = v.InferOutput<typeof areaChoiceSchema>;

/** What a job is meant to become: everything a person decides. The plan follows from it. */
export const designSchema = v.strictObject({
  title: nameText(),
  kind: v.picklist(Object.keys(JOB_KINDS) as JobKind[], `must be one of ${Object.keys(JOB_KINDS).join(' ')}`),
  /** 1 for full size, 48 for 1:48. */
  scale: numberBetween(1, 1000),
  /** Unit lengths are shown in. */
  unit: v.picklist(['mm', 'in'], 'must be mm or in'),
  climate: climateSchema,
  parts: v.pipe(v.array(partSchema, 'needs a list of parts'), v.maxLength(50, 'has at most 50 parts')),
  scheme: v.strictObject({ areas: v.pipe(v.array(areaChoiceSchema, 'needs a list of areas'), v.maxLength(2000, 'has at most 2000 areas')) }),
  choices: v.strictObject({
    /** Order of finishes a person has fixed; null: the cheapest found. */
    order: v.nullable(v.pipe(v.array(idText()), v.maxLength(30, 'has at most 30 finishes'))),
    /** School for every line; null: as each finish prefers. */
    school: v.nullable(v.picklist(SCHOOLS, 'must be wet, touch or dry')),
  }),
});
export type Design = v.InferOutput<typeof designSchema>;

/** A design with nothing on it yet. */
export function emptyDesign(title: string, kind: JobKind): Design {
  return {
    title,
    kind,
    scale: 1,
    unit: 'mm',
    climate: { airC: 20, rhPercent: 50, surfaceC: null, movement: 'normal' },
    parts: [],
    scheme: { areas: [] },
    choices: { order: null, school: null },
  };
}
