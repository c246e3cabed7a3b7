import { finishOf, rememberedCoats, type StageCost } from './stage-cost';
import type { OrderProblem } from './problem';
import type { Sequence } from './search';

/**
 * Says in one sentence what speaks for a sequence: the coats it saves by going over the kinder colour,
 * else how little tape or waiting it takes.
 */
export function reasonFor(problem: OrderProblem, sequence: Sequence, others: readonly Sequence[]): string {
  const saving = largestSaving(problem, sequence);
  if (saving) return saving;
  const tape = totalOf(sequence, ({ tapeM }) => tapeM);
  const wait = totalOf(sequence, ({ waitMin }) => waitMin);
  const rest = others.filter((other) => other !== sequence);
  if (rest.length === 0) return sequence.stages.length === 1 ? 'One colour: there is nothing to order.' : 'The only order that was asked for.';
  if (rest.every((other) => tape < totalOf(other, ({ tapeM }) => tapeM) - 1e-9)) return 'Least tape of the orders shown.';
  if (rest.every((other) => wait < totalOf(other, ({ waitMin }) => waitMin) - 1e-9)) return 'Least waiting of the orders shown.';
  return rest.every((other) => sequence.score <= other.score) ? 'Least work and waiting together.' : 'Shown for comparison: it takes longer.';
}

/** Sum over the stages of a sequence. */
export const totalOf = (sequence: Sequence, pick: (stage: StageCost) => number): number => sequence.stages.reduce((sum, stage) => sum + pick(stage), 0);

function largestSaving(problem: OrderProblem, { stages, order }: Sequence): string | null {
  let best: { saved: number; text: string } | null = null;
  stages.forEach((stage, index) => {
    const finish = finishOf(problem, stage.finish);
    for (const later of order.slice(index + 1)) {
      const other = finishOf(problem, later);
      const instead = rememberedCoats(finish, other.colour).coats;
      const saved = instead - stage.coats;
      if (saved > (best?.saved ?? 0)) {
        best = { saved, text: `${finish.name} goes on before ${other.name}: ${coats(stage.coats)} instead of ${instead}.` };
      }
    }
  });
  return (best as { text: string } | null)?.text ?? null;
}

const coats = (count: number): string => `${count} ${count === 1 ? 'coat' : 'coats'}`;
