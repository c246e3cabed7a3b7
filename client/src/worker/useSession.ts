import type { Design, Plan, Shelf } from '@lintrel/core';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { session } from './jobSession';
import type { ViewName, Views } from './messages';

/** What follows from the design on screen, as far as it is worked out. */
export interface SessionView {
  /** Lines and areas, which are there before the order of coats; null until the first are. */
  readonly parts: Plan['parts'] | null;
  /** The newest plan; null until the first is there. */
  readonly plan: Plan | null;
  /** True while the plan is older than design or shelf. */
  readonly planning: boolean;
  /** Why the design could not be worked out. */
  readonly planError: string | null;
}

/** Puts a design before the session and gives what it works out. */
export function useSession(job: string, design: Design, shelf: Shelf): SessionView {
  const state = useSyncExternalStore(session.subscribe, session.state);
  useEffect(() => session.put(job, design, shelf), [job, design, shelf]);
  const isCurrent = state.job === job;
  return {
    parts: (isCurrent && state.parts) || null,
    plan: (isCurrent && state.plan?.plan) || null,
    planning: !isCurrent || state.design !== design || state.plan?.turn !== state.turn,
    planError: isCurrent && state.design === design ? state.error : null,
  };
}

/**
 * What the session says of the open job when asked; asked again whenever the job is another.
 * @param input null asks nothing
 * @returns the newest answer, null until there is one; `fresh` is false while a newer one is on its way; why there is none
 */
export function useView<N extends ViewName>(
  view: N,
  input: Views[N]['input'] | null,
): { readonly output: Views[N]['output'] | null; readonly fresh: boolean; readonly error: string | null } {
  const { job, turn } = useSyncExternalStore(session.subscribe, session.state);
  const [answer, setAnswer] = useState<{
    of: string;
    job: string | null;
    turn: number;
    output: Views[N]['output'] | null;
    error: string | null;
  } | null>(null);
  const key = input === null ? null : JSON.stringify(input);
  useEffect(() => {
    if (key === null || turn === 0) return;
    return session.ask(view, JSON.parse(key) as Views[N]['input'], (output, error) =>
      setAnswer((last) => ({
        of: key,
        job,
        turn,
        output: error === null ? output : last && last.job === job ? last.output : null,
        error,
      })),
    );
  }, [view, key, job, turn]);
  // What was said of another job is none of this one, not even until its own answer is there.
  const current = answer?.job === job ? answer : null;
  const fresh = current !== null && current.of === key && current.turn === turn;
  return { output: input === null ? null : (current?.output ?? null), fresh, error: fresh ? current.error : null };
}
