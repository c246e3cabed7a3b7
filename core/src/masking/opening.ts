import { firstItem, maxOf, type MessageOf, minOf, RULE_OF_THUMB, sumOf, TOLERANCE } from '../kit';
import type { Feature, ZoneShape } from '../surface';
import { MASKING_RULES } from './rules-of-thumb';

interface Named {
  readonly opening: string;
  /** Parts it is on; empty where the job has but one. */
  readonly parts: readonly string[];
  /** How many alike, all parts together. */
  readonly count: number;
}
type OpeningValues<T> = { readonly [K in keyof (Named & T)]: (Named & T)[K] };

/** How an opening is closed, with what is cut for each. */
export interface OpeningMessages {
  /** Foam strip rolled, sticky side out, and pushed in. */
  readonly 'opening.foam': OpeningValues<{ readonly foamMm: number; readonly lengthMm: number }>;
  /** Foam strip laid into a gap, not stretched. */
  readonly 'opening.foam-strip': OpeningValues<{ readonly foamMm: number; readonly lengthMm: number }>;
  /** A disc cut with a circle cutter, no larger than the opening; `into`: set into a recess. */
  readonly 'opening.disc': OpeningValues<{
    readonly discMm: number;
    readonly into: boolean;
    /** True: it ends at the edge of the opening; left out in older plans, where it goes over the edge. */
    readonly flush?: boolean;
  }>;
  /** Tape over a small pane: edge rubbed, peeled, cut on a mat and put back. */
  readonly 'opening.pane': OpeningValues<{ readonly widthMm: number; readonly heightMm: number }>;
  /** Edge tape just inside, film that ends on it, cap tape over the edge of the film. */
  readonly 'opening.film': OpeningValues<{
    readonly widthMm: number;
    readonly heightMm: number;
    readonly tapeMm: number;
    /** Width of that tape, and the radius of the corners it goes round; 0: sharp ones. Left out in older plans, where film goes over it. */
    readonly edgeMm?: number;
    readonly cornerMm?: number;
  }>;
  /** Tape inside the flange, sticky side out, cover stuck to it. */
  readonly 'opening.back-mask': OpeningValues<{ readonly tapeMm: number }>;
  /**
   * The mouth of a box: base tape just inside its edge, dabbed on; a lip tape half stuck on it, sides, then top and bottom, each longer than
   * its side; film larger than the mouth pressed onto the lips and trimmed on them; a cap tape over the cut, no longer than the side.
   */
  readonly 'opening.box': OpeningValues<{
    readonly insetMm: number;
    readonly baseMm: number;
    readonly dabs: number;
    readonly sideMm: number;
    readonly topMm: number;
    readonly widthMm: number;
    readonly heightMm: number;
    readonly capMm: number;
  }>;
  /** Card or sheet cut to size, taped round. */
  readonly 'opening.sheet': OpeningValues<{
    readonly widthMm: number;
    readonly heightMm: number;
    readonly tapeMm: number;
  }>;
  /** Putty or damp tissue, on models. */
  readonly 'opening.putty': OpeningValues<{ readonly widthMm: number; readonly heightMm: number }>;
  /** Small pieces of tape round a post, folded with the fingernail. */
  readonly 'opening.sleeve': OpeningValues<{ readonly pieces: number; readonly pieceMm: number }>;
  /** A bag with a slit over one thing that sticks out. */
  readonly 'opening.bag': OpeningValues<{ readonly slitMm: number }>;
}
export type OpeningMessage = MessageOf<OpeningMessages>;

