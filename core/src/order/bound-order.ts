import { RULE_OF_THUMB } from '../units';
import type { CoatShares } from './coat-shares';
import { filmTimes, type FilmTimes } from './drying-of';
import { PRESENT, type Below, type Ground } from './ground';
import { weightsOf, type Sequence } from './order-cost';
import { Cut, NEVER } from './min-cut';
import { addStage, coatPrice } from './relax';
import type { Settled } from './settle';
import { changeMinutes } from './stage-cost';

/** An order whose open areas are being settled. */
export interface OrderNode {
  readonly order: readonly number[];
  readonly keep: readonly boolean[];
  readonly settled: Settled;
  /** Coats of each stage: at least and at most so many. */
  readonly least: readonly number[];
  readonly most: readonly number[];
}

/** From a stage to a later one that has to wait until the colour of the first takes tape. */
export interface Wait {
  readonly from: number;
  readonly to: number;
}

export interface OrderBound {
  /** Lower bound on the score of everything still possible, minutes. */
  readonly bound: number;
  readonly open: readonly (readonly boolean[])[];
  /** Least coats of each stage. */
  readonly coats: readonly number[];
}

/** Everything about the stages that does not depend on which waits are counted. */
export interface StageFacts {
  readonly coats: readonly number[];
  readonly times: readonly FilmTimes[];
  readonly change: readonly number[];
  readonly over: readonly number[];
}

/** A stage that may have been the last to open an area before its own; PRESENT: none was. */
export type LastOpen = number;

/** Stages that may have opened an area last before this one, latest first, by what is settled. */
export function lastOpens({ settled }: Pick<OrderNode, 'settled'>, stage: number, area: number): LastOpen[] {
  const found: LastOpen[] = [];
  for (let earlier = stage - 1; earlier >= 0; earlier--) {
    const state = settled[earlier][area];
    if (state !== 0) found.push(earlier);
    if (state === 1) return found;
  }
  return [...found, PRESENT];
}

/** What may lie below an area in a stage, latest first, by what is settled and by the coats the stage may take. */
export function belowIn(ground: Ground, node: OrderNode, stage: number, area: number): Below[] {
  const finish = node.order[stage];
  return lastOpens(node, stage, area)
    .map((one) => (one === PRESENT ? PRESENT : node.order[one]))
    .filter((below) => ground.own[area] !== finish || ground.coats(finish, area, below) <= node.most[stage]);
}

/** Least coats, drying times, gun changes and certain preparation of every stage. */
export function factsOf(ground: Ground, node: OrderNode): StageFacts {
  const { problem, finishes, own } = ground;
  const below = node.order.map((finish, stage) => own.flatMap((one, area) => (one === finish ? [{ area, below: belowIn(ground, node, stage, area) }] : [])));
  const coats = node.order.map((finish, stage) =>
    Math.max(node.least[stage], ...below[stage].map(({ area, below: options }) => Math.min(...options.map((one) => ground.coats(finish, area, one))))),
  );
  // What a film asks of the next one is charged where it goes on; here what is certain for the stage as a whole.
  const over = node.order.map((finish, stage) =>
    Math.max(0, ...below[stage].map(({ area, below: options }) => Math.min(...options.map((one) => ground.leastOver(finish, area, one).fixed)))),
  );
  const guns: Record<string, string> = { ...ground.start.guns };
  const change = node.order.map((finish) => changeMinutes(problem, guns, finishes[finish]));
  return { coats, over, change, times: node.order.map((finish, stage) => filmTimes(problem, finishes[finish], coats[stage])) };
}

/**
 * Lower bound on an order with some of its choices settled.
 * Masks and spraying of all stages are one cut; a counted wait takes the place of the work it is long enough to hold.
 * @param waits waits that are certain and do not overlap
 */
