import { saveJobSchema } from '@lintrel/core';
import * as v from 'valibot';
import { NO_HISTORY, type History } from '@/sync/history';
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
/** `of`: the revision the steps led to, or what they led to was changed from. */
const historySchema = v.object({ of: v.number(), past: steps, future: steps });

/** What this device keeps of a job: its draft, and the steps that led to it. */
export interface KeptJob {
  readonly draft: Draft | null;
  /** The steps that led to a revision; none where they belong to another: stepping back would undo what somebody else has done. */
  readonly historyOf: (revision: number) => History;
}

/** Reads what is kept of a job; nothing where it cannot be read. */
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

/** Keeps the steps of a job, with the revision they belong to. */
export const keepHistory = (store: SyncStore, job: string, revision: number, history: History): void =>
  // A device without room has no steps after a reload; nothing else is lost.
  void store.keep('histories', job, { of: revision, ...history }).catch(() => undefined);
