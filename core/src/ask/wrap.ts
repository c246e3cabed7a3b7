import { wrapLength } from '../lines';
import { showLength } from '../units';
import { lengthFromZeroKey, lengthKey, numberKey } from './key';
import { box, question } from './question';

export const wrap = question({
  name: 'wrap',
  title: 'Once round a tube',
  about: 'Length to cut for a wrap that closes with an overlap. Thick material needs more: its outside is longer.',
  keys: {
    diameter: lengthKey({ label: 'Diameter', example: '60' }),
    thickness: numberKey({ label: 'Thickness', example: '130' }, 0, 20_000, 'µm'),
    overlap: lengthFromZeroKey({ label: 'Overlap', example: '10' }),
  },
  ways: [],
  answer: ({ diameter, thickness, overlap }) => ({
    ok: true,
    value: { lengthMm: wrapLength(diameter as number, thickness as number, overlap as number), overlapMm: overlap as number },
  }),
  words: ({ lengthMm, overlapMm }) => ({
    headline: `Cut ${showLength(lengthMm)}`,
    tone: 'good',
    rows: [
      { label: 'Of it overlap', value: showLength(overlapMm) },
      { label: 'Exactly', value: `${lengthMm.toFixed(2)} mm` },
    ],
  }),
  sketch: ({ lengthMm, overlapMm }) => ({
    label: 'The strip to cut, its overlap darker',
    strokes: [
      { tone: 'fill', points: box(0, 0, lengthMm, lengthMm * 0.08) },
      ...(overlapMm > 0 ? [{ tone: 'tape' as const, points: box(lengthMm - overlapMm, 0, lengthMm, lengthMm * 0.08) }] : []),
    ],
    words: [],
  }),
});
