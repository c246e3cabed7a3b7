import { RULE_OF_THUMB } from '../kit';
import { edgeClass } from '../masking';
import { filmTimes, gunChangeMinutes, gunOf } from '../stage';
import type { CoatShares } from './coat-shares';
import { mayKeepMasks } from './mask-keeping';
import { scoreWeights } from './order-cost';
import { EXISTING_FINISH, type ProblemTable } from './problem-table';
import { edgeWeight, fixedSpray, onceWeights, relaxPart, type StageWeights, wholePartWeight } from './relax';

/** Bounds for orders that are not complete yet. */
export interface Lattice {
  /** Least a finish adds to a beginning, and the beginning it makes. */
  readonly step: (begun: OrderPrefix, finish: number) => { readonly cost: number; readonly begun: OrderPrefix };
  /** Least everything that is left can cost. */
  readonly rest: (begun: OrderPrefix) => number;
  /** The cheapest order as the bound sees it, with the areas each stage opens. */
  readonly cheapest: () => readonly { readonly finish: number; readonly open: readonly number[] }[];
  /** Computes everything `rest` needs, in short steps; yields the fraction done. */
  readonly ready: () => Generator<number>;
  /** Work done so far, in units of latticeEffort. */
  readonly units: () => number;
}

/** What a bound needs to know of the beginning of an order. */
export interface OrderPrefix {
  /** Finishes sprayed, as bits. */
  readonly done: number;
  /** The finish sprayed last, and the one before it as far as a wait for it is not counted yet; -1: none. */
  readonly last: number;
  readonly second: number;
}

export const EMPTY_PREFIX: OrderPrefix = { done: 0, last: -1, second: -1 };

/**
 * Lower bounds over sets of finishes: the minimum cost of a stage depends on which finishes came before it, not on
 * their order.
 * Source: dynamic programming over subsets, Held and Karp 1962, on bounds of the stages.
 * Where masks may have stayed on, only edges that have to be laid once anyway are counted.
 * @param exact false: the rest is bounded stage by stage, as if any others came before each; far less work
 */
