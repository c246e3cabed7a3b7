import { fitsWhole, joined, nextOpen, overAfter, startFor } from './hours';
import { largest, smallest } from '../units';
import { minutesWith, SAME_MIN, type ScheduleProblem, type Shift, type Task } from './problem';

/** A problem by numbers: tasks, workers and places by their place in the lists. */
export interface Tables {
  readonly tasks: readonly Task[];
  readonly hours: readonly (readonly Shift[])[];
  readonly placeHours: readonly (readonly Shift[] | null)[];
  /** Places each task holds. */
  readonly holds: readonly (readonly number[])[];
  /** The teams each task may be done by, each the places of its workers; one empty team where nobody is needed. */
  readonly teams: readonly (readonly (readonly number[])[])[];
  /** How long each team takes for a task, the least of it, and the most. */
  readonly teamMin: readonly (readonly number[])[];
  readonly leastMin: readonly number[];
  readonly mostMin: readonly number[];
  /** What tells workers apart who take longer or shorter for some task: their minutes of it. */
  readonly pace: readonly (readonly (number | null)[])[];
  /** Workers some task is pinned to. */
  readonly pinned: ReadonlySet<number>;
  readonly lags: readonly TableLag[];
  readonly nowMin: number;
}

export interface TableLag {
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
  /** Which team does a task, by its place in `teams`; null: not decided. */
  readonly team: readonly (number | null)[];
  /** One task after another: pairs of places. */
  readonly order: readonly (readonly [before: number, after: number])[];
  /** What is decided of each lag that may be passed: kept, or scuffed for; null: not decided. */
  readonly lag: readonly ('kept' | 'scuffed' | null)[];
}

/** Earliest times under decisions. */
export interface Times {
  readonly start: readonly number[];
  readonly end: readonly number[];
}

export function tablesOf({ tasks, workers, places, nowMin }: ScheduleProblem): Tables {
  const at = new Map(tasks.map(({ id }, index) => [id, index]));
  const worker = new Map(workers.map(({ id }, index) => [id, index]));
  const place = new Map(places.map(({ id }, index) => [id, index]));
  const lags = tasks.flatMap(({ after }, task) =>
    after.flatMap(({ task: other, from, minMin, maxMin, scuffMin }): TableLag[] => {
      const before = at.get(other);
      if (before === undefined) throw new Error(`A task comes after "${other}", which is no task of the problem.`);
      return [{ before, task, fromEnd: from === 'end', minMin, maxMin: maxMin ?? Infinity, scuffMin: scuffMin ?? null }];
    }),
  );
  const all = workers.map((_, index) => index);
  const teams = tasks.map(({ hands, worker: pinned }) => {
    const first = pinned === undefined ? undefined : worker.get(pinned);
    return subsets(all, hands).filter((team) => first === undefined || hands === 0 || team.includes(first));
  });
  const teamMin = tasks.map((one, task) =>
    minutesWithEach(
      one,
      teams[task]!.map((team) => team.map((index) => workers[index]!.id)),
    ),
  );
  return {
    tasks,
    teamMin,
    leastMin: teamMin.map(smallest),
    mostMin: teamMin.map(largest),
    pace: workers.map(({ id }) => tasks.flatMap(({ minutesBy }) => (minutesBy ? [minutesBy[id] ?? null] : []))),
    hours: workers.map(({ hours }) => joined(hours)),
    placeHours: places.map(({ hours }) => hours && joined(hours)),
    holds: tasks.map(({ places: held }) => held.flatMap((id) => place.get(id) ?? [])),
    teams,
    pinned: new Set(tasks.flatMap(({ worker: named }) => (named === undefined ? [] : (worker.get(named) ?? [])))),
    lags,
    nowMin,
  };
}

/** How long each of some teams takes; a task nobody can do has its own minutes all the same. */
const minutesWithEach = (task: Task, teams: readonly (readonly string[])[]): number[] =>
  teams.length === 0 ? [task.minutes] : teams.map((team) => minutesWith(task, team));

function subsets(all: readonly number[], size: number): number[][] {
  if (size === 0) return [[]];
  return all.flatMap((first, index) => subsets(all.slice(index + 1), size - 1).map((rest) => [first, ...rest]));
}

export const undecided = ({ tasks, teams, lags }: Tables): Decisions => ({
  team: tasks.map((_, task) => (teams[task]!.length === 1 ? 0 : null)),
  order: [],
  lag: lags.map(() => null),
});

