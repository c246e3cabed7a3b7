import {
  allReservedSchema,
  bookStockSchema,
  entryFaults,
  entryMark,
  finishSchema,
  MOST_ENTRIES,
  plainly,
  said,
  stockMovesSchema,
  supplySchema,
  tapeSchema,
  wholeShelfSchema,
  type Finish,
  type Supply,
  type Tape,
} from '@lintrel/core';
import { Router } from 'express';
import type pg from 'pg';
import { jobsUsingFinish } from '../db/jobs';
import { bookMove, listMoves, listReserved } from '../db/stock';
import {
  deleteEntry,
  findEntry,
  insertEntry,
  keepEntryRevision,
  keyOf,
  KEYS,
  lastAuthor,
  readShelf,
  updateEntry,
  type ShelfTable,
  type ShelfTables,
} from '../db/shelf';
import { changeShelf } from '../db/locks';
import { inTransaction, type Queryable } from '../db/pool';
import { ApiError, invalid, invalidAt, notFound } from './errors';
import { answered, bodyOf } from './validate';
import { authorOf } from './who';

const WORDS = { tapes: 'tape', finishes: 'finish', supplies: 'supply' } as const;

/** /api/shelf: tapes, finishes and supplies, read together and changed one by one; what there is of them, booked. */
export function shelfRoutes(pool: pg.Pool): Router {
  const routes = Router();

  routes.get('/', async (_request, response) => {
    const { tapes, finishes, supplies = [] } = await readShelf(pool);
    response.json(answered(wholeShelfSchema, { tapes: [...tapes], finishes: [...finishes], supplies: [...supplies] }));
  });

  entryRoutes(routes, pool, 'tapes', (body) => bodyOf(tapeSchema, body));
  entryRoutes(routes, pool, 'finishes', (body) => bodyOf(finishSchema, body));
  entryRoutes(routes, pool, 'supplies', (body) => bodyOf(supplySchema, body));
  stockRoutes(routes, pool);
  return routes;
}

/** What came into the stock, what was counted, and what jobs in the shop will still take. */
function stockRoutes(routes: Router, pool: pg.Pool): void {
  routes.get('/reserved', async (_request, response) => {
    response.json(answered(allReservedSchema, { reserved: await listReserved(pool, await readShelf(pool)) }));
  });

  routes.get('/moves/:stuff/:code', async (request, response) => {
    const { stuff, code } = request.params;
    if (stuff !== 'tapes' && stuff !== 'supplies') throw notFound('stock');
    response.json(answered(stockMovesSchema, { moves: await listMoves(pool, stuff, code) }));
  });

  routes.post('/moves', async (request, response) => {
    const { id, ...move } = bodyOf(bookStockSchema, request.body);
    const booked = await inTransaction(pool, (db) => bookMove(db, { ...move, cause: id, jobId: null, step: null }));
    if (!booked) throw notFound(WORDS[move.stuff]);
    response.status(201).json(answered(stockMovesSchema, { moves: await listMoves(pool, move.stuff, move.code) }));
  });
}

/** Puts an entry on the shelf, or refuses it. Call while the shelf is held for changing. */
export async function addEntry<T extends ShelfTable>(db: Queryable, table: T, entry: ShelfTables[T]): Promise<void> {
  const done = await insertEntry(db, table, entry);
  if (done === 'taken') throw invalidAt(KEYS[table], said('server.taken', { key: keyOf(table, entry) }));
  if (done === 'full')
    throw new ApiError(409, 'shelf-full', `The shelf is full: it holds ${MOST_ENTRIES} ${table}. Take off what is not used any more, then try again.`);
}

function kept<E extends Tape | Finish | Supply>(entry: E): E {
  const faults = entryFaults(entry);
  if (faults.length > 0) throw invalid(faults);
  return entry;
}

function entryRoutes<T extends ShelfTable>(routes: Router, pool: pg.Pool, table: T, read: (body: unknown) => ShelfTables[T]): void {
  routes.post(`/${table}`, async (request, response) => {
    const entry = kept(read(request.body));
    await inTransaction(pool, async (db) => {
      await changeShelf(db);
      await addEntry(db, table, entry);
      await keepEntryRevision(db, table, keyOf(table, entry), entry, authorOf(request) ?? null);
    });
    response.status(201).json(entry);
  });

  routes.put(`/${table}/:key`, async (request, response) => {
    const entry = kept(read(request.body));
    // Jobs name their finishes, so the name on the shelf stays.
    const { key } = request.params;
    if (keyOf(table, entry) !== key) throw invalidAt(KEYS[table], plainly('server.fixed'));
    const { was } = request.query;
    const found = await inTransaction(pool, async (db) => {
      await changeShelf(db);
      await stillAs(db, table, key, was);
      const changed = await updateEntry(db, table, key, entry);
      if (changed) await keepEntryRevision(db, table, key, changed, authorOf(request) ?? null);
      return changed;
    });
    if (!found) throw notFound(WORDS[table]);
    response.json(found);
  });

  routes.delete(`/${table}/:key`, async (request, response) => {
    const key = String(request.params.key);
    // No job takes the finish while we look who uses it.
    await inTransaction(pool, async (db) => {
      await changeShelf(db);
      const users = table === 'finishes' ? await jobsUsingFinish(db, key) : [];
      if (users.length > 0) throw new ApiError(409, 'in-use', `Still used by ${users.join(', ')}: choose another finish there first.`);
      if (!(await deleteEntry(db, table, key))) throw notFound(WORDS[table]);
      await keepEntryRevision(db, table, key, null, authorOf(request) ?? null);
    });
    response.status(204).end();
  });
}

/**
 * Whoever changes an entry has seen it as it is: else somebody was first.
 * @param was mark of the entry as it was seen; left out by older pages
 */
async function stillAs(db: Queryable, table: ShelfTable, key: string, was: unknown): Promise<void> {
  if (typeof was !== 'string') return;
  const current = await findEntry(db, table, key);
  if (!current || entryMark(current) === was) return;
  const author = await lastAuthor(db, table, key);
  throw new ApiError(
    409,
    'stale-entry',
    `This was changed ${author ? `by ${author}` : 'elsewhere'} meanwhile. What you typed is still here: save again to keep yours, or go back to see theirs.`,
    { versions: { current } },
  );
}