/** Foam strip is sold in these, mm across. Source: the shelf that ships. */
const FOAM_MM = [6, 10, 13, 19] as const;
/** A hole up to this is stopped with foam, a round one up to that with a disc. Source: mask of openings, rule of thumb; mm. */
const LARGEST_FOAMED = 40;
const LARGEST_DISC = 400;
/** Width of the tape just inside the edge of an opening, on the middle of which film ends; how much smaller a disc is for a recess. */
const EDGE_TAPE = { full: 12, model: 3 } as const;
/** A corner of this many widths of that tape is gone round in one piece; sharper ones are lapped and trimmed. */
const ROUND_CORNER = 5;
const INTO_RECESS = 0.3;
/**
 * Base tape of a box: its distance inside the edge and the spacing of the dabs; excess of the film all round; how much
 * longer than its side a lip is; overlap of pieces round a post. Millimetres.
 */
const BOX = { inset: 1.5, dabEvery: 120, film: 20, lip: 30, lap: 10 } as const;
/** Clearance of a card in its recess; angle of the pieces round a post. Millimetres, degrees. */
const CARD_SLACK = 1;
const POST_PIECE_DEG = 90;
/** Number of sides of a box. */
const SIDES = 4;
/** No stopper is shorter: there is something to pull it out by. */
const SHORTEST_FOAM = 25;

type Opening = Extract<Feature, { kind: 'opening' }>;

/**
 * How an opening is closed, by what it is and how large.
 * @param alike how many of its part there are
 */
export function closingMethod(
  { name, shape, use }: Opening,
  part: string | null,
  alike: number,
  model: boolean,
): OpeningMessage {
  const named = { opening: name, parts: part === null ? [] : [part], count: alike };
  const [widthMm, heightMm] = sizeOf(shape);
  const [narrow, wide] = [Math.min(widthMm, heightMm), Math.max(widthMm, heightMm)];
  const rimMm = rimOf(shape);
  if (use === 'jamb') return { code: 'opening.back-mask', values: { ...named, tapeMm: rimMm } };
  const foamMm = foamFor(narrow);
  if (use === 'gap' && foamMm !== null)
    return { code: 'opening.foam-strip', values: { ...named, foamMm, lengthMm: wide } };
  if (use === 'box') return { code: 'opening.box', values: { ...named, ...boxed(widthMm, heightMm) } };
  if (use === 'post') {
    const pieces = 360 / POST_PIECE_DEG;
    return {
      code: 'opening.sleeve',
      values: { ...named, pieces, pieceMm: cutUp((Math.PI * wide) / pieces + BOX.lap) },
    };
  }
  if (use === 'lug') return { code: 'opening.bag', values: { ...named, slitMm: cutUp(wide) } };
  if (use === 'recess' && model) return { code: 'opening.putty', values: { ...named, widthMm, heightMm } };
  if (use === 'recess')
    return {
      code: 'opening.sheet',
      values: { ...named, widthMm: widthMm - CARD_SLACK, heightMm: heightMm - CARD_SLACK, tapeMm: rimMm },
    };
  if (use === 'window' && model) return { code: 'opening.pane', values: { ...named, widthMm, heightMm } };
  if (use === 'hole' && wide <= LARGEST_FOAMED) return { code: 'opening.foam', values: { ...named, ...rolled(wide) } };
  if (shape.kind === 'round' && wide <= LARGEST_DISC) {
    const into = use === 'port';
    return { code: 'opening.disc', values: { ...named, into, flush: true, discMm: into ? wide - INTO_RECESS : wide } };
  }
  const edgeMm = Math.min(model ? EDGE_TAPE.model : EDGE_TAPE.full, narrow / 2);
  return {
    code: 'opening.film',
    values: {
      ...named,
      widthMm: widthMm - edgeMm,
      heightMm: heightMm - edgeMm,
      tapeMm: 2 * rimMm,
      edgeMm,
      cornerMm: cornerOf(shape) >= ROUND_CORNER * edgeMm ? cornerOf(shape) : 0,
    },
  };
}

