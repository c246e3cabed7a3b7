import * as v from 'valibot';
import { boundingBox, chainSpans, isInsideRing } from '../curves';
import { listOf, rotatedByOne } from '../kit';
import { outlineWithEdges } from './flat';
import { foldedFaults, netToSpace, type Panel, panelSchema, unfold } from './net';
import { cutFoldedNet } from './net-cut';
import { outlineFaults } from './outline';
import type { SurfaceFault, SurfaceType } from './surface-type';
import { openSheetSkin } from './true-sheet';

const schema = v.strictObject({ kind: v.literal('folded'), panels: listOf(panelSchema, 'panels', 40, 1) });
export type FoldedSurface = v.InferOutput<typeof schema>;

/** Flat panels joined at folds, unfolded onto one sheet; a bend is as wide on it as its arc is long. */
export const folded: SurfaceType<FoldedSurface, typeof schema> = {
  schema,
  faults: ({ panels }) => panelFaults(panels),
  sizedBy: ['panels'],
  skin: ({ panels }) => {
    const net = unfold(panels);
    const { ring, edges } = outlineWithEdges(
      chainSpans(
        [net.ring[0]!.x, net.ring[0]!.y],
        rotatedByOne(net.ring).map(({ x, y }) => ({ to: [x, y] })),
      ),
    );
    const { minX, maxX, minY, maxY } = boundingBox(ring);
    return {
      kind: 'folded',
      ...openSheetSkin(ring),
      edges,
      folds: net.panels.flatMap(({ fold }) => (fold ? [[fold.a, fold.b] as const] : [])),
      cut: (plane) => cutFoldedNet(net, plane),
      inSpace: (place) => netToSpace(net, place),
      facets: {
        placeAt: (along, up) => ({ x: minX + along * (maxX - minX), y: minY + up * (maxY - minY) }),
        holds: (place) => isInsideRing(place, ring),
        long: false,
      },
    };
  },
};

function panelFaults(panels: readonly Panel[]): SurfaceFault[] {
  const outlines = panels.flatMap(({ outline }, index) =>
    outlineFaults(outline).map(({ why }) => ({ keys: ['panels', index, 'outline'], why })),
  );
  if (outlines.length > 0) return outlines;
  const ids = panels.map(({ id }) => id);
  const twice = ids.flatMap((id, index) =>
    ids.indexOf(id) < index
      ? [{ keys: ['panels', index, 'id'], why: { code: 'surface.used-twice' as const, values: { id } } }]
      : [],
  );
  if (twice.length > 0) return twice;
  return foldedFaults(panels).map(({ panel, why }) => ({ keys: ['panels', panel, 'fold'], why }));
}
