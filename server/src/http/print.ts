import { drawingOutSchema, plainly } from '@lintrel/core';
import { printSchema } from '@lintrel/core/files';
import { Router } from 'express';
import type pg from 'pg';
import { readShelf } from '../db/shelf';
import { WORDS } from '../words';
import type { Workshop } from '../work/workshop';
import { ApiError, notFound } from './errors';
import { knownJob } from './jobs';
import { bodyOf } from './validate';

const MEDIA = { svg: 'image/svg+xml', dxf: 'application/dxf' } as const;

/** /api/jobs/ID: what is printed or written from a job: templates, masks, station tables, drawings. */
export function printRoutes(pool: pg.Pool, workshop: Workshop): Router {
  const routes = Router();

  routes.post('/:id/print', async (request, response) => {
    const { design } = await knownJob(pool, request.params.id);
    const printed = await workshop.run('print', { design, shelf: await readShelf(pool), wish: bodyOf(printSchema, request.body) }, response);
    if (!printed.ok) throw new ApiError(422, 'print', WORDS.say(printed.why));
    response.type('application/pdf').send(Buffer.from(printed.bytes));
  });

  routes.post('/:id/drawing', async (request, response) => {
    const { design } = await knownJob(pool, request.params.id);
    const { part, format } = bodyOf(drawingOutSchema, request.body);
    const text = await workshop.run('drawing', { design, shelf: await readShelf(pool), part, format }, response);
    if (text === null) throw notFound('part');
    response.type(MEDIA[format]).send(text);
  });

  routes.post('/:id/stations.csv', async (request, response) => {
    const { design } = await knownJob(pool, request.params.id);
    const wish = bodyOf(printSchema, request.body);
    if (wish.what !== 'stations') throw new ApiError(422, 'print', 'Only a station table is written as a list.');
    const written = await workshop.run('stations', { design, wish }, response);
    if (written === null) throw new ApiError(422, 'print', WORDS.say(plainly('print.nothing-to-mark')));
    response.type('text/csv').send(written);
  });

  return routes;
}
