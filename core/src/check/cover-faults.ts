import type { Plan } from '../contract';
import { type AreaRef, areaRef } from '../kit';
import { FOAM, isLargeCover, SURROUNDINGS_ID } from '../masking';
import type { PartPlan } from '../setout';
import { sidesOf } from './area-refs';
import { type PlanFault, SUM_TOLERANCE } from './plan-fault';
import { isSprayedIn } from './stage-method';

/** The edge of every sheet beside what is painted lies on a tape, and no tape lies over a seam where no sheet ends. */
export function coverEdgeFaults({ stages, items, parts }: Plan): PlanFault[] {
  // Foam carries no cover: it is drawn out of its gap.
  const tapes = new Set(
    items.flatMap((item) => (item.kind === 'cover' || item.kind === 'plug' || item.material === FOAM ? [] : [item.id])),
  );
  const seams = items.flatMap(({ kind, id }): PlanFault[] =>
    kind === 'seam' ? [{ code: 'broken.seam', values: { item: id } }] : [],
  );
  const loose = items.flatMap((item): PlanFault[] => {
    if (item.kind !== 'cover' || item.area === null) return [];
    const open = new Set(stages[item.stage - 1]!.open);
    const beside = neighboursAcross(areaRef(item.part, item.area), parts).some((ref) => open.has(ref));
    return beside && !item.after.some((id) => tapes.has(id))
      ? [{ code: 'broken.loose-cover', values: { item: item.id } }]
      : [];
  });
  return [...seams, ...loose];
}

/** Areas that meet an area along a line or an edge of their parts. */
const neighboursAcross = (ref: AreaRef, parts: readonly PartPlan[]): AreaRef[] =>
  parts.flatMap((part) => [
    ...part.borders.flatMap((border) => {
      const [left, right] = sidesOf(part, border);
      return left === ref ? [right] : right === ref ? [left] : [];
    }),
    ...part.rims.flatMap(({ area, other, oneWay }) => {
      const own = areaRef(part.id, area);
      return other === ref ? [own] : own === ref && !oneWay ? [other] : [];
    }),
  ]);

/** A large cover, and one beyond the edges of a part, does not come off after the pull while the paint is wet. */
export function wetCoverFaults({ steps, items, stages }: Plan): PlanFault[] {
  const byId = new Map(items.map((item) => [item.id, item]));
  return steps.flatMap((step): PlanFault[] => {
    const stage = stages.find(({ number }) => number === step.stage);
    // Paper against the drips of a roller is a narrow strip along the edge.
    if (step.kind !== 'uncover' || !stage?.windows || !isSprayedIn(stage, steps)) return [];
    const dryMin = stage.lastCoatMin + stage.windows.touchMin;
    return step.items.flatMap((id): PlanFault[] => {
      const item = byId.get(id);
      const large = item?.kind === 'cover' && (item.area === SURROUNDINGS_ID || isLargeCover(item.sizeM2 / item.count));
      return large && step.startMin < dryMin - SUM_TOLERANCE
        ? [{ code: 'broken.wet-cover', values: { item: id } }]
        : [];
    });
  });
}
