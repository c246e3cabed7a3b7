import { AIR_MOVEMENTS, marksOf, pullWindows, type AirMovement, type DryingMarks, type PullWindows, type Span } from '../drying';
import type { Shelf } from '../job';
import { showMinutes } from '../units';
import { choiceKey, humidityKey, minutesKey, numberKey, optional, shelfKey, temperatureKey } from './key';
import { question, refuseAt, type Values } from './question';

const keys = {
  finish: shelfKey({ label: 'Finish', example: 'signal-base' }, 'finishes'),
  air: temperatureKey({ label: 'Air', example: '18' }),
  rh: humidityKey({ label: 'Humidity', example: '60' }),
  move: optional(choiceKey({ label: 'Air moves', example: 'normal' }, AIR_MOVEMENTS), 'normal' as AirMovement),
  flash: minutesKey({ label: 'Flash', example: '10' }),
  touch: minutesKey({ label: 'Touch-dry', example: '15' }, 0.01),
  tapeSafe: minutesKey({ label: 'Takes tape', example: '30' }, 0.01),
  through: minutesKey({ label: 'Dry through', example: '60' }, 0.01),
  wetLimit: optional(minutesKey({ label: 'Edge flows until', example: '' })),
  activation: numberKey({ label: 'Activation energy', example: '35' }, 0, 200, 'kJ/mol'),
  water: optional(choiceKey({ label: 'Waterborne', example: 'no' }, ['yes', 'no'] as const), 'no' as 'yes' | 'no'),
  buildFactor: optional(numberKey({ label: 'Thickness factor', example: '1' }, 0.01, 100), 1),
  dwell: optional(numberKey({ label: 'Tape comes off clean within', example: '72' }, 0.1, 2000, 'h'), 72),
};

/** Marks of the finish named, or as typed; null where the shelf has no such finish. */
function marksFrom(values: Values<typeof keys>, shelf: Shelf): DryingMarks | null {
  if (values.finish !== undefined) {
    const finish = shelf.finishes.find(({ id }) => id === values.finish);
    return finish ? marksOf(finish) : null;
  }
  return {
    flashMin: values.flash as number,
    touchMin: values.touch as number,
    tapeSafeMin: values.tapeSafe as number,
    throughMin: values.through as number,
    wetLimitMin: values.wetLimit ?? null,
    activationKj: values.activation as number,
    waterborne: values.water === 'yes',
    fastBase: false,
    wetOnly: false,
  };
}

const showSpan = (span: Span | null): string =>
  span ? `${showMinutes(span.from)} to ${span.to === null ? 'any time' : showMinutes(span.to)}` : 'not for this film';

export const windows = question<typeof keys, PullWindows & Record<string, unknown>>({
  name: 'windows',
  title: 'When do I pull the tape?',
  about: 'Counted from the last coat, in the air of today. Three schools: while it is wet, when it is touch-dry, when it is dry.',
  keys,
  ways: [
    { label: 'A finish on the shelf', keys: ['finish'] },
    { label: 'Times of its data sheet', keys: ['flash', 'touch', 'tapeSafe', 'through', 'wetLimit', 'activation', 'water'] },
  ],
  answer: (values, shelf) => {
    const marks = marksFrom(values, shelf);
    if (!marks) return refuseAt('finish', `there is no finish "${values.finish}" on the shelf; accepts ${shelf.finishes.map(({ id }) => id).join(', ')}`);
    const air = { airC: values.air as number, rhPercent: values.rh as number, movement: values.move as AirMovement };
    return { ok: true, value: { ...pullWindows(marks, air, values.buildFactor as number, values.dwell as number) } };
  },
  words: ({ rate, wet, touch, dry, tapeSafeMin }) => ({
    headline: touch
      ? `Touch-dry: pull from ${showMinutes(touch.from)}`
      : dry
        ? `Dry: pull from ${showMinutes(dry.from)}`
        : `Wet only: pull within ${showMinutes(wet?.to ?? 0)}`,
    tone: 'good',
    rows: [
      { label: 'Wet (estimate)', value: showSpan(wet) },
      { label: 'Touch-dry (estimate)', value: showSpan(touch) },
      { label: 'Dry (estimate)', value: showSpan(dry) },
      { label: 'Takes tape after', value: tapeSafeMin === null ? 'never' : showMinutes(tapeSafeMin) },
      { label: 'Drying speed against the data sheet', value: `× ${rate.toFixed(2)}` },
    ],
  }),
});
