import { type Path, type Point, pointAt } from '../curves';
import { TOLERANCE } from '../kit';
import type { Measured } from '../surface';

/** One mark of a line. */
export interface Station extends Measured {
  /** Distance along the line, mm. */
  readonly at: number;
  /** Where it lies on the sheet. */
  readonly place: Point;
  /** True for a mark between the even steps, set so that straight chords between marks stay within the tolerance. */
  readonly extra: boolean;
}

/** A line by its marks. */
export interface Stations {
  /** Even steps are counted along the datum, or along the line where it turns back on itself. */
  readonly by: 'datum' | 'line';
  readonly rows: readonly Station[];
}

/** More marks than this are no table. */
const MAX_STATIONS = 2000;

/**
 * Marks a piece of a line at even steps, at both its ends, and wherever chords between marks would stray too far.
 * @param measure measures a place of the sheet from the datum
 * @param stepMm distance between even marks
 * @param toleranceMm how far a chord between two marks may stray from the line
 */
export function stationsOf(
  piece: Path,
  measure: (place: Point) => Measured,
  stepMm: number,
  toleranceMm: number,
): Stations {
  const along = piece.map((point) => measure(point).along);
  const forward = along.every((value, index) => index === 0 || value > along[index - 1]! - TOLERANCE.rounding);
  const backward = along.every((value, index) => index === 0 || value < along[index - 1]! + TOLERANCE.rounding);
  const byDatum = (forward || backward) && Math.abs(along.at(-1)! - along[0]!) > TOLERANCE.along;
  const even = byDatum ? evenAlongDatum(piece, along, stepMm) : evenAlongLine(piece, stepMm);
  const marks = withExtras(piece, even, toleranceMm);
  const rows = marks.map(({ at, extra }): Station => {
    const place = pointAt(piece, at);
    return { at, ...measure(place), place: { x: place.x, y: place.y }, extra };
  });
  return {
    by: byDatum ? 'datum' : 'line',
    rows: rows.sort(byDatum ? (a, b) => a.along - b.along : (a, b) => a.at - b.at),
  };
}

function evenAlongDatum(piece: Path, along: readonly number[], stepMm: number): number[] {
  const [low, high] = [Math.min(along[0]!, along.at(-1)!), Math.max(along[0]!, along.at(-1)!)];
  const marks = [piece[0]!.at];
  const first = Math.ceil((low + TOLERANCE.along) / stepMm);
  const count = Math.min(MAX_STATIONS, Math.floor((high - TOLERANCE.along) / stepMm) - first + 1);
  for (let index = 0; index < count; index++) marks.push(distanceAt(piece, along, (first + index) * stepMm));
  return [...marks, piece.at(-1)!.at].sort((a, b) => a - b);
}

/** Distance along the line at which it passes a distance along the datum. */
function distanceAt(piece: Path, along: readonly number[], wanted: number): number {
  for (let index = 1; index < piece.length; index++) {
    const [a, b] = [along[index - 1]!, along[index]!];
    if ((a - wanted) * (b - wanted) > 0 || a === b) continue;
    const share = (wanted - a) / (b - a);
    return piece[index - 1]!.at + share * (piece[index]!.at - piece[index - 1]!.at);
  }
  return piece.at(-1)!.at;
}

function evenAlongLine(piece: Path, stepMm: number): number[] {
  const [start, end] = [piece[0]!.at, piece.at(-1)!.at];
  const count = Math.min(MAX_STATIONS, Math.floor((end - start - TOLERANCE.along) / stepMm));
  return [start, ...Array.from({ length: count }, (_, index) => start + (index + 1) * stepMm), end];
}

/** Puts a mark where the line strays farthest from a chord, as long as one strays too far. */
function withExtras(piece: Path, even: readonly number[], toleranceMm: number): { at: number; extra: boolean }[] {
  const marks: { at: number; extra: boolean }[] = [];
  const fill = (from: number, to: number) => {
    const { at, off } = farthestFrom(piece, from, to);
    if (off <= toleranceMm || marks.length >= MAX_STATIONS || to - from < TOLERANCE.grid) return;
    fill(from, at);
    marks.push({ at, extra: true });
    fill(at, to);
  };
  even.forEach((along, index) => {
    if (index > 0) fill(even[index - 1]!, along);
    if (marks.length === 0 || along - marks.at(-1)!.at > TOLERANCE.along) marks.push({ at: along, extra: false });
  });
  return marks;
}

function farthestFrom(piece: Path, from: number, to: number): { readonly at: number; readonly off: number } {
  const [a, b] = [pointAt(piece, from), pointAt(piece, to)];
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  let best = { at: (from + to) / 2, off: 0 };
  for (const point of piece) {
    if (point.at <= from + TOLERANCE.rounding || point.at >= to - TOLERANCE.rounding) continue;
    const cross = (b.x - a.x) * (point.y - a.y) - (b.y - a.y) * (point.x - a.x);
    const off = length < TOLERANCE.rounding ? Math.hypot(point.x - a.x, point.y - a.y) : Math.abs(cross) / length;
    if (off > best.off) best = { at: point.at, off };
  }
  return best;
}
