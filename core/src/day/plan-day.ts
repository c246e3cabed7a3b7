import { NO_AIR, type ShopAir } from '../log';
import type { Step } from '../runsheet';
import {
  type Assignment,
  type Binding,
  bindingConstraints,
  type LatestStart,
  latestStarts,
  type Schedule,
  type ScheduleProblem,
  type ScheduleTrouble,
  scheduleTrouble,
  type Task,
  TIME_TOLERANCE_MIN,
  withoutMaxLags,
  withoutPins,
} from '../schedule';
import type { GunConflict } from './gun-uses';
import type { OneMix } from './one-mix';
import { MAX_TASKS_TWICE, resolveGun, type SolvedProblem, solveNear } from './resolve-gun';
import { DAY_RULES } from './rules-of-thumb';
import { type CalendarDay, hoursOver, type ShopDay } from './shop-day';
import type { PersonSpeed } from './step-minutes';
import { NO_STORED_ORDER, type StoredOrder, storedOrderOf } from './stored-order';
import { type DayWork, gunFacility, jobTasks, minutesOf, type MissedWindow, type RunningJob } from './tasks';

/** The day's plan of a shop. */
export interface DayPlan {
  readonly work: readonly DayWork[];
  /** Null if there is no schedule, whatever is given up. */
  readonly schedule: Schedule | null;
  readonly leastEndMin: number;
  readonly proven: boolean;
  readonly latest: readonly LatestStart[];
  readonly binding: readonly Binding[];
  /** Constraints that cannot be kept, with suggestions; the schedule ignores them. */
  readonly troubles: readonly ScheduleTrouble[];
  readonly missed: readonly MissedWindow[];
  /** Jobs that are sprayed from one mix. */
  readonly oneMix: readonly OneMix[];
  /** Two colours that meet in the gun, since neither can wait; null: none do. */
  readonly clash: GunConflict | null;
  /** Stretches of work further on that are not planned yet: a shop with many jobs plans the next of each. */
  readonly more: number;
  readonly kept: StoredOrder;
}

/** Approximate number of tasks planned, the same number of each job and at least two. */
const MOST_PLANNED = 120;
/**
 * Maximum number of iterations until the air of the planned hours equals the air it was planned with, and the
 * tolerance of their starts, min.
 */
const MOST_ROUNDS = 7;
const FREE_ROUNDS = 3;
const SETTLED_MIN = 2;
/** Where one plan takes long it is made again less often. */
const ROUNDS_OF_MANY = 3;
/** Maximum number of impossible windows given up one after the other to plan the rest. */
const MOST_GIVEN_UP = 6;

/**
 * Plans the remaining work of all jobs in the shop over the hours of its people. Drying depends on the hour of a coat, so the plan is
 * repeated until its air fits.
 * @param days the planned days, from today on
 * @param before decisions of the previous plan
 * @param air air the films dry in
 * @param pins tasks pinned by a person
 * @param speeds working speeds
 */
export function planDay(
  jobs: readonly RunningJob[],
  shop: ShopDay,
  days: readonly CalendarDay[],
  nowMin: number,
  { before = null, air = NO_AIR, pins = [], speeds = [] }: DayOptions = {},
): DayPlan {
  let attempt = planOnce(jobs, shop, days, { nowMin, before, air, pins, speeds, plannedMin: new Map() });
  const rounds =
    air.measured.length + air.expected.length === 0
      ? 1
      : attempt.plan.work.length > MAX_TASKS_TWICE
        ? ROUNDS_OF_MANY
        : MOST_ROUNDS;
  let plannedMin = new Map<string, readonly number[]>();
  for (let round = 1; round < rounds && attempt.answered; round++) {
    // Where it does not settle by itself, what holds at any of the hours it was planned for holds.
    plannedMin = new Map(
      [...endsOf(attempt.plan)].map(([step, end]) => [
        step,
        round < FREE_ROUNDS ? [end] : [...(plannedMin.get(step) ?? []), end],
      ]),
    );
    attempt = planOnce(jobs, shop, days, { nowMin, before: attempt.plan.kept, air, pins, speeds, plannedMin });
    const settled = (step: string, end: number) =>
      plannedMin.get(step)?.some((plannedEnd) => Math.abs(plannedEnd - end) < SETTLED_MIN) ?? true;
    if ([...endsOf(attempt.plan)].every(([step, end]) => settled(step, end))) break;
  }
  const { plan, answered } = attempt;
  // What binds and how long each may wait is looked for once, of the plan that stands.
  return answered
    ? {
        ...plan,
        latest: latestStarts(answered.problem, answered.found),
        binding: bindingConstraints(answered.problem, answered.found),
      }
    : plan;
}

