import {
  allReservedSchema,
  bookStockSchema,
  entryFaults,
  entryFingerprint,
  type Finish,
  finishSchema,
  MAX_SHELF_ENTRIES,
  message,
  messageWithoutValues,
  stockMovesSchema,
  type Supply,
  supplySchema,
  type Tape,
  tapeSchema,
  wholeShelfSchema,
} from '@lintrel/core';
import type * as v from 'valibot';
import { jobsUsingFinish } from '../db/jobs';
import { lockShelf } from '../db/locks';
import { inTransaction, type Queryable } from '../db/pool';
import {
  deleteEntry,
  findEntry,
  insertEntry,
  insertEntryRevision,
  KEY_FIELDS,
  keyOf,
  lastAuthor,
  readShelf,
  type ShelfTable,
  type ShelfTables,
  updateEntry,
} from '../db/shelf';
import { bookMove, listMoves, listReserved } from '../db/stock';
import { ApiError, invalid, invalidAt, notFound } from '../errors/errors';
import { type Route, route } from './route';

const WORDS = { tapes: 'tape', finishes: 'finish', supplies: 'supply' } as const;

/** Puts an entry on the shelf, or refuses it. Call while the shelf is held for changing. */
export async function addEntry<T extends ShelfTable>(db: Queryable, table: T, entry: ShelfTables[T]): Promise<void> {
  const done = await insertEntry(db, table, entry);
  if (done === 'taken') throw invalidAt(KEY_FIELDS[table], message('server.taken', { key: keyOf(table, entry) }));
  if (done === 'full')
    throw new ApiError(409, 'shelf-full', message('server.shelf-full', { max: MAX_SHELF_ENTRIES, what: table }));
}

function kept<E extends Tape | Finish | Supply>(entry: E): E {
  const faults = entryFaults(entry);
  if (faults.length > 0) throw invalid(faults);
  return entry;
}

/** Putting one kind of entry on the shelf, changing it and taking it off. */
function entryRoutes<T extends ShelfTable>(table: T, schema: v.GenericSchema<ShelfTables[T]>): readonly Route[] {
  return [
    route({
      method: 'POST',
      path: `/shelf/${table}`,
      right: 'shelf',
      status: 201,
      body: schema,
      answer: schema,
      async work({ db: pool, author, body }) {
        const entry = kept(body as ShelfTables[T]);
        await inTransaction(pool, async (db) => {
          await lockShelf(db);
          await addEntry(db, table, entry);
          await insertEntryRevision(db, table, keyOf(table, entry), entry, author);
        });
        return entry;
      },
    }),
    route({
      method: 'PUT',
      path: `/shelf/${table}/:key`,
      right: 'shelf',
      body: schema,
      answer: schema,
      async work({ db: pool, author, params: { key = '' }, query: { was }, body }) {
        const entry = kept(body as ShelfTables[T]);
        // Jobs name their finishes, so the name on the shelf stays.
        if (keyOf(table, entry) !== key) throw invalidAt(KEY_FIELDS[table], messageWithoutValues('server.fixed'));
        const outcome = await inTransaction(pool, async (db) => {
          await lockShelf(db);
          await stillAs(db, table, key, was);
          const changed = await updateEntry(db, table, key, entry);
          if (changed) await insertEntryRevision(db, table, key, changed, author);
          return changed;
        });
        if (!outcome) throw notFound(WORDS[table]);
        return outcome;
      },
    }),
    route({
      method: 'DELETE',
      path: `/shelf/${table}/:key`,
      right: 'shelf',
      answer: 'nothing',
      // No job takes the finish while we look who uses it.
      work: ({ db: pool, author, params: { key = '' } }) =>
        inTransaction(pool, async (db) => {
          await lockShelf(db);
          const users = table === 'finishes' ? await jobsUsingFinish(db, key) : [];
          if (users.length > 0) throw new ApiError(409, 'in-use', message('server.finish-in-use', { jobs: users }));
          if (!(await deleteEntry(db, table, key))) throw notFound(WORDS[table]);
          await insertEntryRevision(db, table, key, null, author);
        }),
    }),
  ];
}

/** /api/shelf: tapes, finishes and supplies, read together and changed one by one; what there is of them, booked. */
export const shelfRoutes: readonly Route[] = [
  route({
    method: 'GET',
    path: '/shelf',
    right: 'look',
    answer: wholeShelfSchema,
    async work({ db }) {
      const { tapes, finishes, supplies = [], learned } = await readShelf(db);
      return {
        tapes: [...tapes],
        finishes: [...finishes],
        supplies: [...supplies],
        ...(learned ? { learned: [...learned] } : {}),
      };
    },
  }),
  ...entryRoutes('tapes', tapeSchema),
  ...entryRoutes('finishes', finishSchema),
  ...entryRoutes('supplies', supplySchema),
  // What jobs in the shop will still take.
  route({
    method: 'GET',
    path: '/shelf/reserved',
    right: 'look',
    answer: allReservedSchema,
    work: async ({ db }) => ({ reserved: await listReserved(db, await readShelf(db)) }),
  }),
  route({
    method: 'GET',
    path: '/shelf/moves/:stuff/:code',
    right: 'look',
    answer: stockMovesSchema,
    async work({ db, params: { stuff, code = '' } }) {
      if (stuff !== 'tapes' && stuff !== 'supplies') throw notFound('stock');
      return { moves: await listMoves(db, stuff, code) };
    },
  }),
  // What came into the stock, and what was counted.
  route({
    method: 'POST',
    path: '/shelf/moves',
    right: 'shelf',
    status: 201,
    body: bookStockSchema,
    answer: stockMovesSchema,
    async work({ db: pool, body: { id, ...move } }) {
      const booked = await inTransaction(pool, (db) => bookMove(db, { ...move, cause: id, jobId: null, step: null }));
      if (!booked) throw notFound(WORDS[move.stuff]);
      return { moves: await listMoves(pool, move.stuff, move.code) };
    },
  }),
];

/**
 * An entry may only be changed by a client that has seen its present state.
 * @param was fingerprint of the entry as seen
 */
async function stillAs(db: Queryable, table: ShelfTable, key: string, was: unknown): Promise<void> {
  if (typeof was !== 'string') throw new ApiError(428, 'no-mark', messageWithoutValues('server.no-mark'));
  const current = await findEntry(db, table, key);
  if (!current || entryFingerprint(current) === was) return;
  const author = await lastAuthor(db, table, key);
  throw new ApiError(409, 'stale-entry', message('server.stale-entry', { by: author }), { versions: { current } });
}
