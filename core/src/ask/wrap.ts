import { wrapLength } from '../lines';
import { lengthFromZeroKey, lengthKey, numberKey } from './key';
import { question, rectangleRing } from './question';

export const wrap = question({
  name: 'wrap',
  keys: {
    diameter: lengthKey('60'),
    thickness: numberKey('130', 0, 20_000, 'µm'),
    overlap: lengthFromZeroKey('10'),
  },
  ways: [],
  answer: ({ diameter, thickness, overlap }) => ({
    ok: true,
    value: {
      lengthMm: wrapLength(diameter as number, thickness as number, overlap as number),
      overlapMm: overlap as number,
    },
  }),
  sketch: ({ lengthMm, overlapMm }) => ({
    strokes: [
      { tone: 'fill', points: rectangleRing(0, 0, lengthMm, lengthMm * 0.08) },
      ...(overlapMm > 0
        ? [{ tone: 'tape' as const, points: rectangleRing(lengthMm - overlapMm, 0, lengthMm, lengthMm * 0.08) }]
        : []),
    ],
    words: [],
  }),
});
