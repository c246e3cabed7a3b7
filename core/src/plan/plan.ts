import {
  type AfterCode,
  type ChoicePrice,
  type Plan,
  type PlanWindow,
  SAFETY_CODES,
  type SequenceSummary,
} from '../contract';
import { inLayingOrder, listsOf } from '../items';
import type { Design, Shelf } from '../job';
import { firstItem, roundNumbers, runToEnd, withoutProgress } from '../kit';
import {
  DEFAULT_EFFORT,
  keptMaskSearchSteps,
  preferenceRank,
  preferredFirst,
  reasonsFor,
  searchSteps,
  sequenceFigures,
} from '../order';
import { jobProblem, orderProblem, partOffsets, surroundingsOfPart } from '../problem';
import type { Step } from '../runsheet';
import { type PartCache, partPlan, workOutSteps } from '../setout';
import { finishesInUse, gunOf, onePersonOrder, type OrderProblem, type Sequence } from '../stage';
import { type OverheadMinutes, overheadMinutes, stepsOf, withOverhead } from '../steps';
import { adviceFor } from './advice';
import { stageSteps } from './stages';

/**
 * Plans a whole job: areas, order of coats, runs, windows, run sheet.
 * @param design valid by designFaults
 * @param shelf contains every finish of the design
 * @param store cache: only what changed is computed
 * @returns for the same input the same plan, to the byte
 */
export const planJob = (design: Design, shelf: Shelf, store?: PartCache): Plan =>
  runToEnd(planSteps(design, shelf, store));

/**
 * The same as a generator, so that other work can be done in between and it can be stopped early.
 * @returns lines and areas of all parts as soon as they are known, undefined at the other steps; the plan at the end
 */
export function* planSteps(design: Design, shelf: Shelf, store?: PartCache): Generator<Plan['parts'] | void, Plan> {
  const works = yield* workOutSteps(design, store);
  const { problem: asked, preparation, rims } = jobProblem(works, design, shelf);
  const { finishes } = asked;
  const parts = works.map((work, index) => partPlan(work, finishes, surroundingsOfPart(rims, index, asked)));
  const shown = roundNumbers(parts);
  yield shown;
  const order = yield* chosenOrder(asked);
  const { problem, gap, price } = order;
  const chosen = order.chosen && design.choices.alone ? onePersonOrder(problem, order.chosen) : order.chosen;
  const sequences = order.found.map((sequence) => (sequence === order.chosen && chosen ? chosen : sequence));
  const { stages, items } = chosen
    ? yield* stageSteps(chosen, { works, design, shelf, problem, preparation, starts: partOffsets(works), rims })
    : { stages: [], items: [] };
  const steps = chosen
    ? stepsOf({
        stages,
        items,
        sequence: chosen,
        parts,
        finishes,
        preparation,
        works,
        kind: design.kind,
        scale: design.scale,
        air: problem.air,
        sprayAir: problem.sprayAir,
        gunOf: (finish) => gunOf(problem, finish),
        away: design.climate.left !== undefined,
      })
    : [];
  yield;
  const plan = roundNumbers<Omit<Plan, 'parts'>>({
    format: 'lintrel-plan',
    version: 2,
    stages,
    items: items.flatMap(inLayingOrder),
    steps,
    windows: windowsOf(steps),
    orders: summaries(problem, sequences, chosen, overheadMinutes(preparation)),
    orderGap: gap,
    choicePrice: price,
    wish: problem.wish,
    advice: adviceFor({ design, works, stages, items, finishes, problem, sequence: chosen }),
    safety: SAFETY_CODES.filter((code) => steps.some(({ safety }) => safety.includes(code))),
    lists: listsOf(stages, items, chosen, shelf),
    ...learnedHere(shelf, stages),
  });
  const { format, version, ...rest } = plan;
  return { format, version, parts: shown, ...rest };
}

/** What this shop has learned of the finishes of a plan: the times in it are longer or shorter by that already. */
function learnedHere({ learned = [] }: Shelf, stages: Plan['stages']): Pick<Plan, 'learned'> {
  const used = learned.filter(({ finish, factor }) => factor !== 1 && stages.some((stage) => stage.finish === finish));
  return used.length > 0 ? { learned: used.map(({ finish, factor, count }) => ({ finish, factor, count })) } : {};
}

/** The times that steps have to keep, on the clock of the plan. */
function windowsOf(steps: readonly Step[]): PlanWindow[] {
  const byId = new Map(steps.map((step) => [step.id, step]));
  return steps.flatMap(({ id, after }) =>
    after.flatMap(({ step, from, minMin, maxMin, code }) => {
      const other = byId.get(step);
      if (code === 'order' || !other) return [];
      const since = from === 'end' ? other.endMin : other.startMin;
      return [
        {
          id: `${id}<${step}`,
          kind: code as AfterCode,
          of: id,
          opensMin: since + minMin,
          closesMin: maxMin === null ? null : since + maxMin,
        },
      ];
    }),
  );
}

