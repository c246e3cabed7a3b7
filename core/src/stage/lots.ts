import type { Finish } from '../finish';
import { TOLERANCE } from '../kit';
import { mixAgainMinutes } from './gun';

/** How the coats of a stage share the lots their paint is mixed in, so that none is too old when it is sprayed. */
export interface LotShares {
  /** Pot life of a lot in the air of the job; null: unlimited. */
  readonly lifeMin: number | null;
  /** First coat of each lot, from 1; the first lot is mixed before all coats, each later one right before its first coat. */
  readonly from: readonly number[];
  /** So often one coat is mixed for: more than once where it takes longer than a mix lasts. */
  readonly perCoat: number;
  /** Total mixing between the coats: minutes of work. */
  readonly mixMin: number;
  /** Total waiting between the coats, less the mixing. */
  readonly waitMin: number;
}

/**
 * Divides coats into lots: as many coats per lot as fit into its pot life.
 * @param coats number of coats
 * @param eachMin one coat; `lastMin`: work with the same paint after the last coat, for fading out
 * @param gapMin minimum time between two coats; if mixing takes longer, the next coat waits for it
 * @param potLifeMin pot life; null: unlimited
 * @returns one lot if a paint is not mixed, or its pot life is unlimited
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
    if (age <= lifeMin + TOLERANCE.rounding) {
      waitMin += gapMin;
      continue;
    }
    from.push(coat);
    mixMin += againMin;
    waitMin += Math.max(0, gapMin - againMin);
    age = min;
  }
  return {
    lifeMin: potLifeMin,
    from,
    perCoat: Math.max(1, Math.ceil(eachMin / lifeMin - TOLERANCE.rounding)),
    mixMin,
    waitMin,
  };
}
