import { compareText, LIMITS, runToEnd, runWithProgress, TOLERANCE } from '../kit';
import { isKeptForGood, MASK_STATE } from '../masking';
import {
  finishesInUse,
  type OrderProblem,
  type Progress,
  type Sequence,
  type StageCost,
  stageCost,
  stageScore,
  startProgress,
  workMinutes,
} from '../stage';
import { type CoatShares, coatShares, equalShares, rebalanceShares } from './coat-shares';
import { EMPTY_PREFIX, type Lattice, latticeEffort, latticeOf, mayFollow, type OrderPrefix } from './lattice';
import { scoreWeights } from './order-cost';
import type { OrderNode } from './order-node';
import { PriorityQueue } from './priority-queue';
import { type ProblemTable, problemTable } from './problem-table';
import { consistentRules } from './rules';
import { expandNode, rootNodes, SCORE_TOLERANCE, type SearchTools } from './solve-order';

export interface SearchResult {
  /** Best sequence found, then the best that begin otherwise, cheapest first. Empty where no area gets a finish. */
  readonly sequences: readonly Sequence[];
  /** True where the first is proven to be the best possible. */
  readonly complete: boolean;
  /** How much dearer than the best possible the first can be at most, as a share of its score; 0 where it is proven. */
  readonly gap: number;
}

/** How far a search has come. */
export interface SearchProgress {
  readonly tried: number;
  readonly of: number;
  readonly best: Sequence | null;
  readonly gap: number;
}

/** Number of choices examined before a search returns its best so far: about a second on a phone. */
export const DEFAULT_EFFORT = 400;
/** Number of sequences returned. */
const TOLD = 4;
/** Share of the effort that goes into each other beginning. */
const OTHERS_SHARE = 0.1;

/**
 * Finds the best orders of coats and the open and covered areas of each stage.
 * @param effort number of choices examined; the same effort gives the same answer on every machine
 */
export const searchOrder = (problem: OrderProblem, effort: number = DEFAULT_EFFORT): SearchResult =>
  runToEnd(searchSteps(problem, effort));

/**
 * The same search in steps, so that it can be watched and stopped; what is returned when it is left early is not used. No sequence is found
 * for more than MOST.finishes finishes: designFaults refuses such a design.
 */
export function* searchSteps(
  given: OrderProblem,
  effort: number = DEFAULT_EFFORT,
): Generator<SearchProgress, SearchResult> {
  const problem = { ...given, rules: consistentRules(given).rules };
  const count = finishesInUse(problem).length;
  if (count === 0 && !problem.primer && !problem.clear) return { sequences: [], complete: true, gap: 0 };
  if (count > LIMITS.finishes) return { sequences: [], complete: false, gap: 1 };
  const ready = yield* prepared(problem, effort);
  const main = yield* bestOrder(ready, null, effort);
  const { best } = main;
  if (!best) return { sequences: [], complete: false, gap: 1 };
  const others: Sequence[] = [];
  // What is shown for comparison need not be proven, however long the best is looked for, and is no news of the best.
  const share = Math.ceil(Math.min(effort, DEFAULT_EFFORT) * OTHERS_SHARE);
  const news: SearchProgress = { tried: effort, of: effort, best, gap: main.gap };
  for (const first of otherBeginnings(ready, best)) {
    const other = yield* runWithProgress(bestOrder(ready, first, ready.spent + share), news);
    if (other.best) others.push(other.best);
  }
  if (best.stages.some(({ keep }) => keep)) {
    const fresh = yield* runWithProgress(
      prepared({ ...problem, rules: { ...problem.rules, masks: 'fresh' } }, share),
      news,
    );
    const other = yield* runWithProgress(bestOrder(fresh, null, fresh.spent + share), news);
    if (other.best) others.push(other.best);
  }
  others.sort((a, b) => a.score - b.score || compareText(a.order.join(), b.order.join()));
  const sequences = [
    best,
    ...others.filter((sequence, index) => others.findIndex((other) => figures(other) === figures(sequence)) === index),
  ];
  return { sequences: sequences.slice(0, TOLD), complete: main.gap === 0, gap: main.gap };
}

/** The finishes an order could as well begin with, the most promising first. */
function otherBeginnings({ table, lattice, primer }: Prepared, best: Sequence): number[] {
  const { order } = table.problem.rules;
  if (order !== null) return [];
  const begins = best.stages[primer.length]!.finish;
  return table.finishes
    .flatMap(({ id }, finish) => {
      if (id === begins || !mayFollow(table, 0, finish)) return [];
      const { cost, begun } = lattice.step(EMPTY_PREFIX, finish);
      return [{ finish, bound: cost + lattice.rest(begun) }];
    })
    .sort((a, b) => a.bound - b.bound)
    .slice(0, TOLD - 1)
    .map(({ finish }) => finish);
}

/** Two sequences with the same figures differ in nothing a person could choose between but their first colour. */
const figures = ({ score, order }: Sequence): string => `${Math.round(score / 1e4)} ${order[0]}`;

