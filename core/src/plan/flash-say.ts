import type { Finish } from '../finish';
import type { StepMessage } from './says';
import type { StagePlan } from './types';

/** What is said while a coat flashes off. */
export const flashMessage = ({ method }: Finish, { covered }: StagePlan, last: boolean): StepMessage => ({
  code: 'step.flash',
  values: { method, masked: covered.length > 0, last },
});
