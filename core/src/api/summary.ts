import * as v from 'valibot';
import { AIR_MOVEMENTS, HEATS } from '../air';
import { JOB_KINDS, type Message, wholeBetween } from '../kit';
import { newestEventSchema } from '../log';
import type { FrozenPlan } from '../runsheet';

// Data of the list of jobs and of a run sheet, without designs.

export const instant = () => v.pipe(v.string(), v.isoTimestamp());
export const revision = () => wholeBetween(1, 1_000_000_000);

/** A code with its values, put into words where it is shown. */
export const messageSchema = v.object({
  code: v.string(),
  values: v.record(v.string(), v.any()),
}) as unknown as v.GenericSchema<Message, Message>;

const filmSchema = v.object({
  activationKj: v.number(),
  waterborne: v.boolean(),
  airC: v.number(),
  rhPercent: v.number(),
  movement: v.picklist(AIR_MOVEMENTS),
});
const heatSchema = v.object({ kind: v.picklist(HEATS), fromMin: v.number(), minutes: v.number(), filmC: v.number() });
const countSchema = v.object({
  since: v.number(),
  minMin: v.number(),
  maxMin: v.nullable(v.number()),
  againMin: v.optional(v.number()),
  film: v.optional(filmSchema),
});
const windowSchema = v.object({
  step: v.string(),
  say: messageSchema,
  code: v.string(),
  opens: v.nullable(v.number()),
  again: v.optional(v.nullable(v.number())),
  closes: v.nullable(v.number()),
  counts: v.optional(v.pipe(v.array(countSchema), v.readonly())),
  heats: v.optional(v.pipe(v.array(heatSchema), v.readonly())),
});

/** A job in the list with its running windows. */
const jobSummarySchema = v.object({
  id: v.string(),
  title: v.string(),
  kind: v.picklist(JOB_KINDS),
  revision: revision(),
  updatedAt: instant(),
  state: v.picklist(['planning', 'in-shop', 'finished']),
  /** The step that is next; null while the job is being planned, when every step is done, or when it is finished. */
  next: v.nullable(messageSchema),
  /** Its id. */
  nextStep: v.nullable(v.string()),
  finishedAt: v.nullable(v.number()),
  windows: v.array(windowSchema),
  /** When it was archived or deleted; and how many entries have come from phones since it was deleted. */
  archivedAt: v.nullish(instant(), null),
  deletedAt: v.nullish(instant(), null),
  late: v.optional(v.number(), 0),
});
export type JobSummary = v.InferOutput<typeof jobSummarySchema>;
/** A page of the list: `more` is where the next begins, null at its end. */
export const jobListSchema = v.object({
  now: v.number(),
  jobs: v.array(jobSummarySchema),
  more: v.nullable(v.string()),
});

/** A change: its kind, and its job if it concerns one; numbered in order. */
export const changeSchema = v.object({
  seq: v.number(),
  kind: v.picklist(['job', 'log', 'shelf']),
  job: v.nullable(v.string()),
});
export type Change = v.InferOutput<typeof changeSchema>;

/** How a phone comes to trust this shop: its secret addresses, and the mark of what is to be trusted; null: nothing of the shop's own. */
export const trustSchema = v.object({ addresses: v.array(v.string()), fingerprint: v.nullable(v.string()) });

/** A device that shows a step of a run sheet now, and the person using it. Sent to the other pages, not stored. */
export const presenceSchema = v.object({
  job: v.string(),
  step: v.string(),
  device: v.string(),
  person: v.nullable(v.string()),
});
export type Presence = v.InferOutput<typeof presenceSchema>;

/** How many jobs of the demo are in the shop. */
export const ownShopSchema = v.object({ demoJobs: v.number() });

/** A stored backup; the newest comes first in the list. */
const backupSchema = v.object({ name: v.string(), at: instant(), bytes: v.number() });
export type BackupKept = v.InferOutput<typeof backupSchema>;
/** Why the last backup could not be written, and when that was tried. */
const backupFailureSchema = v.object({
  at: instant(),
  why: v.picklist(['full', 'denied', 'folder', 'database', 'other']),
});
export type BackupFailure = v.InferOutput<typeof backupFailureSchema>;
/**
 * `made`: whether this server makes backups; `most`: how many are kept; `failure`: null if the last one was written;
 * `freeBytes`: null if unknown; `low`: too little space for the next ones; `keySet`: whether passphrases and PINs
 * are included, encrypted.
 */
export const backupsSchema = v.object({
  made: v.boolean(),
  most: v.number(),
  backups: v.array(backupSchema),
  failure: v.nullable(backupFailureSchema),
  freeBytes: v.nullable(v.number()),
  low: v.boolean(),
  keySet: v.boolean(),
});
export type Backups = v.InferOutput<typeof backupsSchema>;

// A frozen plan is returned unchanged, whatever its version: `readWorkSheet` reads it.
const frozenPlan = () =>
  v.custom<FrozenPlan>(
    (plan) => typeof plan === 'object' && plan !== null && (plan as FrozenPlan).format === 'lintrel-plan',
  );
/** A stored entry. Its number, and so the order, is given by the server. */
const keptEventSchema = v.object({ ...newestEventSchema.entries, seq: v.number() });
export type KeptEvent = v.InferOutput<typeof keptEventSchema>;

/** Entries after a number, and the newest work sheet there is; null: none was started. */
export const logAnswerSchema = v.object({ sheet: v.nullable(v.number()), events: v.array(keptEventSchema) });
/** Result for each entry sent: the number it is stored under, or why it was refused. */
export const entryResultsSchema = v.object({
  entries: v.array(
    v.union([
      v.object({ id: v.string(), seq: v.number() }),
      v.object({
        id: v.string(),
        refused: v.object({ code: v.string(), message: v.string(), now: v.optional(instant()) }),
      }),
    ]),
  ),
});
export type EntryResults = v.InferOutput<typeof entryResultsSchema>;

const runOf = <S extends v.GenericSchema>(plan: S) =>
  v.object({
    /** `sheet`: number of the work sheet. What it holds never changes. */
    started: v.nullable(v.object({ sheet: v.number(), revision: revision0(), plan })),
    events: v.array(keptEventSchema),
  });

/** A job that came in with its work sheet, and whose design was changed since in its own shop, has revision 0 there. */
const revision0 = () => wholeBetween(0, 1_000_000_000);

/** The plan a job was started with, and its log. */
export const runSchema = runOf(frozenPlan());
/** The same as sent: the plan is null for a client that already has this sheet, as given by `?have=`. */
export const runAnswerSchema = runOf(v.nullable(frozenPlan()));
export type RunAnswer = v.InferOutput<typeof runAnswerSchema>;
export type RunRecord = v.InferOutput<typeof runSchema>;

/** Names something that was made. */
export const createdSchema = v.object({ id: v.string() });

/** The one shape of every refusal. */
export const errorSchema = v.object({
  error: v.object({
    code: v.string(),
    message: v.string(),
    fields: v.optional(
      v.array(
        v.object({ path: v.string(), code: v.string(), values: v.record(v.string(), v.any()), message: v.string() }),
      ),
    ),
    /** With code `stale`: read by versionsSchema. */
    versions: v.optional(v.unknown()),
  }),
});
export type ApiErrorBody = v.InferOutput<typeof errorSchema>;
