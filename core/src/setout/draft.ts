import { finishesById, type Design, type Shelf } from '../job';
import { rounded } from '../units';
import { partPlan } from './part-plan';
import { workOutParts } from './part-work';
import type { WorkStore } from './store';
import type { PartPlan } from './types';

/** Lines and areas of a design, without the order of coats and what follows from it: what a form shows while one types. */
export function draftParts(design: Design, shelf: Shelf, store?: WorkStore): PartPlan[] {
  const finishes = finishesById(shelf);
  return rounded(workOutParts(design, store).map((work) => partPlan(work, finishes)));
}
