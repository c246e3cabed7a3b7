import type { PathPoint } from '../curves';
import { maxOf } from '../kit';
import type { BendClass } from '../stage';
import { PROBLEM_RULES } from './rules-of-thumb';

/** How hard places of a line bend, by the tightest of them. */
export function bendOf(places: readonly Pick<PathPoint, 'curvature'>[]): Exclude<BendClass, 'features'> {
  const worst = maxOf(places.map(({ curvature }) => Math.abs(curvature)));
  const radius = worst > 0 ? 1 / worst : Infinity;
  if (radius > PROBLEM_RULES.straightAboveMm) return 'straight';
  return radius < PROBLEM_RULES.tightBelowMm ? 'tight' : 'gentle';
}
