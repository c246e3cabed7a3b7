import type { Design, EditSaid } from '@lintrel/core';

/** Designs before and after the one on screen, with what led from one to the next. */
export interface History {
  readonly past: readonly Entry[];
  readonly future: readonly Entry[];
}

interface Entry {
  readonly said: EditSaid;
  readonly design: Design;
}

export const NO_HISTORY: History = { past: [], future: [] };

/** Steps kept, and how much of the device's storage they may take. */
const MOST_STEPS = 60;
const MOST_LETTERS = 1_500_000;

/** Remembers the design that was on screen before a change; what was undone is gone. */
export const remembered = ({ past }: History, before: Design, said: EditSaid): History => ({
  past: [...past, { said, design: before }].slice(-MOST_STEPS),
  future: [],
});

/** One step back: the design to show, and the history then; null where there is none. */
export function stepBack({ past, future }: History, now: Design): { readonly design: Design; readonly history: History; readonly said: EditSaid } | null {
  const last = past.at(-1);
  if (!last) return null;
  return { design: last.design, said: last.said, history: { past: past.slice(0, -1), future: [...future, { said: last.said, design: now }] } };
}

/** One step forward again. */
export function stepForward({ past, future }: History, now: Design): { readonly design: Design; readonly history: History; readonly said: EditSaid } | null {
  const next = future.at(-1);
  if (!next) return null;
  return { design: next.design, said: next.said, history: { past: [...past, { said: next.said, design: now }], future: future.slice(0, -1) } };
}

/** A history as it lies on the device: steps of an older version of the program are named by their words. */
type KeptEntry = Entry | { readonly words: string; readonly design: Design };
interface Kept {
  readonly past: readonly KeptEntry[];
  readonly future: readonly KeptEntry[];
}
const broughtUp = (entry: KeptEntry): Entry =>
  'said' in entry ? entry : { said: { code: 'edit.written', values: { words: entry.words } }, design: entry.design };

const keyOf = (id: string) => `lintrel.history.${id}`;

const revisionKey = (id: string) => `lintrel.history.${id}.of`;

/** Notes which revision of the job the history belongs to: the one that what is on screen was changed from, or is. */
export function keepHistoryOf(id: string, revision: number): void {
  try {
    localStorage.setItem(revisionKey(id), String(revision));
  } catch {
    // The device has no room: after a reload there is no history.
  }
}

/** Keeps the history on this device, so that it is there after a reload; the oldest steps go first when room is short. */
export function keepHistory(id: string, history: History): void {
  for (let from = 0; from <= history.past.length; from++) {
    const text = JSON.stringify({ ...history, past: history.past.slice(from) });
    if (text.length > MOST_LETTERS) continue;
    try {
      return localStorage.setItem(keyOf(id), text);
    } catch {
      // The device has no room: try with fewer steps.
    }
  }
}

/**
 * The history kept for a job.
 * @param revision the one on screen, or the one a draft on screen was changed from
 * @returns none where it cannot be read, or belongs to another revision: stepping back would undo what somebody else has done
 */
export function readHistory(id: string, revision: number): History {
  try {
    if (localStorage.getItem(revisionKey(id)) !== String(revision)) return NO_HISTORY;
    const kept = JSON.parse(localStorage.getItem(keyOf(id)) ?? 'null') as Kept | null;
    if (!kept || !Array.isArray(kept.past) || !Array.isArray(kept.future)) return NO_HISTORY;
    return { past: kept.past.map(broughtUp), future: kept.future.map(broughtUp) };
  } catch {
    return NO_HISTORY;
  }
}
