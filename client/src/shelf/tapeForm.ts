import { numberBetween, positiveUpTo, tapeSchema, TYPICAL, type Tape } from '@lintrel/core';
import * as v from 'valibot';
import { typedLength, typedNumber, typedOrNone, typedTemperature } from '@/forms/typed';

const { entries } = tapeSchema;

/** Fields of the tape form as typed. */
export type TapeFields = { readonly [K in keyof Required<Tape>]: Required<Tape>[K] extends number ? string : Required<Tape>[K] };

/** What the form reads them as. */
const formEntries = {
  ...entries,
  widthMm: typedLength(entries.widthMm),
  thicknessUm: typedNumber(entries.thicknessUm),
  stretch: typedNumber(entries.stretch),
  fold: typedNumber(entries.fold),
  adhesionN25: typedNumber(entries.adhesionN25),
  minApplyC: typedTemperature(entries.minApplyC),
  cleanHours: typedNumber(entries.cleanHours),
  rollM: typedOrNone(v.nullable(positiveUpTo(1000, 'm'))),
  rolls: typedOrNone(v.nullable(numberBetween(0, 10_000, ''))),
};

export const tapeFormSchema = v.pipe(
  v.object(formEntries),
  v.transform(({ rollM, rolls, ...rest }): Tape => ({ ...rest, ...(rollM === null ? {} : { rollM }), ...(rolls === null ? {} : { rolls }) })),
);

/** Names of its fields, where the server's faults belong. */
export const TAPE_FIELDS = Object.keys(formEntries);

const NEW_TAPE: Tape = {
  code: '',
  kind: 'V',
  name: '',
  widthMm: 6,
  thicknessUm: 130,
  stretch: 0.15,
  fold: 0.005,
  adhesionN25: 6,
  edge: 'crisp',
  minApplyC: 10,
  cleanHours: 72,
  use: '',
  basis: TYPICAL,
};

/** What the form opens with. */
export function tapeFields(tape: Tape = NEW_TAPE): TapeFields {
  const known = { rollM: '', rolls: '', ...tape };
  return Object.fromEntries(Object.entries(known).map(([name, value]) => [name, typeof value === 'number' ? String(value) : value])) as unknown as TapeFields;
}
