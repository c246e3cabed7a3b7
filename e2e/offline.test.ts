import { createServer, request } from 'node:http';
import { join } from 'node:path';
import type { JobSummary, RunRecord } from '@lintrel/core';
import type { Page } from 'puppeteer-core';
import { WAIT_MS } from '../scripts/test-limits.mjs';
import { Hands, onPage } from './hands';
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

// A phone in a secure place, where the browser lets the program be kept: it opens with the server gone.

let database: TestDatabase;
let server: RunningServer;
let browser: TestBrowser;
const port = () => Number(new URL(server.url).port);
const get = async <T>(path: string): Promise<T> => (await fetch(`${server.url}/api${path}`)).json() as Promise<T>;
const jobNamed = async (title: string) =>
  (await get<{ jobs: JobSummary[] }>('/jobs')).jobs.find((job) => job.title === title) as JobSummary;
const eventsOf = async (id: string) => (await get<RunRecord>(`/jobs/${id}/run`)).events;
const onPhone = (path: string, work: (hands: Hands) => Promise<void>) =>
  onPage({ server, browser, database } as Parameters<typeof onPage>[0], path, PHONE, work);
/** Any picture does for a photo. */
const PICTURE = join(__dirname, '../docs/screenshots/run.png');
const DONE = '[data-testid=done]:not([aria-disabled=true])';

/** Number of entries the browser has stored: an entry counts on the page a moment before it is on the disk. */
const entriesOnDisk = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((resolve, reject) => {
        const opening = indexedDB.open('lintrel');
        opening.onerror = () => reject(opening.error!);
        opening.onsuccess = () => {
          const counting = opening.result.transaction('entries').objectStore('entries').count();
          counting.onerror = () => reject(counting.error!);
          counting.onsuccess = () => {
            opening.result.close();
            resolve(counting.result);
          };
        };
      }),
  );

beforeAll(async () => {
  database = await makeDatabase('demo');
  server = await startServer(database.url);
  browser = await startBrowser();
});
afterAll(async () => {
  await browser.close();
  await server.stop();
  await database.drop();
});

it('can be put on the home screen', async () => {
  const page = await (await fetch(server.url)).text();
  expect(page).toContain('rel="manifest"');
  const manifest = (await (await fetch(`${server.url}/manifest.webmanifest`)).json()) as {
    start_url: string;
    icons: { src: string }[];
  };
  expect(manifest.start_url).toBe('/');
  for (const { src } of manifest.icons) expect((await fetch(server.url + src)).status).toBe(200);
  const worker = await fetch(`${server.url}/sw.js`);
  expect(worker.headers.get('content-type')).toMatch(/javascript/);
  expect(worker.headers.get('cache-control')).toMatch(/max-age=0|no-cache/);
});

it('opens a deep link with the server gone: the run sheet with all that was done, the shelf, the list; taps are sent when it is back', async () => {
  const { id } = await jobNamed('Juniper');
  await onPhone(`/job/${id}/run`, async (hands) => {
    hands.test.expectErrors(/Failed to load resource|ERR_|Failed to fetch/);
    const { page } = hands;
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null, { timeout: WAIT_MS });
    const done = 1 + (await eventsOf(id)).filter(({ kind }) => kind === 'done').length;
    await hands.press(DONE);
    await hands.sees(new RegExp(`${done} of \\d+ done`));
    // The lists are read once, so that they are at hand.
    await hands.pressNamed('link', 'Shelf');
    await hands.sees(/Fine line/);
    await hands.pressNamed('link', 'Jobs');
    await hands.sees(/Juniper/);
    await page.goto(`${server.url}/job/${id}/run`);
    await hands.sees(new RegExp(`${done} of \\d+ done`));
    const photoShown = () =>
      page
        .waitForFunction(
          () =>
            [...document.querySelectorAll<HTMLImageElement>('[data-testid=photo] img')].some(
              (image) => image.naturalWidth > 0,
            ),
          { timeout: WAIT_MS },
        )
        .catch(async () => {
          throw new Error(`waited for the photo; the page says:\n${(await hands.text()).slice(0, 2000)}`);
        });
    await server.stop();

    await page.reload();
    await hands.sees(new RegExp(`${done} of \\d+ done`));
    await hands.press(DONE);
    await hands.sees(new RegExp(`${done + 1} of \\d+ done`));
    await hands.sees(/No connection: kept on this device/);
    await until('the tap on the disk of the phone', async () => (await entriesOnDisk(page)) === 1);
    await page.reload();
    await hands.sees(new RegExp(`${done + 1} of \\d+ done`));
    const [chooser] = await Promise.all([page.waitForFileChooser(), hands.press('[data-testid=take-photo]')]);
    await chooser.accept([PICTURE]);
    await photoShown();
    await until('the photo on the disk of the phone', async () => (await entriesOnDisk(page)) === 2);
    await page.reload();
    await photoShown();
    await page.goto(`${server.url}/shelf`);
    await hands.sees(/Fine line/);
    await hands.sees(/2 entries not sent yet/);
    await page.goto(server.url);
    await hands.sees(/Juniper/);

    server = await startServer(database.url, { port: port() });
    // The photo comes last: taps go before it.
    const photosOf = (events: RunRecord['events']) =>
      events.flatMap(({ saw }) => (saw?.kind === 'photo' ? [saw.photo] : []));
    await until('the photo', async () => photosOf(await eventsOf(id)).length > 0);
    const events = await eventsOf(id);
    expect(events.filter(({ kind }) => kind === 'done')).toHaveLength(done + 1);
    await hands.gone(/not sent yet/);
    const photo = photosOf(events);
    expect(photo).toHaveLength(1);
    const kept = await fetch(`${server.url}/api/jobs/${id}/photos/${photo[0]}`);
    expect([kept.status, kept.headers.get('content-type')]).toEqual([200, 'image/jpeg']);
    await page.goto(`${server.url}/job/${id}/look-back`);
    await photoShown();
  });
});

