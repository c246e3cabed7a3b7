import { RULE_OF_THUMB, sumOf } from '../kit';
import type { OpeningMessage } from './opening';
import { MASKING_RULES } from './rules-of-thumb';

/** Sides of a mouth that are taped one by one. */
const SIDES = 4;

/**
 * Minutes to close one opening: what its tapes and film take; what is pushed or set in takes a handle each.
 * Source: rates of tape, piece, plug and cover, rules of thumb
 */
export function closingMin(closing: OpeningMessage, model: boolean): number {
  const { perPlug, drapePerSquareMetre } = RULE_OF_THUMB;
  const { perPost } = MASKING_RULES;
  if (closing.code === 'opening.sleeve' || closing.code === 'opening.bag') return perPost;
  const tapesMin = sumOf(closingTapes(closing), (tape) => closingTapeMin(tape, model));
  const filmMin = (closingFilmMm2(closing) * drapePerSquareMetre) / 1e6;
  return tapesMin + filmMin + (filmMin === 0 ? perPlug : 0);
}

/** Minutes to open it again: by the metres and pieces of its tapes and the size of its film; a plug is taken out. */
export function openingMin(closing: OpeningMessage): number {
  const tapesMin = sumOf(closingTapes(closing), closingTapeOffMin);
  const filmMin = (closingFilmMm2(closing) * RULE_OF_THUMB.uncoverPerSquareMetre) / 1e6;
  return tapesMin + filmMin + (filmMin === 0 ? RULE_OF_THUMB.perPlugOut : 0);
}

/** Film cut to close an opening; one opening, mm². */
export const closingFilmMm2 = ({ code, values }: OpeningMessage): number =>
  code === 'opening.film' || code === 'opening.box' ? values.widthMm * values.heightMm : 0;

/** What a tape at an opening does: it lies just inside the edge, lifts the film off it, or goes over the edge of what closes it. */
export type ClosingUse = 'base' | 'lip' | 'cap';

/** A tape that closes an opening, off the roll, all its pieces; one opening. */
export interface ClosingTape {
  readonly use: ClosingUse;
  readonly lengthMm: number;
  readonly pieces: number;
}

/** The tapes that close an opening, in the order they are laid; none where something else closes it. */
export function closingTapes(closing: OpeningMessage): ClosingTape[] {
  switch (closing.code) {
    case 'opening.box': {
      const { baseMm, sideMm, topMm, capMm } = closing.values;
      return [
        { use: 'base', lengthMm: baseMm, pieces: SIDES },
        { use: 'lip', lengthMm: 2 * (sideMm + topMm), pieces: SIDES },
        { use: 'cap', lengthMm: capMm, pieces: SIDES },
      ];
    }
    case 'opening.film': {
      const lengthMm = closing.values.tapeMm / 2;
      // Round sharp corners a piece for every side.
      const pieces = (closing.values.cornerMm ?? 0) > 0 ? 1 : SIDES;
      return [
        { use: 'base', lengthMm, pieces },
        { use: 'cap', lengthMm, pieces },
      ];
    }
    case 'opening.back-mask':
      return [{ use: 'base', lengthMm: closing.values.tapeMm, pieces: 1 }];
    case 'opening.sheet':
      return closing.values.tapeMm > 0 ? [{ use: 'cap', lengthMm: closing.values.tapeMm, pieces: 1 }] : [];
    case 'opening.pane':
    case 'opening.tape': {
      const { widthMm, heightMm, strips } = closing.values;
      // A pane of an older plan names no tape.
      return strips === undefined
        ? []
        : [{ use: 'base', lengthMm: strips * Math.max(widthMm, heightMm), pieces: strips }];
    }
    case 'opening.inside':
      return [{ use: 'base', lengthMm: closing.values.tapeMm, pieces: closing.values.strips || SIDES }];
    case 'opening.sleeve':
      return [{ use: 'base', lengthMm: closing.values.pieces * closing.values.pieceMm, pieces: closing.values.pieces }];
    default:
      return [];
  }
}

/** Minutes a tape of an opening takes, and what pulling it takes; one opening. */
export const closingTapeMin = ({ lengthMm, pieces }: ClosingTape, model: boolean): number =>
  (lengthMm / 1000) * RULE_OF_THUMB.layPerMetre.straight.crisp +
  pieces * (model ? RULE_OF_THUMB.perPiece.model : RULE_OF_THUMB.perPiece.full);
export const closingTapeOffMin = ({ lengthMm, pieces }: ClosingTape): number =>
  (lengthMm / 1000) * RULE_OF_THUMB.pullPerMetre + pieces * RULE_OF_THUMB.pullPerPiece;

/** What foam strip is called among materials. */
export const FOAM = 'foam';
/** What paper that is laid into a gap is called among materials. */
export const PAPER = 'paper';

/** What closes an opening is made of. */
export const CLOSING_MATERIALS: Readonly<
  Record<OpeningMessage['code'], 'foam' | 'film' | 'tape' | 'card' | 'putty' | 'bag'>
> = {
  'opening.foam': 'foam',
  'opening.foam-strip': 'foam',
  'opening.disc': 'film',
  'opening.pane': 'tape',
  'opening.film': 'film',
  'opening.back-mask': 'tape',
  'opening.box': 'film',
  'opening.sheet': 'card',
  'opening.putty': 'putty',
  'opening.sleeve': 'tape',
  'opening.tape': 'tape',
  'opening.inside': 'tape',
  'opening.bag': 'bag',
};
