import {
  airAt,
  type AirReading,
  type AirSeries,
  airWithHeat,
  constantAir,
  type DryingAir,
  dryingRateFunction,
  elapsedBetween,
  type Heat,
  measuredThenForecast,
  timeWhenElapsed,
} from '../air';
import type { AfterRule } from '../runsheet';

/** The air of a shop: as it was read off, and as it is expected; each in the order of time, minutes since 1970. Either may be empty. */
export interface ShopAir {
  readonly measured: readonly AirReading[];
  readonly expected: readonly AirReading[];
}

/** Nobody knows the air: that of each plan counts. */
export const NO_AIR: ShopAir = { measured: [], expected: [] };

/** So long after the last reading the expected air is taken again, min. */
const TRUST_MIN = 120;

/**
 * The air a film is in: what was measured, after it what is expected, and the air of the plan wherever nobody knows better.
 * @param planned the air of the plan; its movement is that of the whole course
 */
export function airSeriesOf({ measured, expected }: ShopAir, planned: DryingAir): AirSeries {
  const { airC, rhPercent, movement } = planned;
  const plannedAt = (atMin: number): AirReading => ({ atMin, airC, rhPercent });
  const later =
    expected.length === 0
      ? constantAir(planned)
      : { movement, readings: [plannedAt(expected[0]!.atMin), ...expected, plannedAt(expected.at(-1)!.atMin)] };
  const first = measured[0];
  if (!first) return later;
  const known = airAt(later, first.atMin);
  const before = later.readings.filter(({ atMin }) => atMin < first.atMin);
  const since = measuredThenForecast(measured, later, TRUST_MIN);
  return {
    movement,
    readings: [...before, { atMin: first.atMin, airC: known.airC, rhPercent: known.rhPercent }, ...since.readings],
  };
}

/**
 * The minutes of a rule in the air as it is: what the film would have dried in the planned air, it dries by then.
 * @param sinceMin the moment the rule counts from
 * @param heats warmth that was brought to the film besides
 * @returns the rule itself where no film is waited for, or nobody knows the air
 */
export function ruleInAir<R extends Pick<AfterRule, 'minMin' | 'maxMin' | 'againMin' | 'film'>>(
  rule: R,
  sinceMin: number,
  air: ShopAir,
  heats: readonly Heat[] = [],
): R {
  const { minMin, maxMin, againMin, film } = rule;
  const known = film?.away ? NO_AIR : air;
  if (!film || (known.measured.length === 0 && known.expected.length === 0 && heats.length === 0)) return rule;
  const [pace, planned, course] = [
    dryingRateFunction(film),
    constantAir(film),
    heats.reduce(airWithHeat, airSeriesOf(known, film)),
  ];
  const after = (min: number): number => {
    const moment = timeWhenElapsed(pace, course, sinceMin, elapsedBetween(pace, planned, 0, min));
    return moment === null ? min : moment - sinceMin;
  };
  return {
    ...rule,
    minMin: after(minMin),
    maxMin: maxMin === null ? null : after(maxMin),
    ...(againMin === undefined ? {} : { againMin: after(againMin) }),
  };
}
