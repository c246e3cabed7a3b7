import { behaviourSchema } from '@lintrel/core';
import { listLearned, listObservations, resetLearning } from '../db/learning';
import type { Queryable } from '../db/pool';
import { type Route, route } from './route';

const behaviourOf = async (db: Queryable, finish: string) => ({
  learned: (await listLearned(db)).find((learned) => learned.finish === finish) ?? null,
  seen: (await listObservations(db, finish)).map(({ at, job, title, observation: { passedMin, saw } }) => ({
    at,
    job,
    title,
    passedMin,
    saw,
  })),
});

/** /api/shelf/behaviour: how a finish has behaved in this shop, and setting that back. */
export const behaviourRoutes: readonly Route[] = [
  route({
    method: 'GET',
    path: '/shelf/behaviour/:id',
    right: 'look',
    answer: behaviourSchema,
    work: ({ db, params }) => behaviourOf(db, params.id!),
  }),
  route({
    method: 'DELETE',
    path: '/shelf/behaviour/:id',
    right: 'shelf',
    answer: behaviourSchema,
    async work({ db, params, now }) {
      await resetLearning(db, params.id!, new Date(now()));
      return behaviourOf(db, params.id!);
    },
  }),
];
