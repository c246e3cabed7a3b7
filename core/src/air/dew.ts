import { RULE_OF_THUMB } from '../kit';

// Magnus coefficients over water, valid −45 … 60 °C (Sonntag 1990).
const MAGNUS_A = 17.625;
const MAGNUS_B_C = 243.04;

/** Pressure of saturated vapour against that at 0 °C. */
export const saturation = (airC: number): number => Math.exp((MAGNUS_A * airC) / (MAGNUS_B_C + airC));

/**
 * Dew point of the air.
 * @param airC air temperature, °C
 * @param rhPercent relative humidity, above 0 and at most 100 %
 * @returns °C
 */
export function dewPoint(airC: number, rhPercent: number): number {
  const gamma = Math.log(rhPercent / 100) + (MAGNUS_A * airC) / (MAGNUS_B_C + airC);
  return (MAGNUS_B_C * gamma) / (MAGNUS_A - gamma);
}

/** How far a surface lies above the dew point. */
export interface DewMargin {
  readonly dewPointC: number;
  readonly marginC: number;
  /** True from 3 °C on. */
  readonly ok: boolean;
}

/** Compares a surface with the dew point of the air; temperatures in °C, humidity in %. */
export function dewMargin(airC: number, rhPercent: number, surfaceC: number): DewMargin {
  const dewPointC = dewPoint(airC, rhPercent);
  const marginC = surfaceC - dewPointC;
  return { dewPointC, marginC, ok: marginC >= RULE_OF_THUMB.dewMarginC };
}
