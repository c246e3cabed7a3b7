import { airAnswerSchema, expectedAir, messageWithoutValues, typedAirSchema } from '@lintrel/core';
import { insertAir, listAir } from '../db/air';
import { findShopDay } from '../db/shop-day';
import { invalidAt } from '../errors/errors';
import { calendarFrom, DAYS_PLANNED } from '../work/plan-the-day';
import { type Context, type Route, route } from './route';

async function airNow({ db, now, shop }: Pick<Context, 'db' | 'now' | 'shop'>) {
  const [readings, { day }] = await Promise.all([listAir(db, new Date(now())), findShopDay(db)]);
  return {
    readings,
    expected: [...expectedAir(day, calendarFrom(now(), day.zone, DAYS_PLANNED))],
    sensor: shop.sensor?.state() ?? null,
  };
}

/** A clock a little ahead is no reason to refuse a reading. */
const SLACK_MS = 5 * 60_000;

/** /api/air: readings of the air, from the sensor or typed in. */
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
      if (Date.parse(at) > context.now() + SLACK_MS) throw invalidAt('at', messageWithoutValues('server.future'));
      await insertAir(context.db, new Date(at), airC, rhPercent, 'typed');
      return airNow(context);
    },
  }),
];
