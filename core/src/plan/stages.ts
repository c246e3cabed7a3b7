import type { CoatsMessage, PrepareTask, StagePaint, StagePlan } from '../contract';
import { limitWindows, type PullWindows } from '../drying';
import { colourOverGround, type Finish, minCoatsForBuild, mixFor } from '../finish';
import { inLayingOrder, itemsOf, removalStage, sessionsOf, type StageItems, withLiesOver } from '../items';
import { intersectSpans, RULE_OF_THUMB, type Span, TOLERANCE } from '../kit';
import { placeOfArea, type StageSource } from '../problem';
import {
  compatibilityMinutes,
  displayedMinutes,
  filmTimes,
  finishesInUse,
  finishOf,
  isPastWindow,
  type OrderProblem,
  sectionsFor,
  type Sequence,
  type StageCost,
  startProgress,
} from '../stage';
import { named, onePersonPlan, sectionsPlanned } from '../steps';

/** Every stage of a sequence, and everything that is laid for it. */
export interface StageBuild {
  readonly stages: readonly StagePlan[];
  readonly items: readonly StageItems[];
}

/** Writes every stage of a sequence into the plan, in steps: what is open and covered, what is laid, pictures, windows. */
export function* stageSteps(sequence: Sequence, source: StageSource): Generator<void, StageBuild> {
  const laid: StageItems[] = [];
  for (const index of sequence.stages.keys()) {
    laid.push(itemsOf(sequence, index, source));
    yield;
  }
  const items = withLiesOver(laid, source.works);
  let seen: readonly string[] = source.problem.areas.map(({ present }) => present);
  const stages: StagePlan[] = [];
  for (const [index, stage] of sequence.stages.entries()) {
    const pictures = picturesOf(stage, seen, source);
    seen = pictures.flatMap(({ areas }) => areas.map(({ colour }) => colour));
    stages.push(stagePlan(sequence, index, items, pictures, source));
    yield;
  }
  return { stages, items };
}

function stagePlan(
  sequence: Sequence,
  index: number,
  items: readonly StageItems[],
  pictures: StagePlan['pictures'],
  source: StageSource,
): StagePlan {
  const { problem, preparation } = source;
  const { stages } = sequence;
  const stage = stages[index]!;
  const finish = finishOf(problem, stage.finish);
  const before = index === 0 ? startProgress(problem) : stages[index - 1]!.after;
  const { pulling, pulled } = stage;
  const stageItems = items[index]!;
  const { layMin, sealMin, coatMin, pullMin, uncoverMin, overMin, tapeM, coats, keep, gap, mask } = stage;
  const { changeMin, waitMin } = displayedMinutes(stage);
  const refs = (indices: readonly number[]) => indices.map((area) => problem.areas[area]!.id);
  return {
    number: index + 1,
    session: sessionsOf(sequence)[index]!,
    finish: stage.finish,
    layer: layerOf(stage, index, problem),
    coats,
    coatsFloor: minCoatsForBuild(finish),
    coatsWhy: coatsWhy(finish, stage, source),
    under: stage.under,
    buildUm: coats * finish.coatUm,
    open: refs(stage.open.flatMap((open, area) => (open ? [area] : []))),
    covered: refs(mask.covers.map(({ area }) => area)),
    coveredParts: mask.wholes,
    items: inLayingOrder(stageItems).map(({ id }) => id),
    pictures,
    tasks: tasksOf(finish, stage, source),
    paint: paintOf(finish, stage, source),
    layMin,
    sealMin,
    coatMin,
    pullMin,
    uncoverMin,
    changeMin,
    overMin,
    waitMin,
    tapeM,
    keep,
    late: (pulled?.masks ?? []).some((other) => other !== pulling && isPastWindow(problem, other, pulled?.at ?? 0)),
    windows: pulling && windowsOf(finish, stage, stageItems, source),
    school: pulling?.school ?? null,
    pull: pulling && pullWindow(sequence, index, stageItems),
    ...earlyLines(stage, stageItems),
    hands: pulled?.hands ?? 0,
    alone: onePersonPlan(stage.sections ?? sectionsFor(problem, stage, windowAlone(finish, stage, stageItems, source))),
    ...(stage.sections
      ? {
          sections: sectionsPlanned(stage, stage.sections, preparation.minutes, source),
          withFirst: stage.sections.plain.map((section) => named(section, source)),
        }
      : {}),
    pulls: [
      ...new Set(
        (pulled?.masks ?? []).flatMap((other) => {
          const laid = stages.findIndex((earlier) => earlier.pulling === other || earlier.outer.includes(other));
          return laid < 0 || laid === index ? [] : [laid + 1];
        }),
      ),
    ],
    // The clock of a sequence begins when the job is prepared.
    startMin: preparation.minutes + before.clock,
    endMin: preparation.minutes + stage.after.clock,
    lastCoatMin: preparation.minutes + stage.lastCoatMin,
    gap: { fromMin: gap.from, toMin: gap.to },
  };
}

