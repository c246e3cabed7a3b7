import { saveJobSchema } from '@lintrel/core';
import * as v from 'valibot';

const draftSchema = v.strictObject({ ...saveJobSchema.entries, unsure: v.optional(v.pipe(v.array(v.string()), v.readonly())) });

/** A design not confirmed yet, the revision it was changed from, and saves before it whose answers were lost. */
export type Draft = v.InferOutput<typeof draftSchema>;

const key = (id: string) => `lintrel.draft.${id}`;

/** Keeps what is not saved yet, so that a reload or a flat battery loses nothing. */
export function keepDraft(id: string, draft: Draft): void {
  try {
    localStorage.setItem(key(id), JSON.stringify(draft));
  } catch {
    // A full or forbidden store: the draft still lives on this page.
  }
}

/** Forgets the draft once the server has confirmed it. */
export const dropDraft = (id: string): void => localStorage.removeItem(key(id));

/** The draft kept for a job; null where there is none that can be read. */
export function readDraft(id: string): Draft | null {
  try {
    const draft = v.safeParse(draftSchema, JSON.parse(localStorage.getItem(key(id)) ?? 'null'));
    return draft.success ? draft.output : null;
  } catch {
    return null;
  }
}
