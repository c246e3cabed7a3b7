import type { Heat } from '../air';
import { maxOf, RULE_OF_THUMB } from '../kit';
import { NO_AIR, remedyOf, ruleInAir, ruleStart, scuffId, type ShopAir } from '../log';
import type { AfterRule, Step } from '../runsheet';
import type { Lag, Task } from '../schedule';
import { expectedMinutes, type PersonSpeed } from './step-minutes';

/** What is left of a job in the shop, as one walks through it. */
export interface RunningJob {
  readonly id: string;
  readonly title: string;
  readonly steps: readonly Step[];
  /** When steps were done, minutes on the clock of the plan. */
  readonly doneMin: ReadonlyMap<string, number>;
  /** Warmth that was brought to its films. */
  readonly heats?: readonly Heat[];
}

/** A stretch of work of a job: steps that one does one after the other without a wait. */
export interface DayWork {
  readonly task: Task;
  readonly job: string;
  readonly steps: readonly Step[];
}

/** A window that had closed before its step was done. */
export interface MissedWindow {
  readonly job: string;
  readonly step: Step;
  readonly code: string;
  readonly closedMin: number;
  /** When it opens a second time; null: it does not. */
  readonly againMin: number | null;
}

/** Further input for the tasks besides the plan. */
export interface TaskOptions {
  /** What the films dry in; films that are not on yet are looked for by `plannedMin`. */
  readonly air?: ShopAir;
  /** Possible completion times of steps that are not done; the times of what follows must hold for all of them. */
  readonly plannedMin?: ReadonlyMap<string, readonly number[]>;
  /** Working speeds in this shop, and who may do the work, by name. */
  readonly speeds?: readonly PersonSpeed[];
  readonly people?: readonly string[];
}

/** What has been done is a task that lies in the past, so that what follows it in time still does. */
const doneId = (job: string, step: string): string => `${job} done ${step}`;

const isWindow = ({ code }: AfterRule): boolean => code !== 'order';

/**
 * The remaining tasks of a job: consecutive steps form one task, up to a window, the booth or the gun.
 * @param nowMin the present on the clock of the plan; minutes since 1970 if the air is known
 * @param air air the films dry in
 * @param plannedMin expected completion times of steps
 * @param speeds working speeds
 * @returns tasks in working order, first those that stand for what is done; and the windows already missed
 */
export function jobTasks(
  job: RunningJob,
  nowMin: number,
  { air = NO_AIR, plannedMin = new Map(), speeds = [], people = [] }: TaskOptions = {},
): { readonly work: readonly DayWork[]; readonly past: readonly Task[]; readonly missed: readonly MissedWindow[] } {
  const groups = groupsOf(job);
  const taskOf = new Map(
    groups.flatMap((steps) => steps.map((step) => [step.id as string, idOf(job, steps)] as const)),
  );
  const options = { air, plannedMin, speeds, people };
  const past = new Map<string, Task>();
  const missed: MissedWindow[] = [];
  const work = groups.map((steps, index): DayWork => {
    const first = steps[0]!;
    const previous = groups[index - 1];
    const windows = windowsOf(job, first, taskOf, nowMin, options);
    for (const { rule, doneAt, task } of windows)
      if (task === undefined) past.set(rule.step, pastTask(job, rule.step, doneAt!));
    missed.push(...windows.flatMap((window) => window.missed ?? []));
    const after = [...(previous ? [waitAfter(job, previous, first)] : []), ...windows.map((window) => window.lag)];
    // Paint past its pot life is mixed again first.
    const againMin = windows.reduce((sum, { mixAgainMin }) => sum + mixAgainMin, 0);
    const minutes = againMin + minutesOf(steps, speeds);
    return { job: job.id, steps, task: taskFrom(job, steps, { after, minutes }, nowMin) };
  });
  return { work, past: [...past.values()], missed };
}

/** Steps left to do by hand, those together that are done one after the other without a wait. */
function groupsOf({ steps, doneMin }: RunningJob): readonly (readonly Step[])[] {
  const attended = steps.filter(({ id, attended: byHand }) => byHand && !doneMin.has(id));
  const ends = new Set(attended.flatMap(({ after }) => after.filter(isWindow).map(({ step }) => step as string)));
  const groups: Step[][] = [];
  for (const step of attended) {
    const last = groups[groups.length - 1];
    const before = last?.[last.length - 1];
    const goesOn =
      before !== undefined &&
      !ends.has(before.id) &&
      !step.after.some(isWindow) &&
      sameNeeds(before, step) &&
      waitBetween(steps, before, step) === 0;
    if (goesOn) last!.push(step);
    else groups.push([step]);
  }
  return groups;
}

/** A stretch of work comes after the one before it, and after the wait between them. */
const waitAfter = (job: RunningJob, previous: readonly Step[], first: Step): Lag => ({
  task: idOf(job, previous),
  from: 'end',
  minMin: waitBetween(job.steps, previous[previous.length - 1]!, first),
  maxMin: null,
});

/** A window of a step as it stands now. */
interface OpenWindow {
  readonly rule: AfterRule;
  /** The stretch of work it counts from, if that is still to be done; otherwise when it was done. */
  readonly task: string | undefined;
  readonly doneAt: number | undefined;
  readonly lag: Lag;
  /** Told where the window has closed. */
  readonly missed: MissedWindow | null;
  readonly mixAgainMin: number;
}

