import type { Decisions, ScheduleProblem, SolvedSchedule } from '../schedule';

/** Decisions of a plan by ids, stored so that the next plan changes as little as possible. */
export interface StoredOrder {
  readonly order: readonly (readonly [before: string, after: string])[];
  readonly team: Readonly<Record<string, readonly string[]>>;
}

export const NO_STORED_ORDER: StoredOrder = { order: [], team: {} };

/** What a plan has decided. */
export function storedOrderOf({ tasks }: ScheduleProblem, { decisions, schedule }: SolvedSchedule): StoredOrder {
  const team = Object.fromEntries(
    schedule.placed.filter(({ workers }) => workers.length > 0).map(({ task, workers }) => [task, workers]),
  );
  return { order: decisions.order.map(([one, other]) => [tasks[one]!.id, tasks[other]!.id] as const), team };
}

/** What was decided, as far as its tasks and people are still there. */
export function storedDecisions({ order, team }: StoredOrder, { tasks, workers }: ScheduleProblem): Decisions {
  const indexOfTask = new Map(tasks.map(({ id }, index) => [id, index]));
  const pairs = order.flatMap(([one, other]): (readonly [number, number])[] => {
    const [before, after] = [indexOfTask.get(one), indexOfTask.get(other)];
    return before === undefined || after === undefined ? [] : [[before, after]];
  });
  const ids = workers.map(({ id }) => id);
  const alone = (task: number): number | null => {
    const [first, ...others] = team[tasks[task]!.id] ?? [];
    const index =
      first === undefined || others.length > 0 || tasks[task]!.hands !== 1 || tasks[task]!.worker !== undefined
        ? -1
        : ids.indexOf(first);
    return index < 0 ? null : index;
  };
  const lag = tasks.flatMap(({ after }) => after.map(() => null));
  return { order: pairs, team: tasks.map(({ hands }, task) => (hands === 0 ? 0 : alone(task))), lag };
}
