import {
  calendarLinkSchema,
  type DayAnswer,
  dayAnswerSchema,
  keptShopDaySchema,
  measuredOf,
  messageWithoutValues,
  minutesAnswerSchema,
  MS_PER_MINUTE,
  newCalendarLinkSchema,
  pinSchema,
  saveShopDaySchema,
} from '@lintrel/core';
import ical from 'ical-generator';
import { listAir } from '../db/air';
import { newestChange } from '../db/changes';
import { listSpeeds, resetSpeeds } from '../db/learning';
import { calendarLinkOf, endCalendarLink, isCalendarLink, saveCalendarLink } from '../db/people';
import { inTransaction } from '../db/pool';
import { findDayOrder, findShopDay, listPins, saveDayOrder, savePin, saveShopDay } from '../db/shop-day';
import { ApiError, invalidAt, notFound } from '../errors/errors';
import { newToken, tokenHash } from '../people/secrets';
import { WORDS } from '../words';
import { calendarFrom, type DayInput, jobsAtWork } from '../work/plan-the-day';
import { knownKept, planOf } from './jobs';
import { type Context, type Route, route, type Shop } from './route';

/** The last plan of each server, with what it was made from: many phones ask for the same one. */
const lately = new WeakMap<Shop, { readonly of: string; readonly answer: Promise<DayAnswer> }>();

/** The present plan of the day; while nothing changes it is computed once a minute for everybody. */
async function dayNow(context: Pick<Context, 'db' | 'now' | 'run' | 'log' | 'shop'>): Promise<DayAnswer> {
  const etag = `${await newestChange(context.db)} ${Math.floor(context.now() / MS_PER_MINUTE)}`;
  const last = lately.get(context.shop);
  if (last?.of === etag) {
    const answer = await last.answer.catch(() => null);
    if (answer) return answer;
  }
  const answer = planNow(context);
  lately.set(context.shop, { of: etag, answer });
  return answer;
}

/** Present input of the day's plan. */
async function askedNow({ db, now }: Pick<Context, 'db' | 'now'>): Promise<DayInput> {
  const [jobs, { day: shop }, before, readings, pins, speeds] = await Promise.all([
    jobsAtWork(db),
    findShopDay(db),
    findDayOrder(db),
    listAir(db, new Date(now())),
    listPins(db),
    listSpeeds(db),
  ]);
  return { jobs, shop, now: now(), before, measured: measuredOf(readings), pins, speeds };
}

/** Plans the day and stores its decisions for the next plan. */
async function planNow({ db, now, run, log }: Pick<Context, 'db' | 'now' | 'run' | 'log'>): Promise<DayAnswer> {
  const { answer, kept } = await run('day', await askedNow({ db, now }));
  await saveDayOrder(db, kept).catch((error: unknown) => log.warn({ err: error }, 'the order of the day was not kept'));
  return answer;
}

/** The day as if a job that is not started were started now; unchanged for a started job. Nothing is stored. */
async function whenDone({ db, now, run, params }: Context): Promise<DayAnswer> {
  const job = await knownKept(db, params.id);
  const asked = await askedNow({ db, now });
  const begun = asked.jobs.some(({ id }) => id === job.id);
  const asIf = begun ? null : { id: job.id, title: job.title, plan: (await planOf(db, run, job)).text };
  return (await run('day', { ...asked, asIf })).answer;
}

/** Sends the plan of the day as a calendar. */
async function sendCalendar(context: Context): Promise<void> {
  const { people, work } = await dayNow(context);
  const names = new Map(people.map(({ id, name }) => [id, name]));
  const calendar = ical({ name: 'Lintrel', prodId: { company: 'Lintrel', product: 'Day plan', language: 'EN' } });
  for (const task of work) {
    const first = WORDS.say(task.steps[0]!.say);
    const latest = task.latest ? [`Begin no later than ${new Date(task.latest.atMs).toISOString()}.`] : [];
    calendar.createEvent({
      id: `${task.id.replaceAll(' ', '-')}@lintrel`,
      start: new Date(task.startMs),
      end: new Date(task.endMs),
      summary: `${task.title}: ${first}${task.steps.length > 1 ? ` and ${task.steps.length - 1} more` : ''}`,
      description: [
        ...task.steps.map(({ say }) => WORDS.say(say)),
        ...latest,
        `By ${task.people.map((id) => names.get(id) ?? id).join(', ')}. Times are estimates.`,
      ].join('\n'),
    });
  }
  context.response.type('text/calendar').attachment('lintrel-day.ics').send(calendar.toString());
}

