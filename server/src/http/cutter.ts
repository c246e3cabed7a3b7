import { cutSchema, messageWithoutValues } from '@lintrel/core';
import * as v from 'valibot';
import { ApiError, notFound } from '../errors/errors';
import { knownKept } from './jobs';
import { type Route, route } from './route';

/** /api/cutter: the masks of a job sent to the cutter, how far it is, and stopping it. */
export const cutterRoutes: readonly Route[] = [
  route({
    method: 'POST',
    path: '/cutter',
    right: 'run',
    status: 201,
    body: cutSchema,
    answer: v.unknown(),
    async work({ db, body: { job, widthMm }, run, shop }) {
      const { design, title } = await knownKept(db, job);
      const cuts = await run('masks', { design, widthMm });
      if (cuts.paths.length === 0) throw new ApiError(422, 'cutter', messageWithoutValues('print.no-masks'));
      return shop.cutter.send({ ...cuts, name: title, widthMm });
    },
  }),
  route({
    method: 'GET',
    path: '/cutter/:id',
    right: 'look',
    answer: v.unknown(),
    work: ({ params, shop }) => cut(shop.cutter.stateOf(params.id!)),
  }),
  route({
    method: 'DELETE',
    path: '/cutter/:id',
    right: 'run',
    answer: v.unknown(),
    work: ({ params, shop }) => cut(shop.cutter.cancel(params.id!)),
  }),
];

function cut<S>(state: S | null): S {
  if (!state) throw notFound('cut');
  return state;
}
