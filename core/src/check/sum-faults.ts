import type { Plan } from '../contract';
import { isTape } from '../items';
import { sumOf } from '../kit';
import type { Step } from '../runsheet';
import { type PlanFault, SUM_TOLERANCE } from './plan-fault';

/** The sums shown are the sums of their parts. */
export function sumFaults({ stages, steps, items, orders, lists }: Plan): PlanFault[] {
  const faultsOfSum = (what: string, shown: number, computed: number): PlanFault[] =>
    Math.abs(shown - computed) <= SUM_TOLERANCE * Math.max(1, Math.abs(shown) / 1000)
      ? []
      : [{ code: 'broken.sum', values: { of: what, shown, found: computed } }];
  const perStage = stages.flatMap((stage) => {
    const stageSteps = steps.filter(
      (step) => step.stage === stage.number && step.kind !== 'unplug' && step.kind !== 'inspect',
    );
    const minutes = (kinds: readonly Step['kind'][]) =>
      sumOf(
        stageSteps.filter(({ kind }) => kinds.includes(kind)),
        workOf,
      );
    const laid = items.filter((item) => item.stage === stage.number);
    return [
      ...faultsOfSum(`${stage.session} lay`, stage.layMin, minutes(['lay', 'cover', 'plug'])),
      ...faultsOfSum(
        `${stage.session} items`,
        stage.layMin,
        sumOf(laid, ({ layMin }) => layMin),
      ),
      ...faultsOfSum(`${stage.session} coats`, stage.coatMin, minutes(['coat'])),
      ...faultsOfSum(`${stage.session} seal`, stage.sealMin, minutes(['seal'])),
      ...faultsOfSum(`${stage.session} pull`, stage.pullMin, minutes(['pull'])),
      ...faultsOfSum(`${stage.session} uncover`, stage.uncoverMin, minutes(['uncover'])),
      ...faultsOfSum(
        `${stage.session} covers off`,
        stage.uncoverMin,
        sumOf(items, (item) =>
          (item.kind === 'cover' || item.kind === 'own') && item.until.stage === stage.number ? item.pullMin : 0,
        ),
      ),
      ...faultsOfSum(`${stage.session} change`, stage.changeMin, minutes(['gate', 'gun-clean', 'gun-strip', 'mix'])),
      ...faultsOfSum(
        `${stage.session} paint`,
        stage.paint.ml,
        sumOf(stageSteps, ({ say }) => (say.code === 'step.mix' ? Number(say.values.ml) : 0)),
      ),
      ...faultsOfSum(`${stage.session} over`, stage.overMin, minutes(['abrade', 'prime'])),
      ...faultsOfSum(
        `${stage.session} wait`,
        stage.waitMin,
        sumOf(
          stageSteps.filter(({ attended }) => !attended),
          lengthOf,
        ),
      ),
      ...faultsOfSum(`${stage.session} clock`, stage.endMin - stage.startMin, sumOf(stageSteps, lengthOf)),
    ];
  });
  const chosen = orders.find((order) => order.chosen);
  const whole = chosen
    ? [
        ...faultsOfSum('end', chosen.endMin, steps.at(-1)?.endMin ?? 0),
        ...faultsOfSum(
          'work',
          chosen.workMin,
          sumOf(
            steps.filter(({ attended }) => attended),
            workOf,
          ),
        ),
        ...faultsOfSum(
          'coats',
          chosen.coats,
          new Set(
            steps.flatMap(({ stage, say }) =>
              say.code === 'step.coat' ? [`${stage} ${Number(say.values.coat)}`] : [],
            ),
          ).size,
        ),
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
      ]
    : [];
  const tape = faultsOfSum(
    'tape',
    sumOf(lists.tape, ({ lengthM }) => lengthM),
    sumOf(items.filter(isTape), (item) => {
      const guideMm = 'guide' in item && item.guide && item.guide.material !== null ? item.guide.lengthMm : 0;
      return (((item.material === null ? 0 : item.lengthMm) + guideMm) / 1000) * item.count;
    }),
  );
  return [...perStage, ...whole, ...tape];
}

const lengthOf = ({ startMin, endMin }: Step): number => endMin - startMin;
/** Work of everybody at it. */
const workOf = (step: Step): number => lengthOf(step) * step.needs.filter((need) => need === 'person').length;
