import type { OwnItem, OwnPieceMessage } from '../contract';
import { COVER_MATERIAL } from '../items';
import type { PartPlan } from '../setout';
import { nameOf } from './step-places';

/** A piece a person lays themselves. */
export function ownPieceMessage(
  { code: name, part, material, lengthMm, sizeM2, note, count, fromPlace: fromMm, toPlace: toMm, byPlaces }: OwnItem,
  parts: readonly PartPlan[],
): OwnPieceMessage {
  const common = {
    name,
    part: parts.length > 1 ? nameOf(parts, part) : null,
    note,
    count,
    fromMm,
    toMm,
    byMm: byPlaces.flat(),
  };
  if (material === COVER_MATERIAL) return { code: 'own.cover', values: { ...common, sizeM2 } };
  return { code: 'own.tape', values: { ...common, tape: material, lengthMm } };
}
