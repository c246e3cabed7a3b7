import type { Finish } from '../finish';
import { mixAgainMinutes } from './gun';

/** How the coats of a stage share the lots their paint is mixed in, so that none is too old when it is sprayed. */
export interface LotShares {
  /** How long a lot may be used in the air of the job; null: it keeps. */
  readonly lifeMin: number | null;
  /** First coat of each lot, from 1; the first lot is mixed before all coats, each later one right before its first coat. */
  readonly from: readonly number[];
  /** So often one coat is mixed for: more than once where it takes longer than a mix lasts. */
  readonly perCoat: number;
  /** Mixing between the coats, all told: minutes of work. */
  readonly mixMin: number;
  /** Waiting between the coats, all told: what the mixing leaves of it. */
  readonly waitMin: number;
}

/**
 * Shares coats out to lots: as many of them to a lot as are on before it has gone off.
 * @param coats how many
 * @param eachMin one coat; `lastMin`: what is done with the same paint after the last one, fading it out
 * @param gapMin least time between two coats; where mixing takes longer than that, the next coat waits for it
 * @param potLifeMin how long a mix may be used; null: it keeps
 * @returns one lot where a paint is not mixed or keeps
 */
export function lotsOf(
  {
    coats,
    eachMin,
    lastMin,
    gapMin,
  }: { readonly coats: number; readonly eachMin: number; readonly lastMin: number; readonly gapMin: number },
  potLifeMin: number | null,
  finish: Pick<Finish, 'mixRatio' | 'method'>,
): LotShares {
  const lifeMin = potLifeMin ?? Infinity;
  const againMin = mixAgainMinutes(finish);
  const from = [1];
  let mixMin = 0;
  let waitMin = 0;
  let age = eachMin;
  for (let coat = 2; coat <= coats; coat++) {
    const min = eachMin + (coat === coats ? lastMin : 0);
    age += gapMin + min;
    if (age <= lifeMin + 1e-9) {
      waitMin += gapMin;
      continue;
    }
    from.push(coat);
    mixMin += againMin;
    waitMin += Math.max(0, gapMin - againMin);
    age = min;
  }
  return { lifeMin: potLifeMin, from, perCoat: Math.max(1, Math.ceil(eachMin / lifeMin - 1e-9)), mixMin, waitMin };
}
