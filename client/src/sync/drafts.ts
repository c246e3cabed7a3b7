import { saveJobSchema } from '@lintrel/core';
import * as v from 'valibot';
import { type History, NO_HISTORY } from '@/sync/history';
import type { SyncStore } from './store';

const draftSchema = v.strictObject({
  ...saveJobSchema.entries,
  unsure: v.optional(v.pipe(v.array(v.string()), v.readonly())),
});

/** A design not confirmed yet, the revision it was changed from, and saves before it whose answers were lost. */
export type Draft = v.InferOutput<typeof draftSchema>;

const changes = v.array(v.looseObject({ op: v.string(), path: v.string() }));
const steps = v.array(
  v.object({
    said: v.looseObject({ code: v.string(), values: v.record(v.string(), v.unknown()) }),
    back: changes,
    on: changes,
  }),
);
/** `of`: the revision the history belongs to, or is based on. */
const historySchema = v.object({ of: v.number(), past: steps, future: steps });

/** Stored data of a job: its draft and history. */
export interface KeptJob {
  readonly draft: Draft | null;
  /** The history of a revision; empty if it belongs to another one: undo would revert somebody else's change. */
  readonly historyOf: (revision: number) => History;
}

/** Reads the stored data of a job; empty if unreadable. */
export async function readKept(store: SyncStore, job: string): Promise<KeptJob> {
  const [draft, history] = await Promise.all([store.read('drafts', job), store.read('histories', job)]).catch(() => [
    null,
    null,
  ]);
  const [readDraft, readHistory] = [v.safeParse(draftSchema, draft), v.safeParse(historySchema, history)];
  return {
    draft: readDraft.success ? readDraft.output : null,
    historyOf: (revision) =>
      readHistory.success && readHistory.output.of === revision
        ? ({ past: readHistory.output.past, future: readHistory.output.future } as unknown as History)
        : NO_HISTORY,
  };
}

/** Stores the history of a job with its revision. */
export const keepHistory = (store: SyncStore, job: string, revision: number, history: History): void =>
  // Without storage there is no history after a reload; nothing else is lost.
  void store.keep('histories', job, { of: revision, ...history }).catch(() => undefined);
