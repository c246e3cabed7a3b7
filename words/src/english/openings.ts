import type { OpeningSays } from '@lintrel/core';
import { listed, type WordsOf } from '../table';

const of = ({ opening, parts, count }: { readonly opening: string; readonly parts: readonly string[]; readonly count: number }): string =>
  `${opening}${parts.length === 0 ? '' : `, ${listed(parts)}`}${count > 1 ? `; ${count}, for each` : ''}`;

/** How an opening is closed. */
export const OPENINGS: WordsOf<OpeningSays> = {
  'opening.foam': (values, { length }) =>
    `${of(values)}: ${length(values.lengthMm)} of foam strip ${length(values.foamMm)}, rolled with the sticky side out, pushed in.`,
  'opening.foam-strip': (values, { length }) =>
    `${of(values)}: ${length(values.lengthMm)} of foam strip ${length(values.foamMm)}, laid in without stretching it.`,
  'opening.disc': (values, { length }) =>
    `${of(values)}: a disc of ${length(values.discMm)} across, cut with a circle cutter, ${values.into ? 'set into the recess' : 'over the rim'}; press its edge.`,
  'opening.pane': (values, { length }) =>
    `${of(values)}: tape over all ${length(values.widthMm)} × ${length(values.heightMm)} of it, rub its rim, peel the tape off, cut it along the mark on a mat, put it back and press.`,
  'opening.film': (values, { length, metres }) =>
    `${of(values)}: tape just inside its edge, film ${length(values.widthMm)} × ${length(values.heightMm)} onto it, a second tape over the edge of the film; ${metres(values.tapeMm)} of tape for both.`,
  'opening.back-mask': (values, { metres }) =>
    `${of(values)}: clean the flange; ${metres(values.tapeMm)} of tape inside it with the sticky side out, drawn back a little from the edge, cover stuck to it.`,
};
