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
