import { type Design, finishesById, type Shelf } from '../job';
import { roundNumbers } from '../kit';
import type { PartCache } from './part-cache';
import { partPlan } from './part-plan';
import { workOutParts } from './part-work';
import type { PartPlan } from './types';

/** Lines and areas of a design, without the order of coats and what follows from it: what a form shows while one types. */
export function draftParts(design: Design, shelf: Shelf, store?: PartCache): PartPlan[] {
  const finishes = finishesById(shelf);
  return roundNumbers(workOutParts(design, store).map((work) => partPlan(work, finishes)));
}
