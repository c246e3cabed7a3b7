import { firstItem, type MessageOf, sumOf, TOLERANCE } from '../kit';
import type { ClosingWay, OpeningUse, ZoneShape } from '../surface';
import { closingFault, edgeTapeMm, stripsOver, usualWay, WIDEST_TAPED } from './closing-way';
import { cornerOf, foamFor, type Opening, rimOf, sizeOf, THICKEST_FOAM_MM } from './opening-size';

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
  /** Tape over a small pane, in strips side by side where it is wide: edge rubbed, peeled, cut on a mat and put back. */
  readonly 'opening.pane': OpeningValues<{
    readonly widthMm: number;
    readonly heightMm: number;
    /** Left out in older plans. */
    readonly strips?: number;
    /** True: its edge is sealed with liquid mask. */
    readonly sealed?: boolean;
  }>;
  /** Tape cut to its width, in strips side by side where it is wide. */
  readonly 'opening.tape': OpeningValues<{
    readonly widthMm: number;
    readonly heightMm: number;
    readonly strips: number;
  }>;
  /** Tape from behind, or a sheet that is taped round there. */
  readonly 'opening.inside': OpeningValues<{
    readonly widthMm: number;
    readonly heightMm: number;
    /** Strips of tape; 0: a sheet. */
    readonly strips: number;
    readonly tapeMm: number;
  }>;
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
  /** Card or sheet cut to size, taped round; on models cut to the mouth and its edge sealed with liquid mask. */
  readonly 'opening.sheet': OpeningValues<{
    readonly widthMm: number;
    readonly heightMm: number;
    readonly tapeMm: number;
    readonly sealed?: boolean;
  }>;
  /** Putty or damp tissue, on models. */
  readonly 'opening.putty': OpeningValues<{ readonly widthMm: number; readonly heightMm: number }>;
  /** Small pieces of tape round a post, folded with the fingernail. */
  readonly 'opening.sleeve': OpeningValues<{ readonly pieces: number; readonly pieceMm: number }>;
  /** A bag with a slit over one thing that sticks out. */
  readonly 'opening.bag': OpeningValues<{ readonly slitMm: number }>;
}
export type OpeningMessage = MessageOf<OpeningMessages>;

/** A corner of this many widths of that tape is gone round in one piece; sharper ones are lapped and trimmed. */
const ROUND_CORNER = 5;
/** How much smaller a disc is than the recess it is set into, mm. */
const INTO_RECESS = 0.3;
/**
 * Base tape of a box: its distance inside the edge and the spacing of the dabs; excess of the film all round; how much
 * longer than its side a lip is; overlap of pieces round a post. Millimetres.
 */
const BOX = { inset: 1.5, dabEvery: 120, film: 20, lip: 30, lap: 10 } as const;
/** Clearance of a card in its recess; how far tape or a sheet goes beyond an opening behind it; angle of the pieces round a post. Millimetres, degrees. */
const CARD_SLACK = { full: 1, model: 0.2 } as const;
const BEHIND = { full: 20, model: 3 } as const;
const POST_PIECE_DEG = 90;
/** No stopper is shorter: there is something to pull it out by. */
const SHORTEST_FOAM = 25;

/**
 * How an opening is closed.
 * @param alike how many of its part there are
 * @param chosen way a person has chosen; the usual one where it cannot be
 * @returns null where nothing is to close it
 */
export function closingMethod(
  opening: Opening,
  part: string | null,
  alike: number,
  model: boolean,
  chosen: ClosingWay | null = null,
): OpeningMessage | null {
  const way = chosen !== null && closingFault(opening, chosen, model) === null ? chosen : usualWay(opening, model);
  const named = { opening: opening.name, parts: part === null ? [] : [part], count: alike };
  return closedBy(way, opening, named, model);
}

