import type { DryingAir } from '../air';
import type { Item, LineItem, PrepareTask, Reach, SafetyCode, StagePlan, StepMessage } from '../contract';
import { type Finish, isSprayed } from '../finish';
import { itemsLyingIn, leaksOf, liesLast, sheetLine, type StageItems } from '../items';
import { isModelScale, type JobKind, messageWithoutValues } from '../kit';
import type { Preparation } from '../prepare';
import type { Technique } from '../runs';
import type { Step } from '../runsheet';
import type { PartPlan, PartWork } from '../setout';
import type { Sequence } from '../stage';
import { backingMessage, groupBackings, plainHow } from './backing-steps';
import { cautionsAt } from './cautions';
import { coatSteps, mixStep } from './coat-steps';
import { flashMessage } from './flash-message';
import { heightOf } from './height';
import { endSteps, prepareSteps } from './overhead-steps';
import { ownPieceMessage } from './own-piece-message';
import { afterCoats } from './pull-steps';
import { STEP_RULES } from './rules-of-thumb';
import { chainSteps, type Draft, newStepClock, type StepClock } from './step-clock';
import { closingValues, coverPlaces, isMasked, linesOf, nameOf, placesOf } from './step-places';
import { tapeSafeRules } from './step-rules';
import { groupSurroundings, surroundingsMessage } from './surroundings-steps';

/** What the steps are written from. */
export interface StepSource {
  readonly stages: readonly StagePlan[];
  readonly items: readonly StageItems[];
  readonly sequence: Sequence;
  readonly parts: readonly PartPlan[];
  readonly works: readonly PartWork[];
  readonly finishes: ReadonlyMap<string, Finish>;
  readonly preparation: Preparation;
  readonly kind: JobKind;
  readonly scale: number;
  /** The air the times are counted for: where it is left, and where it is sprayed, which is where the shop measures. */
  readonly air: DryingAir;
  readonly sprayAir: DryingAir;
  readonly away: boolean;
  /** Which gun a finish goes through. */
  readonly gunOf: (finish: Finish) => string;
}

/**
 * Writes the steps of a plan in working order: preparation, stage by stage, then counting out and inspecting. Each
 * has its minutes and its time rules. Every time was computed for the stage; nothing is computed here.
 */
export function stepsOf(source: StepSource): Step[] {
  const steps = source.stages.flatMap((stage) => stageSteps(stage, source));
  return withSafety(chainSteps([...prepareSteps(source), ...steps, ...endSteps(source)]), source);
}

function stageSteps(stage: StagePlan, source: StepSource): readonly Draft[] {
  const { sequence, parts, finishes } = source;
  const cost = sequence.stages[stage.number - 1]!;
  const finish = finishes.get(stage.finish) as Finish;
  const clock = newStepClock(stage.startMin, stage.session, stage.number);
  const { add, pass } = clock;
  const tasks = (answer: PrepareTask['answer']) => stage.tasks.filter((task) => task.answer === answer);
  const tapes = itemsLyingIn(linesOfAll(source), stage);
  // Masks of earlier stages may still lie beside what is keyed.
  const masked = tapes.some((tape) => tape.stage < stage.number);
  pass('wait', 'tape-safe', cost.waits.tapeMin, messageWithoutValues('step.wait-tape-safe'));
  pass('wait', 'over', cost.waits.overMin, messageWithoutValues('step.wait-over'));
  for (const { reason, places, minutes } of tasks('abrade'))
    add('abrade', reason.code, minutes, {
      code: 'step.abrade',
      values: { places: placesOf(places, parts), reason, grit: null, masked },
    });
  layingSteps(stage, source, clock);
  sealSteps(stage, source, clock);
  add('gate', null, cost.change.gateMin, {
    code: 'step.gate',
    values: {
      masked: isMasked(stage, source),
      leaks: leaksOf(tapes, source.works),
    },
  });
  for (const { reason, places, minutes } of tasks('barrier'))
    add('prime', reason.code, minutes, { code: 'step.barrier', values: { places: placesOf(places, parts), reason } });
  pass('flash', 'barrier', cost.over.barrierWaitMin, flashMessage(finish, stage, false));
  if (cost.change.stripMin > 0) add('gun-strip', null, cost.change.stripMin, messageWithoutValues('step.gun-strip'));
  mixStep(stage, finish, source, clock, 0);
  coatSteps(stage, finish, source, clock);
  afterCoats(stage, finish, source, clock);
  return clock.steps;
}

