import * as v from 'valibot';
import {
  checkAgainst,
  type Checked,
  type Design,
  designFaults,
  designSchema,
  entryFaults,
  type Fault,
  finishReferences,
  newestDesignSchema,
  type Shelf,
  shelfSchema,
} from '../job';
import { booleanField, faultText, instantText, listOf, MAX_FAULTS } from '../kit';
import { type LogEvent, logEventSchema, MAX_EVENTS, MAX_NOTE_CHARACTERS, newestEventSchema } from '../log';
import { isFrozenPlan } from '../runsheet';

/** A larger file is not read. The limits on designs, logs and shelves keep whatever is written below it. */
export const MAX_FILE_BYTES = 64_000_000;

/** Version of job files this program writes. */
export const JOB_FILE_VERSION = 3;

/** Plans a file carries at most: those a job was started with. */
const MOST_STARTED = 20;

/** A plan frozen at the start of a job. Kept as it was, whatever its version. */
const startedSchema = v.strictObject({
  /** Whether the design of the file is still the one it was started from. */
  current: booleanField(),
  // Its keys stay in their order: it is written out again as the bytes it had.
  plan: v.pipe(
    v.record(v.string(), v.unknown()),
    v.check((plan) => isFrozenPlan(plan), faultText({ code: 'field.exactly', values: { value: 'lintrel-plan' } })),
  ),
});

const fileOf = <
  D extends v.GenericSchema<never, Design> | v.GenericSchema<unknown, Design>,
  E extends v.GenericSchema<never, LogEvent> | v.GenericSchema<unknown, LogEvent>,
>(
  design: D,
  event: E,
) =>
  v.strictObject({
    format: v.literal('lintrel-job', faultText({ code: 'field.exactly', values: { value: 'lintrel-job' } })),
    version: v.literal(JOB_FILE_VERSION, faultText({ code: 'field.version', values: { newest: JOB_FILE_VERSION } })),
    /** When the file was written. */
    writtenAt: instantText(),
    design,
    shelf: shelfSchema,
    log: listOf(event, 'events', MAX_EVENTS),
    /** The plans it was started with, the first first; left out where it was not, and in files from before. */
    started: v.optional(listOf(startedSchema, 'plans', MOST_STARTED)),
  });

/** The open job format as written now: a design, the shelf entries it uses, and its log. */
export const newestFileSchema = fileOf(newestDesignSchema, newestEventSchema);
export type JobFile = v.InferOutput<typeof newestFileSchema>;

/** The same in any version: older files are upgraded on reading. */
const jobFileSchema = v.pipe(v.unknown(), v.transform(upgradedFile), fileOf(designSchema, logEventSchema));

/** Brings a job file up to the newest version. Versions 1 and 2 differ in their designs and events, which bring themselves up. */
function upgradedFile(data: unknown): unknown {
  if (typeof data !== 'object' || data === null || !('version' in data)) return data;
  return data.version === 1 || data.version === 2 ? { ...data, version: JOB_FILE_VERSION } : data;
}

/**
 * Reads a job file.
 * @param text JSON text
 * @returns the job, or every fault with its path in the file
 */
export function readJobFile(text: string): Checked<JobFile> {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (error) {
    return {
      ok: false,
      faults: [{ path: '(whole file)', code: 'file.not-json', values: { reason: (error as Error).message } }],
    };
  }
  return checkJobFile(data);
}

/** Checks data that was already parsed as a job file. */
function checkJobFile(data: unknown): Checked<JobFile> {
  const checked = checkAgainst(jobFileSchema, data);
  if (!checked.ok) return checked;
  const { design, shelf, log } = checked.value;
  const faults = [
    ...repeatedEntries(shelf),
    ...largeEntries(shelf),
    ...logFaults(log),
    ...designFaults(design, shelf, ['design']),
  ];
  return faults.length > 0 ? { ok: false, faults: faults.slice(0, MAX_FAULTS) } : checked;
}

/** Writes a job file; reading it and writing it again gives the same bytes. */
export const writeJobFile = (file: JobFile): string => `${JSON.stringify(v.parse(jobFileSchema, file), null, 2)}\n`;

/** The shelf entries a design needs: its finishes, and every tape and supply that could be chosen. */
export function usedShelf(design: Design, shelf: Shelf): JobFile['shelf'] {
  const used = new Set(finishReferences(design).map(({ finish }) => finish));
  const supplies = shelf.supplies && shelf.supplies.length > 0 ? { supplies: [...shelf.supplies] } : {};
  return { tapes: [...shelf.tapes], finishes: shelf.finishes.filter(({ id }) => used.has(id)), ...supplies };
}

const largeEntries = ({ tapes, finishes, supplies = [] }: JobFile['shelf']): Fault[] => [
  ...supplies.flatMap((supply, index) => entryFaults(supply, `shelf.supplies[${index}]`)),
  ...tapes.flatMap((tape, index) => entryFaults(tape, `shelf.tapes[${index}]`)),
  ...finishes.flatMap((finish, index) => entryFaults(finish, `shelf.finishes[${index}]`)),
];

const logFaults = (log: JobFile['log']): Fault[] => {
  const letters = log.reduce((sum, { note }) => sum + note.length, 0);
  const ids = new Set<string>();
  const twice = log.flatMap(({ id }, index): Fault[] => {
    const known = ids.has(id);
    ids.add(id);
    return known ? [{ path: `log[${index}].id`, code: 'design.used-twice', values: { id } }] : [];
  });
  return [
    ...(letters > MAX_NOTE_CHARACTERS
      ? [{ path: 'log', code: 'file.log-letters', values: { million: MAX_NOTE_CHARACTERS / 1e6 } } as Fault]
      : []),
    ...twice,
  ];
};

function repeatedEntries({ tapes, finishes, supplies = [] }: JobFile['shelf']) {
  const twice = (keys: readonly string[], path: (index: number) => string) =>
    keys.flatMap((key, index) =>
      keys.indexOf(key) < index ? [{ path: path(index), code: 'design.used-twice', values: { id: key } }] : [],
    );
  return [
    ...twice(
      tapes.map(({ code }) => code),
      (index) => `shelf.tapes[${index}].code`,
    ),
    ...twice(
      finishes.map(({ id }) => id),
      (index) => `shelf.finishes[${index}].id`,
    ),
    ...twice(
      supplies.map(({ code }) => code),
      (index) => `shelf.supplies[${index}].code`,
    ),
  ];
}
