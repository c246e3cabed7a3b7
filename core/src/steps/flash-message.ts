import type { StagePlan, StepMessage } from '../contract';
import type { Finish } from '../finish';

/** What is said while a coat flashes off. */
export const flashMessage = ({ method }: Finish, { covered }: StagePlan, last: boolean): StepMessage => ({
  code: 'step.flash',
  values: { method, masked: covered.length > 0, last },
});
