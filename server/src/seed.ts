import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { planJob, readJobFile, type Shelf, SHIPPED_SHELF } from '@lintrel/core';
import { storeProgress } from './db/job-list';
import { insertJob } from './db/jobs';
import { appendLog, insertStartedPlan } from './db/log';
import type { Queryable } from './db/pool';
import { insertEntry, readShelf } from './db/shelf';
import { startedDemo } from './demo';
import { ROOT } from './paths';
import { WORDS } from './words';

const EXAMPLES = join(ROOT, 'examples');

/** Fills an empty database with the shelf that ships and the demo jobs; leaves any other as it is. */
export async function seedIfEmpty(db: Queryable, now: number): Promise<boolean> {
  const { rows } = await db.query<{ filled: boolean }>(
    'SELECT EXISTS (SELECT 1 FROM jobs) OR EXISTS (SELECT 1 FROM tapes) OR EXISTS (SELECT 1 FROM finishes) AS filled',
  );
  if (rows[0]!.filled) return false;
  await seedShelf(db);
  const shelf = await readShelf(db);
  for (const name of (await readdir(EXAMPLES))
    .filter((file) => file.endsWith('.json'))
    .sort()
    .reverse()) {
    await seedJob(db, name, shelf, now);
  }
  return true;
}

/** Puts the shelf that ships into a shop whose shelf is empty and always was. */
export async function seedShelfIfNew(db: Queryable): Promise<boolean> {
  const { rows } = await db.query<{ used: boolean }>(
    `SELECT EXISTS (SELECT 1 FROM tapes) OR EXISTS (SELECT 1 FROM finishes) OR EXISTS (SELECT 1 FROM supplies)
         OR EXISTS (SELECT 1 FROM shelf_revisions) AS used`,
  );
  if (!rows[0]!.used) await seedShelf(db);
  return !rows[0]!.used;
}

/** Puts the shelf that ships into an empty shop. */
export async function seedShelf(db: Queryable): Promise<void> {
  for (const tape of SHIPPED_SHELF.tapes) await insertEntry(db, 'tapes', tape);
  for (const finish of SHIPPED_SHELF.finishes) await insertEntry(db, 'finishes', finish);
  for (const supply of SHIPPED_SHELF.supplies ?? []) await insertEntry(db, 'supplies', supply);
}

/** A demo job as far as its story has come; what is written down about it follows from its plan. */
async function seedJob(db: Queryable, name: string, shelf: Shelf, now: number): Promise<void> {
  const read = readJobFile(await readFile(join(EXAMPLES, name), 'utf8'));
  if (!read.ok)
    throw new Error(`${name}: ${read.faults.map((fault) => `${fault.path} ${WORDS.say(fault)}`).join('; ')}`);
  const { design } = read.value;
  const job = await insertJob(db, design, null, true);
  const demo = startedDemo(design.title, () => planJob(design, shelf), now);
  if (demo) {
    const sheet = await insertStartedPlan(db, job.id, job.revision, JSON.stringify(demo.plan));
    await appendLog(
      db,
      job.id,
      demo.log.map((event) => ({ ...event, sheet })),
    );
  }
  await storeProgress(db, job.id);
}
