import { finishSchema, shelfSchema, tapeSchema } from '@lintrel/core';
import { Router } from 'express';
import type pg from 'pg';
import { jobsUsingFinish } from '../db/jobs';
import { deleteEntry, insertEntry, readShelf, updateEntry, type ShelfTable, type ShelfTables } from '../db/shelf';
import { ApiError, invalid, notFound } from './errors';
import { answered, bodyOf } from './validate';

const WORDS = { tapes: 'tape', finishes: 'finish' } as const;

/** /api/shelf: tapes and finishes, read together and changed one by one. */
export function shelfRoutes(pool: pg.Pool): Router {
  const routes = Router();

  routes.get('/', async (_request, response) => {
    const { tapes, finishes } = await readShelf(pool);
    response.json(answered(shelfSchema, { tapes: [...tapes], finishes: [...finishes] }));
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

function entryRoutes<T extends ShelfTable>(
  routes: Router,
  pool: pg.Pool,
  table: T,
  read: (body: unknown) => ShelfTables[T],
  keyOf: (entry: ShelfTables[T]) => string,
  keyName: string,
): void {
  routes.post(`/${table}`, async (request, response) => {
    const entry = read(request.body);
    if (!(await insertEntry(pool, table, entry))) throw invalid([{ path: keyName, message: `"${keyOf(entry)}" is taken` }]);
    response.status(201).json(entry);
  });

  routes.put(`/${table}/:key`, async (request, response) => {
    const entry = read(request.body);
    // Jobs name their finishes, so the name on the shelf stays.
    if (keyOf(entry) !== request.params.key) throw invalid([{ path: keyName, message: 'cannot be changed; add a new one instead' }]);
    if (!(await updateEntry(pool, table, keyOf(entry), entry))) throw notFound(WORDS[table]);
    response.json(entry);
  });

  routes.delete(`/${table}/:key`, async (request, response) => {
    const users = table === 'finishes' ? await jobsUsingFinish(pool, String(request.params.key)) : [];
    if (users.length > 0) throw new ApiError(409, 'in-use', `Still used by ${users.join(', ')}: choose another finish there first.`);
    if (!(await deleteEntry(pool, table, String(request.params.key)))) throw notFound(WORDS[table]);
    response.status(204).end();
  });
}
