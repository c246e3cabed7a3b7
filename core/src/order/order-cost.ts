import { RULE_OF_THUMB } from '../kit';
import { type Sequence, type StageCost, stageCost, stageScore } from '../stage';
import type { ProblemTable } from './problem-table';

/** Which areas are open in each stage, and after which the masks stay on. */
export interface Choices {
  readonly open: readonly (readonly boolean[])[];
  readonly keep: readonly boolean[];
}

/**
 * Computes the cost of a whole order, from the primer to the clear.
 * @param order numbers of the finishes
 */
export function costOrder(
  { problem, start, finishes, worked }: ProblemTable,
  order: readonly number[],
  { open, keep }: Choices,
  primer: readonly StageCost[],
): Sequence {
  const stages = [...primer];
  let progress = start;
  let key = '';
  order.forEach((finish, index) => {
    // Common prefixes are computed once: most orders tried differ from the previous one in a single area.
    key += `${finish}${keep[index] ? '+' : '-'}${open[index]!.map(Number).join('')}`;
    const stage =
      worked.get(key) ??
      stageCost(problem, progress, { finish: finishes[finish]!.id, open: open[index]!, keep: keep[index]! });
    if (worked.size > MOST_WORKED) worked.clear();
    worked.set(key, stage);
    stages.push(stage);
    progress = stage.after;
  });
  if (problem.clear)
    stages.push(stageCost(problem, progress, { finish: problem.clear.finish, open: problem.clear.areas, keep: false }));
  return {
    order: stages.map(({ finish }) => finish),
    stages,
    score: stages.reduce((sum, stage) => sum + stageScore(stage, problem.wish), 0),
  };
}

/** Maximum number of cached stages. */
const MOST_WORKED = 4000;

/** What minutes, waiting, risk and money weigh in this problem. */
export const scoreWeights = ({ problem }: Pick<ProblemTable, 'problem'>) => RULE_OF_THUMB.wishes[problem.wish];
