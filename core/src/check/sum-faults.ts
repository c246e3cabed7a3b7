import type { Plan, StagePlan } from '../contract';
import { isTape } from '../items';
import { sumOf } from '../kit';
import type { Step } from '../runsheet';
import { type PlanFault, SUM_TOLERANCE } from './plan-fault';

/** The sums shown are the sums of their parts. */
export const sumFaults = (plan: Plan): PlanFault[] => [
  ...plan.stages.flatMap((stage) => stageSumFaults(stage, plan)),
  ...chosenOrderSumFaults(plan),
  ...tapeSumFaults(plan),
];

const faultsOfSum = (what: string, shown: number, computed: number): PlanFault[] =>
  Math.abs(shown - computed) <= SUM_TOLERANCE * Math.max(1, Math.abs(shown) / 1000)
    ? []
    : [{ code: 'broken.sum', values: { of: what, shown, found: computed } }];

/** Minutes and paint of one stage against its steps and items. */
function stageSumFaults(stage: StagePlan, { steps, items }: Plan): PlanFault[] {
  const stageSteps = steps.filter((step) => step.stage === stage.number && step.kind !== 'inspect');
  const minutes = (...kinds: readonly Step['kind'][]) =>
    sumOf(
      stageSteps.filter(({ kind }) => kinds.includes(kind)),
      workOf,
    );
  const laid = items.filter((item) => item.stage === stage.number);
  const off = items.filter(({ until }) => until.stage === stage.number && stage.hands > 0);
  const uncovered = items.filter(
    ({ kind, until }) => until.uncover && until.stage === stage.number && (stage.hands > 0 || kind === 'own'),
  );
  const mixedMl = sumOf(stageSteps, ({ say }) => (say.code === 'step.mix' ? Number(say.values.ml) : 0));
  const unattended = stageSteps.filter(({ attended }) => !attended);
  const sums: readonly (readonly [what: string, shown: number, computed: number])[] = [
    ['lay', stage.layMin, minutes('lay', 'cover', 'plug')],
    ['items', stage.layMin, sumOf(laid, ({ layMin }) => layMin)],
    ['coats', stage.coatMin, minutes('coat')],
    ['seal', stage.sealMin, minutes('seal')],
    ['pull', stage.pullMin, minutes('pull', 'unplug')],
    ['uncover', stage.uncoverMin, minutes('uncover')],
    ['covers off', stage.uncoverMin, sumOf(uncovered, ({ pullMin }) => pullMin)],
    ['tapes off', stage.pullMin, sumOf(off, ({ until, pullMin }) => (until.uncover ? 0 : pullMin))],
    ['change', stage.changeMin, minutes('gate', 'gun-clean', 'gun-strip', 'mix')],
    ['paint', stage.paint.ml, mixedMl],
    ['over', stage.overMin, minutes('abrade', 'prime')],
    ['wait', stage.waitMin, sumOf(unattended, lengthOf)],
    ['clock', stage.endMin - stage.startMin, sumOf(stageSteps, lengthOf)],
  ];
  return sums.flatMap(([what, shown, computed]) => faultsOfSum(`${stage.session} ${what}`, shown, computed));
}

/** What the chosen order says of itself against steps and lists. */
function chosenOrderSumFaults({ orders, steps, lists }: Plan): PlanFault[] {
  const chosen = orders.find((order) => order.chosen);
  if (!chosen) return [];
  const attended = steps.filter((step) => step.attended);
  const coats = new Set(
    steps.flatMap(({ stage, say }) => (say.code === 'step.coat' ? [`${stage} ${Number(say.values.coat)}`] : [])),
  );
  return [
    ...faultsOfSum('end', chosen.endMin, steps.at(-1)?.endMin ?? 0),
    ...faultsOfSum('work', chosen.workMin, sumOf(attended, workOf)),
    ...faultsOfSum('coats', chosen.coats, coats.size),
    ...faultsOfSum(
      'paint',
      chosen.paintMl,
      sumOf(lists.paint, ({ ml }) => ml),
    ),
    ...faultsOfSum(
      'drape',
      chosen.drapeM2,
      sumOf(lists.drape, ({ sizeM2 }) => sizeM2),
    ),
  ];
}

/** The list of tape against the items that are made of it. */
const tapeSumFaults = ({ lists, items }: Plan): PlanFault[] =>
  faultsOfSum(
    'tape',
    sumOf(lists.tape, ({ lengthM }) => lengthM),
    sumOf(items.filter(isTape), (item) => {
      const guideMm = 'guide' in item && item.guide && item.guide.material !== null ? item.guide.lengthMm : 0;
      return (((item.material === null ? 0 : item.lengthMm) + guideMm) / 1000) * item.count;
    }),
  );

const lengthOf = ({ startMin, endMin }: Step): number => endMin - startMin;
/** Work of everybody at it. */
const workOf = (step: Step): number => lengthOf(step) * step.needs.filter((need) => need === 'person').length;
