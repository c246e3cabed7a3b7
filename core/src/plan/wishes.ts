import type { Design, Shelf } from '../job';
import { endOf, searchOrder, totalOf, workOf } from '../order';
import { rounded, WISHES, type Wish } from '../units';
import { orderProblem } from './order-problem';
import { workOutParts, type WorkStore } from './part-work';

/** The order one wish leads to, and what it takes. */
export interface WishOrder {
  readonly wish: Wish;
  readonly order: readonly string[];
  readonly workMin: number;
  readonly endMin: number;
  /** Weighted metres of show edge. */
  readonly riskM: number;
  /** In money of your own. */
  readonly money: number;
}

/**
 * What order each wish leads to, everything else of the job being the same.
 * @returns one entry a wish; none where nothing is painted
 */
export function ordersByWish(design: Design, shelf: Shelf, store?: WorkStore): WishOrder[] {
  const finishes = new Map(shelf.finishes.map((finish) => [finish.id, finish]));
  const problem = orderProblem(workOutParts(design, store), design, shelf, finishes);
  return rounded(
    WISHES.flatMap((wish): WishOrder[] => {
      const [best] = searchOrder({ ...problem, wish }).sequences;
      if (!best) return [];
      return [
        {
          wish,
          order: best.order,
          workMin: totalOf(best, workOf),
          endMin: endOf(best),
          riskM: totalOf(best, ({ risk }) => risk),
          money: totalOf(best, ({ money }) => money),
        },
      ];
    }),
  );
}
