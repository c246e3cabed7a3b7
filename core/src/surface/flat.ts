import * as v from 'valibot';
import { type ChainSpan, type Point, pointsOnSpan, ringArea } from '../curves';
import { outlineFaults, outlineSchema, outlineSpans } from './outline';
import { cutFlatSheet } from './plane';
import { numberedEdge, type SkinEdge } from './skin';
import type { SurfaceType } from './surface-type';
import { openSheetSkin } from './true-sheet';

const schema = v.strictObject({ kind: v.literal('flat'), outline: outlineSchema });
export type FlatSurface = v.InferOutput<typeof schema>;

/** A flat piece: its sheet is the piece, its outside to the right of who looks along it. */
export const flat: SurfaceType<FlatSurface, typeof schema> = {
  schema,
  faults: ({ outline }) =>
    outlineFaults(outline).map(({ corner, why }) => ({
      keys: corner === null ? ['outline'] : ['outline', outline.kind === 'polygon' ? 'points' : 'edges', corner],
      why,
    })),
  sizedBy: ['outline'],
  skin: ({ outline }) => {
    const { ring, edges } = outlineWithEdges(outlineSpans(outline));
    return {
      kind: 'flat',
      ...openSheetSkin(ring),
      edges,
      folds: [],
      cut: ({ a, c, offset }) => cutFlatSheet(ring, a, c, offset),
      inSpace: ({ x, y }) => ({ at: { x, y: 0, z: y }, out: { x: 0, y: -1, z: 0 } }),
      facets: null,
    };
  },
};

/** The ring of an outline, anticlockwise, and its edges in the order typed, each with the part on its left. */
export function outlineWithEdges(typed: readonly ChainSpan[]): {
  readonly ring: readonly Point[];
  readonly edges: readonly SkinEdge[];
} {
  const ring = typed.flatMap((span) => pointsOnSpan(span).slice(0, -1)).map(({ x, y }) => ({ x, y }));
  const turned = ringArea(ring) < 0;
  const edges = typed.map((span, index): SkinEdge => {
    const places = pointsOnSpan(span).map(({ x, y }) => ({ x, y }));
    return numberedEdge(index + 1, turned ? places.reverse() : places);
  });
  return { ring: turned ? ring.reverse() : ring, edges };
}
