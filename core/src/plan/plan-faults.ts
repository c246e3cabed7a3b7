import type { Step } from '../log';
import type { SaidOf } from '../units';
import { isLine } from './lists';
import type { Item, LineItem, PartPlan, Plan, StagePlan } from './types';

/** A rule of the plan that is broken: a bug of ours, never of the person's. */
export interface BrokenSays {
  /** Two steps, items or windows with one id, or one that names what is not there. */
  readonly 'broken.id': { readonly id: string };
  readonly 'broken.after': { readonly step: string; readonly other: string; readonly isMin: number; readonly minMin: number; readonly maxMin: number | null };
  readonly 'broken.window': { readonly window: string };
  readonly 'broken.late-keying': { readonly step: string };
  readonly 'broken.edge': { readonly stage: number; readonly line: string; readonly fromMm: number; readonly items: number };
  readonly 'broken.uncovered': { readonly stage: number; readonly area: string };
  readonly 'broken.open-covered': { readonly stage: number; readonly area: string };
  readonly 'broken.pulled': { readonly item: string; readonly times: number };
  readonly 'broken.laid': { readonly item: string; readonly times: number };
  readonly 'broken.long-pull': { readonly step: string; readonly pullMin: number; readonly windowMin: number };
  readonly 'broken.sum': { readonly of: string; readonly shown: number; readonly found: number };
  readonly 'broken.clock': { readonly step: string };
  /** A pull tells another window than its rules leave. */
  readonly 'broken.told': { readonly step: string };
  readonly 'broken.tape': { readonly step: string; readonly item: string };
}
export type Broken = SaidOf<BrokenSays>;

/** Plans are rounded to a millionth: sums of many steps may differ by a little more. Minutes and mm. */
const CLOSE = 1e-3;

/**
 * Checks that a plan never contradicts itself: times between steps, windows, edges, covers, what is laid and pulled, and the sums.
 * @returns every rule that is broken; empty for a sound plan, which every plan is to be
 */
export function planFaults(plan: Plan): Broken[] {
  const house = houseOf(plan);
  return [
    ...idFaults(plan, house),
    ...plan.steps.flatMap((step) => afterFaults(step, house)),
    ...clockFaults(plan),
    ...windowFaults(plan, house),
    ...plan.stages.flatMap((stage) => maskFaults(stage, plan)),
    ...keyingFaults(plan),
    ...laidFaults(plan),
    ...pullFaults(plan, house),
    ...sumFaults(plan),
  ];
}

interface House {
  readonly steps: ReadonlyMap<string, Step>;
  readonly items: ReadonlyMap<string, Item>;
}

const houseOf = ({ steps, items }: Plan): House => ({
  steps: new Map(steps.map((step) => [step.id, step])),
  items: new Map(items.map((item) => [item.id, item])),
});

function idFaults({ steps, items, windows, stages }: Plan, house: House): Broken[] {
  const twice = [steps, items, windows].flatMap((list) => {
    const seen = new Set<string>();
    return list.flatMap(({ id }) => {
      const again = seen.has(id);
      seen.add(id);
      return again ? [id] : [];
    });
  });
  const missing = [
    ...steps.flatMap((step) => [
      ...step.after.map((rule) => rule.step).filter((id) => !house.steps.has(id)),
      ...step.items.filter((id) => !house.items.has(id)),
    ]),
    ...items.flatMap(({ after }) => after.filter((id) => !house.items.has(id))),
    ...stages.flatMap((stage) => stage.items.filter((id) => !house.items.has(id))),
    ...windows.map(({ of }) => of).filter((id) => !house.steps.has(id)),
  ];
  return [...twice, ...missing].map((id) => ({ code: 'broken.id', values: { id } }));
}

/** What comes after another step keeps the time between them. */
function afterFaults(step: Step, { steps }: House): Broken[] {
  return step.after.flatMap(({ step: id, from, minMin, maxMin }) => {
    const other = steps.get(id);
    if (!other) return [];
    const isMin = step.startMin - (from === 'end' ? other.endMin : other.startMin);
    const holds = isMin >= minMin - CLOSE && (maxMin === null || isMin <= maxMin + CLOSE);
    return holds ? [] : [{ code: 'broken.after', values: { step: step.id, other: id, isMin, minMin, maxMin } }];
  });
}

/** One person after another: attended steps do not overlap, and none ends before it begins. */
function clockFaults({ steps }: Plan): Broken[] {
  let free = 0;
  return steps.flatMap(({ id, startMin, endMin, attended }) => {
    const wrong = endMin < startMin - CLOSE || startMin < free - CLOSE;
    if (attended) free = Math.max(free, endMin);
    return wrong ? [{ code: 'broken.clock' as const, values: { step: id } }] : [];
  });
}

