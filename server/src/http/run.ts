import {
  announcePresenceSchema,
  type EntryResults,
  entryResultsSchema,
  logAnswerSchema,
  type LogEvent,
  logEventSchema,
  message,
  messageWithoutValues,
  runAnswerSchema,
  sendLogSchema,
  startSchema,
} from '@lintrel/core';
import type pg from 'pg';
import { placeOfJob } from '../db/archive';
import { announcePresence } from '../db/changes';
import { findProgress, storeProgress } from '../db/job-list';
import { revisionOf } from '../db/jobs';
import { finishesOfSteps, updateLearning } from '../db/learning';
import { lockJob } from '../db/locks';
import { findSheet, insertStartedPlan, isLogged, listEvents, newestSheet, runningRevision } from '../db/log';
import { namesOf } from '../db/people';
import { inTransaction, type Queryable } from '../db/pool';
import { bookStep } from '../db/stock';
import { ApiError, invalidAt } from '../errors/errors';
import { BODY_BYTES } from './body';
import { deletedJob, knownId, knownKept, planOf } from './jobs';
import { append } from './log-entry';
import { type Context, type Route, route } from './route';
import { bodyOf, uuidOf } from './validate';

/** /api/jobs/:id/run, /start and /log: the run sheet and what was really done. */
export const runRoutes: readonly Route[] = [
  route({
    method: 'GET',
    path: '/jobs/:id/run',
    right: 'look',
    answer: runAnswerSchema,
    work: async ({ db, params, query }) => runRecord(db, await knownId(db, params.id), query),
  }),
  route({
    method: 'POST',
    path: '/jobs/:id/start',
    right: 'plan',
    status: 201,
    body: startSchema,
    answer: runAnswerSchema,
    async work({ db: pool, params, query, author, now, run, body: { revision, event, shelf } }) {
      const job = await knownKept(pool, params.id);
      if ((await placeOfJob(pool, job.id))?.deleted) throw deletedJob();
      if (event.kind !== 'start') throw invalidAt('event.kind', messageWithoutValues('server.start-kind'));
      // A start whose answer was lost is sent again, and may find the design changed since.
      if (await isLogged(pool, job.id, event.id)) return runRecord(pool, job.id, query);
      // Somebody else has started it already: this request gets the same run.
      if ((await runningRevision(pool, job.id)) === revision) return runRecord(pool, job.id, query);
      if (revision !== job.revision) throw staleStart(job.revision);
      const plan = await planOf(pool, run, job);
      if (plan.steps === 0) throw new ApiError(422, 'nothing-to-run', messageWithoutValues('server.nothing-to-run'));
      await inTransaction(pool, async (db) => {
        await lockJob(db, job.id);
        // The same start may have come again while we planned: it freezes one plan.
        if (await isLogged(db, job.id, event.id)) return;
        const newest = await revisionOf(db, job.id);
        if (newest !== revision) throw staleStart(newest);
        if ((await runningRevision(db, job.id)) === revision) return;
        if (shelf !== undefined && shelf !== plan.shelf)
          throw new ApiError(409, 'stale-shelf', messageWithoutValues('server.stale-shelf'));
        const sheet = await insertStartedPlan(db, job.id, revision, plan.text);
        await append(db, job.id, signed({ ...event, sheet }, author), now());
        await storeProgress(db, job.id);
      });
      return runRecord(pool, job.id, query);
    },
  }),
  route({
    method: 'GET',
    path: '/jobs/:id/log',
    right: 'look',
    answer: logAnswerSchema,
    async work({ db, params, query: { after } }) {
      const id = await knownId(db, params.id);
      if (after !== undefined && !(typeof after === 'string' && /^\d{1,12}$/.test(after)))
        throw invalidAt('after', messageWithoutValues('server.no-place'));
      const [sheet, events] = await Promise.all([newestSheet(db, id), listEvents(db, id, Number(after ?? 0))]);
      return { sheet, events };
    },
  }),
  route({
    method: 'POST',
    path: '/jobs/:id/here',
    right: 'run',
    body: announcePresenceSchema,
    answer: 'nothing',
    work: ({ db, params, author, body: { step, device } }) =>
      announcePresence(db, { job: uuidOf(params.id, 'job'), step, device, person: author }),
  }),
  route({
    method: 'POST',
    path: '/jobs/:id/log',
    right: 'run',
    status: 201,
    maxBytes: BODY_BYTES.log,
    body: sendLogSchema,
    answer: entryResultsSchema,
    async work({ db: pool, params, author, now, body: { entries, authors = {} } }) {
      const id = await knownId(pool, params.id);
      const madeBy =
        author === null ? new Map<string, string>() : await namesOf(pool, [...new Set(Object.values(authors))]);
      return inTransaction(pool, async (db) => {
        await lockJob(db, id);
        const answers: EntryResults['entries'] = [];
        for (const sent of entries)
          answers.push(
            await takeEntry(db, id, sent, {
              author,
              madeBy: madeBy.get(authors[idOf(sent)] ?? '') ?? author,
              now: now(),
            }),
          );
        await storeProgress(db, id);
        const seen = entries.flatMap((sent) => seenStep(sent) ?? []);
        for (const finish of seen.length > 0 ? await finishesOfSteps(db, id, seen) : [])
          await updateLearning(db, finish);
        return { entries: answers };
      });
    },
  }),
];