/** Openings, rims, line tapes, covers and own pieces, in the order they are laid. */
function layingSteps(stage: StagePlan, source: StepSource, { add }: StepClock): void {
  const { finishes, items, parts } = source;
  const finish = finishes.get(stage.finish) as Finish;
  const { closings, rims, lines, backings, covers, own } = items[stage.number - 1]!;
  // The first that is laid on the areas waits until they take tape.
  const mayLie = [...tapeSafeRules(stage, source)];
  const rules = () => mayLie.splice(0);
  if (closings.length > 0) {
    const ids = closings.map(({ id }) => id);
    add(
      'plug',
      null,
      layMinOf(closings),
      { code: 'step.plug', values: closingValues(closings, parts) },
      { items: ids },
    );
  }
  for (const alike of groupSurroundings(rims)) {
    const ids = alike.map(({ id }) => id);
    add('lay', ids[0]!, layMinOf(alike), surroundingsMessage(alike, parts), {
      part: alike[0]!.part,
      items: ids,
      after: rules(),
    });
  }
  const layLine = (line: LineItem) => {
    // Shapes cut from one film are applied in one go.
    const laid = [line, ...lines.filter(({ sheetOf }) => sheetOf === line.id)];
    const ids = laid.map(({ id }) => id);
    add('lay', line.id, layMinOf(laid), laySay(line, parts), { part: line.part, items: ids, after: rules() });
  };
  const laidAlone = lines.filter(({ sheetOf }) => sheetOf === null);
  laidAlone.filter((line) => !liesLast(line, backings)).forEach(layLine);
  for (const alike of groupBackings(backings)) {
    const ids = alike.map(({ id }) => id);
    add('lay', ids[0]!, layMinOf(alike), backingMessage(alike, parts), {
      part: alike[0]!.part,
      items: ids,
      after: rules(),
    });
  }
  if (covers.length > 0) {
    const ids = covers.map(({ id }) => id);
    const hung = covers.some(({ after }) => after.length > 0);
    const values = { ...coverPlaces(covers, parts), reach: reachOf(finish), hung };
    add('cover', null, layMinOf(covers), { code: 'step.cover', values }, { items: ids, after: rules() });
  }
  laidAlone.filter((line) => liesLast(line, backings)).forEach(layLine);
  if (own.length > 0)
    add(
      'lay',
      'own',
      layMinOf(own),
      { code: 'step.own', values: { pieces: own.map((item) => ownPieceMessage(item, parts)) } },
      { items: own.map(({ id }) => id) },
    );
}

/** Tape edges on texture are sealed once everything lies, and dry before the check. */
function sealSteps(stage: StagePlan, { sequence, parts, finishes, works }: StepSource, { add, pass }: StepClock): void {
  const { seals, waits } = sequence.stages[stage.number - 1]!;
  for (const { product, edges, minutes, dryMin } of seals)
    add('seal', product ?? 'liquid-mask', minutes, {
      code: 'step.seal',
      values: {
        finish: product === null ? null : (finishes.get(product)?.name ?? product),
        places: linesOf(edges, works, parts),
        dryMin,
      },
    });
  pass('wait', 'seal', waits.sealMin, messageWithoutValues('step.wait-seal'));
}

const linesOfAll = ({ items }: StepSource): LineItem[] => items.flatMap(({ lines }) => lines);
/** Usual cautions, each at the first step it applies to. */
function withSafety(steps: readonly Draft[], { stages, finishes, kind, works, scale }: StepSource): Step[] {
  const high = !isModelScale(scale) && heightOf(works) > STEP_RULES.reachUp;
  const reported = new Set<SafetyCode>();
  return steps.map((step) => {
    const stage = stages.find(({ number }) => number === step.stage);
    const finish = (stage && finishes.get(stage.finish)) ?? null;
    const safety = cautionsAt(step, { kind, finish, high }).filter((code) => !reported.has(code));
    for (const code of safety) reported.add(code);
    return { ...step, safety };
  });
}

const layMinOf = (items: readonly Item[]): number => items.reduce((sum, { layMin }) => sum + layMin, 0);

function laySay(line: LineItem, parts: readonly PartPlan[]): StepMessage {
  const [technique, ...more] = line.techniques.map(plainHow);
  return {
    code: 'step.lay',
    values: {
      tape: line.material,
      line: sheetLine(line) ?? line.lineCode,
      side: line.area === null ? line.sideSeen : 'along',
      part: parts.length > 1 ? nameOf(parts, line.part) : null,
      tapeMm: line.lengthMm,
      count: line.count,
      technique: technique as Technique,
      more,
      backing: null,
    },
  };
}

/** How far cover goes, by what the paint is put on with. */
const reachOf = (finish: Finish): Reach => (!isSprayed(finish) ? 'drips' : finish.method === 'gun' ? 'whole' : 'mist');
