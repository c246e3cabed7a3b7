import type { Finish } from '../finish';
import type { StepSaid } from './says';
import type { StagePlan } from './types';

/** What is said while a coat flashes off. */
export const flashSay = ({ method }: Finish, { covered }: StagePlan, last: boolean): StepSaid => ({
  code: 'step.flash',
  values: { method, masked: covered.length > 0, last },
});
