import { reflectanceOf } from '../finish';
import { byText, RULE_OF_THUMB } from '../units';
import type { Sequence } from './order-cost';
import { finishOf, type OrderProblem } from './problem';
import { startProgress } from './progress';
import { stageScore } from './score';
import { stageCost, type StageChoice, type StageCost } from './stage-cost';

/** How calm an order is, in the order it counts: each decides only where all before it are equal. */
export interface Calmness {
  /** Paint that ends up under another colour, m². */
  readonly lostM2: number;
  /** Pairs of colours of which the darker goes on first. */
  readonly darkFirst: number;
  readonly stages: number;
  readonly tapeM: number;
}

/** How calm a sequence is. Primer and clear are meant to lie under and over the others and count for nothing. */
export function calmnessOf(problem: OrderProblem, { stages }: Pick<Sequence, 'stages'>): Calmness {
  const colours = stages.filter(({ finish }) => isColour(problem, finish)).map(({ finish }) => luminance(finishOf(problem, finish).colour));
  return {
    lostM2: stages.reduce((sum, stage) => sum + straysOf(problem, stage).reduce((all, area) => all + problem.areas[area].sizeM2, 0), 0),
    darkFirst: colours.reduce((sum, one, index) => sum + colours.slice(index + 1).filter((later) => later > one).length, 0),
    stages: stages.length,
    tapeM: stages.reduce((sum, { tapeM }) => sum + tapeM, 0),
  };
}

const isColour = ({ areas }: OrderProblem, finish: string): boolean => areas.some((area) => area.finish === finish);

/** Relative luminance, 0 … 1. Source: sRGB. */
const luminance = (hex: string): number => {
  const [r, g, b] = reflectanceOf(hex);
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
};

/** Areas a colour is sprayed on where it will not stay. */
const straysOf = (problem: OrderProblem, { finish, open }: Pick<StageChoice, 'finish' | 'open'>): number[] =>
  isColour(problem, finish)
    ? open.flatMap((isOpen, area) => (isOpen && problem.areas[area].finish !== finish && problem.areas[area].alike !== finish ? [area] : []))
    : [];

/** Trials of closing what need not be open: each works a whole order out anew. */
const MOST_TRIALS = 60;

/**
 * Which order to plan of those that cost the same within what such figures are worth; a person who wants it as cheap as can be gets that.
 * @param found orders, the cheapest first
 * @returns the calmest order no dearer than the cheapest by more than a tenth: one of those found, or one of them with less left open.
 *   Then the others, cheapest first
 */
export function calmFirst(problem: OrderProblem, found: readonly Sequence[]): readonly Sequence[] {
  if (found.length === 0 || problem.rules.wide) return found;
  const limit = found[0].score * (1 + RULE_OF_THUMB.equalShare);
  const equals = found.filter(({ score }) => score <= limit).map((one) => closed(problem, one, limit));
  const [calmest] = equals
    .map((sequence) => ({ sequence, calm: calmnessOf(problem, sequence) }))
    .sort((a, b) => calmer(a.calm, b.calm) || a.sequence.score - b.sequence.score || byText(a.sequence.order.join(), b.sequence.order.join()));
  return [calmest.sequence, ...found.filter((one) => one !== calmest.sequence)];
}

/** Figures nearer than this are the same: m², m. */
const SAME = 1e-6;

function calmer(one: Calmness, other: Calmness): number {
  for (const key of ['lostM2', 'darkFirst', 'stages', 'tapeM'] as const) if (Math.abs(one[key] - other[key]) > SAME) return one[key] - other[key];
  return 0;
}

/** A sequence with as little left open as the limit allows: all at once, else stage by stage and part by part, the largest first. */
function closed(problem: OrderProblem, sequence: Sequence, limit: number): Sequence {
  const strays = sequence.stages.flatMap((stage, index) => straysOf(problem, stage).map((area) => ({ index, area })));
  const free = strays.filter(
    ({ index, area }) => !problem.rules.pins.some((pin) => pin.open && pin.area === area && pin.finish === sequence.stages[index].finish),
  );
  if (free.length === 0) return sequence;
  const whole = without(problem, sequence, free, limit);
  if (whole) return whole;
  const groups = new Map<string, { index: number; area: number }[]>();
  for (const one of free) {
    const key = `${one.index} ${problem.areas[one.area].part}`;
    groups.set(key, [...(groups.get(key) ?? []), one]);
  }
  const sizeOf = (group: readonly { area: number }[]) => group.reduce((sum, { area }) => sum + problem.areas[area].sizeM2, 0);
  const inTurn = [...groups.values()].sort((a, b) => sizeOf(b) - sizeOf(a)).slice(0, MOST_TRIALS);
  return inTurn.reduce((now, group) => without(problem, now, group, limit) ?? now, sequence);
}

/** The sequence with some areas closed that were open; null where that cannot be, or is dearer than the limit. */
function without(problem: OrderProblem, { stages, order }: Sequence, closing: readonly { index: number; area: number }[], limit: number): Sequence | null {
  const choices = stages.map(({ finish, open, keep }, index): StageChoice => {
    const shut = new Set(closing.filter((one) => one.index === index).map(({ area }) => area));
    return { finish, keep, open: open.map((isOpen, area) => isOpen && !shut.has(area)) };
  });
  const reopens = choices.some(({ keep, open }, index) => keep && choices[index + 1]?.open.some((isOpen, area) => isOpen && !open[area]));
  if (reopens) return null;
  const made: StageCost[] = [];
  let progress = startProgress(problem);
  for (const choice of choices) {
    const stage = stageCost(problem, progress, choice);
    made.push(stage);
    progress = stage.after;
  }
  const score = made.reduce((sum, stage) => sum + stageScore(stage, problem.wish), 0);
  return score <= limit ? { order, stages: made, score } : null;
}
