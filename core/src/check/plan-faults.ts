import type { Item, Plan, StagePlan } from '../contract';
import { intersectSpans, type Span } from '../kit';
import type { Step } from '../runsheet';
import { coverEdgeFaults, wetCoverFaults } from './cover-faults';
import { abradeFaults, laidFaults, liesOverFaults, maskFaults, orderFaults } from './mask-faults';
import { type PlanFault, SUM_TOLERANCE } from './plan-fault';
import { sumFaults } from './sum-faults';

/**
 * Checks that a plan never contradicts itself: times between steps, windows, edges, covers, what is laid and pulled, and the sums.
 * @returns every rule that is broken; empty for a sound plan, which every plan is to be
 */
export function planFaults(plan: Plan): PlanFault[] {
  const house = houseOf(plan);
  return [
    ...idFaults(plan, house),
    ...plan.steps.flatMap((step) => afterFaults(step, house)),
    ...clockFaults(plan),
    ...windowFaults(plan, house),
    ...plan.stages.flatMap((stage) => maskFaults(stage, plan)),
    ...abradeFaults(plan),
    ...orderFaults(plan),
    ...laidFaults(plan),
    ...liesOverFaults(plan),
    ...coverEdgeFaults(plan),
    ...wetCoverFaults(plan),
    ...pullFaults(plan, house),
    ...plan.stages.flatMap((stage) => sectionFaults(stage, plan)),
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

function idFaults({ steps, items, windows, stages }: Plan, house: House): PlanFault[] {
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

/** A step keeps its minimum and maximum time after other steps. */
function afterFaults(step: Step, { steps }: House): PlanFault[] {
  return step.after.flatMap(({ step: id, from, minMin, maxMin }) => {
    const other = steps.get(id);
    if (!other) return [];
    const isMin = step.startMin - (from === 'end' ? other.endMin : other.startMin);
    const holds = isMin >= minMin - SUM_TOLERANCE && (maxMin === null || isMin <= maxMin + SUM_TOLERANCE);
    return holds ? [] : [{ code: 'broken.after', values: { step: step.id, other: id, isMin, minMin, maxMin } }];
  });
}

/** One person after another: attended steps do not overlap, and none ends before it begins. */
function clockFaults({ steps }: Plan): PlanFault[] {
  let free = 0;
  return steps.flatMap(({ id, startMin, endMin, attended }) => {
    const wrong = endMin < startMin - SUM_TOLERANCE || startMin < free - SUM_TOLERANCE;
    if (attended) free = Math.max(free, endMin);
    return wrong ? [{ code: 'broken.clock' as const, values: { step: id } }] : [];
  });
}

/** Every window equals the one computed for its stage, and its step keeps it. */
function windowFaults({ windows, stages }: Plan, { steps }: House): PlanFault[] {
  return windows.flatMap((window) => {
    const step = steps.get(window.of);
    if (!step) return [];
    const kept =
      step.startMin >= window.opensMin - SUM_TOLERANCE &&
      (window.closesMin === null || step.startMin <= window.closesMin + SUM_TOLERANCE);
    return kept && (window.kind !== 'pull' || isOfStage(window, stages) || isOfSections(window, steps, stages))
      ? []
      : [{ code: 'broken.window', values: { window: window.id } }];
  });
}

const isOfStage = ({ opensMin, closesMin }: Plan['windows'][number], stages: readonly StagePlan[]): boolean =>
  stages.some(({ pull: rest, early = [], lastCoatMin }) =>
    [rest, ...early.map(({ pull }) => pull)].some((pull) => {
      if (!pull || !close(opensMin, lastCoatMin + pull.fromMin)) return false;
      return closesMin === null
        ? pull.toMin === null
        : pull.toMin !== null && close(closesMin, lastCoatMin + pull.toMin);
    }),
  );

/** Of a pull of sections: from when the last of them that was painted in that coat may come off until the first of them must be off. */
function isOfSections(
  { of, id, opensMin, closesMin }: Plan['windows'][number],
  steps: House['steps'],
  stages: readonly StagePlan[],
): boolean {
  const [pull, coat] = [steps.get(of), steps.get(id.slice(of.length + 1))];
  const stage = stages.find(({ number }) => number === pull?.stage);
  if (!pull || !coat || !stage?.sections || !stage.pull) return false;
  const { fromMin, toMin } = stage.pull;
  const sections = stage.sections.filter(
    (section) => isWithin(section.paintedMin, coat) && isWithin(section.offMin, pull),
  );
  const opens = Math.max(
    coat.endMin,
    ...sections.map(({ paintedMin, pullMin }) => paintedMin + fromMin - (pullMin - pull.startMin)),
  );
  const closes = Math.min(
    ...sections.map(({ paintedMin, offMin }) => paintedMin + (toMin ?? Infinity) + pull.endMin - offMin),
  );
  return sections.length > 0 && close(opensMin, opens) && closesMin !== null && close(closesMin, closes);
}

/** True where something is over while a step is done, or at its end. */
const isWithin = (min: number, { startMin, endMin }: Step): boolean =>
  min > startMin + SUM_TOLERANCE && min <= endMin + SUM_TOLERANCE;

/** Every section of a last coat is painted in a coat, pulled in a pull, and off in its window. */
function sectionFaults({ number, sections = [], pull }: StagePlan, { steps }: Plan): PlanFault[] {
  const done = (kind: Step['kind'], min: number) =>
    steps.filter((step) => step.stage === number && step.kind === kind && isWithin(min, step)).length === 1;
  return sections.flatMap(({ part, piece, paintedMin, pullMin, offMin }): PlanFault[] => {
    const inTime =
      pull !== null &&
      pullMin - paintedMin >= pull.fromMin - SUM_TOLERANCE &&
      (pull.toMin === null || offMin - paintedMin <= pull.toMin + SUM_TOLERANCE);
    return inTime && done('coat', paintedMin) && done('pull', offMin)
      ? []
      : [{ code: 'broken.section', values: { stage: number, part, piece } }];
  });
}

const close = (a: number, b: number): boolean => Math.abs(a - b) <= SUM_TOLERANCE;

/** The time all windows of a step leave: from when the last opens to when the first closes. */
const windowOf = ({ id }: Step, windows: Plan['windows']): Span =>
  intersectSpans([
    { from: 0, to: null },
    ...windows.filter(({ of }) => of === id).map(({ opensMin, closesMin }) => ({ from: opensMin, to: closesMin })),
  ]);

/** A pull begins and ends within each of its windows, and states their intersection. */
function pullFaults({ windows, steps }: Plan, { items }: House): PlanFault[] {
  return steps.flatMap((step): PlanFault[] => {
    if (step.kind !== 'pull' && step.kind !== 'unplug') return [];
    const early = step.items
      .filter((id) => (items.get(id)?.stage ?? 0) > (step.stage ?? Infinity))
      .map((item): PlanFault => ({ code: 'broken.tape', values: { step: step.id, item } }));
    const long = windows
      .filter(({ of, closesMin }) => of === step.id && closesMin !== null && step.endMin > closesMin + SUM_TOLERANCE)
      .map(({ opensMin, closesMin }): PlanFault => ({
        code: 'broken.long-pull',
        values: { step: step.id, pullMin: step.endMin - step.startMin, windowMin: (closesMin ?? opensMin) - opensMin },
      }));
    if (step.kind === 'unplug') return [...early, ...long];
    const { from: opensMin, to: closesMin } = windowOf(step, windows);
    const { fromMin, toMin } = step.say.values;
    // In sections the time counts from the coat of the section.
    const lastCoat =
      steps
        .filter(
          ({ stage, kind, endMin }) =>
            kind === 'coat' && stage === step.stage && endMin <= step.startMin + SUM_TOLERANCE,
        )
        .at(-1)?.endMin ?? 0;
    const asTold =
      close(Math.max(opensMin, lastCoat), lastCoat + Number(fromMin)) &&
      (closesMin === null ? toMin === null : close(closesMin, lastCoat + Number(toMin)));
    return [...early, ...long, ...(asTold ? [] : [{ code: 'broken.told' as const, values: { step: step.id } }])];
  });
}
