import { createHash, randomUUID } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { open, readdir, rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGzip } from 'node:zlib';
import type pg from 'pg';
import { findBackupKey } from '../db/backup-key';
import { openUnlimitedClient, type Queryable } from '../db/pool';
import { BACKUP_VERSION, type BackupHead, rowLine, SECRET_COLUMNS, secretsLine } from './format';
import { BackupFault } from './read';
import { encryptedSecrets, type PeopleSecrets } from './secrets';
import { columnsOf, KEPT_TABLES, type KeptTable, schemaOf } from './tables';

/** Rows read at once; photos are large. */
const fetchedAtOnce = (table: KeptTable): number => (table === 'photos' ? 4 : 100);

/** Name of a backup that is being written: its own, and this. */
const MAKING = '.making-';

/**
 * Writes a consistent snapshot of the whole shop into one file while the server continues. The file is written
 * completely or not at all; only this user can read it. Hashes of passphrases and PINs are encrypted or, without a
 * backup passphrase, left out.
 * @returns number of rows
 * @throws BackupFault if there is no shop; other errors of disk and database unchanged
 */
export async function writeBackup(pool: pg.Pool, path: string, now: Date = new Date()): Promise<number> {
  const making = `${path}${MAKING}${randomUUID()}`;
  const client = openUnlimitedClient(pool);
  await client.connect();
  try {
    await client.query('BEGIN TRANSACTION ISOLATION LEVEL REPEATABLE READ READ ONLY');
    await hasShop(client);
    const written = { rows: 0 };
    await pipeline(
      Readable.from(linesOf(client, now, written)),
      createGzip(),
      createWriteStream(making, { flags: 'wx', mode: 0o600 }),
    );
    // On the disk before it has its name: a file with that name is whole.
    const handle = await open(making, 'r+');
    await handle.sync();
    await handle.close();
    await rename(making, path);
    return written.rows;
  } finally {
    await client.end().catch(() => undefined);
    await rm(making, { force: true });
  }
}

/** Removes what a write that was cut short has left in the folder of a backup. */
export async function removeLeftovers(folder: string): Promise<void> {
  const names = await readdir(folder).catch(() => []);
  await Promise.all(
    names.filter((name) => name.includes(MAKING)).map((name) => rm(join(folder, name), { force: true })),
  );
}

/**
 * Checks that the database is one of a shop.
 * @throws BackupFault if it is not
 */
export async function hasShop(db: Queryable): Promise<void> {
  const { rows } = await db.query<{ there: boolean }>("SELECT to_regclass('public.migrations') IS NOT NULL AS there");
  if (!rows[0]!.there)
    throw new BackupFault(
      'there is no shop in this database: start Lintrel once with "npm start", or set DATABASE_URL',
    );
}

/** The lines of a backup; counts its rows. */
async function* linesOf(client: Queryable, now: Date, written: { rows: number }): AsyncGenerator<string> {
  const hash = createHash('sha256');
  const hashed = (line: string) => {
    hash.update(`${line}\n`);
    return `${line}\n`;
  };
  const head: BackupHead = {
    format: 'lintrel-backup',
    version: BACKUP_VERSION,
    at: now.toISOString(),
    schema: await schemaOf(client),
  };
  yield hashed(JSON.stringify(head));
  for (const table of KEPT_TABLES) {
    for await (const row of rowsOf(client, table)) {
      written.rows++;
      yield hashed(rowLine(table, row));
    }
  }
  const key = (await columnsOf(client, 'backup_keys')).length > 0 ? await findBackupKey(client) : null;
  if (key) yield hashed(secretsLine(await encryptedSecrets(key, await peopleSecrets(client))));
  yield `${JSON.stringify({ end: true, rows: written.rows, sha256: hash.digest('hex') })}\n`;
}

/** Rows of a table as JSON, without its secrets. */
async function* rowsOf(client: Queryable, table: KeptTable): AsyncGenerator<string> {
  const secret = SECRET_COLUMNS[table] ?? [];
  const columns = (await columnsOf(client, table)).filter((column) => !secret.includes(column));
  if (columns.length === 0) return;
  const atOnce = fetchedAtOnce(table);
  await client.query(
    `DECLARE rows NO SCROLL CURSOR FOR SELECT row_to_json(kept)::text AS row FROM (SELECT ${columns.join(', ')} FROM ${table}) AS kept`,
  );
  for (;;) {
    const { rows } = await client.query<{ row: string }>(`FETCH ${atOnce} FROM rows`);
    for (const { row } of rows) yield row;
    if (rows.length < atOnce) break;
  }
  await client.query('CLOSE rows');
}

async function peopleSecrets(client: Queryable): Promise<PeopleSecrets> {
  const { rows } = await client.query<{ id: string; passphrase: string | null; pin: string | null }>(
    'SELECT id, passphrase, pin FROM people',
  );
  return Object.fromEntries(rows.map(({ id, ...secrets }) => [id, secrets]));
}
