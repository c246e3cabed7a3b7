import type { FactorEstimate } from '../kit';

/** Measured minutes of a person against the planned ones. */
export interface MeasuredMinutes {
  readonly plannedMin: number;
  readonly realMin: number;
}

/** Factor on the planned minutes of a person for a kind of work. */
export type SpeedFactor = FactorEstimate;

// Logarithms: before anything is seen, and of one time against another (rules of thumb).
const PRIOR_SPREAD = 0.4;
const ONE_SPREAD = 0.35;
/** Beyond this factor, in either direction, the person was called away or forgot to tap: ignored. */
const MOST_TIMES = 6;

/**
 * Learns from measured minutes of a person for a kind of work.
 * Log-normal with known spreads: the mean of the logarithms, shrunk towards the plan while there are few
 * observations.
 */
export function speedFactorFrom(seen: readonly MeasuredMinutes[]): SpeedFactor {
  const logs = seen.flatMap(({ plannedMin, realMin }) => {
    const log = plannedMin > 0 && realMin > 0 ? Math.log(realMin / plannedMin) : NaN;
    return Math.abs(log) <= Math.log(MOST_TIMES) ? [log] : [];
  });
  const weight = 1 / PRIOR_SPREAD ** 2 + logs.length / ONE_SPREAD ** 2;
  const middle = logs.reduce((sum, log) => sum + log, 0) / ONE_SPREAD ** 2 / weight;
  const spread = 1 / Math.sqrt(weight);
  return {
    factor: Math.exp(middle),
    low: Math.exp(middle - spread),
    high: Math.exp(middle + spread),
    count: logs.length,
  };
}
