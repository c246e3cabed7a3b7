import { PAINT_SYSTEM_KEYS, PAINT_SYSTEMS, type PaintSystemKey } from '../finish';
import { mayGoOver, typicalMarks, type OverAnswer } from '../over';
import { showMinutes } from '../units';
import { choiceKey, minutesKey, numberKey, optional } from './key';
import { box, question } from './question';

/** Air a data sheet is written for: 23 °C, 50 % RH. */
const REFERENCE_AIR = { airC: 23, rhPercent: 50, movement: 'normal' } as const;

/** Two hundred years are older than any finish. */
const MOST_AGE = 105_000_000;

const LABELS = PAINT_SYSTEM_KEYS.map((key) => PAINT_SYSTEMS[key].label);

interface OverGiven extends Record<string, unknown> {
  readonly lower: PaintSystemKey;
  readonly upper: PaintSystemKey;
  readonly answer: OverAnswer;
  readonly reason: string;
  readonly untilMinutes?: number;
  readonly ageMinutes: number;
  readonly windows: readonly { readonly from: number; readonly to: number | null }[];
}

const HEADLINES: Record<OverAnswer, string> = {
  yes: 'Yes, it may go on',
  wait: 'Wait',
  abrade: 'Abrade first',
  barrier: 'Barrier coat first',
  no: 'No, not over that',
};

export const over = question({
  name: 'over',
  title: 'May this go over that, now?',
  about: 'By the two kinds of paint and the age of the lower one, at 23 °C and 50 % humidity. The data sheets have the last word.',
  keys: {
    lower: choiceKey({ label: 'Below', example: 'can-enamel' }, PAINT_SYSTEM_KEYS, LABELS),
    upper: choiceKey({ label: 'Goes on', example: 'can-lacquer' }, PAINT_SYSTEM_KEYS, LABELS),
    ageMinutes: minutesKey({ label: 'Age of the lower one', example: '180' }, 0, MOST_AGE),
    build: optional(numberKey({ label: 'Film of the lower one, dry', example: '30' }, 0.1, 5000, 'µm')),
  },
  ways: [],
  answer: (values) => {
    const [lower, upper, ageMinutes] = [values.lower as PaintSystemKey, values.upper as PaintSystemKey, values.ageMinutes as number];
    const marks = typicalMarks(lower, REFERENCE_AIR, values.build);
    const { answer, reason, untilMin } = mayGoOver({ marks, ageMin: ageMinutes, known: lower !== upper || lower !== 'antifouling' }, upper);
    const windows = marks.recoat.map(({ fromMin, toMin }) => ({ from: fromMin, to: toMin }));
    return { ok: true, value: { lower, upper, answer, reason, ...(untilMin === null ? {} : { untilMinutes: untilMin }), ageMinutes, windows } };
  },
  words: ({ answer, reason, untilMinutes, windows, ageMinutes }: OverGiven) => ({
    headline: answer === 'wait' && untilMinutes !== undefined ? `Wait ${showMinutes(untilMinutes - ageMinutes)} more` : HEADLINES[answer],
    tone: answer === 'yes' ? 'good' : answer === 'no' ? 'bad' : 'caution',
    rows: [
      { label: 'Because', value: reason },
      ...(untilMinutes === undefined ? [] : [{ label: 'Asked again when the lower one is', value: `${showMinutes(untilMinutes)} old` }]),
      ...windows.map(({ from, to }, index) => ({
        label: index === 0 ? 'May be coated as it is' : 'and again',
        value: `${showMinutes(from)} to ${to === null ? 'any age' : showMinutes(to)}`,
      })),
    ],
  }),
  sketch: ({ lower, upper, answer }: OverGiven) => ({
    label: `${PAINT_SYSTEMS[upper].label} over ${PAINT_SYSTEMS[lower].label}`,
    strokes: [
      { tone: 'quiet', points: box(0, -8, 100, 0) },
      { tone: 'fill', points: box(0, 0, 100, 14) },
      ...(answer === 'barrier' ? [{ tone: 'ink' as const, points: box(0, 14, 100, 18) }] : []),
      { tone: 'tape', points: answer === 'no' ? box(0, 24, 100, 36) : box(0, answer === 'barrier' ? 18 : 14, 100, answer === 'barrier' ? 30 : 26) },
      ...(answer === 'abrade'
        ? [{ tone: 'ink' as const, points: Array.from({ length: 41 }, (_, index): [number, number] => [index * 2.5, index % 2 === 0 ? 14 : 12.5]) }]
        : []),
    ],
    words: [
      { at: [50, 7], text: PAINT_SYSTEMS[lower].label },
      { at: [50, answer === 'no' ? 30 : answer === 'barrier' ? 24 : 20], text: PAINT_SYSTEMS[upper].label },
    ],
  }),
});
