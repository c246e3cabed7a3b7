import { type BatchCycleStep, batches } from '../batch';
import { messageWithoutValues } from '../kit';
import { minutesKey, wholeKey } from './key';
import { question, rectangleRing, refuseAt } from './question';

interface BatchAnswer extends Record<string, unknown> {
  readonly feasible: boolean;
  readonly paintAhead: number;
  /** Null where it cannot be done. */
  readonly totalMinutes: number | null;
  readonly rhythm: readonly BatchCycleStep[];
  readonly paint: number;
  readonly pull: number;
}

/** Maximum number of strips. */
const MOST_STRIPS = 200;

/** How many strips can be painted before the first is pulled. */
export const batch = question({
  name: 'batch',
  keys: {
    paint: minutesKey('6'),
    pull: minutesKey('2'),
    from: minutesKey('10'),
    to: minutesKey('25', 0.01),
    strips: wholeKey('8', 1, MOST_STRIPS),
  },
  ways: [],
  answer: (values) => {
    const [paint, pull, from, to, strips] = [
      values.paint,
      values.pull,
      values.from,
      values.to,
      values.strips,
    ] as number[];
    if (to! < from!) return refuseAt('to', messageWithoutValues('ask.must-be-above'));
    const plan = batches({ paintMin: paint!, pullMin: pull!, fromMin: from!, toMin: to!, strips: strips! });
    const given = { paint: paint!, pull: pull!, from: from!, to: to! };
    if (!plan.feasible) {
      const reason = {
        code: 'batch.pull-too-long',
        values: { longestPullMin: plan.longestPullMin, leastToMin: plan.leastToMin },
      } as const;
      return { ok: true, value: { ...plan, reason, paintAhead: 0, totalMinutes: null, rhythm: [], ...given } };
    }
    return { ok: true, value: { ...plan, ...given } };
  },
  sketch: ({ rhythm, paint, pull }: BatchAnswer) => {
    const end = Math.max(
      1,
      ...rhythm.map(({ turn, strips, startMin }) => startMin + strips * (turn === 'paint' ? paint : pull)),
    );
    const percentOf = (min: number) => (min / end) * 100;
    return {
      strokes: rhythm.flatMap(({ turn, strips, startMin }) => {
        const each = turn === 'paint' ? paint : pull;
        const row = turn === 'paint' ? 16 : 0;
        return Array.from({ length: strips }, (_, index) => ({
          tone: turn === 'paint' ? ('fill' as const) : ('tape' as const),
          points: rectangleRing(
            percentOf(startMin + index * each),
            row,
            percentOf(startMin + (index + 1) * each),
            row + 12,
          ),
        }));
      }),
      words: rhythm.slice(0, 6).map(({ turn, strips, startMin }) => ({
        at: [
          percentOf(startMin + (strips * (turn === 'paint' ? paint : pull)) / 2),
          turn === 'paint' ? 33 : -5,
        ] as const,
        what: { code: 'sketch.number', values: { number: strips } } as const,
      })),
    };
  },
});
