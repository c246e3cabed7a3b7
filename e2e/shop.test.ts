import type { Job, JobSummary, RunRecord } from '@lintrel/core';
import { WAIT_MS } from '../scripts/test-limits.mjs';
import { Hands, onPage as onPageOf } from './hands';
import {
  makeDatabase,
  PHONE,
  type RunningServer,
  startBrowser,
  startServer,
  type TestBrowser,
  type TestDatabase,
} from './harness';
import { until } from './until';

// As a phone in the shop sees it: by a name that is not this machine's own, over plain HTTP, where a browser holds things back.

const NAME = 'shop.test';
const env = { LINTREL_NAMES: NAME };
let database: TestDatabase;
let server: RunningServer;
let browser: TestBrowser;
const port = () => Number(new URL(server.url).port);
const shop = () => `http://${NAME}:${port()}`;
const get = async <T>(path: string): Promise<T> => (await fetch(`${server.url}/api${path}`)).json() as Promise<T>;
const jobNamed = async (title: string) =>
  (await get<{ jobs: JobSummary[] }>('/jobs')).jobs.find((job) => job.title === title) as JobSummary;
const onPhone = (path: string, work: (hands: Hands) => Promise<void>) =>
  onPageOf(
    { server: { ...server, url: shop() }, browser, database } as Parameters<typeof onPageOf>[0],
    path,
    PHONE,
    work,
  );
const DONE = '[data-testid=done]:not([aria-disabled=true])';
const eventsOf = async (id: string) => (await get<RunRecord>(`/jobs/${id}/run`)).events;
beforeAll(async () => {
  database = await makeDatabase('demo');
  server = await startServer(database.url, { env });
  browser = await startBrowser([`--host-resolver-rules=MAP ${NAME} 127.0.0.1, MAP evil.test 127.0.0.1`]);
});
afterAll(async () => {
  await browser.close();
  await server.stop();
  await database.drop();
});

it('a page over plain HTTP is no secure place, and yet a job is started and ten steps are logged, with the server away in between', async () => {
  const { id } = await jobNamed('Brindle');
  await onPhone(`/job/${id}/run`, async (hands) => {
    expect(await hands.page.evaluate(() => [window.isSecureContext, typeof crypto.randomUUID])).toEqual([
      false,
      'undefined',
    ]);
    hands.test.expectErrors(/Failed to load resource|ERR_/);
    await hands.press('[data-testid=start]:not([aria-disabled=true])');
    await hands.sees(/0 of \d+ done/);
    for (let done = 0; done < 10; done++) {
      if (done === 4) await server.stop();
      await hands.press(DONE);
      await hands.sees(new RegExp(`${done + 1} of \\d+ done`));
      if (done === 7) server = await startServer(database.url, { env, port: port() });
    }
    await until('the entries', async () => (await eventsOf(id)).length === 11);
    expect(await hands.count('[data-testid=pending]')).toBe(0);
    expect((await eventsOf(id)).map(({ kind }) => kind)).toEqual([
      'start',
      ...Array.from({ length: 10 }, () => 'done'),
    ]);
  });
});

it('what one phone taps, another shows, and what it missed with the server away as well', async () => {
  const { id } = await jobNamed('Tansy');
  await onPhone(`/job/${id}/run`, async (mine) => {
    await mine.press('[data-testid=start]:not([aria-disabled=true])');
    await mine.sees(/0 of \d+ done/);
    await onPhone(`/job/${id}/run`, async (theirs) => {
      for (const hands of [mine, theirs]) hands.test.expectErrors(/Failed to load resource|ERR_/);
      // Both have pressed Start on the same plan: the second joins.
      await theirs.sees(/0 of \d+ done/);
      // Only the page in front is drawn.
      await mine.page.bringToFront();
      // A third phone is at the same step.
      const { nextStep } = await jobNamed('Tansy');
      const here = {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ step: nextStep, device: 'Booth phone' }),
      };
      // It says so again and again: a page that has only just come to the front listens a moment later.
      await until('an answer and the entries', async () => {
        expect((await fetch(`${server.url}/api/jobs/${id}/here`, here)).status).toBe(204);
        return (await mine.text()).includes('Booth phone is at this step too');
      });
      await mine.press(DONE);
      await until('the entries', async () => (await eventsOf(id)).length === 2);
      await theirs.page.bringToFront();
      await theirs.sees(/1 of \d+ done/);
      await server.stop();
      await theirs.press(DONE);
      await theirs.sees(/2 of \d+ done/);
      server = await startServer(database.url, { env, port: port() });
      await until('the entries', async () => (await eventsOf(id)).length === 3);
      await mine.page.bringToFront();
      await mine.sees(/2 of \d+ done/);
      expect((await eventsOf(id)).map(({ kind }) => kind)).toEqual(['start', 'done', 'done']);
    });
  });
});

