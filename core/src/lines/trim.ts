import {
  boundingBox,
  isInsideRing,
  type Path,
  pathCrossings,
  pathSlice,
  type Point,
  pointAt,
  segmentCrossing,
  withArcLength,
} from '../curves';
import { TOLERANCE } from '../kit';
import type { Skin } from '../surface';
import { isClosedOnSurface } from './wrap';

/** A line with its ends run on. */
export interface ExtendedLine {
  readonly path: Path;
  /** How many places stand before and after the line as measured. */
  readonly before: number;
  readonly after: number;
}

/**
 * Extends the ends of a line straight, past everything on the part.
 * @param ends which ends are extended; a closed line has none
 */
export function extendEnds(
  path: Path,
  skin: Skin,
  ends: { readonly start: boolean; readonly end: boolean },
): ExtendedLine {
  const [first, last] = [path[0]!, path.at(-1)!];
  if (isClosedOnSurface(path, skin)) return { path, before: 0, after: 0 };
  const before = ends.start ? skin.onward(first, false).reverse() : [];
  const after = ends.end ? skin.onward(last, true) : [];
  if (before.length + after.length === 0) return { path, before: 0, after: 0 };
  // The joint keeps its curvature: the point appears twice, once for each side.
  const lead = before.length > 0 ? withArcLength([...before, { ...first, curvature: 0 }]) : [];
  const base = lead.at(-1)?.at ?? 0;
  const shifted = path.map((point) => ({ ...point, at: base + point.at - first.at }));
  const end = shifted.at(-1)!.at;
  const tail =
    after.length > 0
      ? withArcLength([{ ...last, curvature: 0 }, ...after]).map((point) => ({ ...point, at: point.at + end }))
      : [];
  return { path: [...lead, ...shifted, ...tail], before: lead.length, after: tail.length };
}

/**
 * Stops one end of a line on another line: cut there, or run straight on to it.
 * @param targets paths of the line it ends on
 * @returns null where it does not meet them
 */
export function endOnLine(path: Path, end: 'start' | 'end', targets: readonly Path[], skin: Skin): Path | null {
  const atStart = end === 'start';
  const longer = extendEnds(path, skin, { start: atStart, end: !atStart });
  const ownEnd = atStart ? longer.path[longer.before]!.at : longer.path[longer.path.length - 1 - longer.after]!.at;
  const met = targets.flatMap((target) => pathCrossings(longer.path, target).map(({ onFirst }) => onFirst));
  const nearest = met.sort((a, b) => Math.abs(a - ownEnd) - Math.abs(b - ownEnd))[0];
  if (nearest === undefined) return null;
  const whole = longer.path;
  const piece = atStart ? pathSlice(whole, nearest, whole.at(-1)!.at) : pathSlice(whole, 0, nearest);
  const start = piece?.[0]?.at ?? 0;
  return piece && piece.map((point) => ({ ...point, at: point.at - start }));
}

/** The part of a sheet that lines may lie on. */
export interface TrimRegion {
  /** Rings a line is cut at. */
  readonly rims: readonly (readonly Point[])[];
  readonly holds: (place: Point) => boolean;
}

/** Where lines may lie: on the sheet, off its openings. */
export function trimRegion(skin: Skin, openings: readonly (readonly Point[])[]): TrimRegion {
  const bare = (place: Point) => !openings.some((ring) => isInsideRing(place, ring));
  return { rims: [...skin.rims, ...openings], holds: (place) => skin.holds(place) && bare(place) };
}

/**
 * The pieces of a path that lie on the part.
 * @returns pieces in order, distances as on the path given; empty where it misses the part
 */
export function piecesOnPart(path: Path, { rims, holds }: TrimRegion): Path[] {
  const cuts = [path[0]!.at, ...rims.flatMap((rim) => outlineCrossings(path, rim)), path.at(-1)!.at].sort(
    (a, b) => a - b,
  );
  const spans: { from: number; to: number }[] = [];
  for (let index = 1; index < cuts.length; index++) {
    const [from, to] = [cuts[index - 1]!, cuts[index]!];
    if (to - from < TOLERANCE.grid || !holds(pointAt(path, (from + to) / 2))) continue;
    const last = spans.at(-1);
    if (last && from - last.to < TOLERANCE.grid) last.to = to;
    else spans.push({ from, to });
  }
  return spans.map(({ from, to }) => pathSlice(path, from, to)).filter((piece): piece is Path => piece !== null);
}

/** Pieces that hang together with the line as measured: run on through the seam, but not past the first edge it meets. */
export function connectedPieces(
  pieces: readonly Path[],
  span: { readonly from: number; readonly to: number },
): readonly Path[] {
  const reaches = (piece: Path) =>
    piece.at(-1)!.at > span.from + TOLERANCE.grid && piece[0]!.at < span.to - TOLERANCE.grid;
  const goesOn = (piece: Path, next: Path) => next[0]!.at - piece.at(-1)!.at < TOLERANCE.grid;
  let first = pieces.findIndex(reaches);
  let last = pieces.findLastIndex(reaches);
  if (first < 0) return [];
  while (first > 0 && goesOn(pieces[first - 1]!, pieces[first]!)) first--;
  while (last < pieces.length - 1 && goesOn(pieces[last]!, pieces[last + 1]!)) last++;
  return pieces.slice(first, last + 1);
}

/** Distances along a path at which it crosses an outline. */
export function outlineCrossings(path: Path, rim: readonly Point[]): number[] {
  const box = boundingBox(rim);
  const distances: number[] = [];
  for (let index = 1; index < path.length; index++) {
    const [a, b] = [path[index - 1]!, path[index]!];
    const [minX, maxX] = a.x < b.x ? [a.x, b.x] : [b.x, a.x];
    const [minY, maxY] = a.y < b.y ? [a.y, b.y] : [b.y, a.y];
    if (maxX < box.minX || minX > box.maxX || maxY < box.minY || minY > box.maxY) continue;
    for (let edge = 0; edge < rim.length; edge++) {
      const c = rim[edge]!;
      const d = rim[(edge + 1) % rim.length]!;
      if (
        (c.x < minX && d.x < minX) ||
        (c.x > maxX && d.x > maxX) ||
        (c.y < minY && d.y < minY) ||
        (c.y > maxY && d.y > maxY)
      )
        continue;
      const met = segmentCrossing(a, b, c, d);
      if (met) distances.push(a.at + met.onFirst * (b.at - a.at));
    }
  }
  return distances;
}
