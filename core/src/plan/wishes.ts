import type { Design, Shelf } from '../job';
import { calmFirst, figuresOf, searchLasting, type SequenceFigures } from '../order';
import { rounded, WISHES, type Wish } from '../units';
import { roundTheStages, withRound } from './before-after';
import { jobProblem } from './order-problem';
import { workOutParts, type WorkStore } from '../setout';

/** The order one wish leads to, and what it takes. */
export interface WishOrder extends SequenceFigures {
  readonly wish: Wish;
  readonly order: readonly string[];
}

/**
 * What order each wish leads to, everything else of the job being the same.
 * @returns one entry a wish; none where nothing is painted
 */
export function ordersByWish(design: Design, shelf: Shelf, store?: WorkStore): WishOrder[] {
  const { problem, preparation } = jobProblem(workOutParts(design, store), design, shelf);
  return rounded(
    WISHES.flatMap((wish): WishOrder[] => {
      const searched = searchLasting({ ...problem, wish });
      const [best] = calmFirst(searched.problem, searched.result.sequences);
      return best ? [{ wish, order: best.order, ...withRound(figuresOf(best), roundTheStages(preparation, problem)) }] : [];
    }),
  );
}
