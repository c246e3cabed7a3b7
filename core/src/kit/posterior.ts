/** What is known of a factor that figures are multiplied by: its middle, and between what it lies two in three times. */
export interface FactorEstimate {
  readonly factor: number;
  readonly low: number;
  readonly high: number;
  /** Observations it is known from. */
  readonly count: number;
}

/** Range of the logarithm of a factor: from a third to three times. */
export const LOG_FACTOR_RANGE = Math.log(3);
// A grid over it, in steps of half a percent.
const STEPS = 440;
const GRID = Array.from(
  { length: STEPS + 1 },
  (_, index) => -LOG_FACTOR_RANGE + (2 * LOG_FACTOR_RANGE * index) / STEPS,
);

/** Before anything was seen: log-normal with median 1, and this spread of the logarithm. */
export const factorPrior = (spread: number): FactorEstimate => ({
  factor: 1,
  low: Math.exp(-spread),
  high: Math.exp(spread),
  count: 0,
});

/**
 * Posterior of the logarithm of a factor, on a grid.
 * @param spread prior standard deviation of the logarithm; the prior median is 1
 * @param seen per observation, its likelihood for a value of the logarithm
 */
export function factorPosterior(spread: number, seen: readonly ((log: number) => number)[]): FactorEstimate {
  if (seen.length === 0) return factorPrior(spread);
  const weights = GRID.map((log) =>
    seen.reduce((all, likelihood) => all * likelihood(log), Math.exp(-(log * log) / (2 * spread ** 2))),
  );
  const positions = quantiles(weights);
  return {
    factor: Math.exp(positions(0.5)),
    low: Math.exp(positions(0.1587)),
    high: Math.exp(positions(0.8413)),
    count: seen.length,
  };
}

/** Where a share of all weight lies below, between the places of the grid. */
function quantiles(weights: readonly number[]): (share: number) => number {
  const sums: number[] = [];
  let sum = 0;
  for (const weight of weights) sums.push((sum += weight));
  return (share) => {
    const wanted = share * sum;
    const index = sums.findIndex((other) => other >= wanted);
    if (index <= 0) return GRID[0]!;
    const part = (wanted - sums[index - 1]!) / (sums[index]! - sums[index - 1]!);
    return GRID[index - 1]! + part * (GRID[index]! - GRID[index - 1]!) + LOG_FACTOR_RANGE / STEPS;
  };
}
