import { buildFactor, dwellMinutes, marksOf, pullWindows, type PullWindows } from '../drying';
import type { Finish, School } from '../finish';
import type { Design, Shelf } from '../job';
import { finishOf, usedFinishes, type OrderProblem, type Sequence, type StageCost } from '../order';
import { stageRuns, type MaskedPart, type Run } from '../runs';
import type { PartWork } from './part-work';
import type { StagePlan } from './types';

/** What the stages are made from. */
export interface StageGround {
  readonly works: readonly PartWork[];
  readonly design: Design;
  readonly shelf: Shelf;
  readonly problem: OrderProblem;
}

/** Writes every stage of a sequence into the plan: pictures, runs, windows. */
export function stagePlans(sequence: Sequence, ground: StageGround): StagePlan[] {
  return sequence.stages.map((stage, index) => stagePlan(sequence, stage, index, ground));
}

function stagePlan({ stages }: Sequence, stage: StageCost, index: number, ground: StageGround): StagePlan {
  const finish = finishOf(ground.problem, stage.finish);
  const paintedBefore = index === 0 ? ground.problem.areas.map(() => false) : stages[index - 1].after.painted;
  const parts = maskedParts(stage, paintedBefore, ground);
  const surfaceC = ground.design.climate.surfaceC ?? ground.design.climate.airC;
  const runs = stageRuns(parts, { tapes: ground.shelf.tapes, scale: ground.design.scale, surfaceC });
  const buildUm = stage.coats * finish.coatUm;
  const windows = runs.length === 0 ? null : windowsOf(finish, buildUm, runs, stage, ground);
  const pulling = windows && pullOf(windows, ground.design.choices.school ?? finish.school);
  const { layMin, coatMin, pullMin, changeMin, waitMin, tapeM, coats } = stage;
  return {
    number: index + 1,
    finish: stage.finish,
    coats,
    coatsWhy: coatsWhy(finish, stage, ground),
    buildUm,
    pictures: picturesOf(stage, ground),
    runs,
    covers: coversOf(parts, runs),
    layMin,
    coatMin,
    pullMin,
    changeMin,
    waitMin,
    tapeM,
    windows,
    school: pulling?.school ?? null,
    pull: pulling && { fromMin: pulling.fromMin, toMin: pulling.toMin },
    lastCoatMin: stage.after.clock - pullMin - stage.waits.pullMin,
  };
}

function maskedParts(stage: StageCost, paintedBefore: readonly boolean[], { works, problem }: StageGround): MaskedPart[] {
  let first = 0;
  return works.map(({ part, lines, arrangement }) => {
    const indices = arrangement.areas.map((_, index) => first + index);
    first += indices.length;
    return {
      id: part.id,
      count: part.count,
      lines,
      arrangement,
      open: indices.map((index) => stage.open[index]),
      stays: indices.map((index) => paintedBefore[index] || problem.areas[index].finish === null),
    };
  });
}

function picturesOf(stage: StageCost, { works }: StageGround): StagePlan['pictures'] {
  let first = 0;
  return works.map(({ part, arrangement }) => {
    const start = first;
    first += arrangement.areas.length;
    return {
      part: part.id,
      areas: arrangement.areas.map(({ code }, index) => ({ code, open: stage.open[start + index], colour: stage.after.colours[start + index] })),
    };
  });
}

/** Closed areas that need paper or film behind the tape: on parts with a run, all but strips a tape covers. */
function coversOf(parts: readonly MaskedPart[], runs: readonly Run[]): StagePlan['covers'] {
  return parts.flatMap(({ id, arrangement, open, count }) => {
    if (!runs.some(({ part }) => part === id)) return [];
    const strips = new Set(
      runs
        .filter(({ part, coversStrip }) => part === id && coversStrip)
        .map(({ line, side, from, to }) => {
          const border = arrangement.borders.find((one) => one.line === line && one.from < to && one.to > from);
          return border && (side === 'left' ? border.left : border.right);
        }),
    );
    return arrangement.areas.flatMap(({ code, sizeMm2 }, index) =>
      open[index] || strips.has(index) ? [] : [{ part: id, area: code, sizeM2: (sizeMm2 / 1e6) * count }],
    );
  });
}

/** Windows after the last coat, with the shortest clean-removal time of the tapes, counted from when they were laid. */
function windowsOf(finish: Finish, buildUm: number, runs: readonly Run[], stage: StageCost, { design, shelf }: StageGround): PullWindows {
  const hours = shelf.tapes.filter(({ code }) => runs.some(({ tape }) => tape === code)).map(({ cleanHours }) => cleanHours);
  const { airC } = design.climate;
  const shortest = Math.min(...hours, 1000);
  const lyingMin = stage.layMin + stage.coatMin + stage.changeMin + stage.waits.flashMin;
  // pullWindows shortens the limit in heat; time already spent lying counts at the same rate.
  const spentShare = Math.min(0.99, lyingMin / dwellMinutes(shortest, airC));
  return pullWindows(marksOf(finish), design.climate, buildFactor(finish, buildUm), shortest * (1 - spentShare));
}

interface Pulling {
  readonly school: School;
  readonly fromMin: number;
  readonly toMin: number | null;
}

/** Window of the wanted school; where this film has none, of the next that it has. */
function pullOf(windows: PullWindows, wanted: School): Pulling | null {
  for (const school of [wanted, 'wet', 'touch', 'dry'] as const) {
    const span = windows[school];
    if (span) return { school, fromMin: span.from, toMin: span.to };
  }
  return null;
}

function coatsWhy(finish: Finish, { coats, coatsFrom, under }: StageCost, { problem }: StageGround): string {
  if (coatsFrom === 'sheet') return `${coats} by its data sheet`;
  const below = usedFinishes(problem)
    .map((id) => finishOf(problem, id))
    .find(({ colour, id }) => colour === under && id !== finish.id);
  const over = below ? below.name : 'what is on it now';
  return coatsFrom === 'hiding' ? `${coats} to hide ${over} (estimate)` : `does not hide ${over} even in ${coats}`;
}
