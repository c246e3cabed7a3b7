import type { OrderProblem } from '../stage';
import { type SearchProgress, type SearchResult, searchSteps } from './search';

/** What was searched, and what came of it. */
export interface KeptMaskSearch {
  readonly problem: OrderProblem;
  readonly result: SearchResult;
}

/**
 * Best orders of coats with masks on kept areas staying on for all coats beside them; or with fresh masks if no tape
 * lasts that long and fresh ones cost less than what would be spoiled.
 * A generator, so that it can be left early.
 */
export function* keptMaskSearchSteps(problem: OrderProblem): Generator<SearchProgress, KeptMaskSearch> {
  const result = yield* searchSteps(problem);
  const [best] = result.sequences;
  if (!problem.rules.through || !best?.stages.some(({ forbidden }) => forbidden.includes('late')))
    return { problem, result };
  const fresh = { ...problem, rules: { ...problem.rules, through: false } };
  const other = yield* searchSteps(fresh);
  return other.sequences[0] && other.sequences[0].score < best.score
    ? { problem: fresh, result: other }
    : { problem, result };
}
