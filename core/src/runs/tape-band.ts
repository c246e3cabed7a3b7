import { boundingBox, type Box, isNearBox, nearestOnPath, type Path, pathLength, type Point, pointAt } from '../curves';
import { minOf, TOLERANCE } from '../kit';
import type { Metric } from '../surface';
import type { LineSide } from '../tape';
import { pointBesideLine, shareAt } from './point-beside';

/** What a tape lies on: along a piece of its line, on one side, from so far off the line to so far, mm on the skin. */
export interface TapeBand {
  readonly piece: Path;
  readonly side: LineSide;
  readonly innerMm: number;
  readonly outerMm: number;
  /** Of the skin it lies on; null where its drawing is true. */
  readonly metric: Metric | null;
}

/** A band with cached boxes of its piece and of short lengths of it. */
export interface PlacedTapeBand extends TapeBand {
  readonly box: Box;
  /** How far it reaches off its line on the drawing, at most. */
  readonly reachDrawnMm: number;
  readonly lengths: readonly { readonly path: Path; readonly box: Box }[];
}

/** Segments per length. */
const PIECES = 12;

export function placeBand(band: TapeBand): PlacedTapeBand {
  const { piece } = band;
  const count = Math.ceil((piece.length - 1) / PIECES);
  const lengths = Array.from({ length: count }, (_, index) => piece.slice(index * PIECES, (index + 1) * PIECES + 1));
  const least = band.metric ? minOf(piece.map((place) => shareAt(band.metric, place))) : 1;
  return {
    ...band,
    box: boundingBox(piece),
    reachDrawnMm: band.outerMm / least,
    lengths: lengths.map((path) => ({ path, box: boundingBox(path) })),
  };
}

/** Places of a drawing as they lie round one of them, where it is true: drawn lengths across the axis shrink to what they are there. */
const trueRound = (path: Path, share: number): Path =>
  share === 1 ? path : path.map((point) => ({ ...point, y: point.y * share }));

/** The place along a band that is nearest to one within its reach; null where there is none. */
function nearestWithin(
  { lengths, outerMm }: PlacedTapeBand,
  place: Point,
  share: number,
): { readonly at: number; readonly distanceMm: number } | null {
  let best: { readonly at: number; readonly distanceMm: number } | null = null;
  for (const { path, box } of lengths) {
    if (!isNearBox(place, box, outerMm / share)) continue;
    const nearest = nearestOnPath(trueRound(path, share), { x: place.x, y: place.y * share });
    if (best === null || nearest.distanceMm < best.distanceMm) best = nearest;
  }
  return best;
}

/** A place lies on a band only when it is farther in than this: tapes that only touch do not lie over one another, mm. */
const WITHIN_MM = 0.05;

/** Where along its line a band lies on a place: beside its piece, not beyond the ends; null where it does not. */
export function distanceInBand(band: PlacedTapeBand, place: Point): number | null {
  const { piece, side, innerMm, outerMm, box, metric } = band;
  const share = shareAt(metric, place);
  const nearest = isNearBox(place, box, outerMm / share) ? nearestWithin(band, place, share) : null;
  if (!nearest) return null;
  const { at, distanceMm } = nearest;
  if (distanceMm < innerMm + WITHIN_MM || distanceMm > outerMm - WITHIN_MM) return null;
  const { x, y, tx, ty } = pointAt(piece, at);
  const across = (share * (tx * (place.y - y) - ty * (place.x - x))) / Math.hypot(tx, share * ty);
  if (side === 'left' ? across <= 0 : across >= 0) return null;
  // Beyond an end the nearest place is that end, and the way to it is not square to the line.
  const atEnd = at < piece[0]!.at + TOLERANCE.rounding || at > piece.at(-1)!.at - TOLERANCE.rounding;
  return atEnd && Math.abs(across) < 0.999 * distanceMm ? null : at;
}

/** Minimum and maximum number of samples along a band. */
const PLACES = { least: 12, most: 120 } as const;
/** How far across a band its places are, as shares of its width. */
const ACROSS = [0.1, 0.5, 0.9] as const;

/** Places all over a band, row by row along it. */
export function samplesInBand({
  piece,
  side,
  innerMm,
  outerMm,
  metric,
}: TapeBand): { readonly at: number; readonly places: readonly Point[] }[] {
  const lengthMm = pathLength(piece);
  const count = Math.round(Math.min(PLACES.most, Math.max(PLACES.least, (2 * lengthMm) / (outerMm - innerMm))));
  const turn = side === 'left' ? 1 : -1;
  return Array.from({ length: count }, (_, index) => {
    const point = pointAt(piece, piece[0]!.at + ((index + 0.5) / count) * lengthMm);
    const off = (share: number) => turn * (innerMm + share * (outerMm - innerMm));
    return { at: point.at, places: ACROSS.map((share) => pointBesideLine(point, off(share), metric)) };
  });
}
