import { messageWithoutValues } from '../kit';
import { coneSheet, skinOf } from '../surface';
import { lengthFromZeroKey, lengthKey } from './key';
import { closedLoop, question, rectangleRing, refuseAt } from './question';

export const cone = question({
  name: 'cone',
  keys: {
    d1: lengthFromZeroKey('40'),
    d2: lengthFromZeroKey('90'),
    length: lengthKey('120'),
  },
  ways: [],
  answer: ({ d1, d2, length }) => {
    if (d1 === 0 && d2 === 0) return refuseAt('d2', messageWithoutValues('ask.no-diameter'));
    const sheet = coneSheet(d1 as number, d2 as number, length as number);
    return {
      ok: true,
      value: {
        ...sheet,
        sinHalfAngle: Math.abs(sheet.sinHalfAngle),
        d1: d1 as number,
        d2: d2 as number,
        lengthMm: length as number,
      },
    };
  },
  sketch: ({ d1, d2, lengthMm }) => {
    if (d1 === d2)
      return { strokes: [{ tone: 'fill', points: rectangleRing(0, 0, lengthMm, Math.PI * d1) }], words: [] };
    const { ring } = skinOf({ kind: 'cone', d1, d2, length: lengthMm });
    return { strokes: [{ tone: 'fill', points: closedLoop(ring) }], words: [] };
  },
});
