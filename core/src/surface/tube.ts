import * as v from 'valibot';
import { lengthMm, TOLERANCE } from '../kit';
import { rectangularSheet } from './round-sheet';
import type { SurfaceType } from './surface-type';
import { distanceAcrossSheet, extendStraight, trueSheetSkin } from './true-sheet';

const schema = v.strictObject({ kind: v.literal('tube'), diameter: lengthMm(), length: lengthMm() });
export type TubeSurface = v.InferOutput<typeof schema>;

/** Maximum number of turns for extending a line round a tube. */
const MOST_TURNS = 3;

/** A tube unrolled: its top is y = 0, its seam is below. */
export const tube: SurfaceType<TubeSurface, typeof schema> = {
  schema,
  faults: () => [],
  sizedBy: ['diameter'],
  skin: ({ diameter, length }) => {
    const radius = diameter / 2;
    const girthMm = 2 * Math.PI * radius;
    const sheet = rectangularSheet(
      { lengthMm: length, at: (along) => ({ along, radius, slope: 0, axial: 1 }) },
      girthMm,
    );
    return {
      kind: 'tube',
      ...trueSheetSkin(sheet.ring),
      ...sheet,
      onward: (end, forward) => {
        const across = distanceAcrossSheet(sheet.ring, end);
        const needed = length / Math.max(TOLERANCE.along, Math.abs(end.tx));
        return extendStraight(end, forward, Math.max(across, Math.min(needed + across, MOST_TURNS * girthMm)));
      },
    };
  },
};
