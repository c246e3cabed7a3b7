/**
 * Runs a generator to its end.
 * @returns its return value
 */
export function runToEnd<T>(steps: Generator<unknown, T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/**
 * Runs a generator as part of a larger one, with the progress of the larger one.
 * @param news yielded at every step instead of what the generator yields
 */
export function* runWithProgress<N, T>(steps: Generator<unknown, T>, news: N): Generator<N, T> {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    yield news;
  }
}

/** Runs a generator without reporting its progress. */
export const withoutProgress = <T>(steps: Generator<unknown, T>): Generator<undefined, T> =>
  runWithProgress(steps, undefined);
