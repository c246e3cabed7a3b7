import { airAnswerSchema, plainly, typedAirSchema } from '@lintrel/core';
import { keepAir, listAir } from '../db/air';
import { invalidAt } from './errors';
import { route, type Context, type Route } from './route';

const airNow = async ({ db, now, shop }: Pick<Context, 'db' | 'now' | 'shop'>) => ({
  readings: await listAir(db, new Date(now())),
  sensor: shop.sensor?.state() ?? null,
});

/** A clock a little ahead is no reason to refuse a reading. */
const SLACK_MS = 5 * 60_000;

/** /api/air: the air of the shop as it was read off, by the sensor or by somebody. */
export const airRoutes: readonly Route[] = [
  route({ method: 'GET', path: '/air', right: 'look', answer: airAnswerSchema, work: airNow }),
  route({
    method: 'POST',
    path: '/air',
    right: 'run',
    status: 201,
    body: typedAirSchema,
    answer: airAnswerSchema,
    async work(context) {
      const { at, airC, rhPercent } = context.body;
      if (Date.parse(at) > context.now() + SLACK_MS) throw invalidAt('at', plainly('server.future'));
      await keepAir(context.db, new Date(at), airC, rhPercent, 'typed');
      return airNow(context);
    },
  }),
];
