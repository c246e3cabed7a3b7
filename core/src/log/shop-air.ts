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

/** Air of a shop, measured and forecast; each in order of time, minutes since 1970. Either may be empty. */
export interface ShopAir {
  readonly measured: readonly AirReading[];
  readonly expected: readonly AirReading[];
}

/** Unknown air: that of each plan is used. */
export const NO_AIR: ShopAir = { measured: [], expected: [] };

/** Time after the last reading from which the forecast is used again, min. */
const TRUST_MIN = 120;

/**
 * The air of a film: measured, then forecast, and the air of the plan where neither is known.
 * @param planned the air of the plan; its movement applies to the whole series
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
 * The minutes of a rule in the actual air: as long as the film takes for the drying it was planned for.
 * @param sinceMin start of the rule
 * @param heats heat applied to the film
 * @returns the rule itself if it waits for no film, or the air is unknown
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