/** Minutes each task takes at least under decisions, by the team that does it or the quickest that may: scuffing comes on top. */
export function minutesUnder({ teamMin, leastMin, lags }: Tables, { lag, team }: Decisions): number[] {
  const minutes = leastMin.map((least, task) => (team[task] == null ? least : teamMin[task]![team[task]]!));
  lags.forEach(({ task, scuffMin }, index) => {
    if (lag[index] === 'scuffed') minutes[task]! += scuffMin ?? 0;
  });
  return minutes;
}

/** The teams that may still do a task, the one that was decided or all, and how much longer than the quickest each of them takes. */
function teamsFor({ teams, teamMin, leastMin }: Tables, { team }: Decisions, task: number) {
  const decided = team[task] ?? null;
  if (decided !== null) return [{ team: teams[task]![decided]!, moreMin: 0 }];
  return teams[task]!.map((one, index) => ({ team: one, moreMin: teamMin[task]![index]! - leastMin[task]! }));
}

/** True where it is open when a task is over that begins at a moment: it may pause, or one takes longer than another. */
export const endIsOpen = ({ tasks, leastMin, mostMin }: Tables, { team }: Decisions, task: number): boolean =>
  tasks[task]!.pauses || ((team[task] ?? null) === null && mostMin[task]! > leastMin[task]!);

/** Later than this nothing is planned, min after now: whatever is pushed beyond can never be. */
const HORIZON_MIN = 366 * 1440;

/**
 * The earliest times that keep every decision, every lag and the hours of people and places; what is not decided may be as it likes.
 * Nothing may be sooner in any schedule that follows from these decisions: times only move on, until they stay.
 * @returns null where there are none
 */
export function earliest(tables: Tables, decisions: Decisions, from?: readonly number[]): Times | null {
  const { tasks, lags, nowMin } = tables;
  const minutes = minutesUnder(tables, decisions);
  const start = tasks.map(({ earliestMin, atMin }, task) => Math.max(nowMin, earliestMin, atMin ?? -Infinity, from?.[task] ?? -Infinity));
  const end = tasks.map(() => 0);
  // Where it is not decided who does a task that pauses, or that takes one longer than another, it may be over later than at the soonest.
  const atLatest = tasks.map(() => 0);
  const fit = (task: number): boolean => {
    const placed = placedFrom(tables, decisions, task, start[task]!, minutes[task]!);
    if (placed.start > nowMin + HORIZON_MIN || placed.end === Infinity) return false;
    start[task] = placed.start;
    end[task] = placed.end;
    atLatest[task] = placed.atLatest;
    const { atMin } = tasks[task]!;
    return atMin === undefined || placed.start <= Math.max(atMin, nowMin) + SAME_MIN;
  };
  for (let task = 0; task < tasks.length; task++) if (!fit(task)) return null;
  for (let round = 1; ; round++) {
    // Times that still move after so many rounds may be pushing each other on for ever: looked at once, most settle long before.
    if (round === ROUNDS_BEFORE_DOUBT && goesInCircles(tables, decisions, minutes, { start, end })) return null;
    let moved = false;
    const atLeast = (task: number, min: number): boolean => {
      if (start[task]! >= min - SAME_MIN) return true;
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
      const soonest = !fromEnd ? start[before]! : endIsOpen(tables, decisions, before) ? atLatest[before]! : end[before]!;
      if (soonest >= late - SAME_MIN) continue;
      const wanted = fromEnd ? startToEndAt(tables, decisions, before, start[before]!, late, minutes[before]!) : late;
      if (!atLeast(before, wanted)) return null;
    }
    if (!moved) return { start, end };
  }
}

const ROUNDS_BEFORE_DOUBT = 4;

/**
 * Whether lags and order push each other on for ever, whatever the hours: told at once, where times would only creep on. Beginnings and ends
 * are looked at each for itself: of what may pause the end is no sooner than the work after the beginning, but may be later.
 */
