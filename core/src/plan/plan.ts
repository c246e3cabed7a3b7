import type { Design, Shelf } from '../job';
import { reasonFor, searchOrder, totalOf, type OrderProblem, type Sequence } from '../order';
import { byText, rounded } from '../units';
import { adviceFor, safetyFor } from './advice';
import { orderProblem } from './order-problem';
import { partPlan, workOutParts, type WorkStore } from './part-work';
import { stagePlans } from './stages';
import { stepsOf } from './steps';
import { timelineOf } from './timeline';
import type { Plan, SequenceSummary, StagePlan, TapeNeed } from './types';

/**
 * Works out a whole job: areas, order of coats, runs, windows, run sheet.
 * @param design sound by designFaults
 * @param shelf holds every finish the design names
 * @param store what was worked out before; only what changed is done anew
 * @returns the same plan, to the byte, for the same input
 */
export function planJob(design: Design, shelf: Shelf, store?: WorkStore): Plan {
  const finishes = new Map(shelf.finishes.map((finish) => [finish.id, finish]));
  const works = workOutParts(design, store);
  const parts = works.map((work) => partPlan(work, finishes));
  const problem = orderProblem(works, design, shelf, finishes);
  const free = searchOrder(problem);
  const pinned = design.choices.order ? searchOrder(problem, design.choices.order).sequences[0] : undefined;
  const chosen = pinned ?? free.sequences[0];
  const stages = chosen ? stagePlans(chosen, { works, design, shelf, problem }) : [];
  return rounded({
    format: 'lintrel-plan',
    version: 1,
    advice: adviceFor(design, works, stages, finishes),
    safety: safetyFor(stages, finishes),
    parts,
    sequences: summaries(problem, free.sequences, chosen),
    orderComplete: free.complete,
    stages,
    timeline: chosen ? timelineOf(chosen) : [],
    tapes: tapeNeeds(stages),
    steps: chosen ? stepsOf({ stages, sequence: chosen, parts, finishes, air: design.climate }) : [],
  });
}

function summaries(problem: OrderProblem, found: readonly Sequence[], chosen: Sequence | undefined): SequenceSummary[] {
  if (!chosen) return [];
  const same = (sequence: Sequence) => sequence.order.join(' ') === chosen.order.join(' ');
  const shown = found.some(same) ? found : [chosen, ...found];
  return shown.map((sequence) => ({
    order: sequence.order,
    reason: reasonFor(problem, sequence, shown),
    workMin: totalOf(sequence, ({ layMin, coatMin, pullMin, changeMin }) => layMin + coatMin + pullMin + changeMin),
    waitMin: totalOf(sequence, ({ waitMin }) => waitMin),
    tapeM: totalOf(sequence, ({ tapeM }) => tapeM),
    drapeM2: totalOf(sequence, ({ drapeM2 }) => drapeM2),
    coats: totalOf(sequence, ({ coats }) => coats),
    chosen: same(sequence),
  }));
}

function tapeNeeds(stages: readonly StagePlan[]): TapeNeed[] {
  const needs = new Map<string, { pieces: number; lengthM: number }>();
  for (const { tape, tapeMm, count } of stages.flatMap(({ runs }) => runs)) {
    if (tape === null) continue;
    const need = needs.get(tape) ?? { pieces: 0, lengthM: 0 };
    needs.set(tape, { pieces: need.pieces + count, lengthM: need.lengthM + (tapeMm / 1000) * count });
  }
  return [...needs].map(([tape, need]) => ({ tape, ...need })).sort((a, b) => b.lengthM - a.lengthM || byText(a.tape, b.tape));
}
