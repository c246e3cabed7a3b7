import { coatsToHide } from '../finish';
import { RULE_OF_THUMB } from '../units';
import { strengthKeys } from './hide';
import { colourKey } from './key';
import { box, question } from './question';

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
  title: 'Which order for these three colours?',
  about: 'Each is sprayed wider than it will stay and goes over the one before it; the order with the fewest coats is told first.',
  keys: {
    first: colourKey({ label: 'Colour A', example: '#f2c230' }),
    second: colourKey({ label: 'Colour B', example: '#7a4a2b' }),
    third: colourKey({ label: 'Colour C', example: '#1c1f24' }),
    under: colourKey({ label: 'What is there now', example: '#ffffff' }),
    ...strengthKeys('50'),
  },
  ways: [],
  answer: (values) => {
    const under = values.under as string;
    const count = (paint: string, over: string) =>
      coatsToHide(paint, over, values.hiding as number, values.coat as number, values.tolerance as number).coats ?? RULE_OF_THUMB.mostCoats;
    const orders = ORDERS.map((places) => {
      const colours = places.map((place) => [values.first, values.second, values.third][place] as string);
      const coats = colours.map((colour, index) => count(colour, index === 0 ? under : colours[index - 1]));
      return { letters: places.map((place) => 'ABC'[place]), colours, coats, all: coats.reduce((sum, one) => sum + one, 0) };
    }).sort((a, b) => a.all - b.all);
    return { ok: true, value: { orders, under } };
  },
  words: ({ orders }: OrderAnswer) => ({
    headline: `${orders[0].letters.join(', then ')}: ${orders[0].all} coats`,
    tone: orders[0].all < orders[orders.length - 1].all ? 'good' : 'caution',
    rows: orders.map(({ letters, coats, all }, index) => ({ label: `${index + 1}. ${letters.join(', then ')}`, value: `${coats.join(' + ')} = ${all} coats` })),
  }),
  sketch: ({ orders, under }: OrderAnswer) => {
    const shown = orders.slice(0, 3);
    const high = Math.max(...shown.map(({ all }) => all));
    return {
      label: 'The three best orders as layers, each from the ground up',
      strokes: shown.flatMap(({ colours, coats }, index) => {
        const left = index * 44;
        let from = 0;
        return [
          { tone: 'fill' as const, points: box(left, -8, left + 36, 0), colour: under },
          ...colours.map((colour, place) => {
            const low = from;
            from += (60 * coats[place]) / high;
            return { tone: 'fill' as const, points: box(left, low, left + 36, from), colour };
          }),
        ];
      }),
      words: shown.map(({ letters, all }, index) => ({ at: [index * 44 + 18, -14] as const, text: `${letters.join(' ')}: ${all} coats` })),
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