export function boundOrder(ground: Ground, shares: CoatShares, node: OrderNode, facts: StageFacts, waits: readonly Wait[]): OrderBound {
  const { work, wait, risk, money } = weightsOf(ground);
  const { order, settled, keep } = node;
  const inside = (stage: number) => waits.some(({ from, to }) => from < stage && stage < to);
  const begins = (stage: number) => waits.some(({ from }) => from === stage);
  const busy = order.map((_, stage) => (inside(stage) ? work - wait : work));
  // How old a film is at least when a later stage goes over it.
  const ages = order.map((_, from) =>
    order.map((_one, to) => Math.floor(waits.reduce((sum, wait) => sum + (wait.from >= from && wait.to <= to ? facts.times[wait.from].tapeSafeMin : 0), 0))),
  );
  const place = new Map(order.map((finish, stage) => [finish, stage]));
  const sparedBy = (area: number, finish: number): number => {
    const own = place.get(ground.own[area]);
    return own === undefined ? 0 : shares.back(area, finish, facts.coats[own]) * shares.price(order[own], busy[own]);
  };
  const cut = new Cut();
  let bound = waits.reduce((sum, { from }) => sum + wait * facts.times[from].tapeSafeMin, 0) + presentWork(ground, node, busy);
  let done = 0;
  const rows: (readonly number[])[] = [];
  order.forEach((finish, stage) => {
    const late = inside(stage) || begins(stage) || (keep[stage] && waits.length > 0);
    const kept = stage > 0 && keep[stage - 1];
    const { nodes, fixed } = addStage(cut, ground, {
      finish,
      done,
      coats: facts.coats[stage],
      settled: settled[stage],
      under: kept ? settled[stage - 1] : null,
      underNodes: kept ? rows[stage - 1] : undefined,
      weights: { work: busy[stage], pull: late ? work - wait : work, risk, money },
      owed: (area) => owedIn(ground, node, stage, area, { busy, ages: ages[stage] }) - sparedBy(area, finish),
    });
    // Under masks that stay on nothing opens again.
    if (kept) nodes.forEach((one, area) => cut.charge(one, rows[stage - 1][area], NEVER));
    rows.push(nodes);
    done |= 1 << finish;
    const asked = Math.max(0, shares.present(finish) - facts.coats[stage]);
    bound += fixed + busy[stage] * (facts.change[stage] + facts.over[stage]) + asked * shares.price(finish, busy[stage]);
    if (!inside(stage)) bound += wait * ((facts.coats[stage] - 1) * facts.times[stage].flashMin);
    if (!inside(stage) && !begins(stage)) bound += wait * leastPullWait(ground, node, stage, facts.times[stage]);
  });
  forbidWeakGrounds(cut, ground, node, rows);
  chargeCoats(cut, ground, node, { facts, present: shares.present, rows, busy, flashes: order.map((_, stage) => (inside(stage) ? 0 : wait)) });
  const { cost, open } = cut.solve();
  return { bound: bound + cost + plugBound(ground, node, inside), open: rows.map((nodes) => nodes.map((one) => open[one])), coats: facts.coats };
}

/** Where an area must not be sprayed over a colour that takes too many coats, another stage has to come between. */
function forbidWeakGrounds(cut: Cut, ground: Ground, node: OrderNode, rows: readonly (readonly number[])[]): void {
  node.order.forEach((finish, stage) => {
    ground.own.forEach((own, area) => {
      if (own !== finish) return;
      const options = lastOpens(node, stage, area);
      options.forEach((one, index) => {
        if (one === PRESENT || index !== 1 || ground.coats(finish, area, node.order[one]) <= node.most[stage]) return;
        cut.charge(rows[one][area], rows[options[0]][area], NEVER);
      });
    });
  });
}

/** Every coat above the least is paid once, by whichever area is left on a ground that asks for it. */
function chargeCoats(
  cut: Cut,
  ground: Ground,
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
    const own = ground.own.flatMap((one, area) => (one === finish ? [area] : []));
    // What was there at the start is charged by shares; only what asks for still more is left.
    const least = Math.max(facts.coats[stage], present(finish));
    const asks = own.map((area) =>
      lastOpens(node, stage, area).map((one) => ({ one, coats: ground.coats(finish, area, one === PRESENT ? PRESENT : node.order[one]) })),
    );
    const most = Math.min(node.most[stage], Math.max(...asks.flat().map(({ coats }) => coats)));
    const size = own.reduce((sum, area) => sum + ground.problem.areas[area].sizeM2, 0);
    const price = coatPrice(ground, finish, size, busy[stage]) + flashes[stage] * facts.times[stage].flashMin;
    for (let level = least + 1; level <= most; level++) {
      const paid = cut.node();
      cut.charge(paid, 1, price);
      own.forEach((_, index) => {
        // Latest first: as long as every later ground asks for it too, nothing that comes between spares the coat.
        for (const { one, coats } of asks[index]) {
          if (coats < level) break;
          if (one !== PRESENT) cut.charge(rows[one][own[index]], paid, NEVER);
        }
      });
    }
  });
}

