import { commonSpan } from '../drying';
import { PAINT_SYSTEMS, type Finish } from '../finish';
import type { AfterRule, Need, Step, StepKind } from '../log';
import { usesGun, type Sequence } from '../order';
import type { StageItems } from './items';
import { plugsByPart } from './lists';
import type { AfterCode, SafetyCode, StepSaid } from './says';
import type { Item, LineItem, PartPlan, PrepareTask, StagePlan } from './types';

/** What the steps are written from. */
export interface StepGround {
  readonly stages: readonly StagePlan[];
  readonly items: readonly StageItems[];
  readonly sequence: Sequence;
  readonly parts: readonly PartPlan[];
  readonly finishes: ReadonlyMap<string, Finish>;
}

/**
 * Writes the steps of a plan, stage by stage in the order of the work, each with its minutes and with what it may not be sooner or
 * later than. Every time comes from the stage as it was worked out; nothing is worked out here.
 */
export function stepsOf(ground: StepGround): Step[] {
  const steps = ground.stages.flatMap((stage) => stageSteps(stage, ground));
  return withSafety(inOrder([...steps, ...unplugStep(ground)]), ground);
}

type Draft = Omit<Step, 'safety'> & { readonly say: StepSaid };

/** Puts steps of one stage one behind the other. */
function clockFrom(startMin: number, stage: StagePlan) {
  let now = startMin;
  const steps: Draft[] = [];
  const add = (kind: StepKind, what: string | null, minutes: number, say: StepSaid, more: Partial<Pick<Draft, 'part' | 'items' | 'after' | 'needs'>> = {}) => {
    const attended = kind !== 'wait' && kind !== 'flash';
    const { items = [], after = [], needs = attended ? (['person'] as const) : [], part } = more;
    const id = [stage.session, kind, ...(what === null ? [] : [what])].join(':');
    steps.push({
      id,
      stage: stage.number,
      kind,
      ...(part === undefined ? {} : { part }),
      items,
      startMin: now,
      endMin: now + minutes,
      attended,
      needs,
      after,
      say,
    });
    now += minutes;
  };
  /** Time nobody works: left out where there is none. */
  const pass = (kind: 'wait' | 'flash', what: string, minutes: number, code: 'step.wait-tape-safe' | 'step.wait-over' | 'step.wait-pull' | 'step.flash') => {
    if (minutes > 0) add(kind, what, minutes, { code, values: {} });
  };
  return { steps, add, pass };
}

function stageSteps(stage: StagePlan, ground: StepGround): Draft[] {
  const { sequence, items, parts, finishes } = ground;
  const cost = sequence.stages[stage.number - 1];
  const finish = finishes.get(stage.finish) as Finish;
  const { plugs, lines, covers } = items[stage.number - 1];
  const clock = clockFrom(stage.startMin, stage);
  const { add, pass } = clock;
  const tasks = (answer: PrepareTask['answer']) => stage.tasks.filter((task) => task.answer === answer);
  pass('wait', 'tape-safe', cost.waits.tapeMin, 'step.wait-tape-safe');
  for (const { reason, places, minutes } of tasks('abrade'))
    add('abrade', reason.code, minutes, { code: 'step.abrade', values: { places: placesOf(places, parts), reason } });
  const mayLie = tapeSafeRules(stage, ground);
  if (plugs.length > 0) {
    const ids = plugs.map(({ id }) => id);
    add('plug', null, layMinOf(plugs), { code: 'step.plug', values: plugValues(plugs, parts) }, { items: ids });
  }
  lines.forEach((line, index) =>
    add('lay', line.id, line.layMin, laySay(line, parts), { part: line.part, items: [line.id], after: index === 0 ? mayLie : [] }),
  );
  if (covers.length > 0) {
    const places = placesOf(covers, parts);
    const ids = covers.map(({ id }) => id);
    add('cover', null, layMinOf(covers), { code: 'step.cover', values: { places } }, { items: ids, after: lines.length === 0 ? mayLie : [] });
  }
  add('gate', null, 0, { code: 'step.gate', values: { masked: stage.covered.length > 0 } });
  pass('wait', 'over', cost.waits.overMin, 'step.wait-over');
  for (const { reason, places, minutes } of tasks('barrier'))
    add('prime', reason.code, minutes, { code: 'step.barrier', values: { places: placesOf(places, parts), reason } });
  pass('flash', 'barrier', cost.over.barrierWaitMin, 'step.flash');
  if (cost.change.stripMin > 0) add('gun-strip', null, cost.change.stripMin + cost.change.cleanMin, { code: 'step.gun-strip', values: {} });
  else if (cost.change.cleanMin > 0) add('gun-clean', null, cost.change.cleanMin, { code: 'step.gun-clean', values: {} });
  add('mix', null, cost.change.mixMin, { code: 'step.mix', values: { finish: finish.name, ml: stage.paint.ml } });
  coatSteps(stage, finish, ground, clock);
  pass(cost.pulled ? 'wait' : 'flash', cost.pulled ? 'pull' : 'last', cost.waits.pullMin, cost.pulled ? 'step.wait-pull' : 'step.flash');
  pullStep(stage, finish, ground, clock);
  return clock.steps;
}

