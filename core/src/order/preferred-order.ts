import { reflectanceOf } from '../finish';
import { compareText, firstItem, TOLERANCE } from '../kit';
import {
  finishOf,
  type OrderProblem,
  type Sequence,
  type StageChoice,
  type StageCost,
  stageCost,
  stageScore,
  startProgress,
  temporaryAreas,
} from '../stage';

/** Rank of an order by preference; each field decides only if all before it are equal. */
export interface PreferenceRank {
  /** Paint that ends up under another colour, m². */
  readonly lostM2: number;
  /** Number of pairs of colours of which the darker goes on first. */
  readonly darkFirst: number;
  readonly stages: number;
  readonly tapeM: number;
}

/** Preference rank of a sequence. Primer and clear are ignored: they are meant to lie under and over the others. */
export function preferenceRank(problem: OrderProblem, { stages }: Pick<Sequence, 'stages'>): PreferenceRank {
  const colours = stages
    .filter(({ layer }) => layer === null)
    .map(({ finish }) => luminance(finishOf(problem, finish).colour));
  return {
    lostM2: stages.reduce((sum, { strayM2 }) => sum + strayM2, 0),
    darkFirst: colours.reduce(
      (sum, colour, index) => sum + colours.slice(index + 1).filter((later) => later > colour).length,
      0,
    ),
    stages: stages.length,
    tapeM: stages.reduce((sum, { tapeM }) => sum + tapeM, 0),
  };
}

/** Relative luminance, 0 … 1. Source: sRGB. */
const luminance = (hex: string): number => {
  const [r, g, b] = reflectanceOf(hex);
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
};

/**
 * Number of trials of closing areas that need not be open: each computes a whole order, which takes long in a large
 * job.
 */
const mostTrials = ({ areas }: OrderProblem): number => Math.max(12, Math.min(60, Math.floor(6000 / areas.length)));

/**
 * Selects the order to plan among those of equal cost within the accuracy of the figures; with the rule `wide`, the cheapest.
 * @param sequences orders, the cheapest first
 * @returns the preferred order within a tenth of the cheapest: one of those found, or one of them with fewer open areas. Then the others,
 *   cheapest first
 */
export function preferredFirst(problem: OrderProblem, sequences: readonly Sequence[]): readonly Sequence[] {
  if (sequences.length === 0 || problem.rules.wide) return sequences;
  const limit = sequences[0]!.score * (1 + problem.rules.equalShare);
  const equals = sequences.filter(({ score }) => score <= limit).map((sequence) => closed(problem, sequence, limit));
  const calmest = firstItem(
    equals
      .map((sequence) => ({ sequence, calm: preferenceRank(problem, sequence) }))
      .sort(
        (a, b) =>
          calmer(a.calm, b.calm) ||
          a.sequence.score - b.sequence.score ||
          compareText(a.sequence.order.join(), b.sequence.order.join()),
      ),
  );
  return [calmest.sequence, ...sequences.filter((sequence) => sequence !== calmest.sequence)];
}

/** Figures nearer than this are the same: m², m. */
const SAME = TOLERANCE.timeMin;

function calmer(rank: PreferenceRank, other: PreferenceRank): number {
  for (const key of ['lostM2', 'darkFirst', 'stages', 'tapeM'] as const)
    if (Math.abs(rank[key] - other[key]) > SAME) return rank[key] - other[key];
  return 0;
}

type Stray = { readonly index: number; readonly area: number };

/** A sequence with as little left open as the limit allows: all at once, else by stage and part, else area by area, the largest first. */
function closed(problem: OrderProblem, sequence: Sequence, limit: number): Sequence {
  const strays = sequence.stages.flatMap((stage, index) =>
    temporaryAreas(problem, stage).map((area): Stray => ({ index, area })),
  );
  const free = strays.filter(
    ({ index, area }) =>
      !problem.rules.pins.some((pin) => pin.open && pin.area === area && pin.finish === sequence.stages[index]!.finish),
  );
  if (free.length === 0) return sequence;
  const whole = without(problem, sequence, free, limit);
  if (whole) return whole;
  const groups = new Map<string, Stray[]>();
  for (const stray of free) {
    const key = `${stray.index} ${problem.areas[stray.area]!.part}`;
    groups.set(key, [...(groups.get(key) ?? []), stray]);
  }
  const sizeOf = (group: readonly Stray[]) => group.reduce((sum, { area }) => sum + problem.areas[area]!.sizeM2, 0);
  const largestFirst = (lists: readonly (readonly Stray[])[]) => [...lists].sort((a, b) => sizeOf(b) - sizeOf(a));
  const most = mostTrials(problem);
  let [now, trials] = [sequence, 0];
  const tried = (group: readonly Stray[]): boolean => {
    if (trials >= most) return false;
    trials++;
    const next = without(problem, now, group, limit);
    now = next ?? now;
    return next !== null;
  };
  const left = largestFirst([...groups.values()]).filter((group) => !tried(group));
  for (const single of largestFirst(left.flatMap((group) => (group.length > 1 ? group.map((stray) => [stray]) : []))))
    tried(single);
  return now;
}

/** The sequence with some areas closed that were open; null where that cannot be, or is dearer than the limit. */
function without(
  problem: OrderProblem,
  { stages, order }: Sequence,
  closing: readonly { index: number; area: number }[],
  limit: number,
): Sequence | null {
  const choices = stages.map(({ finish, open, keep }, index): StageChoice => {
    const shut = new Set(closing.filter((closedArea) => closedArea.index === index).map(({ area }) => area));
    return { finish, keep, open: open.map((isOpen, area) => isOpen && !shut.has(area)) };
  });
  const reopens = choices.some(
    ({ keep, open }, index) => keep && choices[index + 1]?.open.some((isOpen, area) => isOpen && !open[area]),
  );
  if (reopens) return null;
  // Everything before the first changed stage is unchanged.
  const first = Math.min(...closing.map(({ index }) => index));
  const costs: StageCost[] = stages.slice(0, first);
  let progress = costs.at(-1)?.after ?? startProgress(problem);
  let score = costs.reduce((sum, stage) => sum + stageScore(stage, problem.wish), 0);
  for (const choice of choices.slice(first)) {
    const stage = stageCost(problem, progress, choice);
    costs.push(stage);
    progress = stage.after;
    score += stageScore(stage, problem.wish);
    if (score > limit) return null;
  }
  return { order, stages: costs, score };
}
