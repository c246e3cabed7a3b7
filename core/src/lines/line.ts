import * as v from 'valibot';
import { coordinate, idText, nameText } from '../units';

const measuredSchema = v.strictObject({ along: coordinate(), above: coordinate() });

const common = {
  id: idText(),
  name: nameText(),
  /** True: both ends go on straight until they leave the part. */
  runOn: v.boolean('must be true or false'),
};
const measured = { ...common, datum: idText() };

const straightSchema = v.strictObject({ kind: v.literal('straight'), ...measured, from: measuredSchema, to: measuredSchema });
const arcSchema = v.strictObject({ kind: v.literal('arc'), ...measured, from: measuredSchema, through: measuredSchema, to: measuredSchema });
const sweepSchema = v.strictObject({
  kind: v.literal('sweep'),
  ...measured,
  points: v.pipe(v.array(measuredSchema, 'needs measured points'), v.minLength(2, 'needs at least 2 points'), v.maxLength(200, 'has at most 200 points')),
});
const parallelSchema = v.strictObject({
  kind: v.literal('parallel'),
  ...common,
  of: idText(),
  /** Positive: to the left of the other line's direction, which is above a line that runs to the right. */
  offset: v.pipe(
    coordinate(),
    v.check((value) => Math.abs(value) >= 0.05, 'must be at least 0.05 mm to either side'),
  ),
});

/** A trim line by its measurements. */
export const lineSchema = v.variant('kind', [straightSchema, arcSchema, sweepSchema, parallelSchema], 'must be straight, arc, sweep or parallel');
export type TrimLine = v.InferOutput<typeof lineSchema>;
export type LineKind = TrimLine['kind'];