function closedBy(way: ClosingWay, { shape, use }: Opening, named: Named, model: boolean): OpeningMessage | null {
  const { widthMm, heightMm, narrow, wide } = sizeOf(shape);
  const rimMm = rimOf(shape);
  switch (way) {
    case 'nothing':
      return null;
    case 'back-mask':
      return { code: 'opening.back-mask', values: { ...named, tapeMm: rimMm } };
    case 'foam':
      return use === 'gap'
        ? { code: 'opening.foam-strip', values: { ...named, foamMm: foamFor(narrow)!, lengthMm: wide } }
        : { code: 'opening.foam', values: { ...named, ...rolled(narrow, wide) } };
    case 'box':
      return { code: 'opening.box', values: { ...named, ...boxed(widthMm, heightMm) } };
    case 'pieces': {
      const pieces = 360 / POST_PIECE_DEG;
      return {
        code: 'opening.sleeve',
        values: { ...named, pieces, pieceMm: cutUp((Math.PI * wide) / pieces + BOX.lap) },
      };
    }
    case 'bag':
      return { code: 'opening.bag', values: { ...named, slitMm: cutUp(wide) } };
    case 'putty':
      return { code: 'opening.putty', values: { ...named, widthMm, heightMm } };
    case 'sheet': {
      const slack = Math.min(model ? CARD_SLACK.model : CARD_SLACK.full, narrow / 4);
      const size = { widthMm: widthMm - slack, heightMm: heightMm - slack };
      return {
        code: 'opening.sheet',
        values: { ...named, ...size, ...(model ? { tapeMm: 0, sealed: true } : { tapeMm: rimMm }) },
      };
    }
    case 'tape': {
      const values = { ...named, widthMm, heightMm, strips: stripsOver(narrow) };
      return PANES.includes(use)
        ? { code: 'opening.pane', values: { ...values, ...(model ? { sealed: true } : {}) } }
        : { code: 'opening.tape', values };
    }
    case 'inside': {
      const beyond = 2 * (model ? BEHIND.model : BEHIND.full);
      const taped = narrow + beyond <= WIDEST_TAPED;
      const strips = taped ? stripsOver(narrow + beyond) : 0;
      return {
        code: 'opening.inside',
        values: {
          ...named,
          widthMm: widthMm + beyond,
          heightMm: heightMm + beyond,
          strips,
          tapeMm: taped ? strips * (wide + beyond) : rimMm + 4 * beyond,
        },
      };
    }
    case 'disc': {
      const into = use === 'port';
      return {
        code: 'opening.disc',
        values: { ...named, into, flush: true, discMm: into ? wide - INTO_RECESS : wide },
      };
    }
    case 'film':
      return { code: 'opening.film', values: { ...named, ...filmed(shape, model) } };
  }
}

/** What is recessed, so that its edge can be rubbed through tape. */
const PANES: readonly OpeningUse[] = ['window', 'port', 'recess'];

/** Film that ends on the middle of the tape just inside the edge. */
function filmed(shape: ZoneShape, model: boolean) {
  const { widthMm, heightMm, narrow } = sizeOf(shape);
  const edgeMm = edgeTapeMm(narrow, model);
  const corner = cornerOf(shape);
  return {
    widthMm: widthMm - edgeMm,
    heightMm: heightMm - edgeMm,
    tapeMm: 2 * rimOf(shape),
    edgeMm,
    cornerMm: corner >= ROUND_CORNER * edgeMm ? corner : 0,
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

/**
 * Foam for a hole: of the next size up, in lengths side by side in a slot, or the thickest wound up until it fills it.
 * Source: area of the opening over the thickness
 */
function rolled(narrow: number, wide: number): { readonly foamMm: number; readonly lengthMm: number } {
  const foam = foamFor(narrow);
  if (foam !== null) return { foamMm: foam, lengthMm: Math.max(SHORTEST_FOAM, wide > foam ? cutUp(wide) : 0) };
  const foamMm = THICKEST_FOAM_MM;
  const filledMm2 = narrow === wide ? (Math.PI * wide * wide) / 4 : narrow * wide;
  return { foamMm, lengthMm: Math.max(SHORTEST_FOAM, cutUp(filledMm2 / foamMm)) };
}

/** What is cut to length is cut to full five millimetres, never short. */
const cutUp = (lengthMm: number): number => 5 * Math.ceil(lengthMm / 5 - TOLERANCE.rounding);
