import * as v from 'valibot';
import { finishSchema, PULL_TIMINGS } from '../finish';
import { designSchema } from '../job';
import {
  faultText,
  idText,
  instantText,
  JOB_KINDS,
  listOf,
  messageWithoutValues,
  nameText,
  noteText,
  numberBetween,
  oneOfWords,
  positiveUpTo,
  stepText,
  uuidText,
} from '../kit';
import { FEELS, PULLS } from '../learning';
import { lineSchema } from '../lines';
import { logEventSchema } from '../log';
import { outlineSchema } from '../surface';
import { supplySchema, tapeSchema } from '../tape';
import { instant, messageSchema, revision } from './summary';

/** Request for a new job. */
export const newJobSchema = v.strictObject({
  title: nameText(),
  kind: oneOfWords(JOB_KINDS),
  scale: v.optional(numberBetween(1, 1000), 1),
});
export type NewJob = v.InferInput<typeof newJobSchema>;

/** Archives a job, or brings it back. */
export const archiveSchema = v.strictObject({ archived: v.boolean() });

/** A stored job with its newest design. */
export const jobSchema = v.object({
  id: v.pipe(v.string(), v.uuid()),
  revision: revision(),
  updatedAt: instant(),
  /** The save that made this revision; null where it was made here. */
  save: v.nullable(v.string()),
  /** Who made it, where people sign in. */
  author: v.nullish(v.string(), null),
  /** When it was archived or deleted; null where it was not. */
  archivedAt: v.nullish(instant(), null),
  deletedAt: v.nullish(instant(), null),
  design: designSchema,
});
export type Job = v.InferOutput<typeof jobSchema>;

/**
 * Saves a design based on `revision`; `save` is an id of this save, so that it can be repeated if the answer was
 * lost.
 */
export const saveJobSchema = v.strictObject({
  revision: revision(),
  save: v.optional(uuidText()),
  design: designSchema,
});
export type SaveJob = v.InferOutput<typeof saveJobSchema>;

/** The whole shelf. Not limited on reading: limits are checked where entries are added. */
const learnedEntries = { factor: v.number(), low: v.number(), high: v.number(), count: v.number() };
export const wholeShelfSchema = v.object({
  tapes: v.array(tapeSchema),
  finishes: v.array(finishSchema),
  supplies: v.array(supplySchema),
  /** How finishes have behaved in this shop; those of which nothing was seen are left out. */
  learned: v.optional(v.array(v.object({ finish: v.string(), ...learnedEntries }))),
});

/** How one finish has behaved here: what follows, and what was seen, the newest last. */
export const behaviourSchema = v.object({
  learned: v.nullable(v.object({ finish: v.string(), ...learnedEntries })),
  seen: v.array(
    v.object({
      at: instant(),
      job: v.string(),
      title: v.string(),
      /** Minutes since the last coat. */
      passedMin: v.number(),
      saw: v.variant('kind', [
        v.object({ kind: v.literal('feel'), feel: v.picklist(FEELS) }),
        v.object({ kind: v.literal('pull'), school: v.picklist(PULL_TIMINGS), result: v.picklist(PULLS) }),
      ]),
    }),
  ),
});
export type BehaviourAnswer = v.InferOutput<typeof behaviourSchema>;

const stockTable = () => oneOfWords(['tapes', 'supplies']);

/** What a person books: a pack or roll received, or how many there are. */
export const bookStockSchema = v.strictObject({
  id: uuidText(),
  at: instantText(),
  stuff: stockTable(),
  code: idText(),
  /** `uncounted`: it is not counted any more. */
  reason: oneOfWords(['received', 'counted', 'uncounted']),
  /** Rolls or packs that came, or that there are. */
  packs: numberBetween(0, 10_000, ''),
  note: noteText(),
});
export type BookStock = v.InferOutput<typeof bookStockSchema>;

/** A change of the stock: by how much, of a count what there was. */
const stockMoveSchema = v.object({
  seq: v.number(),
  stuff: stockTable(),
  code: v.string(),
  reason: oneOfWords(['received', 'counted', 'uncounted', 'used', 'back']),
  packs: v.number(),
  jobId: v.nullable(v.string()),
  step: v.nullable(v.string()),
  note: v.string(),
  at: instant(),
});
export type StockMove = v.InferOutput<typeof stockMoveSchema>;
export const stockMovesSchema = v.object({ moves: v.array(stockMoveSchema) });

/** What jobs in the shop will still take of an entry, rolls or packs, and which they are. */
const stockReservedSchema = v.object({
  stuff: stockTable(),
  code: v.string(),
  packs: v.number(),
  jobs: v.array(v.string()),
});
export type StockReserved = v.InferOutput<typeof stockReservedSchema>;
export const allReservedSchema = v.object({ reserved: v.array(stockReservedSchema) });

/** Starts a job in the shop with the plan of this revision. */
export const startSchema = v.strictObject({
  revision: revision(),
  event: logEventSchema,
  /** Fingerprint of the shelf the plan on screen was made from; missing from older clients. */
  shelf: v.optional(v.pipe(v.string(), v.regex(/^[0-9a-f]{14}$/))),
});

/** Entries for the log of a job, in the order they were made. */
const MAX_ENTRIES_PER_REQUEST = 500;
export const sendLogSchema = v.strictObject({
  entries: v.pipe(v.array(v.unknown()), v.minLength(1), v.maxLength(MAX_ENTRIES_PER_REQUEST)),
  /** Author of each entry by its id; a missing one is the person signed in. */
  authors: v.optional(v.record(uuidText(), uuidText())),
});

/** Announces which step of a run sheet a device shows. */
export const announcePresenceSchema = v.strictObject({ step: stepText(), device: nameText() });

/** With a refusal `stale`: the version sent and the version stored. */
export const versionsSchema = v.object({ yours: saveJobSchema, current: jobSchema });

/** A drawing to be read: the text of an SVG or DXF file. */
export const drawingSchema = v.strictObject({ text: v.string(faultText(messageWithoutValues('field.file-text'))) });

/** What a drawing holds, without its places. */
export const drawingSummarySchema = v.object({
  unitMm: v.nullable(v.number()),
  /** Size of everything in it, in its own unit. */
  width: v.number(),
  height: v.number(),
  layers: v.array(v.object({ name: v.string(), paths: v.number() })),
  skipped: v.array(messageSchema),
});
export type DrawingSummary = v.InferOutput<typeof drawingSummarySchema>;

/** Request to import a drawing as an outline and a line. */
export const importDrawingSchema = v.strictObject({
  text: v.string(faultText(messageWithoutValues('field.file-text'))),
  wish: v.strictObject({
    unitMm: positiveUpTo(100_000, 'mm'),
    outline: v.nullable(v.string()),
    lines: listOf(v.string(faultText(messageWithoutValues('field.layer'))), 'layers', 1000),
    lineId: idText(),
    lineName: nameText(),
    datum: idText(),
  }),
});
export type ImportDrawing = v.InferOutput<typeof importDrawingSchema>;

/** What a drawing became. */
export const importedDrawingSchema = v.object({
  outline: v.nullable(outlineSchema),
  line: v.nullable(lineSchema),
  left: v.array(messageSchema),
});
export type ImportedDrawing = v.InferOutput<typeof importedDrawingSchema>;

/** Request to export one part as a drawing. */
export const drawingOutSchema = v.strictObject({ part: idText(), format: oneOfWords(['svg', 'dxf']) });
