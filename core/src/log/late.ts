import { RULE_OF_THUMB, type StepId } from '../units';
import type { JobProgress, RunningWindow } from './progress';
import type { Step } from './step';

/** What the times of a coat over a film are for: too late is not the end of it, the film is scuffed first. */
export const mayScuff = (code: string): boolean => code === 'recoat' || code === 'over';

/** Name of scuffing a film whose limit has passed before a coat: a step of the run sheet that is in no plan. */
export const scuffId = (coat: StepId): StepId => `scuff-${coat}` as StepId;

/** A window as it stands: one that has closed and opens a second time is that second one. */
export function asOf<W extends Pick<RunningWindow, 'opens' | 'closes' | 'again'>>(window: W, now: number): W {
  const { closes, again } = window;
  return closes !== null && again !== undefined && again !== null && now > closes ? { ...window, opens: again, closes: null } : window;
}

/**
 * What is to be done now: the next step, or, where it is a coat whose limit has passed, scuffing the film first.
 * @param progress its windows as they are, counted over the air
 * @param now ms since 1970
 */
export function nextNow({ next, running }: Pick<JobProgress, 'next' | 'running'>, now: number): Step | null {
  if (!next) return null;
  const late = running.some((window) => {
    const { closes } = asOf(window, now);
    return window.step === next.id && mayScuff(window.code) && closes !== null && now > closes;
  });
  return late ? scuffBefore(next) : next;
}

/** The step of scuffing before a coat. */
export const scuffBefore = (coat: Step): Step => ({
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

/** The step of a run sheet an entry names: one of the plan, or scuffing before one. */
export function stepNamed(steps: readonly Step[], id: string | null): Step | undefined {
  const found = steps.find((step) => step.id === id || scuffId(step.id) === id);
  return found === undefined || found.id === id ? found : scuffBefore(found);
}
