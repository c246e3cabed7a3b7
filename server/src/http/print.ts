import { draftParts, drawingOutSchema } from '@lintrel/core';
import { printPdf, printSchema, stationCsv, tableFor, writeDxf, writeSvg } from '@lintrel/core/files';
import { Router } from 'express';
import type pg from 'pg';
import { readShelf } from '../db/shelf';
import { ApiError, notFound } from './errors';
import { knownJob } from './jobs';
import { bodyOf } from './validate';

/** /api/jobs/ID: what is printed or written from a job: templates, masks, station tables, drawings. */
export function printRoutes(pool: pg.Pool): Router {
  const routes = Router();

  routes.post('/:id/print', async (request, response) => {
    const { design } = await knownJob(pool, request.params.id);
    const printed = await printPdf(design, bodyOf(printSchema, request.body));
    if (!printed.ok) throw new ApiError(422, 'print', printed.message);
    response.type('application/pdf').send(Buffer.from(printed.bytes));
  });

  routes.post('/:id/drawing', async (request, response) => {
    const { design } = await knownJob(pool, request.params.id);
    const { part: id, format } = bodyOf(drawingOutSchema, request.body);
    const part = draftParts(design, await readShelf(pool)).find((one) => one.id === id);
    if (!part) throw notFound('part');
    if (format === 'svg') response.type('image/svg+xml').send(writeSvg(part));
    else response.type('application/dxf').send(writeDxf(part));
  });

  routes.post('/:id/stations.csv', async (request, response) => {
    const { design } = await knownJob(pool, request.params.id);
    const wish = bodyOf(printSchema, request.body);
    if (wish.what !== 'stations') throw new ApiError(422, 'print', 'Only a station table is written as a list.');
    const table = tableFor(design, wish);
    if (typeof table === 'string') throw new ApiError(422, 'print', table);
    response.type('text/csv').send(stationCsv(table));
  });

  return routes;
}