/** Least preparation for what comes over a film that was sprayed on an area before its own turn. */
function owedIn(
  ground: Ground,
  { order, settled }: OrderNode,
  stage: number,
  area: number,
  { busy, ages }: { readonly busy: readonly number[]; readonly ages: readonly number[] },
): number {
  const own = ground.own[area];
  if (own < 0) return busy[stage] * ground.leastOver(order[stage], area, PRESENT).minutes;
  let least = Infinity;
  for (let later = stage + 1; later < order.length; later++) {
    if (settled[later][area] !== 0) least = Math.min(least, busy[later] * ground.leastOver(order[later], area, order[stage], ages[later]).minutes);
    if (settled[later][area] === 1) break;
  }
  return least === Infinity ? 0 : least;
}

/** Least preparation for what comes first over what was there at the start. */
function presentWork(ground: Ground, { order, settled }: OrderNode, busy: readonly number[]): number {
  return ground.own.reduce((sum, own, area) => {
    if (own < 0) return sum;
    const last = settled.findIndex((row) => row[area] === 1);
    const first = order
      .slice(0, last + 1)
      .flatMap((finish, stage) => (settled[stage][area] !== 0 ? [busy[stage] * ground.leastOver(finish, area, PRESENT).minutes] : []));
    return sum + Math.min(...first);
  }, 0);
}

function leastPullWait(ground: Ground, node: OrderNode, stage: number, { flashMin, pull }: FilmTimes): number {
  if (node.keep[stage]) return flashMin;
  return certainlyMasked(ground, node.settled[stage]) ? pull.from : Math.min(flashMin, pull.from);
}

/** True where something on a part that is certainly sprayed is certainly covered. */
export function certainlyMasked({ part }: Ground, row: Int8Array): boolean {
  return part.some((one, area) => row[area] === 0 && part.some((other, index) => other === one && row[index] === 1));
}

/** Plugs go in when their part is first sprayed: counted at the least any stage up to then weighs. */
function plugBound(ground: Ground, { order, settled }: OrderNode, inside: (stage: number) => boolean): number {
  const { problem, part, start } = ground;
  const { work, wait } = weightsOf(ground);
  return [...problem.plugs].reduce((sum, [name, count]) => {
    if (start.plugged.includes(name)) return sum;
    const last = order.findIndex((_, stage) => part.some((_one, area) => problem.areas[area].part === name && settled[stage][area] === 1));
    if (last < 0) return sum;
    const cheaper = order.slice(0, last + 1).some((_, stage) => inside(stage));
    return sum + (cheaper ? work - wait : work) * count * RULE_OF_THUMB.perPlug;
  }, 0);
}

/** Waits that an order is certain to have, each from the stage before or the one before that: what the bound starts from. */
export function likelyWaits(ground: Ground, node: OrderNode, { times }: StageFacts): Wait[] {
  const found: Wait[] = [];
  const holds = (from: number, to: number): boolean =>
    from >= 0 && times[from].tapeSafeMin > leastPullWait(ground, node, from, times[from]) && certainWait(ground, node, from, to);
  node.order.forEach((_, to) => {
    const from = [to - 1, to - 2].find((one) => one >= (found.at(-1)?.to ?? 0) && holds(one, to));
    if (from !== undefined) found.push({ from, to });
  });
  return found;
}

/** Waits that held up a worked-out order, as far as they are certain; from the last stage back, none overlapping. */
export function bindingWaits(ground: Ground, node: OrderNode, { stages }: Sequence, primed: number): Wait[] {
  const found: Wait[] = [];
  let free = node.order.length - 1;
  for (let to = node.order.length - 1; to > 0; to--) {
    const { waits } = stages[primed + to];
    if (to > free || waits.tapeMin <= 0) continue;
    const before = stages[primed + to - 1].after;
    const ready = before.clock + waits.tapeMin;
    const from = node.order.findIndex((_, stage) => stage < to && Math.abs(safeAt(stages[primed + stage]) - ready) < 1e-6);
    if (from < 0 || !certainWait(ground, node, from, to)) continue;
    found.push({ from, to });
    free = from;
  }
  return found;
}

const safeAt = ({ open, after }: Sequence['stages'][number]): number => after.tapeSafeAt[open.indexOf(true)];

/** True where an area sprayed in one stage is certainly covered afresh in a later one, on a part that is sprayed then. */
function certainWait(ground: Ground, { keep, settled, order }: OrderNode, from: number, to: number): boolean {
  if (keep.slice(from, to).some(Boolean) && to - from > 1) return false;
  if (ground.share(order[from], order[to])) return true;
  const { part } = ground;
  return part.some((one, area) => {
    const covered = settled[from][area] === 1 && settled.slice(from + 1, to + 1).every((row) => row[area] === 0);
    return covered && part.some((other, index) => other === one && settled[to][index] === 1);
  });
}