/** Every window is the one its stage worked out, and the step it is for keeps it. */
function windowFaults({ windows, stages }: Plan, { steps }: House): Broken[] {
  return windows.flatMap((window) => {
    const step = steps.get(window.of);
    if (!step) return [];
    const kept = step.startMin >= window.opensMin - CLOSE && (window.closesMin === null || step.startMin <= window.closesMin + CLOSE);
    return kept && (window.kind !== 'pull' || isOfStage(window, stages)) ? [] : [{ code: 'broken.window', values: { window: window.id } }];
  });
}

const isOfStage = ({ opensMin, closesMin }: Plan['windows'][number], stages: readonly StagePlan[]): boolean =>
  stages.some(({ pull, lastCoatMin }) => {
    if (!pull || !close(opensMin, lastCoatMin + pull.fromMin)) return false;
    return closesMin === null ? pull.toMin === null : pull.toMin !== null && close(closesMin, lastCoatMin + pull.toMin);
  });

const close = (a: number, b: number): boolean => Math.abs(a - b) <= CLOSE;

/** Every covered area under a cover, no open one under any, every edge between the two made once. */
function maskFaults(stage: StagePlan, { parts, items }: Plan): Broken[] {
  const on = items.filter((item) => item.stage <= stage.number && item.until.stage >= stage.number && item.kind !== 'plug');
  const lines = on.filter(isLine);
  const [open, covered] = [new Set(stage.open), new Set(stage.covered)];
  const under = new Set(on.flatMap((item) => ('area' in item && item.area !== null ? [`${item.part}/${item.area}`] : [])));
  const bare = stage.covered.filter((ref) => !under.has(ref)).map((area): Broken => ({ code: 'broken.uncovered', values: { stage: stage.number, area } }));
  const wrongly = stage.open.filter((ref) => under.has(ref)).map((area): Broken => ({ code: 'broken.open-covered', values: { stage: stage.number, area } }));
  const edges = parts.flatMap((part) =>
    part.borders.flatMap((border): Broken[] => {
      const [left, right] = [border.left, border.right].map((code) => `${part.id}/${idOf(part, code)}`);
      const side = open.has(left) && covered.has(right) ? 'right' : open.has(right) && covered.has(left) ? 'left' : null;
      if (side === null) return [];
      const made = edgesMade(lines, part.id, border, side, side === 'right' ? right : left);
      return made === 1 ? [] : [{ code: 'broken.edge', values: { stage: stage.number, line: border.line, fromMm: border.from, items: made } }];
    }),
  );
  return [...bare, ...wrongly, ...edges];
}

const idOf = ({ areas }: PartPlan, code: string): string => areas.find((area) => area.code === code)?.id ?? code;

/** How many tapes make an edge: one over the whole strip counts for each of its edges, however many pieces it comes in. */
function edgesMade(lines: readonly LineItem[], part: string, { line, from, to }: PartPlan['borders'][number], side: 'left' | 'right', ref: string): number {
  if (lines.some((item) => item.area !== null && `${item.part}/${item.area}` === ref)) return 1;
  const along = lines.filter((item) => item.area === null && item.part === part && item.line === line && item.side === side);
  const over = along.map((item) => Math.max(0, Math.min(to, item.to) - Math.max(from, item.from)));
  // Where a line breaks off at a seam its tape goes on in a second piece: together they make the edge once.
  return Math.round((1e3 * over.reduce((sum, length) => sum + length, 0)) / (to - from)) / 1e3;
}

/** Nothing is abraded or washed once the tape of its stage lies. */
function keyingFaults({ steps }: Plan): Broken[] {
  return steps.flatMap((step) => {
    if (step.kind !== 'abrade' && step.kind !== 'wash') return [];
    const laid = steps.some(({ stage, kind, startMin }) => stage === step.stage && (kind === 'lay' || kind === 'cover') && startMin < step.endMin - CLOSE);
    return laid ? [{ code: 'broken.late-keying' as const, values: { step: step.id } }] : [];
  });
}

/** Every item is laid by one step and comes off by one step, after it was laid and what lies on it is off. */
function laidFaults({ steps, items }: Plan): Broken[] {
  const count = (id: string, kinds: readonly Step['kind'][]) => steps.filter((step) => kinds.includes(step.kind) && step.items.includes(id)).length;
  return items.flatMap((item): Broken[] => {
    const laid = count(item.id, ['lay', 'cover', 'plug', 'seal']);
    const off = count(item.id, item.kind === 'plug' ? ['unplug'] : ['pull', 'uncover']);
    return [
      ...(laid === 1 ? [] : [{ code: 'broken.laid' as const, values: { item: item.id, times: laid } }]),
      ...(off === 1 ? [] : [{ code: 'broken.pulled' as const, values: { item: item.id, times: off } }]),
    ];
  });
}

