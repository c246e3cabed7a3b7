import { KELVIN_AT_ZERO_C } from '../units';
import type { AirMovement } from './climate';

/** Molar gas constant, kJ/(mol·K), exact (SI 2019). */
const GAS_CONSTANT_KJ = 8.31446261815324e-3;

// Rule of thumb: how much faster moving air dries.
const MOVEMENT_FACTOR: Readonly<Record<AirMovement, number>> = { still: 0.8, normal: 1, booth: 1.25 };

export interface DryingAir {
  readonly airC: number;
  readonly rhPercent: number;
  readonly movement: AirMovement;
}

/** Air of the data sheets. */
export const REFERENCE_AIR: DryingAir = { airC: 23, rhPercent: 50, movement: 'normal' };

/**
 * How fast a finish dries compared with its data sheet.
 * @param activationKj activation energy, kJ/mol
 * @param waterborne whether damp air slows it
 * @param air temperature in °C, humidity in %, movement
 * @returns minutes of data-sheet progress per minute on the clock
 * Source: Arrhenius about 23 °C; humidity and movement factors are rules of thumb.
 */
export function dryingRate(activationKj: number, waterborne: boolean, air: DryingAir): number {
  const kelvin = air.airC + KELVIN_AT_ZERO_C;
  const reference = REFERENCE_AIR.airC + KELVIN_AT_ZERO_C;
  const temperature = Math.exp((-activationKj / GAS_CONSTANT_KJ) * (1 / kelvin - 1 / reference));
  const humidity = waterborne
    ? Math.min(2, Math.max(0.15, (1 - air.rhPercent / 100) / (1 - REFERENCE_AIR.rhPercent / 100)))
    : 1;
  return temperature * humidity * MOVEMENT_FACTOR[air.movement];
}
