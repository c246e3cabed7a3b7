import { REFERENCE_AIR } from '../air';
import { maxDwellMin } from '../drying';
import { PAINT_SYSTEM_KEYS, type PaintSystemKey } from '../finish';
import { bisect } from '../kit';
import { deTackFor, filmBond, type Hold, holdOnFilm, tapeGrip } from '../masking';
import { typicalAgeMarks } from '../over';
import { ageKey, choiceKey, minutesKey, optional, shelfKey } from './key';
import { noTape, question } from './question';

export const hold = question({
  name: 'hold',
  keys: {
    tape: shelfKey('V6', 'tapes'),
    paint: choiceKey('can-enamel', PAINT_SYSTEM_KEYS),
    ageMinutes: ageKey('1440'),
    stays: optional(minutesKey('300'), 300),
  },
  ways: [],
  answer: ({ tape: code, paint, ageMinutes, stays }, shelf) => {
    const tape = shelf.tapes.find((other) => other.code === code);
    if (!tape) return noTape(code as string, shelf);
    const [system, age, staysMin] = [paint as PaintSystemKey, ageMinutes as number, stays as number];
    const share = staysMin / maxDwellMin(tape.cleanHours, REFERENCE_AIR.airC);
    // What counts is the film when the tape comes off.
    const bondAt = (ageMin: number) =>
      filmBond({ system, finish: null, ageMin: ageMin + staysMin, onBarePlastic: false }, REFERENCE_AIR);
    const level = (ageMin: number): Hold => holdOnFilm(bondAt(ageMin), tapeGrip(tape, share));
    const marks = typicalAgeMarks(system, REFERENCE_AIR);
    const full = Math.max(marks.throughMin, marks.cureMin ?? 0);
    const safeFromMin =
      level(0) === 'safe'
        ? 0
        : level(full) === 'safe'
          ? bisect(0, full, 60, (ageMin) => level(ageMin) !== 'safe')
          : null;
    return {
      ok: true,
      value: {
        tape: tape.code,
        paint: system,
        hold: level(age),
        deTack: deTackFor(bondAt(age), tape, share),
        safeFromMin,
        outstays: share > 1,
        staysMin,
      },
    };
  },
});
