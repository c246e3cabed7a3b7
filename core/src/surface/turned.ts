import * as v from 'valibot';
import { extendGeodesic, geodesicBetween, geodesicFrom } from './geodesic';
import { girthMetric, type GirthStretch } from './metric';
import { pointOnProfile, profileFaults, profileOf, profileSchema } from './profile';
import { rectangularSheet } from './round-sheet';
import type { SurfaceType } from './surface-type';

const schema = v.strictObject({ kind: v.literal('turned'), profile: profileSchema });
export type TurnedSurface = v.InferOutput<typeof schema>;

/** A profile turned about its axis. Its sheet is a chart: x is true along the skin, y is stretched to the widest girth. */
export const turned: SurfaceType<TurnedSurface, typeof schema> = {
  schema,
  faults: (surface) =>
    profileFaults(surface.profile).map(({ pair, why }) => ({
      keys: pair === 0 ? ['profile', 'start'] : ['profile', 'edges', pair - 1],
      why,
    })),
  sizedBy: ['profile'],
  skin: (surface) => {
    const profile = profileOf(surface.profile);
    const { widestMm } = profile;
    const sheet = rectangularSheet(
      { lengthMm: profile.lengthMm, at: (along) => pointOnProfile(profile, along) },
      2 * Math.PI * widestMm,
    );
    const stretchAt: GirthStretch = (x) => {
      const { radius, slope } = pointOnProfile(profile, x);
      return { share: radius / widestMm, change: slope / widestMm };
    };
    const chart = { axle: sheet.axle, widestMm };
    return {
      kind: 'turned',
      ...sheet,
      metric: girthMetric(stretchAt),
      walk: (from, heading, lengthMm) => geodesicFrom(chart, from, heading, lengthMm),
      between: (from, to) => geodesicBetween(chart, from, to),
      onward: (end, forward) =>
        extendGeodesic(chart, end, forward).map((point) =>
          forward ? point : { ...point, tx: -point.tx, ty: -point.ty },
        ),
    };
  },
};
