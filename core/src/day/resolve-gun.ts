import { type ScheduleProblem, type SolvedSchedule, solveSchedule, TIME_TOLERANCE_MIN } from '../schedule';
import { type GunConflict, gunConflict, withGunOrder } from './gun-uses';
import { isGunFreeBetween, type OneMix, pairMessage, pairsOf, withOneMix } from './one-mix';
import type { PersonSpeed } from './step-minutes';
import { storedDecisions, type StoredOrder } from './stored-order';
import type { DayWork, RunningJob } from './tasks';

/** Maximum number of partial schedules examined; fewer for many tasks, each of which takes longer. */
const MOST_LOOKED_AT = 12_000;
/** Fraction of that effort for variants: whether a colour can wait, or one mix is enough for two jobs. */
const AGAIN_SHARE = 0.4;
const MANY_TASKS = 25;
/** A plan is replaced by one that ends earlier by this much, min. */
const WORTH_MIN = 15;

/** The schedule of a day, near to what the plan before decided; null: there is none. */
export function solveNear(problem: ScheduleProblem, before: StoredOrder | null, share = 1): SolvedSchedule | null {
  const most = Math.round((share * MOST_LOOKED_AT) / Math.max(1, problem.tasks.length / MANY_TASKS) ** 2);
  return solveSchedule(problem, {
    most,
    worthMin: WORTH_MIN,
    ...(before ? { before: storedDecisions(before, problem) } : {}),
  });
}

/** A problem and its answer. */
export interface SolvedProblem {
  readonly problem: ScheduleProblem;
  readonly found: SolvedSchedule;
  /** Jobs that are sprayed from one mix in it. */
  readonly oneMix: readonly OneMix[];
  /** Two colours that meet in the gun all the same, neither of which can wait. */
  readonly clash: GunConflict | null;
}

/** What is sprayed, and what a plan of it goes by. */
interface Spraying {
  readonly work: readonly DayWork[];
  readonly jobs: readonly RunningJob[];
  readonly before: StoredOrder | null;
  readonly speeds: readonly PersonSpeed[];
  readonly nowMin: number;
}

/** Maximum number of gun conflicts resolved; fewer if each new plan takes long. */
const MOST_TURNS = 12;
const TURNS_OF_MANY = 2;
/** A shop with more stretches of work than these waits long enough for one plan. */
export const MAX_TASKS_TWICE = 60;

/** A day's plan with the gun looked after: one colour at a time, and two jobs of one colour from one mix where that costs nothing. */
export function resolveGun(
  problem: ScheduleProblem,
  solvedSchedule: SolvedSchedule,
  spraying: Spraying,
): SolvedProblem {
  return fromOneMix(oneColourAtATime({ problem, found: solvedSchedule, oneMix: [], clash: null }, spraying), spraying);
}

/**
 * If another colour would be sprayed before one is cleaned out of the gun, one of the two waits, whichever gives the
 * earlier end. If neither can, both stay as they are and the conflict is reported.
 */
function oneColourAtATime(plain: SolvedProblem, { work, jobs, before, nowMin }: Spraying): SolvedProblem {
  let now = plain;
  const most = Math.max(
    TURNS_OF_MANY,
    Math.round(MOST_TURNS * Math.min(1, MANY_TASKS / Math.max(1, work.length)) ** 2),
  );
  for (let turn = 0; ; turn++) {
    const clash = gunConflict(work, jobs, now.found.schedule.placed, nowMin);
    if (!clash) return now;
    if (turn === most) return { ...now, clash };
    const { waits, until } = clash;
    const parted = [clash, ...(until.begun ? [] : [{ waits: until, until: waits }])].flatMap(
      (conflict): SolvedProblem[] => {
        const problem = { ...now.problem, tasks: withGunOrder(now.problem.tasks, conflict) };
        const near = solveNear(problem, before, AGAIN_SHARE);
        return near ? [{ ...now, problem, found: boundedBy(plain.found, near) }] : [];
      },
    );
    const [best] = parted.sort((a, b) => a.found.schedule.endMin - b.found.schedule.endMin);
    if (!best) return { ...now, clash };
    now = best;
  }
}

/**
 * Jobs of one colour from one mix, if all windows are kept, the end is hardly later, and no other colour is sprayed
 * in between.
 */
function fromOneMix(plain: SolvedProblem, { work, jobs, before, speeds, nowMin }: Spraying): SolvedProblem {
  if (plain.clash) return plain;
  return pairsOf(work, jobs, plain.found.schedule.placed, speeds).reduce((now, pair): SolvedProblem => {
    const problem = { ...now.problem, tasks: withOneMix(now.problem.tasks, pair) };
    const near = solveNear(problem, before, AGAIN_SHARE);
    const holds =
      near !== null &&
      near.schedule.endMin <= plain.found.schedule.endMin + WORTH_MIN &&
      isGunFreeBetween(work, near.schedule.placed, pair) &&
      gunConflict(work, jobs, near.schedule.placed, nowMin) === null;
    return holds
      ? { ...now, problem, found: boundedBy(plain.found, near), oneMix: [...now.oneMix, pairMessage(pair)] }
      : now;
  }, plain);
}

/** An answer to a narrower question: no plan ends sooner than is known of the wider one, and it is proven where it ends then. */
function boundedBy(wide: SolvedSchedule, narrow: SolvedSchedule): SolvedSchedule {
  const leastEndMin = Math.min(wide.leastEndMin, narrow.leastEndMin);
  return { ...narrow, leastEndMin, proven: narrow.schedule.endMin <= leastEndMin + TIME_TOLERANCE_MIN };
}
