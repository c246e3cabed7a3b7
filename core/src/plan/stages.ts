import { buildFactor, dwellMinutes, marksOf, pullWindows, type PullWindows } from '../drying';
import { mixFor, shownOver, type Finish, type School } from '../finish';
import type { Design, Shelf } from '../job';
import { filmTimes, finishOf, overMinutes, startProgress, usedFinishes, type OrderProblem, type Progress, type Sequence, type StageCost } from '../order';
import { stageRuns, type MaskedPart, type Run } from '../runs';
import { areaStarts, placeOfArea } from './order-problem';
import type { PartWork } from './part-work';
import { RULE_OF_THUMB } from '../units';
import type { PrepareTask, StagePaint, StagePlan } from './types';

/** What the stages are made from. */
export interface StageGround {
  readonly works: readonly PartWork[];
  readonly design: Design;
  readonly shelf: Shelf;
  readonly problem: OrderProblem;
}

/** Writes every stage of a sequence into the plan: pictures, runs, windows. */
export function stagePlans(sequence: Sequence, ground: StageGround): StagePlan[] {
  let seen: readonly string[] = ground.problem.areas.map(({ present }) => present);
  return sequence.stages.map((stage, index) => {
    const plan = stagePlan(sequence, stage, index, { ...ground, pictures: picturesOf(stage, seen, ground) });
    seen = plan.pictures.flatMap(({ areas }) => areas.map(({ colour }) => colour));
    return plan;
  });
}

function stagePlan({ stages }: Sequence, stage: StageCost, index: number, ground: StageGround & Pick<StagePlan, 'pictures'>): StagePlan {
  const { problem, design, shelf } = ground;
  const finish = finishOf(problem, stage.finish);
  const before = index === 0 ? startProgress(problem) : stages[index - 1].after;
  const parts = maskedParts(stage, before, ground);
  const surfaceC = design.climate.surfaceC ?? design.climate.airC;
  const staysMin = tapeStays(stages, index, before);
  const runs = stageRuns(parts, { tapes: shelf.tapes, scale: design.scale, surfaceC, airC: design.climate.airC, staysMin });
  const buildUm = stage.coats * finish.coatUm;
  const pulls = stages.flatMap((_, earlier) => (earlier < index && stages.slice(earlier, index).every(({ keep }) => keep) ? [earlier + 1] : []));
  const masked = runs.length > 0 || pulls.length > 0;
  const windows = masked ? windowsOf(finish, buildUm, runs, stage, ground) : null;
  const { gap } = filmTimes(problem, finish, stage.coats);
  const pulling = windows && pullOf(windows, design.choices.school ?? finish.school);
  const { layMin, coatMin, pullMin, changeMin, overMin, waitMin, tapeM, coats, keep } = stage;
  return {
    number: index + 1,
    finish: stage.finish,
    layer: layerOf(stage, index, problem),
    coats,
    coatsWhy: coatsWhy(finish, stage, ground),
    under: stage.under,
    buildUm,
    pictures: ground.pictures,
    runs,
    covers: coversOf(parts, runs),
    plugs: stage.after.plugged.filter((part) => !before.plugged.includes(part)).map((part) => ({ part, count: problem.plugs.get(part) ?? 0 })),
    tasks: tasksOf(finish, stage, ground),
    paint: paintOf(finish, stage, ground),
    layMin,
    coatMin,
    pullMin,
    changeMin,
    overMin,
    waitMin,
    tapeM,
    keep,
    late: pulls.some((earlier) => pastWindow(stages[earlier - 1], stage)),
    windows,
    school: pulling?.school ?? null,
    pull: pulling && { fromMin: pulling.fromMin, toMin: pulling.toMin },
    pulls: keep ? [] : pulls,
    lastCoatMin: stage.lastCoatMin,
    gap: { fromMin: gap.from, toMin: gap.to },
  };
}

/** How long tape of a stage stays: from when it is laid until the masks of the stage that pulls them are off, minutes. */
function tapeStays(stages: readonly StageCost[], index: number, before: Progress): number {
  const pulled = stages.findIndex(({ keep }, later) => later >= index && !keep);
  return stages[pulled < 0 ? stages.length - 1 : pulled].after.clock - before.clock - stages[index].waits.tapeMin;
}

/** True where the masks of an earlier stage come off after the window of its paint. */
const pastWindow = (earlier: StageCost, last: StageCost): boolean =>
  earlier.after.kept.some(({ at, pullToMin }) => at === earlier.lastCoatMin && last.lastCoatMin + last.waits.pullMin > at + pullToMin + 1e-6);

