import { logEventSchema, runSchema, startSchema, type LogEvent } from '@lintrel/core';
import { Router } from 'express';
import type pg from 'pg';
import { appendEvent, findStartedPlan, insertStartedPlan, listEvents } from '../db/log';
import { inTransaction, type Queryable } from '../db/pool';
import { ApiError, invalid } from './errors';
import { knownJob, planOf } from './jobs';
import { answered, bodyOf } from './validate';

/** How far a phone's clock may be ahead of the server's. */
const CLOCK_SLACK_MS = 5 * 60_000;

/** /api/jobs/:id/run, /start and /log: the run sheet and what was really done. */
export function runRoutes(pool: pg.Pool): Router {
  const routes = Router();

  routes.get('/:id/run', async (request, response) => {
    const { id } = await knownJob(pool, request.params.id);
    response.json(await runRecord(pool, id));
  });

  routes.post('/:id/start', async (request, response) => {
    const job = await knownJob(pool, request.params.id);
    const { revision, event } = bodyOf(startSchema, request.body);
    if (event.kind !== 'start') throw invalid([{ path: 'event.kind', message: 'must be start' }]);
    if (revision !== job.revision) throw new ApiError(409, 'stale-start', `The job is at revision ${job.revision} now. Look at the plan again, then start.`);
    const plan = await planOf(pool, job);
    if (plan.steps.length === 0) throw new ApiError(422, 'nothing-to-run', 'There is nothing to run yet: give at least one area a finish.');
    await inTransaction(pool, async (db) => {
      if (await isKept(db, job.id, event)) return;
      await insertStartedPlan(db, job.id, { revision, plan });
      await append(db, job.id, event);
    });
    response.status(201).json(await runRecord(pool, job.id));
  });

  routes.post('/:id/log', async (request, response) => {
    const { id } = await knownJob(pool, request.params.id);
    const event = bodyOf(logEventSchema, request.body);
    if (event.kind === 'start') throw invalid([{ path: 'kind', message: 'a job is started with its plan, by /start' }]);
    await inTransaction(pool, (db) => append(db, id, event));
    response.status(201).json(await runRecord(pool, id));
  });

  return routes;
}

async function isKept(db: Queryable, jobId: string, event: LogEvent): Promise<boolean> {
  return (await listEvents(db, jobId)).some(({ id }) => id === event.id);
}

async function append(db: Queryable, jobId: string, event: LogEvent): Promise<void> {
  if (Date.parse(event.at) > Date.now() + CLOCK_SLACK_MS) throw invalid([{ path: 'at', message: 'lies in the future: check the clock of this device' }]);
  if (!(await appendEvent(db, jobId, event))) throw new ApiError(409, 'conflict', 'This entry belongs to another job.');
}

async function runRecord(pool: pg.Pool, jobId: string) {
  const [started, events] = await Promise.all([findStartedPlan(pool, jobId), listEvents(pool, jobId)]);
  return answered(runSchema, { started, events });
}
