import { gunChangeMinutes, gunOf } from '../stage';
import type { CoatShares } from './coat-shares';
import { mayKeepMasks } from './mask-keeping';
import { scoreWeights } from './order-cost';
import type { ProblemTable } from './problem-table';
import { type BoundCache, type StageBound, stageBound, worthOpening } from './stage-bound';

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
  const cache: BoundCache = { cuts: new Map(), units: 0, shares, worth: worthOpening(table, shares) };
  const stays = table.finishes.map((_, finish) =>
    table.finishes.map((_one, next) => mayKeepMasks(table, finish, next)),
  );
  const stage = stageLookup(table, stays, cache);
  const step = stepOver(table, stage);
  const rest = restOver(table, step);
  const cheapest = () => cheapestOver(table, { step, rest, stage });
  const units = () => cache.units;
  if (exact) return { step, rest, cheapest, ready: () => everyRest(table, rest), units };
  const loose = table.finishes.map((_, finish) => {
    const under = stays.some((row) => row[finish]);
    return stageBound(table, { done: 0, finish, under, leaves: true, any: true }, cache).cost;
  });
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

/** Bound of the stage of a finish after a set of others, the last of them known or -1. */
type StageLookup = (done: number, last: number, finish: number) => StageBound;

/** Bounds of stages, each computed once. */
function stageLookup(table: ProblemTable, stays: readonly (readonly boolean[])[], cache: BoundCache): StageLookup {
  const count = table.finishes.length;
  const stages = new Map<number, StageBound>();
  // What follows may leave its masks on; what came before may have.
  return (done, last, finish) => {
    const under = last >= 0 && stays[last]![finish]!;
    const key = (done * count + finish) * 2 + Number(under);
    const known =
      stages.get(key) ?? stageBound(table, { done, finish, under, leaves: stays[finish]!.some(Boolean) }, cache);
    stages.set(key, known);
    return known;
  };
}

/** What one more finish adds to a beginning of an order. */
function stepOver(table: ProblemTable, stage: StageLookup): Lattice['step'] {
  const link = linksOf(table);
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
  return (begun, finish) => {
    const { done, last } = begun;
    const cost = stage(done, last, finish).cost + work * link(last, finish);
    const next = { done: done | (1 << finish), last: finish, second: last };
    if (last < 0) return { cost, begun: next };
    if (table.share(last, finish)) return { cost: cost + wait * gapOf(before(done, last), last), begun: next };
    const extra = skipped(begun, finish);
    // A wait that was counted reaches to here: the next one must not count the same time.
    return { cost: cost + extra, begun: extra > 0 ? { ...next, second: -1 } : next };
  };
}

/** Least everything that is left can cost, each beginning computed once. */
function restOver(table: ProblemTable, step: Lattice['step']): Lattice['rest'] {
  const count = table.finishes.length;
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
  return rest;
}

/** The cheapest order by the bounds, with the areas each stage opens. */
function cheapestOver(
  table: ProblemTable,
  { step, rest, stage }: Pick<Lattice, 'step' | 'rest'> & { readonly stage: StageLookup },
): ReturnType<Lattice['cheapest']> {
  const count = table.finishes.length;
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
}

/** Computes the rest of every beginning there is, from the longest; yields the fraction done. */
function* everyRest(table: ProblemTable, rest: Lattice['rest']): Generator<number> {
  const count = table.finishes.length;
  const all = 2 ** count - 1;
  for (let done = all; done >= 0; done--) {
    if (!table.needs.every((needs, finish) => ((done >> finish) & 1) === 0 || (needs & ~done) === 0)) continue;
    for (let last = 0; last < count; last++) if ((done >> last) & 1) rest({ done, last, second: -1 });
    yield 1 - done / (all + 1);
  }
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