const layerOf = ({ finish }: StageCost, index: number, { primer, areas }: OrderProblem): StagePlan['layer'] => {
  if (index === 0 && primer?.finish === finish) return 'primer';
  return areas.some((area) => area.finish === finish) ? 'finish' : 'clear';
};

function tasksOf(finish: Finish, { tasks }: StageCost, { problem }: StageGround): PrepareTask[] {
  const groups = new Map<string, { answer: PrepareTask['answer']; reason: string; areas: number[] }>();
  for (const { area, answer, reason } of tasks) {
    const key = `${answer} ${reason}`;
    groups.set(key, { answer, reason, areas: [...(groups.get(key)?.areas ?? []), area] });
  }
  return [...groups.values()].map(({ answer, reason, areas }) => {
    const sizeM2 = areas.reduce((sum, area) => sum + problem.areas[area].sizeM2, 0);
    return { answer, reason, places: areas.map((area) => placeOfArea(problem, area)), minutes: overMinutes(answer, sizeM2, finish) };
  });
}

function paintOf(finish: Finish, stage: StageCost, { problem }: StageGround): StagePaint {
  const { gap } = filmTimes(problem, finish, stage.coats);
  const lost = RULE_OF_THUMB.cupLossMl[finish.method];
  const openM2 = stage.open.reduce((sum, open, index) => sum + (open ? problem.areas[index].sizeM2 : 0), 0);
  const sprayMin = stage.coatMin + (stage.coats - 1) * gap.from;
  return {
    ...mixFor(stage.paintMl, finish),
    byArea: stage.open.flatMap((open, index) =>
      open ? [{ ...placeOfArea(problem, index), ml: ((stage.paintMl - lost) * problem.areas[index].sizeM2) / openM2 }] : [],
    ),
    potLifeMin: finish.potLifeMin,
    batches: finish.potLifeMin === null ? 1 : Math.max(1, Math.min(stage.coats, Math.ceil(sprayMin / finish.potLifeMin))),
  };
}

function maskedParts(stage: StageCost, before: Progress, { works, problem }: StageGround): MaskedPart[] {
  const starts = areaStarts(works);
  return works.map(({ part, lines, arrangement }, number) => {
    const start = starts[number];
    const indices = arrangement.areas.map((_, index) => start + index);
    return {
      id: part.id,
      count: part.count,
      lines,
      arrangement,
      open: indices.map((index) => stage.open[index]),
      stays: indices.map((index) => before.painted[index] || problem.areas[index].finish === null),
      fresh: indices.map((index) => !stage.open[index] && (before.open === null || before.open[index])),
      soft: (open, closed) => problem.areas[start + open].blend && problem.areas[start + closed].finish === null,
    };
  });
}

/** What is seen after a stage: a candy or a clear lets what is below show. */
function picturesOf(stage: StageCost, seen: readonly string[], { works, problem }: StageGround): StagePlan['pictures'] {
  const finish = finishOf(problem, stage.finish);
  const starts = areaStarts(works);
  return works.map(({ part, arrangement }, number) => ({
    part: part.id,
    areas: arrangement.areas.map(({ code }, index) => {
      const at = starts[number] + index;
      return { code, open: stage.open[at], colour: stage.open[at] ? shownOver(finish, seen[at], stage.coats) : seen[at] };
    }),
  }));
}

/** Closed areas that need paper or film behind the tape: on parts that are sprayed, all but strips a tape covers. */
function coversOf(parts: readonly MaskedPart[], runs: readonly Run[]): StagePlan['covers'] {
  return parts.flatMap(({ id, arrangement, open, fresh, count }) => {
    if (!open.some(Boolean)) return [];
    const strips = new Set(
      runs
        .filter(({ part, coversStrip }) => part === id && coversStrip)
        .map(({ line, side, from, to }) => {
          const border = arrangement.borders.find((one) => one.line === line && one.from < to && one.to > from);
          return border && (side === 'left' ? border.left : border.right);
        }),
    );
    return arrangement.areas.flatMap(({ code, sizeMm2 }, index) =>
      fresh?.[index] && !strips.has(index) ? [{ part: id, area: code, sizeM2: (sizeMm2 / 1e6) * count }] : [],
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
  if (coatsFrom === 'card') return `${coats} by its card`;
  const below = usedFinishes(problem)
    .map((id) => finishOf(problem, id))
    .find(({ colour, id }) => colour === under && id !== finish.id);
  const over = below ? below.name : 'what is on it now';
  return coatsFrom === 'hiding' ? `${coats} to hide ${over} (estimate)` : `does not hide ${over} even in ${coats}`;
}
