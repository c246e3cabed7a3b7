import * as v from 'valibot';
import { checkAgainst, designFaults, designSchema, entryFaults, finishesNamed, shelfSchema, type Checked, type Design, type Fault, type Shelf } from '../job';
import { logEventSchema, MOST_EVENTS, MOST_NOTE_LETTERS } from '../log';
import { instantText, listOf, MOST_FAULTS } from '../units';

/** A larger file is not read. The limits on designs, logs and shelves keep whatever is written below it. */
export const LARGEST_FILE_BYTES = 64_000_000;

/** The open job format: a design, the shelf entries it uses, and its log. */
export const jobFileSchema = v.strictObject({
  format: v.literal('lintrel-job', 'must be "lintrel-job"'),
  version: v.literal(1, 'must be 1: this program reads version 1'),
  /** When the file was written. */
  writtenAt: instantText(),
  design: designSchema,
  shelf: shelfSchema,
  log: listOf(logEventSchema, 'events', MOST_EVENTS),
});
export type JobFile = v.InferOutput<typeof jobFileSchema>;

/**
 * Reads a job file.
 * @param text JSON text
 * @returns the job, or every fault with its place in the file
 */
export function readJobFile(text: string): Checked<JobFile> {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (error) {
    return { ok: false, faults: [{ path: '(whole file)', message: `is not JSON: ${(error as Error).message}` }] };
  }
  return checkJobFile(data);
}

/** Checks data that was already parsed as a job file. */
export function checkJobFile(data: unknown): Checked<JobFile> {
  const checked = checkAgainst(jobFileSchema, data);
  if (!checked.ok) return checked;
  const { design, shelf, log } = checked.value;
  const faults = [...repeatedEntries(shelf), ...largeEntries(shelf), ...logFaults(log), ...designFaults(design, shelf, ['design'])];
  return faults.length > 0 ? { ok: false, faults: faults.slice(0, MOST_FAULTS) } : checked;
}

/** Writes a job file; reading it and writing it again gives the same bytes. */
export const writeJobFile = (file: JobFile): string => `${JSON.stringify(v.parse(jobFileSchema, file), null, 2)}\n`;

/** The shelf entries a design needs: its finishes, and every tape that could be chosen. */
export function usedShelf(design: Design, shelf: Shelf): JobFile['shelf'] {
  const used = new Set(finishesNamed(design).map(({ finish }) => finish));
  return { tapes: [...shelf.tapes], finishes: shelf.finishes.filter(({ id }) => used.has(id)) };
}

const largeEntries = ({ tapes, finishes }: JobFile['shelf']): Fault[] => [
  ...tapes.flatMap((tape, index) => entryFaults(tape, `shelf.tapes[${index}]`)),
  ...finishes.flatMap((finish, index) => entryFaults(finish, `shelf.finishes[${index}]`)),
];

const logFaults = (log: JobFile['log']): Fault[] =>
  log.reduce((sum, { note }) => sum + note.length, 0) > MOST_NOTE_LETTERS
    ? [{ path: 'log', message: `has more than ${MOST_NOTE_LETTERS / 1e6} million letters in its notes` }]
    : [];

function repeatedEntries({ tapes, finishes }: JobFile['shelf']) {
  const twice = (keys: readonly string[], path: (index: number) => string) =>
    keys.flatMap((key, index) => (keys.indexOf(key) < index ? [{ path: path(index), message: `"${key}" is used twice` }] : []));
  return [
    ...twice(
      tapes.map(({ code }) => code),
      (index) => `shelf.tapes[${index}].code`,
    ),
    ...twice(
      finishes.map(({ id }) => id),
      (index) => `shelf.finishes[${index}].id`,
    ),
  ];
}
