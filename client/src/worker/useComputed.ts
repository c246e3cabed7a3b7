import { useEffect, useState } from 'react';
import type { WorkerJobName, WorkerJobs } from './requests';
import { compute } from './worker';

/**
 * What the worker makes of an input; an older answer never replaces a newer one.
 * @param input null asks nothing
 * @returns the newest answer, null until there is one; `fresh` is false while a newer one is on its way
 */
export function useComputed<N extends WorkerJobName>(
  name: N,
  input: WorkerJobs[N]['input'] | null,
): { readonly output: WorkerJobs[N]['output'] | null; readonly fresh: boolean } {
  const [state, setState] = useState<{ of: string; output: WorkerJobs[N]['output'] } | null>(null);
  const key = keyOf(input);
  useEffect(() => {
    let wanted = true;
    if (input !== null)
      void compute(name, input).then(
        (output) => wanted && setState({ of: key, output }),
        () => undefined,
      );
    return () => {
      wanted = false;
    };
    // The key stands for the input.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [name, key]);
  return { output: input === null ? null : (state?.output ?? null), fresh: state?.of === key };
}

/** Large values that come from the open job: each is known by being the same object, not by what is in it. */
const LARGE = new Set(['parts', 'design', 'shelf', 'tapes', 'from']);
const numbers = new WeakMap<object, number>();
let last = 0;

function numberOf(value: object): number {
  const known = numbers.get(value);
  if (known !== undefined) return known;
  numbers.set(value, ++last);
  return last;
}

/** A short text that is the same for the same input. */
const keyOf = (input: unknown): string =>
  JSON.stringify(input, (key, value: unknown) => (LARGE.has(key) && typeof value === 'object' && value !== null ? numberOf(value) : value));
