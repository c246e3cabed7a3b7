import * as v from 'valibot';
import {
  idText,
  lengthMm,
  nameText,
  noteText,
  numberBetween,
  oneOfWords,
  positiveUpTo,
  RULE_OF_THUMB,
  type TapeCode,
} from '../kit';

/** Kinds of tape: the letter that starts the code, in the order of the shelf. */
export const TAPE_KINDS = ['V', 'F', 'W', 'M', 'P', 'C', 'G', 'X', 'T'] as const;
export type TapeKind = (typeof TAPE_KINDS)[number];

/** How clean an edge a tape leaves. Only a crisp one makes a line that stays. */
export const EDGE_CLASSES = ['crisp', 'fair', 'soft'] as const;

/** One tape on the shelf: one kind in one width. */
export const tapeSchema = v.strictObject({
  /** Letter of the kind and width, `V6`; unique on a shelf. */
  code: idText<TapeCode>(),
  kind: oneOfWords(TAPE_KINDS),
  name: nameText(),
  widthMm: lengthMm(),
  thicknessUm: positiveUpTo(2000, 'µm'),
  /** Elongation held for an hour without creeping back or breaking, as a fraction. */
  stretch: numberBetween(0, 1),
  /** Compression the inner edge takes before it pleats, as a fraction. */
  fold: numberBetween(0, 0.5),
  adhesionN25: positiveUpTo(50, 'N/25 mm'),
  edge: oneOfWords(EDGE_CLASSES),
  minApplyC: numberBetween(-20, 60, '°C'),
  /** Hours at 23 °C within which it comes off clean. */
  cleanHours: positiveUpTo(2000, 'h'),
  /** Metres on a roll; left out: typical of its kind. Rolls in stock; left out: not counted, there is always some. */
  rollM: v.optional(positiveUpTo(1000, 'm')),
  rolls: v.optional(numberBetween(0, 10_000, '')),
  /** Money of your own for a roll; left out: not known. */
  rollPrice: v.optional(numberBetween(0, 1_000_000, '')),
  use: noteText(),
  /** Where the figures come from. */
  basis: noteText(),
});

export type Tape = v.InferOutput<typeof tapeSchema>;

/** Metres on a roll: as given, else typical of its kind. Source: usual rolls, rule of thumb. */
export const rollLengthM = ({ kind, rollM }: Pick<Tape, 'kind' | 'rollM'>): number =>
  rollM ?? RULE_OF_THUMB.rollM[kind];
