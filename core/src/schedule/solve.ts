import { TOLERANCE } from '../kit';
import { lowerBoundOnEnd, type ScheduleBounds, scheduleBounds } from './bound';
import { firstConflict } from './conflict';
import { type EarliestTimes, earliestTimes } from './earliest';
import { type Schedule, type ScheduleProblem, TIME_TOLERANCE_MIN } from './problem';
import { type Decisions, minutesByTask, noDecisions, type ScheduleTables, scheduleTables } from './tables';

/** The best schedule found, and how good it is. */
export interface SolvedSchedule {
  readonly schedule: Schedule;
  readonly decisions: Decisions;
  /** No schedule ends sooner. Equal to the end where it is proven. */
  readonly leastEndMin: number;
  readonly proven: boolean;
}

/** Maximum number of nodes; counted rather than timed, so that every machine gives the same answer. */
const MAX_NODES = 20_000;
const MOST_WHEN_STAYING = 1_000;
/** Of two ends nearer than this neither is better. */
const WORTH_MIN = TOLERANCE.timeMin;

interface Node {
  readonly decisions: Decisions;
  readonly times: EarliestTimes;
  readonly least: number;
  readonly scuffMin: number;
}

interface Found {
  readonly node: Node;
  readonly teams: readonly number[];
  readonly endMin: number;
}

/** A search under way. */
interface Search {
  readonly tables: ScheduleTables;
  readonly bounds: ScheduleBounds;
  /** Minimum number of minutes another schedule must be better by than the one to stay close to. */
  readonly worthMin: number;
  best: Found | null;
  /** The node of the schedule to stay close to. */
  stayed: Node | null;
}

/**
 * Finds the schedule with the earliest end, and of those the one with the least scuffing; it misses no window.
 * Branch and bound: earliest times are computed under the decisions so far; on a conflict every way to resolve it is
 * tried, the most promising first. Whatever cannot end sooner than the best found is cut off, so an exhausted search
 * is proven.
 * A generator: other work can be done between its steps, and it can be stopped early.
 * @param before decisions of a schedule to stay close to: another one is taken only if it ends sooner by more than
 *   `worthMin`
 * @returns null if no schedule keeps all hours, lags and windows: see `scheduleTrouble`
 */
export function* solveScheduleSteps(
  problem: ScheduleProblem,
  { most = MAX_NODES, before, worthMin = WORTH_MIN }: { most?: number; before?: Decisions; worthMin?: number } = {},
): Generator<void, SolvedSchedule | null> {
  const tables = scheduleTables(problem);
  const search: Search = { tables, bounds: scheduleBounds(tables), worthMin, best: null, stayed: null };
  const root = nodeOf(search, noDecisions(tables));
  if (!root) return null;
  if (before && fits(before, tables)) stayWith(search, before);
  if (search.stayed === null) yield* diveFrom(search, root, problem.tasks.length);
  // With a schedule to stay close to, only a clearly better one nearby is searched for.
  const open = yield* branchAndBound(search, root, search.stayed === null ? most : Math.min(most, MOST_WHEN_STAYING));
  const { best } = search;
  if (best === null) return null;
  const decisions = { ...best.node.decisions, team: best.teams };
  return {
    schedule: scheduleOf(problem, tables, decisions, best.node.times),
    decisions,
    leastEndMin: Math.min(best.endMin, ...open.map(({ least }) => least)),
    proven: open.length === 0,
  };
}

/** Earliest times under some decisions; null if there are none. `from` are starts they cannot be before. */
function nodeOf({ tables, bounds }: Search, decisions: Decisions, from?: readonly number[]): Node | null {
  const times = earliestTimes(tables, decisions, from);
  if (!times) return null;
  const scuffMin = scuffedIn(tables, decisions);
  return { decisions, times, least: lowerBoundOnEnd(tables, decisions, times, bounds), scuffMin };
}

/** Begins with a schedule made before, if it is still one. */
function stayWith(search: Search, before: Decisions): void {
  const kept = nodeOf(search, before);
  const end = kept && firstConflict(search.tables, before, kept.times);
  if (kept && end && 'teams' in end) take(search, kept, end.teams, WORTH_MIN);
  search.stayed = search.best?.node ?? null;
}

/** What is stayed with is left only for what is worth it; from then on the best is the best. */
const marginOf = ({ stayed, best, worthMin }: Search): number =>
  stayed !== null && best?.node === stayed ? worthMin : WORTH_MIN;

const isBetter = ({ best }: Search, { least, scuffMin }: Pick<Node, 'least' | 'scuffMin'>, margin: number): boolean =>
  best === null ||
  least < best.endMin - margin ||
  (least < best.endMin + TIME_TOLERANCE_MIN && scuffMin < best.node.scuffMin - TIME_TOLERANCE_MIN);

