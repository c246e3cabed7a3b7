import { RULE_OF_THUMB, type StepId } from '../kit';
import type { AfterRule, Step } from '../runsheet';
import type { JobProgress } from './progress';
import { currentWindow, windowState } from './windows';

/**
 * Remedy once a limit has passed: scuff the film before its next coat, mix paint past its pot life again; for
 * anything else, try first.
 */
export type LateRemedy = 'scuff' | 'mix' | 'try';

/** What helps where a time of this purpose has passed. */
export const remedyOf = (code: string): LateRemedy =>
  code === 'recoat' || code === 'over' ? 'scuff' : code === 'pot' ? 'mix' : 'try';

/** Name of scuffing a film whose limit has passed before a coat: a step of the run sheet that is in no plan. */
export const scuffId = (coat: StepId): StepId => `scuff-${coat}` as StepId;

/** Step id of mixing again; it may be done repeatedly, and the last time counts. */
export const remixId = (mix: StepId): StepId => `remix-${mix}` as StepId;

/**
 * Completion time of what a rule counts from, on the clock of `doneAt`; undefined if it is not done. For paint mixed
 * again, the time of that.
 */
export const ruleStart = (
  doneAt: ReadonlyMap<string, number>,
  { step, code }: Pick<AfterRule, 'step' | 'code'>,
): number | undefined => (remedyOf(code) === 'mix' ? doneAt.get(remixId(step)) : undefined) ?? doneAt.get(step);

/**
 * The current step: the next one or, if a limit of it has passed, its remedy: scuffing the film, then mixing again.
 * @param steps of the run sheet
 * @param running its windows in the actual air
 * @param now ms since 1970
 */
export function currentStep(
  { next, running }: Pick<JobProgress, 'next' | 'running'>,
  steps: readonly Step[],
  now: number,
): Step | null {
  if (!next) return null;
  const late = (cure: LateRemedy) =>
    running.some(
      (window) =>
        window.step === next.id &&
        remedyOf(window.code) === cure &&
        windowState(currentWindow(window, now), now) === 'passed',
    );
  if (late('scuff')) return scuffBefore(next);
  const mix = late('mix')
    ? steps.find(({ id }) => next.after.some(({ step, code }) => step === id && remedyOf(code) === 'mix'))
    : undefined;
  return mix ? mixAgain(mix) : next;
}

/** The step of scuffing before a coat. */
const scuffBefore = (coat: Step): Step => ({
  id: scuffId(coat.id),
  stage: coat.stage,
  kind: 'abrade',
  items: [],
  startMin: coat.startMin - RULE_OF_THUMB.scuffBetweenCoats,
  endMin: coat.startMin,
  attended: true,
  needs: ['person'],
  after: [],
  say: { code: 'step.scuff', values: { coat: coat.say, masked: coat.say.values.masked === true } },
  safety: ['dust'],
});

/** The step of mixing again. */
const mixAgain = (mix: Step): Step => ({
  ...mix,
  id: remixId(mix.id),
  after: [],
  say: { code: 'step.remix', values: mix.say.values },
});

/** The step an entry refers to: one of the plan, or a remedy. */
export function stepOfEntry(steps: readonly Step[], id: string | null): Step | undefined {
  for (const step of steps) {
    if (step.id === id) return step;
    if (scuffId(step.id) === id) return scuffBefore(step);
    if (remixId(step.id) === id) return mixAgain(step);
  }
  return undefined;
}
