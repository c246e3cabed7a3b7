import { RULE_OF_THUMB } from '../kit';
import { edgeClass } from '../masking';
import { filmTimes } from '../stage';
import type { CoatShares } from './coat-shares';
import { scoreWeights } from './order-cost';
import { EXISTING_FINISH, type ProblemTable } from './problem-table';
import { edgeWeight, fixedSpray, onceWeights, relaxPart, type StageWeights, wholePartWeight } from './relax';

/** Lower bound of one stage, whatever the order of what came before it. */
export interface StageBound {
  readonly cost: number;
  /** The same where it passes the time of a wait: nothing is counted for how long it takes. */
  readonly calm: () => number;
  /** How much longer its colour takes until it takes tape than until its own masks are off, at least. */
  readonly gapMin: number;
  /** Areas it opens. */
  readonly open: () => readonly number[];
}

/** What the bounds of all stages share. */
export interface BoundCache {
  readonly cuts: Cuts;
  /** Areas of all parts that were cut. */
  units: number;
  readonly shares: CoatShares;
  /** By part and finish: whether that finish has a reason to go anywhere on it. */
  readonly worth: readonly (readonly boolean[])[];
}

/** By part and finish: whether that finish has a reason to go anywhere on it. */
export const worthOpening = ({ parts, finishes, own }: ProblemTable, shares: CoatShares): boolean[][] =>
  parts.map(({ areas }) =>
    finishes.map((_, finish) => areas.some((area) => own[area] === finish || shares.back(area, finish, 0) > 0)),
  );

/** Cuts of parts made before: what a part costs depends only on those finishes before it that it gets itself. */
type Cuts = Map<number, RelaxedPart>;
type RelaxedPart = ReturnType<typeof relaxPart>;

/** The stage a bound is asked of. */
export interface StageAsked {
  readonly done: number;
  readonly finish: number;
  /** Masks may be on from before, and may stay on. */
  readonly under: boolean;
  readonly leaves: boolean;
  /** True where nothing is known of what was before it. */
  readonly any?: boolean;
}

/**
 * Lower bound of one stage.
 * @param cache cuts made for other stages; those made for this one are added
 */
export function stageBound(table: ProblemTable, asked: StageAsked, cache: BoundCache): StageBound {
  const { finish, leaves } = asked;
  const { work, wait } = scoreWeights(table);
  const { coats, minutes } = coatsAndKeying(table, asked);
  const stateOf = stateInStage(table, asked);
  const times = filmTimes(table.problem, table.finishes[finish]!, coats);
  const pullWait = Math.max(
    times.cleanMin,
    leaves || !isMasked(table, finish, stateOf) ? Math.min(times.flashMin, times.leastPullMin) : times.leastPullMin,
  );
  const costAt = stageCosts(table, asked, { coats, keyingMin: minutes, stateOf }, cache);
  const usual = costAt(work);
  return {
    cost: usual.cost + wait * ((coats - 1) * times.gap.from + pullWait),
    open: () => usual.sprayed.flatMap(({ open }) => open),
    calm: () => costAt(work - wait).cost,
    gapMin: Math.max(0, times.tapeSafeMin - pullWait),
  };
}

/** What is settled of an area in a stage: 1 open, 0 covered, -1 free. */
const stateInStage =
  ({ own, alike, pins }: ProblemTable, { done, finish }: StageAsked) =>
  (area: number): number => {
    const ownFinish = own[area]!;
    if (ownFinish === finish) return 1;
    const free = ownFinish < 0 ? alike[area] === finish : ((done >> ownFinish) & 1) === 0;
    return free ? pins[finish]![area]! : 0;
  };

/** Least coats of a stage, and least minutes of keying and barriers under them and under what comes over them. */
function coatsAndKeying(
  table: ProblemTable,
  { done, finish, any }: StageAsked,
): { readonly coats: number; readonly minutes: number } {
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
    let { fixed: leastFixed, minutes: leastWork } = table.leastOver(finish, area, EXISTING_FINISH);
    for (const earlier of before) {
      leastFixed = Math.min(leastFixed, table.leastOver(finish, area, earlier).fixed);
      leastWork = Math.min(leastWork, table.leastOver(earlier, area, EXISTING_FINISH).minutes);
    }
    fixed = Math.max(fixed, leastFixed);
    over += leastWork;
  }
  return { coats, minutes: over + fixed };
}

