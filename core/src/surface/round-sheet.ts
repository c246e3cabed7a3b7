import { type Point, withArcLength } from '../curves';
import { messageWithoutValues } from '../kit';
import { type GirthProfile, type RevolutionAxis, revolutionToSpace, revolutionView } from './revolution-axis';
import { cutRevolution } from './round-cut';
import { translationSeam } from './seam';
import type { Skin, SkinEdge } from './skin';

/** Places along a ring that lies straight on its sheet. */
const RING_STEPS = 64;

/** One end of a round surface as an edge. */
export const endEdge = (code: 'edge.near' | 'edge.far', places: readonly Point[]): SkinEdge => ({
  name: messageWithoutValues(code),
  places,
  closed: false,
});

/** What every turned skin has whatever its sheet looks like. */
export const revolutionSkin = (
  axle: RevolutionAxis,
): Pick<Skin, 'axle' | 'folds' | 'cut' | 'inSpace' | 'reflect' | 'shownRims' | 'facets'> => ({
  axle,
  folds: [],
  cut: (plane) => cutRevolution(axle, plane),
  inSpace: (place) => revolutionToSpace(axle, axle.onRound(place)),
  reflect: ({ x, y }) => ({ x, y: 0 - y }),
  ...revolutionView(axle),
});

/** A tube, or the chart of a turned surface: an upright rectangle about y = 0, rings upright on it. */
export function rectangularSheet(girth: GirthProfile, girthMm: number) {
  const half = girthMm / 2;
  const [l, h] = [girth.lengthMm, half];
  const ring = [
    { x: 0, y: -h },
    { x: l, y: -h },
    { x: l, y: h },
    { x: 0, y: h },
  ];
  const onSheet: RevolutionAxis['onSheet'] = ({ along, angle }) => ({ x: along, y: (girthMm / (2 * Math.PI)) * angle });
  const axle: RevolutionAxis = {
    ...girth,
    onSheet,
    onRound: ({ x, y }) => ({ along: x, angle: (2 * Math.PI * y) / girthMm }),
    ringAt: (along) =>
      withArcLength(
        Array.from({ length: RING_STEPS + 1 }, (_, step) => ({
          ...onSheet({ along, angle: 2 * Math.PI * (step / RING_STEPS - 0.5) }),
          tx: 0,
          ty: 1,
          curvature: 0,
        })),
      ),
  };
  const edges = [endEdge('edge.far', [ring[1]!, ring[2]!]), endEdge('edge.near', [ring[3]!, ring[0]!])];
  return {
    ...revolutionSkin(axle),
    axle,
    ring,
    edges,
    seam: translationSeam(girthMm, l),
    rims: edges.map(({ places }) => places),
    holds: ({ x }: Point) => x > 0 && x < l,
  };
}
