import * as v from 'valibot';
import { arcSteps, type Place, type Point, ringArea } from '../curves';
import {
  coordinate,
  type DatumId,
  faultText,
  type FeatureId,
  idText,
  lengthMm,
  listOf,
  messageWithoutValues,
  nameText,
  numberBetween,
  oneOfWords,
  positiveUpTo,
  TOLERANCE,
} from '../kit';
import { type Datum, pointOfMeasurement } from './datum';
import type { SurfaceMessage } from './messages';
import { ringFaults } from './outline';

export const measuredSchema = v.strictObject({ along: coordinate(), above: coordinate() });

/** Shape of an opening or a zone, measured from a datum. */
const zoneShapeSchema = v.variant(
  'kind',
  [
    v.strictObject({ kind: v.literal('round'), at: measuredSchema, diameter: lengthMm() }),
    v.strictObject({
      kind: v.literal('window'),
      /** Its middle. */
      at: measuredSchema,
      width: lengthMm(),
      height: lengthMm(),
      /** Radius of its corners. */
      corner: numberBetween(0, 15_000, 'mm'),
    }),
    v.strictObject({
      kind: v.literal('corners'),
      points: listOf(measuredSchema, 'corners', 200, 3),
    }),
  ],
  faultText({ code: 'field.choice', values: { choices: ['round', 'window', 'corners'] } }),
);
export type ZoneShape = v.InferOutput<typeof zoneShapeSchema>;

const common = { id: idText<FeatureId>(), name: nameText(), datum: idText<DatumId>() };

/** What an opening is. */
export const OPENING_USES = ['hole', 'window', 'gap', 'jamb', 'port', 'box', 'recess', 'strip', 'post', 'lug'] as const;
export type OpeningUse = (typeof OPENING_USES)[number];

/** Ways to close an opening, in the order they are offered. */
export const CLOSING_WAYS = [
  'foam',
  'tape',
  'disc',
  'film',
  'box',
  'sheet',
  'putty',
  'bag',
  'pieces',
  'back-mask',
  'inside',
  'nothing',
] as const;
export type ClosingWay = (typeof CLOSING_WAYS)[number];

/** Something on the surface that a tape meets. */
export const featureSchema = v.variant(
  'kind',
  [
    v.strictObject({
      kind: v.literal('opening'),
      ...common,
      shape: zoneShapeSchema,
      use: oneOfWords(OPENING_USES),
    }),
    v.strictObject({
      kind: v.literal('raised-row'),
      ...common,
      from: measuredSchema,
      to: measuredSchema,
      height: positiveUpTo(100, 'mm'),
      /** Distance from one to the next. */
      pitch: positiveUpTo(5000, 'mm'),
    }),
    v.strictObject({
      kind: v.literal('crease'),
      ...common,
      from: measuredSchema,
      to: measuredSchema,
      bend: oneOfWords(['convex', 'concave']),
      angleDeg: numberBetween(0, 180, '°'),
      radius: numberBetween(0, 1000, 'mm'),
    }),
    v.strictObject({ kind: v.literal('texture'), ...common, shape: zoneShapeSchema }),
    v.strictObject({ kind: v.literal('no-touch'), ...common, shape: zoneShapeSchema }),
    v.strictObject({
      kind: v.literal('fresh-paint'),
      ...common,
      shape: zoneShapeSchema,
      ageH: numberBetween(0, 100_000, 'h'),
    }),
  ],
  faultText({
    code: 'field.choice',
    values: { choices: ['opening', 'raised-row', 'crease', 'texture', 'no-touch', 'fresh-paint'] },
  }),
);
export type Feature = v.InferOutput<typeof featureSchema>;
export type FeatureKind = Feature['kind'];

/** Kinds of feature, in the order they are offered. */
export const FEATURE_KINDS = [
  'opening',
  'raised-row',
  'crease',
  'texture',
  'no-touch',
  'fresh-paint',
] as const satisfies readonly FeatureKind[];

/** A feature where it lies on the sheet: a zone as an anticlockwise ring, or a row as two ends. */
export interface PlacedFeature {
  readonly id: string;
  readonly name: string;
  readonly kind: FeatureKind;
  readonly ring: readonly Point[] | null;
  readonly row: readonly [Point, Point] | null;
  /** Of a crease: which way it bends. */
  readonly bend: 'convex' | 'concave' | null;
}

/** Places features on the sheet, except those measured from a missing datum. */
export function placedFeatures(features: readonly Feature[], datums: readonly Datum[]): PlacedFeature[] {
  return features.flatMap((feature): PlacedFeature[] => {
    const datum = datums.find(({ id }) => id === feature.datum);
    if (!datum) return [];
    const { id, name, kind } = feature;
    if (feature.kind === 'raised-row' || feature.kind === 'crease')
      return [
        {
          id,
          name,
          kind,
          ring: null,
          row: [pointOfMeasurement(datum, feature.from), pointOfMeasurement(datum, feature.to)] as const,
          bend: feature.kind === 'crease' ? feature.bend : null,
        },
      ];
    return [{ id, name, kind, ring: zoneRing(feature.shape, datum), row: null, bend: null }];
  });
}

/** A zone as a ring on the sheet, anticlockwise. */
function zoneRing(shape: ZoneShape, datum: Datum): Point[] {
  const ring = measuredRing(shape).map(([along, above]) => pointOfMeasurement(datum, { along, above }));
  return ringArea(ring) < 0 ? ring.reverse() : ring;
}

function measuredRing(shape: ZoneShape): Place[] {
  if (shape.kind === 'corners') return shape.points.map(({ along, above }) => [along, above]);
  const { along, above } = shape.at;
  if (shape.kind === 'round') return roundCorner(along, above, shape.diameter / 2, 0, 2 * Math.PI).slice(0, -1);
  const radius = Math.min(shape.corner, shape.width / 2, shape.height / 2);
  const [w, h] = [shape.width / 2 - radius, shape.height / 2 - radius];
  const corners = [
    [1, 1, 0],
    [-1, 1, 1],
    [-1, -1, 2],
    [1, -1, 3],
  ] as const;
  return corners.flatMap(([right, up, quarter]) =>
    roundCorner(along + right * w, above + up * h, radius, (quarter * Math.PI) / 2, Math.PI / 2),
  );
}

function roundCorner(x: number, y: number, radius: number, start: number, turn: number): Place[] {
  if (radius < 0.01) return [[x, y]];
  const steps = arcSteps(radius, turn, TOLERANCE.flatten);
  return Array.from({ length: steps + 1 }, (_, step) => {
    const angle = start + (turn * step) / steps;
    return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)];
  });
}

/** Faults of a feature's shape, in a sentence; null for a sound one. */
export function featureFault(feature: Feature): SurfaceMessage | null {
  if (feature.kind === 'raised-row' || feature.kind === 'crease') {
    const length = Math.hypot(feature.to.along - feature.from.along, feature.to.above - feature.from.above);
    return length < 0.01 ? messageWithoutValues('feature.no-length') : null;
  }
  if (feature.shape.kind !== 'corners') return null;
  return ringFaults(feature.shape.points.map(({ along, above }) => ({ x: along, y: above })))[0]?.why ?? null;
}
