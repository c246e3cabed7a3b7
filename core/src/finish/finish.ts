import * as v from 'valibot';
import {
  colourText,
  type FinishId,
  idText,
  listOf,
  nameText,
  noteText,
  numberBetween,
  oneOfWords,
  positiveUpTo,
  wholeBetween,
} from '../kit';
import { cardSchema } from './card';
import { PAINT_SYSTEM_KEYS } from './system';

/** When to pull the tape. */
export const PULL_TIMINGS = ['wet', 'touch', 'dry'] as const;
export type PullTiming = (typeof PULL_TIMINGS)[number];

export const EFFECTS = ['solid', 'metallic', 'pearl', 'candy', 'clear'] as const;
export const METHODS = ['gun', 'can', 'airbrush', 'roller', 'brush'] as const;
export type FinishMethod = (typeof METHODS)[number];

/** True for what makes a mist; false for what is rolled or brushed. */
export const isSprayed = ({ method }: { readonly method: FinishMethod }): boolean =>
  method !== 'roller' && method !== 'brush';

const minutes = () => numberBetween(0, 100_000, 'min');

/** One recoat window: from, and to (null: no end). */
const recoatSchema = v.strictObject({ fromMin: minutes(), toMin: v.nullable(minutes()) });

/** A paint as applied. Times are data-sheet minutes at 23 °C, 50 % RH and the reference build. */
export const finishSchema = v.strictObject({
  id: idText<FinishId>(),
  name: nameText(),
  colour: colourText(),
  system: oneOfWords(PAINT_SYSTEM_KEYS),
  effect: oneOfWords(EFFECTS),
  method: oneOfWords(METHODS),
  flashMin: minutes(),
  recoat: listOf(recoatSchema, 'recoat-windows', 2, 1),
  touchMin: positiveUpTo(100_000, 'min'),
  /** Null where the film never takes tape. */
  tapeSafeMin: v.nullable(positiveUpTo(100_000, 'min')),
  throughMin: positiveUpTo(100_000, 'min'),
  cureH: v.nullable(positiveUpTo(5000, 'h')),
  /** Null: a fifth of the touch-dry time. */
  wetLimitMin: v.nullable(minutes()),
  coatUm: positiveUpTo(1000, 'µm'),
  solids: positiveUpTo(1),
  referenceBuildUm: positiveUpTo(5000, 'µm'),
  activationKj: numberBetween(0, 200, 'kJ/mol'),
  school: oneOfWords(PULL_TIMINGS),
  /** Dry film that hides a black-and-white card, µm. */
  hidingUm: positiveUpTo(5000, 'µm'),
  /** Coats stated in the data sheet; null: computed from hiding. */
  coats: v.nullable(wholeBetween(1, 20)),
  /** Parts by volume, paint first: [4, 1, 1]. */
  mixRatio: listOf(positiveUpTo(100), 'mixing-parts', 4, 1),
  potLifeMin: v.nullable(positiveUpTo(10_000, 'min')),
  /** Which gun it is sprayed with; left out: the one gun of the shop. */
  gun: v.optional(nameText()),
  /** Price of a litre, in money of your own; left out: a typical one. */
  pricePerL: v.optional(positiveUpTo(100_000)),
  /** Cards made with it in this shop: what they measured goes before the formula. */
  cards: v.optional(listOf(cardSchema, 'cards', 50)),
  basis: noteText(),
});

export type Finish = v.InferOutput<typeof finishSchema>;
