import type { Skin } from '../surface';
import { fromGrid } from './grid';
import type { ArrangementEdge } from './intersections';

/** A piece of a seam edge: where along the seam it lies, and on which of its two copies. */
export interface SeamPiece {
  readonly from: number;
  readonly to: number;
  readonly side: 'low' | 'high';
}

/** Where on the seam an edge of the arrangement lies; null for edges elsewhere. */
export function seamPiece({ seam }: Skin, edge: Pick<ArrangementEdge, 'a' | 'b'>): SeamPiece | null {
  const [a, b] = [fromGrid(edge.a), fromGrid(edge.b)];
  if (!seam || !seam.holds(a) || !seam.holds(b) || a.y > 0 !== b.y > 0) return null;
  const [p, q] = [seam.along(a), seam.along(b)];
  return { from: Math.min(p, q), to: Math.max(p, q), side: a.y > 0 ? 'high' : 'low' };
}