type Clock = ReturnType<typeof clockFrom>;

function coatSteps(stage: StagePlan, finish: Finish, ground: StepGround, { add, pass }: Clock): void {
  const { coats, coatMin, gap } = stage;
  const needs: Need[] = ['person', ...(finish.method === 'gun' ? ['booth' as const] : []), ...(usesGun(finish) ? ['gun' as const] : [])];
  for (let coat = 1; coat <= coats; coat++) {
    if (coat > 1) pass('flash', String(coat - 1), gap.fromMin, 'step.flash');
    const after = coat === 1 ? overRules(stage, ground) : [rule(coatId(stage, coat - 1), gap.fromMin, gap.toMin, 'recoat')];
    add('coat', String(coat), coatMin / coats, { code: 'step.coat', values: { finish: finish.name, coat, coats } }, { needs, after });
  }
}

const coatId = ({ session }: StagePlan, coat: number): string => `${session}:coat:${coat}`;
const lastCoatOf = (stage: StagePlan): string => coatId(stage, stage.coats);
const rule = (step: string, minMin: number, maxMin: number | null, code: AfterCode): AfterRule => ({ step, from: 'end', minMin, maxMin, code });

/** Before tape goes on colour of this job: one rule for each stage whose colour is covered now. */
function tapeSafeRules(stage: StagePlan, { stages, sequence }: StepGround): AfterRule[] {
  const here = sequence.stages[stage.number - 1];
  return stages.slice(0, stage.number - 1).flatMap((earlier, index) => {
    const film = sequence.stages[index];
    const since = sequence.stages.slice(index + 1, stage.number - 1);
    const covered = here.mask.covers.find(({ area, laid }) => laid === 'now' && film.open[area] && !since.some(({ open }) => open[area]));
    return covered ? [rule(lastCoatOf(earlier), film.after.tapeSafeAt[covered.area] - earlier.lastCoatMin, null, 'tape-safe')] : [];
  });
}

/** When a first coat may go over the films of earlier stages. */
function overRules(stage: StagePlan, { stages, sequence }: StepGround): AfterRule[] {
  return sequence.stages[stage.number - 1].over.windows.flatMap(({ at, fromMin, toMin }) => {
    const earlier = stages.find(({ lastCoatMin, number }) => number < stage.number && lastCoatMin === at);
    return earlier && (fromMin > 0 || toMin !== null) ? [rule(lastCoatOf(earlier), fromMin, toMin, 'over')] : [];
  });
}

/** Everything that comes off after a stage, the last laid first, each within the window of its own paint. */
function pullStep(stage: StagePlan, finish: Finish, { stages, items }: StepGround, { add }: Clock): void {
  if (stage.hands === 0) return;
  const from = [...stage.pulls.map((number) => stages[number - 1]), stage];
  const ids = from.flatMap(({ number }) => [...items[number - 1].lines, ...items[number - 1].covers].map(({ id }) => id)).reverse();
  const after = from.flatMap((one) => (one.pull ? [rule(lastCoatOf(one), one.pull.fromMin, one.pull.toMin, 'pull')] : []));
  const { school } = stage.pull ? stage : (from.find((one) => one.pull !== null) ?? stage);
  // One window is told, from the last coat: it opens with the last of them and closes with the first.
  const own = from.flatMap(({ pull, lastCoatMin }) => {
    const since = lastCoatMin - stage.lastCoatMin;
    return pull ? [{ from: since + pull.fromMin, to: pull.toMin === null ? null : since + pull.toMin }] : [];
  });
  const window = commonSpan([{ from: 0, to: null }, ...own]);
  const values = {
    finish: finish.name,
    school: school ?? finish.school,
    fromMin: window.from,
    toMin: window.to,
    hands: stage.hands,
    older: stage.pulls.map(String),
  };
  add(
    'pull',
    null,
    stage.pullMin / stage.hands,
    { code: 'step.pull', values },
    { items: ids, after, needs: Array.from({ length: stage.hands }, () => 'person' as const) },
  );
}

