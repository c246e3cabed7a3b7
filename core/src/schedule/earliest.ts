import { maxOf } from '../kit';
import { earliestUnbroken, endAfterHours, latestStartFor, nextOpening } from './hours';
import { hasPositiveCycle } from './positive-cycle';
import { TIME_TOLERANCE_MIN } from './problem';
import { canEndAt, type Decisions, minutesByTask, possibleTeams, type ScheduleTables } from './tables';

/** Earliest times under decisions. */
export interface EarliestTimes {
  readonly start: readonly number[];
  readonly end: readonly number[];
}

/** Later than this nothing is planned, min after now: whatever is pushed beyond can never be. */
const HORIZON_MIN = 366 * 1440;

/**
 * Earliest times that keep every decision, every lag and all hours. They are lower bounds for every schedule under
 * these decisions: times only increase until they are stable.
 * @returns null if there are none
 */
export function earliestTimes(
  tables: ScheduleTables,
  decisions: Decisions,
  from?: readonly number[],
): EarliestTimes | null {
  const { tasks, lags, nowMin } = tables;
  const minutes = minutesByTask(tables, decisions);
  const start = tasks.map(({ earliestMin, atMin }, task) =>
    Math.max(nowMin, earliestMin, atMin ?? -Infinity, from?.[task] ?? -Infinity),
  );
  const end = tasks.map(() => 0);
  // A task that pauses, or whose minutes depend on the team, may end later than at the earliest if its team is
  // undecided.
  const atLatest = tasks.map(() => 0);
  const fit = (task: number): boolean => {
    const placed = placedFrom(tables, decisions, task, start[task]!, minutes[task]!);
    if (placed.start > nowMin + HORIZON_MIN || placed.end === Infinity) return false;
    start[task] = placed.start;
    end[task] = placed.end;
    atLatest[task] = placed.atLatest;
    const { atMin } = tasks[task]!;
    return atMin === undefined || placed.start <= Math.max(atMin, nowMin) + TIME_TOLERANCE_MIN;
  };
  for (let task = 0; task < tasks.length; task++) if (!fit(task)) return null;
  for (let round = 1; ; round++) {
    // Times that still change after this many rounds may increase without end: checked once, since most are stable
    // long before.
    if (round === ROUNDS_BEFORE_DOUBT && hasPositiveCycle(tables, decisions, minutes, { start, end })) return null;
    let moved = false;
    const atLeast = (task: number, min: number): boolean => {
      if (start[task]! >= min - TIME_TOLERANCE_MIN) return true;
      start[task] = min;
      moved = true;
      return fit(task);
    };
    for (const [before, after] of decisions.order) if (!atLeast(after, end[before]!)) return null;
    for (let index = 0; index < lags.length; index++) {
      const { before, task, fromEnd, minMin, maxMin, scuffMin } = lags[index]!;
      if (!atLeast(task, (fromEnd ? end[before]! : start[before]!) + minMin)) return null;
      if (maxMin === Infinity || (scuffMin !== null && decisions.lag[index] !== 'kept')) continue;
      // Too late after it: what came before is put off.
      const late = start[task]! - maxMin;
      const soonest = !fromEnd
        ? start[before]!
        : canEndAt(tables, decisions, before)
          ? atLatest[before]!
          : end[before]!;
      if (soonest >= late - TIME_TOLERANCE_MIN) continue;
      const wanted = fromEnd ? startToEndAt(tables, decisions, before, start[before]!, late, minutes[before]!) : late;
      if (!atLeast(before, wanted)) return null;
    }
    if (!moved) return { start, end };
  }
}

const ROUNDS_BEFORE_DOUBT = 4;

/**
 * When a task is done by its team, or by anyone who may: it begins no sooner than with the first of them, is over no sooner than with the
 * quickest, and at the latest with the slowest.
 */
function placedFrom(tables: ScheduleTables, decisions: Decisions, task: number, fromMin: number, minutes: number) {
  const placed = { start: Infinity, end: Infinity, atLatest: -Infinity };
  for (const { team, moreMin } of possibleTeams(tables, decisions, task)) {
    const ownStart = startOfTeam(tables, task, team, fromMin, minutes + moreMin);
    placed.start = Math.min(placed.start, ownStart.start);
    placed.end = Math.min(placed.end, ownStart.end);
    if (ownStart.end < Infinity) placed.atLatest = Math.max(placed.atLatest, ownStart.end);
  }
  return placed;
}

/** When a team does a task that begins no sooner than a moment; Infinity: never. */
export function startOfTeam(
  { tasks, hours, placeHours, holds }: ScheduleTables,
  task: number,
  team: readonly number[],
  fromMin: number,
  minutes: number,
) {
  const limits = [
    ...team.map((worker) => hours[worker]!),
    ...holds[task]!.flatMap((place) => (placeHours[place] ? [placeHours[place]] : [])),
  ];
  if (limits.length === 0) return { start: fromMin, end: fromMin + minutes };
  if (tasks[task]!.pauses && limits.length === 1) {
    const start = nextOpening(limits[0]!, fromMin);
    return { start, end: start === Infinity ? Infinity : endAfterHours(limits[0]!, start, minutes) };
  }
  let start = fromMin;
  for (;;) {
    const moved = limits.reduce((limit, shifts) => Math.max(limit, earliestUnbroken(shifts, limit, minutes)), start);
    if (moved === Infinity) return { start: Infinity, end: Infinity };
    if (moved <= start + TIME_TOLERANCE_MIN) return { start: moved, end: moved + minutes };
    start = moved;
  }
}

/**
 * The earliest start, after one that is too early, from which a task ends no sooner than a moment, with any possible
 * team.
 */
function startToEndAt(
  tables: ScheduleTables,
  decisions: Decisions,
  task: number,
  soonMin: number,
  endMin: number,
  minutes: number,
): number {
  const teams = possibleTeams(tables, decisions, task);
  if (!tables.tasks[task]!.pauses) return endMin - minutes - maxOf(teams.map(({ moreMin }) => moreMin));
  const starts = teams.flatMap(({ team: one, moreMin }) => {
    const neededMin = minutes + moreMin;
    if (startOfTeam(tables, task, one, soonMin, neededMin).end === Infinity) return [];
    const start = one.length === 1 ? latestStartFor(tables.hours[one[0]!]!, endMin, neededMin) : endMin - neededMin;
    // At the end of a shift what is left is done in the next: a moment later is enough.
    return [start > soonMin + TIME_TOLERANCE_MIN ? start : nextOpening(tables.hours[one[0]!]!, soonMin) + BLINK_MIN];
  });
  return Math.min(...starts, Infinity);
}

/** Long enough to be another moment. */
const BLINK_MIN = 1e-3;
