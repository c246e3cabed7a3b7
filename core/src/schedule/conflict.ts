import { type EarliestTimes, startOfTeam } from './earliest';
import { TIME_TOLERANCE_MIN } from './problem';
import { canEndAt, type Decisions, minutesByTask, type ScheduleTables } from './tables';

/** A conflict with every way to resolve it; each schedule satisfies one of them. */
export type ConflictBranches = readonly Decisions[];

const overlap = ({ start, end }: EarliestTimes, first: number, other: number): boolean =>
  start[first]! < end[other]! - TIME_TOLERANCE_MIN &&
  start[other]! < end[first]! - TIME_TOLERANCE_MIN &&
  end[first]! > start[first]! + TIME_TOLERANCE_MIN &&
  end[other]! > start[other]! + TIME_TOLERANCE_MIN;

const inOrder = (decisions: Decisions, before: number, after: number): Decisions => ({
  ...decisions,
  order: [...decisions.order, [before, after]],
});

/**
 * The first conflict in these earliest times: two tasks in one place or with one worker, more work at a moment than
 * there are people, or a passed limit that allows scuffing.
 * @returns null if the times are a schedule, with the teams of the tasks without a decision
 */
export function firstConflict(
  tables: ScheduleTables,
  decisions: Decisions,
  times: EarliestTimes,
): { readonly ways: ConflictBranches } | { readonly teams: readonly number[] } {
  const { tasks, holds, lags } = tables;
  for (let index = 0; index < lags.length; index++) {
    const { before, task, fromEnd, maxMin, scuffMin } = lags[index]!;
    if (scuffMin === null || decisions.lag[index] !== null) continue;
    if (times.start[task]! <= (fromEnd ? times.end[before]! : times.start[before]!) + maxMin + TIME_TOLERANCE_MIN)
      continue;
    const decided = (how: 'kept' | 'scuffed'): Decisions => ({
      ...decisions,
      lag: decisions.lag.map((direction, lagIndex) => (lagIndex === index ? how : direction)),
    });
    return { ways: [decided('kept'), decided('scuffed')] };
  }
  const byStart = tasks.map((_, task) => task).sort((a, b) => times.start[a]! - times.start[b]! || a - b);
  const minutes = minutesByTask(tables, decisions);
  // How much longer a team takes than the quickest one, which the times assume if no team is decided.
  const moreMin = (task: number, team: number) =>
    decisions.team[task] === null ? tables.teamMin[task]![team]! - tables.leastMin[task]! : 0;
  const taken: number[] = tasks.map((_, task) => decisions.team[task] ?? -1);
  let before: number[] = [];
  for (const task of byStart) {
    if (holds[task]!.length === 0) continue;
    before = stillAt(before, times, task);
    const sharing = before.find(
      (other) => overlap(times, other, task) && holds[task]!.some((place) => holds[other]!.includes(place)),
    );
    if (sharing !== undefined) return { ways: bothOrders(decisions, times, sharing, task) };
    before.push(task);
  }
  before = [];
  for (const [position, task] of byStart.entries()) {
    const teams = tables.teams[task]!;
    if (tasks[task]!.hands === 0 || times.end[task]! <= times.start[task]! + TIME_TOLERANCE_MIN) {
      if (taken[task]! < 0) taken[task] = 0;
      continue;
    }
    before = stillAt(before, times, task);
    const meanwhile = [...before];
    for (
      let nextPosition = position + 1;
      nextPosition < byStart.length && times.start[byStart[nextPosition]!]! < times.end[task]! - TIME_TOLERANCE_MIN;
      nextPosition++
    )
      meanwhile.push(byStart[nextPosition]!);
    before.push(task);
    const atWork = meanwhile.filter(
      (other) => tasks[other]!.hands > 0 && taken[other]! >= 0 && overlap(times, other, task),
    );
    const busy = (team: readonly number[]) =>
      atWork.find((other) => tables.teams[other]![taken[other]!]!.some((worker) => team.includes(worker)));
    if (taken[task]! >= 0) {
      const other = busy(teams[taken[task]!]!);
      if (other === undefined) continue;
      // A provisional assignment is made final first.
      if (decisions.team[other] === null) return { ways: everyTeam(tables, decisions, other) };
      return { ways: bothOrders(decisions, times, other, task) };
    }
    const free = teams.findIndex(
      (team, index) =>
        fitsAt(tables, minutes[task]! + moreMin(task, index), times, task, team) && busy(team) === undefined,
    );
    if (free >= 0) taken[task] = free;
    else return { ways: everyTeam(tables, decisions, task) };
  }
  // If another team finishes at another time, a limit on what follows decides which team it must be.
  const loose = lags.find(
    ({ before, fromEnd, maxMin }) =>
      fromEnd && maxMin !== Infinity && canEndAt(tables, decisions, before) && decisions.team[before] === null,
  );
  if (loose) return { ways: everyTeam(tables, decisions, loose.before) };
  return { teams: taken };
}

/** Of tasks that began no later than another those that are not over when it begins. */
const stillAt = (before: readonly number[], { start, end }: EarliestTimes, task: number): number[] =>
  before.filter((other) => end[other]! > start[task]! + TIME_TOLERANCE_MIN);

/** What is started first stays first, if it can. */
const bothOrders = (decisions: Decisions, { start }: EarliestTimes, first: number, other: number): ConflictBranches =>
  start[first]! <= start[other]!
    ? [inOrder(decisions, first, other), inOrder(decisions, other, first)]
    : [inOrder(decisions, other, first), inOrder(decisions, first, other)];

/** Branches by team; of undecided teams with the same hours only one. */
function everyTeam(tables: ScheduleTables, decisions: Decisions, task: number): ConflictBranches {
  const used = new Set(
    decisions.team.flatMap((team, other) =>
      team === null || tables.tasks[other]!.hands === 0 ? [] : tables.teams[other]![team]!,
    ),
  );
  const seen = new Set<string>();
  return tables.teams[task]!.flatMap((team, index): Decisions[] => {
    if (team.every((worker) => !used.has(worker) && !tables.pinned.has(worker))) {
      const alike = JSON.stringify(team.map((worker) => [tables.hours[worker], tables.pace[worker]]));
      if (seen.has(alike)) return [];
      seen.add(alike);
    }
    return [{ ...decisions, team: decisions.team.map((choice, taskIndex) => (taskIndex === task ? index : choice)) }];
  });
}

/** Whether a team could do a task exactly as timed. */
function fitsAt(
  tables: ScheduleTables,
  minutes: number,
  { start, end }: EarliestTimes,
  task: number,
  team: readonly number[],
): boolean {
  const ownStart = startOfTeam(tables, task, team, start[task]!, minutes);
  return (
    Math.abs(ownStart.start - start[task]!) < TIME_TOLERANCE_MIN &&
    Math.abs(ownStart.end - end[task]!) < TIME_TOLERANCE_MIN
  );
}
