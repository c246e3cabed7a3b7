import type { ClosingFaultMessages, OpeningMessage, OpeningMessages } from '@lintrel/core';
import { listText, type WordsOf } from '../table';

const openingText = ({
  opening,
  parts,
  count,
}: {
  readonly opening: string;
  readonly parts: readonly string[];
  readonly count: number;
}): string => `${opening}${parts.length === 0 ? '' : `, ${listText(parts)}`}${count > 1 ? `; ${count}, for each` : ''}`;

/** How an opening is closed. */
export const OPENING_WORDS: WordsOf<OpeningMessages> = {
  'opening.foam': (values, { length }) =>
    `${openingText(values)}: ${length(values.lengthMm)} of foam strip ${length(values.foamMm)}, rolled with the sticky side out, pushed in.`,
  'opening.foam-strip': (values, { length }) =>
    `${openingText(values)}: ${length(values.lengthMm)} of foam strip ${length(values.foamMm)}, laid in without stretching it.`,
  'opening.disc': (values, { length }) =>
    `${openingText(values)}: a disc of ${length(values.discMm)} across, cut with a circle cutter, ${values.into ? 'set into the recess' : values.flush ? 'as large as the opening' : 'over the rim'}; press its edge.`,
  'opening.pane': (values, { length }) =>
    `${openingText(values)}: tape over all ${length(values.widthMm)} × ${length(values.heightMm)} of it${(values.strips ?? 1) > 1 ? `, ${values.strips} strips side by side` : ''}; rub its rim, peel the tape off, cut it along the mark on a mat, put it back and press${values.sealed ? '; seal its edge with liquid mask, wipe off what is outside' : ''}.`,
  'opening.tape': (values, { length }) =>
    `${openingText(values)}: ${
      values.strips === 1
        ? `one tape, cut to ${length(values.widthMm)} × ${length(values.heightMm)}`
        : `${values.strips} strips of tape side by side, trimmed to ${length(values.widthMm)} × ${length(values.heightMm)}`
    }, no further than its edge.`,
  'opening.inside': (values, { length, metres }) =>
    `${openingText(values)}: from behind, ${
      values.strips > 0
        ? `${values.strips === 1 ? 'tape' : `${values.strips} strips of tape`} over ${length(values.widthMm)} × ${length(values.heightMm)}`
        : `a sheet of ${length(values.widthMm)} × ${length(values.heightMm)}, taped round with ${metres(values.tapeMm)}`
    }.`,
  'opening.film': (values, { length, metres }) =>
    `${openingText(values)}: tape just inside its edge, film ${length(values.widthMm)} × ${length(values.heightMm)} ${
      values.edgeMm === undefined ? 'onto it' : 'that ends on it'
    }, a second tape over the edge of the film${values.edgeMm === undefined ? '' : ', clear of the face that is painted'}; ${metres(values.tapeMm)} of tape for both.`,
  'opening.box': (values, { length, metres }) =>
    `${openingText(values)}: wipe the inside of the edge. Base tape ${length(values.insetMm)} inside it, ${metres(values.baseMm)}, dabbed at ${values.dabs} places, then pressed all along. Lip tape half stuck onto it, its other half bent out: two sides of ${length(values.sideMm)}, then top and bottom of ${length(values.topMm)}. Film ${length(values.widthMm)} × ${length(values.heightMm)} pressed onto the lip, scored off on the tape, never on the box. Cap tape over the cut: ${metres(values.capMm)}.`,
  'opening.sheet': (values, { length, metres }) =>
    `${openingText(values)}: card ${length(values.widthMm)} × ${length(values.heightMm)}${
      values.sealed
        ? ', cut to its mouth and set in, its edge sealed with liquid mask'
        : ` laid in, taped round with ${metres(values.tapeMm)}`
    }.`,
  'opening.putty': (values, { length }) =>
    `${openingText(values)}: masking putty or damp tissue over ${length(values.widthMm)} × ${length(values.heightMm)}, kept off the edge.`,
  'opening.sleeve': (values, { length }) =>
    `${openingText(values)}: ${values.pieces} pieces of narrow tape of ${length(values.pieceMm)} round its foot, folded in with the fingernail, then a sleeve over it.`,
  'opening.bag': (values, { length }) =>
    `${openingText(values)}: a bag with a slit of ${length(values.slitMm)} drawn over it, taped at its foot.`,
  'opening.back-mask': (values, { metres }) =>
    `${openingText(values)}: clean the flange; ${metres(values.tapeMm)} of tape inside it with the sticky side out, drawn back a little from the edge, cover stuck to it.`,
};

/** Why an opening cannot be closed in a way. */
export const CLOSING_FAULT_WORDS: WordsOf<ClosingFaultMessages> = {
  'closing-fault.not-round': () => 'it is not round.',
  'closing-fault.too-large': ({ mostMm }, { length }) => `that closes no more than ${length(mostMm)} across.`,
  'closing-fault.too-small': ({ leastMm }, { length }) => `that takes ${length(leastMm)} across or more.`,
  'closing-fault.stands-out': () => 'it sticks out of the surface.',
  'closing-fault.flush': () => 'it does not stick out.',
  'closing-fault.nothing-behind': () => 'nobody gets behind its edge.',
};

/** How what closes an opening comes out again: what lies on one another in one motion, the last laid first. */
export const OPENED_AGAIN: Readonly<Record<OpeningMessage['code'], string>> = {
  'opening.foam': 'foam straight out',
  'opening.foam-strip': 'foam straight out',
  'opening.disc': 'discs lifted at their edge',
  'opening.pane': 'tape off the panes',
  'opening.tape': 'tape off, slowly',
  'opening.inside': 'tape off from behind',
  'opening.film': 'cap tape, film and edge tape in one, folded into themselves',
  'opening.back-mask': 'cover, then the tape behind the edge',
  'opening.box': 'box by box, cap, film and lip in one, then the base tape',
  'opening.sheet': 'tape and card in one',
  'opening.putty': 'putty lifted out, not smeared',
  'opening.sleeve': 'sleeve, then the small pieces',
  'opening.bag': 'bags, the painted side in',
};
