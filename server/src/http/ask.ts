import { ask, questionNamed } from '@lintrel/core';
import { Router } from 'express';
import type pg from 'pg';
import { readShelf } from '../db/shelf';
import { invalid, notFound } from './errors';

/** /api/ask/NAME: one question of the Bench, looked up on the shop's shelf. */
export function askRoutes(pool: pg.Pool): Router {
  const routes = Router();
  routes.post('/:name', async (request, response) => {
    const { name } = request.params;
    if (!questionNamed(name)) throw notFound(`question "${name.slice(0, 40)}"`);
    const answer = ask(name, request.body ?? {}, await readShelf(pool));
    if (!answer.ok) throw invalid(answer.faults);
    response.json(answer.value);
  });
  return routes;
}