export function latticeOf(table: ProblemTable, shares: CoatShares, exact: boolean): Lattice {
  const count = table.finishes.length;
  const stages = new Map<number, StageBound>();
  const remembered: Remembered = {
    cuts: new Map(),
    units: 0,
    shares,
    worth: worthOpening(table, shares),
  };
  const link = linksOf(table);
  const stays = table.finishes.map((_, finish) =>
    table.finishes.map((_one, next) => mayKeepMasks(table, finish, next)),
  );
  // What follows may leave its masks on; what came before may have.
  const stage = (done: number, last: number, finish: number): StageBound => {
    const under = last >= 0 && stays[last]![finish]!;
    const key = (done * count + finish) * 2 + Number(under);
    const known =
      stages.get(key) ?? stageBound(table, { done, finish, under, leaves: stays[finish]!.some(Boolean) }, remembered);
    stages.set(key, known);
    return known;
  };
  const { work, wait } = scoreWeights(table);
  const before = (done: number, finish: number) => done & ~(1 << finish);
  const gapOf = (done: number, finish: number) => stage(done, -1, finish).gapMin;
  const skipped = ({ done, last, second }: OrderPrefix, finish: number): number => {
    if (second < 0 || !table.share(second, finish) || table.share(second, last)) return 0;
    // It waits for the one before the last: what was done meanwhile passes the time.
    const between = stage(before(done, last), second, last);
    const meanwhile = link(second, last);
    const gap = gapOf(before(before(done, last), second), second);
    return Math.max(0, between.calm() + wait * gap - between.cost - wait * meanwhile);
  };
  const step: Lattice['step'] = (begun, finish) => {
    const { done, last } = begun;
    const cost = stage(done, last, finish).cost + work * link(last, finish);
    const next = { done: done | (1 << finish), last: finish, second: last };
    if (last < 0) return { cost, begun: next };
    if (table.share(last, finish)) return { cost: cost + wait * gapOf(before(done, last), last), begun: next };
    const extra = skipped(begun, finish);
    // A wait that was counted reaches to here: the next one must not count the same time.
    return { cost: cost + extra, begun: extra > 0 ? { ...next, second: -1 } : next };
  };
  // With many finishes, waits that pass over a stage are left out: there would be too many prefixes to distinguish.
  const simple = count > MOST_SKIPS;
  const rests = new Map<number, number>();
  const rest = (given: OrderPrefix): number => {
    const begun = simple ? { ...given, second: -1 } : given;
    const { done, last, second } = begun;
    if (done === 2 ** count - 1) return 0;
    const key = (done * (count + 1) + last + 1) * (count + 1) + second + 1;
    const known = rests.get(key);
    if (known !== undefined) return known;
    let least = Infinity;
    for (let finish = 0; finish < count; finish++) {
      if (!mayFollow(table, done, finish)) continue;
      const next = step(begun, finish);
      least = Math.min(least, next.cost + rest(next.begun));
    }
    rests.set(key, least);
    return least;
  };
  const cheapest: Lattice['cheapest'] = () => {
    const openings: { finish: number; open: readonly number[] }[] = [];
    let begun = EMPTY_PREFIX;
    while (openings.length < count) {
      let best: { cost: number; finish: number; begun: OrderPrefix } | null = null;
      for (let finish = 0; finish < count; finish++) {
        if (!mayFollow(table, begun.done, finish)) continue;
        const next = step(begun, finish);
        const cost = next.cost + rest(next.begun);
        if (!best || cost < best.cost) best = { cost, finish, begun: next.begun };
      }
      if (!best) break;
      openings.push({ finish: best.finish, open: stage(begun.done, begun.last, best.finish).open() });
      begun = best.begun;
    }
    return openings;
  };
  const units = () => remembered.units;
  function* ready(): Generator<number> {
    const all = 2 ** count - 1;
    for (let done = all; done >= 0; done--) {
      if (!table.needs.every((needs, finish) => ((done >> finish) & 1) === 0 || (needs & ~done) === 0)) continue;
      for (let last = 0; last < count; last++) if ((done >> last) & 1) rest({ done, last, second: -1 });
      yield 1 - done / (all + 1);
    }
  }
  if (exact) return { step, rest, cheapest, ready, units };
  const loose = table.finishes.map(
    (_, finish) =>
      stageBound(
        table,
        { done: 0, finish, under: stays.some((row) => row[finish]), leaves: true, any: true },
        remembered,
      ).cost,
  );
  return {
    step,
    cheapest,
    rest: ({ done }) => loose.reduce((sum, cost, finish) => sum + ((done >> finish) & 1 ? 0 : cost), 0),
    *ready() {
      yield 1;
    },
    units,
  };
}

/** Beginnings of an order that are lengthened by one finish in the time one area of a part is cut (measured: 0.8 to 1.2 µs each). */
const STEPS_A_UNIT = 10;

/**
 * Effort of a whole lattice: the larger of the cuts of all parts, each with every set of finishes its part can meet,
 * and the extensions of all prefixes, distinguished by set and last finish, by every finish.
 */
export function latticeEffort({ parts, finishes }: Pick<ProblemTable, 'parts' | 'finishes'>): number {
  const cuts = parts.reduce((sum, part) => {
    const finishCount = bitCount(part.finishes);
    return sum + part.areas.length * finishCount * 2 ** Math.max(0, finishCount - 1);
  }, 0);
  return Math.max(cuts, (finishes.length ** 2 * 2 ** finishes.length) / STEPS_A_UNIT);
}

