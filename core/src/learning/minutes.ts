import type { FactorEstimate } from '../kit';

/** How long something took a person, against what the plan said. */
export interface MeasuredMinutes {
  readonly plannedMin: number;
  readonly realMin: number;
}

/** How much longer than planned somebody takes for a kind of work. */
export type SpeedFactor = FactorEstimate;

// Logarithms: before anything is seen, and of one time against another (rules of thumb).
const PRIOR_SPREAD = 0.4;
const ONE_SPREAD = 0.35;
/** Longer or shorter than this many times the plan, somebody was called away or forgot to tap: it says nothing. */
const MOST_TIMES = 6;

/**
 * What minutes of steps say about a person and a kind of work.
 * Log-normal with known spreads: the mean of the logarithms, drawn to the plan as long as little was seen.
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
