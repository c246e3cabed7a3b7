import { sectionCycle } from '../batch';
import { isSprayed, type PullTiming } from '../finish';
import { type PartId, RULE_OF_THUMB, type Span, sumOf, TOLERANCE } from '../kit';
import type { MaskEdge } from '../masking';
import { coatingMin } from './coating';
import { maskOff } from './mask-off';
import { finishOf, type OrderProblem } from './problem';
import { startProgress } from './progress';
import { maskOfEdges } from './pull-groups';
import { comesOffClean } from './pulling';
import { stageScore } from './score';
import type { Sequence, StageCost, StageSections, StandingMask } from './stage';
import { stageCost } from './stage-cost';

/** What an edge is known by among those that come off. */
export const edgeKey = ({ border, closed }: Pick<MaskEdge, 'border' | 'closed'>): string => `${border} ${closed}`;

/** Maximum number of sections a person can keep apart. */
const MOST_SECTIONS = 60;

/**
 * How one person keeps a window that is too short for pulling everything: the last coat is applied section by
 * section, and each section is pulled within its window. What is sprayed is divided into separate pieces, since
 * overspray would reach what was pulled beside it; what is rolled or brushed is divided into areas.
 * @param span in which each section is to be pulled, minutes after it was painted
 * @returns null if the window has no end, nothing can be divided, or the window cannot be kept
 */
export function sectionsFor(problem: OrderProblem, stage: StageCost, span: Span | null): StageSections | null {
  const { pulled, pulling, blendMin, open } = stage;
  if (!pulled || !pulling || !span || span.to === null || pulled.early.length > 0 || blendMin > 0) return null;
  // Openings are opened in one go, after all that is painted.
  if (pulled.openings.length > 0) return null;
  // Masks that stayed on after their own stage have a window of their own.
  if (pulled.masks.some((mask) => mask !== pulling && mask.part === null && mask.mask.edges.length > 0)) return null;
  const { method } = finishOf(problem, stage.finish);
  const whole = isSprayed({ method });
  const painted = problem.areas.flatMap((area, index) => (open[index] ? [{ ...area, index }] : []));
  const units: { readonly part: PartId; readonly area: number | null; readonly areas: typeof painted }[] = whole
    ? [...new Set(painted.map(({ part }) => part))].map((part) => ({
        part,
        area: null,
        areas: painted.filter((area) => area.part === part),
      }))
    : painted.map((area) => ({ part: area.part, area: area.index, areas: [area] }));
  // What hangs together is not carried apart.
  if (
    whole &&
    units.some(({ part }) =>
      (problem.attached.get(part) ?? []).some((other) => units.some((unit) => unit.part === other)),
    )
  )
    return null;
  const pieces = sumOf(units, ({ areas }) => areas[0]!.count);
  if (pieces < 2 || pieces > MOST_SECTIONS) return null;
  const unitOf = unitsOf(
    pulled.masks,
    units.map(({ areas }) => new Set(areas.map(({ index }) => index))),
  );
  const coverUnit = coverUnits(pulled, unitOf);
  const pullMins = pullOf(problem, pulled, pulling.school, unitOf, coverUnit, units.length);
  const sized = units.map(({ part, area, areas }, unit) => ({
    part,
    area,
    count: areas[0]!.count,
    paintMin: sumOf(areas, (ownArea) => coatingMin(ownArea, method)) / areas[0]!.count,
    pullMin: pullMins[unit]! / areas[0]!.count,
  }));
  // Piece by piece, each with all its areas.
  const sections = [...new Set(sized.map(({ part }) => part))].flatMap((part) => {
    const ownSections = sized.filter((section) => section.part === part);
    return Array.from({ length: ownSections[0]!.count }, (_, piece) =>
      ownSections.map((section) => ({ ...section, unit: sized.indexOf(section), piece })),
    ).flat();
  });
  // What has no tape goes on first, together with the first section.
  const [plain, taped] = [
    sections.filter(({ pullMin }) => pullMin <= 0),
    sections.filter(({ pullMin }) => pullMin > 0),
  ];
  if (taped.length < 2) return null;
  const aheadMin = RULE_OF_THUMB.perCoat + sumOf(plain, ({ paintMin }) => paintMin);
  const begun = taped.map((section, index) =>
    index === 0 ? { ...section, paintMin: section.paintMin + aheadMin } : section,
  );
  const turns = sectionCycle(begun, { fromMin: span.from, toMin: span.to });
  if (!turns) return null;
  const pulls = turns.heaps.filter(({ turn }) => turn === 'pull');
  // All pieces of a part have its tape: the last of them is the one it comes off with.
  const turnOf = (unit: number) =>
    1 + pulls.findIndex(({ first, count }) => first + count > taped.findLastIndex((section) => section.unit === unit));
  return {
    ...turns,
    sections: begun,
    plain,
    turnOf: new Map(
      pulled.masks.flatMap(({ mask }) =>
        mask.edges.flatMap((edge) => (edge.laid === 'now' ? [[edgeKey(edge), turnOf(unitOf(edge))] as const] : [])),
      ),
    ),
    coverTurnOf: new Map([...coverUnit].map(([area, unit]) => [area, turnOf(unit)])),
    paintedMin: Math.max(...turns.heaps.map(({ turn, endMin }) => (turn === 'paint' ? endMin : 0))),
    firstMin: begun[0]!.paintMin,
  };
}

