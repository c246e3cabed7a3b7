import type { StagePlan, StepMessage } from '../contract';
import type { Finish } from '../finish';

/** Message while a coat flashes off. */
export const flashMessage = ({ method }: Finish, { covered }: StagePlan, last: boolean): StepMessage => ({
  code: 'step.flash',
  values: { method, masked: covered.length > 0, last },
});
