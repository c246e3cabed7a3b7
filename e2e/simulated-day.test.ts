import { readFileSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { type AddressInfo, createServer as createLine, type Server as Listener, type Socket } from 'node:net';
import { join } from 'node:path';
import {
  type AirAnswer,
  type DayAnswer,
  type Job,
  type KeptEvent,
  measuredOf,
  MS_PER_MINUTE,
  readWorkSheet,
  ruleInAir,
  type RunRecord,
  type ShopAir,
  type Step,
} from '@lintrel/core';
import type pg from 'pg';
import { pino } from 'pino';
import type { Page } from 'puppeteer-core';
import { depth, LONG_TEST_MS, WAIT_MS } from '../scripts/test-limits.mjs';
import { insertAir } from '../server/src/db/air';
import { migrate } from '../server/src/db/migrate';
import { openPool } from '../server/src/db/pool';
import { createApp } from '../server/src/http/app';
import { type Hub, openHub } from '../server/src/live/hub';
import { seedShelf } from '../server/src/seed';
import { openSensor, type SensorListener } from '../server/src/sensor/listen';
import { openWorkerPool, type WorkerPool } from '../server/src/work/worker-pool';
import { Hands } from './hands';
import { makeDatabase, PHONE, startBrowser, type TestBrowser, type TestDatabase, type TestPage } from './harness';
import { until } from './until';

// A day of a shop with a clock that jumps: three jobs, two people with a phone each, one booth, a sensor. One phone is without a connection
// for an hour, the sensor says nothing for twenty minutes. LINTREL_DAY_LOG names a file the day is written to.

jest.setTimeout(600_000);

const ROOT = join(__dirname, '..');
const MINUTE = MS_PER_MINUTE;
const OPENS = Date.UTC(2026, 5, 1, 7);
const CLOSES = Date.UTC(2026, 5, 1, 19);
const AWAY = { from: OPENS + 60 * MINUTE, to: OPENS + 120 * MINUTE };
const SILENT = { from: OPENS + 90 * MINUTE, to: OPENS + 110 * MINUTE };
const SENSOR_EVERY = 5 * MINUTE;
const PEOPLE = ['ada', 'bo'] as const;
type Who = (typeof PEOPLE)[number];
/** The phone that is away for an hour. */
const ROVER: Who = 'bo';
const READY = '[data-testid=done]:not([aria-disabled=true])';

let aheadMs = OPENS - Date.now();
const now = () => Date.now() + aheadMs;

let database: TestDatabase;
let pool: pg.Pool;
let workshop: WorkerPool;
let hub: Hub;
let http: Server;
let sensor: SensorListener;
let line: Listener;
let spoken: Socket | null = null;
let heard: (() => void) | null = null;
/** Each phone is one of its own: they share nothing but the shop. */
const browsers: TestBrowser[] = [];
let url = '';
/** Whether the phone of the rover is away just now. */
let away = false;
const diary: string[] = [];
const note = (text: string) => diary.push(`${new Date(now()).toISOString().slice(11, 16)} ${text}`);

const api = async <T>(method: string, path: string, body?: unknown): Promise<T> => {
  const answer = await fetch(`${url}/api${path}`, {
    method,
    ...(body === undefined
      ? {}
      : {
          headers: { 'content-type': 'application/json' },
          body: typeof body === 'string' ? body : JSON.stringify(body),
        }),
  });
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
  return (await answer.json()) as T;
};
const listening = (server: Listener): Promise<number> =>
  new Promise((done) => server.listen(0, '127.0.0.1', () => done((server.address() as AddressInfo).port)));

beforeAll(async () => {
  database = await makeDatabase();
  pool = openPool(database.url);
  await migrate(pool, seedShelf);
  workshop = openWorkerPool({ maxWallMs: LONG_TEST_MS });
  hub = openHub(database.url);
  line = createLine((socket) => {
    spoken = socket;
    socket.write(`${JSON.stringify({ say: 'ready', name: 'booth' })}\n`);
  });
  sensor = openSensor(
    await listening(line),
    (date, airC, rh) => void insertAir(pool, date, airC, rh, 'sensor').then(() => heard?.()),
    now,
  );
  const app = createApp({
    pool,
    log: pino({ level: 'silent' }),
    clientFolder: join(ROOT, 'client/dist'),
    workshop,
    hub,
    sensor,
    now,
  });
  http = createServer((request, response) => {
    // A phone without a connection reaches nothing.
    if (away && request.headers['user-agent'] === ROVER) return void request.socket.destroy();
    // What a server says the time is follows the clock of the day too.
    response.setHeader('Date', new Date(now()).toUTCString());
    app(request, response);
  });
  url = `http://127.0.0.1:${await listening(http)}`;
});
afterAll(async () => {
  for (const browser of browsers) await browser.close();
  sensor.stop();
  spoken?.destroy();
  line.close();
  http.closeAllConnections();
  http.close();
  await workshop.close();
  await hub.close();
  await pool.end();
  await database.drop();
});

/** The air of the day: it warms till noon. */
const airC = (at: number) => 16 + 7 * Math.sin(((at - OPENS) / (CLOSES - OPENS)) * Math.PI);

/** Lets the clock jump; the sensor speaks on the way, unless it is silent. */
async function jumpTo(at: number): Promise<void> {
  for (let tick = Math.ceil(now() / SENSOR_EVERY) * SENSOR_EVERY; tick < at; tick += SENSOR_EVERY) {
    aheadMs = tick - Date.now();
    if (tick >= SILENT.from && tick < SILENT.to) continue;
    const kept = new Promise<void>((done) => (heard = done));
    spoken!.write(`${JSON.stringify({ say: 'air', airC: airC(tick), rhPercent: 50 })}\n`);
    await kept;
  }
  aheadMs = Math.max(at, now()) - Date.now();
  await Promise.all(Object.values(phones).map(({ test: { page } }) => setClock(page)));
}

/** The clock of a phone goes with that of the day. No clock jumps but here: it hears at once what the shop says the time is. */
async function setClock(page: Page): Promise<void> {
  const answered = page
    .waitForResponse((answer) => answer.url().includes('/api/'), { timeout: 800 })
    .catch(() => undefined);
  await page.evaluate((ahead) => {
    (globalThis as { __ahead?: number }).__ahead = ahead;
    document.dispatchEvent(new Event('visibilitychange'));
  }, aheadMs);
  if (!away || page !== phones[ROVER].test.page) await answered;
  await new Promise((done) => setTimeout(done, 50));
}

interface Phone {
  readonly test: TestPage;
  readonly hands: Hands;
  job: string | null;
}
const phones = {} as Record<Who, Phone>;

async function openPhone(who: Who): Promise<Phone> {
  const browser = await startBrowser([`--user-agent=${who}`]);
  browsers.push(browser);
  const test = await browser.open('about:blank', PHONE);
  await test.page.evaluateOnNewDocument((ahead: number) => {
    const place = globalThis as { __ahead?: number; Date: DateConstructor };
    place.__ahead = ahead;
    const Real = Date;
    const moved = () => Real.now() + place.__ahead!;
    place.Date = new Proxy(Real, {
      construct: (target, given) => Reflect.construct(target, given.length === 0 ? [moved()] : given) as object,
      get: (target, key) => (key === 'now' ? moved : (Reflect.get(target, key) as unknown)),
    });
  }, aheadMs);
  return { test, hands: new Hands(test, true), job: null };
}

/** Somebody opens the sheet of a job on their phone. */
async function openSheet(who: Who, job: string): Promise<void> {
  const phone = phones[who];
  if (phone.job === job) return;
  await phone.test.page.goto(`${url}/job/${job}/run`);
  await setClock(phone.test.page);
  phone.job = job;
}

/** Whether the sheet of a job says of the next step that it is not time yet. */
async function isEarly(who: Who, job: string): Promise<boolean> {
  await openSheet(who, job);
  await phones[who].test.page.waitForSelector('[data-testid=current]', { timeout: WAIT_MS });
  return phones[who].test.page.$eval('[data-testid=current]', (current) =>
    (current as HTMLElement).innerText.includes('Not yet:'),
  );
}

/** A person taps a step done, and answers how the tape came off. */
async function tapDone(who: Who, job: string, step: Step, doneBefore: number): Promise<void> {
  await openSheet(who, job);
  const { hands } = phones[who];
  await hands.sees(new RegExp(`${doneBefore} of \\d+ done`));
  await hands.press(READY);
  if (step.kind === 'pull') await hands.press('[data-testid=feels-clean]:not([aria-disabled=true])');
  await hands.sees(new RegExp(`${doneBefore + 1} of \\d+ done`));
}

it('jobs of a day, two people and one booth: nothing is lost, and every pull falls into its window or is told in time', async () => {
  const week = Array.from({ length: 7 }, () => ({ fromMin: 420, toMin: 1140 }));
  const day = {
    version: 1,
    zone: 'UTC',
    people: PEOPLE.map((id) => ({ id, name: id, week, off: [] })),
    booth: week,
    forecast: [],
  };
  await api('PUT', '/shop/day', { revision: 0, day });
  const jobs: { id: string; title: string; steps: Step[] }[] = [];
  for (const name of depth(['tansy', 'bramble'], ['tansy', 'bramble', 'tansy'])) {
    const file = JSON.parse(readFileSync(join(ROOT, `examples/${name}.json`), 'utf8')) as { design: { title: string } };
    if (jobs.some(({ title }) => title === file.design.title)) file.design.title += ' again';
    const { id, revision } = await api<Job>('POST', '/jobs/import', JSON.stringify(file));
    const event = {
      id: crypto.randomUUID(),
      version: 4,
      at: new Date(now()).toISOString(),
      kind: 'start',
      step: null,
      note: '',
    };
    const { started } = await api<RunRecord>('POST', `/jobs/${id}/start`, { revision, event });
    jobs.push({ id, title: file.design.title, steps: [...readWorkSheet(started!.plan).steps] });
  }
  for (const who of PEOPLE) {
    phones[who] = await openPhone(who);
    phones[who].test.expectErrors(/Failed to load resource|ERR_|Failed to fetch/);
    await openSheet(who, jobs[0]!.id);
    await phones[who].test.page.waitForFunction(() => navigator.serviceWorker.controller !== null, {
      timeout: WAIT_MS,
    });
    // Every sheet is opened once in the morning: so it is at hand without a connection.
    for (const { id } of jobs) {
      await openSheet(who, id);
      await phones[who].hands.sees(/0 of \d+ done/);
    }
  }
  const stepOf = (job: string, id: string) =>
    jobs.find((other) => other.id === job)!.steps.find((step) => step.id === id)!;
  const tapped: { who: Who; job: string; step: Step; at: number }[] = [];
  const doneOf = (job: string) => tapped.filter((one) => one.job === job).length;
  const isTapped = (job: string, step: string) => tapped.some((one) => one.job === job && one.step.id === step);
  const told = new Set<string>();
  /** Taps that lay on the phone that was away, as its connection came back. */
  let keptWhileAway = 0;
  const logs = () => Promise.all(jobs.map(({ id }) => api<{ events: KeptEvent[] }>('GET', `/jobs/${id}/log`)));
  const arrived = async () =>
    (await logs()).reduce((sum, { events }) => sum + events.filter(({ kind }) => kind === 'done').length, 0);
  const doing: Partial<Record<Who, { job: string; left: { step: Step; at: number }[] }>> = {};
  let lastPlan: DayAnswer | null = null;

  /** What the other has done on a sheet that one cannot know of: they have spoken, and leave it to them. */
  const isOthers = (who: Who, job: string) =>
    away && tapped.some((one) => one.job === job && one.who !== who && one.at >= AWAY.from);
  const atIt = (job: string, step: string) =>
    PEOPLE.some((who) => doing[who]?.job === job && doing[who].left.some((one) => one.step.id === step));
  /** What a person does next by the plan they know. */
  const nextFor = (who: Who, plan: DayAnswer) =>
    plan.work.find(
      ({ people, job, steps: [first] }) =>
        people.includes(who) && !isTapped(job, first!.id) && !atIt(job, first!.id) && !isOthers(who, job),
    );

  while (tapped.length < jobs.reduce((sum, { steps }) => sum + steps.filter(({ attended }) => attended).length, 0)) {
    if (now() > CLOSES) throw new Error(`the day is over:\n${diary.join('\n')}`);
    if (!away && now() >= AWAY.from && now() < AWAY.to) {
      away = true;
      note(`${ROVER}: no connection`);
    }
    if (away && now() >= AWAY.to) {
      keptWhileAway = tapped.length - (await arrived());
      away = false;
      note(`${ROVER}: the connection is back`);
      // A device says so when it is on a network again; else the page would try by itself a little later.
      await phones[ROVER].test.page.evaluate(() => window.dispatchEvent(new Event('online')));
      await phones[ROVER].hands.gone(/no connection, \d+ kept here/);
    }
    const plan = await api<DayAnswer>('GET', '/day');
    for (const { job, code } of plan.missed) told.add(`${job} ${code}`);
    for (const { values } of plan.troubles) told.add(`${jobs.find(({ title }) => title === values.job)?.id} pull`);
    if (!away) lastPlan = plan;
    const known = { ada: plan, bo: away ? lastPlan! : plan };
    const waits: number[] = [];
    for (const who of PEOPLE) {
      if (doing[who]) continue;
      const work = nextFor(who, known[who]);
      if (!work) continue;
      if (work.startMs > now() + MINUTE / 2) {
        waits.push(work.startMs);
        continue;
      }
      // Nobody goes by the plan alone: the sheet in the hand says whether it is time.
      if (await isEarly(who, work.job)) {
        waits.push(now() + 2 * MINUTE);
        continue;
      }
      let at = now();
      doing[who] = {
        job: work.job,
        left: work.steps
          .map(({ id }) => stepOf(work.job, id))
          .map((step) => ({ step, at: (at += (step.endMin - step.startMin) * MINUTE) })),
      };
    }
    const taps = PEOPLE.flatMap((who) =>
      doing[who] ? [{ who, ...doing[who].left[0]!, job: doing[who].job }] : [],
    ).sort((a, b) => a.at - b.at);
    const [tap] = taps;
    const wake = Math.min(
      ...waits,
      tap?.at ?? Infinity,
      now() + 20 * MINUTE,
      ...(now() < AWAY.from ? [AWAY.from] : now() < AWAY.to ? [AWAY.to] : []),
    );
    await jumpTo(wake);
    if (!tap || wake < tap.at - 1) continue;
    const { who, job, step } = tap;
    await tapDone(who, job, step, doneOf(job));
    tapped.push({ who, job, step, at: now() });
    note(
      `${who}${away && who === ROVER ? ' (no connection)' : ''}: ${jobs.find(({ id }) => id === job)!.title}, ${step.id}`,
    );
    doing[who]!.left.shift();
    if (doing[who]!.left.length === 0) delete doing[who];
  }
  note('all done');
  await until('every tap', async () => (await arrived()) >= tapped.length);

  // Nothing lost, nothing twice: the log of the shop is what was tapped, in its order.
  const air = await api<AirAnswer>('GET', '/air');
  const inAir: ShopAir = { measured: measuredOf(air.readings), expected: [] };
  const gaps = air.readings
    .slice(1)
    .filter(({ at }, index) => Date.parse(at) - Date.parse(air.readings[index]!.at) >= 20 * MINUTE);
  expect(gaps).toHaveLength(1);
  let pulls = 0;
  for (const { id, title, steps } of jobs) {
    const { events } = await api<{ events: KeptEvent[] }>('GET', `/jobs/${id}/log`);
    const done = events.filter(({ kind }) => kind === 'done');
    const own = tapped.filter((one) => one.job === id);
    expect(done.map(({ step }) => step).sort()).toEqual(own.map(({ step }) => step.id as string).sort());
    expect(events.filter(({ saw }) => saw?.kind === 'pull')).toHaveLength(
      steps.filter(({ kind }) => kind === 'pull').length,
    );
    const doneMin = new Map(done.map(({ step, at }) => [step as string, Date.parse(at) / MINUTE]));
    for (const step of steps.filter(({ attended }) => attended)) {
      for (const rule of step.after.filter(
        ({ code, from }) => code !== 'order' && from === 'end' && doneMin.has(step.id),
      )) {
        const since = doneMin.get(rule.step)!;
        const { minMin, maxMin } = ruleInAir(rule, since, inAir);
        const [began, ended] = [
          doneMin.get(step.id)! - (step.endMin - step.startMin) - since,
          doneMin.get(step.id)! - since,
        ];
        // Two minutes for the finger, and a bit for air that was not known yet when it was done.
        const slack = 2 + 0.03 * minMin;
        expect([title, step.id, rule.code, began - minMin > -slack]).toEqual([title, step.id, rule.code, true]);
        if (step.kind !== 'pull') continue;
        pulls++;
        expect([title, step.id, maxMin === null || ended - maxMin < slack || told.has(`${id} pull`)]).toEqual([
          title,
          step.id,
          true,
        ]);
      }
    }
  }
  expect(pulls).toBeGreaterThanOrEqual(jobs.length);
  expect(tapped.filter(({ who, at }) => who === ROVER && at > AWAY.from && at < AWAY.to).length).toBeGreaterThan(0);
  expect(keptWhileAway).toBeGreaterThan(0);
  for (const who of PEOPLE) expect(phones[who].test.errors()).toEqual([]);
  if (process.env.LINTREL_DAY_LOG) writeFileSync(process.env.LINTREL_DAY_LOG, `${diary.join('\n')}\n`);
});
