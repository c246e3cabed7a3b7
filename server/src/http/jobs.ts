import {
  checkJobFile,
  designFaults,
  emptyDesign,
  jobListSchema,
  jobSchema,
  mergeShelf,
  newJobSchema,
  planJob,
  progressOf,
  saveJobSchema,
  usedShelf,
  writeJobFile,
  type Design,
  type Job,
  type JobSummary,
  type Plan,
} from '@lintrel/core';
import { Router } from 'express';
import type pg from 'pg';
import { findJob, insertJob, listJobs, saveJob } from '../db/jobs';
import { appendEvent, listAllEvents, listEvents, listStartedSteps } from '../db/log';
import { inTransaction } from '../db/pool';
import { insertEntry, readShelf } from '../db/shelf';
import { ApiError, invalid, notFound } from './errors';
import { answered, bodyOf, uuidOf } from './validate';

/** /api/jobs: list, open, change, plan, and files in and out. */
export function jobRoutes(pool: pg.Pool): Router {
  const routes = Router();

  routes.get('/', async (_request, response) => {
    response.json(answered(jobListSchema, { now: Date.now(), jobs: await summaries(pool) }));
  });

  routes.post('/', async (request, response) => {
    const { title, kind, scale } = bodyOf(newJobSchema, request.body);
    const job = await inTransaction(pool, (db) => insertJob(db, { ...emptyDesign(title, kind), scale }));
    response.status(201).json(answered(jobSchema, job));
  });

  routes.post('/import', async (request, response) => {
    response.status(201).json(answered(jobSchema, await importJob(pool, request.body)));
  });

  routes.get('/:id', async (request, response) => {
    response.json(answered(jobSchema, await knownJob(pool, request.params.id)));
  });

  routes.put('/:id', async (request, response) => {
    const id = uuidOf(request.params.id, 'job');
    const sent = bodyOf(saveJobSchema, request.body);
    const faults = designFaults(sent.design, await readShelf(pool), ['design']);
    if (faults.length > 0) throw invalid(faults);
    const saved = await inTransaction(pool, (db) => saveJob(db, id, sent.revision, sent.design));
    if (saved) return void response.json(answered(jobSchema, saved));
    const current = await knownJob(pool, id);
    throw new ApiError(
      409,
      'stale',
      `This job was changed elsewhere: it is at revision ${current.revision} now. Nothing of yours is lost; choose which to keep.`,
      { versions: { yours: sent, current } },
    );
  });

  routes.get('/:id/plan', async (request, response) => {
    response.json(await planOf(pool, await knownJob(pool, request.params.id)));
  });

  routes.get('/:id/file', async (request, response) => {
    const { id, design, updatedAt } = await knownJob(pool, request.params.id);
    const log = await listEvents(pool, id);
    const shelf = usedShelf(design, await readShelf(pool));
    // The newest thing in the file dates it, so that an unchanged job is written as the same bytes.
    const writtenAt = [updatedAt, ...log.map(({ at }) => at)].reduce((latest, at) => (at > latest ? at : latest));
    response.type('application/json').attachment(`${fileName(design)}.json`);
    response.send(writeJobFile({ format: 'lintrel-job', version: 1, writtenAt, design, shelf, log }));
  });

  return routes;
}

/** The job with this id, or a refusal. */
export async function knownJob(pool: pg.Pool, id: unknown): Promise<Job> {
  const job = await findJob(pool, uuidOf(id, 'job'));
  if (!job) throw notFound('job');
  return job;
}

const fileName = ({ title }: Design): string =>
  title
    .normalize('NFKD')
    .replace(/[^A-Za-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .toLowerCase() || 'job';

/** Adds a job file: what the shelf lacks, the design, and the log with it. */
async function importJob(pool: pg.Pool, body: unknown): Promise<Job> {
  const checked = checkJobFile(body);
  if (!checked.ok) throw invalid(checked.faults);
  return inTransaction(pool, async (db) => {
    const { newTapes, newFinishes, file } = mergeShelf(checked.value, await readShelf(db));
    for (const tape of newTapes) await insertEntry(db, 'tapes', tape);
    for (const finish of newFinishes) await insertEntry(db, 'finishes', finish);
    const job = await insertJob(db, file.design);
    for (const event of file.log) {
      if (!(await appendEvent(db, job.id, event))) throw new ApiError(409, 'conflict', 'The log of this file is kept here already, with another job.');
    }
    return job;
  });
}

async function summaries(pool: pg.Pool): Promise<JobSummary[]> {
  const [jobs, steps, events] = await Promise.all([listJobs(pool), listStartedSteps(pool), listAllEvents(pool)]);
  return jobs.map(({ id, revision, updatedAt, design }) => {
    const progress = progressOf(steps.get(id) ?? [], events.get(id) ?? []);
    const started = progress.startedAt !== null && steps.has(id);
    const state = progress.finishedAt !== null ? 'finished' : started ? 'in-shop' : 'planning';
    const next = state !== 'in-shop' ? '' : (progress.next?.title ?? 'Look it over and finish the job');
    return { id, title: design.title, kind: design.kind, revision, updatedAt, state, next, finishedAt: progress.finishedAt, windows: [...progress.running] };
  });
}

/** The plan of a job, from the shelf as it is now. */
export const planOf = async (pool: pg.Pool, { design }: Job): Promise<Plan> => planJob(design, await readShelf(pool));
