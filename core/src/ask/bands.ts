import { solveBands, type BandSpacing, type BandUnknown } from '../lines';
import { showLength } from '../units';
import { lengthFromZeroKey, lengthKey, UNKNOWN, unknownOr, wholeKey } from './key';
import { box, question, refuseAt } from './question';

const NAMES: readonly BandUnknown[] = ['length', 'count', 'width', 'gap', 'margin'];

const inWords = ({ count, widthMm, gapMm, marginMm }: BandSpacing): string =>
  `${count} of ${showLength(widthMm)} with gaps of ${showLength(gapMm)} and margins of ${showLength(marginMm)}`;

export const bands = question({
  name: 'bands',
  title: 'Space these bands evenly',
  about: 'Four of the five are known; write ? for the one to be found. Length = two margins, the bands, and the gaps between them.',
  keys: {
    length: unknownOr(lengthKey({ label: 'Whole length', example: '1200' })),
    count: unknownOr(wholeKey({ label: 'How many bands', example: '5' }, 1, 1000)),
    width: unknownOr(lengthKey({ label: 'Width of a band', example: '120' })),
    gap: unknownOr(lengthFromZeroKey({ label: 'Gap', example: '?' })),
    margin: unknownOr(lengthFromZeroKey({ label: 'Margin at each end', example: '60' })),
  },
  ways: [],
  answer: (values) => {
    const unknown = NAMES.filter((name) => values[name] === UNKNOWN);
    if (unknown.length !== 1) return refuseAt(unknown[1] ?? 'gap', `exactly one of ${NAMES.join(', ')} must be ?; ${unknown.length} are`);
    const number = (name: BandUnknown) => (values[name] === UNKNOWN ? 0 : (values[name] as number));
    const known = { lengthMm: number('length'), count: number('count'), widthMm: number('width'), gapMm: number('gap'), marginMm: number('margin') };
    const solved = solveBands(known, unknown[0]);
    if (solved.ok) return { ok: true, value: { ...solved.value } };
    const nearest = solved.nearest.length > 0 ? `; the nearest: ${solved.nearest.map(inWords).join('; ')}` : '';
    return refuseAt(unknown[0], `${solved.message}${nearest}`);
  },
  words: (answer) => ({
    headline: inWords(answer),
    tone: 'good',
    rows: [
      { label: 'Whole length', value: showLength(answer.lengthMm) },
      { label: 'Width', value: showLength(answer.widthMm) },
      { label: 'Gap', value: showLength(answer.gapMm) },
      { label: 'Margin', value: showLength(answer.marginMm) },
    ],
  }),
  sketch: ({ lengthMm, count, widthMm, gapMm, marginMm }) => {
    const high = lengthMm * 0.22;
    return {
      label: `${count} bands over ${showLength(lengthMm)}`,
      strokes: [
        ...Array.from({ length: Math.min(count, 200) }, (_, index) => {
          const from = marginMm + index * (widthMm + gapMm);
          return { tone: 'tape' as const, points: box(from, 0, from + widthMm, high) };
        }),
        { tone: 'ink', points: box(0, 0, lengthMm, high) },
      ],
      words: [],
    };
  },
});
