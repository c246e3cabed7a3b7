import {
  type Answer,
  ask as answerOf,
  type Checked,
  type CustomerView,
  type Design,
  draftParts,
  type JobFile,
  type Place,
  planJob,
  readJobFile,
  type ReportProgress,
  type Shelf,
  upgradeDesign,
} from '@lintrel/core';
import {
  cutPaths,
  maskPieces,
  nestPieces,
  printPdf,
  type PrintWish,
  stationCsv,
  tableFor,
  writeDxf,
  writeSvg,
} from '@lintrel/core/files';
import { DEFAULT_PERSON, wordsFor } from '@lintrel/words';

export { readDrawing, summarizeDrawing, importDrawing } from './drawing';
export { jsonFrom as parseJson } from './json';
export { checkedSave as checkSave } from './save';
export { planTheDay as day } from './plan-the-day';

// Everything that may take longer than a blink. Each runs in a process of the workshop; what goes in and out is plain data.

/**
 * A design as the database has it, read. It comes as text: a large one would hold the server up while it is read and written there only to be
 * handed on. Those kept by older versions are brought up.
 */
const read = (kept: string) => upgradeDesign(JSON.parse(kept)) as Design;

/** The plan of a job as JSON, and how many steps it has. */
export function plan({ design, shelf }: { design: string; shelf: Shelf }): {
  readonly text: string;
  readonly steps: number;
} {
  const job = planJob(read(design), shelf);
  return { text: JSON.stringify(job), steps: job.steps.length };
}

/** The answer to a question of the Bench. */
export const ask = ({ name, input, shelf }: { name: string; input: unknown; shelf: Shelf }): Checked<Answer> =>
  answerOf(name, input, shelf);

/** A job file, read and checked. */
export function checkFile(bytes: Uint8Array, tell: ReportProgress): Checked<JobFile> {
  tell({ doing: 'checking', done: 0, of: 0 });
  return readJobFile(new TextDecoder().decode(bytes));
}

/** A template, mask, table or lay list as PDF. */
export function print(
  { design, shelf, wish }: { design: string; shelf: Shelf; wish: PrintWish },
  tell: ReportProgress,
): ReturnType<typeof printPdf> {
  tell({ doing: 'working-out', done: 0, of: 0 });
  return printPdf(read(design), shelf, wish, wordsOf(wish), (done, total) =>
    tell({ doing: 'writing', done, of: total }),
  );
}

/** The masks of a job laid out on film, as the blade follows them. */
export function masks({ design, widthMm }: { design: string; widthMm: number }): {
  readonly lengthMm: number;
  readonly paths: Place[][];
} {
  const nesting = nestPieces(maskPieces(draftParts(read(design), { tapes: [], finishes: [] })), widthMm);
  return { lengthMm: nesting.lengthMm, paths: cutPaths(nesting).map((path) => path.map(([x, y]) => [x, y])) };
}

/** Words on paper, in the unit of the person who prints. */
function wordsOf({ unit }: Pick<PrintWish, 'unit'>) {
  const words = wordsFor({ ...DEFAULT_PERSON, length: unit });
  return { tell: words.say, detail: words.detail, stations: words.stations };
}

/** A station table as a list; null where the line is not on its part. */
export function stations({
  design,
  wish,
}: {
  design: string;
  wish: Extract<PrintWish, { what: 'stations' }>;
}): string | null {
  const table = tableFor(read(design), wish);
  return table && stationCsv(wordsOf(wish).stations(table));
}

/** One part as a drawing; null where there is no such part. */
export function drawing({
  design,
  shelf,
  part: id,
  format,
}: {
  design: string;
  shelf: Shelf;
  part: string;
  format: 'svg' | 'dxf';
}): string | null {
  const part = draftParts(read(design), shelf).find((draftPart) => draftPart.id === id);
  if (!part) return null;
  return format === 'svg' ? writeSvg(part) : writeDxf(part);
}

/** What a customer sees of a job: its parts in their colours, and its stages; a stage is done when all its coats are. */
export function customerLook({
  design,
  shelf,
  done,
}: {
  design: string;
  shelf: Shelf;
  done: readonly string[];
}): Omit<CustomerView, 'state'> {
  const job = read(design);
  const { parts, stages, steps } = planJob(job, shelf);
  const finishes = new Map(shelf.finishes.map((finish) => [finish.id as string, finish]));
  const colourOf = (finish: string | null) => (finish === null ? null : (finishes.get(finish)?.colour ?? null));
  return {
    title: job.title,
    parts: parts.map(({ name, ring, areas }) => ({
      name,
      ring: [...ring],
      areas: areas.map(({ rings, finish, present }) => ({
        rings: rings.map((points) => [...points]),
        colour: colourOf(finish) ?? present?.colour ?? null,
      })),
    })),
    stages: stages.map(({ number, finish, coats }) => ({
      number,
      finish: finishes.get(finish)?.name ?? finish,
      colour: finishes.get(finish)?.colour ?? '#ffffff',
      coats,
      done: steps.filter((step) => step.stage === number && step.kind === 'coat').every(({ id }) => done.includes(id)),
    })),
  };
}
