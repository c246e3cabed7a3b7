import { dryingRate, REFERENCE_AIR } from '../air';
import type { Finish } from '../finish';

/**
 * How long paint that was mixed may be used, minutes; null: it keeps.
 * Warmth makes it set sooner, as it does a film; cold is not trusted to keep it longer than its sheet says.
 * @param airC air it is mixed and sprayed in
 */
export const potLifeAt = (
  { potLifeMin, activationKj }: Pick<Finish, 'potLifeMin' | 'activationKj'>,
  airC: number,
): number | null =>
  potLifeMin === null ? null : potLifeMin / Math.max(1, dryingRate(activationKj, false, { ...REFERENCE_AIR, airC }));
