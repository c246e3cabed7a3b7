import type { Place } from '../curves';
import { levelLineOnTube, type LevelPoint } from '../lines';
import { lengthKey, numberKey, signedLengthKey } from './key';
import { question, rectangleRing, refuseAt } from './question';

/** A table longer than this is no table. */
const MOST_ROWS = 2000;

export const level = question({
  name: 'level',
  keys: {
    diameter: lengthKey('320'),
    height: signedLengthKey('60'),
    pitch: numberKey('4', -89, 89, '°'),
    length: lengthKey('1600'),
    step: lengthKey('200'),
  },
  ways: [],
  answer: ({ diameter, height, pitch, length, step }) => {
    const [d, h, p, l, s] = [diameter, height, pitch, length, step] as [number, number, number, number, number];
    if (l / s > MOST_ROWS) return refuseAt('step', { code: 'ask.too-many-rows', values: { most: MOST_ROWS } });
    const table = levelLineOnTube({ diameterMm: d, heightMm: h, pitchDeg: p, lengthMm: l, stepMm: s });
    return { ok: true, value: { table, diameterMm: d, lengthMm: l } };
  },
  sketch: ({ table, diameterMm, lengthMm }) => {
    const half = (Math.PI * diameterMm) / 2;
    const on = table.filter((row): row is LevelPoint & { girthFromTopMm: number } => row.girthFromTopMm !== null);
    const side = (sign: number) => on.map(({ x, girthFromTopMm }): Place => [x, sign * girthFromTopMm]);
    return {
      strokes: [
        { tone: 'fill', points: rectangleRing(0, -half, lengthMm, half) },
        {
          tone: 'quiet',
          points: [
            [0, 0],
            [lengthMm, 0],
          ],
        },
        ...(on.length > 1 ? ([-1, 1] as const).map((sign) => ({ tone: 'ink' as const, points: side(sign) })) : []),
        ...on.flatMap(({ x, girthFromTopMm }) => [{ tone: 'mark' as const, points: [[x, girthFromTopMm] as const] }]),
      ],
      words: [],
    };
  },
});