it('a tap counts while the one before is still on its way', async () => {
  const { id } = await jobNamed('Saltwort');
  const doneBy = async () => (await eventsOf(id)).filter(({ kind }) => kind === 'done').length;
  const before = await doneBy();
  await onPhone(`/job/${id}/run`, async (hands) => {
    await hands.sees(new RegExp(`${before} of \\d+ done`));
    await hands.page.setRequestInterception(true);
    const held: (() => void)[] = [];
    hands.page.on(
      'request',
      (asked) => void (asked.method() === 'POST' ? held.push(() => void asked.continue()) : asked.continue()),
    );
    for (const more of [1, 2]) {
      await hands.press(DONE);
      await hands.sees(new RegExp(`${before + more} of \\d+ done`));
    }
    expect(await doneBy()).toBe(before);
    for (
      const since = Date.now();
      (await doneBy()) < before + 2 && Date.now() - since < WAIT_MS;
      await new Promise((again) => setTimeout(again, 100))
    )
      for (const send of held.splice(0)) send();
    expect(await doneBy()).toBe(before + 2);
  });
});

it('taps wait on the disk through a reload, and all of them are shown', async () => {
  const { id } = await jobNamed('Brindle');
  const before = (await eventsOf(id)).length;
  await onPhone(`/job/${id}/run`, async (hands) => {
    hands.test.expectErrors(/Failed to load resource|ERR_/);
    await hands.sees(/10 of \d+ done/);
    // Nothing but the log is out of reach, so that the page itself can be loaded again.
    await hands.page.setRequestInterception(true);
    let away = true;
    hands.page.on('request', (asked) => void (away && asked.method() === 'POST' ? asked.abort() : asked.continue()));
    for (const done of [11, 12, 13]) {
      await hands.press(DONE);
      await hands.sees(new RegExp(`${done} of \\d+ done`));
    }
    await hands.sees(/No connection: kept on this device/);
    expect(await hands.count('[data-testid=waiting]')).toBe(3);
    await hands.page.reload();
    await hands.sees(/13 of \d+ done/);
    await hands.sees(/No connection: kept on this device/);
    expect(await hands.count('[data-testid=waiting]')).toBe(3);
    expect((await eventsOf(id)).length).toBe(before);
    away = false;
    await until('the entries', async () => (await eventsOf(id)).length === before + 3);
    await hands.page.waitForSelector('[data-testid=pending]', { hidden: true });
  });
});

it('an entry the server refuses stays in sight until it is sent again or left out', async () => {
  const { id } = await jobNamed('Brindle');
  const before = (await eventsOf(id)).length;
  await onPhone(`/job/${id}/run`, async (hands) => {
    hands.test.expectErrors(/Failed to load resource/);
    await hands.sees(/13 of \d+ done/);
    // A phone whose clock is an hour ahead.
    await hands.page.evaluate(() => {
      const { toISOString } = Date.prototype;
      Object.assign(window, { rightClock: () => (Date.prototype.toISOString = toISOString) });
      Date.prototype.toISOString = function () {
        return toISOString.call(new Date(this.getTime() + 3_600_000));
      };
    });
    await hands.press(DONE);
    await hands.sees(/Not taken: .*Done/);
    await hands.sees(/Its time lies in the future: the clock of this device is wrong/);
    await hands.page.reload();
    await hands.sees(/Not taken: .*Done/);
    await hands.press('[data-testid=send-again]');
    await hands.sees(/Not taken: .*Done/);
    expect((await eventsOf(id)).length).toBe(before);
    // The next entry is not held up by it.
    await hands.press(DONE);
    await until('the entries', async () => (await eventsOf(id)).length === before + 1);
    await hands.press('[data-testid=leave-out]');
    await hands.page.waitForSelector('[data-testid=refused]', { hidden: true });
  });
});

it('a phone whose clock is three hours ahead writes down the right time, and says what its own clock said', async () => {
  const { id } = await jobNamed('Brindle');
  await onPhone('/', async (hands) => {
    await hands.page.evaluateOnNewDocument(() => {
      const Real = Date;
      const ahead = 3 * 3_600_000;
      class Wrong extends Real {
        constructor(...all: []) {
          super(...((all.length === 0 ? [Real.now() + ahead] : all) as []));
        }
        static override now = () => Real.now() + ahead;
      }
      Object.assign(window, { Date: Wrong });
    });
    await hands.page.goto(`${server.url}/job/${id}/run`);
    await hands.sees(/\d+ of \d+ done/);
    const before = (await eventsOf(id)).length;
    await hands.press(DONE);
    await until('the entries', async () => (await eventsOf(id)).length === before + 1);
    const { at, deviceAt } = (await eventsOf(id)).at(-1) as { at: string; deviceAt: string };
    expect(Math.abs(Date.parse(at) - Date.now())).toBeLessThan(60_000);
    expect(Math.round((Date.parse(deviceAt) - Date.parse(at)) / 3_600_000)).toBe(3);
  });
});