/** The windows of the first step of a stretch of work, in the air there is and will be. */
function windowsOf(
  job: RunningJob,
  first: Step,
  taskOf: ReadonlyMap<string, string>,
  nowMin: number,
  { air, plannedMin, speeds, people }: Required<TaskOptions>,
): readonly OpenWindow[] {
  return first.after.filter(isWindow).flatMap((planned): OpenWindow[] => {
    const task = taskOf.get(planned.step);
    const doneAt = ruleStart(job.doneMin, planned);
    if (task === undefined && doneAt === undefined) return [];
    const since = doneAt === undefined ? plannedMin.get(planned.step) : [doneAt];
    const rule = strictest((since ?? [nowMin]).map((atMin) => ruleInAir(planned, atMin, air, job.heats)));
    const closedMin = doneAt === undefined || rule.maxMin === null ? null : doneAt + rule.maxMin;
    // A film already scuffed may be coated; one with a second window waits for it, nothing else helps.
    const cure = remedyOf(rule.code);
    const scuffed = cure === 'scuff' && job.doneMin.has(scuffId(first.id));
    const isMissed = closedMin !== null && closedMin < nowMin && !scuffed;
    const again = isMissed ? rule.againMin : undefined;
    const scuffs = cure === 'scuff' && rule.maxMin !== null && rule.againMin === undefined && !scuffed;
    const slowestMin = () => maxOf([null, ...people].map((who) => expectedMinutes(first, speeds, who)));
    const lag: Lag = {
      task: task ?? doneId(job.id, rule.step),
      from: rule.from,
      minMin: again ?? rule.minMin,
      maxMin: scuffed || (isMissed && !scuffs) ? null : lastStart(rule, slowestMin(), doneAt, nowMin),
      ...(scuffs ? { scuffMin: RULE_OF_THUMB.scuffBetweenCoats } : {}),
    };
    const againMin = again === undefined ? null : doneAt! + again;
    const mixed = job.steps.filter(({ id }) => id === rule.step);
    return [
      {
        rule,
        task,
        doneAt,
        lag,
        missed: isMissed ? { job: job.id, step: first, code: rule.code, closedMin, againMin } : null,
        mixAgainMin: isMissed && cure === 'mix' ? minutesOf(mixed, speeds) : 0,
      },
    ];
  });
}

const idOf = (job: RunningJob, steps: readonly Step[]): string => `${job.id} ${steps[0]!.id}`;

/**
 * Latest start of a step: a pull has to be finished before its window closes, whoever does it; one that is already
 * late starts at once.
 */
function lastStart(
  { code, minMin, maxMin }: AfterRule,
  minutes: number,
  doneAt: number | undefined,
  nowMin: number,
): number | null {
  if (maxMin === null || code !== 'pull') return maxMin;
  const last = Math.max(minMin, maxMin - minutes);
  return doneAt !== undefined && doneAt + last < nowMin ? maxMin : last;
}

/** The rule that implies all of some rules. */
const strictest = (rules: readonly AfterRule[]): AfterRule => {
  const ends = rules.flatMap(({ maxMin }) => maxMin ?? []);
  const minMin = Math.max(...rules.map((rule) => rule.minMin));
  return { ...rules[0]!, minMin, maxMin: ends.length > 0 ? Math.max(minMin, Math.min(...ends)) : null };
};

/** The gun a step goes through, as a place that one task at a time may hold; null: none. Plans from before name no gun: it is the one there was. */
export const gunFacility = ({ needs, gun }: Pick<Step, 'needs' | 'gun'>): string | null =>
  needs.includes('gun') ? (gun ?? 'gun gun') : null;

const placesOf = (step: Step): string[] => {
  const gun = gunFacility(step);
  return [...(step.needs.includes('booth') ? ['booth'] : []), ...(gun === null ? [] : [gun])];
};
const sameNeeds = (step: Step, other: Step): boolean =>
  placesOf(step).join() === placesOf(other).join() && handsOf(step) === handsOf(other);
const handsOf = ({ needs }: Step): number => Math.max(1, needs.filter((need) => need === 'person').length);

/** Idle minutes between two consecutive steps that no window states. */
function waitBetween(steps: readonly Step[], before: Step, after: Step): number {
  if (after.after.some(isWindow)) return 0;
  const from = steps.findIndex(({ id }) => id === before.id);
  const to = steps.findIndex(({ id }) => id === after.id);
  return steps
    .slice(from + 1, to)
    .reduce((sum, { attended, startMin, endMin }) => (attended ? sum : sum + endMin - startMin), 0);
}

/** Minutes steps are expected to take here, all together; `person` as for each of them. */
export const minutesOf = (
  steps: readonly Step[],
  speeds: readonly PersonSpeed[],
  person: string | null = null,
): number => steps.reduce((sum, step) => sum + expectedMinutes(step, speeds, person), 0);

function taskFrom(
  job: RunningJob,
  steps: readonly Step[],
  { after, minutes }: Pick<Task, 'after' | 'minutes'>,
  nowMin: number,
): Task {
  const first = steps[0]!;
  const timed = steps.some(({ kind }) => kind === 'coat' || kind === 'pull' || kind === 'seal');
  return {
    id: idOf(job, steps),
    job: job.id,
    minutes,
    hands: handsOf(first),
    places: placesOf(first),
    earliestMin: nowMin,
    pauses: !timed && placesOf(first).length === 0 && handsOf(first) === 1,
    after,
  };
}

const pastTask = (job: RunningJob, step: string, doneMin: number): Task => ({
  id: doneId(job.id, step),
  job: job.id,
  minutes: 0,
  hands: 0,
  places: [],
  earliestMin: doneMin,
  pauses: false,
  after: [],
  atMin: doneMin,
});
