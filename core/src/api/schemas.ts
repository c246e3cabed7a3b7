import * as v from 'valibot';
import { finishSchema } from '../finish';
import { designSchema, JOB_KINDS } from '../job';
import { lineSchema } from '../lines';
import { logEventSchema, type FrozenPlan } from '../log';
import { outlineSchema } from '../surface';
import { tapeSchema } from '../tape';
import { idText, listOf, nameText, numberBetween, oneOf, plainly, positiveUpTo, type Said, told, uuidText, wholeBetween } from '../units';

const instant = () => v.pipe(v.string(), v.isoTimestamp());
const revision = () => wholeBetween(1, 1_000_000_000);

/** Asks for a new job. */
export const newJobSchema = v.strictObject({
  title: nameText(),
  kind: oneOf(JOB_KINDS),
  scale: v.optional(numberBetween(1, 1000), 1),
});
export type NewJob = v.InferInput<typeof newJobSchema>;

/** A job as it is kept: its design at the newest revision. */
export const jobSchema = v.object({
  id: v.pipe(v.string(), v.uuid()),
  revision: revision(),
  updatedAt: instant(),
  /** The save that made this revision; null where it was made here. */
  save: v.nullable(v.string()),
  design: designSchema,
});
export type Job = v.InferOutput<typeof jobSchema>;

/** Saves a design that was changed from `revision`; `save` names the save, so that it may be sent again when its answer was lost. */
export const saveJobSchema = v.strictObject({ revision: revision(), save: v.optional(uuidText()), design: designSchema });
export type SaveJob = v.InferOutput<typeof saveJobSchema>;

/** A code with its values, to be put into words by whoever shows it. */
const saidSchema = v.object({ code: v.string(), values: v.record(v.string(), v.any()) }) as unknown as v.GenericSchema<Said, Said>;

const windowSchema = v.object({ step: v.string(), say: saidSchema, code: v.string(), opens: v.nullable(v.number()), closes: v.nullable(v.number()) });

/** A job in the list, with what is on. */
export const jobSummarySchema = v.object({
  id: v.string(),
  title: v.string(),
  kind: v.picklist(JOB_KINDS),
  revision: revision(),
  updatedAt: instant(),
  state: v.picklist(['planning', 'in-shop', 'finished']),
  /** The step that is next; null while the job is being planned, when every step is done, or when it is finished. */
  next: v.nullable(saidSchema),
  /** Its id. */
  nextStep: v.nullable(v.string()),
  finishedAt: v.nullable(v.number()),
  windows: v.array(windowSchema),
});
export type JobSummary = v.InferOutput<typeof jobSummarySchema>;
export const jobListSchema = v.object({ now: v.number(), jobs: v.array(jobSummarySchema) });

/** Everything on the shelf. A reader takes it however much there is: what may be put there is limited where it is put. */
export const wholeShelfSchema = v.object({ tapes: v.array(tapeSchema), finishes: v.array(finishSchema) });

/** The plan a job was started with, and its log. */
export const runSchema = v.object({
  started: v.nullable(
    v.object({
      revision: revision(),
      // What was frozen comes back as it was, whatever version of plan it is: readWorkSheet reads it.
      plan: v.custom<FrozenPlan>((plan) => typeof plan === 'object' && plan !== null && (plan as FrozenPlan).format === 'lintrel-plan'),
    }),
  ),
  events: v.array(logEventSchema),
});
export type RunRecord = v.InferOutput<typeof runSchema>;

/** Starts a job in the shop with the plan of this revision. */
export const startSchema = v.strictObject({ revision: revision(), event: logEventSchema });

/** The one shape of every refusal. */
export const errorSchema = v.object({
  error: v.object({
    code: v.string(),
    message: v.string(),
    fields: v.optional(v.array(v.object({ path: v.string(), code: v.string(), values: v.record(v.string(), v.any()), message: v.string() }))),
    /** With code `stale`: the version sent and the version kept. */
    versions: v.optional(v.object({ yours: saveJobSchema, current: jobSchema })),
  }),
});
export type ApiErrorBody = v.InferOutput<typeof errorSchema>;

/** A drawing to be read: the text of an SVG or DXF file. */
export const drawingSchema = v.strictObject({ text: v.string(told(plainly('field.file-text'))) });

/** What a drawing holds, without its places. */
export const drawingSummarySchema = v.object({
  unitMm: v.nullable(v.number()),
  /** Size of everything in it, in its own unit. */
  width: v.number(),
  height: v.number(),
  layers: v.array(v.object({ name: v.string(), paths: v.number() })),
  skipped: v.array(saidSchema),
});
export type DrawingSummary = v.InferOutput<typeof drawingSummarySchema>;

/** Asks for a drawing to be made into an outline and a line. */
export const takeDrawingSchema = v.strictObject({
  text: v.string(told(plainly('field.file-text'))),
  wish: v.strictObject({
    unitMm: positiveUpTo(100_000, 'mm'),
    outline: v.nullable(v.string()),
    lines: listOf(v.string(told(plainly('field.layer'))), 'layers', 1000),
    lineId: idText(),
    lineName: nameText(),
    datum: idText(),
  }),
});
export type TakeDrawing = v.InferOutput<typeof takeDrawingSchema>;

/** What a drawing became. */
export const takenDrawingSchema = v.object({ outline: v.nullable(outlineSchema), line: v.nullable(lineSchema), left: v.array(saidSchema) });
export type TakenDrawing = v.InferOutput<typeof takenDrawingSchema>;

/** Asks for one part as a drawing. */
export const drawingOutSchema = v.strictObject({ part: idText(), format: oneOf(['svg', 'dxf']) });