/** Stands before the server and hands everything on; the list of files of the build is changed as a newer build would. */
function before(target: string, sw: (text: string) => string): Promise<{ url: string; close: () => Promise<void> }> {
  const door = createServer((asked, answer) => {
    const onward = request(target + asked.url!, { method: asked.method, headers: asked.headers }, (message) => {
      const worker = asked.url === '/sw.js';
      const headers = { ...message.headers };
      if (worker)
        for (const name of ['content-length', 'content-encoding', 'etag', 'last-modified']) delete headers[name];
      answer.writeHead(message.statusCode!, headers);
      if (!worker) return void message.pipe(answer);
      let text = '';
      message.setEncoding('utf8').on('data', (part: string) => (text += part));
      message.on('end', () => answer.end(sw(text)));
    });
    onward.on('error', () => answer.destroy());
    if (asked.url === '/sw.js')
      for (const name of ['accept-encoding', 'if-none-match', 'if-modified-since']) onward.removeHeader(name);
    asked.pipe(onward);
  });
  return new Promise((ready) =>
    door.listen(0, '127.0.0.1', () =>
      ready({
        url: `http://127.0.0.1:${(door.address() as { port: number }).port}`,
        close: () => new Promise((done) => (door.closeAllConnections(), door.close(() => done()))),
      }),
    ),
  );
}

it('offers a newer build, leaves the run sheet alone, and takes it when a person says so', async () => {
  let newer = false;
  const door = await before(server.url, (text) =>
    newer ? text.replace('const BUILD = "', 'const BUILD = "newer-') : text,
  );
  const { id } = await jobNamed('Juniper');
  try {
    await onPage(
      { server: { ...server, url: door.url }, browser, database } as Parameters<typeof onPage>[0],
      '/',
      PHONE,
      async (hands) => {
        const { page } = hands;
        // The page may be drawn anew by the newer build at that very moment: then it is asked once more.
        const shells = async (tries = 5): Promise<string[]> =>
          page
            .evaluate(async () => (await caches.keys()).filter((name) => name.startsWith('lintrel.shell.')))
            .catch((error: unknown) => {
              if (tries === 1) throw error;
              return new Promise<string[]>((again) => setTimeout(() => again(shells(tries - 1)), 500));
            });
        await page.waitForFunction(() => navigator.serviceWorker.controller !== null, { timeout: WAIT_MS });
        expect(await shells()).toHaveLength(1);
        newer = true;
        await page.goto(`${door.url}/job/${id}/run`);
        await hands.sees(/of \d+ done/);
        // It is looked for when the page is opened, and lies ready beside the one in use.
        await page.waitForFunction(async () => (await navigator.serviceWorker.getRegistration())?.waiting !== null, {
          timeout: WAIT_MS,
        });
        expect(await shells()).toHaveLength(2);
        expect(await page.$('[data-testid=newer-build]')).toBeNull();
        await hands.pressNamed('link', 'Jobs');
        const moved = page.waitForNavigation({ timeout: WAIT_MS });
        await hands.press('[data-testid=use-newer]');
        await moved;
        await hands.sees(/Juniper/);
        // The files of the build before are thrown away as the newer one takes over.
        await page.waitForFunction(
          async () => (await caches.keys()).filter((name) => name.startsWith('lintrel.shell.')).length === 1,
          { timeout: WAIT_MS },
        );
        const [only, ...others] = await shells();
        expect(only).toContain('newer-');
        expect(others).toEqual([]);
        expect(await page.$('[data-testid=newer-build]')).toBeNull();
      },
    );
  } finally {
    await door.close();
  }
});