/** The step of an observation that tells how a film dries; null for any other entry. */
function seenStep(sent: unknown): string | null {
  const { step, saw } = (sent ?? {}) as { step?: unknown; saw?: { kind?: unknown } };
  return typeof step === 'string' && (saw?.kind === 'feel' || saw?.kind === 'pull') ? step : null;
}

/** The id of an entry; empty if it has none. */
function idOf(sent: unknown): string {
  const { id } = (sent ?? {}) as { id?: unknown };
  return typeof id === 'string' ? id : '';
}

/**
 * Signs an entry with its author, whatever it claims itself; the sender is added if that is another person.
 * @param madeBy author according to the phone: a person of the shop
 */
function signed({ person: _, sentBy: _sent, ...event }: LogEvent, author: string | null, madeBy = author): LogEvent {
  if (author === null || madeBy === null) return event;
  return { ...event, person: madeBy, ...(madeBy === author ? {} : { sentBy: author }) };
}

/** Appends one entry; a refused one is reported and does not hold up the others. */
async function takeEntry(
  db: Queryable,
  jobId: string,
  sent: unknown,
  { author, madeBy, now }: { readonly author: string | null; readonly madeBy: string | null; readonly now: number },
): Promise<EntryResults['entries'][number]> {
  try {
    const event = signed(bodyOf(logEventSchema, sent), author, madeBy);
    if (event.kind === 'start') throw invalidAt('kind', messageWithoutValues('server.log-start'));
    if (event.kind === 'finish' && event.note.trim() === '') await allPlugsOut(db, jobId);
    const { seq, fresh } = await append(db, jobId, event, now);
    if (fresh) await bookStep(db, jobId, event);
    return { id: event.id, seq };
  } catch (error) {
    if (!(error instanceof ApiError)) throw error;
    return { id: idOf(sent), refused: { code: error.code, message: error.message, now: new Date(now).toISOString() } };
  }
}

/** A job is not finished while plugs may still be in it, unless a reason is given. */
async function allPlugsOut(db: Queryable, jobId: string): Promise<void> {
  const { started, progress } = await findProgress(db, jobId);
  if (started?.steps.some(({ id, kind }) => kind === 'unplug' && !progress.doneAt.has(id)))
    throw new ApiError(422, 'plugs-in', messageWithoutValues('server.plugs-in'));
}

const staleStart = (revision: number): ApiError =>
  new ApiError(409, 'stale-start', message('server.stale-start', { revision }));

/** The record of a run; with the plan only if the client does not have that sheet. */
async function runRecord(pool: pg.Pool, jobId: string, { have }: Context['query']) {
  const known = typeof have === 'string' && /^\d{1,9}$/.test(have) ? Number(have) : null;
  const [started, events] = await Promise.all([findSheet(pool, jobId, known), listEvents(pool, jobId)]);
  return { started, events };
}
