import { entryFaults, finishSchema, MOST_ENTRIES, plainly, said, tapeSchema, wholeShelfSchema, type Finish, type Tape } from '@lintrel/core';
import { Router } from 'express';
import type pg from 'pg';
import { jobsUsingFinish } from '../db/jobs';
import { deleteEntry, insertEntry, readShelf, updateEntry, type ShelfTable, type ShelfTables } from '../db/shelf';
import { changeShelf } from '../db/locks';
import { inTransaction, type Queryable } from '../db/pool';
import { ApiError, invalid, invalidAt, notFound } from './errors';
import { answered, bodyOf } from './validate';

const WORDS = { tapes: 'tape', finishes: 'finish' } as const;

/** /api/shelf: tapes and finishes, read together and changed one by one. */
export function shelfRoutes(pool: pg.Pool): Router {
  const routes = Router();

  routes.get('/', async (_request, response) => {
    const { tapes, finishes } = await readShelf(pool);
    response.json(answered(wholeShelfSchema, { tapes: [...tapes], finishes: [...finishes] }));
  });

  entryRoutes(
    routes,
    pool,
    'tapes',
    (body) => bodyOf(tapeSchema, body),
    ({ code }) => code,
    'code',
  );
  entryRoutes(
    routes,
    pool,
    'finishes',
    (body) => bodyOf(finishSchema, body),
    ({ id }) => id,
    'id',
  );
  return routes;
}

/** Puts an entry on the shelf, or refuses it. Call while the shelf is held for changing. */
export async function addEntry<T extends ShelfTable>(db: Queryable, table: T, entry: ShelfTables[T], keyName: string): Promise<void> {
  const done = await insertEntry(db, table, entry);
  if (done === 'taken') throw invalidAt(keyName, said('server.taken', { key: (entry as unknown as Record<string, string>)[keyName]! }));
  if (done === 'full')
    throw new ApiError(409, 'shelf-full', `The shelf is full: it holds ${MOST_ENTRIES} ${table}. Take off what is not used any more, then try again.`);
}

function kept<E extends Tape | Finish>(entry: E): E {
  const faults = entryFaults(entry);
  if (faults.length > 0) throw invalid(faults);
  return entry;
}

function entryRoutes<T extends ShelfTable>(
  routes: Router,
  pool: pg.Pool,
  table: T,
  read: (body: unknown) => ShelfTables[T],
  keyOf: (entry: ShelfTables[T]) => string,
  keyName: string,
): void {
  routes.post(`/${table}`, async (request, response) => {
    const entry = kept(read(request.body));
    await inTransaction(pool, async (db) => {
      await changeShelf(db);
      await addEntry(db, table, entry, keyName);
    });
    response.status(201).json(entry);
  });

  routes.put(`/${table}/:key`, async (request, response) => {
    const entry = kept(read(request.body));
    // Jobs name their finishes, so the name on the shelf stays.
    if (keyOf(entry) !== request.params.key) throw invalidAt(keyName, plainly('server.fixed'));
    const found = await inTransaction(pool, async (db) => {
      await changeShelf(db);
      return updateEntry(db, table, keyOf(entry), entry);
    });
    if (!found) throw notFound(WORDS[table]);
    response.json(entry);
  });

  routes.delete(`/${table}/:key`, async (request, response) => {
    const key = String(request.params.key);
    // No job takes the finish while we look who uses it.
    await inTransaction(pool, async (db) => {
      await changeShelf(db);
      const users = table === 'finishes' ? await jobsUsingFinish(db, key) : [];
      if (users.length > 0) throw new ApiError(409, 'in-use', `Still used by ${users.join(', ')}: choose another finish there first.`);
      if (!(await deleteEntry(db, table, key))) throw notFound(WORDS[table]);
    });
    response.status(204).end();
  });
}