/** Every plug that went in is counted out at the end. */
function unplugStep({ stages, items, parts }: StepGround): Draft[] {
  const plugs = items.flatMap((one) => one.plugs);
  const last = stages.at(-1);
  if (plugs.length === 0 || !last) return [];
  const { steps, add } = clockFrom(last.endMin, last);
  add('unplug', null, 0, { code: 'step.unplug', values: plugValues(plugs, parts) }, { items: plugs.map(({ id }) => id) });
  return steps;
}

/** Each step comes after the one before it; those for a person say so. */
const inOrder = (steps: readonly Draft[]): Draft[] => {
  let last: string | null = null;
  return steps.map((step) => {
    if (!step.attended) return step;
    const after: AfterRule[] = last === null ? [...step.after] : [{ step: last, from: 'end', minMin: 0, maxMin: null, code: 'order' }, ...step.after];
    last = step.id;
    return { ...step, after };
  });
};

/** Usual cautions, each at the first step it applies to. */
function withSafety(steps: readonly Draft[], { stages, finishes }: StepGround): Step[] {
  const told = new Set<SafetyCode>();
  return steps.map((step) => {
    const stage = stages.find(({ number }) => number === step.stage);
    const finish = stage && finishes.get(stage.finish);
    const safety = finish && (step.kind === 'mix' || step.kind === 'coat') ? cautionsOf(finish, step.kind).filter((code) => !told.has(code)) : [];
    for (const code of safety) told.add(code);
    return { ...step, safety };
  });
}

/** Usual cautions at mixing or spraying a finish. */
export function cautionsOf({ system, method }: Finish, kind: 'mix' | 'coat'): SafetyCode[] {
  const spray = kind === 'coat' && method !== 'brush' && method !== 'roller';
  return [...(PAINT_SYSTEMS[system].isocyanate ? ['isocyanate' as const] : []), ...(spray ? ['spray' as const] : [])];
}

const layMinOf = (items: readonly Item[]): number => items.reduce((sum, { layMin }) => sum + layMin, 0);

function laySay(line: LineItem, parts: readonly PartPlan[]): StepSaid {
  const [technique] = line.techniques;
  return {
    code: 'step.lay',
    values: {
      tape: line.material,
      line: line.lineCode,
      side: line.area === null ? line.sideSeen : 'along',
      part: parts.length > 1 ? nameOf(parts, line.part) : null,
      tapeMm: line.lengthMm,
      count: line.count,
      technique,
    },
  };
}

function plugValues(plugs: readonly Item[], parts: readonly PartPlan[]): { readonly plugs: number; readonly places: readonly string[] } {
  const counts = plugsByPart(plugs);
  return { plugs: counts.reduce((sum, { count }) => sum + count, 0), places: counts.map(({ part, count }) => `${nameOf(parts, part)}: ${count}`) };
}

/** Places part by part, named only where there is more than one part: `Deck A1, A3`. */
function placesOf(places: readonly { readonly part: string; readonly area: string }[], parts: readonly PartPlan[]): string[] {
  const codes = new Map<string, string[]>();
  for (const { part, area } of places) codes.set(part, [...(codes.get(part) ?? []), codeOf(parts, part, area)]);
  return [...codes].map(([part, own]) => `${parts.length > 1 ? `${nameOf(parts, part)} ` : ''}${own.join(', ')}`);
}

const nameOf = (parts: readonly PartPlan[], id: string): string => parts.find((part) => part.id === id)?.name ?? id;
const codeOf = (parts: readonly PartPlan[], part: string, area: string): string =>
  parts.find(({ id }) => id === part)?.areas.find(({ id }) => id === area)?.code ?? area;
