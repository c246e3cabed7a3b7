/** A frequently changing value outside the component tree: only its subscribers are redrawn. */
export interface Observable<T> {
  readonly get: () => T;
  readonly set: (value: T) => void;
  readonly subscribe: (changed: () => void) => () => void;
}

/** A cell that holds a value. */
export function newObservable<T>(first: T): Observable<T> {
  let value = first;
  const listeners = new Set<() => void>();
  return {
    get: () => value,
    set: (next) => {
      if (Object.is(next, value)) return;
      value = next;
      for (const changed of listeners) changed();
    },
    subscribe: (changed) => {
      listeners.add(changed);
      return () => listeners.delete(changed);
    },
  };
}