/** The time all windows of a step leave: from when the last opens to when the first closes. */
function windowOf({ id }: Step, windows: Plan['windows']): { opensMin: number; closesMin: number | null } {
  const own = windows.filter(({ of }) => of === id);
  const ends = own.flatMap(({ closesMin }) => (closesMin === null ? [] : [closesMin]));
  return { opensMin: Math.max(0, ...own.map((window) => window.opensMin)), closesMin: ends.length > 0 ? Math.min(...ends) : null };
}

/** A pull begins and ends within each window it has, and tells what they leave. */
function pullFaults({ windows, steps }: Plan, { items }: House): Broken[] {
  return steps.flatMap((step): Broken[] => {
    if (step.kind !== 'pull') return [];
    const early = step.items
      .filter((id) => (items.get(id)?.stage ?? 0) > (step.stage ?? Infinity))
      .map((item): Broken => ({ code: 'broken.tape', values: { step: step.id, item } }));
    const long = windows
      .filter(({ of, closesMin }) => of === step.id && closesMin !== null && step.endMin > closesMin + CLOSE)
      .map(({ opensMin, closesMin }): Broken => ({
        code: 'broken.long-pull',
        values: { step: step.id, pullMin: step.endMin - step.startMin, windowMin: (closesMin ?? opensMin) - opensMin },
      }));
    const { opensMin, closesMin } = windowOf(step, windows);
    const { fromMin, toMin } = step.say.values;
    const lastCoat = steps.filter(({ stage, kind }) => kind === 'coat' && stage === step.stage).at(-1)?.endMin ?? 0;
    const asTold =
      close(Math.max(opensMin, lastCoat), lastCoat + Number(fromMin)) && (closesMin === null ? toMin === null : close(closesMin, lastCoat + Number(toMin)));
    return [...early, ...long, ...(asTold ? [] : [{ code: 'broken.told' as const, values: { step: step.id } }])];
  });
}

/** The sums shown are the sums of their parts. */
function sumFaults({ stages, steps, items, orders, lists }: Plan): Broken[] {
  const sum = <T>(list: readonly T[], pick: (one: T) => number): number => list.reduce((all, one) => all + pick(one), 0);
  const told = (of: string, shown: number, found: number): Broken[] =>
    Math.abs(shown - found) <= CLOSE * Math.max(1, Math.abs(shown) / 1000) ? [] : [{ code: 'broken.sum', values: { of, shown, found } }];
  const perStage = stages.flatMap((stage) => {
    const of = steps.filter((step) => step.stage === stage.number && step.kind !== 'unplug');
    const minutes = (kinds: readonly Step['kind'][]) =>
      sum(
        of.filter(({ kind }) => kinds.includes(kind)),
        workOf,
      );
    const laid = items.filter((item) => item.stage === stage.number);
    return [
      ...told(`${stage.session} lay`, stage.layMin, minutes(['lay', 'cover', 'plug'])),
      ...told(
        `${stage.session} items`,
        stage.layMin,
        sum(laid, ({ layMin }) => layMin),
      ),
      ...told(`${stage.session} coats`, stage.coatMin, minutes(['coat'])),
      ...told(`${stage.session} pull`, stage.pullMin, minutes(['pull'])),
      ...told(`${stage.session} change`, stage.changeMin, minutes(['gun-clean', 'gun-strip', 'mix'])),
      ...told(`${stage.session} over`, stage.overMin, minutes(['abrade', 'prime'])),
      ...told(
        `${stage.session} wait`,
        stage.waitMin,
        sum(
          of.filter(({ attended }) => !attended),
          lengthOf,
        ),
      ),
      ...told(`${stage.session} clock`, stage.endMin - stage.startMin, sum(of, lengthOf)),
    ];
  });
  const chosen = orders.find((order) => order.chosen);
  const whole = chosen
    ? [
        ...told('end', chosen.endMin, stages.at(-1)?.endMin ?? 0),
        ...told(
          'work',
          chosen.workMin,
          sum(
            steps.filter(({ attended }) => attended),
            workOf,
          ),
        ),
        ...told('coats', chosen.coats, steps.filter(({ kind }) => kind === 'coat').length),
        ...told(
          'paint',
          chosen.paintMl,
          sum(lists.paint, ({ ml }) => ml),
        ),
        ...told(
          'drape',
          chosen.drapeM2,
          sum(lists.drape, ({ sizeM2 }) => sizeM2),
        ),
      ]
    : [];
  const tape = told(
    'tape',
    sum(lists.tape, ({ lengthM }) => lengthM),
    sum(items.filter(isLine), (item) => (item.material === null ? 0 : (item.lengthMm / 1000) * item.count)),
  );
  return [...perStage, ...whole, ...tape];
}

const lengthOf = ({ startMin, endMin }: Step): number => endMin - startMin;
/** Work of everybody at it. */
const workOf = (step: Step): number => lengthOf(step) * step.needs.filter((need) => need === 'person').length;
