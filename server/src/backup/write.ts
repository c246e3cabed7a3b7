import { createHash, randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { createWriteStream } from 'node:fs';
import { open, rename, rm } from 'node:fs/promises';
import { createGzip } from 'node:zlib';
import { openPatient } from '../db/pool';
import type pg from 'pg';
import { BACKUP_VERSION, rowLine, type BackupHead } from './format';
import { columnsOf, KEPT_TABLES, schemaOf, type KeptTable } from './tables';

/** Rows read at once; photos are large. */
const fetchedAtOnce = (table: KeptTable): number => (table === 'photos' ? 4 : 100);

/**
 * Writes everything a shop has into one file, as it was at one moment, while the server goes on. The file is there whole, or not at all.
 * @returns how many rows it holds
 */
export async function writeBackup(pool: pg.Pool, path: string, now: Date = new Date()): Promise<number> {
  const making = `${path}.making-${randomUUID()}`;
  const client = openPatient(pool);
  await client.connect();
  try {
    await client.query('BEGIN TRANSACTION ISOLATION LEVEL REPEATABLE READ READ ONLY');
    const packed = createGzip();
    const file = packed.pipe(createWriteStream(making, { flags: 'wx' }));
    const written = once(file, 'close');
    const hash = createHash('sha256');
    let rows = 0;
    const put = async (line: string) => {
      hash.update(`${line}\n`);
      if (!packed.write(`${line}\n`)) await once(packed, 'drain');
    };
    const head: BackupHead = { format: 'lintrel-backup', version: BACKUP_VERSION, at: now.toISOString(), schema: await schemaOf(client) };
    await put(JSON.stringify(head));
    for (const table of KEPT_TABLES) {
      const [columns, atOnce] = [await columnsOf(client, table), fetchedAtOnce(table)];
      await client.query(`DECLARE rows NO SCROLL CURSOR FOR SELECT row_to_json(kept)::text AS row FROM (SELECT ${columns.join(', ')} FROM ${table}) AS kept`);
      for (;;) {
        const { rows: some } = await client.query<{ row: string }>(`FETCH ${atOnce} FROM rows`);
        for (const { row } of some) await put(rowLine(table, row));
        rows += some.length;
        if (some.length < atOnce) break;
      }
      await client.query('CLOSE rows');
    }
    packed.end(`${JSON.stringify({ end: true, rows, sha256: hash.digest('hex') })}\n`);
    await written;
    // On the disk before it has its name: a file with that name is whole.
    const handle = await open(making, 'r+');
    await handle.sync();
    await handle.close();
    await rename(making, path);
    return rows;
  } finally {
    await client.end().catch(() => undefined);
    await rm(making, { force: true });
  }
}
