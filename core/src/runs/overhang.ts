import { insideAny } from '../areas';
import { boundingBox, type Box, type Path, pointAt } from '../curves';
import { type Interval, mergeIntervals, TOLERANCE } from '../kit';
import type { Metric } from '../surface';
import type { LineSide } from '../tape';
import { pointBesideLine } from './point-beside';
import type { MaskedPart } from './run';
import type { TapeBand } from './tape-band';

/** A stretch of a run on which its tape is wider than what it covers. */
export interface Overhang {
  /** Along its line, mm. */
  readonly fromMm: number;
  readonly toMm: number;
}

/** Samples along a run, and the tolerated overlap of a tape, mm. */
const PLACES = { everyMm: 20, least: 48, most: 96 } as const;
const LEEWAY_MM = 0.2;
/** A strip so narrow is seen under a tape, mm, as long as that takes no more places across than this. */
const STRIP_MM = 3;
const ACROSS_PLACES = { least: 2, most: 8 } as const;
/** The place hard by the line, as a share of the width. */
const HARD_BY = 0.06;
/** Distance of the first sample from an end, mm, and its growth factor. */
const FIRST_MM = 0.2;
const FARTHER = 1.5;

/**
 * Where the tape of a run reaches over what it covers onto something that is painted: at the tips of wedges.
 * @param painted which areas of the part are painted while it is on
 * @param innerMm where it begins, mm off its line
 * @param outerMm where it ends
 * @returns stretches in order
 */
export function overhangs(
  { skin, arrangement }: Pick<MaskedPart, 'skin' | 'arrangement'>,
  painted: readonly boolean[],
  piece: Path,
  side: LineSide,
  { innerMm, outerMm }: Pick<TapeBand, 'innerMm' | 'outerMm'>,
): Overhang[] {
  if (outerMm <= innerMm) return [];
  const [from, to] = [piece[0]!.at, piece.at(-1)!.at];
  const turn = side === 'left' ? 1 : -1;
  const offs = across(Math.max(innerMm, LEEWAY_MM), outerMm - LEEWAY_MM);
  const isPainted = insideAny(arrangement.areas, painted, boxBeside(piece, outerMm, skin.metric));
  if (!isPainted) return [];
  const overAt = (along: number): boolean => {
    const point = pointAt(piece, along);
    return offs.some((off) => isPainted(pointBesideLine(point, turn * off, skin.metric)));
  };
  // There may also be a tip before the first regular sample and after the last.
  const step = (to - from) / Math.round(Math.min(PLACES.most, Math.max(PLACES.least, (to - from) / PLACES.everyMm)));
  const intervals = mergeIntervals(
    [...fromTheEnds([from, to], step, outerMm, overAt), ...allAlong([from, to], step, overAt)],
    TOLERANCE.rounding,
  );
  return intervals.map(([fromMm, toMm]) => ({ fromMm, toMm }));
}

/** A box round all that lies within a distance of a piece of line; null where the drawing is not true. */
function boxBeside(piece: Path, withinMm: number, metric: Metric | null): Box | null {
  if (metric) return null;
  const { minX, maxX, minY, maxY } = boundingBox(piece);
  return { minX: minX - withinMm, maxX: maxX + withinMm, minY: minY - withinMm, maxY: maxY + withinMm };
}

/** Places across a tape, its far edge first: near enough to one another to see a narrow strip that it crosses; and one hard by its line, where a tip may end. */
function across(innerMm: number, outerMm: number): number[] {
  const count = Math.max(ACROSS_PLACES.least, Math.min(ACROSS_PLACES.most, Math.ceil((outerMm - innerMm) / STRIP_MM)));
  const far = Array.from({ length: count }, (_, index) => outerMm - (index * (outerMm - innerMm)) / count);
  return [...far, innerMm + HARD_BY * (outerMm - innerMm)];
}

/** Samples at a regular spacing, mm. */
function allAlong([from, to]: readonly [number, number], step: number, overAt: (along: number) => boolean): Interval[] {
  const places = Array.from({ length: Math.round((to - from) / step) }, (_, index) => from + (index + 0.5) * step);
  return places.flatMap((place) => (overAt(place) ? [[place - step / 2, place + step / 2]] : []));
}

/** From each end as far as it reaches over there; looked for at least so far, and no farther than the most. */
function fromTheEnds(
  [from, to]: readonly [number, number],
  mostMm: number,
  farMm: number,
  overAt: (along: number) => boolean,
): Interval[] {
  // A tip may begin a little way in, where its end lies beyond the part.
  const reach = (placeAt: (off: number) => number): number => {
    let over = 0;
    for (
      let off = Math.min(FIRST_MM, mostMm);
      off <= mostMm && off <= Math.max(farMm, over * FARTHER * FARTHER);
      off *= FARTHER
    )
      if (overAt(placeAt(off))) over = off;
    return Math.min(mostMm, over * FARTHER);
  };
  const [start, end] = [reach((off) => from + off), reach((off) => to - off)];
  if (start + end >= to - from) return [[from, to]];
  return [...(start > 0 ? [[from, from + start] as const] : []), ...(end > 0 ? [[to - end, to] as const] : [])];
}
