import { boxOf, crossing, distance, insideRing, type Point } from '../surface';
import { TOLERANCE } from '../units';
import { pathLength, pieceOf, pointAt, withDistances, type Path, type PathPoint } from './path';

/**
 * Runs both ends of a line straight on, past everything on the part.
 * @returns the longer path and the distances between which it is the line as measured
 */
export function runOn(path: Path, ring: readonly Point[]): { readonly path: Path; readonly from: number; readonly to: number } {
  const [first, last] = [path[0], path[path.length - 1]];
  const box = boxOf([...ring, first, last]);
  const far = distance({ x: box.minX, y: box.minY }, { x: box.maxX, y: box.maxY }) + 1;
  const ahead = (point: PathPoint, sign: number): PathPoint => ({
    ...point,
    x: point.x + sign * far * point.tx,
    y: point.y + sign * far * point.ty,
    curvature: 0,
  });
  // The join keeps its own bend: the place is there twice, once for each side of it.
  const longer = withDistances([ahead(first, -1), { ...first, curvature: 0 }, ...path, { ...last, curvature: 0 }, ahead(last, 1)]);
  return { path: longer, from: far, to: far + pathLength(path) };
}

/**
 * The pieces of a path inside an outline.
 * @param measured only pieces that reach into this span are kept, so that a line run on stops at the first edge it meets
 * @returns pieces in order, distances as on the path given; empty where it misses the part
 */
export function piecesInside(path: Path, ring: readonly Point[], measured: { readonly from: number; readonly to: number }): Path[] {
  const cuts = [path[0].at, ...edgeCrossings(path, ring), path[path.length - 1].at];
  const spans: { from: number; to: number }[] = [];
  for (let index = 1; index < cuts.length; index++) {
    const [from, to] = [cuts[index - 1], cuts[index]];
    if (to - from < TOLERANCE.grid || !insideRing(pointAt(path, (from + to) / 2), ring)) continue;
    const last = spans.at(-1);
    if (last && from - last.to < TOLERANCE.grid) last.to = to;
    else spans.push({ from, to });
  }
  return spans
    .filter(({ from, to }) => to > measured.from + TOLERANCE.grid && from < measured.to - TOLERANCE.grid)
    .map(({ from, to }) => pieceOf(path, from, to))
    .filter((piece): piece is Path => piece !== null);
}

/** Distances along the path where it crosses the outline, in order. */
function edgeCrossings(path: Path, ring: readonly Point[]): number[] {
  const found: number[] = [];
  for (let index = 1; index < path.length; index++) {
    const [a, b] = [path[index - 1], path[index]];
    ring.forEach((corner, edge) => {
      const met = crossing(a, b, corner, ring[(edge + 1) % ring.length]);
      if (met) found.push(a.at + met.onFirst * (b.at - a.at));
    });
  }
  return found.sort((a, b) => a - b);
}
