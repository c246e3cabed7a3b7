import { distance, type Point } from '../surface';

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
export const pathLength = (path: Path): number => path[path.length - 1].at - path[0].at;

/** Gives each place its distance along the line. */
export function withDistances(points: readonly Omit<PathPoint, 'at'>[]): PathPoint[] {
  let at = 0;
  return points.map((point, index) => {
    if (index > 0) at += distance(points[index - 1], point);
    return { ...point, at };
  });
}

/** The place at a distance along the path, between neighbours; clamped to the ends. */
export function pointAt(path: Path, at: number): PathPoint {
  const next = path.findIndex((point) => point.at >= at);
  if (next <= 0) return next === 0 ? path[0] : path[path.length - 1];
  const a = path[next - 1];
  const b = path[next];
  const share = b.at > a.at ? (at - a.at) / (b.at - a.at) : 0;
  const mix = (from: number, to: number) => from + share * (to - from);
  return { x: mix(a.x, b.x), y: mix(a.y, b.y), tx: mix(a.tx, b.tx), ty: mix(a.ty, b.ty), curvature: mix(a.curvature, b.curvature), at };
}

/** The piece of a path between two distances; null where it would be shorter than a micrometre. */
export function pieceOf(path: Path, from: number, to: number): Path | null {
  const start = Math.max(from, path[0].at);
  const end = Math.min(to, path[path.length - 1].at);
  if (end - start < 1e-3) return null;
  return [pointAt(path, start), ...path.filter(({ at }) => at > start + 1e-9 && at < end - 1e-9), pointAt(path, end)];
}

/** The tightest bend of a path; null for one without bends. */
export function tightestBend(path: Path): { readonly at: number; readonly radiusMm: number } | null {
  const tightest = path.reduce((worst, point) => (Math.abs(point.curvature) > Math.abs(worst.curvature) ? point : worst));
  return Math.abs(tightest.curvature) < 1e-7 ? null : { at: tightest.at, radiusMm: 1 / Math.abs(tightest.curvature) };
}

/** Distances along the path where it changes from bending one way to the other. */
export function inflections(path: Path): number[] {
  const found: number[] = [];
  let lastSign = 0;
  let lastAt = 0;
  for (const { curvature, at } of path) {
    const sign = Math.abs(curvature) < 1e-7 ? 0 : Math.sign(curvature);
    if (sign === 0) continue;
    if (lastSign !== 0 && sign !== lastSign) found.push((lastAt + at) / 2);
    lastSign = sign;
    lastAt = at;
  }
  return found;
}
