import { tapeSchema, TYPICAL, type Tape } from '@lintrel/core';
import * as v from 'valibot';
import { typedLength, typedNumber, typedTemperature } from '@/forms/typed';

const { entries } = tapeSchema;

/** Fields of the tape form as typed. */
export type TapeFields = { readonly [K in keyof Tape]: Tape[K] extends number ? string : Tape[K] };

/** What the form reads them as. */
export const tapeFormSchema = v.object({
  ...entries,
  widthMm: typedLength(entries.widthMm),
  thicknessUm: typedNumber(entries.thicknessUm),
  stretch: typedNumber(entries.stretch),
  fold: typedNumber(entries.fold),
  adhesionN25: typedNumber(entries.adhesionN25),
  minApplyC: typedTemperature(entries.minApplyC),
  cleanHours: typedNumber(entries.cleanHours),
});

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
  return Object.fromEntries(Object.entries(tape).map(([name, value]) => [name, typeof value === 'number' ? String(value) : value])) as unknown as TapeFields;
}
