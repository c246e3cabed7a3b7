import { EXISTING_FINISH, type ProblemTable } from './problem-table';
import { coatWeight } from './relax';

/**
 * Value of a good ground. A finish is charged the coats it needs over the existing finish; opening one of its areas
 * under a colour that needs fewer returns that area's share of them. Only if every area that needs a coat has such a
 * ground is the coat really saved, so the charge never exceeds the cost.
 */
export interface CoatShares {
  /** Coats over the existing finish: the maximum of its areas. */
  readonly present: (finish: number) => number;
  /** Cost of one coat on all its own areas, for a weight per minute. */
  readonly price: (finish: number, minute: number) => number;
  /** Share of the coats above `above` given back where an area is opened under a colour that spares them. */
  readonly back: (area: number, under: number, above: number) => number;
}

/** Share of each area in every coat that may be saved, by the number of the coat; the shares of one coat add up to 1. */
export type ShareTable = readonly (readonly number[])[];

/** Alike shares, to start from. */
export function equalShares(table: ProblemTable): ShareTable {
  return table.own.map((finish, area) =>
    Array.from({ length: finish < 0 ? 0 : presentCoats(table, finish) + 1 }, (_, level) => {
      const those = asking(table, finish, level);
      return those.includes(area) ? 1 / those.length : 0;
    }),
  );
}

/** Areas of a finish that need at least this many coats over the existing finish. */
const asking = (table: ProblemTable, finish: number, level: number): number[] =>
  table.areasOf[finish]!.filter((area) => table.coats(finish, area, EXISTING_FINISH) >= level);

const presentCoats = (table: ProblemTable, finish: number): number =>
  Math.max(...table.areasOf[finish]!.map((area) => table.coats(finish, area, EXISTING_FINISH)));

/** What is charged and given back with such shares. */
export function coatShares(table: ProblemTable, coatTable: ShareTable): CoatShares {
  const { own, finishes } = table;
  const present = finishes.map((_, finish) => presentCoats(table, finish));
  return {
    present: (finish) => present[finish]!,
    price: (finish, minute) => coatWeight(table, finish, minute),
    back: (area, under, above) => {
      const finish = own[area]!;
      if (finish < 0 || finish === under) return 0;
      let sum = 0;
      for (let level = Math.max(above, table.coats(finish, area, under)) + 1; level <= present[finish]!; level++)
        sum += coatTable[area]![level]!;
      return sum;
    },
  };
}

/**
 * Moves shares from areas that are opened on a good ground to areas that are not: what holds a coat up is what should be charged for it.
 * @param opened stages of the cheapest order so far as the bound sees it, with the areas each opens
 * @param step how much is moved
 */
export function rebalanceShares(
  table: ProblemTable,
  coatTable: ShareTable,
  opened: readonly { readonly finish: number; readonly open: readonly number[] }[],
  step: number,
): ShareTable {
  const next = coatTable.map((row) => [...row]);
  table.finishes.forEach((_, finish) => {
    for (let level = 1; level <= presentCoats(table, finish); level++) {
      const areas = asking(table, finish, level);
      if (areas.length < 2) continue;
      const good = areas.map(
        (area) =>
          opened.filter(
            (stage) =>
              stage.finish !== finish && stage.open.includes(area) && table.coats(finish, area, stage.finish) < level,
          ).length,
      );
      const middle = good.reduce((sum, share) => sum + share, 0) / areas.length;
      const raised = areas.map((area, index) => Math.max(0, coatTable[area]![level]! + step * (middle - good[index]!)));
      const all = raised.reduce((sum, share) => sum + share, 0);
      areas.forEach((area, index) => (next[area]![level] = all > 0 ? raised[index]! / all : coatTable[area]![level]!));
    }
  });
  return next;
}
