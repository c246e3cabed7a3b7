import type pg from 'pg';
import { findBackupKey } from '../db/backup-key';
import { migrate } from '../db/migrate';
import { canSignIn, isAnyoneHere, saveSetUpCode } from '../db/people';
import { openUnlimitedClient, type Queryable, runTransaction } from '../db/pool';
import { newCode, normalizeCode, tokenHash } from '../people/secrets';
import { BackupFault, checkedBackup, rowsOf } from './read';
import { decryptedSecrets } from './secrets';
import { columnsOf, KEPT_TABLES, type KeptTable, schemaOf } from './tables';

/** Rows put back at once, and letters: photos are large. */
const AT_ONCE = 200;
const LETTERS_AT_ONCE = 8_000_000;

/** What was put back. */
export interface Restored {
  readonly rows: number;
  /** Set-up code for an owner to set a new passphrase; null if somebody can sign in, or there are no people. */
  readonly code: string | null;
}

/**
 * Puts a backup back into an empty shop, of the version it was written by or a newer one: all of it, or nothing.
 * @param passphrase of the secrets in it; null: they are left out
 * @throws BackupFault where the file is damaged, the passphrase is wrong, or the shop is not empty
 */
export async function restoreBackup(pool: pg.Pool, path: string, passphrase: string | null = null): Promise<Restored> {
  const { schema, rows } = await checkedBackup(path);
  await migrate(pool);
  const client = openUnlimitedClient(pool);
  await client.connect();
  try {
    return await runTransaction(client, async (db) => {
      const currentSchema = await schemaOf(db);
      if (schema > currentSchema)
        throw new BackupFault(
          `it was written by a newer program: its tables are of ${schema}, here of ${currentSchema}`,
        );
      await mustBeUntouched(db);
      const secrets = await putBack(db, path);
      if (secrets !== null && passphrase !== null) await putSecretsBack(db, secrets, passphrase);
      for (const table of KEPT_TABLES) await goOnCounting(db, table);
      await countLogs(db);
      return { rows, code: (await isAnyoneHere(db)) && !(await canSignIn(db)) ? await newSetUpCode(db) : null };
    });
  } finally {
    await client.end().catch(() => undefined);
  }
}

/** Tables a new shop has rows in: the typical shelf. */
const SHIPPED: readonly KeptTable[] = ['tapes', 'finishes', 'supplies'];

/** A backup is restored only into an unused shop; the shipped shelf is removed. */
async function mustBeUntouched(db: Queryable): Promise<void> {
  for (const table of KEPT_TABLES.filter((kept) => !SHIPPED.includes(kept))) {
    const { rowCount } = await db.query(`SELECT 1 FROM ${table} LIMIT 1`);
    if (rowCount !== 0)
      throw new BackupFault('the shop it is to be put into is not empty: a backup goes into an empty one alone');
  }
  for (const table of SHIPPED) await db.query(`DELETE FROM ${table}`);
}

async function putSecretsBack(db: Queryable, encrypted: string, passphrase: string): Promise<void> {
  const key = await findBackupKey(db);
  const secrets = key && (await decryptedSecrets(key, passphrase, encrypted));
  if (!secrets)
    throw new BackupFault(
      'this is not its backup passphrase. Without one it is put back too, and an owner sets a new passphrase by a code',
    );
  for (const [id, { passphrase: kept, pin }] of Object.entries(secrets))
    await db.query('UPDATE people SET passphrase = $2, pin = $3 WHERE id = $1', [id, kept, pin]);
}

async function newSetUpCode(db: Queryable): Promise<string> {
  const code = newCode();
  await saveSetUpCode(db, tokenHash(normalizeCode(code)));
  return code;
}

/**
 * Puts the rows of a backup back.
 * @returns its encrypted secrets; null where it has none
 */
async function putBack(db: Queryable, path: string): Promise<string | null> {
  let table: KeptTable | null = null;
  let waiting: string[] = [];
  let letters = 0;
  let known: readonly string[] = [];
  let secrets: string | null = null;
  const put = async () => {
    if (table === null || waiting.length === 0) return;
    // Columns that came with a newer program keep what they begin with.
    const there = new Set(Object.keys(JSON.parse(waiting[0]!) as object));
    const columns = known.filter((column) => there.has(column)).join(', ');
    await db.query(
      `INSERT INTO ${table} (${columns}) OVERRIDING SYSTEM VALUE SELECT ${columns} FROM json_populate_recordset(NULL::${table}, $1::json)`,
      [`[${waiting.join(',')}]`],
    );
    waiting = [];
    letters = 0;
  };
  for await (const row of rowsOf(path)) {
    if ('secrets' in row) {
      secrets = row.secrets;
      continue;
    }
    if (row.table !== table || waiting.length >= AT_ONCE || letters >= LETTERS_AT_ONCE) {
      await put();
      if (row.table !== table) known = await columnsOf(db, row.table);
      table = row.table;
    }
    waiting.push(row.row);
    letters += row.row.length;
  }
  await put();
  return secrets;
}

/** Entries were counted in the shop the backup is of, and again as they were put back. */
async function countLogs(db: Queryable): Promise<void> {
  await db.query(
    `UPDATE jobs SET log_count = held.count, log_letters = held.letters
       FROM (SELECT job_id, count(*) AS count, sum(length(note)) AS letters FROM run_log GROUP BY job_id) AS held WHERE held.job_id = jobs.id`,
  );
}

/** Advances the sequences of the database beyond the restored numbers. */
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
