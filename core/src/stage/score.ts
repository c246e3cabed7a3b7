import { type Aim, RULE_OF_THUMB } from '../kit';
import type { StageCost } from './stage';

/** Cost of something forbidden, minutes: it is chosen only if there is no other way. */
const FORBIDDEN_MIN = 1_000_000;

/** Work of a stage, minutes. */
export const workMinutes = (
  stage: Pick<StageCost, 'layMin' | 'sealMin' | 'coatMin' | 'pullMin' | 'uncoverMin' | 'changeMin' | 'overMin'>,
): number =>
  stage.layMin + stage.sealMin + stage.coatMin + stage.pullMin + stage.uncoverMin + stage.changeMin + stage.overMin;

/**
 * Score of a stage under an aim.
 * @returns millionths, as an integer: sums are exact, so ties are the same on every machine
 */
export function stageScore(stage: StageCost, wish: Aim): number {
  const { work, wait, risk, money } = RULE_OF_THUMB.wishes[wish];
  const sum =
    work * (workMinutes(stage) + stage.strayM2 * RULE_OF_THUMB.strayPerM2) +
    wait * stage.waitMin +
    risk * stage.risk +
    money * stage.money;
  return Math.round(1e6 * (sum + FORBIDDEN_MIN * stage.forbidden.length));
}

/** Minutes as a person counts them: cleaning the gun, which the search takes as waiting, is work. */
export const displayedMinutes = ({
  changeMin,
  waitMin,
  cleaning,
}: StageCost): Pick<StageCost, 'changeMin' | 'waitMin'> => ({
  changeMin: changeMin + cleaning.minutes,
  waitMin: waitMin - cleaning.minutes,
});