/** When the last step of each stretch of work is planned to be done. */
function endsOf({ work, schedule }: DayPlan): Map<string, number> {
  const endMin = new Map(schedule?.placed.map(({ task, endMin: end }) => [task, end]));
  return new Map(
    work.flatMap(({ task, steps }) =>
      endMin.has(task.id) ? [[steps[steps.length - 1]!.id as string, endMin.get(task.id)!] as const] : [],
    ),
  );
}

/** What a person has fixed: who does a stretch of work, and when it begins. */
interface DayPin {
  readonly work: string;
  readonly person: string | null;
  readonly atMin: number | null;
}

/** What else a plan goes by. */
export interface DayOptions {
  readonly before?: StoredOrder | null;
  readonly air?: ShopAir;
  readonly pins?: readonly DayPin[];
  /** Working speeds in this shop; for an assigned person, their own. */
  readonly speeds?: readonly PersonSpeed[];
}

/** What a plan is made from, besides the jobs and the shop. */
interface Round extends Required<DayOptions> {
  readonly nowMin: number;
  /** When steps were expected to be done by the plan before. */
  readonly plannedMin: ReadonlyMap<string, readonly number[]>;
}

/** A plan before it is known what binds it, and what it answers; null: nothing could be planned, or nothing is to be. */
interface Attempt {
  readonly plan: DayPlan;
  readonly answered: SolvedProblem | null;
}

function planOnce(jobs: readonly RunningJob[], shop: ShopDay, days: readonly CalendarDay[], round: Round): Attempt {
  const { nowMin, before, air, speeds, plannedMin } = round;
  const people = shop.people.map(({ name }) => name);
  const each = jobs.map((job) => jobTasks(job, nowMin, { air, plannedMin, speeds, people }));
  const perJob = Math.max(2, Math.floor(MOST_PLANNED / Math.max(1, jobs.length)));
  const work = each.flatMap((tasksOfJob) => tasksOfJob.work.slice(0, perJob));
  const none: Omit<DayPlan, 'troubles'> = {
    work,
    schedule: null,
    leastEndMin: nowMin,
    proven: false,
    latest: [],
    binding: [],
    oneMix: [],
    clash: null,
    missed: each.flatMap(({ missed }) => missed),
    more: each.reduce((sum, tasksOfJob) => sum + Math.max(0, tasksOfJob.work.length - perJob), 0),
    kept: NO_STORED_ORDER,
  };
  if (work.length === 0) {
    const schedule = { placed: [], endMin: nowMin, scuffMin: 0 };
    return { plan: { ...none, schedule, proven: true, troubles: [] }, answered: null };
  }
  const past = each.flatMap((tasksOfJob) => tasksOfJob.past);
  const wanted = scheduleProblemOf(work, past, shop, days, round);
  const { near, problem, troubles } = solveGivingUp(wanted, before);
  if (near === null) return { plan: { ...none, troubles }, answered: null };
  const answered = resolveGun(problem, near, { work, jobs, before, speeds, nowMin });
  const { oneMix, clash } = answered;
  const { schedule, leastEndMin, proven } = answered.found;
  // As they were planned: pinned, waiting for the gun, shorter where they are mixed for already.
  const tasks = new Map(answered.problem.tasks.map((task) => [task.id, task]));
  return {
    plan: {
      ...none,
      work: work.map((other) => ({ ...other, task: tasks.get(other.task.id) ?? other.task })),
      schedule,
      leastEndMin,
      proven,
      kept: storedOrderOf(answered.problem, answered.found),
      oneMix,
      clash,
      // A window given up together with others may still be kept.
      troubles: troubles.filter(
        (trouble) => trouble.code !== 'window' || isBroken(trouble, wanted.tasks, schedule.placed),
      ),
    },
    answered,
  };
}

