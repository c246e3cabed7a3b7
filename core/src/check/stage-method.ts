import type { StagePlan } from '../contract';
import { type FinishMethod, isSprayed } from '../finish';
import type { Step } from '../runsheet';

/** What a stage is put on with, as its coats say. */
const methodOf = ({ number }: StagePlan, steps: readonly Step[]): FinishMethod | undefined =>
  steps.find(({ stage, say }) => stage === number && say.code === 'step.coat')?.say.values.method as
    FinishMethod | undefined;

export const isBrushed = (stage: StagePlan, steps: readonly Step[]): boolean => methodOf(stage, steps) === 'brush';
export const isSprayedIn = (stage: StagePlan, steps: readonly Step[]): boolean =>
  isSprayed({ method: methodOf(stage, steps) ?? 'gun' });
