import { RULE_OF_THUMB } from '../units';
import { rememberedCoats } from './drying-of';
import { needsStrip } from './gun';
import type { Sequence } from './order-cost';
import { finishOf, type OrderProblem } from './problem';
import { workOf } from './score';
import type { StageCost } from './stage-cost';

/** What a whole sequence takes. */
export interface SequenceFigures {
  readonly workMin: number;
  readonly waitMin: number;
  /** When everything is done, minutes from the start. */
  readonly endMin: number;
  readonly tapeM: number;
  readonly drapeM2: number;
  readonly coats: number;
  readonly paintMl: number;
  /** Weighted metres of show edge: a straight metre counts one, a tight one three. */
  readonly riskM: number;
  /** In money of your own. */
  readonly money: number;
}

/** The figures of a sequence, all stages together. */
export function figuresOf(sequence: Sequence): SequenceFigures {
  const sum = (pick: (stage: StageCost) => number) => totalOf(sequence, pick);
  return {
    workMin: sum(workOf),
    waitMin: sum(({ waitMin }) => waitMin),
    endMin: endOf(sequence),
    tapeM: sum(({ tapeM }) => tapeM),
    drapeM2: sum(({ drapeM2 }) => drapeM2),
    coats: sum(({ coats: count }) => count),
    paintMl: sum(({ paintMl }) => paintMl),
    riskM: sum(({ risk }) => risk),
    money: sum(({ money }) => money),
  };
}

/** Sum over the stages of a sequence. */
export const totalOf = (sequence: Sequence, pick: (stage: StageCost) => number): number => sequence.stages.reduce((sum, stage) => sum + pick(stage), 0);

/** Gaps smaller than these are no reason: minutes, metres. */
const TELLING_MIN = 1;
const TELLING_M = 0.05;
/** Less paint than this share of it is no reason. */
const TELLING_SHARE = 0.02;

/**
 * Says in a sentence what speaks for a sequence: what it saves against the others, else the coats it saves by its order.
 * @param others what it is told beside
 */
export function reasonFor(problem: OrderProblem, sequence: Sequence, others: readonly Sequence[]): string {
  const rest = others.filter((other) => other !== sequence);
  const saving = largestSaving(problem, sequence);
  if (rest.length === 0) return saving ?? (sequence.stages.length === 1 ? 'One colour: there is nothing to order.' : 'The only order that was asked for.');
  const wins = [
    least(sequence, rest, (one) => totalOf(one, workOf), TELLING_MIN) ? 'least work' : null,
    least(sequence, rest, (one) => endOf(one), TELLING_MIN) ? 'earliest end' : null,
    least(sequence, rest, (one) => totalOf(one, ({ coats }) => coats), 0.5) ? 'fewest coats' : null,
    least(sequence, rest, (one) => totalOf(one, ({ tapeM }) => tapeM), TELLING_M) ? 'least tape' : null,
    least(sequence, rest, (one) => totalOf(one, ({ risk }) => risk), TELLING_M) ? 'least show edge to go wrong' : null,
    least(sequence, rest, (one) => totalOf(one, ({ paintMl }) => paintMl), TELLING_SHARE * totalOf(sequence, ({ paintMl }) => paintMl)) ? 'least paint' : null,
  ].filter((one) => one !== null);
  const told = wins.length > 0 ? sentence(wins.join(', ')) : null;
  const flakes = strippedFor(problem, sequence);
  if (saving || told || flakes) return [saving, told, flakes].filter(Boolean).join(' ');
  return rest.every((other) => sequence.score <= other.score)
    ? 'Least of what is wanted, all taken together.'
    : 'Shown for comparison: no better in anything counted here.';
}

/** When everything is done, minutes from the start. */
export const endOf = ({ stages }: Sequence): number => stages[stages.length - 1]?.after.clock ?? 0;

const least = (sequence: Sequence, others: readonly Sequence[], pick: (one: Sequence) => number, by: number): boolean =>
  others.every((other) => pick(sequence) < pick(other) - by);

const sentence = (words: string): string => `${words[0].toUpperCase()}${words.slice(1)}.`;

/** The coats an order saves: a colour that is weak over another goes on before it. */
function largestSaving(problem: OrderProblem, { stages }: Sequence): string | null {
  let best: { saved: number; text: string } | null = null;
  stages.forEach((stage, index) => {
    const finish = finishOf(problem, stage.finish);
    for (const later of stages.slice(index + 1)) {
      const other = finishOf(problem, later.finish);
      const instead = rememberedCoats(finish, other.colour).coats;
      const saved = instead - stage.coats;
      if (other.effect === 'clear' || saved <= (best?.saved ?? 0)) continue;
      best = { saved, text: `${finish.name} before ${other.name}: ${coats(stage.coats)} here, over that ${instead}.` };
    }
  });
  return (best as { text: string } | null)?.text ?? null;
}

/** Flakes before a solid through the same gun cost a strip-down. */
const strippedFor = (problem: OrderProblem, { stages }: Sequence): string | null =>
  stages.some((_, index) => strippedBefore(problem, stages, index)) ? 'The gun is stripped down after the flakes.' : null;

/** True where the gun is stripped down for a stage: flakes went through it right before. */
export function strippedBefore(problem: OrderProblem, stages: readonly StageCost[], index: number): boolean {
  const [before, stage] = [stages[index - 1], stages[index]];
  if (!before || stage.changeMin < RULE_OF_THUMB.gunStrip) return false;
  return needsStrip(finishOf(problem, before.finish), finishOf(problem, stage.finish));
}

const coats = (count: number): string => `${count} ${count === 1 ? 'coat' : 'coats'}`;
