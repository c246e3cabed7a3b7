import { saturation } from './dew';
import { airAt, type AirReading, type AirSeries } from './series';

/** Where warmth may come from: an oven or a baking booth, a lamp or fan, the sun. */
export const HEATS = ['bake', 'heater', 'sun'] as const;

/** Heat applied to a film, not to the room. */
export interface Heat {
  readonly kind: (typeof HEATS)[number];
  readonly fromMin: number;
  readonly minutes: number;
  /** How warm the film gets, °C. */
  readonly filmC: number;
}

/** Why heating to this temperature would do harm; null if it is fine. */
export const heatRisk = ({ filmC }: Pick<Heat, 'filmC'>, mostC: number): 'too-hot' | null =>
  filmC > mostC ? 'too-hot' : null;

/**
 * The air as the film feels it: at least as warm as the heat makes it for its time, and drier, since the same water is in it.
 * @returns a course with steps where the heat begins and ends
 */
export function airWithHeat(course: AirSeries, heat: Heat): AirSeries {
  const [from, to] = [heat.fromMin, heat.fromMin + heat.minutes];
  if (!(heat.minutes > 0)) return course;
  const cool = (atMin: number): AirReading => {
    const { airC, rhPercent } = airAt(course, atMin);
    return { atMin, airC, rhPercent };
  };
  const warm = (reading: AirReading): AirReading => {
    if (reading.airC >= heat.filmC) return reading;
    const share = saturation(reading.airC) / saturation(heat.filmC);
    return { atMin: reading.atMin, airC: heat.filmC, rhPercent: Math.max(1, reading.rhPercent * share) };
  };
  const inside = course.readings.filter(({ atMin }) => atMin > from && atMin < to);
  return {
    movement: course.movement,
    readings: [
      ...course.readings.filter(({ atMin }) => atMin < from),
      cool(from),
      ...[cool(from), ...inside, cool(to)].map(warm),
      cool(to),
      ...course.readings.filter(({ atMin }) => atMin > to),
    ],
  };
}
