import { customerSchema, linksSchema, newLinkSchema } from '@lintrel/core';
import { findProgress, stateOf } from '../db/job-list';
import { findKept } from '../db/jobs';
import { endLink, insertLink, jobOfLink, listLinks } from '../db/people';
import { readShelf } from '../db/shelf';
import { notFound } from '../errors/errors';
import { newToken, tokenHash } from '../people/secrets';
import { knownId } from './jobs';
import { type Route, route } from './route';
import { uuidOf } from './validate';

/** /api/jobs/:id/links, /api/links and /api/link: what a customer may look at, without signing in. */
export const linkRoutes: readonly Route[] = [
  route({
    method: 'GET',
    path: '/jobs/:id/links',
    right: 'plan',
    answer: linksSchema,
    async work({ db, params }) {
      const links = await listLinks(db, await knownId(db, params.id));
      return { links: links.map(({ madeAt, ...link }) => ({ ...link, madeAt: madeAt.toISOString() })) };
    },
  }),
  route({
    method: 'POST',
    path: '/jobs/:id/links',
    right: 'plan',
    status: 201,
    answer: newLinkSchema,
    async work({ db, params, author }) {
      const id = await knownId(db, params.id);
      const { token, hash } = newToken();
      return { id: await insertLink(db, id, hash, author), token };
    },
  }),
  route({
    method: 'DELETE',
    path: '/links/:id',
    right: 'plan',
    answer: 'nothing',
    async work({ db, params }) {
      if (!(await endLink(db, uuidOf(params.id, 'link')))) throw notFound('link');
    },
  }),
  route({
    method: 'GET',
    path: '/link/:token',
    right: 'open',
    slow: 'looking',
    answer: customerSchema,
    async work({ db, params, run }) {
      const id = await jobOfLink(db, tokenHash(params.token!));
      const job = id === null ? null : await findKept(db, id);
      if (!job) throw notFound('linked-job');
      const { started, progress } = await findProgress(db, job.id);
      const look = await run('customerLook', {
        design: job.design,
        shelf: await readShelf(db),
        done: [...progress.doneAt.keys()],
      });
      return { ...look, state: stateOf(progress, started !== null) };
    },
  }),
];
