import type { Finish } from '../finish';
import { RULE_OF_THUMB } from '../kit';
import type { OrderProblem } from './problem';
import { STAGE_RULES } from './rules-of-thumb';

/** The one gun of a shop that names none. */
const ONE_GUN = 'gun';

/** Gun a finish goes through; finishes a person wants through the same gun go through that of the first. */
export function gunOf({ finishes, rules }: OrderProblem, finish: Finish): string {
  let current = finish;
  // A pair leads to its first finish, which may itself be the second of another pair.
  for (let step = 0; step < rules.sameGun.length; step++) {
    const pair = rules.sameGun.find(([, second]) => second === current.id);
    const first = pair && finishes.get(pair[0]);
    if (!first) break;
    current = first;
  }
  return `${usesGun(current) ? current.method : `by ${current.method}`} ${current.gun ?? ONE_GUN}`;
}

/** True for what is put on through a gun that has to be cleaned. */
export const usesGun = ({ method }: Pick<Finish, 'method'>): boolean => method === 'gun' || method === 'airbrush';

/** Flakes left in a gun ruin a solid colour: it is stripped down between the two. */
export const needsStripDown = (before: Finish, after: Finish): boolean => hasFlakes(before) && after.effect === 'solid';

const hasFlakes = ({ effect }: Finish): boolean => effect === 'metallic' || effect === 'pearl' || effect === 'candy';

/** A later lot: what is left in the gun is emptied and rinsed out of it before. */
export const mixAgainMinutes = (finish: Pick<Finish, 'mixRatio' | 'method'>): number =>
  mixMinutes(finish) + (usesGun(finish) ? STAGE_RULES.gunRinse : 0);

/** Mixing, straining and filling; of what is not mixed: shaking or stirring. Minutes. */
export const mixMinutes = ({ mixRatio, method }: Pick<Finish, 'mixRatio' | 'method'>): number =>
  mixRatio.length > 1 ? RULE_OF_THUMB.mix : STAGE_RULES.makeReady[method];
