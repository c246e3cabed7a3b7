import { AIR_MOVEMENTS, type AirMovement } from '../air';
import { type DryingMarks, marksOf, type PullWindows, pullWindows } from '../drying';
import { finishesById, type Shelf } from '../job';
import { choiceKey, humidityKey, minutesKey, numberKey, optional, shelfKey, temperatureKey } from './key';
import { question, refuseAt, type Values } from './question';

const keys = {
  finish: shelfKey('signal-base', 'finishes'),
  air: temperatureKey('18'),
  rh: humidityKey('60'),
  move: optional(choiceKey('normal', AIR_MOVEMENTS), 'normal' as AirMovement),
  flash: minutesKey('10'),
  touch: minutesKey('15', 0.01),
  tapeSafe: minutesKey('30', 0.01),
  through: minutesKey('60', 0.01),
  wetLimit: optional(minutesKey('')),
  activation: numberKey('35', 0, 200, 'kJ/mol'),
  water: optional(choiceKey('no', ['yes', 'no'] as const), 'no' as 'yes' | 'no'),
  buildFactor: optional(numberKey('1', 0.01, 100), 1),
  dwell: optional(numberKey('72', 0.1, 2000, 'h'), 72),
};

/** Marks of the finish named, or as typed; null where the shelf has no such finish. */
function marksFrom(values: Values<typeof keys>, shelf: Shelf): DryingMarks | null {
  if (values.finish !== undefined) {
    const finish = finishesById(shelf).get(values.finish as string);
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

export const windows = question<typeof keys, PullWindows & Record<string, unknown>>({
  name: 'windows',
  keys,
  ways: [
    { name: 'shelf', keys: ['finish'] },
    { name: 'sheet', keys: ['flash', 'touch', 'tapeSafe', 'through', 'wetLimit', 'activation', 'water'] },
  ],
  answer: (values, shelf) => {
    const marks = marksFrom(values, shelf);
    if (!marks)
      return refuseAt('finish', {
        code: 'ask.no-finish',
        values: { id: values.finish as string, ids: shelf.finishes.map(({ id }) => id) },
      });
    const air = { airC: values.air as number, rhPercent: values.rh as number, movement: values.move as AirMovement };
    return { ok: true, value: { ...pullWindows(marks, air, values.buildFactor as number, values.dwell as number) } };
  },
});
