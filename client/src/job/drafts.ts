import type { SaveJob } from '@lintrel/core';
import { saveJobSchema } from '@lintrel/core';
import * as v from 'valibot';

const key = (id: string) => `lintrel.draft.${id}`;

/** Keeps what is not saved yet, so that a reload or a flat battery loses nothing. */
export function keepDraft(id: string, draft: SaveJob): void {
  try {
    localStorage.setItem(key(id), JSON.stringify(draft));
  } catch {
    // A full or forbidden store: the draft still lives on this page.
  }
}

/** Forgets the draft once the server has confirmed it. */
export const dropDraft = (id: string): void => localStorage.removeItem(key(id));

/** The draft kept for a job; null where there is none that can be read. */
export function readDraft(id: string): SaveJob | null {
  try {
    const draft = v.safeParse(saveJobSchema, JSON.parse(localStorage.getItem(key(id)) ?? 'null'));
    return draft.success ? draft.output : null;
  } catch {
    return null;
  }
}