/** Choices a long search may look at: half a minute on a phone. */
const LONG_EFFORT = 30_000;

/** How a long search is doing. */
export interface JobSearch {
  /** Share of the effort spent. */
  readonly share: number;
  readonly gap: number;
  /** Finishes of the scheme in the order of the best so far. */
  readonly order: readonly string[];
  /** True where it is better than what a plan finds by itself. */
  readonly better: boolean;
  readonly done: boolean;
}

/**
 * Searches for an order of coats as long as it takes, telling how far it is.
 * @returns news; the last is done. A caller that stops listening stops the search
 */
export function* searchJob(
  design: Design,
  shelf: Shelf,
  effort: number = LONG_EFFORT,
  store?: PartCache,
): Generator<JobSearch | void, void> {
  const { problem } = yield* withoutProgress(
    keptMaskSearchSteps(orderProblem(yield* workOutSteps(design, store), design, shelf)),
  );
  const used = finishesInUse(problem);
  // What a plan finds by itself is what this search, being the same, has found when it has spent a plan's effort.
  let usual = Infinity;
  const news = (best: Sequence | null, share: number, gap: number, done: boolean): JobSearch => ({
    share,
    gap,
    order: (best?.order ?? []).filter((id) => used.includes(id)),
    better: best !== null && best.score < usual,
    done,
  });
  const steps = searchSteps(problem, effort);
  let spent = 0;
  for (let step = steps.next(); ; step = steps.next()) {
    if (step.done) {
      yield news(step.value.sequences[0] ?? null, 1, step.value.gap, true);
      return;
    }
    const { tried, of, best, gap } = step.value;
    if (best && spent < DEFAULT_EFFORT) usual = best.score;
    spent = tried;
    yield news(best, Math.min(1, tried / of), gap, false);
  }
}

interface ChosenOrder {
  /** What was searched in the end. */
  readonly problem: OrderProblem;
  readonly chosen: Sequence | undefined;
  /** What it is shown beside, best first. */
  readonly found: readonly Sequence[];
  readonly gap: number;
  readonly price: ChoicePrice | null;
}

/** The order of coats under everything a person insists on, what else there is, and what their choices cost. */
function* chosenOrder(asked: OrderProblem): Generator<void, ChosenOrder> {
  const {
    problem,
    result: { gap, ...best },
  } = yield* withoutProgress(keptMaskSearchSteps(asked));
  const { rules } = problem;
  const sequences = preferredFirst(problem, best.sequences);
  const [chosen] = sequences;
  const insists =
    rules.order !== null || rules.wide || rules.before.length + rules.pins.length + rules.sameGun.length > 0;
  if (!chosen || !insists) return { problem, chosen, found: sequences, gap, price: null };
  const freely = { ...problem, rules: { ...rules, order: null, wide: false, before: [], pins: [], sameGun: [] } };
  const free = yield* withoutProgress(searchSteps(freely));
  const planned = firstItem(preferredFirst(freely, free.sequences));
  const others = free.sequences.filter((sequence) => !sameSequence(sequence, chosen)).sort((a, b) => a.score - b.score);
  return {
    problem,
    chosen,
    found: rules.order === null ? sequences : [chosen, ...others],
    gap: rules.order === null ? gap : free.gap,
    price: priceAgainst(chosen, planned),
  };
}

function priceAgainst(chosen: Sequence, free: Sequence): ChoicePrice {
  const [mine, best] = [sequenceFigures(chosen), sequenceFigures(free)];
  const more = (figure: keyof ChoicePrice) => mine[figure] - best[figure];
  return {
    workMin: more('workMin'),
    endMin: more('endMin'),
    tapeM: more('tapeM'),
    coats: more('coats'),
    riskM: more('riskM'),
    money: more('money'),
  };
}

/** Two orders of coats that do the same. */
const sameSequence = (sequence: Sequence, other: Sequence): boolean =>
  sequence.order.join(' ') === other.order.join(' ') &&
  sequence.stages.every(
    ({ open, keep }, stage) =>
      keep === other.stages[stage]!.keep && open.every((value, area) => value === other.stages[stage]!.open[area]),
  );

function summaries(
  problem: OrderProblem,
  sequences: readonly Sequence[],
  chosen: Sequence | undefined,
  round: OverheadMinutes,
): SequenceSummary[] {
  if (!chosen) return [];
  const shown = sequences.some((sequence) => sameSequence(sequence, chosen)) ? sequences : [chosen, ...sequences];
  const cheapest = Math.min(...shown.map(({ score }) => score));
  return shown.map((sequence) => ({
    order: sequence.order,
    reasons: reasonsFor(problem, sequence, shown),
    ...withOverhead(sequenceFigures(sequence), round),
    lostM2: preferenceRank(problem, sequence).lostM2,
    equal: sequence.score <= cheapest * (1 + problem.rules.equalShare),
    stages: sequence.stages.length,
    kept: sequence.stages.filter(({ keep }) => keep).length,
    chosen: sameSequence(sequence, chosen),
  }));
}
