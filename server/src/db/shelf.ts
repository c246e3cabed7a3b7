import {
  type Finish,
  finishSchema,
  MAX_SHELF_ENTRIES,
  type Shelf,
  type Supply,
  supplySchema,
  type Tape,
  tapeSchema,
} from '@lintrel/core';
import { listLearned } from './learning';
import type { Queryable } from './pool';

// Column names are the field names in snake case; the schemas define the fields.
const snake = (name: string): string =>
  name.replace(/[A-Z0-9]+/g, (match, index) => (index > 0 ? `_${match.toLowerCase()}` : match));
const camel = (name: string): string => name.replace(/_([a-z0-9])/g, (_, letter: string) => letter.toUpperCase());

const FIELDS = {
  tapes: Object.keys(tapeSchema.entries),
  finishes: Object.keys(finishSchema.entries),
  supplies: Object.keys(supplySchema.entries),
} as const;
/** The field each is known by. */
export const KEY_FIELDS = { tapes: 'code', finishes: 'id', supplies: 'code' } as const;

/** The tables of the shelf and what they hold. */
export interface ShelfTables {
  readonly tapes: Tape;
  readonly finishes: Finish;
  readonly supplies: Supply;
}
export type ShelfTable = keyof ShelfTables;

export const keyOf = <T extends ShelfTable>(table: T, entry: ShelfTables[T]): string =>
  (entry as unknown as Record<string, string>)[KEY_FIELDS[table]]!;

const columnsOf = (table: ShelfTable): string[] => FIELDS[table].map(snake);

function fromRow<T extends ShelfTable>(row: Record<string, unknown>): ShelfTables[T] {
  return Object.fromEntries(
    Object.entries(row).flatMap(([name, value]) =>
      value === null && LEFT_OUT.has(camel(name)) ? [] : [[camel(name), value]],
    ),
  ) as unknown as ShelfTables[T];
}

/** Optional fields: left out instead of null. */
const LEFT_OUT = new Set(['gun', 'pricePerL', 'cards', 'rollM', 'rolls', 'rollPrice', 'sizeMm', 'packPrice', 'packs']);
const JSON_FIELDS = new Set(['recoat', 'mixRatio', 'cards']);
const toValues = (
  table: ShelfTable,
  entry: ShelfTables[ShelfTable],
  fields: readonly string[] = FIELDS[table],
): unknown[] =>
  fields.map((field) => {
    const value = (entry as unknown as Record<string, unknown>)[field];
    if (value === undefined) return null;
    return JSON_FIELDS.has(field) ? JSON.stringify(value) : value;
  });

async function listTable<T extends ShelfTable>(db: Queryable, table: T): Promise<ShelfTables[T][]> {
  const { rows } = await db.query(`SELECT ${columnsOf(table).join(', ')} FROM ${table} ORDER BY place`);
  return rows.map((row) => fromRow<T>(row));
}

/** Everything on the shelf, in the order it was put there. */
export async function readShelf(db: Queryable): Promise<Shelf> {
  const tapes = await listTable(db, 'tapes');
  const [finishes, supplies, learned] = [
    await listTable(db, 'finishes'),
    await listTable(db, 'supplies'),
    await listLearned(db),
  ];
  return { tapes, finishes, supplies, ...(learned.length > 0 ? { learned } : {}) };
}

/** Inserts an entry, if its key is free and the shelf is not full. The shelf must be locked. */
export async function insertEntry<T extends ShelfTable>(
  db: Queryable,
  table: T,
  entry: ShelfTables[T],
): Promise<'added' | 'taken' | 'full'> {
  const { rows } = await db.query<{ taken: boolean; full: boolean }>(
    `SELECT EXISTS (SELECT 1 FROM ${table} WHERE ${KEY_FIELDS[table]} = $1) AS taken, (SELECT count(*) >= $2 FROM ${table}) AS full`,
    [keyOf(table, entry), MAX_SHELF_ENTRIES],
  );
  if (rows[0]!.taken) return 'taken';
  if (rows[0]!.full) return 'full';
  const columns = columnsOf(table);
  const places = columns.map((_, index) => `$${index + 1}`).join(', ');
  await db.query(`INSERT INTO ${table} (${columns.join(', ')}) VALUES (${places})`, toValues(table, entry));
  return 'added';
}

/** Stock is changed by bookings, never overwritten, since some may have been used meanwhile. */
const BOOKED: ReadonlySet<string> = new Set(['rolls', 'packs']);

/** Updates an entry, except its stock; returns the result, or null if there is none with this key. */
export async function updateEntry<T extends ShelfTable>(
  db: Queryable,
  table: T,
  key: string,
  entry: ShelfTables[T],
): Promise<ShelfTables[T] | null> {
  const fields = FIELDS[table].filter((field) => !BOOKED.has(field));
  const sets = fields.map((field, index) => `${snake(field)} = $${index + 2}`).join(', ');
  const { rows } = await db.query<Record<string, unknown>>(
    `UPDATE ${table} SET ${sets} WHERE ${KEY_FIELDS[table]} = $1 RETURNING ${columnsOf(table).join(', ')}`,
    [key, ...toValues(table, entry, fields)],
  );
  return rows[0] ? fromRow<T>(rows[0]) : null;
}

/** Takes an entry off the shelf; returns false where there was none. */
export async function deleteEntry(db: Queryable, table: ShelfTable, key: string): Promise<boolean> {
  const { rowCount } = await db.query(`DELETE FROM ${table} WHERE ${KEY_FIELDS[table]} = $1`, [key]);
  return rowCount === 1;
}

/** One entry; null if there is none with this key. */
export async function findEntry<T extends ShelfTable>(
  db: Queryable,
  table: T,
  key: string,
): Promise<ShelfTables[T] | null> {
  const { rows } = await db.query<Record<string, unknown>>(
    `SELECT ${columnsOf(table).join(', ')} FROM ${table} WHERE ${KEY_FIELDS[table]} = $1`,
    [key],
  );
  return rows[0] ? fromRow<T>(rows[0]) : null;
}

/** Writes down what an entry has become, and by whom; null: it was taken off. */
export async function insertEntryRevision(
  db: Queryable,
  table: ShelfTable,
  key: string,
  entry: object | null,
  author: string | null,
): Promise<void> {
  await db.query('INSERT INTO shelf_revisions (shelf, key, entry, author) VALUES ($1, $2, $3, $4)', [
    table,
    key,
    entry && JSON.stringify(entry),
    author,
  ]);
}

/** Author of the last change; null if unknown or without sign-in. */
export async function lastAuthor(db: Queryable, table: ShelfTable, key: string): Promise<string | null> {
  const { rows } = await db.query<{ author: string | null }>(
    'SELECT author FROM shelf_revisions WHERE shelf = $1 AND key = $2 ORDER BY seq DESC LIMIT 1',
    [table, key],
  );
  return rows[0]?.author ?? null;
}
