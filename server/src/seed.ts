import { readdir, readFile } from 'node:fs/promises';
import { readJobFile, planJob, SHIPPED_SHELF, type JobFile } from '@lintrel/core';
import { insertJob } from './db/jobs';
import { appendLog, insertStartedPlan } from './db/log';
import type { Queryable } from './db/pool';
import { insertEntry, readShelf } from './db/shelf';
import { WORDS } from './words';

const EXAMPLES = new URL('../../examples/', import.meta.url);

/** Fills an empty database with the shelf that ships and the demo jobs; leaves any other as it is. */
export async function seedIfEmpty(db: Queryable, now: number): Promise<boolean> {
  const { rows } = await db.query<{ filled: boolean }>(
    'SELECT EXISTS (SELECT 1 FROM jobs) OR EXISTS (SELECT 1 FROM tapes) OR EXISTS (SELECT 1 FROM finishes) AS filled',
  );
  if (rows[0].filled) return false;
  for (const tape of SHIPPED_SHELF.tapes) await insertEntry(db, 'tapes', tape);
  for (const finish of SHIPPED_SHELF.finishes) await insertEntry(db, 'finishes', finish);
  for (const name of (await readdir(EXAMPLES))
    .filter((file) => file.endsWith('.json'))
    .sort()
    .reverse()) {
    await seedJob(db, name, now);
  }
  return true;
}

/** The demo is in the middle of a working day: a file's times are moved so that it was written just now. */
async function seedJob(db: Queryable, name: string, now: number): Promise<void> {
  const read = readJobFile(await readFile(new URL(name, EXAMPLES), 'utf8'));
  if (!read.ok) throw new Error(`${name}: ${read.faults.map((fault) => `${fault.path} ${WORDS.say(fault)}`).join('; ')}`);
  const { design, log } = shifted(read.value, now);
  const job = await insertJob(db, design);
  if (log.some(({ kind }) => kind === 'start')) await insertStartedPlan(db, job.id, job.revision, JSON.stringify(planJob(design, await readShelf(db))));
  await appendLog(db, job.id, log);
}

function shifted(file: JobFile, now: number): JobFile {
  const by = now - Date.parse(file.writtenAt);
  return { ...file, log: file.log.map((event) => ({ ...event, at: new Date(Date.parse(event.at) + by).toISOString() })) };
}
