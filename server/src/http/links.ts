import { customerSchema, linksSchema, newLinkSchema, progressOf } from '@lintrel/core';
import { Router } from 'express';
import type pg from 'pg';
import { stateOf } from '../db/job-list';
import { findJob } from '../db/jobs';
import { findStartedSteps, listEvents } from '../db/log';
import { endLink, insertLink, jobOfLink, listLinks } from '../db/people';
import { readShelf } from '../db/shelf';
import { hashOf, newToken } from '../people/secrets';
import type { Workshop } from '../work/workshop';
import { notFound } from './errors';
import { knownId } from './jobs';
import { slowly } from './slowly';
import { answered, uuidOf } from './validate';
import { authorOf } from './who';

/** So often one address may look in a minute. */
const LOOKS_A_MINUTE = 60;

/** /api/jobs/:id/links, /api/links and /api/link: what a customer may look at, without signing in. */
export function linkRoutes(pool: pg.Pool, workshop: Workshop): Router {
  const routes = Router();

  routes.get('/jobs/:id/links', async (request, response) => {
    const id = await knownId(pool, request.params.id);
    const links = (await listLinks(pool, id)).map(({ madeAt, ...link }) => ({ ...link, madeAt: madeAt.toISOString() }));
    response.json(answered(linksSchema, { links }));
  });

  routes.post('/jobs/:id/links', async (request, response) => {
    const id = await knownId(pool, request.params.id);
    const { token, hash } = newToken();
    response.status(201).json(answered(newLinkSchema, { id: await insertLink(pool, id, hash, authorOf(request) ?? null), token }));
  });

  routes.delete('/links/:id', async (request, response) => {
    if (!(await endLink(pool, uuidOf(request.params.id, 'link')))) throw notFound('link');
    response.status(204).end();
  });

  routes.get('/link/:token', slowly(LOOKS_A_MINUTE, 'Too many at once. Wait a minute, then look again.'), async (request, response) => {
    const id = await jobOfLink(pool, hashOf(String(request.params.token)));
    const job = id === null ? null : await findJob(pool, id);
    if (!job) throw notFound('job behind this link, or it was called back');
    const [started, events] = await Promise.all([findStartedSteps(pool, job.id), listEvents(pool, job.id)]);
    const progress = progressOf(started?.steps ?? [], events, started?.sheet);
    const look = await workshop.run('customerLook', { design: job.design, shelf: await readShelf(pool), done: [...progress.doneAt.keys()] }, response);
    response.json(answered(customerSchema, { ...look, state: stateOf(progress, started !== null) }));
  });
  return routes;
}
