import { type FactorEstimate, factorPosterior, factorPrior } from '../kit';
import { type Observation, observedSpan } from './observation';

/** Factor on the data-sheet times of a finish in this shop; above 1 it dries slower. */
export type Learned = FactorEstimate;

// Log-normal: median 1, spread of the logarithm (handbook, rule of thumb).
const PRIOR_SPREAD = 0.35;
/** A finger, a clock and a mark are not exact: spread of the logarithm of one observation (rule of thumb). */
const SEEN_SPREAD = 0.06;
/** So often an observation is simply wrong: one of them alone moves nothing for good (rule of thumb). */
const MISTAKEN = 0.02;

/** What is known before anything was seen. */
export const NO_LEARNING: Learned = factorPrior(PRIOR_SPREAD);

/**
 * Learns from observations of one finish how fast it dries in this shop.
 * Interval-censored: each observation only says between which marks the film was. Posterior of one factor on a grid.
 * @returns middle and spread of the factor; without observations, 1
 */
export function learnedFactorFrom(observations: readonly Observation[]): Learned {
  const telling = observations.flatMap((observation) =>
    observation.passedMin > 0 ? [{ passedMin: observation.passedMin, span: observedSpan(observation) }] : [],
  );
  return factorPosterior(
    PRIOR_SPREAD,
    telling.map((observation) => (log: number) => likelihood(observation, log)),
  );
}

/** Likelihood that a film with this factor on its times is between these marks at that time. */
function likelihood(
  { passedMin, span: [from, to] }: { passedMin: number; span: readonly [number, number] },
  log: number,
): number {
  const upTo = (mark: number) =>
    mark === Infinity ? 1 : mark <= 0 ? 0 : normal((Math.log(mark / passedMin) + log) / SEEN_SPREAD);
  return MISTAKEN + (1 - MISTAKEN) * Math.max(0, upTo(to) - upTo(from));
}

/** Share of a normal distribution below `x` (Abramowitz and Stegun 26.2.17; errs by less than 1e-7). */
function normal(x: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(x));
  const tail =
    (Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return x >= 0 ? 1 - tail : tail;
}
