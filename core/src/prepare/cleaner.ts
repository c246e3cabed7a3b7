import type { DryingAir } from '../air';
import type { Part } from '../job';
import { isCuring } from '../over';

/** What a surface is washed with. */
export type Cleaner = 'wax-grease' | 'alcohol' | 'dewax' | 'soap' | 'soap-water' | 'thinner' | 'water' | 'dust';

/** Substrates that strong solvents soften, painted or not. */
const SOFT: readonly Part['substrate'][] = ['styrene', 'resin', 'print'];

const BARE: Readonly<Record<Part['substrate'], Cleaner>> = {
  steel: 'alcohol',
  aluminium: 'alcohol',
  carbon: 'alcohol',
  melamine: 'alcohol',
  gelcoat: 'dewax',
  styrene: 'soap',
  resin: 'soap',
  print: 'soap',
  fabric: 'soap-water',
  wood: 'dust',
  'varnished-wood': 'thinner',
  other: 'soap',
};

/**
 * What a part is washed with before any tape.
 * @param air the air its finish has been drying in
 * @returns the strongest cleaner that its finish, or bare substrate, stands; water alone on paint younger than its cure.
 *   Source: habits of the trade, rules of thumb
 */
export function cleanerFor(
  { substrate, present: { system, ageH } }: Pick<Part, 'substrate' | 'present'>,
  air: DryingAir,
): Cleaner {
  if (system === 'bare') return BARE[substrate];
  if (isCuring(system, ageH, air)) return 'water';
  if (SOFT.includes(substrate)) return 'soap';
  if (substrate === 'fabric' || system === 'dope') return 'soap-water';
  return system === 'varnish' ? 'thinner' : 'wax-grease';
}
