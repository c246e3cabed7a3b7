import { questionNamed } from '@lintrel/core';
import { Router } from 'express';
import type pg from 'pg';
import { readShelf } from '../db/shelf';
import type { Workshop } from '../work/workshop';
import { invalid, notFound } from './errors';

/** /api/ask/NAME: one question of the Bench, looked up on the shop's shelf. */
export function askRoutes(pool: pg.Pool, workshop: Workshop): Router {
  const routes = Router();
  routes.post('/:name', async (request, response) => {
    const { name } = request.params;
    if (!questionNamed(name)) throw notFound(`question "${name.slice(0, 40)}"`);
    const answer = await workshop.run('ask', { name, input: request.body ?? {}, shelf: await readShelf(pool) }, response);
    if (!answer.ok) throw invalid(answer.faults);
    response.json(answer.value);
  });
  return routes;
}