/** /api/day: the plan of the day, as a calendar too, and the hours of the shop it is made from. */
export const dayRoutes: readonly Route[] = [
  route({ method: 'GET', path: '/day', right: 'look', answer: dayAnswerSchema, work: (context) => dayNow(context) }),
  route({ method: 'GET', path: '/jobs/:id/when', right: 'look', answer: dayAnswerSchema, work: whenDone }),
  route({
    method: 'GET',
    path: '/day.ics',
    right: 'look',
    answer: 'own',
    work: (context) => sendCalendar(context),
  }),
  // The same for calendar programs, which do not sign in: at a secret address.
  route({
    method: 'GET',
    path: '/calendar/:token',
    right: 'open',
    slow: 'looking',
    answer: 'own',
    async work(context) {
      if (!(await isCalendarLink(context.db, tokenHash(context.params.token!)))) throw notFound('calendar');
      await sendCalendar(context);
    },
  }),
  route({
    method: 'GET',
    path: '/me/calendar',
    right: 'signed',
    answer: calendarLinkSchema,
    work: async ({ db, person }) => ({
      madeAt: person === null ? null : ((await calendarLinkOf(db, person.id))?.toISOString() ?? null),
    }),
  }),
  route({
    method: 'POST',
    path: '/me/calendar',
    right: 'signed',
    status: 201,
    answer: newCalendarLinkSchema,
    async work({ db, person, now }) {
      if (person === null) throw new ApiError(409, 'nobody', messageWithoutValues('server.open-calendar'));
      const { token, hash } = newToken();
      await saveCalendarLink(db, person.id, hash);
      return { madeAt: new Date(now()).toISOString(), token };
    },
  }),
  route({
    method: 'DELETE',
    path: '/me/calendar',
    right: 'signed',
    answer: 'nothing',
    async work({ db, person }) {
      if (person === null || !(await endCalendarLink(db, person.id))) throw notFound('calendar-address');
    },
  }),
  route({
    method: 'PUT',
    path: '/day/pins',
    right: 'plan',
    body: pinSchema,
    answer: 'nothing',
    work: ({ db: pool, author, body }) => inTransaction(pool, (db) => savePin(db, body, author)),
  }),
  route({
    method: 'GET',
    path: '/shop/minutes',
    right: 'look',
    answer: minutesAnswerSchema,
    work: ({ db }) => listSpeeds(db),
  }),
  route({
    method: 'DELETE',
    path: '/shop/minutes',
    right: 'plan',
    answer: minutesAnswerSchema,
    async work({ db, now }) {
      await resetSpeeds(db, new Date(now()));
      return listSpeeds(db);
    },
  }),
  route({
    method: 'GET',
    path: '/shop/day',
    right: 'look',
    answer: keptShopDaySchema,
    work: ({ db }) => findShopDay(db),
  }),
  route({
    method: 'PUT',
    path: '/shop/day',
    right: 'plan',
    body: saveShopDaySchema,
    answer: keptShopDaySchema,
    async work({ db, author, now, body: { revision, day } }) {
      if (!isZone(day.zone, now())) throw invalidAt('day.zone', messageWithoutValues('server.no-zone'));
      const saved = await saveShopDay(db, revision, day, author);
      if (saved) return saved;
      throw new ApiError(409, 'stale-entry', messageWithoutValues('server.stale-hours'), {
        versions: { current: await findShopDay(db) },
      });
    },
  }),
];

function isZone(zone: string, now: number): boolean {
  try {
    return calendarFrom(now, zone, 1).length === 1;
  } catch {
    return false;
  }
}
