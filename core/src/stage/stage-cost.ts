import { potLifeAt } from '../drying';
import { type Finish, paintNeeded } from '../finish';
import { type PartId, RULE_OF_THUMB, sumOf } from '../kit';
import { coatingMin } from './coating';
import { compatibilityCost } from './compatibility-cost';
import { filmTimes, memoizedCoats } from './film-times';
import { gunOf, mixMinutes, needsStripDown, usesGun } from './gun';
import { stageLayer, temporaryAreas } from './layer-stage';
import { lotsOf } from './lots';
import { type StageMaskCost, stageMaskCost } from './mask-cost';
import { type MaskRemoval, maskRemoval, removalInSections, type StageMasks, stageMasks } from './mask-removal';
import { masksKeptAfter, standingMasksAfter } from './masks-kept';
import { openingsOf } from './openings';
import { finishOf, NO_OWN_WORK, type OrderProblem } from './problem';
import { STAGE_RULES } from './rules-of-thumb';
import { sealsOf } from './seal';
import type { FilmTimes, GunChange, Progress, StageChoice, StageCost } from './stage';

/**
 * Computes one stage: the one cost function behind search, plan and tests.
 * In working order: wait until colour takes tape, and until what is below may be coated when the mask is on; abrade
 * what is below, mask and seal, barrier coat, make gun and paint ready, coats, clean the gun, wait, pull, uncover.
 * If the pull leaves no time for it, the gun is cleaned afterwards.
 * @returns its cost in minutes, and the progress afterwards
 */
export function stageCost(problem: OrderProblem, before: Progress, choice: StageChoice): StageCost {
  const finish = finishOf(problem, choice.finish);
  const layer = stageLayer(problem, before, finish.id);
  const masks = stageMaskCost(problem, before, choice.open, finish.method);
  const decided = coatsNeeded(problem, before, finish, choice.open);
  const times = filmTimes(problem, finish, decided.coats);
  const { openM2, blendMin, eachMin, coatMin } = coatingOf(problem, finish, choice.open, decided.coats);
  const lots = lotsOf(
    { coats: decided.coats, eachMin, lastMin: blendMin, gapMin: times.gap.from },
    potLifeAt(finish, problem.sprayAir.airC),
    finish,
  );
  const guns = { ...before.guns };
  const change = gunChange(problem, guns, finish);
  const plugs = openingsOf(problem, before, { ...choice, layer });
  const ownWork = problem.own?.get(finish.id) ?? NO_OWN_WORK;
  const layMin = masks.layMin + plugs.plugMin + ownWork.layMin;
  const tapeMin = Math.max(0, masks.readyAt - before.clock);
  const begins = before.clock + tapeMin;
  const seals = masks.sealMin > 0 ? sealsOf(problem, before, masks.mask, finish, begins) : [];
  const sealDryMin = Math.max(0, ...seals.map(({ dryMin }) => dryMin));
  const beforeMin = layMin + masks.sealMin + sealDryMin + minutesOf(change);
  const over = compatibilityCost(problem, before, finish, choice.open, begins, beforeMin);
  const flashMin = lots.waitMin + over.barrierWaitMin;
  const overMin = over.abradeMin + over.barrierMin;
  const { sections } = choice;
  const lastMin = sections ? sections.paintedMin - eachMin : 0;
  const lastCoatMin = begins + beforeMin + overMin + over.waitMin + coatMin + lots.mixMin + flashMin + lastMin;
  const laidAt = begins + over.waitMin + over.abradeMin;
  const on = { masks, openings: plugs.off, laidAt, lastCoatMin };
  const { masksOff, pull } = removalAfter(problem, before, { ...choice, layer }, on, times);
  const uncoverMin = pull.uncoverMin + ownWork.offMin;
  const waits = waitsOf(pull, { tapeMin, overMin: over.waitMin, sealMin: sealDryMin, flashMin });
  const paintMl = paintNeeded(openM2, decided.coats * finish.coatUm, finish);
  return {
    ...choice,
    layer,
    ...decided,
    layMin,
    plugMin: plugs.plugMin,
    closes: plugs.fresh,
    sealMin: masks.sealMin,
    seals,
    coatMin,
    blendMin,
    pullMin: pull.pullMin,
    uncoverMin,
    changeMin: minutesOf(change) + lots.mixMin,
    change,
    overMin,
    over,
    waitMin: sumOf(Object.values(waits), (minutes) => minutes) + pull.afterMin,
    cleaning: { minutes: times.cleanMin, after: pull.cleanAfter },
    waits,
    gap: times.gap,
    lots,
    mask: masks.mask,
    tapeM: masks.tapeM + ownWork.tapeM,
    drapeM2: masks.drapeM2 + ownWork.drapeM2,
    paintMl,
    risk: masks.risk + pull.risk,
    money: masks.money + (paintMl / 1000) * (finish.pricePerL ?? RULE_OF_THUMB.pricePerLitre),
    strayM2: temporaryAreas(problem, { ...choice, layer }).reduce((sum, area) => sum + problem.areas[area]!.sizeM2, 0),
    forbidden: [...(over.forbidden ? ['over' as const] : []), ...(pull.late ? ['late' as const] : [])],
    lastCoatMin,
    pulling: masksOff.own ?? masksOff.opened,
    outer: masksOff.outer,
    pulled: pull.pulled,
    after: {
      ...filmsAfter(problem, before, choice, { finish, ...decided, lastCoatMin, tapeSafeMin: times.tapeSafeMin }),
      clock: pull.offMin + pull.afterMin + pull.coverWaitMin + uncoverMin,
      guns,
      plugged: plugs.left,
      standing: standingMasksAfter(problem, before, choice, pull.kept),
      kept: pull.kept,
    },
  };
}

