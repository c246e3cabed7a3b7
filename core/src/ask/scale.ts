import { compareText, messageWithoutValues, readFailed, readOk } from '../kit';
import { lengthKey, lengthsKey, typedKey } from './key';
import { question, rectangleRing } from './question';

/** Total width of a set of tapes against the width wanted. */
interface TapeSum extends Record<string, unknown> {
  readonly tapes: readonly number[];
  readonly sumMm: number;
  readonly errorMm: number;
  readonly errorShare: number;
}

/** As many choices as a person compares. */
const MOST_CHOICES = 12;

/** Single tapes and sums of two, nearest first; one tape before two. */
function tapeSums(wanted: number, widths: readonly number[]): TapeSum[] {
  const distinct = [...new Set(widths)].sort((a, b) => a - b);
  const sets = [
    ...distinct.map((width) => [width]),
    ...distinct.flatMap((a, index) => distinct.slice(index).map((b) => [a, b])),
  ];
  const choices = sets.map((tapes) => {
    const sumMm = tapes.reduce((sum, width) => sum + width, 0);
    return { tapes, sumMm, errorMm: sumMm - wanted, errorShare: (sumMm - wanted) / wanted };
  });
  return choices
    .sort(
      (a, b) =>
        Math.abs(a.errorMm) - Math.abs(b.errorMm) ||
        a.tapes.length - b.tapes.length ||
        compareText(a.tapes.join(' '), b.tapes.join(' ')),
    )
    .slice(0, MOST_CHOICES);
}

export const scale = question({
  name: 'scale',
  keys: {
    real: lengthKey('300'),
    scale: typedKey('72', messageWithoutValues('accepts.scale'), (text) => {
      const match = /^(?:1\s*[:/]\s*)?(\d+(?:\.\d+)?)$/.exec(text.trim());
      const value = match ? Number(match[1]) : 0;
      return value >= 1 && value <= 10_000
        ? readOk(value)
        : readFailed({ code: 'ask.not-scale', values: { text: text.trim() } });
    }),
    tapes: lengthsKey('1, 2, 3, 5, 6'),
  },
  ways: [],
  answer: ({ real, scale: of, tapes }) => {
    const modelMm = (real as number) / (of as number);
    return { ok: true, value: { modelMm, choices: tapeSums(modelMm, tapes as readonly number[]) } };
  },
  sketch: ({ modelMm, choices }) => {
    const high = modelMm * 0.35;
    const bars = choices.slice(0, 3).map(({ tapes }, row) => {
      let left = 0;
      return tapes.map((width) => {
        const points = rectangleRing(left, -(row + 1) * high * 1.4, left + width, -(row + 1) * high * 1.4 + high);
        left += width;
        return { tone: 'tape' as const, points };
      });
    });
    return {
      strokes: [{ tone: 'ink', points: rectangleRing(0, 0, modelMm, high) }, ...bars.flat()],
      words: [],
    };
  },
});