/** The beginning of an order, or a whole order with some of its choices settled. */
interface Candidate {
  readonly order: readonly number[];
  readonly begun: OrderPrefix;
  /** What the beginning costs at least, and with everything that may follow; minutes. */
  readonly cost: number;
  readonly bound: number;
  readonly node: OrderNode | null;
}

/** A problem made ready for searching. */
interface Prepared extends SearchTools {
  readonly lattice: Lattice;
  /** Effort that went into making it ready. */
  readonly spent: number;
}

/** Units of lattice work in the time of one choice, and the number of units not worth counting. */
const UNITS_A_CHOICE = 240;
const FREE_UNITS = 60_000;
/** Share of the effort that may go into making a problem ready. */
const READY_SHARE = 0.5;

/** Lays a problem out and bounds it: exactly where the effort allows, else stage by stage. A first answer is there before that takes long. */
function* prepared(problem: OrderProblem, effort: number): Generator<SearchProgress, Prepared> {
  const primer = primerStages(problem);
  const table = problemTable(problem, primer.at(-1)?.after ?? startProgress(problem));
  const { work, wait } = scoreWeights(table);
  // Masks of the primer that stay on are pulled some time.
  const pulls = table.start.kept.reduce(
    (sum, { pullMin, uncoverMin }) => sum + (work - wait) * (pullMin + uncoverMin),
    0,
  );
  const extra =
    primer.reduce((sum, stage) => sum + stageScore(stage, problem.wish), 0) / 1e6 + pulls + clearBound(table);
  const laid = { table, primer, extra };
  const units = latticeEffort(table);
  const nothingYet: SearchProgress = { tried: 0, of: effort, best: null, gap: 1 };
  if (units * (1 + (movesShares(table) ? ROUNDS : 0)) <= FREE_UNITS)
    return { ...laid, ...(yield* runWithProgress(bestBound(table), nothingYet)), spent: 0 };
  const shares = coatShares(table, equalShares(table));
  const quick = { ...laid, shares, lattice: latticeOf(table, shares, false), spent: 0 };
  const choices = units / UNITS_A_CHOICE;
  if (choices > effort * READY_SHARE) return quick;
  const best = greedy(quick, null);
  const news = { of: effort, best, gap: gapOf(best, (extra + quick.lattice.rest(EMPTY_PREFIX)) * 1e6) };
  const lattice = latticeOf(table, shares, true);
  for (const share of lattice.ready()) yield { ...news, tried: share * choices };
  return { ...laid, shares, lattice, spent: choices };
}

/** How often the shares of coats are moved to lift the bound, and with how many finishes that is worth its time. */
const ROUNDS = 4;
const MOST_MOVED = 8;

const movesShares = ({ finishes }: ProblemTable): boolean => finishes.length >= 2 && finishes.length <= MOST_MOVED;

/** The highest bound found by moving the shares of coats between areas, in steps. */
function* bestBound(table: ProblemTable): Generator<unknown, Pick<Prepared, 'shares' | 'lattice'>> {
  let coatTable = equalShares(table);
  const boundWith = (shares: CoatShares) => ({ shares, lattice: latticeOf(table, shares, true) });
  let best = boundWith(coatShares(table, coatTable));
  // A lattice over many finishes takes long: it is computed in steps.
  if (!movesShares(table)) {
    yield* best.lattice.ready();
    return best;
  }
  let last = best;
  for (let round = 1; round <= ROUNDS; round++) {
    yield;
    coatTable = rebalanceShares(table, coatTable, last.lattice.cheapest(), 0.5 / Math.sqrt(round));
    last = boundWith(coatShares(table, coatTable));
    if (last.lattice.rest(EMPTY_PREFIX) > best.lattice.rest(EMPTY_PREFIX)) best = last;
  }
  return best;
}

/** Best-first search. */
function* bestOrder(
  ready: Prepared,
  first: number | null,
  effort: number,
): Generator<SearchProgress, { best: Sequence | null; gap: number }> {
  const { table, lattice, extra } = ready;
  const count = table.finishes.length;
  let left = effort - ready.spent;
  let units = lattice.units();
  const weight = Math.max(1, (table.own.length * count) / USUAL_SIZE);
  let best: Sequence | null = greedy(ready, first);
  let dropped = Infinity;
  const queue = new PriorityQueue<Candidate>(sooner);
  queue.push({ order: [], begun: EMPTY_PREFIX, cost: extra, bound: extra + lattice.rest(EMPTY_PREFIX), node: null });
  const known = () => (best?.score ?? Infinity) - SCORE_TOLERANCE;
  const news = (): SearchProgress => ({
    tried: Math.min(effort, effort - left),
    of: effort,
    best,
    gap: gapOf(best, Math.min(dropped, (queue.first()?.bound ?? Infinity) * 1e6)),
  });
  yield news();
  for (let next = queue.pop(); next; next = queue.pop()) {
    if (next.bound * 1e6 >= known()) break;
    if (left <= 0) {
      dropped = Math.min(dropped, next.bound * 1e6);
      break;
    }
    const { order, begun, cost, bound } = next;
    if (next.node) {
      left -= weight;
      const opened = expandNode(ready, next.node);
      if (!opened) continue;
      if (opened.sequence.score < (best?.score ?? Infinity)) best = opened.sequence;
      const tighter = Math.max(bound, opened.bound);
      if (tighter * 1e6 < known()) for (const node of opened.parts()) queue.push({ ...next, bound: tighter, node });
      yield news();
    } else if (order.length === count) {
      for (const node of rootNodes(table, order)) queue.push({ ...next, node });
    } else {
      left -= BEGINNING;
      for (const finish of nextFinishes(table, next, first)) {
        const step = lattice.step(begun, finish);
        const sum = cost + step.cost;
        queue.push({
          order: [...order, finish],
          begun: step.begun,
          cost: sum,
          bound: sum + lattice.rest(step.begun),
          node: null,
        });
      }
      // Bounds not computed in advance are charged when they are used.
      const paid = (lattice.units() - units) / UNITS_A_CHOICE;
      units += paid * UNITS_A_CHOICE;
      left -= paid;
      if (paid > 0) yield news();
    }
  }
  const lower = Math.min(dropped, best?.score ?? Infinity);
  return { best, gap: gapOf(best, lower) };
}

