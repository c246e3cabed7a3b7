import type { Design, EditMessage } from '@lintrel/core';
import { applyPatch, compare, type Operation } from 'fast-json-patch';

/** Undo and redo steps of the design on screen. */
export interface History {
  readonly past: readonly HistoryStep[];
  readonly future: readonly HistoryStep[];
}

/** A step from one design to the next: what was done, and what it changed, either way. */
interface HistoryStep {
  readonly said: EditMessage;
  readonly back: readonly Operation[];
  readonly on: readonly Operation[];
}

export const NO_HISTORY: History = { past: [], future: [] };

/** Maximum number of steps, and of characters of their changes. */
const MOST_STEPS = 60;
const MOST_LETTERS = 1_500_000;

/** Records a change; redo steps are dropped. */
export function recordStep({ past }: History, before: Design, after: Design, said: EditMessage): History {
  const step: HistoryStep = { said, back: compare(after, before), on: compare(before, after) };
  return { past: fitting([...past, step].slice(-MOST_STEPS)), future: [] };
}

/** The newest steps within the limit. */
function fitting(steps: readonly HistoryStep[]): HistoryStep[] {
  let letters = 0;
  const from = steps.findLastIndex(({ back, on }) => (letters += JSON.stringify([back, on]).length) > MOST_LETTERS);
  return steps.slice(from + 1);
}

/** A design with changes applied; the original is not modified. */
const patched = (design: Design, changes: readonly Operation[]): Design =>
  applyPatch(design, changes, false, false).newDocument;

type Walked = { readonly design: Design; readonly history: History; readonly said: EditMessage };

/** One step back: the design to show, and the history then; null where there is none. */
export function stepBack({ past, future }: History, now: Design): Walked | null {
  const last = past.at(-1);
  return last
    ? {
        design: patched(now, last.back),
        said: last.said,
        history: { past: past.slice(0, -1), future: [...future, last] },
      }
    : null;
}

/** One step forward again. */
export function stepForward({ past, future }: History, now: Design): Walked | null {
  const next = future.at(-1);
  return next
    ? {
        design: patched(now, next.on),
        said: next.said,
        history: { past: [...past, next], future: future.slice(0, -1) },
      }
    : null;
}
