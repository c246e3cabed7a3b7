import { questionNamed } from '@lintrel/core';
import * as v from 'valibot';
import { readShelf } from '../db/shelf';
import { invalid, notFound } from '../errors/errors';
import { type Route, route } from './route';

/** /api/ask/NAME: one question of the Bench, with the shop's shelf. Its input is defined by the question. */
export const askRoutes: readonly Route[] = [
  route({
    method: 'POST',
    path: '/ask/:name',
    right: 'look',
    body: v.optional(v.unknown(), {}),
    answer: v.unknown(),
    async work({ db, params: { name = '' }, body, run }) {
      if (!questionNamed(name)) throw notFound('question', name);
      const answer = await run('ask', { name, input: body, shelf: await readShelf(db) });
      if (!answer.ok) throw invalid(answer.faults);
      return answer.value;
    },
  }),
];
