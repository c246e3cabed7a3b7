import * as v from 'valibot';
import { colourText, idText, listOf, nameText, noteText, numberBetween, oneOfWords, wholeBetween } from '../kit';

/** What a card was made for: whether a paint hides, or how a candy or pearl deepens coat by coat. */
const CARD_KINDS = ['hiding', 'let-down'] as const;

/** A test card: what was sprayed over which ground, and the colour measured after each number of coats. */
export const cardSchema = v.strictObject({
  id: idText(),
  kind: oneOfWords(CARD_KINDS),
  name: nameText(),
  /** Colour it was sprayed over. */
  ground: colourText(),
  steps: listOf(v.strictObject({ coats: wholeBetween(1, 20), colour: colourText() }), 'measured-steps', 20, 1),
  airC: v.nullable(numberBetween(-20, 60, '°C')),
  rhPercent: v.nullable(numberBetween(0, 100, '%')),
  gun: noteText(),
  note: noteText(),
});
export type Card = v.InferOutput<typeof cardSchema>;