/** Minutes after its last coat until which everything laid for a stage comes off clean. */
const cleanUntil = ({ pulling, lastCoatMin }: Pick<StageCost, 'pulling' | 'lastCoatMin'>, cleanMin: number): number =>
  pulling ? pulling.laidAt + cleanMin - lastCoatMin : Infinity;

/**
 * Pull window of the masks of a stage, minutes after its last coat: that of its pull timing, limited by its tapes.
 * If they come off later than that, which is reported, it is the window of the film, or the last moment the film
 * allows.
 */
function pullWindow({ stages }: Sequence, index: number, items: StageItems): StagePlan['pull'] {
  const stage = stages[index]!;
  if (!stage.pulling) return null;
  const off = stages[removalStage({ stages }, index, null)]!;
  // End of the pull: paper and film may be cleared away later.
  const offMin = allOff(off) - stage.lastCoatMin;
  const { span, early } = stage.pulling;
  // In sections the window is that of each of them.
  if (stage.sections) return { fromMin: span.from, toMin: span.to };
  // Lines with their own pull timing in a mask that stayed on come off with the rest: within both windows if there is
  // time.
  const both = intersectSpans([span, ...early.map((turn) => turn.span)]);
  const inBoth = off !== stage && offMin <= (both.to ?? Infinity) + TOLERANCE.rounding;
  return windowUntil(inBoth ? both : span, stage, items.cleanMin, offMin);
}

/** When the last tape that comes off after a stage is off, minutes from the start. */
const allOff = ({ pulled, after }: StageCost): number => pulled?.offMin ?? after.clock;

/** The window of a pull timing, limited by the tapes unless the mask comes off later than that. */
function windowUntil(
  { from, to }: Span,
  stage: Pick<StageCost, 'pulling' | 'lastCoatMin'>,
  cleanMin: number,
  offMin: number,
): NonNullable<StagePlan['pull']> {
  const latestMin = stage.pulling?.latestMin ?? Infinity;
  const ends = [Math.min(to ?? Infinity, cleanUntil(stage, cleanMin)), to ?? Infinity, latestMin].filter(
    (end) => end >= offMin - TOLERANCE.rounding,
  );
  const toMin = ends[0] ?? Infinity;
  return { fromMin: from, toMin: toMin === Infinity ? null : toMin };
}

/** Lines that come off before the rest. */
function earlyLines(
  { pulling, pulled, lastCoatMin }: StageCost,
  { earlyCleanMin }: StageItems,
): Pick<StagePlan, 'early'> {
  if (!pulling || !pulled || pulled.early.length === 0) return {};
  return {
    early: pulled.early.map(({ school, span, at, pullMin, hands }) => ({
      school,
      pull: windowUntil(span, { pulling, lastCoatMin }, earlyCleanMin, at + pullMin / hands - lastCoatMin),
      pullMin,
      hands,
    })),
  };
}

function windowsOf(finish: Finish, stage: StageCost, items: StageItems, { problem }: StageSource): PullWindows {
  return limitWindows(filmTimes(problem, finish, stage.coats).windows, Math.max(0, cleanUntil(stage, items.cleanMin)));
}