/** How many bits of a 32-bit number are 1, the sign bit among them. Source: Warren, Hacker's Delight, 5-1. */
export function bitCount(bits: number): number {
  const pairs = bits - ((bits >>> 1) & 0x55555555);
  const nibbles = (pairs & 0x33333333) + ((pairs >>> 2) & 0x33333333);
  return Math.imul((nibbles + (nibbles >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
}

/** Maximum number of finishes for which a wait may pass over a stage in the bound. */
const MOST_SKIPS = 8;

/** True where a finish is not done yet and everything that must come before it is. */
export const mayFollow = ({ needs }: ProblemTable, done: number, finish: number): boolean =>
  ((done >> finish) & 1) === 0 && (needs[finish]! & ~done) === 0;

interface StageBound {
  readonly cost: number;
  /** The same where it passes the time of a wait: nothing is counted for how long it takes. */
  readonly calm: () => number;
  /** How much longer its colour takes until it takes tape than until its own masks are off, at least. */
  readonly gapMin: number;
  /** Areas it opens. */
  readonly open: () => readonly number[];
}

/** What the bounds of all stages share. */
interface Remembered {
  readonly cuts: Cuts;
  /** Areas of all parts that were cut. */
  units: number;
  readonly shares: CoatShares;
  /** By part and finish: whether that finish has a reason to go anywhere on it. */
  readonly worth: readonly (readonly boolean[])[];
}

const worthOpening = ({ parts, finishes, own }: ProblemTable, shares: CoatShares): boolean[][] =>
  parts.map(({ areas }) =>
    finishes.map((_, finish) => areas.some((area) => own[area] === finish || shares.back(area, finish, 0) > 0)),
  );

/** Cuts of parts made before: what a part costs depends only on those finishes before it that it gets itself. */
type Cuts = Map<number, ReturnType<typeof relaxPart>>;

interface StageAsked {
  readonly done: number;
  readonly finish: number;
  /** Masks may be on from before, and may stay on. */
  readonly under: boolean;
  readonly leaves: boolean;
  /** True where nothing is known of what was before it. */
  readonly any?: boolean;
}

function stageBound(
  table: ProblemTable,
  { done, finish, under: keeping, leaves, any }: StageAsked,
  remembered: Remembered,
): StageBound {
  const { cuts, shares, worth } = remembered;
  const { own, alike, pins, problem } = table;
  const { work, wait, risk, money } = scoreWeights(table);
  const stateOf = (area: number): number => {
    const ownFinish = own[area]!;
    if (ownFinish === finish) return 1;
    const free = ownFinish < 0 ? alike[area] === finish : ((done >> ownFinish) & 1) === 0;
    return free ? pins[finish]![area]! : 0;
  };
  const mine = table.areasOf[finish]!;
  const before = [...table.finishes.keys()].filter((other) => any || (done >> other) & 1);
  // Over another finish of the job a colour takes the same coats wherever it lies.
  const bestBelow = before.reduce(
    (least, earlier) => Math.min(least, table.coats(finish, mine[0]!, earlier)),
    Infinity,
  );
  let [coats, fixed, over] = [0, 0, 0];
  for (const area of mine) {
    coats = Math.max(coats, Math.min(bestBelow, table.coats(finish, area, EXISTING_FINISH)));
    let [leastFixed, leastWork] = [
      table.leastOver(finish, area, EXISTING_FINISH).fixed,
      table.leastOver(finish, area, EXISTING_FINISH).minutes,
    ];
    for (const earlier of before) {
      leastFixed = Math.min(leastFixed, table.leastOver(finish, area, earlier).fixed);
      leastWork = Math.min(leastWork, table.leastOver(earlier, area, EXISTING_FINISH).minutes);
    }
    fixed = Math.max(fixed, leastFixed);
    over += leastWork;
  }
  over += fixed;
  // Finishes that may still go over an area, as known to its part: finishes that the part itself does not get are
  // never certain to be past.
  const owedTo = (area: number) => {
    const past = done & table.parts[table.part[area]!]!.finishes;
    const later = [...table.finishes.keys()].filter((other) => other !== finish && ((past >> other) & 1) === 0);
    return Math.min(...later.map((laterFinish) => table.leastOver(laterFinish, area, finish).minutes));
  };
  // Where masks may have stayed on from any stage before, none is certain to be laid now, but for edges that are laid once anyway.
  const under = keeping ? new Int8Array(own.length) : null;
  const costAt = (minute: number) => {
    const weights = { work: minute, pull: work - wait, calm: work - wait, counted: work, risk, money };
    // Where nothing is known of the other stages, nothing is given back and nothing charged.
    // The work a spared coat saves may pass the time of a wait: it is worth that much less, here and where it is charged.
    const spared = (area: number) =>
      any || own[area]! < 0 ? 0 : shares.back(area, finish, 0) * shares.price(own[area]!, work - wait);
    const owed = (area: number) =>
      minute * (own[area]! < 0 ? table.leastOver(finish, area, EXISTING_FINISH).minutes : owedTo(area)) - spared(area);
    const stage = () => ({
      finish,
      done,
      any,
      coats,
      settled: Int8Array.from(own, (_, area) => stateOf(area)),
      under,
      weights,
      owed,
    });
    const sprayed: ReturnType<typeof relaxPart>[] = [];
    const cost = table.parts.reduce(
      (sum, { finishes, areas }, part) => {
        // Where nothing of it is sprayed, and nothing would be spared by it, a part costs nothing.
        if (!worth[part]![finish] && !areas.some((area) => pins[finish]![area] === 1))
          return sum + wholePartWeight(table, finish, part, weights);
        const sub = (part * table.finishes.length + finish) * 2 ** table.finishes.length + (done & finishes);
        const key =
          (sub * (RULE_OF_THUMB.mostCoats + 1) + coats) * 8 +
          (minute === work ? 0 : 1) +
          (keeping ? 2 : 0) +
          (any ? 4 : 0);
        let known = cuts.get(key);
        if (!known) {
          known = relaxPart(table, stage(), part);
          cuts.set(key, known);
          remembered.units += areas.length;
        }
        sprayed.push(known);
        return sum + known.cost;
      },
      fixedSpray(table, { finish, coats, weights }),
    );
    const asked = any ? 0 : (shares.present(finish) - coats) * shares.price(finish, work - wait);
    return { cost: cost + (keeping ? onceAnyway(table, done, finish, weights) : 0) + minute * over + asked, sprayed };
  };
  const comesOff = (part: number, area: number) => !(table.outer.areas[area] && table.outer.mayStay(part, finish));
  const closed = (part: number, area: number) => stateOf(area) === 0 && comesOff(part, area);
  const masked = table.parts.some(({ areas, edges }, part) =>
    table.drips[finish]
      ? edges.some(({ a, b }) => (own[a] === finish && closed(part, b)) || (own[b] === finish && closed(part, a)))
      : areas.some((area) => own[area] === finish) && areas.some((area) => closed(part, area)),
  );
  const times = filmTimes(problem, table.finishes[finish]!, coats);
  const pullWait = Math.max(
    times.cleanMin,
    leaves || !masked ? Math.min(times.flashMin, times.leastPullMin) : times.leastPullMin,
  );
  const usual = costAt(work);
  return {
    cost: usual.cost + wait * ((coats - 1) * times.gap.from + pullWait),
    open: () => usual.sprayed.flatMap(({ open }) => open),
    calm: () => costAt(work - wait).cost,
    gapMin: Math.max(0, times.tapeSafeMin - pullWait),
  };
}

/**
 * Edges between what a stage paints and what is kept or already painted: each is laid at least once, now or in a
 * mask that stayed on.
 */
function onceAnyway(table: ProblemTable, done: number, finish: number, weights: StageWeights): number {
  const { own, alike, edges, strips, problem, outer, part } = table;
  const stays = (area: number) =>
    (own[area]! < 0 && alike[area] !== finish) || (own[area] !== finish && ((done >> own[area]!) & 1) === 1);
  const calm = onceWeights(weights);
  return edges.reduce((sum, { a, b, crisp }) => {
    const [mine, other] = own[a] === finish ? [a, b] : [b, a];
    const edgeType = edgeClass(problem.areas[mine]!, problem.areas[other]!, own[other]! >= 0);
    const certain = own[mine] === finish && stays(other) && !strips[other] && edgeType === 'crisp';
    if (!certain) return sum;
    const charge = outer.areas[other] ? outer.charge(part[other]!, finish, null) : 'every';
    return charge === 'none' ? sum : sum + edgeWeight(crisp, charge === 'once' ? calm : weights);
  }, 0);
}

/** Least minutes to mix and to ready the gun, whatever went through it in between. */
function linksOf(table: ProblemTable): (last: number, finish: number) => number {
  const { problem, finishes, start } = table;
  const guns = finishes.map((finish) => gunOf(problem, finish));
  const minutes = [-1, ...finishes.keys()].map((last) =>
    finishes.map((finish, index) => {
      const through: Record<string, string> = { ...start.guns };
      const direct = last >= 0 && guns[last] === guns[index];
      if (direct) through[guns[index]!] = finishes[last]!.id;
      return gunChangeMinutes(problem, through, finish);
    }),
  );
  return (last, finish) => minutes[last + 1]![finish]!;
}
