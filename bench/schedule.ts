import { solveSchedule } from '@lintrel/core';
import highs from 'highs';
import { modelOf } from '../core/src/testing/schedule-model';
import { shopOf } from '../core/src/testing/schedule-shop';

/** Shops of five jobs of five tasks each, two people and one booth. */
const SEEDS = [12345, 7];
const JOBS = 5;
const WARM_SEED = 3;
/** A plan is left for another that ends sooner by more than this, as the day's plan does. */
const WORTH_MIN = 15;
/** The solver from outside is not waited for longer than this, s. */
const PATIENCE_S = 60;

/** The same shop when its first task takes ten minutes longer. */
const lateIn = (shop: ReturnType<typeof shopOf>) => ({
  ...shop,
  tasks: shop.tasks.map((task, index) => (index === 0 ? { ...task, minutes: task.minutes + 10 } : task)),
});

export interface ScheduleFigures {
  /** Milliseconds, all shops together. */
  readonly ours: number;
  readonly program: number;
  readonly proven: number;
  readonly shops: number;
  /** Largest difference between our end and the program's, minutes. */
  readonly apart: number;
  /** The same shops once more when a task is through ten minutes late, staying with what was decided. */
  readonly again: number;
}

/** Schedules of 25 tasks against an external solver; and replanning after a change against planning from scratch. */
export async function scheduleFigures(): Promise<ScheduleFigures> {
  let [ours, program, proven, apart, again] = [0, 0, 0, 0, 0];
  // Both are asked warm: what is measured first would pay for what both use.
  const warm = solveSchedule(shopOf(JOBS, WARM_SEED))!;
  solveSchedule(lateIn(shopOf(JOBS, WARM_SEED)), { before: warm.decisions, worthMin: WORTH_MIN });
  for (const seed of SEEDS) {
    const shop = shopOf(JOBS, seed);
    const start = performance.now();
    const schedule = solveSchedule(shop)!;
    ours += performance.now() - start;
    proven += schedule.proven ? 1 : 0;
    const late = lateIn(shop);
    const change = performance.now();
    solveSchedule(late, { before: schedule.decisions, worthMin: WORTH_MIN });
    again += performance.now() - change;
    const solver = await highs();
    const from = performance.now();
    const { ObjectiveValue } = solver.solve(modelOf(shop), { time_limit: PATIENCE_S });
    program += performance.now() - from;
    apart = Math.max(apart, Math.abs(ObjectiveValue + shop.nowMin - schedule.schedule.endMin));
  }
  return { ours, program, proven, shops: SEEDS.length, apart, again };
}
