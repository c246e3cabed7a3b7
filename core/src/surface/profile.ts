import * as v from 'valibot';
import {
  chainLength,
  type ChainSpan,
  chainSpans,
  cubicSpline,
  distance,
  edgeSchema,
  placeSchema,
  type Point,
  pointFromPair,
  pointOnSpan,
  pointsOnSpan,
  type Spline,
  splineAt,
} from '../curves';
import { booleanField, listOf, lowerBound, messageWithoutValues, TOLERANCE } from '../kit';
import type { SurfaceMessage } from './messages';

/** Half the outline of a turned piece: [length along the axis, radius] from one end to the other. */
export const profileSchema = v.strictObject({
  start: placeSchema,
  edges: listOf(edgeSchema, 'profile-pairs', 200, 1),
  /** True: a smooth curve through all the pairs; false: straight and round edges as given. */
  smooth: booleanField(),
});
export type ProfileShape = v.InferOutput<typeof profileSchema>;

/** A profile ready to be measured along. */
export interface Profile {
  readonly lengthMm: number;
  readonly widestMm: number;
  readonly spans: readonly ChainSpan[];
  /** The two splines of a smooth profile, and its length up to evenly spread places of them; null where it is not smooth. */
  readonly smooth: { readonly along: Spline; readonly radius: Spline; readonly lengths: readonly number[] } | null;
}

/** One place on a profile. */
export interface ProfilePoint {
  /** Along the axis, mm. */
  readonly along: number;
  readonly radius: number;
  /** Change of radius and of axis length per mm along the profile. */
  readonly slope: number;
  readonly axial: number;
}

/** Places of each span of a smooth profile at which its length is known. */
const PER_SPAN = 256;

/** Parametrizes a profile by its length; a smooth one is a cubic spline over centripetal distance. */
export function profileOf({ start, edges, smooth }: ProfileShape): Profile {
  const spans = chainSpans(start, edges);
  if (!smooth || edges.length < 2)
    return { lengthMm: chainLength(spans), widestMm: widest(spans), spans, smooth: null };
  const places = [start, ...edges.map(({ to }) => to)].map(pointFromPair);
  const knots = centripetal(places);
  const along = splineOver(knots, places, 'x');
  const radius = splineOver(knots, places, 'y');
  const lengths = lengthsAlong(along, radius);
  const profile: Profile = { lengthMm: lengths.at(-1)!, widestMm: 0, spans: [], smooth: { along, radius, lengths } };
  const samples = Array.from(
    { length: 401 },
    (_, step) => pointOnProfile(profile, (profile.lengthMm * step) / 400).radius,
  );
  return { ...profile, widestMm: Math.max(...samples) };
}

/** The place at a distance along the profile; clamped to its ends. */
export function pointOnProfile({ spans, smooth, lengthMm }: Profile, alongMm: number): ProfilePoint {
  const within = Math.min(lengthMm, Math.max(0, alongMm));
  if (!smooth) {
    const span = spans.find(({ endAt }) => within <= endAt) ?? spans.at(-1)!;
    const { x, y, tx, ty } = pointOnSpan(span, within);
    return { along: x, radius: Math.max(0, y), slope: ty, axial: tx };
  }
  const [span, share] = placeAtLength(smooth.lengths, within);
  const [along, dAlong] = splineAt(smooth.along, span, share);
  const [radius, dRadius] = splineAt(smooth.radius, span, share);
  const speed = Math.hypot(dAlong, dRadius) || 1;
  return { along, radius: Math.max(0, radius), slope: dRadius / speed, axial: dAlong / speed };
}

/** Span and share of it at a length along a smooth profile. */
function placeAtLength(lengths: readonly number[], along: number): readonly [number, number] {
  const next = lowerBound(1, lengths.length - 1, (index) => lengths[index]! > along);
  const step = next - 1 + (along - lengths[next - 1]!) / (lengths[next]! - lengths[next - 1]! || 1);
  const span = Math.min(Math.floor(step / PER_SPAN), (lengths.length - 1) / PER_SPAN - 1);
  return [span, step / PER_SPAN - span];
}

/** Faults of a profile, each with the pair it concerns (0 is the start). */
export function profileFaults({
  start,
  edges,
}: ProfileShape): { readonly pair: number; readonly why: SurfaceMessage }[] {
  const places = [start, ...edges.map(({ to }) => to)];
  const negative = places.findIndex(([, radius]) => radius < 0);
  if (negative >= 0) return [{ pair: negative, why: messageWithoutValues('profile.negative') }];
  const same = places.findIndex(
    (place, index) => index > 0 && distance(pointFromPair(place), pointFromPair(places[index - 1]!)) < 0.01,
  );
  if (same >= 0) return [{ pair: same, why: messageWithoutValues('profile.same-pair') }];
  const dips = chainSpans(start, edges).findIndex((span) => pointsOnSpan(span).some(({ y }) => y < -TOLERANCE.along));
  if (dips >= 0) return [{ pair: dips + 1, why: messageWithoutValues('profile.passes-axis') }];
  if (places.every(([, radius]) => radius === 0)) return [{ pair: 0, why: messageWithoutValues('profile.no-radius') }];
  return [];
}

function widest(spans: readonly ChainSpan[]): number {
  return spans.reduce((most, span) => {
    const ends = Math.max(most, span.from.y, span.to.y);
    return span.arc ? pointsOnSpan(span, TOLERANCE.grid).reduce((best, { y }) => Math.max(best, y), ends) : ends;
  }, 0);
}

/** Centripetal parametrization: knots by the square root of the distance, which prevents loops. */
const centripetal = (places: readonly Point[]): number[] =>
  places.reduce<number[]>(
    (sums, place, index) => [
      ...sums,
      index === 0 ? 0 : sums[index - 1]! + Math.sqrt(distance(places[index - 1]!, place)),
    ],
    [],
  );

const splineOver = (knots: readonly number[], places: readonly Point[], axis: 'x' | 'y'): Spline =>
  cubicSpline(
    knots,
    places.map((place) => place[axis]),
  );

/** Length of the curve up to each of the places known of it, from its speed by Simpson's rule. */
function lengthsAlong(x: Spline, y: Spline): number[] {
  const speed = (span: number, share: number) => Math.hypot(splineAt(x, span, share)[1], splineAt(y, span, share)[1]);
  const sums = [0];
  for (let span = 0; span < x.knots.length - 1; span++) {
    const width = (x.knots[span + 1]! - x.knots[span]!) / PER_SPAN;
    for (let step = 0; step < PER_SPAN; step++) {
      const [from, to] = [step / PER_SPAN, (step + 1) / PER_SPAN];
      const mean = (speed(span, from) + 4 * speed(span, (from + to) / 2) + speed(span, to)) / 6;
      sums.push(sums.at(-1)! + mean * width);
    }
  }
  return sums;
}
