import * as v from 'valibot';
import type { AirReading } from '../air';
import { instantText, numberBetween } from '../kit';
import { MS_PER_MINUTE } from '../units';
import { instant } from './summary';

/** A reading of the air: from the sensor, or typed by somebody. */
const readingSchema = v.object({
  at: instant(),
  airC: v.number(),
  rhPercent: v.number(),
  by: v.picklist(['sensor', 'typed']),
});

/** The air of the last days, oldest first; and whether the sensor speaks: null where there is none. */
export const airAnswerSchema = v.object({
  readings: v.array(readingSchema),
  /** What is expected by the forecast somebody has typed; empty: nothing is. */
  expected: v.array(v.object({ atMin: v.number(), airC: v.number(), rhPercent: v.number() })),
  sensor: v.nullable(
    v.object({ state: v.picklist(['speaking', 'silent', 'out-of-range']), heardAt: v.nullable(instant()) }),
  ),
});
export type AirAnswer = v.InferOutput<typeof airAnswerSchema>;

/** Readings as they are told, as air that films dry in. */
export const measuredOf = (readings: AirAnswer['readings']): AirReading[] =>
  readings.map(({ at, airC, rhPercent }) => ({ atMin: Date.parse(at) / MS_PER_MINUTE, airC, rhPercent }));

/** Air that somebody has read off. */
export const typedAirSchema = v.strictObject({
  at: instantText(),
  airC: numberBetween(-20, 60, '°C'),
  rhPercent: numberBetween(1, 100, '%'),
});
