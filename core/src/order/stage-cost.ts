import { paintNeeded, type Finish } from '../finish';
import { RULE_OF_THUMB } from '../units';
import { filmTimes, rememberedCoats, type FilmTimes } from './drying-of';
import { gunOf, needsStrip, usesGun } from './gun';
import { maskCost, type MaskCost } from './mask-cost';
import { overCost, type OverTask } from './over-cost';
import { finishOf, type OrderProblem } from './problem';
import type { KeptMask, Progress } from './progress';

/** What is decided for a stage. */
export interface StageChoice {
  readonly finish: string;
  /** Which areas the paint reaches; those that get this finish are among them. */
  readonly open: readonly boolean[];
  /** True where the masks stay on for the next stage. */
  readonly keep: boolean;
}

/** One stage of the sequence: masks on, coats of one finish, masks off. */
export interface StageCost extends StageChoice {
  readonly coats: number;
  /** The undercolour that decided the number of coats, and where the number comes from. */
  readonly under: string;
  readonly coatsFrom: 'sheet' | 'card' | 'hiding' | 'most';
  /** Minutes of work. */
  readonly layMin: number;
  readonly coatMin: number;
  readonly pullMin: number;
  readonly changeMin: number;
  /** Abrading and barrier coats. */
  readonly overMin: number;
  /** Minutes nobody works. */
  readonly waitMin: number;
  /** What the waiting is made of: until colour takes tape, until what is below may be coated, between coats, until the pull. */
  readonly waits: { readonly tapeMin: number; readonly overMin: number; readonly flashMin: number; readonly pullMin: number };
  readonly tapeM: number;
  readonly drapeM2: number;
  readonly paintMl: number;
  /** Weighted metres of show edge. */
  readonly risk: number;
  readonly money: number;
  readonly tasks: readonly OverTask[];
  /** What must not be done; empty where all is well. */
  readonly forbidden: readonly ('over' | 'late')[];
  /** When the last coat is on, minutes from the start. */
  readonly lastCoatMin: number;
  readonly after: Progress;
}

/**
 * Works out one stage: the one evaluator behind search, plan and tests.
 * @returns its cost in minutes, and where the work stands afterwards
 */
export function stageCost(problem: OrderProblem, before: Progress, choice: StageChoice): StageCost {
  const finish = finishOf(problem, choice.finish);
  const masks = maskCost(problem, before, choice.open);
  const decided = coatsNeeded(problem, before, finish, choice.open);
  const times = filmTimes(problem, finish, decided.coats);
  const openM2 = problem.areas.reduce((sum, area, index) => sum + (choice.open[index] ? area.sizeM2 : 0), 0);
  const coatMin = decided.coats * (openM2 * RULE_OF_THUMB.sprayPerSquareMetre[finish.method] + RULE_OF_THUMB.perCoat);
  const guns = { ...before.guns };
  const changeMin = changeMinutes(problem, guns, finish);
  const plugs = plugsOf(problem, before, choice.open);
  const layMin = masks.layMin + plugs.layMin;
  const tapeMin = Math.max(0, masks.readyAt - before.clock);
  const over = overCost(problem, before, finish, choice.open, before.clock + tapeMin + layMin + changeMin);
  const flashMin = (decided.coats - 1) * times.gap.from + over.barrierWaitMin;
  const overMin = over.abradeMin + over.barrierMin;
  const lastCoatMin = before.clock + tapeMin + layMin + changeMin + overMin + over.waitMin + coatMin + flashMin;
  const pull = pulling(before, choice, masks, times, lastCoatMin, problem.rules.late);
  const paintMl = paintNeeded(openM2, decided.coats * finish.coatUm, finish);
  const film = { finish, coats: decided.coats, at: lastCoatMin };
  return {
    ...choice,
    ...decided,
    layMin,
    coatMin,
    pullMin: pull.pullMin,
    changeMin,
    overMin,
    waitMin: tapeMin + over.waitMin + flashMin + pull.waitMin,
    waits: { tapeMin, overMin: over.waitMin, flashMin, pullMin: pull.waitMin },
    tapeM: masks.tapeM,
    drapeM2: masks.drapeM2,
    paintMl,
    risk: masks.risk + pull.risk,
    money: masks.money + (paintMl / 1000) * (finish.pricePerL ?? RULE_OF_THUMB.pricePerLitre),
    tasks: over.tasks,
    forbidden: [...(over.forbidden ? ['over' as const] : []), ...(pull.late ? ['late' as const] : [])],
    lastCoatMin,
    after: {
      colours: before.colours.map((colour, index) => (choice.open[index] ? finish.colour : colour)),
      films: before.films.map((old, index) => (choice.open[index] ? film : old)),
      painted: before.painted.map((painted, index) => painted || problem.areas[index].finish === choice.finish),
      tapeSafeAt: before.tapeSafeAt.map((at, index) => (choice.open[index] ? lastCoatMin + times.tapeSafeMin : at)),
      clock: lastCoatMin + pull.waitMin + pull.pullMin,
      guns,
      plugged: plugs.plugged,
      open: choice.keep ? choice.open : null,
      kept: choice.keep ? [...before.kept, ...pull.kept] : [],
    },
  };
}

