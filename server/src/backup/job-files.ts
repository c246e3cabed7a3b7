import { mkdir, rename, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import {
  type Design,
  type Job,
  JOB_FILE_VERSION,
  type JobFile,
  type LogEvent,
  usedShelf,
  writeJobFile,
} from '@lintrel/core';
import { findJob } from '../db/jobs';
import { listEvents, listStartedPlans } from '../db/log';
import type { Queryable } from '../db/pool';
import { readShelf } from '../db/shelf';

type StartedInFile = NonNullable<JobFile['started']>[number];

/** Letters of all plans in a job file together, so that what is written can be read. */
const MOST_PLAN_LETTERS = 20_000_000;

/** A job as a file: its design, what it uses of the shelf, its log and the plans it was started with; an unchanged job is written as the same bytes. */
export async function jobFileOf(db: Queryable, { id, design, updatedAt, revision }: Job): Promise<string> {
  const kept = await listEvents(db, id);
  const shelf = usedShelf(design, await readShelf(db));
  const plans = await listStartedPlans(db, id, MOST_PLAN_LETTERS);
  const started =
    plans.length === 0
      ? {}
      : {
          started: plans.map(({ plan, revision: of }) => ({
            current: of === revision,
            plan: plan as unknown as StartedInFile['plan'],
          })),
        };
  // A file refers to sheets by their index among those it contains.
  const sheets = plans.map(({ sheet }) => sheet);
  const log = kept.map(({ seq: _, sheet, ...event }): LogEvent =>
    sheet !== undefined && sheets.includes(sheet) ? { ...event, sheet: sheets.indexOf(sheet) } : event,
  );
  // The newest thing in the file dates it.
  const writtenAt = [updatedAt, ...log.map(({ at }) => at)].reduce((latest, instant) =>
    instant > latest ? instant : latest,
  );
  return writeJobFile({ format: 'lintrel-job', version: JOB_FILE_VERSION, writtenAt, design, shelf, log, ...started });
}

/** What the file of a job is called, without its ending. */
export const fileName = ({ title }: Design): string =>
  title
    .normalize('NFKD')
    .replace(/[^A-Za-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .toLowerCase() || 'job';

/**
 * Writes every job of the shop into a folder, one file each; jobs with the same title are distinguished by part of
 * their ids.
 * @returns the number of files
 */
export async function exportJobs(db: Queryable, folder: string): Promise<number> {
  await mkdir(folder, { recursive: true });
  const { rows } = await db.query<{ id: string }>('SELECT id FROM jobs ORDER BY created_at, id');
  const taken = new Set<string>();
  for (const { id } of rows) {
    const job = await findJob(db, id);
    if (!job) continue;
    const plain = fileName(job.design);
    const name = taken.has(plain) ? `${plain}-${id.slice(0, 8)}` : plain;
    taken.add(name);
    const path = join(folder, `${name}.json`);
    await writeFile(`${path}.making`, await jobFileOf(db, job));
    await rename(`${path}.making`, path);
  }
  return rows.length;
}
