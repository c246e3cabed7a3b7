import { archiveSchema, jobSchema, messageWithoutValues, ownShopSchema } from '@lintrel/core';
import { archiveJob, deleteJobs, demoJobs, type JobPlace, placeOfJob, undeleteJob } from '../db/archive';
import { storeProgress } from '../db/job-list';
import { insertJob } from '../db/jobs';
import { updateAllLearning } from '../db/learning';
import { inTransaction, type Queryable } from '../db/pool';
import { ApiError, notFound } from '../errors/errors';
import { knownJob } from './jobs';
import { type Route, route } from './route';
import { uuidOf } from './validate';

async function known(db: Queryable, id: unknown): Promise<JobPlace & { readonly id: string }> {
  const uuid = uuidOf(id, 'job');
  const place = await placeOfJob(db, uuid);
  if (!place) throw notFound('job');
  return { id: uuid, ...place };
}

/** A job in the shop is archived or deleted only if the request confirms that. */
function confirmed({ inShop, archived, deleted }: JobPlace, running: unknown): void {
  if (inShop && !archived && !deleted && running !== 'yes')
    throw new ApiError(409, 'running', messageWithoutValues('server.running'));
}

/** /api/jobs/:id/archived, /undelete and /duplicate, and DELETE /api/jobs/:id: jobs that are put away, and copies. /api/shop/own: without the demo. */
export const putAwayRoutes: readonly Route[] = [
  route({
    method: 'PUT',
    path: '/jobs/:id/archived',
    right: 'plan',
    body: archiveSchema,
    answer: 'nothing',
    async work({ db, params, query: { running }, body: { archived } }) {
      const job = await known(db, params.id);
      if (archived) confirmed(job, running);
      await archiveJob(db, job.id, archived);
    },
  }),
  route({
    method: 'DELETE',
    path: '/jobs/:id',
    right: 'plan',
    answer: 'nothing',
    work: ({ db: pool, params, query: { running } }) =>
      inTransaction(pool, async (db) => {
        const job = await known(db, params.id);
        confirmed(job, running);
        await deleteJobs(db, [job.id]);
        await updateAllLearning(db);
      }),
  }),
  route({
    method: 'POST',
    path: '/jobs/:id/undelete',
    right: 'plan',
    answer: 'nothing',
    work: ({ db: pool, params }) =>
      inTransaction(pool, async (db) => {
        await undeleteJob(db, (await known(db, params.id)).id);
        await updateAllLearning(db);
      }),
  }),
  // The design goes along; what was done and seen does not.
  route({
    method: 'POST',
    path: '/jobs/:id/duplicate',
    right: 'plan',
    status: 201,
    answer: jobSchema,
    async work({ db: pool, params, author }) {
      const { design } = await knownJob(pool, params.id);
      const title = `${design.title.slice(0, 70)} copy`;
      return inTransaction(pool, async (db) => {
        const created = await insertJob(db, { ...design, title }, author);
        await storeProgress(db, created.id);
        return created;
      });
    },
  }),
  route({
    method: 'GET',
    path: '/shop/own',
    right: 'look',
    answer: ownShopSchema,
    work: async ({ db }) => ({ demoJobs: (await demoJobs(db)).length }),
  }),
  // The jobs of the demo are deleted, so that it can be undone one by one; the shelf stays.
  route({
    method: 'POST',
    path: '/shop/own',
    right: 'shop',
    answer: ownShopSchema,
    work: ({ db: pool }) =>
      inTransaction(pool, async (db) => {
        await deleteJobs(db, await demoJobs(db));
        await updateAllLearning(db);
        return { demoJobs: 0 };
      }),
  }),
];
