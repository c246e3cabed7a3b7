import { workAnswerSchema } from '@lintrel/core';
import { type Route, route } from './route';

/** /api/works/:id: how far a request is. */
export const workRoutes: readonly Route[] = [
  route({
    method: 'GET',
    path: '/works/:id',
    right: 'look',
    answer: workAnswerSchema,
    work: ({ shop, params }) => ({ progress: shop.works.get(params.id!) ?? null }),
  }),
];
