import { REFERENCE_AIR } from '../air';
import type { Place } from '../curves';
import { PAINT_SYSTEM_KEYS, type PaintSystemKey } from '../finish';
import { type CompatibilityAnswer, type CompatibilityMessage, compatibilityOf, typicalAgeMarks } from '../over';
import { ageKey, choiceKey, numberKey, optional } from './key';
import { question, rectangleRing } from './question';

interface OverGiven extends Record<string, unknown> {
  readonly lower: PaintSystemKey;
  readonly upper: PaintSystemKey;
  readonly answer: CompatibilityAnswer;
  readonly reason: CompatibilityMessage;
  readonly untilMinutes?: number;
  readonly ageMinutes: number;
  readonly windows: readonly { readonly from: number; readonly to: number | null }[];
}

export const over = question({
  name: 'over',
  keys: {
    lower: choiceKey('can-enamel', PAINT_SYSTEM_KEYS),
    upper: choiceKey('can-lacquer', PAINT_SYSTEM_KEYS),
    ageMinutes: ageKey('180'),
    build: optional(numberKey('30', 0.1, 5000, 'µm')),
  },
  ways: [],
  answer: (values) => {
    const [lower, upper, ageMinutes] = [
      values.lower as PaintSystemKey,
      values.upper as PaintSystemKey,
      values.ageMinutes as number,
    ];
    const marks = typicalAgeMarks(lower, REFERENCE_AIR, values.build);
    const { answer, reason, untilMin } = compatibilityOf(
      { marks, ageMin: ageMinutes, known: lower !== upper || lower !== 'antifouling' },
      upper,
    );
    const windows = marks.recoat.map(({ fromMin, toMin }) => ({ from: fromMin, to: toMin }));
    return {
      ok: true,
      value: {
        lower,
        upper,
        answer,
        reason,
        ...(untilMin === null ? {} : { untilMinutes: untilMin }),
        ageMinutes,
        windows,
      },
    };
  },
  sketch: ({ lower, upper, answer }: OverGiven) => ({
    strokes: [
      { tone: 'quiet', points: rectangleRing(0, -8, 100, 0) },
      { tone: 'fill', points: rectangleRing(0, 0, 100, 14) },
      ...(answer === 'barrier' ? [{ tone: 'ink' as const, points: rectangleRing(0, 14, 100, 18) }] : []),
      {
        tone: 'tape',
        points:
          answer === 'no'
            ? rectangleRing(0, 24, 100, 36)
            : rectangleRing(0, answer === 'barrier' ? 18 : 14, 100, answer === 'barrier' ? 30 : 26),
      },
      ...(answer === 'abrade'
        ? [
            {
              tone: 'ink' as const,
              points: Array.from({ length: 41 }, (_, index): Place => [index * 2.5, index % 2 === 0 ? 14 : 12.5]),
            },
          ]
        : []),
    ],
    words: [
      { at: [50, 7], what: { code: 'sketch.system', values: { system: lower } } },
      {
        at: [50, answer === 'no' ? 30 : answer === 'barrier' ? 24 : 20],
        what: { code: 'sketch.system', values: { system: upper } },
      },
    ],
  }),
});
