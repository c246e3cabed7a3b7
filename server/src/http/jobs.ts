import { randomUUID } from 'node:crypto';
import {
  emptyDesign,
  type Job,
  type JobFile,
  jobListSchema,
  jobSchema,
  type LogEvent,
  MAX_FILE_BYTES,
  mergeShelf,
  message,
  messageWithoutValues,
  missingFinishes,
  newJobSchema,
  shelfFingerprint,
} from '@lintrel/core';
import type pg from 'pg';
import { fileName, jobFileOf } from '../backup/job-files';
import { jobPlace, listJobs, storeProgress } from '../db/job-list';
import { findHead, findJob, findJobText, findKept, hasJob, insertJob, type KeptJob, saveJob } from '../db/jobs';
import { lockShelf, lockShelfShared } from '../db/locks';
import { appendLog, insertStartedPlan, isAnyLogged } from '../db/log';
import { inTransaction } from '../db/pool';
import { readShelf } from '../db/shelf';
import { ApiError, invalid, invalidAt, notFound } from '../errors/errors';
import { checkedSave, saveText } from '../work/save';
import type { WorkerPool } from '../work/worker-pool';
import { BODY_BYTES, bytesOf, valueOf } from './body';
import { type Route, route } from './route';
import { addEntry } from './shelf';
import { checkedAnswer, uuidOf } from './validate';

/** The lists of jobs there are. */
const LISTS = ['all', 'in-shop', 'archived', 'deleted'] as const;

/** Jobs per page; those in the shop are always listed completely. */
const JOBS_A_PAGE = 50;
const MOST_IN_SHOP = 200;

/** /api/jobs: list, open, change, plan, files in and out. */
export const jobRoutes: readonly Route[] = [
  route({
    method: 'GET',
    path: '/jobs',
    right: 'look',
    answer: jobListSchema,
    async work({ db, now, query: { after, state } }) {
      const place = typeof after === 'string' ? jobPlace(after) : null;
      if (after !== undefined && place === null) throw invalidAt('after', messageWithoutValues('server.no-place'));
      const shown = LISTS.find((listName) => listName === state) ?? 'all';
      return {
        now: now(),
        ...(await listJobs(db, { after: place, most: shown === 'in-shop' ? MOST_IN_SHOP : JOBS_A_PAGE, shown })),
      };
    },
  }),
  route({
    method: 'POST',
    path: '/jobs',
    right: 'plan',
    status: 201,
    body: newJobSchema,
    answer: jobSchema,
    work: ({ db: pool, author, body: { title, kind, scale } }) =>
      inTransaction(pool, async (db) => {
        const created = await insertJob(db, { ...emptyDesign(title, kind), scale }, author);
        await storeProgress(db, created.id);
        return created;
      }),
  }),
  // A job file is accepted at any size one may be written, and parsed in a worker process.
  route({
    method: 'POST',
    path: '/jobs/import',
    right: 'plan',
    reads: 'bytes',
    maxBytes: MAX_FILE_BYTES,
    status: 201,
    answer: jobSchema,
    async work({ db, author, request: { body }, run }) {
      const checked = await run('checkFile', bytesOf(body));
      if (!checked.ok) throw invalid(checked.faults);
      return importJob(db, checked.value, author);
    },
  }),
  route({
    method: 'GET',
    path: '/jobs/:id',
    right: 'look',
    answer: 'own',
    async work({ db, params, response }) {
      response.type('application/json').send(await knownJobText(db, uuidOf(params.id, 'job')));
    },
  }),
  route({
    method: 'PUT',
    path: '/jobs/:id',
    right: 'plan',
    reads: 'bytes',
    maxBytes: BODY_BYTES.design,
    answer: 'own',
    async work({ db: pool, params, author, request: { body }, run, response }) {
      const id = uuidOf(params.id, 'job');
      const bytes = bytesOf(body);
      const sent = valueOf(bytes.length > LARGE_SAVE_BYTES ? await run('checkSave', bytes) : checkedSave(bytes));
      const saved = await inTransaction(pool, async (db) => {
        // The finishes of the design must still exist when it is stored.
        await lockShelfShared(db);
        const faults = missingFinishes(sent.finishes, await readShelf(db), ['design']);
        if (faults.length > 0) throw invalid(faults);
        return saveJob(db, id, sent, author);
      });
      if (saved !== null) return void response.type('application/json').send(saved);
      const current = await knownJobText(pool, id);
      const { author: by, revision, deleted } = (await findHead(pool, id))!;
      if (deleted) throw deletedJob();
      throw new ApiError(
        409,
        'stale',
        message('server.stale-job', { by, revision }),
        {},
        `{"yours":${saveText(sent)},"current":${current}}`,
      );
    },
  }),
  route({
    method: 'GET',
    path: '/jobs/:id/plan',
    right: 'look',
    answer: 'own',
    async work({ db, params, run, response }) {
      const { text } = await planOf(db, run, await knownKept(db, params.id));
      response.type('application/json').send(text);
    },
  }),
  route({
    method: 'GET',
    path: '/jobs/:id/file',
    right: 'plan',
    answer: 'own',
    async work({ db, params, response }) {
      const job = await knownJob(db, params.id);
      response.type('application/json').attachment(`${fileName(job.design)}.json`);
      response.send(await jobFileOf(db, job));
    },
  }),
];

