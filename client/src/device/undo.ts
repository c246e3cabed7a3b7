import { useSyncExternalStore } from 'react';

/** Something that was just done and can be undone. */
export interface Undoable {
  /** What was done, in a sentence. */
  readonly text: string;
  readonly undo: () => Promise<unknown>;
}

/** How long it is offered, ms: long enough to take a glove off. */
const OFFERED_MS = 30_000;

let offered: Undoable | null = null;
let timer: ReturnType<typeof setTimeout> | undefined;
const listeners = new Set<() => void>();

function show(next: Undoable | null): void {
  clearTimeout(timer);
  offered = next;
  if (next) timer = setTimeout(() => show(null), OFFERED_MS);
  listeners.forEach((changed) => changed());
}

/** Offers to undo what was just done, in place of what was offered before. */
export const offerUndo = (undoable: Undoable): void => show(undoable);

/** Takes the offer away. */
export const endUndo = (): void => show(null);

const subscribe = (changed: () => void) => {
  listeners.add(changed);
  return () => void listeners.delete(changed);
};

/** What can be undone now; null: nothing. */
export const useUndoable = (): Undoable | null => useSyncExternalStore(subscribe, () => offered);
