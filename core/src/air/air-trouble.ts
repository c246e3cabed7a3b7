import { dewMargin } from './dew';
import { airAt, type AirSeries } from './series';

/** What is wrong with the air while something is done; worst first met. */
export interface AirTrouble {
  readonly code: 'dew' | 'cold';
  /** When it begins to be so within the work, and how bad it gets there: °C above the dew point, or °C of the air. */
  readonly atMin: number;
  readonly worst: number;
}

/** Time between two checks of the air, min. */
const LOOK_EVERY_MIN = 5;

/**
 * Checks whether tape or paint may be applied during a stretch of work.
 * @param leastC lowest temperature at which the tape or paint may be applied
 * @param surfaceBelowC how much colder the part is than the air; 0: the same
 * @returns at most one trouble of each kind; empty if there is none
 */
export function airTroubles(
  course: AirSeries,
  fromMin: number,
  toMin: number,
  leastC: number,
  surfaceBelowC = 0,
): AirTrouble[] {
  const count = Math.max(1, Math.ceil((toMin - fromMin) / LOOK_EVERY_MIN));
  const looks = Array.from({ length: count + 1 }, (_, index) => {
    const atMin = fromMin + (index / count) * (toMin - fromMin);
    const { airC, rhPercent } = airAt(course, atMin);
    return { atMin, airC, dew: dewMargin(airC, rhPercent, airC - surfaceBelowC) };
  });
  const wet = looks.filter(({ dew }) => !dew.ok);
  const cold = looks.filter(({ airC }) => airC < leastC);
  return [
    ...(wet.length > 0
      ? [{ code: 'dew' as const, atMin: wet[0]!.atMin, worst: Math.min(...wet.map(({ dew }) => dew.marginC)) }]
      : []),
    ...(cold.length > 0
      ? [{ code: 'cold' as const, atMin: cold[0]!.atMin, worst: Math.min(...cold.map(({ airC }) => airC)) }]
      : []),
  ];
}
