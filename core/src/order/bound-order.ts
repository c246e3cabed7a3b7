import { filmTimes, gunChangeMinutes, plugMinOf } from '../stage';
import type { CoatShares } from './coat-shares';
import { INFINITE_CAPACITY, MinCut } from './min-cut';
import { scoreWeights } from './order-cost';
import type { OrderNode, StageFacts } from './order-node';
import { type BelowIndex, EXISTING_FINISH, type ProblemTable } from './problem-table';
import { addStage, coatWeight } from './relax';
import { minPullWait, type Wait } from './waits';

export interface OrderBound {
  /** Lower bound on the score of everything still possible, minutes. */
  readonly bound: number;
  readonly open: readonly (readonly boolean[])[];
}

/** What lies below an area that a stage opened last; PRESENT where none did. */
export const belowArea = ({ order }: Pick<OrderNode, 'order'>, stage: number): BelowIndex =>
  stage === EXISTING_FINISH ? EXISTING_FINISH : order[stage]!;

/** Stages that may have opened an area last before this one, latest first, by what is settled; PRESENT: none did. */
export function possibleLastOpenings({ settled }: Pick<OrderNode, 'settled'>, stage: number, area: number): number[] {
  const openings: number[] = [];
  for (let earlier = stage - 1; earlier >= 0; earlier--) {
    const state = settled[earlier]![area];
    if (state !== 0) openings.push(earlier);
    if (state === 1) return openings;
  }
  return [...openings, EXISTING_FINISH];
}

/** Least coats, drying times, gun changes and certain preparation of every stage. */
export function stageFacts(table: ProblemTable, node: OrderNode): StageFacts {
  const { problem, finishes } = table;
  // What may lie below each area of a stage, by what is settled and by the coats the stage may take.
  const below = node.order.map((finish, stage) =>
    table.areasOf[finish]!.map((area) => ({
      area,
      below: possibleLastOpenings(node, stage, area)
        .map((possibleLastOpening) => belowArea(node, possibleLastOpening))
        .filter((opening) => table.coats(finish, area, opening) <= node.most[stage]!),
    })),
  );
  const coats = node.order.map((finish, stage) =>
    Math.max(
      node.least[stage]!,
      ...below[stage]!.map(({ area, below: options }) =>
        Math.min(...options.map((option) => table.coats(finish, area, option))),
      ),
    ),
  );
  // What a film requires of the next one is charged where that goes on; here only what is certain for the whole stage.
  const over = node.order.map((finish, stage) =>
    Math.max(
      0,
      ...below[stage]!.map(({ area, below: options }) =>
        Math.min(...options.map((option) => table.leastOver(finish, area, option).fixed)),
      ),
    ),
  );
  const guns: Record<string, string> = { ...table.start.guns };
  const change = node.order.map((finish) => gunChangeMinutes(problem, guns, finishes[finish]!));
  return {
    coats,
    over,
    change,
    times: node.order.map((finish, stage) => filmTimes(problem, finishes[finish]!, coats[stage]!)),
  };
}

/**
 * Lower bound on an order with some of its choices settled.
 * Masks and spraying of all stages are one cut; a counted wait takes the place of the work it is long enough to hold.
 * @param waits waits that are certain and do not overlap
 */
export function boundOrder(
  table: ProblemTable,
  shares: CoatShares,
  node: OrderNode,
  facts: StageFacts,
  waits: readonly Wait[],
): OrderBound {
  const { work, wait, risk, money } = scoreWeights(table);
  const { order, settled, keep } = node;
  const inside = (stage: number) => waits.some(({ from, to }) => from < stage && stage < to);
  const begins = (stage: number) => waits.some(({ from }) => from === stage);
  const busy = order.map((_, stage) => (inside(stage) ? work - wait : work));
  // How old a film is at least when a later stage goes over it.
  const ages = order.map((_, from) =>
    order.map((_one, to) =>
      Math.floor(
        waits.reduce(
          (sum, wait) => sum + (wait.from >= from && wait.to <= to ? facts.times[wait.from]!.tapeSafeMin : 0),
          0,
        ),
      ),
    ),
  );
  const place = new Map(order.map((finish, stage) => [finish, stage]));
  const sparedBy = (area: number, finish: number): number => {
    const ownStage = place.get(table.own[area]!);
    return ownStage === undefined
      ? 0
      : shares.back(area, finish, facts.coats[ownStage]!) * shares.price(order[ownStage]!, busy[ownStage]!);
  };
  const cut = new MinCut();
  let bound =
    waits.reduce((sum, { from }) => sum + wait * facts.times[from]!.tapeSafeMin, 0) + presentWork(table, node, busy);
  let done = 0;
  const rows: (readonly number[])[] = [];
  order.forEach((finish, stage) => {
    const late = inside(stage) || begins(stage) || (keep[stage] && waits.length > 0);
    const kept = stage > 0 && keep[stage - 1];
    const { nodes, fixed } = addStage(cut, table, {
      finish,
      done,
      coats: facts.coats[stage]!,
      settled: settled[stage]!,
      under: kept ? settled[stage - 1]! : null,
      underNodes: kept ? rows[stage - 1] : undefined,
      weights: {
        work: busy[stage]!,
        pull: late || table.problem.pulls ? work - wait : work,
        calm: waits.length > 0 ? work - wait : work,
        counted: work,
        risk,
        money,
      },
      owed: (area) => owedIn(table, node, stage, area, { busy, ages: ages[stage]! }) - sparedBy(area, finish),
    });
    // Under masks that stay on nothing opens again.
    if (kept) nodes.forEach((other, area) => cut.charge(other, rows[stage - 1]![area]!, INFINITE_CAPACITY));
    rows.push(nodes);
    done |= 1 << finish;
    const asked = Math.max(0, shares.present(finish) - facts.coats[stage]!);
    bound +=
      fixed + busy[stage]! * (facts.change[stage]! + facts.over[stage]!) + asked * shares.price(finish, busy[stage]!);
    if (!inside(stage)) bound += wait * ((facts.coats[stage]! - 1) * facts.times[stage]!.gap.from);
    if (!inside(stage) && !begins(stage)) bound += wait * minPullWait(table, node, stage, facts.times[stage]!);
  });
  forbidWeakGrounds(cut, table, node, rows);
  chargeCoats(cut, table, node, {
    facts,
    present: shares.present,
    rows,
    busy,
    flashes: order.map((_, stage) => (inside(stage) ? 0 : wait)),
  });
  const { cost, open } = cut.solve();
  return {
    bound: bound + cost + plugBound(table, node, inside),
    open: rows.map((nodes) => nodes.map((other) => open[other]!)),
  };
}

