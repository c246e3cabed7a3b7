import { distance, type Point } from '../curves';
import { type Sheet } from '../surface';
import { fromGrid } from './grid';
import type { NodedEdge } from './node';

/** True for a place on one of the two edges of a sheet that are the same line on the part. */
export function onSeam({ turns }: Sheet, place: Point): boolean {
  if (!turns) return false;
  if (turns.kind === 'shift') return Math.abs(Math.abs(place.y) - turns.girthMm / 2) < 1e-3;
  const dx = turns.side * (place.x - turns.apex.x);
  const reach = Math.hypot(dx, place.y);
  return Math.abs(Math.abs(Math.atan2(place.y, dx)) - turns.sector / 2) * reach < 2e-3;
}

/** A piece of a seam edge: where along the seam it lies, and on which of its two copies. */
export interface SeamPiece {
  readonly from: number;
  readonly to: number;
  readonly side: 'low' | 'high';
}

/** Where on the seam an edge of the arrangement lies; null for edges elsewhere. */
export function seamPiece(sheet: Sheet, edge: Pick<NodedEdge, 'a' | 'b'>): SeamPiece | null {
  const { turns } = sheet;
  const [a, b] = [fromGrid(edge.a), fromGrid(edge.b)];
  if (!turns || !onSeam(sheet, a) || !onSeam(sheet, b) || a.y > 0 !== b.y > 0) return null;
  const along = (place: Point) => (turns.kind === 'shift' ? place.x : distance(turns.apex, place));
  const [p, q] = [along(a), along(b)];
  return { from: Math.min(p, q), to: Math.max(p, q), side: a.y > 0 ? 'high' : 'low' };
}
