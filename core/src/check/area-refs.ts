import { type AreaId, type AreaRef, areaRef, firstTwo } from '../kit';
import type { PartPlan } from '../setout';

/** The areas on both sides of a border of a part. */
export const sidesOf = (part: PartPlan, { left, right }: PartPlan['borders'][number]): readonly [AreaRef, AreaRef] =>
  firstTwo([left, right].map((code) => areaRef(part.id, idOf(part, code))));

const idOf = ({ areas }: PartPlan, code: string): AreaId => areas.find((area) => area.code === code)?.id ?? code;
