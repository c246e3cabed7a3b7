import { finishesInUse, type OrderProblem, searchOrder, searchSteps, stageCost, startProgress } from '@lintrel/core';
import { large, sixByFourteen } from './order-jobs';
import { solveByProgram } from './order-mip';

/** Enough to prove every job measured here. */
const EFFORT = 60_000;
const SEEDS = [11, 12, 13];

export interface OrderFigures {
  /** Milliseconds, all jobs together. */
  readonly ours: number;
  readonly naive: number;
  readonly program: number;
  readonly proven: number;
  readonly jobs: number;
  /** Largest difference between our optimum and the program's, minutes. */
  readonly apart: number;
  /** Gap of the large job after five seconds, and when it was first below five percent. */
  readonly gapIn5s: number;
}

/** The search on jobs of six finishes and fourteen areas, against trying everything and against a solver from outside. */
export async function orderFigures(): Promise<OrderFigures> {
  let [ours, naive, program, proven, apart] = [0, 0, 0, 0, 0];
  for (const seed of SEEDS) {
    const problem = sixByFourteen(seed);
    const start = performance.now();
    const { sequences, complete } = searchOrder(problem, EFFORT);
    ours += performance.now() - start;
    proven += complete ? 1 : 0;
    naive += naiveMs(problem);
    const solved = await solveByProgram(problem);
    program += solved.ms;
    apart = Math.max(apart, Math.abs(solved.score - sequences[0]!.score / 1e6));
  }
  return { ours, naive, program, proven, jobs: SEEDS.length, apart, gapIn5s: gapAfter(5000) };
}

/**
 * How long trying every order and every choice of open areas would take with the same evaluator: the stages there are, times what one
 * takes. It cannot be run to its end; what is counted is exact, what one stage takes is measured.
 */
function naiveMs(problem: OrderProblem): number {
  const ids = finishesInUse(problem);
  const areaCounts = ids.map((id) => problem.areas.filter(({ finish }) => finish === id).length);
  const stagesFrom = (left: readonly number[]): number =>
    left.reduce((sum, stage) => {
      const rest = left.filter((other) => other !== stage);
      const free = rest.reduce((all, other) => all + areaCounts[other]!, 0);
      return sum + 2 ** free * (1 + stagesFrom(rest));
    }, 0);
  const start = performance.now();
  const turns = 4000;
  for (let turn = 0; turn < turns; turn++) {
    const finish = ids[turn % ids.length]!;
    const open = problem.areas.map(
      (area, index) => area.finish === finish || (area.finish !== null && ((turn >> (index % 12)) & 1) === 1),
    );
    stageCost(problem, startProgress(problem), { finish, open, keep: false });
  }
  return stagesFrom(ids.map((_, index) => index)) * ((performance.now() - start) / turns);
}

/** Gap of the large job after a time, as a fraction. */
function gapAfter(ms: number): number {
  const start = performance.now();
  const steps = searchSteps(large(), EFFORT);
  let gap = 1;
  for (let step = steps.next(); !step.done && performance.now() - start < ms; step = steps.next()) gap = step.value.gap;
  return gap;
}
