import * as v from 'valibot';
import { arcAbout, arcSteps, type Point } from '../curves';
import { lengthMm, messageWithoutValues, numberBetween, TOLERANCE } from '../kit';
import { coneSheet } from './cone-unrolled';
import type { RevolutionAxis } from './revolution-axis';
import { endEdge, revolutionSkin } from './round-sheet';
import { rotationSeam } from './seam';
import type { SurfaceType } from './surface-type';
import { trueSheetSkin } from './true-sheet';

const schema = v.strictObject({
  kind: v.literal('cone'),
  /** Diameter at the end lengths are measured from, and at the other. */
  d1: numberBetween(0, 30_000, 'mm'),
  d2: numberBetween(0, 30_000, 'mm'),
  length: lengthMm(),
});
export type ConeSurface = v.InferOutput<typeof schema>;

/**
 * A cone unrolled: a sector of a ring, its top along y = 0. Its ends are arcs on the sheet, flattened; the flattened
 * outline is used everywhere.
 */
export const cone: SurfaceType<ConeSurface, typeof schema> = {
  schema,
  faults: ({ d1, d2 }) => (d1 === d2 ? [{ keys: ['d2'], why: messageWithoutValues('surface.cone-is-tube') }] : []),
  sizedBy: [],
  skin: ({ d1, d2, length }) => {
    const { slantMm, sinHalfAngle } = coneSheet(d1, d2, length);
    const side = sinHalfAngle > 0 ? 1 : -1;
    const steep = Math.abs(sinHalfAngle);
    const sector = 2 * Math.PI * steep;
    const apex = { x: (-side * d1) / 2 / steep, y: 0 };
    const radiusAt = (along: number) => d1 / 2 + sinHalfAngle * along;
    const polar = (reach: number, angle: number): Point => ({
      x: apex.x + side * reach * Math.cos(angle),
      y: reach * Math.sin(angle),
    });
    const onSheet: RevolutionAxis['onSheet'] = ({ along, angle }) =>
      polar(radiusAt(along) / (sector / (2 * Math.PI)), (angle * sector) / (2 * Math.PI));
    const axle: RevolutionAxis = {
      lengthMm: slantMm,
      at: (along) => ({
        along: (along * length) / slantMm,
        radius: radiusAt(along),
        slope: sinHalfAngle,
        axial: length / slantMm,
      }),
      onSheet,
      onRound: ({ x, y }) => {
        const dx = side * (x - apex.x);
        return {
          along: side * (Math.hypot(dx, y) - Math.abs(apex.x)),
          angle: (Math.atan2(y, dx) * 2 * Math.PI) / sector,
        };
      },
      ringAt: (along) =>
        arcAbout(apex, onSheet({ along, angle: -Math.PI }), side * sector, onSheet({ along, angle: Math.PI })),
    };
    const end = (along: number): Point[] => {
      const reach = radiusAt(along) / steep;
      const steps = reach === 0 ? 0 : arcSteps(reach, sector, TOLERANCE.flatten);
      return Array.from({ length: steps + 1 }, (_, step) =>
        polar(reach, sector * (steps === 0 ? 0 : step / steps - 0.5)),
      );
    };
    const far = end(slantMm);
    const near = end(0).reverse();
    const ring = [...far, ...near];
    const seamEdge = (angle: number) => [onSheet({ along: 0, angle }), onSheet({ along: slantMm, angle })] as const;
    return {
      kind: 'cone',
      ...trueSheetSkin(ring),
      ...revolutionSkin(axle),
      ring,
      edges: [...(d2 > 0 ? [endEdge('edge.far', far)] : []), ...(d1 > 0 ? [endEdge('edge.near', near)] : [])],
      seam: rotationSeam({ apex, sector, side }, [seamEdge(-Math.PI), seamEdge(Math.PI)]),
    };
  },
};