/** The lists of lengths for the mouth of a box. Source: closing of a box, rule of thumb */
function boxed(widthMm: number, heightMm: number) {
  const [w, h] = [widthMm - 2 * BOX.inset, heightMm - 2 * BOX.inset];
  const baseMm = 2 * (w + h);
  return {
    insetMm: BOX.inset,
    baseMm,
    dabs: Math.ceil(baseMm / BOX.dabEvery),
    sideMm: heightMm + BOX.lip,
    topMm: widthMm + BOX.lip,
    widthMm: widthMm + 2 * BOX.film,
    heightMm: heightMm + 2 * BOX.film,
    capMm: 2 * (widthMm + heightMm),
  };
}

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
      return [{ use: 'cap', lengthMm: closing.values.tapeMm, pieces: 1 }];
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

/** Groups openings that are closed alike, also on several parts, with all their names. */
export function groupClosings(closings: readonly OpeningMessage[]): OpeningMessage[] {
  const groups = new Map<string, OpeningMessage[]>();
  for (const closing of closings) {
    const { opening: _, parts: __, count: ___, ...figures } = closing.values;
    const key = JSON.stringify([closing.code, figures]);
    groups.set(key, [...(groups.get(key) ?? []), closing]);
  }
  return [...groups.values()].map((alike) => {
    const first = firstItem(alike);
    const values = {
      ...first.values,
      opening: [...new Set(alike.map(({ values: { opening } }) => opening))].join(', '),
      parts: [...new Set(alike.flatMap(({ values: { parts } }) => parts))],
      count: sumOf(alike, ({ values: { count } }) => count),
    };
    return { ...first, values } as OpeningMessage;
  });
}

/** Foam strip one size over a gap, mm across; null where none is so thick. */
export const foamFor = (gapMm: number): number | null => FOAM_MM.find((size) => size > gapMm) ?? null;

/** Foam for a hole: one piece of the next size up, or the thickest wound up until it fills it. Source: area of the hole over the thickness. */
function rolled(holeMm: number): { readonly foamMm: number; readonly lengthMm: number } {
  const foam = foamFor(holeMm);
  if (foam !== null) return { foamMm: foam, lengthMm: SHORTEST_FOAM };
  const thickest = FOAM_MM[FOAM_MM.length - 1]!;
  return { foamMm: thickest, lengthMm: Math.max(SHORTEST_FOAM, cutUp((Math.PI * holeMm * holeMm) / (4 * thickest))) };
}

/** What is cut to length is cut to full five millimetres, never short. */
const cutUp = (lengthMm: number): number => 5 * Math.ceil(lengthMm / 5 - TOLERANCE.rounding);

/** Width and height as measured from its datum. */
function sizeOf(shape: ZoneShape): readonly [number, number] {
  if (shape.kind === 'round') return [shape.diameter, shape.diameter];
  if (shape.kind === 'window') return [shape.width, shape.height];
  const across = (axis: 'along' | 'above') => {
    const all = shape.points.map((point) => point[axis]);
    return maxOf(all) - minOf(all);
  };
  return [across('along'), across('above')];
}

/** Radius of its corners, mm; 0: sharp ones. */
const cornerOf = (shape: ZoneShape): number =>
  shape.kind === 'round'
    ? shape.diameter / 2
    : shape.kind === 'window'
      ? Math.min(shape.corner, shape.width / 2, shape.height / 2)
      : 0;

/** Length of its outline, mm. */
function rimOf(shape: ZoneShape): number {
  if (shape.kind === 'round') return Math.PI * shape.diameter;
  if (shape.kind === 'window') {
    const corner = Math.min(shape.corner, shape.width / 2, shape.height / 2);
    return 2 * (shape.width + shape.height) - (8 - 2 * Math.PI) * corner;
  }
  return shape.points.reduce((sum, point, index) => {
    const next = shape.points[(index + 1) % shape.points.length]!;
    return sum + Math.hypot(next.along - point.along, next.above - point.above);
  }, 0);
}

/** What foam strip is called among materials. */
export const FOAM = 'foam';

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
  'opening.bag': 'bag',
};
