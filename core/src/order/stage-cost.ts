import { buildFactor, marksOf, pullWindows } from '../drying';
import { coatsOver, type Finish } from '../finish';
import { RULE_OF_THUMB } from '../units';
import type { OrderProblem } from './problem';

/** How far the work has come between two stages. */
export interface Progress {
  /** Colour that shows on each area. */
  readonly colours: readonly string[];
  /** Areas that have had their finish. */
  readonly painted: readonly boolean[];
  /** When each area may take tape, minutes from the start. */
  readonly tapeSafeAt: readonly number[];
  /** Minutes from the start. */
  readonly clock: number;
  readonly lastFinish: string | null;
}

/** One stage of the sequence: masks on, coats of one finish, masks off. */
export interface StageCost {
  readonly finish: string;
  /** Which areas are open, by index. */
  readonly open: readonly boolean[];
  readonly coats: number;
  /** The undercolour that decided the number of coats, and where the number comes from. */
  readonly under: string;
  readonly coatsFrom: 'sheet' | 'hiding' | 'most';
  /** Minutes of work. */
  readonly layMin: number;
  readonly coatMin: number;
  readonly pullMin: number;
  readonly changeMin: number;
  /** Minutes nobody works: until colour takes tape, between coats, until the tape may be pulled. */
  readonly waitMin: number;
  /** What the waiting is made of. */
  readonly waits: { readonly tapeMin: number; readonly flashMin: number; readonly pullMin: number };
  readonly tapeM: number;
  readonly drapeM2: number;
  readonly after: Progress;
}

/**
 * What weighs in the comparison of orders: work, and waiting at a share of its length.
 * @returns millionths of a minute, a whole number: sums are exact, so ties are the same on every machine
 */
export const stageScore = (stage: StageCost): number =>
  Math.round(1e6 * (stage.layMin + stage.coatMin + stage.pullMin + stage.changeMin + RULE_OF_THUMB.waitingShare * stage.waitMin));

/** Before any coat. */
export const startProgress = ({ areas }: OrderProblem): Progress => ({
  colours: areas.map(({ present }) => present),
  painted: areas.map(() => false),
  tapeSafeAt: areas.map(() => 0),
  clock: 0,
  lastFinish: null,
});

/**
 * Works out one stage.
 * @param open which areas the paint reaches; those that get this finish must be open
 * @returns its cost in minutes, and where the work stands afterwards
 */
export function stageCost(problem: OrderProblem, before: Progress, finishId: string, open: readonly boolean[]): StageCost {
  const finish = finishOf(problem, finishId);
  const { areas } = problem;
  const masks = maskCost(problem, before, open);
  const decided = coatsNeeded(problem, before, finish);
  const openM2 = areas.reduce((sum, area, index) => sum + (open[index] ? area.sizeM2 : 0), 0);
  const drying = dryingOf(problem, finish, decided.coats);
  const sprayMin = openM2 * RULE_OF_THUMB.sprayPerSquareMetre[finish.method] + RULE_OF_THUMB.perCoat;
  const coatMin = decided.coats * sprayMin;
  const changeMin = changeOver(problem, before.lastFinish, finish);
  const tapeWait = masks.tapeM === 0 ? 0 : Math.max(0, masks.readyAt - before.clock);
  const flashWait = (decided.coats - 1) * drying.flashMin;
  const pullWait = masks.tapeM === 0 ? drying.flashMin : drying.pullFromMin;
  const waitMin = tapeWait + flashWait + pullWait;
  const lastCoat = before.clock + tapeWait + masks.layMin + changeMin + coatMin + flashWait;
  const after: Progress = {
    colours: before.colours.map((colour, index) => (open[index] ? finish.colour : colour)),
    painted: before.painted.map((painted, index) => painted || areas[index].finish === finishId),
    tapeSafeAt: before.tapeSafeAt.map((at, index) => (open[index] ? lastCoat + drying.tapeSafeMin : at)),
    clock: lastCoat + pullWait + masks.pullMin,
    lastFinish: finishId,
  };
  return {
    finish: finishId,
    open,
    ...decided,
    layMin: masks.layMin,
    coatMin,
    pullMin: masks.pullMin,
    changeMin,
    waitMin,
    waits: { tapeMin: tapeWait, flashMin: flashWait, pullMin: pullWait },
    tapeM: masks.tapeM,
    drapeM2: masks.drapeM2,
    after,
  };
}

/** The finish with this id; a job is never ordered with one that is missing. */
export function finishOf(problem: OrderProblem, id: string): Finish {
  const finish = problem.finishes.get(id);
  if (!finish) throw new RangeError(`no finish ${id} in this problem`);
  return finish;
}

