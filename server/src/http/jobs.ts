import {
  designFaults,
  emptyDesign,
  jobListSchema,
  jobSchema,
  LARGEST_FILE_BYTES,
  mergeShelf,
  newJobSchema,
  plainly,
  saveJobSchema,
  shelfMark,
  type Job,
  type JobFile,
  type LogEvent,
} from '@lintrel/core';
import { randomUUID } from 'node:crypto';
import express, { Router, type Response } from 'express';
import type pg from 'pg';
import { fileName, jobFileOf } from '../backup/job-files';
import { jobPlace, listJobs, noteProgress } from '../db/job-list';
import { findJob, findJobText, hasJob, insertJob, saveJob } from '../db/jobs';
import { appendLog, insertStartedPlan, knowsAny } from '../db/log';
import { changeShelf, holdShelf } from '../db/locks';
import { inTransaction } from '../db/pool';
import { readShelf } from '../db/shelf';
import type { Workshop } from '../work/workshop';
import { ApiError, invalid, invalidAt, notFound } from './errors';
import { addEntry } from './shelf';
import { answered, bodyOf, uuidOf } from './validate';
import { authorOf } from './who';

/** So many jobs are listed at once. */
const JOBS_A_PAGE = 100;

/** /api/jobs: list, open, change, plan, and files out. */
export function jobRoutes(pool: pg.Pool, workshop: Workshop): Router {
  const routes = Router();

  routes.get('/', async (request, response) => {
    const { after, state } = request.query;
    const place = typeof after === 'string' ? jobPlace(after) : null;
    if (after !== undefined && place === null) throw invalidAt('after', plainly('server.no-place'));
    const page = await listJobs(pool, { after: place, most: JOBS_A_PAGE, inShop: state === 'in-shop' });
    response.json(answered(jobListSchema, { now: Date.now(), ...page }));
  });

  routes.post('/', async (request, response) => {
    const { title, kind, scale } = bodyOf(newJobSchema, request.body);
    const job = await inTransaction(pool, async (db) => {
      const made = await insertJob(db, { ...emptyDesign(title, kind), scale }, authorOf(request) ?? null);
      await noteProgress(db, made.id);
      return made;
    });
    response.status(201).json(answered(jobSchema, job));
  });

  routes.get('/:id', async (request, response) => {
    const text = await findJobText(pool, uuidOf(request.params.id, 'job'));
    if (text === null) return void response.json(answered(jobSchema, await knownJob(pool, request.params.id)));
    response.type('application/json').send(text);
  });

  routes.put('/:id', async (request, response) => {
    const id = uuidOf(request.params.id, 'job');
    const sent = bodyOf(saveJobSchema, request.body);
    const saved = await inTransaction(pool, async (db) => {
      // What the design names is still there when it is kept.
      await holdShelf(db);
      const faults = designFaults(sent.design, await readShelf(db), ['design']);
      if (faults.length > 0) throw invalid(faults);
      return saveJob(db, id, sent, authorOf(request) ?? null);
    });
    if (saved) return void response.json(answered(jobSchema, saved));
    const current = await knownJob(pool, id);
    throw new ApiError(
      409,
      'stale',
      `This job was changed ${current.author ? `by ${current.author}` : 'elsewhere'}: it is at revision ${current.revision} now. Nothing of yours is lost; choose which to keep.`,
      { versions: { yours: sent, current } },
    );
  });

  routes.get('/:id/plan', async (request, response) => {
    const { text } = await planOf(pool, workshop, await knownJob(pool, request.params.id), response);
    response.type('application/json').send(text);
  });

  routes.get('/:id/file', async (request, response) => {
    const job = await knownJob(pool, request.params.id);
    response.type('application/json').attachment(`${fileName(job.design)}.json`);
    response.send(await jobFileOf(pool, job));
  });

  return routes;
}

/** /api/jobs/import: a job file comes in as it is, however large one may be written, and is read in a process of the workshop. */
export function importRoutes(pool: pg.Pool, workshop: Workshop): Router {
  const routes = Router();
  routes.use(express.raw({ type: () => true, limit: LARGEST_FILE_BYTES }));
  routes.post('/', async (request, response) => {
    const checked = await workshop.run('checkFile', Buffer.isBuffer(request.body) ? request.body : Buffer.alloc(0), response);
    if (!checked.ok) throw invalid(checked.faults);
    response.status(201).json(answered(jobSchema, await importJob(pool, checked.value, authorOf(request) ?? null)));
  });
  return routes;
}

/** The id of a job that is there, its design left where it is; or a refusal. */
export async function knownId(pool: pg.Pool, id: unknown): Promise<string> {
  const known = uuidOf(id, 'job');
  if (!(await hasJob(pool, known))) throw notFound('job');
  return known;
}

/** The job with this id, or a refusal. */
export async function knownJob(pool: pg.Pool, id: unknown): Promise<Job> {
  const job = await findJob(pool, uuidOf(id, 'job'));
  if (!job) throw notFound('job');
  return job;
}

/** Adds a job file: what the shelf lacks, the design, the plans it was started with, and the log. */
function importJob(pool: pg.Pool, read: JobFile, author: string | null): Promise<Job> {
  return inTransaction(pool, async (db) => {
    await changeShelf(db);
    const { newTapes, newFinishes, newSupplies, file } = mergeShelf(read, await readShelf(db));
    for (const tape of newTapes) await addEntry(db, 'tapes', tape);
    for (const supply of newSupplies) await addEntry(db, 'supplies', supply);
    for (const finish of newFinishes) await addEntry(db, 'finishes', finish);
    const job = await insertJob(db, file.design, author);
    const sheets: number[] = [];
    for (const { current, plan } of file.started ?? []) sheets.push(await insertStartedPlan(db, job.id, current ? job.revision : 0, JSON.stringify(plan)));
    // A file of a job that is kept here already comes in as a copy: its entries are other entries then.
    const copy = await knowsAny(db, file.log);
    const log = file.log.map(({ sheet, ...event }): LogEvent => ({ ...event, ...(sheet === undefined ? {} : { sheet: sheets[sheet] ?? 0 }) }));
    await appendLog(db, job.id, copy ? log.map((event) => ({ ...event, id: randomUUID() })) : log);
    await noteProgress(db, job.id);
    return job;
  });
}

/** The plan of a job, from the shelf as it is now, as JSON, with the mark of that shelf. */
export async function planOf(pool: pg.Pool, workshop: Workshop, { design }: Job, answering: Response) {
  const shelf = await readShelf(pool);
  return { ...(await workshop.run('plan', { design, shelf }, answering)), shelf: shelfMark(shelf) };
}
