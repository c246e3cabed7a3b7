/**
 * Takes all steps of something that is worked out in steps.
 * @returns what it ends with
 */
export function runToEnd<T>(steps: Generator<unknown, T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/**
 * Takes steps as part of something larger, which has its own to tell at each of them.
 * @param news told at every step, whatever the steps say themselves
 */
export function* runWithProgress<N, T>(steps: Generator<unknown, T>, news: N): Generator<N, T> {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    yield news;
  }
}

/** Takes steps whose news nobody waits for. */
export const withoutProgress = <T>(steps: Generator<unknown, T>): Generator<undefined, T> =>
  runWithProgress(steps, undefined);
