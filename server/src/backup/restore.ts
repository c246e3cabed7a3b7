import type pg from 'pg';
import { migrate } from '../db/migrate';
import { openPatient, transacted, type Queryable } from '../db/pool';
import { BackupFault, checkedBackup, rowsOf } from './read';
import { columnsOf, KEPT_TABLES, schemaOf, type KeptTable } from './tables';

/** Rows put back at once, and letters: photos are large. */
const AT_ONCE = 200;
const LETTERS_AT_ONCE = 8_000_000;

/**
 * Puts a backup back into an empty shop, of the version it was written by or a newer one: all of it, or nothing.
 * @returns how many rows
 * @throws BackupFault where the file is damaged, or the shop is not empty
 */
export async function restoreBackup(pool: pg.Pool, path: string): Promise<number> {
  const { schema, rows } = await checkedBackup(path);
  await migrate(pool);
  const client = openPatient(pool);
  await client.connect();
  try {
    return await transacted(client, async (db) => {
      const own = await schemaOf(db);
      if (schema > own) throw new BackupFault(`it was written by a newer program: its tables are of ${schema}, here of ${own}`);
      for (const table of KEPT_TABLES) await mustBeEmpty(db, table);
      await putBack(db, path);
      for (const table of KEPT_TABLES) await goOnCounting(db, table);
      return rows;
    });
  } finally {
    await client.end().catch(() => undefined);
  }
}

async function mustBeEmpty(db: Queryable, table: KeptTable): Promise<void> {
  const { rowCount } = await db.query(`SELECT 1 FROM ${table} LIMIT 1`);
  if (rowCount !== 0) throw new BackupFault('the shop it is to be put into is not empty: a backup goes into an empty one alone');
}

async function putBack(db: Queryable, path: string): Promise<void> {
  let table: KeptTable | null = null;
  let waiting: string[] = [];
  let letters = 0;
  let known: readonly string[] = [];
  const put = async () => {
    if (table === null || waiting.length === 0) return;
    // Columns that came with a newer program keep what they begin with.
    const there = new Set(Object.keys(JSON.parse(waiting[0]!) as object));
    const columns = known.filter((column) => there.has(column)).join(', ');
    await db.query(`INSERT INTO ${table} (${columns}) OVERRIDING SYSTEM VALUE SELECT ${columns} FROM json_populate_recordset(NULL::${table}, $1::json)`, [
      `[${waiting.join(',')}]`,
    ]);
    waiting = [];
    letters = 0;
  };
  for await (const one of rowsOf(path)) {
    if (one.table !== table || waiting.length >= AT_ONCE || letters >= LETTERS_AT_ONCE) {
      await put();
      if (one.table !== table) known = await columnsOf(db, one.table);
      table = one.table;
    }
    waiting.push(one.row);
    letters += one.row.length;
  }
  await put();
}

/** Numbers the database gives go on after those that were put back. */
async function goOnCounting(db: Queryable, table: KeptTable): Promise<void> {
  const { rows } = await db.query<{ name: string }>(
    "SELECT column_name AS name FROM information_schema.columns WHERE table_schema = 'public' AND table_name = $1 AND is_identity = 'YES'",
    [table],
  );
  for (const { name } of rows)
    await db.query(
      `SELECT setval(pg_get_serial_sequence('${table}', '${name}'), greatest(1, (SELECT coalesce(max(${name}), 0) FROM ${table})), EXISTS (SELECT 1 FROM ${table}))`,
    );
}