/** A first answer: always the finish that costs least next. */
function greedy(ready: Prepared, first: number | null): Sequence | null {
  const { table, lattice } = ready;
  let begun = EMPTY_PREFIX;
  const order: number[] = [];
  while (order.length < table.finishes.length) {
    const next = nextFinishes(table, { order, begun }, first)
      .map((finish) => ({ finish, ...lattice.step(begun, finish) }))
      .sort((a, b) => a.cost - b.cost)[0];
    if (!next) return null;
    order.push(next.finish);
    begun = next.begun;
  }
  const [root] = rootNodes(table, order);
  return (root && expandNode(ready, root)?.sequence) ?? null;
}

/** Areas times finishes of a job whose nodes count as one each; in larger jobs each takes longer and counts as more. */
const USUAL_SIZE = 6 * 14;

/** Effort of extending a prefix: far less than examining a whole order. */
const BEGINNING = 0.02;

/** Lower bounds first; among equals what has come furthest: a complete order early makes the rest of the search short. */
const sooner = (candidate: Candidate, other: Candidate): boolean =>
  candidate.bound < other.bound - TOLERANCE.rounding ||
  (candidate.bound <= other.bound + TOLERANCE.rounding && candidate.order.length > other.order.length);

const gapOf = (best: Sequence | null, lower: number): number => {
  if (!best || best.score <= 0) return best ? 0 : 1;
  const gap = (best.score - lower) / best.score;
  return gap * best.score <= SCORE_TOLERANCE ? 0 : gap;
};

/** Finishes that may come next: by the fixed order, the wanted beginning, and what must come before what. */
function nextFinishes(
  table: ProblemTable,
  { order, begun: { done } }: Pick<Candidate, 'order' | 'begun'>,
  first: number | null,
): number[] {
  const ids = table.finishes.map(({ id }) => id);
  const fixed = (table.problem.rules.order ?? []).map((id) => ids.indexOf(id)).filter((finish) => finish >= 0);
  if (order.length < fixed.length) return [fixed[order.length]!];
  if (order.length === 0 && first !== null && fixed.length === 0) return mayFollow(table, 0, first) ? [first] : [];
  return ids.map((_, finish) => finish).filter((finish) => mayFollow(table, done, finish));
}

/** The primer, as a stage of its own. */
function primerStages(problem: OrderProblem): StageCost[] {
  const { primer } = problem;
  return primer
    ? [stageCost(problem, startProgress(problem), { finish: primer.finish, open: primer.areas, keep: false })]
    : [];
}

/** What the clear costs at least: its masks and its own coats, without waiting for what it goes over. */
function clearBound({ problem, start }: ProblemTable): number {
  const { clear, finishes } = problem;
  if (!clear) return 0;
  const weights = scoreWeights({ problem });
  const painted: Progress = {
    ...startProgress(problem),
    painted: problem.areas.map(({ finish }) => finish !== null),
    plugged: start.plugged,
    // Masks on kept areas may still be on.
    standing: problem.rules.through
      ? problem.areas.map((area) =>
          isKeptForGood(area) ? MASK_STATE.covered : area.finish === null ? MASK_STATE.bare : MASK_STATE.open,
        )
      : null,
  };
  const stage = stageCost({ ...problem, rules: { ...problem.rules, vouched: [] } }, painted, {
    finish: clear.finish,
    open: clear.areas,
    keep: false,
  });
  const coatsCount = finishes.get(clear.finish)?.coats ?? null;
  const work = workMinutes(stage) - stage.overMin - (coatsCount === null ? stage.coatMin + stage.lots.mixMin : 0);
  return (
    weights.work * work +
    weights.wait * (stage.waits.flashMin + stage.waits.pullMin) * (coatsCount === null ? 0 : 1) +
    weights.risk * stage.risk
  );
}
