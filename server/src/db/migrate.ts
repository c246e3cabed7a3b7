import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type pg from 'pg';
import { MIGRATIONS } from '../paths';
import { openUnlimitedClient, type Queryable, runTransaction } from './pool';

/** Key of the advisory lock under which only one server at a time changes the tables. */
const LOCK = 7_216_001;

/**
 * Brings the tables up to date: runs the numbered files not yet run, in order, all in one transaction.
 * @param afterwards work done under the same lock, such as filling an empty database
 */
export async function migrate(
  pool: pg.Pool,
  afterwards: (client: Queryable) => Promise<void> = async () => undefined,
): Promise<void> {
  const files = (await readdir(MIGRATIONS)).filter((name) => /^\d{3}_.*\.sql$/.test(name)).sort();
  const patient = openUnlimitedClient(pool);
  await patient.connect();
  try {
    await runTransaction(patient, async (client) => {
      await client.query('SELECT pg_advisory_xact_lock($1)', [LOCK]);
      await client.query(
        'CREATE TABLE IF NOT EXISTS migrations (name text PRIMARY KEY, run_at timestamptz NOT NULL DEFAULT now())',
      );
      const { rows } = await client.query<{ name: string }>('SELECT name FROM migrations');
      const run = new Set(rows.map(({ name }) => name));
      for (const name of files.filter((file) => !run.has(file))) {
        await client.query(await readFile(join(MIGRATIONS, name), 'utf8'));
        await client.query('INSERT INTO migrations (name) VALUES ($1)', [name]);
      }
      await afterwards(client);
    });
  } finally {
    // What was not committed is rolled back with the connection.
    await patient.end();
  }
}
