import { dryingRate, REFERENCE_AIR } from '../air';
import type { Finish } from '../finish';

/**
 * Pot life of mixed paint, minutes; null: unlimited.
 * Warmth shortens it as it shortens drying; cold does not lengthen it beyond the data sheet.
 * @param airC air in which it is mixed and sprayed
 */
export const potLifeAt = (
  { potLifeMin, activationKj }: Pick<Finish, 'potLifeMin' | 'activationKj'>,
  airC: number,
): number | null =>
  potLifeMin === null ? null : potLifeMin / Math.max(1, dryingRate(activationKj, false, { ...REFERENCE_AIR, airC }));
