/**
 * Takes all steps of something that is worked out in steps.
 * @returns what it ends with
 */
export function ended<T>(steps: Generator<unknown, T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/**
 * Takes steps as part of something larger, which has its own to tell at each of them.
 * @param news told at every step, whatever the steps say themselves
 */
export function* retold<N, T>(steps: Generator<unknown, T>, news: N): Generator<N, T> {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    yield news;
  }
}

/** Takes steps whose news nobody waits for. */
export const quietly = <T>(steps: Generator<unknown, T>): Generator<undefined, T> => retold(steps, undefined);