/**
 * The unit of sections an edge comes off with: that of the area it bounds; one tape over a strip comes off when both its sides are painted, and
 * what bounds nothing that is painted now comes off with the last.
 */
function unitsOf(masks: readonly StandingMask[], units: readonly ReadonlySet<number>[]): (edge: MaskEdge) => number {
  const along = ({ free }: MaskEdge) => {
    const index = units.findIndex((areas) => areas.has(free));
    return index < 0 ? units.length - 1 : index;
  };
  const ofStrip = new Map<number, number>();
  for (const { mask } of masks)
    for (const edge of mask.edges)
      if (edge.strip) ofStrip.set(edge.closed, Math.max(ofStrip.get(edge.closed) ?? 0, along(edge)));
  return (edge) => (edge.strip ? ofStrip.get(edge.closed)! : along(edge));
}

/** Unit of the line tape a cover lies on that comes off with it, by its area; covers that come off after all are in none. */
function coverUnits(
  { masks, first }: NonNullable<StageCost['pulled']>,
  unitOf: (edge: MaskEdge) => number,
): ReadonlyMap<number, number> {
  const covers = masks.flatMap(({ mask }) => mask.covers.filter(({ by }) => by === 'drape'));
  const sheetOf = new Map(covers.map(({ area, sheet }) => [area, sheet]));
  const units = new Map<number, number>();
  for (const { mask } of masks)
    for (const edge of mask.edges) {
      const sheet = sheetOf.get(edge.closed);
      if (sheet !== undefined && first.lines.has(edge) && (first.backings.has(edge) || !edge.backed))
        units.set(sheet, Math.min(units.get(sheet) ?? Infinity, unitOf(edge)));
    }
  return new Map(
    covers.flatMap(({ area, sheet }) => {
      const unit = units.get(sheet);
      return unit === undefined || !first.covers.has(area) ? [] : [[area, unit] as const];
    }),
  );
}

/** Work of pulling what comes off with each unit. */
const pullOf = (
  problem: OrderProblem,
  { masks }: NonNullable<StageCost['pulled']>,
  timing: PullTiming,
  unitOf: (edge: MaskEdge) => number,
  coverUnit: ReadonlyMap<number, number>,
  units: number,
): number[] =>
  Array.from({ length: units }, (_, unit) =>
    sumOf(masks, ({ mask }) => {
      const edges = mask.edges.filter((edge) => unitOf(edge) === unit);
      const hung = mask.covers.filter(({ area, by }) => by === 'drape' && coverUnit.get(area) === unit);
      const ownMask = maskOfEdges(mask, edges);
      return maskOff(problem, { ...ownMask, covers: [...ownMask.covers, ...hung] }, () => timing).pullMin;
    }),
  );

/**
 * An order of coats as one person does it: if a stage would need several people to pull in time, its last coat goes
 * on in sections.
 * The order itself stays; only times change. If sections would break another window, the stage is left unchanged.
 */
export function onePersonOrder(problem: OrderProblem, { order, stages }: Sequence): Sequence {
  let progress = startProgress(problem);
  const costs = stages.map(({ finish, open, keep }) => {
    const choice = { finish, open, keep };
    const whole = stageCost(problem, progress, choice);
    const sections = (whole.pulled?.hands ?? 0) > 1 ? sectionsFor(problem, whole, whole.pulling?.span ?? null) : null;
    const divided = sections && stageCost(problem, progress, { ...choice, sections });
    const stage = divided && keepsTime(problem, divided, whole) ? divided : whole;
    progress = stage.after;
    return stage;
  });
  return { order, stages: costs, score: sumOf(costs, (stage) => stageScore(stage, problem.wish)) };
}

/**
 * True if a coat in sections stays within its pot life and the window of the film below, and all tape comes off
 * clean.
 */
function keepsTime(problem: OrderProblem, stage: StageCost, whole: StageCost): boolean {
  const { sections, lots, gap, coats, over, pulled, lastCoatMin, forbidden } = stage;
  if (!sections || !pulled || forbidden.length > whole.forbidden.length) return false;
  const lastPaint = sections.heaps.findLast(({ turn }) => turn === 'paint')!;
  const beginsMin = lastCoatMin - sections.paintedMin;
  const eachMin = (stage.coatMin - stage.blendMin) / coats;
  const coatsOfLot = coats - lots.from.at(-1)!;
  const agedMin = coatsOfLot * (eachMin + gap.from) + sections.paintedMin;
  const last = beginsMin + lastPaint.startMin;
  const inTime = over.windows.every(
    ({ at, toMin }) => coats > 1 || toMin === null || last - at <= toMin + TOLERANCE.rounding,
  );
  return (
    (lots.lifeMin === null || (lots.perCoat === 1 && agedMin <= lots.lifeMin + TOLERANCE.rounding)) &&
    (coats === 1 || gap.to === null || gap.from + lastPaint.startMin <= gap.to + TOLERANCE.rounding) &&
    inTime &&
    pulled.masks.every((mask) => comesOffClean(problem, mask, beginsMin + sections.totalMin))
  );
}