/** Keeps a schedule without conflicts if it is better than the best. */
function take(search: Search, node: Node, teams: readonly number[], margin: number): void {
  const endMin = Math.max(0, ...node.times.end);
  if (isBetter(search, { least: endMin, scuffMin: node.scuffMin }, margin)) search.best = { node, teams, endMin };
}

/** First schedules by depth-first dives: each conflict is resolved in favour of the task with most work after it. */
function* diveFrom(search: Search, root: Node, taskCount: number): Generator<void> {
  const dives = Math.max(2, Math.round(DIVES * (MANY_TASKS / Math.max(MANY_TASKS, taskCount)) ** 1.5));
  for (let dive = 0; dive < dives && search.best?.endMin !== root.least; dive++) {
    let node: Node | null = root;
    while (node) {
      const conflict = firstConflict(search.tables, node.decisions, node.times);
      if ('teams' in conflict) {
        take(search, node, conflict.teams, WORTH_MIN);
        break;
      }
      const { start } = node.times;
      const ways: Node[] = conflict.ways.flatMap((decisions) => nodeOf(search, decisions, start) ?? []);
      node = ways.sort((a, b) => promise(a, search.bounds, dive) - promise(b, search.bounds, dive))[0] ?? null;
    }
    yield;
  }
}

/**
 * Depth first, the nearest to the best bound on top.
 * @param most maximum number of nodes looked at
 * @returns what was left aside and may still be better
 */
function* branchAndBound(search: Search, root: Node, most: number): Generator<void, readonly Node[]> {
  let margin = marginOf(search);
  const stack: Node[] = [root];
  let looked = 0;
  while (stack.length > 0 && looked < most) {
    const node = stack.pop()!;
    if (!isBetter(search, node, margin)) continue;
    if (++looked % 50 === 0) yield;
    const conflict = firstConflict(search.tables, node.decisions, node.times);
    if ('teams' in conflict) {
      take(search, node, conflict.teams, margin);
      margin = marginOf(search);
      continue;
    }
    const ways = conflict.ways
      .flatMap((decisions) => nodeOf(search, decisions, node.times.start) ?? [])
      .filter((other) => isBetter(search, other, margin));
    // The last one pushed is examined first.
    for (const way of ways.sort((a, b) => b.least - a.least || sumOfEnds(b) - sumOfEnds(a))) stack.push(way);
  }
  return stack.filter((other) => isBetter(search, other, margin));
}

/** The same without steps. */
export function solveSchedule(
  problem: ScheduleProblem,
  how: Parameters<typeof solveScheduleSteps>[1] = {},
): SolvedSchedule | null {
  const steps = solveScheduleSteps(problem, how);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** Number of first schedules; fewer for many tasks. */
const DIVES = 24;
const MANY_TASKS = 25;

/** How good a way looks: what it bounds, and how early tasks are, those with much behind them more; each dive weighs that in its own way. */
function promise({ times, least }: Node, { tails }: ScheduleBounds, dive: number): number {
  const weight = [0, 1, 0.3, 3][dive % 4]!;
  const shake = dive < 4 ? 0 : 0.15;
  let sum = 0;
  for (let task = 0; task < tails.length; task++)
    sum += times.end[task]! * (1 + weight * (tails[task]! / (1 + tails[0]!))) * (1 + shake * unlike(dive, task));
  return sum + (dive % 2 === 0 ? 10 * least : 0);
}

/** A number from −1 to 1 that is the same on every machine. */
const unlike = (dive: number, task: number): number =>
  (Math.imul(dive * 7919 + task * 104729 + 1, 2654435761) >>> 0) / 2 ** 31 - 1;

const sumOfEnds = ({ times }: Node): number => times.end.reduce((sum, end) => sum + end, 0);

const fits = ({ team, lag, order }: Decisions, { tasks, teams, lags }: ScheduleTables): boolean =>
  team.length === tasks.length &&
  lag.length === lags.length &&
  team.every((choice, task) => choice === null || choice < teams[task]!.length) &&
  order.every((pair) => pair.every((task) => task < tasks.length));

const scuffedIn = ({ lags }: ScheduleTables, { lag }: Decisions): number =>
  lags.reduce((sum, { scuffMin }, index) => (lag[index] === 'scuffed' ? sum + (scuffMin ?? 0) : sum), 0);

function scheduleOf(
  { workers }: ScheduleProblem,
  tables: ScheduleTables,
  decisions: Decisions,
  { start, end }: EarliestTimes,
): Schedule {
  const took = minutesByTask(tables, decisions);
  const placed = tables.tasks.map(({ id }, task) => ({
    task: id,
    startMin: start[task]!,
    endMin: end[task]!,
    workers: tables.teams[task]![decisions.team[task] ?? 0]!.map((worker) => workers[worker]!.id),
    scuffMin: took[task]! - (tables.teamMin[task]![decisions.team[task] ?? 0] ?? 0),
  }));
  return { placed, endMin: Math.max(0, ...end), scuffMin: scuffedIn(tables, decisions) };
}
