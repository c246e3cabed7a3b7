import { lowerBound, TOLERANCE } from '../kit';
import { distance, type Point } from './point';

/** A place on a line with its direction and bend. */
export interface PathPoint extends Point {
  /** Unit direction of travel. */
  readonly tx: number;
  readonly ty: number;
  /** 1/mm, positive where the line bends to the left. */
  readonly curvature: number;
  /** Distance along the line, mm. */
  readonly at: number;
}

/** A line as closely spaced places: at least two; chords stray at most the flattening tolerance. */
export type Path = readonly PathPoint[];

/** Length of a path, mm. */
export const pathLength = (path: Path): number => path.at(-1)!.at - path[0]!.at;

/** True for a path that ends where it starts. */
export const isClosed = (path: Path): boolean => path.length > 3 && distance(path[0]!, path.at(-1)!) < TOLERANCE.along;

/** Gives each place its distance along the line. */
export function withArcLength(points: readonly Omit<PathPoint, 'at'>[]): PathPoint[] {
  let along = 0;
  return points.map((point, index) => {
    if (index > 0) along += distance(points[index - 1]!, point);
    return { ...point, at: along };
  });
}

/** The place at a distance along the path, between neighbours; clamped to the ends. */
export function pointAt(path: Path, along: number): PathPoint {
  const last = path.length - 1;
  if (along <= path[0]!.at) return path[0]!;
  if (along > path[last]!.at) return path[last]!;
  const next = lowerBound(1, last, (index) => path[index]!.at >= along);
  const a = path[next - 1]!;
  const b = path[next]!;
  const share = b.at > a.at ? (along - a.at) / (b.at - a.at) : 0;
  const mix = (from: number, to: number) => from + share * (to - from);
  return {
    x: mix(a.x, b.x),
    y: mix(a.y, b.y),
    tx: mix(a.tx, b.tx),
    ty: mix(a.ty, b.ty),
    curvature: mix(a.curvature, b.curvature),
    at: along,
  };
}

/** The piece of a path between two distances; null where it would be shorter than a micrometre. */
export function pathSlice(path: Path, from: number, to: number): Path | null {
  const start = Math.max(from, path[0]!.at);
  const end = Math.min(to, path.at(-1)!.at);
  if (end - start < TOLERANCE.grid) return null;
  return [
    pointAt(path, start),
    ...path.filter(({ at }) => at > start + TOLERANCE.rounding && at < end - TOLERANCE.rounding),
    pointAt(path, end),
  ];
}

/** What lies between two distances of some paths whose distances run on, piece by piece. */
export const pathsWithin = (paths: readonly Path[], from: number, to: number): Path[] =>
  paths.flatMap((path) => {
    const piece = pathSlice(path, from, to);
    return piece ? [piece] : [];
  });

/** The same line run the other way, distances from 0. */
export const reversedPath = (path: Path): Path =>
  [...path].reverse().map((point) => ({
    ...point,
    tx: -point.tx,
    ty: -point.ty,
    curvature: -point.curvature,
    at: path.at(-1)!.at - point.at,
  }));

/** A path mapped by a reflection of the plane: lengths stay, left and right are swapped. */
export function reflectPath(path: Path, reflect: (place: Point) => Point): Path {
  const origin = reflect({ x: 0, y: 0 });
  return path.map(({ x, y, tx, ty, curvature, at }) => {
    const place = reflect({ x, y });
    const tip = reflect({ x: tx, y: ty });
    return { x: place.x, y: place.y, tx: tip.x - origin.x, ty: tip.y - origin.y, curvature: -curvature, at };
  });
}

/** A path through places on straight pieces, with a corner at each: every corner is there twice, once for each direction. */
export function polylinePath(places: readonly Point[]): Path | null {
  const kept = places.filter((place, index) => index === 0 || distance(place, places[index - 1]!) > TOLERANCE.sample);
  if (kept.length < 2) return null;
  return withArcLength(
    kept.slice(1).flatMap((to, index) => {
      const from = kept[index]!;
      const length = distance(from, to);
      const heading = { tx: (to.x - from.x) / length, ty: (to.y - from.y) / length, curvature: 0 };
      return [
        { ...from, ...heading },
        { ...to, ...heading },
      ];
    }),
  );
}

/** A tangent break above this is a corner, not a bend, radians. */
const CORNER = (3 * Math.PI) / 180;

