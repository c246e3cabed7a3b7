import type { PathPoint } from '../curves';
import { maxOf, RULE_OF_THUMB } from '../kit';
import type { BendClass } from '../stage';

/** How hard places of a line bend, by the tightest of them. */
export function bendOf(places: readonly Pick<PathPoint, 'curvature'>[]): Exclude<BendClass, 'features'> {
  const worst = maxOf(places.map(({ curvature }) => Math.abs(curvature)));
  const radius = worst > 0 ? 1 / worst : Infinity;
  if (radius > RULE_OF_THUMB.straightAboveMm) return 'straight';
  return radius < RULE_OF_THUMB.tightBelowMm ? 'tight' : 'gentle';
}
