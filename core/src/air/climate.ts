import * as v from 'valibot';
import { numberBetween, oneOf } from '../units';

export const AIR_MOVEMENTS = ['still', 'normal', 'booth'] as const;
export type AirMovement = (typeof AIR_MOVEMENTS)[number];

/** Air of the day: constant until readings say otherwise. */
export const climateSchema = v.strictObject({
  airC: numberBetween(-20, 80, '°C'),
  rhPercent: numberBetween(1, 100, '%'),
  /** Null: the surface is as warm as the air. */
  surfaceC: v.nullable(numberBetween(-20, 80, '°C')),
  movement: oneOf(AIR_MOVEMENTS),
});

export type Climate = v.InferOutput<typeof climateSchema>;
