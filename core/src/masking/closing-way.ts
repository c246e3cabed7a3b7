import type { MessageOf, NoValues } from '../kit';
import { messageWithoutValues } from '../kit';
import { CLOSING_WAYS, type ClosingWay, type OpeningUse } from '../surface';
import { type Opening, sizeOf, THICKEST_FOAM_MM } from './opening-size';

/** Why an opening cannot be closed in a way. */
export interface ClosingFaultMessages {
  readonly 'closing-fault.not-round': NoValues;
  readonly 'closing-fault.too-large': { readonly mostMm: number };
  readonly 'closing-fault.too-small': { readonly leastMm: number };
  /** That way is for what stands out, or not for it. */
  readonly 'closing-fault.stands-out': NoValues;
  readonly 'closing-fault.flush': NoValues;
  /** There is no flange behind its edge, and no way to reach it from behind. */
  readonly 'closing-fault.nothing-behind': NoValues;
}
export type ClosingFault = MessageOf<ClosingFaultMessages>;

/** A hole up to this is stopped with foam, a slot or handle hole up to these; a round opening from and up to these with a disc, mm. */
const FOAMED = { hole: 40, narrow: 50, wide: 100 } as const;
const DISC = { least: 8, most: 400 } as const;
/** Putty is put over no more than this, mm across. */
const LARGEST_PUTTY = 60;
/** A box with lips on its sides is no narrower, mm. */
const NARROWEST_BOX = 60;
/** The widest tape of a usual shelf, how far strips of it lap, and how many lie side by side over an opening; mm. */
const OVER_OPENING = { tapeMm: 48, lapMm: 2, strips: 3 } as const;
/** An opening of this narrow side is taped over at most, mm. */
export const WIDEST_TAPED = OVER_OPENING.strips * (OVER_OPENING.tapeMm - OVER_OPENING.lapMm) + OVER_OPENING.lapMm;
/** The widest gap a foam strip of the shelf fills: it is wider than the gap, mm. */
const LARGEST_GAP = THICKEST_FOAM_MM - 0.5;
/** Width of the tape just inside the edge of an opening, on the middle of which film ends, mm. */
const EDGE_TAPE = { full: 12, model: 3 } as const;

/** What stands out of the surface, and what has a back that can be reached. */
const STANDS_OUT: readonly OpeningUse[] = ['post', 'lug'];
const OVER_WHAT_STANDS_OUT: readonly ClosingWay[] = ['bag', 'pieces', 'putty'];
const OPEN_BEHIND: readonly OpeningUse[] = ['hole', 'window', 'gap', 'jamb', 'port'];

/** Width of the edge tape of an opening. */
export const edgeTapeMm = (narrowMm: number, model: boolean): number =>
  Math.min(model ? EDGE_TAPE.model : EDGE_TAPE.full, narrowMm / 2);

/** How narrow and how large an opening may be that is closed in a way, mm; left out: it does not matter. */
interface SizeLimits {
  readonly leastMm?: number;
  readonly mostMm?: number;
  readonly mostWideMm?: number;
}

function sizeLimits(way: ClosingWay, use: OpeningUse, model: boolean): SizeLimits {
  switch (way) {
    case 'foam':
      return use === 'gap' ? { mostMm: LARGEST_GAP } : { mostMm: FOAMED.narrow, mostWideMm: FOAMED.wide };
    case 'tape':
      return { mostMm: WIDEST_TAPED };
    case 'disc':
      return { leastMm: model ? 0 : DISC.least, mostMm: DISC.most };
    case 'film':
      return { leastMm: 2 * (model ? EDGE_TAPE.model : EDGE_TAPE.full) };
    case 'box':
      return { leastMm: NARROWEST_BOX };
    case 'putty':
      return { mostWideMm: LARGEST_PUTTY };
    default:
      return {};
  }
}

/**
 * Why an opening cannot be closed in a way; null if it can.
 * Source: closing of openings, rules of thumb
 */
export function closingFault({ shape, use }: Opening, way: ClosingWay, model: boolean): ClosingFault | null {
  if (way === 'nothing') return null;
  const standsOut = STANDS_OUT.includes(use);
  if ((way === 'bag' || way === 'pieces') && !standsOut) return messageWithoutValues('closing-fault.flush');
  // Putty may be pressed round the foot of what stands out; everything else needs a mouth.
  if (standsOut && !OVER_WHAT_STANDS_OUT.includes(way)) return messageWithoutValues('closing-fault.stands-out');
  if ((way === 'back-mask' || way === 'inside') && !OPEN_BEHIND.includes(use))
    return messageWithoutValues('closing-fault.nothing-behind');
  if (way === 'disc' && shape.kind !== 'round') return messageWithoutValues('closing-fault.not-round');
  const { narrow, wide } = sizeOf(shape);
  const { leastMm = 0, mostMm = Infinity, mostWideMm = Infinity } = sizeLimits(way, use, model);
  if (narrow < leastMm) return { code: 'closing-fault.too-small', values: { leastMm } };
  return narrow > mostMm || wide > mostWideMm
    ? { code: 'closing-fault.too-large', values: { mostMm: Math.min(mostMm, mostWideMm) } }
    : null;
}

/** The ways in which an opening can be closed, in the order they are offered. */
export const possibleWays = (opening: Opening, model: boolean): ClosingWay[] =>
  CLOSING_WAYS.filter((way) => closingFault(opening, way, model) === null);

/**
 * How an opening is closed where nobody has chosen: by what it is, and how large. What is named first closes it if it can.
 * Source: closing of openings, rules of thumb
 */
export function usualWay(opening: Opening, model: boolean): ClosingWay {
  const wanted = wantedWays(opening, model);
  return [...wanted, 'sheet' as const].find((way) => closingFault(opening, way, model) === null) ?? 'putty';
}

function wantedWays({ use, shape }: Opening, model: boolean): readonly ClosingWay[] {
  const { wide } = sizeOf(shape);
  switch (use) {
    case 'jamb':
      return ['back-mask'];
    case 'gap':
      return ['foam', 'film', 'tape'];
    case 'box':
      return ['box'];
    case 'post':
      return ['pieces'];
    case 'lug':
      return ['bag'];
    case 'recess':
      return ['sheet'];
    case 'strip':
      return ['tape', 'film'];
    case 'window':
      return model ? ['tape', 'film'] : ['film', 'tape'];
    case 'port':
      return ['disc', 'film', 'tape'];
    case 'hole':
      return shape.kind === 'round' && wide > FOAMED.hole ? ['disc', 'film', 'tape'] : ['foam', 'film', 'tape'];
  }
}

/** Strips of tape side by side that cover an opening of this narrow side. */
export const stripsOver = (narrowMm: number): number =>
  narrowMm <= OVER_OPENING.tapeMm
    ? 1
    : Math.ceil((narrowMm - OVER_OPENING.lapMm) / (OVER_OPENING.tapeMm - OVER_OPENING.lapMm));