/** Where an area must not be sprayed over a colour that takes too many coats, another stage has to come between. */
function forbidWeakGrounds(
  cut: MinCut,
  table: ProblemTable,
  node: OrderNode,
  rows: readonly (readonly number[])[],
): void {
  node.order.forEach((finish, stage) => {
    for (const area of table.areasOf[finish]!) {
      const [later, weak] = possibleLastOpenings(node, stage, area);
      if (
        weak === undefined ||
        weak === EXISTING_FINISH ||
        table.coats(finish, area, belowArea(node, weak)) <= node.most[stage]!
      )
        continue;
      cut.charge(rows[weak]![area]!, rows[later!]![area]!, INFINITE_CAPACITY);
    }
  });
}

/** Every coat above the minimum is paid once, by any area left on a ground that needs it. */
function chargeCoats(
  cut: MinCut,
  table: ProblemTable,
  node: OrderNode,
  {
    facts,
    present,
    rows,
    busy,
    flashes,
  }: {
    readonly present: CoatShares['present'];
    readonly facts: StageFacts;
    readonly rows: readonly (readonly number[])[];
    readonly busy: readonly number[];
    readonly flashes: readonly number[];
  },
): void {
  node.order.forEach((finish, stage) => {
    const ownAreas = table.areasOf[finish]!;
    // What was there at the start is charged by shares; only the excess is left.
    const least = Math.max(facts.coats[stage]!, present(finish));
    const asks = ownAreas.map((area) =>
      possibleLastOpenings(node, stage, area).map((possibleLastOpening) => ({
        one: possibleLastOpening,
        coats: table.coats(finish, area, belowArea(node, possibleLastOpening)),
      })),
    );
    const most = Math.min(node.most[stage]!, Math.max(...asks.flat().map(({ coats }) => coats)));
    const price = coatWeight(table, finish, busy[stage]!) + flashes[stage]! * facts.times[stage]!.gap.from;
    for (let level = least + 1; level <= most; level++) {
      const paid = cut.node();
      cut.charge(paid, 1, price);
      ownAreas.forEach((_, index) => {
        // Latest first: as long as every later ground needs it too, nothing in between saves the coat.
        for (const { one, coats } of asks[index]!) {
          if (coats < level) break;
          if (one !== EXISTING_FINISH) cut.charge(rows[one]![ownAreas[index]!]!, paid, INFINITE_CAPACITY);
        }
      });
    }
  });
}

/** Least preparation for what comes over a film that was sprayed on an area before its own turn. */
function owedIn(
  table: ProblemTable,
  { order, settled }: OrderNode,
  stage: number,
  area: number,
  { busy, ages }: { readonly busy: readonly number[]; readonly ages: readonly number[] },
): number {
  const ownFinish = table.own[area]!;
  if (ownFinish < 0) return busy[stage]! * table.leastOver(order[stage]!, area, EXISTING_FINISH).minutes;
  let least = Infinity;
  for (let later = stage + 1; later < order.length; later++) {
    if (settled[later]![area] !== 0)
      least = Math.min(least, busy[later]! * table.leastOver(order[later]!, area, order[stage]!, ages[later]).minutes);
    if (settled[later]![area] === 1) break;
  }
  return least === Infinity ? 0 : least;
}

/** Least preparation for what comes first over what was there at the start. */
function presentWork(table: ProblemTable, { order, settled }: OrderNode, busy: readonly number[]): number {
  return table.own.reduce((sum, ownFinish, area) => {
    if (ownFinish < 0) return sum;
    const last = settled.findIndex((row) => row[area] === 1);
    const first = order
      .slice(0, last + 1)
      .flatMap((finish, stage) =>
        settled[stage]![area] !== 0 ? [busy[stage]! * table.leastOver(finish, area, EXISTING_FINISH).minutes] : [],
      );
    return sum + Math.min(...first);
  }, 0);
}

/** Plugs go in when their part is first sprayed: counted at the least any stage up to then weighs. */
function plugBound(table: ProblemTable, { order, settled }: OrderNode, inside: (stage: number) => boolean): number {
  const { problem, part, start } = table;
  const { work, wait } = scoreWeights(table);
  return [...problem.plugs.keys()].reduce((sum, name) => {
    if (start.plugged.includes(name)) return sum;
    const last = order.findIndex((_, stage) =>
      part.some((_one, area) => problem.areas[area]!.part === name && settled[stage]![area] === 1),
    );
    if (last < 0) return sum;
    const cheaper = order.slice(0, last + 1).some((_, stage) => inside(stage));
    return sum + (cheaper ? work - wait : work) * plugMinOf(problem, name);
  }, 0);
}
