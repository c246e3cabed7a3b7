import { Router } from 'express';
import type pg from 'pg';
import { cutSchema, plainly } from '@lintrel/core';
import type { Cutting } from '../cutter';
import type { Workshop } from '../work/workshop';
import { WORDS } from '../words';
import { ApiError, notFound } from './errors';
import { knownJob } from './jobs';
import { bodyOf } from './validate';

/** /api/cutter: the masks of a job sent to the cutter, how far it is, and stopping it. */
export function cutterRoutes(pool: pg.Pool, workshop: Workshop, cutter: Cutting): Router {
  const routes = Router();

  routes.post('/', async (request, response) => {
    const { job: id, widthMm } = bodyOf(cutSchema, request.body);
    const { design } = await knownJob(pool, id);
    const cuts = await workshop.run('masks', { design, widthMm }, response);
    if (cuts.paths.length === 0) throw new ApiError(422, 'cutter', WORDS.say(plainly('print.no-masks')));
    response.status(201).json(await cutter.send({ ...cuts, name: design.title, widthMm }));
  });

  routes.get('/:id', (request, response) => {
    const state = cutter.stateOf(request.params.id);
    if (!state) throw notFound('cut');
    response.json(state);
  });

  routes.delete('/:id', (request, response) => {
    const state = cutter.cancel(request.params.id);
    if (!state) throw notFound('cut');
    response.json(state);
  });

  return routes;
}
