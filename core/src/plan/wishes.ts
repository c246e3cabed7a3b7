import type { Design, Shelf } from '../job';
import { calmFirst, figuresOf, lastingSteps, type SequenceFigures } from '../order';
import { ended, rounded, WISHES, type Wish } from '../units';
import { roundTheStages, withRound } from './before-after';
import { jobProblem } from './order-problem';
import { workOutSteps, type WorkStore } from '../setout';

/** The order one wish leads to, and what it takes. */
export interface WishOrder extends SequenceFigures {
  readonly wish: Wish;
  readonly order: readonly string[];
}

/**
 * What order each wish leads to, everything else of the job being the same.
 * @returns one entry a wish; none where nothing is painted
 */
export const ordersByWish = (design: Design, shelf: Shelf, store?: WorkStore): WishOrder[] => ended(wishSteps(design, shelf, store));

/** The same in steps, so that it can be left early. */
export function* wishSteps(design: Design, shelf: Shelf, store?: WorkStore): Generator<unknown, WishOrder[]> {
  const { problem, preparation } = jobProblem(yield* workOutSteps(design, store), design, shelf);
  const found: WishOrder[] = [];
  for (const wish of WISHES) {
    const searched = yield* lastingSteps({ ...problem, wish });
    const [best] = calmFirst(searched.problem, searched.result.sequences);
    if (best) found.push({ wish, order: best.order, ...withRound(figuresOf(best), roundTheStages(preparation, problem)) });
  }
  return rounded(found);
}
