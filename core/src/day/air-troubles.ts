import { type AirTrouble, airTroubles, REFERENCE_AIR } from '../air';
import { RULE_OF_THUMB } from '../kit';
import { airSeriesOf, type ShopAir } from '../log';
import type { Step, StepKind } from '../runsheet';

/** Steps during which the air matters. */
const AIR_MATTERS: ReadonlySet<StepKind> = new Set<StepKind>(['lay', 'coat', 'seal', 'prime']);

/**
 * Troubles of the air during steps, from measured and expected air.
 * @returns a function of steps and their times, minutes since 1970; no troubles where the air of that time is
 *   unknown
 */
export function airTroublesDuring(
  air: ShopAir,
): (steps: readonly Step[], startMin: number, endMin: number) => AirTrouble[] {
  const knownMin = (air.expected.at(-1) ?? air.measured.at(-1))?.atMin ?? -Infinity;
  const course = airSeriesOf(air, REFERENCE_AIR);
  return (steps, startMin, endMin) => {
    if (startMin > knownMin || !steps.some(({ kind }) => AIR_MATTERS.has(kind))) return [];
    return airTroubles(course, startMin, Math.min(endMin, knownMin), RULE_OF_THUMB.coldC);
  };
}
