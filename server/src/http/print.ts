import { drawingOutSchema, messageWithoutValues } from '@lintrel/core';
import { printSchema } from '@lintrel/core/files';
import { readShelf } from '../db/shelf';
import { ApiError, notFound } from '../errors/errors';
import { knownKept } from './jobs';
import { type Route, route } from './route';

const MEDIA = { svg: 'image/svg+xml', dxf: 'application/dxf' } as const;

/** /api/jobs/ID: what is printed or written from a job: templates, masks, station tables, drawings. */
export const printRoutes: readonly Route[] = [
  route({
    method: 'POST',
    path: '/jobs/:id/print',
    right: 'look',
    body: printSchema,
    answer: 'own',
    async work({ db, params, body: wish, run, response }) {
      const { design } = await knownKept(db, params.id);
      const printed = await run('print', { design, shelf: await readShelf(db), wish });
      if (!printed.ok) throw new ApiError(422, 'print', printed.why);
      response.type('application/pdf').send(Buffer.from(printed.bytes));
    },
  }),
  route({
    method: 'POST',
    path: '/jobs/:id/drawing',
    right: 'look',
    body: drawingOutSchema,
    answer: 'own',
    async work({ db, params, body: { part, format }, run, response }) {
      const { design } = await knownKept(db, params.id);
      const text = await run('drawing', { design, shelf: await readShelf(db), part, format });
      if (text === null) throw notFound('part');
      response.type(MEDIA[format]).send(text);
    },
  }),
  route({
    method: 'POST',
    path: '/jobs/:id/stations.csv',
    right: 'look',
    body: printSchema,
    answer: 'own',
    async work({ db, params, body: wish, run, response }) {
      const { design } = await knownKept(db, params.id);
      if (wish.what !== 'stations') throw new ApiError(422, 'print', messageWithoutValues('server.only-stations'));
      const written = await run('stations', { design, wish });
      if (written === null) throw new ApiError(422, 'print', messageWithoutValues('print.nothing-to-mark'));
      response.type('text/csv').send(written);
    },
  }),
];
