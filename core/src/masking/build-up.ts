import type { PullTiming } from '../finish';
import type { EdgeClass } from './edge-class';
import { MASKING_RULES } from './rules-of-thumb';

/**
 * What is known of one side of a border before any order of coats: what lies behind its tape while that side is
 * covered. The edge is built up from the line outward: line tape, backing, cover.
 */
export interface KeptSide {
  /** A wider tape behind the line tape carries the cover, where the edge stays and what is beside it is sprayed. */
  readonly backed: boolean;
  /** Whether that backing lies over the line tape, whenever the two come off; null: the pull timing decides. */
  readonly over: boolean | null;
}

/** A border as the build-up of its edges sees it. */
export interface BuiltBorder {
  readonly a: number;
  /** Of the side of `a` and that of `b`; left out: tape alone carries the cover on both. */
  readonly sides?: readonly [a: KeptSide, b: KeptSide];
  readonly rim?: boolean;
  /** Of a rim: its foam carries no cover, which hangs from tape beside it on what is beyond. */
  readonly outlined?: boolean;
  /** The surface continues beyond a rim: its tape makes a line there. */
  readonly makesLine?: boolean;
}

/** An edge of a mask, as far as its build-up goes. */
export interface BuiltEdge {
  readonly border: number;
  readonly closed: number;
  readonly class: EdgeClass;
  readonly backed: boolean;
}

const sideOf = ({ a, sides }: BuiltBorder, closed: number): KeptSide | null =>
  sides ? sides[closed === a ? 0 : 1] : null;

/**
 * True where a second tape carries the cover: a backing behind a line that stays, where what is beside it is sprayed and its line tape carries
 * none; outline tape beside foam in a gap.
 */
export const isBacked = (border: BuiltBorder, closed: number, edge: EdgeClass, sprayed: boolean): boolean =>
  sprayed && (border.outlined ?? (edge === 'crisp' && (sideOf(border, closed)?.backed ?? false)));

/**
 * True where the backing of an edge lies over its line tape: both come off dry, together, or it was decided before.
 * Pulled wet or touch-dry the line tape lies last, over the edge of its backing, and comes off alone.
 */
export const isBackingOver = (border: BuiltBorder, closed: number, timing: PullTiming): boolean =>
  sideOf(border, closed)?.over ?? timing === 'dry';

/** One cover, m²: a large one does not come off while paint beside it is wet. */
export const isLargeCover = (sizeM2: number): boolean => sizeM2 > MASKING_RULES.largeCoverM2;

/** Of a mask: what comes off in the window of its lines. The rest, backings below line tapes and what hangs from them, comes off after. */
export interface PulledFirst<E extends BuiltEdge> {
  readonly lines: ReadonlySet<E>;
  /** Edges whose backing lies over the line tape. */
  readonly backings: ReadonlySet<E>;
  /** Areas whose cover lies on one of these. */
  readonly covers: ReadonlySet<number>;
}

/**
 * What of a mask comes off in the window of its lines: line tapes, and whatever lies on them, which comes off before
 * them. A rough edge under a large cover waits with it; tape along the surroundings carries the cover beyond them.
 * @param timingOf pull timing of an edge
 * @param isLarge whether the cover of an area is a large one
 */
export function pulledFirst<E extends BuiltEdge>(
  borders: readonly BuiltBorder[],
  edges: readonly E[],
  timingOf: (edge: E) => PullTiming,
  isLarge: (area: number) => boolean,
): PulledFirst<E> {
  const lines = new Set<E>();
  const backings = new Set<E>();
  const covers = new Set<number>();
  for (const edge of edges) {
    const border = borders[edge.border]!;
    if (border.rim && !border.makesLine) continue;
    const timing = timingOf(edge);
    if (edge.class === 'rough' && timing !== 'dry' && isLarge(edge.closed)) continue;
    lines.add(edge);
    const over = edge.backed && isBackingOver(border, edge.closed, timing);
    if (over) backings.add(edge);
    if (over || !edge.backed) covers.add(edge.closed);
  }
  return { lines, backings, covers };
}
