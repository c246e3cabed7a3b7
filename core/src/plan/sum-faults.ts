import type { Step } from '../log';
import { sumOf } from '../units';
import { SUM_TOLERANCE, type Broken } from './broken';
import { isTape } from './lists';
import type { Plan } from './types';

/** The sums shown are the sums of their parts. */
export function sumFaults({ stages, steps, items, orders, lists }: Plan): Broken[] {
  const told = (of: string, shown: number, found: number): Broken[] =>
    Math.abs(shown - found) <= SUM_TOLERANCE * Math.max(1, Math.abs(shown) / 1000)
      ? []
      : [{ code: 'broken.sum', values: { of, shown, found } }];
  const perStage = stages.flatMap((stage) => {
    const of = steps.filter((step) => step.stage === stage.number && step.kind !== 'unplug' && step.kind !== 'inspect');
    const minutes = (kinds: readonly Step['kind'][]) =>
      sumOf(
        of.filter(({ kind }) => kinds.includes(kind)),
        workOf,
      );
    const laid = items.filter((item) => item.stage === stage.number);
    return [
      ...told(`${stage.session} lay`, stage.layMin, minutes(['lay', 'cover', 'plug'])),
      ...told(
        `${stage.session} items`,
        stage.layMin,
        sumOf(laid, ({ layMin }) => layMin),
      ),
      ...told(`${stage.session} coats`, stage.coatMin, minutes(['coat'])),
      ...told(`${stage.session} seal`, stage.sealMin, minutes(['seal'])),
      ...told(`${stage.session} pull`, stage.pullMin, minutes(['pull'])),
      ...told(`${stage.session} uncover`, stage.uncoverMin, minutes(['uncover'])),
      ...told(
        `${stage.session} covers off`,
        stage.uncoverMin,
        sumOf(items, (item) =>
          (item.kind === 'cover' || item.kind === 'own') && item.until.stage === stage.number ? item.pullMin : 0,
        ),
      ),
      ...told(`${stage.session} change`, stage.changeMin, minutes(['gate', 'gun-clean', 'gun-strip', 'mix'])),
      ...told(
        `${stage.session} paint`,
        stage.paint.ml,
        sumOf(of, ({ say }) => (say.code === 'step.mix' ? Number(say.values.ml) : 0)),
      ),
      ...told(`${stage.session} over`, stage.overMin, minutes(['abrade', 'prime'])),
      ...told(
        `${stage.session} wait`,
        stage.waitMin,
        sumOf(
          of.filter(({ attended }) => !attended),
          lengthOf,
        ),
      ),
      ...told(`${stage.session} clock`, stage.endMin - stage.startMin, sumOf(of, lengthOf)),
    ];
  });
  const chosen = orders.find((order) => order.chosen);
  const whole = chosen
    ? [
        ...told('end', chosen.endMin, steps.at(-1)?.endMin ?? 0),
        ...told(
          'work',
          chosen.workMin,
          sumOf(
            steps.filter(({ attended }) => attended),
            workOf,
          ),
        ),
        ...told(
          'coats',
          chosen.coats,
          new Set(
            steps.flatMap(({ stage, say }) =>
              say.code === 'step.coat' ? [`${stage} ${Number(say.values.coat)}`] : [],
            ),
          ).size,
        ),
        ...told(
          'paint',
          chosen.paintMl,
          sumOf(lists.paint, ({ ml }) => ml),
        ),
        ...told(
          'drape',
          chosen.drapeM2,
          sumOf(lists.drape, ({ sizeM2 }) => sizeM2),
        ),
      ]
    : [];
  const tape = told(
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
