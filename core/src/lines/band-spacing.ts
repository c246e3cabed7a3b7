import { messageWithoutValues, TOLERANCE } from '../kit';
import type { BandMessage } from './messages';

/** Bands over a length: length = 2·margin + count·width + (count − 1)·gap. All in mm. */
export interface BandSpacing {
  readonly lengthMm: number;
  readonly count: number;
  readonly widthMm: number;
  readonly gapMm: number;
  readonly marginMm: number;
}

export type BandUnknown = 'length' | 'count' | 'width' | 'gap' | 'margin';

/** What came of solving: the bands, or why there are none; a count that is not whole comes with its nearest two. */
export type BandSolution =
  | { readonly ok: true; readonly value: BandSpacing }
  | { readonly ok: false; readonly why: BandMessage; readonly nearest: readonly BandSpacing[] };

const refuse = (why: BandMessage, nearest: readonly BandSpacing[] = []): BandSolution => ({ ok: false, why, nearest });

/** A count this near to a whole number is one: the rounding of typed lengths. */
const WHOLE = TOLERANCE.along;

/**
 * Solves the spacing of bands for the one value that is not known.
 * @param known the other four; what is given for the unknown is not read
 */
export function solveBands(known: BandSpacing, unknown: BandUnknown): BandSolution {
  const { lengthMm, count, widthMm, gapMm, marginMm } = known;
  const room = lengthMm - 2 * marginMm;
  switch (unknown) {
    case 'length':
      return { ok: true, value: { ...known, lengthMm: 2 * marginMm + count * widthMm + (count - 1) * gapMm } };
    case 'width':
      return positive(
        { ...known, widthMm: (room - (count - 1) * gapMm) / count },
        'widthMm',
        messageWithoutValues('bands.no-width'),
      );
    case 'gap':
      if (count < 2) return refuse(messageWithoutValues('bands.one-no-gap'));
      return notNegative(
        { ...known, gapMm: (room - count * widthMm) / (count - 1) },
        'gapMm',
        messageWithoutValues('bands.too-wide'),
      );
    case 'margin':
      return notNegative(
        { ...known, marginMm: (lengthMm - count * widthMm - (count - 1) * gapMm) / 2 },
        'marginMm',
        messageWithoutValues('bands.too-long'),
      );
    case 'count':
      return wholeCount(known, (room + gapMm) / (widthMm + gapMm));
  }
}

function positive(value: BandSpacing, key: 'widthMm', why: BandMessage): BandSolution {
  return value[key] > 0 ? { ok: true, value } : refuse(why);
}

function notNegative(value: BandSpacing, key: 'gapMm' | 'marginMm', why: BandMessage): BandSolution {
  return value[key] >= -TOLERANCE.rounding
    ? { ok: true, value: { ...value, [key]: Math.max(0, value[key]) } }
    : refuse(why);
}

/** A count must be whole; the nearest two keep width and margin and give way in the gap. */
function wholeCount(known: BandSpacing, exact: number): BandSolution {
  const whole = Math.round(exact);
  if (whole >= 1 && Math.abs(exact - whole) < WHOLE) return { ok: true, value: { ...known, count: whole } };
  const candidates = [Math.floor(exact), Math.ceil(exact)].filter((count) => count >= 1);
  const nearest = candidates.flatMap((count) => {
    const solved = solveBands({ ...known, count }, count === 1 ? 'margin' : 'gap');
    return solved.ok ? [solved.value] : [];
  });
  return refuse({ code: 'bands.not-whole', values: { count: exact } }, nearest);
}

/** One band along the direction they follow each other: where it starts and how wide it is, mm. */
export interface Band {
  readonly from: number;
  readonly widthMm: number;
}

/**
 * Places bands one after another; widths and gaps grow or shrink evenly from the first to the last.
 * @param taper width of the last as a share of the first
 */
export function placeBands(count: number, widthMm: number, gapMm: number, marginMm: number, taper: number): Band[] {
  const factor = (index: number) => (count < 2 ? 1 : 1 + ((taper - 1) * index) / (count - 1));
  const bands: Band[] = [];
  let along = marginMm;
  for (let index = 0; index < count; index++) {
    bands.push({ from: along, widthMm: widthMm * factor(index) });
    along += widthMm * factor(index) + (gapMm * (factor(index) + factor(index + 1))) / 2;
  }
  return bands;
}