/** True where a stage certainly masks anything that comes off after it. */
function isMasked(
  { own, outer, parts, drips }: ProblemTable,
  finish: number,
  stateOf: (area: number) => number,
): boolean {
  const comesOff = (part: number, area: number) => !(outer.areas[area] && outer.mayStay(part, finish));
  const closed = (part: number, area: number) => stateOf(area) === 0 && comesOff(part, area);
  return parts.some(({ areas, edges }, part) =>
    drips[finish]
      ? edges.some(({ a, b }) => (own[a] === finish && closed(part, b)) || (own[b] === finish && closed(part, a)))
      : areas.some((area) => own[area] === finish) && areas.some((area) => closed(part, area)),
  );
}

/** Least cost of a stage without its waits for a weight of a minute, with the cuts of its parts. */
function stageCosts(
  table: ProblemTable,
  { done, finish, under: keeping, any }: StageAsked,
  decided: { readonly coats: number; readonly keyingMin: number; readonly stateOf: (area: number) => number },
  cache: BoundCache,
) {
  const { cuts, shares, worth } = cache;
  const { own, pins } = table;
  const { coats, keyingMin, stateOf } = decided;
  const { work, wait, risk, money } = scoreWeights(table);
  const owedTo = owedLater(table, { done, finish });
  // Where masks may have stayed on from any stage before, none is certain to be laid now, but for edges that are laid once anyway.
  const under = keeping ? new Int8Array(own.length) : null;
  return (minute: number) => {
    const weights = { work: minute, pull: work - wait, calm: work - wait, counted: work, risk, money };
    // Where nothing is known of the other stages, nothing is given back and nothing charged.
    // The work a spared coat saves may pass the time of a wait: it is worth that much less, here and where it is charged.
    const spared = (area: number) =>
      any || own[area]! < 0 ? 0 : shares.back(area, finish, 0) * shares.price(own[area]!, work - wait);
    const owed = (area: number) =>
      minute * (own[area]! < 0 ? table.leastOver(finish, area, EXISTING_FINISH).minutes : owedTo(area)) - spared(area);
    const settled = () => Int8Array.from(own, (_, area) => stateOf(area));
    const sprayed: RelaxedPart[] = [];
    let cost = fixedSpray(table, { finish, coats, weights });
    for (const [part, { finishes, areas }] of table.parts.entries()) {
      // Where nothing of it is sprayed, and nothing would be spared by it, a part costs nothing.
      if (!worth[part]![finish] && !areas.some((area) => pins[finish]![area] === 1)) {
        cost += wholePartWeight(table, finish, part, weights);
        continue;
      }
      const sub = (part * table.finishes.length + finish) * 2 ** table.finishes.length + (done & finishes);
      const key =
        (sub * (RULE_OF_THUMB.mostCoats + 1) + coats) * 8 +
        (minute === work ? 0 : 1) +
        (keeping ? 2 : 0) +
        (any ? 4 : 0);
      let known = cuts.get(key);
      if (!known) {
        known = relaxPart(table, { finish, done, any, coats, settled: settled(), under, weights, owed }, part);
        cuts.set(key, known);
        cache.units += areas.length;
      }
      sprayed.push(known);
      cost += known.cost;
    }
    const asked = any ? 0 : (shares.present(finish) - coats) * shares.price(finish, work - wait);
    return {
      cost: cost + (keeping ? onceAnyway(table, done, finish, weights) : 0) + minute * keyingMin + asked,
      sprayed,
    };
  };
}

/**
 * Least minutes that whatever may still go over an area takes to key it. Finishes count as its part knows them: those
 * that the part itself does not get are never certain to be past.
 */
const owedLater =
  (table: ProblemTable, { done, finish }: Pick<StageAsked, 'done' | 'finish'>) =>
  (area: number): number => {
    const past = done & table.parts[table.part[area]!]!.finishes;
    const later = [...table.finishes.keys()].filter((other) => other !== finish && ((past >> other) & 1) === 0);
    return Math.min(...later.map((laterFinish) => table.leastOver(laterFinish, area, finish).minutes));
  };

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