/** The problem of a day: what is left and what is past, who and what there is, and when. */
function scheduleProblemOf(
  work: readonly DayWork[],
  past: readonly Task[],
  shop: ShopDay,
  days: readonly CalendarDay[],
  { nowMin, pins, speeds }: Round,
): ScheduleProblem {
  const guns = [...new Set(work.flatMap(({ steps }) => steps.flatMap((step) => gunFacility(step) ?? [])))].sort();
  return {
    tasks: [...past, ...work.map((other) => pinned(other, pins, shop, { nowMin, speeds }))],
    workers: shop.people.map(({ id, week, off }) => ({ id, hours: hoursOver(week, days, off) })),
    places: [
      { id: 'booth', hours: shop.booth && hoursOver(shop.booth, days) },
      ...guns.map((id) => ({ id, hours: null })),
    ],
    nowMin: Math.min(nowMin, ...past.map(({ earliestMin }) => earliestMin)),
  };
}

/** Solves a problem; where it cannot be, windows and pins that cannot be kept are given up one after the other. */
function solveGivingUp(
  wanted: ScheduleProblem,
  before: StoredOrder | null,
): {
  readonly near: ReturnType<typeof solveNear>;
  readonly problem: ScheduleProblem;
  readonly troubles: readonly ScheduleTrouble[];
} {
  let problem = wanted;
  const troubles: ScheduleTrouble[] = [];
  for (let round = 0; round <= MOST_GIVEN_UP; round++) {
    const near = solveNear(problem, before);
    if (near) return { near, problem, troubles };
    const trouble = scheduleTrouble(problem);
    troubles.push(trouble);
    if (trouble.code === 'window') {
      const also = trouble.also.map((limitRef) => ({ ...limitRef, extraMin: trouble.extraMin, also: [] }));
      troubles.push(...also.map((limit) => ({ code: 'window' as const, ...limit })));
      problem = [trouble, ...trouble.also].reduce((now, { task, other }) => withoutMaxLags(now, task, other), problem);
    } else if (trouble.code === 'pinned') problem = withoutPins(problem, [trouble.task]);
    else break;
  }
  return { near: null, problem, troubles };
}

/** Whether a schedule passes the limit of one task after another. */
function isBroken(
  { task, other }: { readonly task: string; readonly other: string },
  tasks: readonly Task[],
  placed: readonly Assignment[],
): boolean {
  const assignmentOf = new Map(placed.map((assignment) => [assignment.task, assignment]));
  const [own, since] = [assignmentOf.get(task), assignmentOf.get(other)];
  const lags =
    tasks.find(({ id }) => id === task)?.after.filter((lag) => lag.task === other && lag.scuffMin === undefined) ?? [];
  if (!own || !since) return true;
  return lags.some(
    ({ from, maxMin }) =>
      maxMin !== null && own.startMin - (from === 'end' ? since.endMin : since.startMin) > maxMin + TIME_TOLERANCE_MIN,
  );
}

/**
 * Task minutes per person: those who are slower or faster than the average by more than the accuracy of such
 * figures.
 */
function dryingRateFunction(
  task: Task,
  steps: readonly Step[],
  people: ShopDay['people'],
  speeds: readonly PersonSpeed[],
): Pick<Task, 'minutesBy'> {
  const allMin = minutesOf(steps, speeds);
  const pace = people.flatMap(({ id, name }) => {
    const ownMin = minutesOf(steps, speeds, name);
    return Math.abs(ownMin - allMin) > DAY_RULES.samePace * allMin
      ? [[id, task.minutes + ownMin - allMin] as const]
      : [];
  });
  return task.hands === 1 && pace.length > 0 ? { minutesBy: Object.fromEntries(pace) } : {};
}

/** A task as a person has fixed it: only people there are, and no moment that has passed. */
function pinned(
  { task, steps }: DayWork,
  pins: readonly DayPin[],
  { people }: ShopDay,
  { nowMin, speeds }: Pick<Round, 'nowMin' | 'speeds'>,
): Task {
  const pin = pins.find(({ work }) => work === task.id);
  const withMinutes = { ...task, ...dryingRateFunction(task, steps, people, speeds) };
  if (!pin) return withMinutes;
  const { person, atMin } = pin;
  const worker = task.hands === 1 ? people.find(({ id }) => id === person) : undefined;
  return {
    ...withMinutes,
    ...(worker ? { worker: worker.id } : {}),
    ...(atMin !== null && atMin >= nowMin ? { atMin } : {}),
  };
}
