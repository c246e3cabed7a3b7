import { messageWithoutValues } from '@lintrel/core';
import * as v from 'valibot';
import { ApiError } from '../errors/errors';
import { type Route, route } from './route';

const fine = v.object({ ok: v.boolean() });

/** Alive: the server answers. Healthy: it can do its work, with its database. */
export const healthRoutes: readonly Route[] = [
  route({ method: 'GET', path: '/alive', right: 'open', ofNobody: true, answer: fine, work: () => ({ ok: true }) }),
  route({
    method: 'GET',
    path: '/health',
    right: 'open',
    ofNobody: true,
    answer: fine,
    async work({ db }) {
      await db.query('SELECT 1').catch(() => {
        throw new ApiError(503, 'database', messageWithoutValues('server.database-silent'));
      });
      return { ok: true };
    },
  }),
];
