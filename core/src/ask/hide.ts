import { coatSteps, coatsToHide } from '../finish';
import { RULE_OF_THUMB } from '../kit';
import { colourKey, numberKey, optional } from './key';
import { question, rectangleRing } from './question';

interface HideAnswer extends Record<string, unknown> {
  readonly coats: number | null;
  readonly deltaE: number;
  readonly scatterPerUm: number;
  readonly paint: string;
  readonly under: string;
  readonly ladder: readonly { readonly coats: number; readonly colour: string; readonly deltaE: number }[];
  readonly coatUm: number;
}

/** Hiding strength of a paint: its hiding film, the film of one coat, and the tolerance. */
export const strengthKeys = (hiding: string) => ({
  hiding: numberKey(hiding, 0.1, 5000, 'µm'),
  coat: numberKey('15', 0.1, 1000, 'µm'),
  tolerance: optional(numberKey('2', 0.1, 20, 'ΔE'), RULE_OF_THUMB.hidingTolerance),
});

export const hide = question({
  name: 'hide',
  keys: {
    paint: colourKey('#f2c230'),
    under: colourKey('#7a4a2b'),
    ...strengthKeys('60'),
  },
  ways: [],
  answer: (values) => {
    const [paint, under, hiding, coat] = [
      values.paint as string,
      values.under as string,
      values.hiding as number,
      values.coat as number,
    ];
    const coatsNeeded = coatsToHide(paint, under, hiding, coat, values.tolerance as number);
    const most = Math.min(coatsNeeded.coats ?? RULE_OF_THUMB.mostCoats, RULE_OF_THUMB.mostCoats);
    const ladder = coatSteps({ colour: paint, hidingUm: hiding, coatUm: coat }, under, most).map(
      ({ coats, colour, deltaE }) => ({ coats, colour, deltaE }),
    );
    return { ok: true, value: { ...coatsNeeded, paint, under, ladder, coatUm: coat } };
  },
  sketch: ({ ladder, under }: HideAnswer) => {
    const shown = ladder.slice(0, 8);
    const step = 60 / shown.length;
    return {
      strokes: [
        { tone: 'fill', points: rectangleRing(0, -20, 14 * shown.length, 0), colour: under },
        ...shown.map(({ coats, colour }, index) => ({
          tone: 'fill' as const,
          points: rectangleRing(14 * index, 0, 14 * (index + 1), coats * step),
          colour,
        })),
      ],
      words: shown.map(({ coats }, index) => ({
        at: [14 * index + 7, -28] as const,
        what: { code: 'sketch.number', values: { number: coats } },
      })),
    };
  },
});
