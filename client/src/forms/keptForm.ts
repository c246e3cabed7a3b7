import { useEffect, useRef, useState } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';

// What is typed into a form and not saved yet outlives leaving the screen, going back and a reload. It is kept as long as the tab is open.

const PREFIX = 'lintrel.form.';

interface Kept {
  /** What the form was opened with: where that has changed meanwhile, what was typed over it does not come back. */
  readonly of: string;
  readonly values: unknown;
}

/** What was typed into a form that was opened with the same; null where nothing was. */
export function readKept(key: string, opened: string): unknown {
  try {
    const kept = JSON.parse(sessionStorage.getItem(PREFIX + key) ?? 'null') as Kept | null;
    return kept?.of === opened ? kept.values : null;
  } catch {
    return null;
  }
}

/** Keeps what is typed; what is as the form was opened with is not kept. */
export function keepTyped(key: string, opened: string, values: unknown): void {
  try {
    if (JSON.stringify(values) === opened) sessionStorage.removeItem(PREFIX + key);
    else sessionStorage.setItem(PREFIX + key, JSON.stringify({ of: opened, values } satisfies Kept));
  } catch {
    // Without a place to keep it, it lives as long as the screen.
  }
}

/** Forgets what was typed into a form: it was saved, or is not wanted. */
export function forgetTyped(key: string): void {
  try {
    sessionStorage.removeItem(PREFIX + key);
  } catch {
    // Nothing was kept there either.
  }
}

/** Forgets what was typed into all forms: somebody else will sign in. */
export function forgetAllTyped(): void {
  try {
    for (const key of Object.keys(sessionStorage)) if (key.startsWith(PREFIX)) sessionStorage.removeItem(key);
  } catch {
    // Nothing was kept there either.
  }
}

/** A form whose typed values are kept. */
export interface KeptForm {
  /** True where what stands in it was typed before the screen was left. */
  readonly restored: boolean;
  /** Forgets what was typed; call when it was saved. */
  readonly forget: () => void;
  /** Begins again with what is saved. */
  readonly startOver: () => void;
}

/** Keeps what is typed into a form. */
export function useKeptForm<F extends FieldValues, T>(
  key: string,
  {
    watch,
    reset,
    getValues,
    formState,
  }: Pick<UseFormReturn<F, unknown, T>, 'watch' | 'reset' | 'getValues' | 'formState'>,
): KeptForm {
  // What the form was opened with, also after it was filled anew from typical figures.
  const [of] = useState(() => JSON.stringify(formState.defaultValues ?? {}));
  const [restored, setRestored] = useState(false);
  useEffect(() => {
    const kept = readKept(key, of);
    if (kept !== null) {
      reset(kept as F, { keepDefaultValues: true });
      setRestored(true);
    }
    const { unsubscribe } = watch(() => keepTyped(key, of, getValues()));
    return unsubscribe;
  }, [key, of, watch, reset, getValues]);
  const forget = () => forgetTyped(key);
  return {
    restored,
    forget,
    startOver: () => {
      reset();
      forget();
      setRestored(false);
    },
  };
}

/** State of a form that is kept as it is typed. */
export function useKeptState<T>(
  key: string,
  initial: () => T,
): readonly [T, (change: (now: T) => T) => void, KeptForm] {
  const first = useRef<T>(undefined);
  first.current ??= initial();
  const opened = JSON.stringify(first.current);
  const [restored, setRestored] = useState(() => readKept(key, opened) !== null);
  const [value, setValue] = useState<T>(() => (readKept(key, opened) as T | null) ?? first.current!);
  const set = (change: (now: T) => T) =>
    setValue((now) => {
      const next = change(now);
      keepTyped(key, opened, next);
      return next;
    });
  const forget = () => forgetTyped(key);
  return [
    value,
    set,
    {
      restored,
      forget,
      startOver: () => {
        setValue(first.current!);
        forget();
        setRestored(false);
      },
    },
  ];
}
