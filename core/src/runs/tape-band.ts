import { boxOf, nearBox, nearestOnPath, pathLength, pointAt, type Box, type Path, type Point } from '../curves';
import type { LineSide } from '../tape';

/** What a tape lies on: along a piece of its line, on one side, from so far off the line to so far, mm on the drawing. */
export interface TapeBand {
  readonly piece: Path;
  readonly side: LineSide;
  readonly innerMm: number;
  readonly outerMm: number;
}

/** A band with what is asked of it over and over. */
export interface PlacedBand extends TapeBand {
  readonly box: Box;
}

export const placedBand = (band: TapeBand): PlacedBand => ({ ...band, box: boxOf(band.piece) });

/** A place lies on a band only when it is farther in than this: tapes that only touch do not lie over one another, mm. */
const WITHIN_MM = 0.05;

/** Where along its line a band lies on a place: beside its piece, not beyond the ends; null where it does not. */
export function bandAt({ piece, side, innerMm, outerMm, box }: PlacedBand, place: Point): number | null {
  if (!nearBox(place, box, outerMm)) return null;
  const { at, distanceMm } = nearestOnPath(piece, place);
  if (distanceMm < innerMm + WITHIN_MM || distanceMm > outerMm - WITHIN_MM) return null;
  const { x, y, tx, ty } = pointAt(piece, at);
  const across = tx * (place.y - y) - ty * (place.x - x);
  if (side === 'left' ? across <= 0 : across >= 0) return null;
  // Beyond an end the nearest place is that end, and the way to it is not square to the line.
  const atEnd = at < piece[0]!.at + 1e-9 || at > piece.at(-1)!.at - 1e-9;
  return atEnd && Math.abs(across) < 0.999 * distanceMm ? null : at;
}

/** So many places along a band at most, and at least. */
const PLACES = { least: 12, most: 120 } as const;
/** How far across a band its places are, as shares of its width. */
const ACROSS = [0.1, 0.5, 0.9] as const;

/** Places all over a band, row by row along it. */
export function bandPlaces({ piece, side, innerMm, outerMm }: TapeBand): { readonly at: number; readonly places: readonly Point[] }[] {
  const lengthMm = pathLength(piece);
  const count = Math.round(Math.min(PLACES.most, Math.max(PLACES.least, (2 * lengthMm) / (outerMm - innerMm))));
  const turn = side === 'left' ? 1 : -1;
  return Array.from({ length: count }, (_, index) => {
    const { x, y, tx, ty, at } = pointAt(piece, piece[0]!.at + ((index + 0.5) / count) * lengthMm);
    const off = (share: number) => turn * (innerMm + share * (outerMm - innerMm));
    return { at, places: ACROSS.map((share) => ({ x: x - ty * off(share), y: y + tx * off(share) })) };
  });
}
