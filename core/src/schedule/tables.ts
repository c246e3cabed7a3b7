import { maxOf, minOf } from '../kit';
import { mergeHours } from './hours';
import { type ScheduleProblem, type Shift, type Task, taskMinutes } from './problem';

/** A problem in numbers: tasks, workers and places by index. */
export interface ScheduleTables {
  readonly tasks: readonly Task[];
  readonly hours: readonly (readonly Shift[])[];
  readonly placeHours: readonly (readonly Shift[] | null)[];
  /** Places each task holds. */
  readonly holds: readonly (readonly number[])[];
  /** Possible teams of each task as indices of workers; one empty team if nobody is needed. */
  readonly teams: readonly (readonly (readonly number[])[])[];
  /** How long each team takes for a task, the least of it, and the most. */
  readonly teamMin: readonly (readonly number[])[];
  readonly leastMin: readonly number[];
  readonly mostMin: readonly number[];
  /** Minutes of workers who take longer or shorter for some task. */
  readonly pace: readonly (readonly (number | null)[])[];
  /** Workers some task is pinned to. */
  readonly pinned: ReadonlySet<number>;
  readonly lags: readonly TableLag[];
  readonly nowMin: number;
}

interface TableLag {
  readonly before: number;
  readonly task: number;
  readonly fromEnd: boolean;
  readonly minMin: number;
  readonly maxMin: number;
  /** Null: it may not be passed. */
  readonly scuffMin: number | null;
}

/** What has been decided on the way to a schedule. */
export interface Decisions {
  /** Team of each task by index in `teams`; null: not decided. */
  readonly team: readonly (number | null)[];
  /** One task after another: pairs of places. */
  readonly order: readonly (readonly [before: number, after: number])[];
  /** Decision on each lag that may be exceeded: kept or scuffed; null: not decided. */
  readonly lag: readonly ('kept' | 'scuffed' | null)[];
}

export function scheduleTables({ tasks, workers, places, nowMin }: ScheduleProblem): ScheduleTables {
  const indexOfTask = new Map(tasks.map(({ id }, index) => [id, index]));
  const worker = new Map(workers.map(({ id }, index) => [id, index]));
  const place = new Map(places.map(({ id }, index) => [id, index]));
  const lags = tasks.flatMap(({ after }, task) =>
    after.flatMap(({ task: other, from, minMin, maxMin, scuffMin }): TableLag[] => {
      const before = indexOfTask.get(other);
      if (before === undefined) throw new Error(`A task comes after "${other}", which is no task of the problem.`);
      return [
        { before, task, fromEnd: from === 'end', minMin, maxMin: maxMin ?? Infinity, scuffMin: scuffMin ?? null },
      ];
    }),
  );
  const all = workers.map((_, index) => index);
  const teams = tasks.map(({ hands, worker: pinned }) => {
    const first = pinned === undefined ? undefined : worker.get(pinned);
    return subsets(all, hands).filter((team) => first === undefined || hands === 0 || team.includes(first));
  });
  const teamMin = tasks.map((taskGiven, task) =>
    minutesWithEach(
      taskGiven,
      teams[task]!.map((team) => team.map((index) => workers[index]!.id)),
    ),
  );
  return {
    tasks,
    teamMin,
    leastMin: teamMin.map(minOf),
    mostMin: teamMin.map(maxOf),
    pace: workers.map(({ id }) => tasks.flatMap(({ minutesBy }) => (minutesBy ? [minutesBy[id] ?? null] : []))),
    hours: workers.map(({ hours }) => mergeHours(hours)),
    placeHours: places.map(({ hours }) => hours && mergeHours(hours)),
    holds: tasks.map(({ places: held }) => held.flatMap((id) => place.get(id) ?? [])),
    teams,
    pinned: new Set(tasks.flatMap(({ worker: named }) => (named === undefined ? [] : (worker.get(named) ?? [])))),
    lags,
    nowMin,
  };
}

/** Minutes of a task with each team; a task nobody can do has its own minutes. */
const minutesWithEach = (task: Task, teams: readonly (readonly string[])[]): number[] =>
  teams.length === 0 ? [task.minutes] : teams.map((team) => taskMinutes(task, team));

function subsets(all: readonly number[], size: number): number[][] {
  if (size === 0) return [[]];
  return all.flatMap((first, index) => subsets(all.slice(index + 1), size - 1).map((rest) => [first, ...rest]));
}

export const noDecisions = ({ tasks, teams, lags }: ScheduleTables): Decisions => ({
  team: tasks.map((_, task) => (teams[task]!.length === 1 ? 0 : null)),
  order: [],
  lag: lags.map(() => null),
});

/** Minutes each task takes at least under decisions, by the team that does it or the quickest that may: scuffing comes on top. */
export function minutesByTask({ teamMin, leastMin, lags }: ScheduleTables, { lag, team }: Decisions): number[] {
  const minutes = leastMin.map((least, task) => (team[task] == null ? least : teamMin[task]![team[task]]!));
  lags.forEach(({ task, scuffMin }, index) => {
    if (lag[index] === 'scuffed') minutes[task]! += scuffMin ?? 0;
  });
  return minutes;
}

/** The teams that may still do a task, the one that was decided or all, and how much longer than the quickest each of them takes. */
export function possibleTeams({ teams, teamMin, leastMin }: ScheduleTables, { team }: Decisions, task: number) {
  const decided = team[task] ?? null;
  if (decided !== null) return [{ team: teams[task]![decided]!, moreMin: 0 }];
  return teams[task]!.map((option, index) => ({ team: option, moreMin: teamMin[task]![index]! - leastMin[task]! }));
}

/** True where it is open when a task is over that begins at a moment: it may pause, or one takes longer than another. */
export const canEndAt = ({ tasks, leastMin, mostMin }: ScheduleTables, { team }: Decisions, task: number): boolean =>
  tasks[task]!.pauses || ((team[task] ?? null) === null && mostMin[task]! > leastMin[task]!);
