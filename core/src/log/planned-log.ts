import type { StepId } from '../kit';
import type { Step } from '../runsheet';
import { MS_PER_MINUTE } from '../units';
import { EVENT_VERSION, type LogEvent } from './event';

/**
 * Turns minutes of a plan into times, given when one of its steps was done.
 * @param doneAt ms since 1970
 */
export const timesOfPlan =
  (last: Step, doneAt: number) =>
  (minutes: number): string =>
    new Date(doneAt - (last.endMin - minutes) * MS_PER_MINUTE).toISOString();

/**
 * The log of a job that went as planned so far: its start, then every attended step.
 * @param last the last completed step
 * @param doneAt when it was completed, ms
 * @param freshId makes a new id for every entry
 */
export function logAsPlanned(steps: readonly Step[], last: Step, doneAt: number, freshId: () => string): LogEvent[] {
  const timeOf = timesOfPlan(last, doneAt);
  const done = steps.slice(0, steps.indexOf(last) + 1).filter(({ attended }) => attended);
  const entry = (minutes: number, kind: 'start' | 'done', step: StepId | null): LogEvent => ({
    id: freshId(),
    version: EVENT_VERSION,
    at: timeOf(minutes),
    kind,
    step,
    note: '',
  });
  return [entry(0, 'start', null), ...done.map(({ id, endMin }) => entry(endMin, 'done', id))];
}
