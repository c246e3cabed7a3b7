import {
  type Card,
  cardSchema,
  type Finish,
  finishSchema,
  firstItem,
  numberOrNaN,
  type PaintSystemKey,
  positiveUpTo,
  typicalFinish,
} from '@lintrel/core';
import * as v from 'valibot';
import { typedNumber, typedOrNone } from '@/forms/typed';

const { entries } = finishSchema;
const firstWindow = entries.recoat;

/** Fields of the finish form as typed; up to two recoat windows side by side. */
export interface FinishFields {
  id: string;
  name: string;
  colour: string;
  system: PaintSystemKey;
  effect: Finish['effect'];
  method: Finish['method'];
  school: Finish['school'];
  flashMin: string;
  recoatFrom: string;
  recoatTo: string;
  againFrom: string;
  againTo: string;
  touchMin: string;
  tapeSafeMin: string;
  throughMin: string;
  cureH: string;
  wetLimitMin: string;
  coatUm: string;
  solids: string;
  referenceBuildUm: string;
  activationKj: string;
  hidingUm: string;
  coats: string;
  mixRatio: string;
  potLifeMin: string;
  gun: string;
  pricePerL: string;
  cards: readonly Card[];
  basis: string;
}

const { fromMin, toMin } = firstWindow.item.entries;
const mixSchema = v.pipe(
  v.string(),
  v.transform((text) => text.split(':').map(numberOrNaN)),
  v.check((parts) => v.is(entries.mixRatio, parts), 'write it like 4:1:1, paint first'),
);

/** What the form reads them as: a finish. */
export const finishFormSchema = v.pipe(
  v.object({
    ...entries,
    recoat: v.optional(v.undefined()),
    flashMin: typedNumber(entries.flashMin),
    recoatFrom: typedNumber(fromMin),
    recoatTo: typedOrNone(toMin),
    againFrom: typedOrNone(v.nullable(fromMin)),
    againTo: typedOrNone(toMin),
    touchMin: typedNumber(entries.touchMin),
    tapeSafeMin: typedOrNone(entries.tapeSafeMin),
    throughMin: typedNumber(entries.throughMin),
    cureH: typedOrNone(entries.cureH),
    wetLimitMin: typedOrNone(entries.wetLimitMin),
    coatUm: typedNumber(entries.coatUm),
    solids: typedNumber(entries.solids),
    referenceBuildUm: typedNumber(entries.referenceBuildUm),
    activationKj: typedNumber(entries.activationKj),
    hidingUm: typedNumber(entries.hidingUm),
    coats: typedOrNone(entries.coats),
    mixRatio: mixSchema,
    potLifeMin: typedOrNone(entries.potLifeMin),
    gun: v.string(),
    pricePerL: typedOrNone(v.nullable(positiveUpTo(100_000))),
    cards: v.array(cardSchema),
  }),
  v.transform(
    ({ recoatFrom, recoatTo, againFrom, againTo, recoat: _recoat, gun, pricePerL, cards, ...rest }): Finish => ({
      ...rest,
      ...(gun.trim() ? { gun: gun.trim() } : {}),
      ...(pricePerL === null ? {} : { pricePerL }),
      ...(cards.length > 0 ? { cards } : {}),
      recoat: [
        { fromMin: recoatFrom, toMin: recoatTo },
        ...(againFrom === null ? [] : [{ fromMin: againFrom, toMin: againTo }]),
      ],
    }),
  ),
);

const text = (value: number | null | undefined): string => (value === null || value === undefined ? '' : String(value));

/** What the form opens with: the finish, or the typical figures of a system. */
export function finishFields(finish: Finish = typicalFinish('', '', 'base-solvent', '#888888', 40)): FinishFields {
  const [first, again] = [firstItem(finish.recoat), finish.recoat[1]];
  const { id, name, colour, system, effect, method, school, basis } = finish;
  return {
    id,
    name,
    colour,
    system,
    effect,
    method,
    school,
    basis,
    flashMin: text(finish.flashMin),
    recoatFrom: text(first.fromMin),
    recoatTo: text(first.toMin),
    againFrom: text(again?.fromMin),
    againTo: text(again?.toMin),
    touchMin: text(finish.touchMin),
    tapeSafeMin: text(finish.tapeSafeMin),
    throughMin: text(finish.throughMin),
    cureH: text(finish.cureH),
    wetLimitMin: text(finish.wetLimitMin),
    coatUm: text(finish.coatUm),
    solids: text(finish.solids),
    referenceBuildUm: text(finish.referenceBuildUm),
    activationKj: text(finish.activationKj),
    hidingUm: text(finish.hidingUm),
    coats: text(finish.coats),
    mixRatio: finish.mixRatio.join(':'),
    potLifeMin: text(finish.potLifeMin),
    gun: finish.gun ?? '',
    pricePerL: text(finish.pricePerL),
    cards: finish.cards ?? [],
  };
}
