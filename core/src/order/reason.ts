import { messageWithoutValues } from '../kit';
import {
  displayedMinutes,
  finishOf,
  memoizedCoats,
  type OrderProblem,
  type Sequence,
  type StageCost,
  workMinutes,
} from '../stage';
import { type ReasonMessage, SAVED_FIGURES, type SavedFigure } from './messages';

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
export function sequenceFigures(sequence: Sequence): SequenceFigures {
  const sum = (pick: (stage: StageCost) => number) => totalOf(sequence, pick);
  return {
    workMin: sum((stage) => workMinutes({ ...stage, ...displayedMinutes(stage) })),
    waitMin: sum((stage) => displayedMinutes(stage).waitMin),
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
export const totalOf = (sequence: Sequence, pick: (stage: StageCost) => number): number =>
  sequence.stages.reduce((sum, stage) => sum + pick(stage), 0);

/** Gaps smaller than these are no reason: minutes, metres. */
const TELLING_MIN = 1;
const TELLING_M = 0.05;
/** Less paint than this share of it is no reason. */
const TELLING_SHARE = 0.02;

/**
 * Reasons for a sequence: what it saves against the others, else the coats it saves by its order.
 * @param others sequences shown beside it
 */
export function reasonsFor(problem: OrderProblem, sequence: Sequence, others: readonly Sequence[]): ReasonMessage[] {
  const rest = others.filter((other) => other !== sequence);
  const saving = largestSaving(problem, sequence);
  if (rest.length === 0)
    return saving
      ? [saving]
      : [messageWithoutValues(sequence.stages.length === 1 ? 'reason.one-colour' : 'reason.only-one')];
  const savedFigures = SAVED_FIGURES.filter((figure) =>
    least(sequence, rest, FIGURE_OF[figure].pick, FIGURE_OF[figure].tells(sequence)),
  );
  const messages: ReasonMessage[] = [
    ...(saving ? [saving] : []),
    ...(savedFigures.length > 0 ? [{ code: 'reason.least' as const, values: { of: savedFigures } }] : []),
    ...(strippedFor(sequence) ? [messageWithoutValues('reason.strip')] : []),
  ];
  if (messages.length > 0) return messages;
  return [
    messageWithoutValues(
      rest.every((other) => sequence.score <= other.score) ? 'reason.together' : 'reason.comparison',
    ),
  ];
}

/** A figure of a sequence, and how much less it must be than in the others to be a reason. */
const FIGURE_OF: Readonly<
  Record<SavedFigure, { readonly pick: (sequence: Sequence) => number; readonly tells: (sequence: Sequence) => number }>
> = {
  work: { pick: (sequence) => totalOf(sequence, workMinutes), tells: () => TELLING_MIN },
  end: { pick: (sequence) => endOf(sequence), tells: () => TELLING_MIN },
  coats: { pick: (sequence) => totalOf(sequence, ({ coats }) => coats), tells: () => 0.5 },
  tape: { pick: (sequence) => totalOf(sequence, ({ tapeM }) => tapeM), tells: () => TELLING_M },
  risk: { pick: (sequence) => totalOf(sequence, ({ risk }) => risk), tells: () => TELLING_M },
  paint: {
    pick: (sequence) => totalOf(sequence, ({ paintMl }) => paintMl),
    tells: (sequence) => TELLING_SHARE * totalOf(sequence, ({ paintMl }) => paintMl),
  },
};

/** When everything is done, minutes from the start. */
export const endOf = ({ stages }: Sequence): number => stages[stages.length - 1]?.after.clock ?? 0;

const least = (
  sequence: Sequence,
  others: readonly Sequence[],
  pick: (other: Sequence) => number,
  by: number,
): boolean => others.every((other) => pick(sequence) < pick(other) - by);

/** Coats saved by the order: a colour that covers another badly goes on before it. */
function largestSaving(problem: OrderProblem, { stages }: Sequence): ReasonMessage | null {
  let best: { saved: number; told: ReasonMessage } | null = null;
  stages.forEach((stage, index) => {
    const finish = finishOf(problem, stage.finish);
    for (const later of stages.slice(index + 1)) {
      const other = finishOf(problem, later.finish);
      const instead = memoizedCoats(finish, other.colour).coats;
      const saved = instead - stage.coats;
      if (other.effect === 'clear' || saved <= (best?.saved ?? 0)) continue;
      best = {
        saved,
        told: {
          code: 'reason.saves-coats',
          values: { finish: finish.name, before: other.name, coats: stage.coats, instead },
        },
      };
    }
  });
  return (best as { told: ReasonMessage } | null)?.told ?? null;
}

/** Flakes before a solid through the same gun cost a strip-down. */
const strippedFor = ({ stages }: Sequence): boolean => stages.some(({ change }) => change.stripMin > 0);
