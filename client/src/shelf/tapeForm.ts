import { numberBetween, positiveUpTo, type Tape, tapeSchema, TYPICAL_NOTE } from '@lintrel/core';
import * as v from 'valibot';
import { typedLength, typedNumber, typedOrNone, typedTemperature, typedTexts } from '@/forms/typed';

// What there is of it is booked, not typed over.
const { rolls: _, ...entries } = tapeSchema.entries;

/** Fields of the tape form as typed. */
export type TapeFields = {
  readonly [K in keyof Omit<Required<Tape>, 'rolls'>]: Required<Tape>[K] extends number ? string : Required<Tape>[K];
};

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
  rollPrice: typedOrNone(v.nullable(numberBetween(0, 1_000_000, ''))),
};

export const tapeFormSchema = v.pipe(
  v.object(formEntries),
  v.transform(({ rollM, rollPrice, ...rest }): Tape => ({
    ...rest,
    ...(rollM === null ? {} : { rollM }),
    ...(rollPrice === null ? {} : { rollPrice }),
  })),
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
  basis: TYPICAL_NOTE,
};

/** What the form opens with. */
export function tapeFields({ rolls: _rolls, ...tape }: Tape = NEW_TAPE): TapeFields {
  return typedTexts({ rollM: '', rollPrice: '', ...tape }) as unknown as TapeFields;
}
