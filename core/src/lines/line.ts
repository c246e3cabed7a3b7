import * as v from 'valibot';
import { placeSchema } from '../curves';
import {
  booleanField,
  coordinate,
  type DatumId,
  faultText,
  idText,
  lengthMm,
  type LineId,
  listOf,
  messageWithoutValues,
  nameText,
  numberBetween,
  oneOfWords,
  type PartId,
  wholeBetween,
} from '../kit';
import { measuredSchema } from '../surface';

/** Which view of the whole piece a plane is seen edge-on in. */
const VIEWS = ['side', 'top', 'end'] as const;
export type ViewName = (typeof VIEWS)[number];

const common = {
  id: idText<LineId>(),
  name: nameText(),
  /** True: both ends are extended straight to the edge of the part. */
  runOn: booleanField(),
  /** Lines these ends stop at, run on to them or cut there; left out where they do not. */
  startOn: v.optional(idText<LineId>()),
  endOn: v.optional(idText<LineId>()),
  hidden: v.optional(booleanField()),
  locked: v.optional(booleanField()),
};
const measured = { ...common, datum: idText<DatumId>() };
const points = (least: number, most: number) => listOf(measuredSchema, 'measured-points', most, least);
const angle = () => numberBetween(-360, 360, '°');
const viewPlace = () => v.strictObject({ across: coordinate(), up: coordinate() });

const straightSchema = v.strictObject({
  kind: v.literal('straight'),
  ...measured,
  from: measuredSchema,
  to: measuredSchema,
});
const arcSchema = v.strictObject({
  kind: v.literal('arc'),
  ...measured,
  from: measuredSchema,
  through: measuredSchema,
  to: measuredSchema,
  /** Further places it passes as near as one circle can. */
  also: v.optional(points(1, 50)),
});
const radiusSchema = v.strictObject({
  kind: v.literal('radius'),
  ...measured,
  from: measuredSchema,
  /** Direction it starts in, from the datum, to the left. */
  headingDeg: angle(),
  radius: lengthMm(),
  /** How far it turns: above 0 to the left, below 0 to the right. */
  turnDeg: angle(),
});
const sweepSchema = v.strictObject({
  kind: v.literal('sweep'),
  ...measured,
  points: points(2, 200),
  /** Directions it must leave and arrive in, from the datum; left out where it may choose. */
  startDeg: v.optional(angle()),
  endDeg: v.optional(angle()),
});
const ellipseSchema = v.strictObject({
  kind: v.literal('ellipse'),
  ...measured,
  centre: measuredSchema,
  /** Both diameters; a circle where they are the same. */
  width: lengthMm(),
  height: lengthMm(),
  turnDeg: angle(),
});
const frameSchema = v.strictObject({
  kind: v.literal('frame'),
  ...measured,
  centre: measuredSchema,
  width: lengthMm(),
  height: lengthMm(),
  /** Radius of its corners; 0: sharp ones. */
  corner: numberBetween(0, 15_000, 'mm'),
  turnDeg: angle(),
});
const ringSchema = v.strictObject({
  kind: v.literal('ring'),
  ...common,
  /** Along the axis from the near end. */
  at: coordinate(),
});
const parallelSchema = v.strictObject({
  kind: v.literal('parallel'),
  ...common,
  /** A line, or an edge of the outline by its number (0 is the first). */
  of: v.union(
    [idText<LineId>(), v.strictObject({ edge: wholeBetween(0, 499) })],
    faultText(messageWithoutValues('field.line-or-edge')),
  ),
  /** Positive: to the left of the other line's direction, which is above a line that runs to the right. */
  offset: v.pipe(
    coordinate(),
    v.check((value) => Math.abs(value) >= 0.05, faultText({ code: 'field.offset', values: { leastMm: 0.05 } })),
  ),
});
const bandsSchema = v.strictObject({
  kind: v.literal('bands'),
  ...measured,
  /** Where they are measured from, and in which direction they follow each other. */
  from: measuredSchema,
  headingDeg: angle(),
  count: wholeBetween(1, 100),
  width: lengthMm(),
  gap: numberBetween(0, 30_000, 'mm'),
  /** Bare length before the first. */
  margin: numberBetween(0, 30_000, 'mm'),
  /** How far they slant from square across. */
  slantDeg: numberBetween(-80, 80, '°'),
  /** Width of the last as a share of the first; gaps shrink or grow alike. */
  taper: numberBetween(0.05, 20),
});
const mirrorSchema = v.strictObject({ kind: v.literal('mirror'), ...measured, of: idText<LineId>() });
const filletSchema = v.strictObject({
  kind: v.literal('fillet'),
  ...common,
  a: idText<LineId>(),
  b: idText<LineId>(),
  radius: lengthMm(),
  /** Which end of each line stays; the rest beyond the rounding is cut off. */
  keepA: oneOfWords(['start', 'end']),
  keepB: oneOfWords(['start', 'end']),
});
const raysSchema = v.strictObject({
  kind: v.literal('rays'),
  ...measured,
  from: measuredSchema,
  count: wholeBetween(1, 120),
  firstDeg: angle(),
  stepDeg: angle(),
  /** Bare length at the middle, and how long each ray is from there. */
  clear: numberBetween(0, 30_000, 'mm'),
  length: lengthMm(),
});
const cutSchema = v.strictObject({
  kind: v.literal('cut'),
  ...common,
  /** The plane is seen as a straight line in this view, through these two places of the whole piece. */
  view: oneOfWords(VIEWS),
  from: viewPlace(),
  to: viewPlace(),
  /** Only what one sees in that view, only what one does not, or all round. */
  half: oneOfWords(['near', 'far', 'both']),
});
const continuationSchema = v.strictObject({
  kind: v.literal('continuation'),
  ...common,
  part: idText<PartId>(),
  of: idText<LineId>(),
  end: oneOfWords(['start', 'end']),
  /** Straight on as seen from the side or from above, or level. */
  mode: oneOfWords(['side', 'top', 'level']),
});
const waveSchema = v.strictObject({
  kind: v.literal('wave'),
  ...measured,
  from: measuredSchema,
  to: measuredSchema,
  pitch: lengthMm(),
  height: lengthMm(),
  shape: oneOfWords(['wave', 'scallop']),
});
const textSchema = v.strictObject({
  kind: v.literal('text'),
  ...measured,
  text: v.pipe(
    v.string(faultText(messageWithoutValues('field.letters-needed'))),
    v.regex(/^[A-Z0-9][A-Z0-9 .-]{0,23}$/, faultText({ code: 'field.lettering', values: { most: 24 } })),
  ),
  at: measuredSchema,
  height: lengthMm(),
  /** Width of the strokes, mm. */
  stroke: lengthMm(),
  /** Spacing between letters, mm. */
  spacing: numberBetween(0, 5000, 'mm'),
  slantDeg: numberBetween(-45, 45, '°'),
  turnDeg: angle(),
});
const importedSchema = v.strictObject({
  kind: v.literal('imported'),
  ...measured,
  /** Places of each path in order; a closed one ends where it starts. */
  paths: listOf(
    v.strictObject({ closed: booleanField(), points: listOf(placeSchema, 'places', 5000, 2) }),
    'paths',
    500,
    1,
  ),
});