/** Coats over the worst undercolour among the areas that get this finish; a layer over several finishes takes its own count. */
function coatsNeeded(
  { areas }: OrderProblem,
  before: Progress,
  finish: Finish,
  open: readonly boolean[],
): { coats: number; under: string; coatsFrom: StageCost['coatsFrom'] } {
  let worst = { coats: 0, under: finish.colour, coatsFrom: 'hiding' as StageCost['coatsFrom'] };
  const own = areas.some((area) => area.finish === finish.id);
  areas.forEach((area, index) => {
    if (own ? area.finish !== finish.id : !open[index]) return;
    const { coats, from } = rememberedCoats(finish, before.colours[index]);
    if (coats > worst.coats) worst = { coats, under: before.colours[index], coatsFrom: from };
  });
  return worst;
}

/**
 * Minutes to mix and to make the gun ready for a finish.
 * @param guns last finish through each gun; the finish is written in
 */
export function changeMinutes(problem: OrderProblem, guns: Record<string, string>, finish: Finish): number {
  const gun = gunOf(problem, finish);
  const mixing = finish.mixRatio.length > 1 ? RULE_OF_THUMB.mix : 0;
  const last = guns[gun];
  guns[gun] = finish.id;
  if (last === undefined || !usesGun(finish) || last === finish.id) return mixing;
  const strip = needsStrip(finishOf(problem, last), finish) ? RULE_OF_THUMB.gunStrip : 0;
  return mixing + RULE_OF_THUMB.gunClean + strip;
}

function plugsOf({ areas, plugs }: OrderProblem, { plugged }: Progress, open: readonly boolean[]): { layMin: number; plugged: readonly string[] } {
  const fresh = [...plugs.keys()].filter((part) => !plugged.includes(part) && areas.some((area, index) => open[index] && area.part === part));
  if (fresh.length === 0) return { layMin: 0, plugged };
  return { layMin: fresh.reduce((sum, part) => sum + (plugs.get(part) ?? 0) * RULE_OF_THUMB.perPlug, 0), plugged: [...plugged, ...fresh] };
}

interface Pulling {
  readonly waitMin: number;
  readonly pullMin: number;
  readonly risk: number;
  readonly late: boolean;
  readonly kept: readonly KeptMask[];
}

/** When the masks come off: now with all that were kept on, or later. */
function pulling(before: Progress, { keep }: StageChoice, masks: MaskCost, times: FilmTimes, lastCoatMin: number, lateAllowed: boolean): Pulling {
  const own: KeptMask = {
    at: lastCoatMin,
    pullFromMin: times.pull.from,
    pullToMin: times.pull.to ?? Infinity,
    latestMin: times.latestMin,
    pullMin: masks.pullMin,
    tapeM: masks.tapeM,
  };
  if (keep) return { waitMin: times.flashMin, pullMin: 0, risk: 0, late: false, kept: [own] };
  if (!masks.masked && before.kept.length === 0) return { waitMin: times.flashMin, pullMin: 0, risk: 0, late: false, kept: [] };
  const all = [...before.kept, own];
  const pullAt = Math.max(...all.map(({ at, pullFromMin }) => at + pullFromMin));
  const past = all.filter(({ at, pullToMin }) => pullAt > at + pullToMin + 1e-9);
  return {
    waitMin: pullAt - lastCoatMin,
    pullMin: all.reduce((sum, one) => sum + one.pullMin, 0),
    risk: RULE_OF_THUMB.keptRisk * past.reduce((sum, { tapeM }) => sum + tapeM, 0),
    late: past.some(({ at, latestMin }) => !lateAllowed || pullAt > at + latestMin),
    kept: [],
  };
}