/** Distances along the path at which it has a corner. */
export function cornerDistances(path: Path): number[] {
  const distances = path
    .slice(1)
    .flatMap((point, index) =>
      point.at - path[index]!.at < TOLERANCE.along && breakBetween(path[index]!, point) > CORNER ? [point.at] : [],
    );
  const ends = isClosed(path) && breakBetween(path.at(-1)!, path[0]!) > CORNER;
  return ends ? [...distances, path.at(-1)!.at] : distances;
}

const breakBetween = (a: PathPoint, b: PathPoint): number =>
  Math.abs(Math.atan2(a.tx * b.ty - a.ty * b.tx, a.tx * b.tx + a.ty * b.ty));

/** The tightest bend of a path; null for one without bends. */
export function tightestBend(path: Path): { readonly at: number; readonly radiusMm: number } | null {
  const tightest = path.reduce((worst, point) =>
    Math.abs(point.curvature) > Math.abs(worst.curvature) ? point : worst,
  );
  return Math.abs(tightest.curvature) < TOLERANCE.straight
    ? null
    : { at: tightest.at, radiusMm: 1 / Math.abs(tightest.curvature) };
}

/** Distances along the path where it changes from bending one way to the other. */
export function inflections(path: Path): number[] {
  const distances: number[] = [];
  let lastSign = 0;
  let lastAt = 0;
  for (const { curvature, at } of path) {
    const sign = Math.abs(curvature) < TOLERANCE.straight ? 0 : Math.sign(curvature);
    if (sign === 0) continue;
    if (lastSign !== 0 && sign !== lastSign) distances.push((lastAt + at) / 2);
    lastSign = sign;
    lastAt = at;
  }
  return distances;
}

/** Where two paths cross: distance along each, in order along the first. */
export function pathCrossings(first: Path, second: Path): { readonly onFirst: number; readonly onSecond: number }[] {
  const crossings: { onFirst: number; onSecond: number }[] = [];
  for (let i = 1; i < first.length; i++) {
    const [a, b] = [first[i - 1]!, first[i]!];
    const [minX, maxX] = a.x < b.x ? [a.x, b.x] : [b.x, a.x];
    const [minY, maxY] = a.y < b.y ? [a.y, b.y] : [b.y, a.y];
    for (let j = 1; j < second.length; j++) {
      const [c, d] = [second[j - 1]!, second[j]!];
      if (
        (c.x < minX && d.x < minX) ||
        (c.x > maxX && d.x > maxX) ||
        (c.y < minY && d.y < minY) ||
        (c.y > maxY && d.y > maxY)
      )
        continue;
      const cross = (b.x - a.x) * (d.y - c.y) - (b.y - a.y) * (d.x - c.x);
      if (cross === 0) continue;
      const share = ((c.x - a.x) * (d.y - c.y) - (c.y - a.y) * (d.x - c.x)) / cross;
      const other = ((c.x - a.x) * (b.y - a.y) - (c.y - a.y) * (b.x - a.x)) / cross;
      if (share < 0 || share > 1 || other < 0 || other > 1) continue;
      const onFirst = a.at + share * (b.at - a.at);
      const onSecond = c.at + other * (d.at - c.at);
      // A crossing at a shared end of two pieces is one crossing.
      if (
        !crossings.some(
          (known) =>
            Math.abs(known.onFirst - onFirst) < TOLERANCE.along &&
            Math.abs(known.onSecond - onSecond) < TOLERANCE.along,
        )
      )
        crossings.push({ onFirst, onSecond });
    }
  }
  return crossings.sort((a, b) => a.onFirst - b.onFirst);
}

/** The distance along a path at which it comes nearest to a place. */
export function nearestOnPath(path: Path, place: Point): { readonly at: number; readonly distanceMm: number } {
  let best = { at: path[0]!.at, distanceMm: Infinity };
  for (let index = 1; index < path.length; index++) {
    const [a, b] = [path[index - 1]!, path[index]!];
    const dx = b.x - a.x;
    const dy = b.y - a.y;
    const square = dx * dx + dy * dy;
    const share = square === 0 ? 0 : Math.min(1, Math.max(0, ((place.x - a.x) * dx + (place.y - a.y) * dy) / square));
    const distanceMm = Math.hypot(place.x - a.x - share * dx, place.y - a.y - share * dy);
    if (distanceMm < best.distanceMm) best = { at: a.at + share * (b.at - a.at), distanceMm };
  }
  return best;
}
