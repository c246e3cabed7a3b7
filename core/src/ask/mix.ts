import { mixParts, sprayedMl } from '../finish';
import { messageWithoutValues } from '../kit';
import { numberKey, ratioKey, shareKey, wholeKey } from './key';
import { question, rectangleRing, refuseAt } from './question';

interface MixAnswer extends Record<string, unknown> {
  readonly ml: number;
  readonly parts: readonly number[];
}

export const mix = question({
  name: 'mix',
  keys: {
    area: numberKey('0.8', 0.0001, 10_000, 'm²'),
    film: numberKey('20', 0.1, 5000, 'µm'),
    coats: wholeKey('1', 1, 50),
    solids: shareKey('35%'),
    transfer: shareKey('45%'),
    ratio: ratioKey('4:1:1'),
  },
  ways: [],
  answer: (values) => {
    const [area, film, coats, solids, transfer] = [
      values.area,
      values.film,
      values.coats,
      values.solids,
      values.transfer,
    ] as [number, number, number, number, number];
    if (solids === 0) return refuseAt('solids', messageWithoutValues('ask.no-solids'));
    if (transfer === 0) return refuseAt('transfer', messageWithoutValues('ask.no-transfer'));
    const ml = sprayedMl(area, film * coats, solids, transfer);
    return { ok: true, value: { ml, parts: mixParts(ml, values.ratio as readonly number[]) } };
  },
  sketch: ({ ml, parts }: MixAnswer) => {
    let from = 0;
    const layers = parts.map((part) => {
      const [low, high] = [from, from + (100 * part) / ml];
      from = high;
      return { low, high, part };
    });
    return {
      strokes: [
        ...layers.map(({ low, high }, index) => ({
          tone: index % 2 === 0 ? ('fill' as const) : ('tape' as const),
          points: rectangleRing(0, low, 70, high),
        })),
        {
          tone: 'ink',
          points: [
            [0, 110],
            [0, 0],
            [70, 0],
            [70, 110],
          ],
        },
      ],
      words: layers.map(({ low, high, part }) => ({
        at: [90, (low + high) / 2] as const,
        what: { code: 'sketch.volume', values: { ml: part } },
      })),
    };
  },
});
