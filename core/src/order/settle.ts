import type { ProblemTable } from './problem-table';

/** What is settled of an order: by stage and area 1 open, 0 covered, -1 not yet. */
export type SettledChoices = readonly Int8Array[];

/**
 * Choices that follow from an order: own areas are open, kept and painted ones covered, pins hold, and nothing opens
 * under masks that stay on.
 * @param order numbers of the finishes
 * @param keep after which stages the masks stay on
 * @returns null if the pins do not allow it
 */
export function initialSettled(
  table: ProblemTable,
  order: readonly number[],
  keep: readonly boolean[],
): SettledChoices | null {
  const place = new Map(order.map((finish, stage) => [finish, stage]));
  const settled = order.map((finish, stage) => {
    const row = new Int8Array(table.own.length).fill(-1);
    table.own.forEach((ownFinish, area) => {
      const free = ownFinish < 0 ? table.alike[area] === finish : (place.get(ownFinish) as number) > stage;
      const pin = table.pins[finish]![area]!;
      row[area] = ownFinish === finish ? 1 : free ? pin : 0;
    });
    return row;
  });
  return spread(settled, keep);
}

/** Settles one more area; null where the masks that stay on do not allow it. */
export function settleArea(
  settled: SettledChoices,
  keep: readonly boolean[],
  stage: number,
  area: number,
  open: boolean,
): SettledChoices | null {
  const next = settled.map((row) => Int8Array.from(row));
  next[stage]![area] = open ? 1 : 0;
  return spread(next, keep);
}

/** Under masks that stay on, what opens later was open before, and what was covered stays covered. Changes the rows in place. */
function spread(settled: Int8Array[], keep: readonly boolean[]): SettledChoices | null {
  const link = (from: number, to: number, value: number): boolean =>
    settled[from]!.every((state, area) => {
      if (state !== value || settled[to]![area] === value) return true;
      if (settled[to]![area] !== -1) return false;
      settled[to]![area] = value;
      return true;
    });
  for (let stage = settled.length - 2; stage >= 0; stage--) if (keep[stage] && !link(stage + 1, stage, 1)) return null;
  for (let stage = 0; stage < settled.length - 1; stage++) if (keep[stage] && !link(stage, stage + 1, 0)) return null;
  return settled;
}