/** How masks and openings come off after the last coat. */
function removalAfter(
  problem: OrderProblem,
  before: Progress,
  choice: StageChoice & Pick<StageCost, 'layer'>,
  on: {
    readonly masks: StageMaskCost;
    readonly openings: readonly PartId[];
    readonly laidAt: number;
    readonly lastCoatMin: number;
  },
  times: FilmTimes,
): { readonly masksOff: StageMasks; readonly pull: MaskRemoval } {
  const { masks, openings, laidAt, lastCoatMin } = on;
  const through = masksKeptAfter(problem, before, choice);
  const masksOff = stageMasks(problem, masks, { through, openings }, times, laidAt, lastCoatMin);
  const off = maskRemoval(problem, before, choice, masksOff, through, times, lastCoatMin);
  const { sections } = choice;
  return { masksOff, pull: sections ? removalInSections(off, sections, lastCoatMin, times.cleanMin) : off };
}

const waitsOf = (
  { waitMin, coverWaitMin }: Pick<MaskRemoval, 'waitMin' | 'coverWaitMin'>,
  before: Omit<StageCost['waits'], 'pullMin' | 'coverMin'>,
): StageCost['waits'] => ({ ...before, pullMin: waitMin, coverMin: coverWaitMin });

/** Open square metres, minutes of one coat over them, of blending, and of all coats. */
function coatingOf(
  { areas }: OrderProblem,
  { id, method }: Finish,
  open: readonly boolean[],
  coats: number,
): { readonly openM2: number; readonly eachMin: number; readonly blendMin: number; readonly coatMin: number } {
  const onceMin = areas.reduce((sum, area, index) => sum + (open[index] ? coatingMin(area, method) : 0), 0);
  const eachMin = onceMin + RULE_OF_THUMB.perCoat;
  const blendMin = areas.some(({ blend, finish }) => blend && finish === id) ? RULE_OF_THUMB.blend : 0;
  return {
    openM2: areas.reduce((sum, area, index) => sum + (open[index] ? area.sizeM2 : 0), 0),
    eachMin,
    blendMin,
    coatMin: coats * eachMin + blendMin,
  };
}

/** What lies on the areas once a finish is on those that were open. */
function filmsAfter(
  { areas }: OrderProblem,
  before: Progress,
  { open, sections }: StageChoice,
  sprayed: {
    readonly finish: Finish;
    readonly coats: number;
    readonly lastCoatMin: number;
    readonly tapeSafeMin: number;
  },
): Pick<Progress, 'colours' | 'films' | 'painted' | 'tapeSafeAt'> {
  const { finish, coats, lastCoatMin, tapeSafeMin } = sprayed;
  const film = {
    finish,
    coats,
    at: lastCoatMin,
    ...(sections ? { spreadMin: sections.paintedMin - sections.firstMin } : {}),
  };
  return {
    colours: before.colours.map((colour, index) => (open[index] ? finish.colour : colour)),
    films: before.films.map((old, index) => (open[index] ? film : old)),
    painted: before.painted.map((painted, index) => painted || areas[index]!.finish === finish.id),
    tapeSafeAt: before.tapeSafeAt.map((safeAt, index) => (open[index] ? lastCoatMin + tapeSafeMin : safeAt)),
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
  const isColour = areas.some((area) => area.finish === finish.id);
  areas.forEach((area, index) => {
    if (isColour ? area.finish !== finish.id : !open[index]) return;
    const { coats, from } = memoizedCoats(finish, before.colours[index]!);
    if (coats > worst.coats) worst = { coats, under: before.colours[index]!, coatsFrom: from };
  });
  return worst;
}

const minutesOf = ({ stripMin, mixMin, gateMin }: GunChange): number => stripMin + mixMin + gateMin;

/**
 * What it takes to make gun and paint ready for a finish.
 * @param guns last finish through each gun; the finish is written in
 */
function gunChange(problem: OrderProblem, guns: Record<string, string>, finish: Finish): GunChange {
  const gun = gunOf(problem, finish);
  const mixMin = mixMinutes(finish);
  const gateMin = RULE_OF_THUMB.gate;
  const last = guns[gun];
  guns[gun] = finish.id;
  if (last === undefined || !usesGun(finish) || last === finish.id) return { stripMin: 0, mixMin, gateMin };
  const stripMin = needsStripDown(finishOf(problem, last), finish) ? STAGE_RULES.gunStrip : 0;
  return { stripMin, mixMin, gateMin };
}

/** Total minutes of a gun change. */
export const gunChangeMinutes = (problem: OrderProblem, guns: Record<string, string>, finish: Finish): number =>
  minutesOf(gunChange(problem, guns, finish));
