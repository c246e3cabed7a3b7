import { byText } from '../units';
import { usedFinishes, type OrderProblem } from './problem';
import { stageCost, stageScore, startProgress, type Progress, type StageCost } from './stage-cost';

/** A complete order of coats. */
export interface Sequence {
  readonly order: readonly string[];
  readonly stages: readonly StageCost[];
  /** Work plus weighted waiting, in millionths of a minute: whole numbers, so that equal costs are equal. */
  readonly score: number;
}

export interface SearchResult {
  /** Best sequence of each of the cheapest few orders, cheapest first. */
  readonly sequences: readonly Sequence[];
  /** True where every order and every choice of open areas was looked at. */
  readonly complete: boolean;
}

/** More combinations than this are not tried one by one. */
const MOST_COMBINATIONS = 100_000;
/** How many different orders are told. */
const KEPT_ORDERS = 3;

/**
 * Finds the cheapest orders of coats and what to leave open at each stage.
 * Small jobs are searched completely; larger ones open or close all areas of a finish together, and say so.
 * @param fixedOrder order a person has chosen; finishes the job does not use are passed over, missing ones follow
 * @returns at least one sequence, unless no area gets a finish
 */
export function searchOrder(problem: OrderProblem, fixedOrder: readonly string[] | null = null): SearchResult {
  const used = usedFinishes(problem);
  if (used.length === 0) return { sequences: [], complete: true };
  const grain = chooseGrain(problem, used, fixedOrder !== null);
  const best = new Map<string, Sequence>();
  const fixed = fixedOrder && [...fixedOrder.filter((id) => used.includes(id)), ...used.filter((id) => !fixedOrder.includes(id))];
  const keep = (sequence: Sequence) => {
    const key = sequence.order.join(' ');
    const known = best.get(key);
    if (!known || sequence.score < known.score) best.set(key, sequence);
  };
  const visit = (progress: Progress, left: readonly string[], stages: readonly StageCost[], score: number) => {
    if (left.length === 0) return keep({ order: stages.map(({ finish }) => finish), stages, score });
    // Costs only grow, so an order that is already dearer than the worst one kept cannot be told.
    if (score >= worstKept(best, fixed ? 1 : KEPT_ORDERS)) return;
    const next = fixed ? left.slice(0, 1) : grain === 'ends' ? left.slice(0, MOST_BRANCHES) : left;
    for (const finish of next) {
      for (const open of openChoices(problem, progress, finish, left, grain)) {
        const stage = stageCost(problem, progress, finish, open);
        visit(
          stage.after,
          left.filter((id) => id !== finish),
          [...stages, stage],
          score + stageScore(stage),
        );
      }
    }
  };
  visit(startProgress(problem), fixed || lightFirst(problem, used), [], 0);
  // Equal scores keep the order they were found in: light colours first.
  const sequences = [...best.values()].sort((a, b) => a.score - b.score);
  return { sequences: sequences.slice(0, KEPT_ORDERS), complete: grain === 'areas' };
}

/** How finely open areas are chosen: each area, all areas of a finish, or all later areas at once. */
type Grain = 'areas' | 'finishes' | 'ends';

/** With more finishes than can be permuted, each stage takes one of the two lightest left. */
const MOST_BRANCHES = 2;

function chooseGrain(problem: OrderProblem, used: readonly string[], fixed: boolean): Grain {
  const painted = problem.areas.filter(({ finish }) => finish !== null).length;
  const orders = fixed ? 1 : factorial(used.length);
  // The first stage may choose among all later areas, the second among fewer: this counts the widest case.
  const perOrder = used.reduce((product, _, stage) => product * 2 ** Math.max(0, painted - 1 - stage), 1);
  if (orders * perOrder <= MOST_COMBINATIONS) return 'areas';
  const byFinish = 2 ** ((used.length * (used.length - 1)) / 2);
  return orders * byFinish <= MOST_COMBINATIONS ? 'finishes' : 'ends';
}

const factorial = (count: number): number => (count <= 1 ? 1 : count * factorial(count - 1));

function worstKept(best: ReadonlyMap<string, Sequence>, kept: number): number {
  if (best.size < kept) return Infinity;
  return [...best.values()].map(({ score }) => score).sort((a, b) => a - b)[kept - 1];
}

/** Light colours first: a good first guess makes the rest of the search short. */
function lightFirst({ finishes }: OrderProblem, used: readonly string[]): string[] {
  const light = (id: string) => {
    const hex = finishes.get(id)?.colour ?? '#000000';
    return [1, 3, 5].reduce((sum, at) => sum + parseInt(hex.slice(at, at + 2), 16), 0);
  };
  return [...used].sort((a, b) => light(b) - light(a) || byText(a, b));
}

/** Every way to open areas in a stage: its own areas always, kept and painted ones never, later ones either way. */
function openChoices({ areas }: OrderProblem, progress: Progress, finish: string, left: readonly string[], grain: Grain): boolean[][] {
  const own = areas.map((area) => area.finish === finish);
  const later = areas.flatMap((area, index) => (area.finish !== null && area.finish !== finish && !progress.painted[index] ? [index] : []));
  const groups = groupsOf(later, areas, left, grain);
  return Array.from({ length: 2 ** groups.length }, (_, choice) => {
    const open = [...own];
    groups.forEach((group, bit) => {
      // The first choice opens all that comes later: painting over is the usual way.
      if (((choice >> bit) & 1) === 0) for (const index of group) open[index] = true;
    });
    return open;
  });
}

function groupsOf(later: readonly number[], areas: OrderProblem['areas'], left: readonly string[], grain: Grain): (readonly number[])[] {
  if (later.length === 0) return [];
  if (grain === 'areas') return later.map((index) => [index]);
  if (grain === 'ends') return [later];
  return left.map((id) => later.filter((index) => areas[index].finish === id)).filter((group) => group.length > 0);
}
