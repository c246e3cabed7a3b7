import type { StepId } from '../kit';
import type { Step } from '../runsheet/step';

/** A step of a run sheet for tests, with the fields that matter. */
export const stepFor = (id: string, kind: Step['kind'], more: Partial<Step> = {}): Step => ({
  id: id as StepId,
  stage: 1,
  kind,
  items: [],
  startMin: 0,
  endMin: 10,
  attended: true,
  needs: ['person'],
  after: [],
  say: { code: 'step.coat', values: {} },
  safety: [],
  ...more,
});
