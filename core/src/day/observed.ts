import type { PullWindows } from '../drying';
import { PULL_TIMINGS, type PullTiming } from '../finish';
import { RULE_OF_THUMB } from '../kit';
import type { Observation } from '../learning';
import { EMPTY_LOG, logAfter, type LogEvent } from '../log';
import type { Step } from '../runsheet';
import { MS_PER_MINUTE } from '../units';

/** What of a frozen plan is needed to read what was seen. */
export interface ObservedSheet {
  readonly sheet: number;
  readonly steps: readonly Step[];
  readonly stages: readonly {
    readonly number: number;
    readonly finish: string;
    readonly school: PullTiming | null;
    readonly windows: PullWindows | null;
  }[];
  /** By how much times were multiplied already when it was planned, by finish. */
  readonly learned?: readonly { readonly finish: string; readonly factor: number }[];
}

/** Something that was seen of a finish, when. */
export interface FinishObservation {
  readonly finish: string;
  readonly at: string;
  readonly observation: Observation;
}

/**
 * Drying observations in a log: touch tests and pulls, each with the time since the last coat at that moment.
 * Time is counted in the air the job was planned with; marks are those of its windows, without learned factors.
 */
export function observationsIn(
  { sheet, steps, stages, learned = [] }: ObservedSheet,
  events: readonly LogEvent[],
): FinishObservation[] {
  const stageOf = new Map(steps.map((step) => [step.id as string, step.stage]));
  // What the log has come to by the entry before this one.
  let [state, read] = [EMPTY_LOG, 0];
  return events.flatMap((event, index): FinishObservation[] => {
    const { saw, step, at } = event;
    if (
      !saw ||
      (saw.kind !== 'feel' && saw.kind !== 'pull') ||
      step === null ||
      (event.sheet !== undefined && event.sheet !== sheet)
    )
      return [];
    const number = stageOf.get(step);
    const stage = stages.find((other) => other.number === number);
    if (!stage?.windows) return [];
    state = logAfter(state, events.slice(read, index + 1), sheet);
    read = index + 1;
    const { heats } = state;
    const doneAt = new Map(state.done);
    // A heated film says nothing about how it dries otherwise.
    if (heats.length > 0) return [];
    // A pull of some sections counts from the coats these had; everything else from the last coat that is on.
    const since =
      steps
        .find(({ id }) => id === step)
        ?.after.flatMap((rule) => (rule.code === 'pull' ? [rule.step as string] : [])) ?? [];
    const isOf = ({ id, kind, stage: of }: Step) =>
      since.length > 0 ? since.includes(id) : kind === 'coat' && of === number;
    const coats = steps.filter(isOf).flatMap(({ id }) => doneAt.get(id) ?? []);
    const passedMin = (Date.parse(at) - Math.max(...coats)) / MS_PER_MINUTE;
    if (coats.length === 0 || !(passedMin > 0)) return [];
    const factor = learned.find(({ finish }) => finish === stage.finish)?.factor ?? 1;
    const { wet, touch, touchMin, throughMin } = stage.windows;
    const marks = {
      wetLimitMin: (wet?.to ?? RULE_OF_THUMB.wetShareOfTouch * touchMin) / factor,
      touchMin: touchMin / factor,
      touchCloseMin: Math.min(touch?.to ?? Infinity, RULE_OF_THUMB.touchCloseFactor * touchMin, throughMin) / factor,
      throughMin: throughMin / factor,
    };
    const timingOfPull =
      saw.kind === 'feel'
        ? saw
        : { kind: 'pull' as const, school: schoolOf(steps, step) ?? stage.school ?? 'touch', result: saw.result };
    return [{ finish: stage.finish, at, observation: { passedMin, marks, saw: timingOfPull } }];
  });
}

/** The pull timing stated by a pull step; null if it states none. */
function schoolOf(steps: ObservedSheet['steps'], id: string): PullTiming | null {
  const timingValue = steps.find((step) => step.id === id)?.say.values;
  const school = timingValue && 'school' in timingValue ? timingValue.school : null;
  return PULL_TIMINGS.find((timing) => timing === school) ?? null;
}