const layerOf = ({ finish }: StageCost, index: number, { primer, areas }: OrderProblem): StagePlan['layer'] => {
  if (index === 0 && primer?.finish === finish) return 'primer';
  return areas.some((area) => area.finish === finish) ? 'finish' : 'clear';
};

/** Preparation place by place; the minutes of a stage are divided by size. */
function tasksOf(finish: Finish, { over }: StageCost, { problem }: StageSource): PrepareTask[] {
  const groups = new Map<string, Pick<PrepareTask, 'answer' | 'reason'> & { areas: number[] }>();
  for (const { area, answer, reason } of over.tasks) {
    const key = `${answer} ${reason.code}`;
    groups.set(key, { answer, reason, areas: [...(groups.get(key)?.areas ?? []), area] });
  }
  const sizeOf = (areas: readonly number[]) => areas.reduce((sum, area) => sum + problem.areas[area]!.sizeM2, 0);
  const totals = new Map<string, number>();
  for (const { answer, areas } of groups.values()) totals.set(answer, (totals.get(answer) ?? 0) + sizeOf(areas));
  return [...groups.values()].map(({ answer, reason, areas }) => {
    const total = totals.get(answer) ?? 0;
    const minutes = total > 0 ? (compatibilityMinutes(answer, total, finish) * sizeOf(areas)) / total : 0;
    return { answer, reason, places: areas.map((area) => placeOfArea(problem, area)), minutes };
  });
}

/**
 * The window one person would have to keep in sections: that of several people, or that of the preferred timing one
 * person has no time for.
 */
function windowAlone(finish: Finish, stage: StageCost, stageItems: StageItems, source: StageSource): Span | null {
  const school = source.problem.school ?? finish.school;
  const liked = windowsOf(finish, stage, stageItems, source)[school];
  if ((stage.pulled?.hands ?? 0) > 1) return liked;
  const gaveWay = stage.pulling?.school !== school;
  return gaveWay && liked && liked.to !== null && stage.pullMin > liked.to - liked.from ? liked : null;
}

function paintOf(finish: Finish, stage: StageCost, { problem }: StageSource): StagePaint {
  const lost = RULE_OF_THUMB.cupLossMl[finish.method];
  const openM2 = stage.open.reduce((sum, open, index) => sum + (open ? problem.areas[index]!.sizeM2 : 0), 0);
  return {
    ...mixFor(stage.paintMl, finish),
    byArea: stage.open.flatMap((open, index) =>
      open
        ? [{ ...placeOfArea(problem, index), ml: ((stage.paintMl - lost) * problem.areas[index]!.sizeM2) / openM2 }]
        : [],
    ),
    potLifeMin: stage.lots.lifeMin,
    batches: stage.lots.from.length * stage.lots.perCoat,
  };
}

/** What is seen after a stage: a candy or a clear lets what is below show. */
function picturesOf(
  stage: StageCost,
  seen: readonly string[],
  { works, problem, starts }: StageSource,
): StagePlan['pictures'] {
  const finish = finishOf(problem, stage.finish);
  const covered = new Set(stage.mask.covers.map(({ area }) => area));
  return works.map(({ part, arrangement }, number) => ({
    part: part.id,
    areas: arrangement.areas.map(({ code }, index) => {
      const areaIndex = starts.areas[number]! + index;
      return {
        code,
        open: stage.open[areaIndex]!,
        covered: covered.has(areaIndex),
        colour: stage.open[areaIndex]! ? colourOverGround(finish, seen[areaIndex]!, stage.coats) : seen[areaIndex]!,
      };
    }),
  }));
}

function coatsWhy(finish: Finish, { coats, coatsFrom, under }: StageCost, { problem }: StageSource): CoatsMessage {
  if (coatsFrom === 'sheet' || coatsFrom === 'card' || coatsFrom === 'floor')
    return { code: `coats.${coatsFrom}`, values: { coats } };
  const below = finishesInUse(problem)
    .map((id) => finishOf(problem, id))
    .find(({ colour, id }) => colour === under && id !== finish.id);
  return { code: `coats.${coatsFrom}`, values: { coats, over: below?.name ?? null } };
}
