import { type MeasuredMinutes, type SpeedFactor, speedFactorFrom } from '../learning';
import { attendedSteps, type LogEvent } from '../log';
import { type Step, WORK_SORTS, type WorkSort, workSort } from '../runsheet';
import { MS_PER_MINUTE } from '../units';

/** How long a step took, who did it, and when it was done, ms since 1970. */
export interface StepMinutes extends MeasuredMinutes {
  /** Null if nobody is signed in. */
  readonly person: string | null;
  readonly sort: WorkSort;
  readonly atMs: number;
}

/** Steps that follow each other without a wait in the plan: a wait between them would be taken for work. */
const NO_WAIT_MIN = 0.5;

/** Minutes of steps in a log, as plain data that later entries are added to. */
export interface MinutesState {
  /** By step. */
  readonly took: readonly (readonly [step: string, took: StepMinutes])[];
  /** The entry a step that follows is counted from; null where nothing is known of what was done before. */
  readonly last: Pick<LogEvent, 'step' | 'at' | 'person'> | null;
}

/** Nothing was done yet. */
export const NO_MINUTES: MinutesState = { took: [], last: null };

/**
 * Minutes of steps after further entries: the time between the completion of a step and that of the step before it
 * in the plan, if the same person did both one after the other without a wait. Steps of no planned minutes are
 * skipped.
 * @param sheet number of the work sheet of the steps; entries of other sheets are ignored
 */
export function minutesAfter(
  steps: readonly Step[],
  state: MinutesState,
  events: readonly LogEvent[],
  sheet?: number,
): MinutesState {
  const hand = attendedSteps(steps);
  const place = new Map(hand.map(({ id }, index) => [id as string, index]));
  const took = new Map(state.took);
  let { last } = state;
  for (const event of events) {
    if (event.kind === 'start') {
      took.clear();
      last = null;
    }
    if (event.sheet !== undefined && sheet !== undefined && event.sheet !== sheet) continue;
    if (event.kind === 'undo' && event.step !== null) {
      took.delete(event.step);
      last = null;
    }
    if (event.kind === 'trouble') last = null;
    if (event.kind !== 'done' || event.step === null) continue;
    const before = last;
    last = { step: event.step, at: event.at, ...(event.person === undefined ? {} : { person: event.person }) };
    const stepIndex = place.get(event.step);
    if (
      stepIndex === undefined ||
      stepIndex === 0 ||
      before === null ||
      place.get(before.step!) !== stepIndex - 1 ||
      (before.person ?? null) !== (event.person ?? null)
    )
      continue;
    const [one, step] = [hand[stepIndex - 1]!, hand[stepIndex]!];
    const sort = workSort(step);
    const plannedMin = step.endMin - step.startMin;
    const atMs = Date.parse(event.at);
    const realMin = (atMs - Date.parse(before.at)) / MS_PER_MINUTE;
    if (sort === null || plannedMin <= 0 || realMin <= 0 || step.startMin - one.endMin > NO_WAIT_MIN) continue;
    took.set(step.id, { person: event.person ?? null, sort, plannedMin, realMin, atMs });
  }
  return { took: [...took], last };
}

/** How long steps took, by a whole log. */
export const minutesInLog = (steps: readonly Step[], events: readonly LogEvent[], sheet?: number): StepMinutes[] =>
  minutesAfter(steps, NO_MINUTES, events, sheet).took.map(([, took]) => took);

/** Speed of a person at a sort of work. */
export interface PersonSpeed extends SpeedFactor {
  /** Null: everybody in the shop together. */
  readonly person: string | null;
  readonly sort: WorkSort;
}

/** What was seen, made into speeds: of everybody together, and of each who signs; those nothing is known of are left out. */
export function personSpeeds(seen: readonly StepMinutes[]): PersonSpeed[] {
  const people = [...new Set(seen.flatMap(({ person }) => person ?? []))].sort();
  return [null, ...people].flatMap((person) =>
    WORK_SORTS.flatMap((sort) => {
      const speed = speedFactorFrom(
        seen.filter((step) => step.sort === sort && (person === null || step.person === person)),
      );
      return speed.count === 0 ? [] : [{ person, sort, ...speed }];
    }),
  );
}

/**
 * Minutes expected for a step in this shop.
 * @param person name of the person who will do it; null: anybody. The average speed is used for a person without
 *   observations
 */
export function expectedMinutes(step: Step, speeds: readonly PersonSpeed[], person: string | null = null): number {
  const sort = workSort(step);
  const speedOf = (who: string | null) => speeds.find((speed) => speed.sort === sort && speed.person === who);
  return (
    (step.endMin - step.startMin) *
    ((person === null ? undefined : speedOf(person)) ?? speedOf(null) ?? { factor: 1 }).factor
  );
}