/** A trim line by its measurements. */
export const lineSchema = v.variant(
  'kind',
  [
    straightSchema,
    arcSchema,
    radiusSchema,
    sweepSchema,
    ellipseSchema,
    frameSchema,
    ringSchema,
    parallelSchema,
    bandsSchema,
    mirrorSchema,
    filletSchema,
    raysSchema,
    cutSchema,
    continuationSchema,
    waveSchema,
    textSchema,
    importedSchema,
  ],
  faultText(messageWithoutValues('field.line-kind')),
);
export type TrimLine = v.InferOutput<typeof lineSchema>;
export type LineKind = TrimLine['kind'];
export type LineOf<K extends LineKind> = Extract<TrimLine, { kind: K }>;
/** Lines whose places are measured from a datum. */
export type MeasuredLine = Extract<TrimLine, { datum: string }>;

/** Kinds of line, in the order they are offered. */
export const LINE_KINDS = [
  'straight',
  'sweep',
  'arc',
  'radius',
  'ellipse',
  'frame',
  'parallel',
  'bands',
  'ring',
  'cut',
  'continuation',
  'mirror',
  'fillet',
  'rays',
  'wave',
  'text',
  'imported',
] as const satisfies readonly LineKind[];

/** Ids of other lines of the same part a line is made from or ends on. */
export function sourceLines(line: TrimLine): string[] {
  const lineIds =
    line.kind === 'parallel'
      ? typeof line.of === 'string'
        ? [line.of]
        : []
      : line.kind === 'mirror'
        ? [line.of]
        : line.kind === 'fillet'
          ? [line.a, line.b]
          : [];
  return [...lineIds, ...(line.startOn ? [line.startOn] : []), ...(line.endOn ? [line.endOn] : [])];
}

/** Code of a line on the drawing by its index: L1, L2 … */
export const lineCode = (index: number): string => `L${index + 1}`;