/** Coats over the worst undercolour among the areas that get this finish. */
function coatsNeeded({ areas }: OrderProblem, before: Progress, finish: Finish): { coats: number; under: string; coatsFrom: StageCost['coatsFrom'] } {
  let worst = { coats: 0, under: finish.colour, coatsFrom: 'hiding' as StageCost['coatsFrom'] };
  areas.forEach((area, index) => {
    if (area.finish !== finish.id) return;
    const { coats, from } = rememberedCoats(finish, before.colours[index]);
    if (coats > worst.coats) worst = { coats, under: before.colours[index], coatsFrom: from };
  });
  return worst;
}

type CoatAnswer = ReturnType<typeof coatsOver>;
const remembered = new WeakMap<Finish, Map<string, CoatAnswer>>();

/** The same finish over the same colour is asked for again in every order that is tried. */
export function rememberedCoats(finish: Finish, under: string): CoatAnswer {
  const byColour = remembered.get(finish) ?? new Map<string, CoatAnswer>();
  remembered.set(finish, byColour);
  const answer = byColour.get(under) ?? coatsOver(finish, under);
  byColour.set(under, answer);
  return answer;
}

interface MaskCost {
  readonly layMin: number;
  readonly pullMin: number;
  readonly tapeM: number;
  readonly drapeM2: number;
  /** When the last of the covered colours takes tape, minutes from the start. */
  readonly readyAt: number;
}

function maskCost(problem: OrderProblem, before: Progress, open: readonly boolean[]): MaskCost {
  const { areas, borders, model } = problem;
  const perPiece = model ? RULE_OF_THUMB.perPiece.model : RULE_OF_THUMB.perPiece.full;
  const oneTape = new Set<number>();
  let layMin = 0;
  let pullMin = 0;
  let tapeM = 0;
  for (const border of borders) {
    if (open[border.a] === open[border.b]) continue;
    const closed = open[border.a] ? border.b : border.a;
    if (areas[closed].oneTapeWide) {
      // One tape makes both edges of such a strip: the second border costs nothing more.
      if (oneTape.has(closed)) continue;
      oneTape.add(closed);
    }
    const crisp = before.painted[closed] || areas[closed].finish === null;
    const rate = RULE_OF_THUMB.layPerMetre[border.bend][crisp ? 'crisp' : 'rough'];
    const setOut = crisp ? RULE_OF_THUMB.setOutPerMetre * border.lengthM + RULE_OF_THUMB.setOutPerPoint * border.points : 0;
    layMin += border.lengthM * rate + border.pieces * perPiece + setOut;
    pullMin += border.lengthM * RULE_OF_THUMB.pullPerMetre + border.pieces * RULE_OF_THUMB.pullPerPiece;
    tapeM += border.lengthM;
  }
  const drapeM2 = tapeM === 0 ? 0 : areas.reduce((sum, area, index) => sum + (open[index] || oneTape.has(index) ? 0 : area.sizeM2), 0);
  // Paper lies on a covered area as tape does on its edge: both wait until it takes tape.
  const readyAt = tapeM === 0 ? 0 : Math.max(0, ...areas.map((_, index) => (open[index] ? 0 : before.tapeSafeAt[index])));
  return { layMin: layMin + drapeM2 * RULE_OF_THUMB.drapePerSquareMetre, pullMin, tapeM, drapeM2, readyAt };
}

function changeOver(problem: OrderProblem, last: string | null, finish: Finish): number {
  const before = last === null ? null : finishOf(problem, last);
  const usesGun = ({ method }: Finish) => method === 'gun' || method === 'airbrush';
  const mixing = finish.mixRatio.length > 1 ? RULE_OF_THUMB.mix : 0;
  if (!before || !usesGun(before)) return mixing;
  const flakes = before.effect === 'metallic' || before.effect === 'pearl' || before.effect === 'candy';
  const strip = flakes && finish.effect === 'solid' && usesGun(finish) ? RULE_OF_THUMB.gunStrip : 0;
  return mixing + RULE_OF_THUMB.gunClean + strip;
}

function dryingOf({ air, school }: OrderProblem, finish: Finish, coats: number): { flashMin: number; tapeSafeMin: number; pullFromMin: number } {
  const factor = buildFactor(finish, coats * finish.coatUm);
  const oneCoat = buildFactor(finish, finish.coatUm);
  const marks = marksOf(finish);
  const all = pullWindows(marks, air, factor, 1e6);
  const flashMin = pullWindows(marks, air, Math.max(1, oneCoat), 1e6).flashMin;
  // A film that never takes tape is treated as safe once it is through, which is what waiting for it would mean.
  return { flashMin, tapeSafeMin: all.tapeSafeMin ?? all.throughMin, pullFromMin: (all[school ?? finish.school] ?? all.wet)?.from ?? 0 };
}