it('what is not sent yet is said on every screen, and can be looked at', async () => {
  const { id } = await jobNamed('Brindle');
  const before = (await eventsOf(id)).length;
  await onPhone(`/job/${id}/run`, async (hands) => {
    hands.test.expectErrors(/Failed to load resource|ERR_/);
    await hands.sees(/\d+ of \d+ done/);
    await hands.page.setRequestInterception(true);
    let away = true;
    hands.page.on('request', (asked) => void (away && asked.method() === 'POST' ? asked.abort() : asked.continue()));
    await hands.press(DONE);
    await hands.sees(/No connection: kept on this device/);
    await hands.pressNamed('link', 'Clock');
    await hands.sees(/1 entry not sent yet/);
    await hands.press('[data-testid=not-sent]');
    await hands.sees(/waits to be sent/);
    await hands.sees(/Brindle/);
    away = false;
    // It may have gone by itself at this very moment.
    await (await hands.page.$('[data-testid=send-now]'))?.click().catch(() => undefined);
    await hands.sees(/Everything on this device is with the server/);
    expect((await eventsOf(id)).length).toBe(before + 1);
  });
});

it('a login page of the network in place of an answer neither jams the saving nor loses a tap', async () => {
  const { id } = await jobNamed('Saltwort');
  await onPhone(`/job/${id}/piece`, async (hands) => {
    await hands.saved();
    await hands.page.setRequestInterception(true);
    let login = true;
    hands.page.on('request', (asked) =>
      login && asked.url().includes('/api/')
        ? void asked.respond({ status: 200, contentType: 'text/html', body: '<html>Welcome! Please log in.</html>' })
        : void asked.continue(),
    );
    await hands.fill('rhPercent', '41');
    await hands.pressNamed('button', 'Use this air');
    await hands.sees(/No connection/);
    login = false;
    await hands.saved();
    expect((await get<Job>(`/jobs/${id}`)).design.climate.rhPercent).toBe(41);
  });
});

it('a save whose answer is lost on the way asks nobody which version to keep', async () => {
  const { id } = await jobNamed('Saltwort');
  await onPhone(`/job/${id}/piece`, async (hands) => {
    hands.test.expectErrors(/Failed to load resource/);
    await hands.saved();
    await hands.page.evaluate(() => {
      const real = window.fetch;
      let lost = false;
      window.fetch = async (...all) => {
        const answer = await real(...all);
        if (all[1]?.method !== 'PUT' || lost) return answer;
        lost = true;
        throw new TypeError('Failed to fetch');
      };
    });
    const { revision } = await get<Job>(`/jobs/${id}`);
    await hands.fill('rhPercent', '52');
    await hands.pressNamed('button', 'Use this air');
    await hands.sees(/No connection/);
    await hands.fill('rhPercent', '53');
    await hands.pressNamed('button', 'Use this air');
    await hands.saved();
    expect(await hands.text()).not.toMatch(/changed elsewhere/i);
    expect(await get<Job>(`/jobs/${id}`)).toMatchObject({
      revision: revision + 2,
      design: { climate: { rhPercent: 53 } },
    });
  });
});

it('a step back after a reload does not undo what a colleague saved meanwhile', async () => {
  const { id } = await jobNamed('Saltwort');
  await onPhone(`/job/${id}/piece`, async (hands) => {
    await hands.fill('rhPercent', '60');
    await hands.pressNamed('button', 'Use this air');
    await hands.saved();
    const mine = await get<Job>(`/jobs/${id}`);
    await hands.page.reload();
    await hands.saved();
    await hands.page.waitForSelector('[aria-label^="Undo"]:not([aria-disabled=true])');
    await fetch(`${server.url}/api/jobs/${id}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ revision: mine.revision, design: { ...mine.design, title: 'Saltwort, theirs' } }),
    });
    await hands.page.reload();
    await hands.saved();
    await hands.sees(/Saltwort, theirs/);
    // Nor after another reload, when the revision has been noted anew.
    await hands.page.reload();
    await hands.saved();
    expect(await hands.count('[aria-label^="Undo"]:not([aria-disabled=true])')).toBe(0);
  });
});

it('a page of another name that points here gets nothing', async () => {
  const page = await browser.open(`http://evil.test:${port()}/`);
  expect(await page.page.evaluate(() => document.body.innerText)).toMatch(/not known by the name/);
  const status = await page.page.evaluate(() => fetch('/api/jobs').then((answer) => answer.status));
  expect(status).toBe(421);
  await page.page.close();
  const other = await browser.open(`http://127.0.0.1:${port()}/`);
  const crossing = await other.page.evaluate(
    (address) =>
      fetch(`${address}/api/jobs`, {
        method: 'POST',
        mode: 'no-cors',
        headers: { 'content-type': 'text/plain' },
        body: '{"title":"Crossed","kind":"other"}',
      }).then(
        () => 'sent',
        () => 'stopped',
      ),
    shop(),
  );
  expect(['sent', 'stopped']).toContain(crossing);
  expect((await get<{ jobs: JobSummary[] }>('/jobs')).jobs.some(({ title }) => title === 'Crossed')).toBe(false);
  await other.page.close();
});