function goesInCircles(tables: Tables, decisions: Decisions, minutes: readonly number[], { start, end }: Times): boolean {
  const { tasks, lags } = tables;
  const count = tasks.length;
  // Beginnings, then ends, from where they are now: what has come to rest is not gone through again.
  const at = Float64Array.from([...start, ...end]);
  // What pushed each last: where these lead back to where they came from, nothing ever comes to rest.
  const pushedBy = new Int32Array(2 * count).fill(-1);
  const open = tasks.map((_, task) => endIsOpen(tables, decisions, task));
  for (;;) {
    let moved = false;
    const push = (from: number, to: number, by: number): void => {
      if (at[to]! >= at[from]! + by - SAME_MIN) return;
      at[to] = at[from]! + by;
      pushedBy[to] = from;
      moved = true;
    };
    for (let task = 0; task < count; task++) {
      push(task, count + task, minutes[task]!);
      if (!open[task]) push(count + task, task, -minutes[task]!);
    }
    for (const [before, after] of decisions.order) push(count + before, after, 0);
    for (let index = 0; index < lags.length; index++) {
      const { before, task, fromEnd, minMin, maxMin, scuffMin } = lags[index]!;
      const since = fromEnd ? count + before : before;
      push(since, task, minMin);
      if (maxMin !== Infinity && (scuffMin === null || decisions.lag[index] === 'kept')) push(task, since, -maxMin);
    }
    if (!moved) return false;
    if (leadsBack(pushedBy)) return true;
  }
}

/** Whether following what each was pushed by leads round to where it began. */
function leadsBack(pushedBy: Int32Array): boolean {
  const seen = new Int32Array(pushedBy.length).fill(-1);
  for (let first = 0; first < pushedBy.length; first++) {
    let one = first;
    while (one >= 0 && seen[one] === -1) {
      seen[one] = first;
      one = pushedBy[one]!;
    }
    if (one >= 0 && seen[one] === first) return true;
  }
  return false;
}

/**
 * When a task is done by its team, or by anyone who may: it begins no sooner than with the first of them, is over no sooner than with the
 * quickest, and at the latest with the slowest.
 */
function placedFrom(tables: Tables, decisions: Decisions, task: number, fromMin: number, minutes: number) {
  const placed = { start: Infinity, end: Infinity, atLatest: -Infinity };
  for (const { team, moreMin } of teamsFor(tables, decisions, task)) {
    const own = byTeam(tables, task, team, fromMin, minutes + moreMin);
    placed.start = Math.min(placed.start, own.start);
    placed.end = Math.min(placed.end, own.end);
    if (own.end < Infinity) placed.atLatest = Math.max(placed.atLatest, own.end);
  }
  return placed;
}

/** When a team does a task that begins no sooner than a moment; Infinity: never. */
export function byTeam({ tasks, hours, placeHours, holds }: Tables, task: number, team: readonly number[], fromMin: number, minutes: number) {
  const limits = [...team.map((worker) => hours[worker]!), ...holds[task]!.flatMap((place) => (placeHours[place] ? [placeHours[place]] : []))];
  if (limits.length === 0) return { start: fromMin, end: fromMin + minutes };
  if (tasks[task]!.pauses && limits.length === 1) {
    const start = nextOpen(limits[0]!, fromMin);
    return { start, end: start === Infinity ? Infinity : overAfter(limits[0]!, start, minutes) };
  }
  let start = fromMin;
  for (;;) {
    const moved = limits.reduce((at, one) => Math.max(at, fitsWhole(one, at, minutes)), start);
    if (moved === Infinity) return { start: Infinity, end: Infinity };
    if (moved <= start + SAME_MIN) return { start: moved, end: moved + minutes };
    start = moved;
  }
}

/** The earliest start, after one that is too soon, at which a task is over no sooner than a moment, by whoever may do it. */
function startToEndAt(tables: Tables, decisions: Decisions, task: number, soonMin: number, endMin: number, minutes: number): number {
  const teams = teamsFor(tables, decisions, task);
  if (!tables.tasks[task]!.pauses) return endMin - minutes - largest(teams.map(({ moreMin }) => moreMin));
  const starts = teams.flatMap(({ team: one, moreMin }) => {
    const own = minutes + moreMin;
    if (byTeam(tables, task, one, soonMin, own).end === Infinity) return [];
    const start = one.length === 1 ? startFor(tables.hours[one[0]!]!, endMin, own) : endMin - own;
    // At the end of a shift what is left is done in the next: a moment later is enough.
    return [start > soonMin + SAME_MIN ? start : nextOpen(tables.hours[one[0]!]!, soonMin) + BLINK_MIN];
  });
  return Math.min(...starts, Infinity);
}

/** Long enough to be another moment. */
const BLINK_MIN = 1e-3;
