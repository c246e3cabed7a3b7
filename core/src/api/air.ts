import * as v from 'valibot';
import type { AirReading } from '../air';
import { instantText, numberBetween } from '../kit';
import { MS_PER_MINUTE } from '../units';
import { instant } from './summary';

/** A reading of the air, from the sensor or typed in. */
const readingSchema = v.object({
  at: instant(),
  airC: v.number(),
  rhPercent: v.number(),
  by: v.picklist(['sensor', 'typed']),
});

/** Readings of the last days, oldest first, and the state of the sensor; null if there is no sensor. */
export const airAnswerSchema = v.object({
  readings: v.array(readingSchema),
  /** Forecast typed in by a person; empty if there is none. */
  expected: v.array(v.object({ atMin: v.number(), airC: v.number(), rhPercent: v.number() })),
  sensor: v.nullable(
    v.object({ state: v.picklist(['speaking', 'silent', 'out-of-range']), heardAt: v.nullable(instant()) }),
  ),
});
export type AirAnswer = v.InferOutput<typeof airAnswerSchema>;

/** Readings of an answer as the series that films dry in. */
export const measuredOf = (readings: AirAnswer['readings']): AirReading[] =>
  readings.map(({ at, airC, rhPercent }) => ({ atMin: Date.parse(at) / MS_PER_MINUTE, airC, rhPercent }));

/** A reading typed in by a person. */
export const typedAirSchema = v.strictObject({
  at: instantText(),
  airC: numberBetween(-20, 60, '°C'),
  rhPercent: numberBetween(1, 100, '%'),
});