/** A job that was deleted is neither changed nor started. */
export const deletedJob = (): ApiError => new ApiError(409, 'deleted', messageWithoutValues('server.job-deleted'));

/** The id of a job that is there, its design left where it is; or a refusal. */
export async function knownId(pool: pg.Pool, id: unknown): Promise<string> {
  const known = uuidOf(id, 'job');
  if (!(await hasJob(pool, known))) throw notFound('job');
  return known;
}

/** A save larger than this is checked in another process, bytes. */
const LARGE_SAVE_BYTES = 200_000;

/** The job with this id as JSON, or a refusal. */
const knownJobText = async (pool: pg.Pool, id: string): Promise<string> =>
  (await findJobText(pool, id)) ?? JSON.stringify(checkedAnswer(jobSchema, await knownJob(pool, id)));

/** The job with this id, or a refusal. */
export async function knownJob(pool: pg.Pool, id: unknown): Promise<Job> {
  const job = await findJob(pool, uuidOf(id, 'job'));
  if (!job) throw notFound('job');
  return job;
}

/** The job with this id as the workshop takes it, or a refusal. */
export async function knownKept(pool: pg.Pool, id: unknown): Promise<KeptJob> {
  const job = await findKept(pool, uuidOf(id, 'job'));
  if (!job) throw notFound('job');
  return job;
}

/** Adds a job file: what the shelf lacks, the design, the plans it was started with, and the log. */
function importJob(pool: pg.Pool, read: JobFile, author: string | null): Promise<Job> {
  return inTransaction(pool, async (db) => {
    await lockShelf(db);
    const { newTapes, newFinishes, newSupplies, file } = mergeShelf(read, await readShelf(db));
    for (const tape of newTapes) await addEntry(db, 'tapes', tape);
    for (const supply of newSupplies) await addEntry(db, 'supplies', supply);
    for (const finish of newFinishes) await addEntry(db, 'finishes', finish);
    const job = await insertJob(db, file.design, author);
    const sheets: number[] = [];
    for (const { current, plan } of file.started ?? [])
      sheets.push(await insertStartedPlan(db, job.id, current ? job.revision : 0, JSON.stringify(plan)));
    // A file of a job already stored here is imported as a copy, with new entry ids.
    const copy = await isAnyLogged(db, file.log);
    const log = file.log.map(({ sheet, ...event }): LogEvent => ({
      ...event,
      ...(sheet === undefined ? {} : { sheet: sheets[sheet] ?? 0 }),
    }));
    await appendLog(db, job.id, copy ? log.map((event) => ({ ...event, id: randomUUID() })) : log);
    await storeProgress(db, job.id);
    return job;
  });
}

/** The plan of a job with the present shelf, as JSON, with the fingerprint of that shelf. */
export async function planOf(pool: pg.Pool, run: WorkerPool['run'], { design }: KeptJob) {
  const shelf = await readShelf(pool);
  return { ...(await run('plan', { design, shelf })), shelf: shelfFingerprint(shelf) };
}
