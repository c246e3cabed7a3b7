import { type BandUnknown, solveBands } from '../lines';
import { lengthFromZeroKey, lengthKey, UNKNOWN_VALUE, valueOrUnknown, wholeKey } from './key';
import { question, rectangleRing, refuseAt } from './question';

const NAMES: readonly BandUnknown[] = ['length', 'count', 'width', 'gap', 'margin'];

export const bands = question({
  name: 'bands',
  keys: {
    length: valueOrUnknown(lengthKey('1200')),
    count: valueOrUnknown(wholeKey('5', 1, 1000)),
    width: valueOrUnknown(lengthKey('120')),
    gap: valueOrUnknown(lengthFromZeroKey('?')),
    margin: valueOrUnknown(lengthFromZeroKey('60')),
  },
  ways: [],
  answer: (values) => {
    const unknown = NAMES.filter((name) => values[name] === UNKNOWN_VALUE);
    if (unknown.length !== 1)
      return refuseAt(unknown[1] ?? 'gap', {
        code: 'ask.one-unknown',
        values: { names: NAMES, found: unknown.length },
      });
    const number = (name: BandUnknown) => (values[name] === UNKNOWN_VALUE ? 0 : (values[name] as number));
    const known = {
      lengthMm: number('length'),
      count: number('count'),
      widthMm: number('width'),
      gapMm: number('gap'),
      marginMm: number('margin'),
    };
    const solved = solveBands(known, unknown[0]!);
    if (solved.ok) return { ok: true, value: { ...solved.value } };
    const nearest = solved.nearest.map(({ lengthMm: _, ...values }) => ({ code: 'ask.bands-of', values }));
    return refuseAt(unknown[0]!, { code: 'ask.bands', values: { why: solved.why, nearest } });
  },
  sketch: ({ lengthMm, count, widthMm, gapMm, marginMm }) => {
    const high = lengthMm * 0.22;
    return {
      strokes: [
        ...Array.from({ length: Math.min(count, 200) }, (_, index) => {
          const from = marginMm + index * (widthMm + gapMm);
          return { tone: 'tape' as const, points: rectangleRing(from, 0, from + widthMm, high) };
        }),
        { tone: 'ink', points: rectangleRing(0, 0, lengthMm, high) },
      ],
      words: [],
    };
  },
});
