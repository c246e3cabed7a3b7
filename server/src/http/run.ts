import {
  logAnswerSchema,
  logEventSchema,
  plainly,
  progressOf,
  runAnswerSchema,
  sayHereSchema,
  sendLogSchema,
  startSchema,
  takenSchema,
  type Job,
  type LogEvent,
  type Taken,
} from '@lintrel/core';
import { Router, type Request } from 'express';
import type pg from 'pg';
import { tellHere } from '../db/changes';
import { noteProgress } from '../db/job-list';
import { findJob } from '../db/jobs';
import { holdJob } from '../db/locks';
import { findSheet, findStartedSteps, insertStartedPlan, listEvents, newestSheet, runningRevision } from '../db/log';
import { inTransaction, type Queryable } from '../db/pool';
import { bookStep } from '../db/stock';
import { ApiError, invalidAt } from './errors';
import type { Workshop } from '../work/workshop';
import { knownId, knownJob, planOf } from './jobs';
import { append } from './log-entry';
import { answered, bodyOf, uuidOf } from './validate';
import { authorOf } from './who';

/** /api/jobs/:id/run, /start and /log: the run sheet and what was really done. */
export function runRoutes(pool: pg.Pool, workshop: Workshop): Router {
  const routes = Router();

  routes.get('/:id/run', async (request, response) => {
    const id = await knownId(pool, request.params.id);
    response.json(await runRecord(pool, id, request));
  });

  routes.post('/:id/start', async (request, response) => {
    const job = await knownJob(pool, request.params.id);
    const { revision, event, shelf } = bodyOf(startSchema, request.body);
    if (event.kind !== 'start') throw invalidAt('event.kind', plainly('server.start-kind'));
    // A start whose answer was lost is sent again, and may find the design changed since.
    if (await isKept(pool, job.id, event)) return void response.status(201).json(await runRecord(pool, job.id, request));
    // Somebody else has pressed it before: this one joins them.
    if ((await runningRevision(pool, job.id)) === revision) return void response.status(201).json(await runRecord(pool, job.id, request));
    if (revision !== job.revision) throw staleStart(job.revision);
    const plan = await planOf(pool, workshop, job, response);
    if (plan.steps === 0) throw new ApiError(422, 'nothing-to-run', 'There is nothing to run yet: give at least one area a finish.');
    await inTransaction(pool, async (db) => {
      await holdJob(db, job.id);
      // The same start may have come again while we planned: it freezes one plan.
      if (await isKept(db, job.id, event)) return;
      const { revision: now } = (await findJob(db, job.id)) as Job;
      if (now !== revision) throw staleStart(now);
      if ((await runningRevision(db, job.id)) === revision) return;
      if (shelf !== undefined && shelf !== plan.shelf)
        throw new ApiError(409, 'stale-shelf', 'Something on the shelf was changed since this plan was worked out. Look at the plan again, then start.');
      const sheet = await insertStartedPlan(db, job.id, revision, plan.text);
      await append(db, job.id, signed({ ...event, sheet }, authorOf(request)));
      await noteProgress(db, job.id);
    });
    response.status(201).json(await runRecord(pool, job.id, request));
  });

  routes.get('/:id/log', async (request, response) => {
    const id = await knownId(pool, request.params.id);
    const { after } = request.query;
    if (after !== undefined && !(typeof after === 'string' && /^\d{1,12}$/.test(after))) throw invalidAt('after', plainly('server.no-place'));
    const [sheet, events] = await Promise.all([newestSheet(pool, id), listEvents(pool, id, Number(after ?? 0))]);
    response.json(answered(logAnswerSchema, { sheet, events }));
  });

  routes.post('/:id/here', async (request, response) => {
    const id = uuidOf(request.params.id, 'job');
    const { step, device } = bodyOf(sayHereSchema, request.body);
    await tellHere(pool, { job: id, step, device, person: authorOf(request) ?? null });
    response.status(204).end();
  });

  routes.post('/:id/log', async (request, response) => {
    const id = await knownId(pool, request.params.id);
    const { entries } = bodyOf(sendLogSchema, request.body);
    const taken = await inTransaction(pool, async (db) => {
      await holdJob(db, id);
      const answers: Taken['entries'] = [];
      for (const sent of entries) answers.push(await takeEntry(db, id, sent, authorOf(request)));
      await noteProgress(db, id);
      return answers;
    });
    response.status(201).json(answered(takenSchema, { entries: taken }));
  });

  return routes;
}

/** An entry under the name of who sent it, whatever it says itself. */
function signed({ person: _, ...event }: LogEvent, author: string | undefined): LogEvent {
  return author === undefined ? event : { ...event, person: author };
}

/** Writes one entry down; one that is not taken is told, and does not hold up the others. */
async function takeEntry(db: Queryable, jobId: string, sent: unknown, author: string | undefined): Promise<Taken['entries'][number]> {
  try {
    const event = signed(bodyOf(logEventSchema, sent), author);
    if (event.kind === 'start') throw invalidAt('kind', plainly('server.log-start'));
    if (event.kind === 'finish' && event.note.trim() === '') await allPlugsOut(db, jobId);
    const { seq, fresh } = await append(db, jobId, event);
    if (fresh) await bookStep(db, jobId, event);
    return { id: event.id, seq };
  } catch (error) {
    if (!(error instanceof ApiError)) throw error;
    const { id } = (sent ?? {}) as { id?: unknown };
    return { id: typeof id === 'string' ? id : '', refused: { code: error.code, message: error.message, now: new Date().toISOString() } };
  }
}

/** A job is not closed while a plug may still be in it, unless it is said why. */
async function allPlugsOut(db: Queryable, jobId: string): Promise<void> {
  const started = await findStartedSteps(db, jobId);
  const { doneAt } = progressOf(started?.steps ?? [], await listEvents(db, jobId), started?.sheet);
  if (started?.steps.some(({ id, kind }) => kind === 'unplug' && !doneAt.has(id)))
    throw new ApiError(422, 'plugs-in', 'The plugs are not counted out yet: count them, or write down why the job ends without.');
}

async function isKept(db: Queryable, jobId: string, event: LogEvent): Promise<boolean> {
  return (await listEvents(db, jobId)).some(({ id }) => id === event.id);
}

const staleStart = (revision: number): ApiError =>
  new ApiError(409, 'stale-start', `The job is at revision ${revision} now. Look at the plan again, then start.`);

/** What is told of a run; the plan only to one who does not have its sheet yet. */
async function runRecord(pool: pg.Pool, jobId: string, { query: { have } }: Request) {
  const known = typeof have === 'string' && /^\d{1,9}$/.test(have) ? Number(have) : null;
  const [started, events] = await Promise.all([findSheet(pool, jobId, known), listEvents(pool, jobId)]);
  return answered(runAnswerSchema, { started, events });
}
