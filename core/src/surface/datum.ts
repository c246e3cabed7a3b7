import * as v from 'valibot';
import { placeSchema, type Point } from '../curves';
import { type DatumId, idText, nameText, numberBetween } from '../kit';

/** A named reference line: measurements run along it from its origin, and at right angles above it. */
export const datumSchema = v.strictObject({
  id: idText<DatumId>(),
  name: nameText(),
  at: placeSchema,
  angleDeg: numberBetween(-360, 360, '°'),
});
export type Datum = v.InferOutput<typeof datumSchema>;

/** The datum every new part starts with. */
export const BASE_DATUM: Datum = { id: 'base', name: 'Bottom edge, from the left end', at: [0, 0], angleDeg: 0 };

/** A place measured from a datum: along it, and above it (to the left of its direction). */
export interface Measured {
  readonly along: number;
  readonly above: number;
}

/** Place on the sheet of a measurement from a datum. */
export function pointOfMeasurement(datum: Datum, { along, above }: Measured): Point {
  const [cos, sin] = direction(datum);
  return { x: datum.at[0] + along * cos - above * sin, y: datum.at[1] + along * sin + above * cos };
}

/** Measurement from a datum of a place on the sheet: the reverse of pointOfMeasurement. */
export function measurementOfPoint(datum: Datum, { x, y }: Point): Measured {
  const [cos, sin] = direction(datum);
  const dx = x - datum.at[0];
  const dy = y - datum.at[1];
  return { along: dx * cos + dy * sin, above: dy * cos - dx * sin };
}

function direction(datum: Datum): readonly [number, number] {
  const angle = (datum.angleDeg * Math.PI) / 180;
  return [Math.cos(angle), Math.sin(angle)];
}
