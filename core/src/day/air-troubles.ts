import { type AirTrouble, airTroubles, REFERENCE_AIR } from '../air';
import { RULE_OF_THUMB } from '../kit';
import { airSeriesOf, type ShopAir } from '../log';
import type { Step, StepKind } from '../runsheet';

/** Steps that tape or paint goes on in. */
const AIR_MATTERS: ReadonlySet<StepKind> = new Set<StepKind>(['lay', 'coat', 'seal', 'prime']);

/**
 * What is wrong with the air while steps are done, by what was measured and is expected.
 * @returns asks it of steps and when they are done, minutes since 1970; nothing where nobody knows the air of that time
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
