import { randomUUID } from 'node:crypto';
import type { Job } from '@lintrel/core';
import pg from 'pg';
import { makeDatabase, startServer } from '../e2e/harness';
import { median } from './planning';

/** Entries a log has, the short and the long one. */
const SHORT = 100;
const LONG = 9_500;
/** Entries that are timed in each, in turn. */
const TIMED = 150;

/** Time per entry in a log of a hundred and in one of nearly ten thousand, ms; measured alternately on one server. */
export async function entryTimes(): Promise<{ readonly short: number; readonly long: number }> {
  const database = await makeDatabase();
  const server = await startServer(database.url);
  const db = new pg.Client(database.url);
  await db.connect();
  try {
    const post = (path: string, body: object) =>
      fetch(`${server.url}/api${path}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      });
    const { rows } = await db.query<{ id: string }>("SELECT id FROM jobs WHERE title = 'Juniper'");
    const started = rows[0]!.id;
    const logOf = async (count: number): Promise<string> => {
      const { id } = (await (await post('/jobs', { title: `Log of ${count}`, kind: 'other' })).json()) as Job;
      // The same work sheet as a job at work has.
      await db.query(
        'INSERT INTO started_plans (job_id, revision, plan) SELECT $1, revision, plan FROM started_plans WHERE job_id = $2',
        [id, started],
      );
      await db.query(
        "INSERT INTO run_log (id, job_id, at, kind, step, note) VALUES (gen_random_uuid(), $1, now(), 'start', NULL, '')",
        [id],
      );
      await db.query(
        `INSERT INTO run_log (id, job_id, at, kind, step, note)
           SELECT gen_random_uuid(), $1, now(), CASE n % 2 WHEN 0 THEN 'done' ELSE 'undo' END, 'made-up', 'text' FROM generate_series(1, $2::int) n`,
        [id, count],
      );
      return id;
    };
    const logs = { short: await logOf(SHORT), long: await logOf(LONG) };
    await db.query('ANALYZE');
    const times = { short: [] as number[], long: [] as number[] };
    for (let round = 0; round < 2 * TIMED; round++) {
      const which = round % 2 === 0 ? 'short' : 'long';
      const entry = { id: randomUUID(), version: 5, at: new Date().toISOString(), kind: 'note', step: null, note: '' };
      const since = performance.now();
      await (await post(`/jobs/${logs[which]}/log`, { entries: [entry] })).arrayBuffer();
      // The first ones read what was put in behind the back of the server.
      if (round >= 20) times[which].push(performance.now() - since);
    }
    return { short: median(times.short), long: median(times.long) };
  } finally {
    await db.end();
    await server.stop();
    await database.drop();
  }
}

if (process.argv[1]?.endsWith('long-log.ts')) console.log(await entryTimes());
