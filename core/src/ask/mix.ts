import { mixParts, sprayedMl } from '../finish';
import { numberKey, ratioKey, shareKey, wholeKey } from './key';
import { box, question, refuseAt } from './question';

interface MixAnswer extends Record<string, unknown> {
  readonly ml: number;
  readonly parts: readonly number[];
}

export const mix = question({
  name: 'mix',
  title: 'How much paint do I mix?',
  about: 'From the area and the dry film: what dries away and what misses the part is added. What stays in the cup comes on top.',
  keys: {
    area: numberKey({ label: 'Area', example: '0.8' }, 0.0001, 10_000, 'm²'),
    film: numberKey({ label: 'One coat, dry', example: '20' }, 0.1, 5000, 'µm'),
    coats: wholeKey({ label: 'Coats', example: '1' }, 1, 50),
    solids: shareKey({ label: 'Solids by volume', example: '35%' }),
    transfer: shareKey({ label: 'Lands on the part', example: '45%' }),
    ratio: ratioKey({ label: 'Mixing ratio', example: '4:1:1' }),
  },
  ways: [],
  answer: (values) => {
    const [area, film, coats, solids, transfer] = [values.area, values.film, values.coats, values.solids, values.transfer] as number[];
    if (solids === 0) return refuseAt('solids', 'must be above 0: a paint without solids leaves no film');
    if (transfer === 0) return refuseAt('transfer', 'must be above 0: none of the paint would land on the part');
    const ml = sprayedMl(area, film * coats, solids, transfer);
    return { ok: true, value: { ml, parts: mixParts(ml, values.ratio as readonly number[]) } };
  },
  words: ({ ml, parts }: MixAnswer) => ({
    headline: `${showMl(ml)} as sprayed (estimate)`,
    tone: 'good',
    rows:
      parts.length > 1
        ? parts.map((part, index) => ({
            label: index === 0 ? 'Paint' : parts.length === 2 ? 'Second part' : index === 1 ? 'Hardener or second part' : 'Thinner or third part',
            value: showMl(part),
          }))
        : [{ label: 'Paint', value: showMl(ml) }],
  }),
  sketch: ({ ml, parts }: MixAnswer) => {
    let from = 0;
    const layers = parts.map((part) => {
      const [low, high] = [from, from + (100 * part) / ml];
      from = high;
      return { low, high, part };
    });
    return {
      label: 'The cup, filled part by part',
      strokes: [
        ...layers.map(({ low, high }, index) => ({ tone: index % 2 === 0 ? ('fill' as const) : ('tape' as const), points: box(0, low, 70, high) })),
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
      words: layers.map(({ low, high, part }) => ({ at: [90, (low + high) / 2] as const, text: showMl(part) })),
    };
  },
});

const showMl = (ml: number): string => `${ml < 10 ? ml.toFixed(1) : ml.toFixed(0)} ml`;
