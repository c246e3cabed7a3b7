import { coatsToHide } from '../finish';
import { RULE_OF_THUMB } from '../kit';
import { strengthKeys } from './hide';
import { colourKey } from './key';
import { question, rectangleRing } from './question';

interface OrderAnswer extends Record<string, unknown> {
  readonly orders: readonly {
    readonly letters: readonly string[];
    readonly colours: readonly string[];
    readonly coats: readonly number[];
    readonly all: number;
  }[];
  readonly under: string;
}

/** Coats of each of three colours when each goes over the one before it, the first over what is there. */
export const order = question({
  name: 'order',
  keys: {
    first: colourKey('#f2c230'),
    second: colourKey('#7a4a2b'),
    third: colourKey('#1c1f24'),
    under: colourKey('#ffffff'),
    ...strengthKeys('50'),
  },
  ways: [],
  answer: (values) => {
    const under = values.under as string;
    const count = (paint: string, over: string) =>
      coatsToHide(paint, over, values.hiding as number, values.coat as number, values.tolerance as number).coats ??
      RULE_OF_THUMB.mostCoats;
    const orders = ORDERS.map((places) => {
      const colours = places.map((place) => [values.first, values.second, values.third][place] as string);
      const coats = colours.map((colour, index) => count(colour, index === 0 ? under : colours[index - 1]!));
      return {
        letters: places.map((place) => 'ABC'[place]!),
        colours,
        coats,
        all: coats.reduce((sum, coat) => sum + coat, 0),
      };
    }).sort((a, b) => a.all - b.all);
    return { ok: true, value: { orders, under } };
  },
  sketch: ({ orders, under }: OrderAnswer) => {
    const shown = orders.slice(0, 3);
    const high = Math.max(...shown.map(({ all }) => all));
    return {
      strokes: shown.flatMap(({ colours, coats }, index) => {
        const left = index * 44;
        let from = 0;
        return [
          { tone: 'fill' as const, points: rectangleRing(left, -8, left + 36, 0), colour: under },
          ...colours.map((colour, place) => {
            const low = from;
            from += (60 * coats[place]!) / high;
            return { tone: 'fill' as const, points: rectangleRing(left, low, left + 36, from), colour };
          }),
        ];
      }),
      words: shown.map(({ letters, all }, index) => ({
        at: [index * 44 + 18, -14] as const,
        what: { code: 'sketch.coats', values: { letters, coats: all } },
      })),
    };
  },
});

const ORDERS = [
  [0, 1, 2],
  [0, 2, 1],
  [1, 0, 2],
  [1, 2, 0],
  [2, 0, 1],
  [2, 1, 0],
] as const;
