import { useEffect, useRef, useState } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';

// Unsaved input of forms survives leaving the screen, going back and a reload. It is kept as long as the tab is open.

const PREFIX = 'lintrel.form.';

interface Kept {
  /** What the form was opened with: where that has changed meanwhile, what was typed over it does not come back. */
  readonly of: string;
  readonly values: unknown;
}

/** What was typed into a form that was opened with the same; null where nothing was. */
function readKept(key: string, opened: string): unknown {
  try {
    const kept = JSON.parse(sessionStorage.getItem(PREFIX + key) ?? 'null') as Kept | null;
    return kept?.of === opened ? kept.values : null;
  } catch {
    return null;
  }
}

/** Keeps the input, unless it equals the opened values. */
function keepTyped(key: string, opened: string, values: unknown): void {
  try {
    if (JSON.stringify(values) === opened) sessionStorage.removeItem(PREFIX + key);
    else sessionStorage.setItem(PREFIX + key, JSON.stringify({ of: opened, values } satisfies Kept));
  } catch {
    // Without a place to keep it, it lives as long as the screen.
  }
}

/** Discards the input of a form, after saving or on request. */
function forgetTyped(key: string): void {
  try {
    sessionStorage.removeItem(PREFIX + key);
  } catch {
    // Storage is unavailable.
  }
}

/** Discards the input of all forms, before somebody else signs in. */
export function forgetAllTyped(): void {
  try {
    for (const key of Object.keys(sessionStorage)) if (key.startsWith(PREFIX)) sessionStorage.removeItem(key);
  } catch {
    // Storage is unavailable.
  }
}

/** A form whose input is kept. */
export interface KeptForm {
  /** True if its input was restored. */
  readonly restored: boolean;
  /** Discards the input; call after saving. */
  readonly forget: () => void;
  /** Begins again with what is saved. */
  readonly startOver: () => void;
}

/** Keeps the input of a form. */
export function useKeptForm<F extends FieldValues, T>(
  key: string,
  {
    watch,
    reset,
    getValues,
    formState,
  }: Pick<UseFormReturn<F, unknown, T>, 'watch' | 'reset' | 'getValues' | 'formState'>,
): KeptForm {
  // The values the form was opened with, also after it was filled from typical figures.
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

/** Form state whose changes are kept. */
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
