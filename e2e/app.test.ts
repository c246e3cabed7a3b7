import { type Job, type JobSummary, type PartPlan, QUESTIONS, type Shelf } from '@lintrel/core';
import { wordsFor } from '@lintrel/words';
import { listReceiver } from '../client/src/worker/listPatch';
import type { FromSession } from '../client/src/worker/messages';
import { WAIT_MS } from '../scripts/test-limits.mjs';
import { type Hands, onPage } from './hands';
import { appUnderTest, PHONE, startServer, WIDE } from './harness';

const app = appUnderTest();
const get = async <T>(path: string) => (await (await fetch(`${app.server.url}/api${path}`)).json()) as T;
const jobNamed = async (title: string) =>
  (await get<{ jobs: JobSummary[] }>('/jobs')).jobs.find((job) => job.title === title) as JobSummary;
const withPage = (path: string, work: (hands: Hands) => Promise<void>, size: typeof PHONE | typeof WIDE = PHONE) =>
  onPage(app, path, size, work);

it.each(QUESTIONS.map(({ name }) => [name, wordsFor().question(name).title]))(
  'the Bench opens %s already answered',
  (name, title) =>
    withPage('/bench', async (hands) => {
      await hands.pressNamed('button', title);
      await hands.page.waitForSelector('[data-testid=answer]', { timeout: WAIT_MS });
      expect(new URL(hands.page.url()).pathname).toBe(`/bench/${name}`);
      expect(await hands.text()).not.toMatch(/NaN|undefined/);
    }),
);

it('the Bench answers as one types, and says at the field what it cannot read', () =>
  withPage('/bench/bend', async (hands) => {
    await hands.sees(/Lays when stretched/);
    await hands.fill('radius', '20');
    await hands.sees(/Too tight/);
    await hands.fill('radius', 'round');
    await hands.sees(/"round" is not a length/);
    await hands.fill('radius', '4 3/4"');
    await hands.sees(/Lays when stretched/);
    await hands.pressNamed('radio', 'Given by: Its figures');
    await hands.fill('width', '1');
    await hands.fill('stretch', '150%');
    await hands.sees(/must lie between 0 and 1/);
  }));

it('a tape is changed on the Shelf, and every answer follows', () =>
  withPage('/shelf', async (hands) => {
    await hands.press('[data-testid="tape-V6"]');
    await hands.fill('stretch', '2');
    await hands.press('[data-testid=submit]');
    await hands.sees(/must lie between 0 and 1/);
    await hands.fill('stretch', '0.01');
    await hands.press('[data-testid=submit]');
    await hands.sees(/Fine line, stiff film/);
    await hands.goTo('Bench');
    await hands.pressNamed('button', 'Will this tape make this bend?');
    await hands.sees(/Too tight/);
  }));

it('a finish is added to the Shelf, refused when its id is taken, and kept while jobs use it', () =>
  withPage('/shelf/finish/new', async (hands) => {
    hands.test.expectErrors(/status of 4(22|09)/);
    await hands.fill('id', 'cream-two-part');
    await hands.fill('name', 'Primrose');
    await hands.press('[data-testid=submit]');
    await hands.sees(/is taken/);
    await hands.fill('id', 'primrose');
    await hands.fill('colour', '#f0e38a');
    await hands.press('[data-testid=submit]');
    await hands.pressNamed('radio', 'Show: Finishes');
    await hands.sees(/Primrose/);
    await hands.pressNamed('button', 'Cream, two-part');
    await hands.press('[data-testid=delete]');
    await hands.sees(/Still used by Juniper/);
  }));

/** The plan as the screen puts it together from what the worker says. */
function planIn(all: readonly FromSession[]): unknown {
  const parts = listReceiver<PartPlan>();
  let plan: unknown = null;
  for (const news of all) {
    if (news.kind === 'parts') parts(news.parts);
    if (news.kind === 'plan') plan = { ...news.plan, parts: parts(news.plan.parts) };
  }
  return plan;
}

it('the plan in the browser is the plan on the server, to the byte', () =>
  withPage('/', async (hands) => {
    const ids = await Promise.all(
      ['Juniper', 'Saltwort', 'Brindle', 'Marigold'].map(async (title) => (await jobNamed(title)).id),
    );
    await hands.page.goto(`${app.server.url}/job/${ids[0]}/lines`);
    await hands.page.waitForSelector('[data-testid=line]', { timeout: WAIT_MS });
    const script = await hands.page.evaluate(() =>
      performance
        .getEntriesByType('resource')
        .map(({ name }) => name)
        .find((name) => /session[^/]*\.js/.test(name)),
    );
    expect(script).toBeDefined();
    const shelf = await get<Shelf>('/shelf');
    for (const id of ids) {
      const { design } = await get<Job>(`/jobs/${id}`);
      const said = await hands.page.evaluate(
        (url, input) =>
          new Promise<string>((resolve) => {
            const worker = new Worker(url);
            const all: unknown[] = [];
            worker.onmessage = ({ data }) => {
              all.push(data);
              if (data.kind === 'plan') resolve(JSON.stringify(all));
            };
            worker.postMessage({ kind: 'set', id: 1, carry: false, ...(input as object) });
          }),
        script as string,
        { design, shelf } as never,
      );
      expect(JSON.stringify(planIn(JSON.parse(said) as FromSession[]))).toBe(
        await (await fetch(`${app.server.url}/api/jobs/${id}/plan`)).text(),
      );
    }
  }));

it('a change made elsewhere is found, and neither version is lost', async () => {
  const { id } = await jobNamed('Brindle');
  await withPage(`/job/${id}/piece`, async (hands) => {
    hands.test.expectErrors(/status of 409/);
    await hands.saved();
    const job = await get<Job>(`/jobs/${id}`);
    await fetch(`${app.server.url}/api/jobs/${id}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ revision: job.revision, design: { ...job.design, title: 'Brindle elsewhere' } }),
    });
    await hands.fill('airC', '25');
    await hands.pressNamed('button', 'Use this air');
    await hands.sees(/was changed elsewhere/);
    await hands.pressNamed('button', 'Go on with mine');
    await hands.saved();
    const kept = await get<Job>(`/jobs/${id}`);
    expect([kept.design.title, kept.design.climate.airC, kept.revision]).toEqual(['Brindle', 25, job.revision + 2]);
  });
});

it('keeps a change made without a connection, through a reload, until the server is back', async () => {
  const { id } = await jobNamed('Brindle');
  const port = Number(new URL(app.server.url).port);
  await withPage(`/job/${id}/piece`, async (hands) => {
    hands.test.expectErrors(/ERR_CONNECTION_REFUSED|ERR_EMPTY_RESPONSE|ERR_CONNECTION_RESET|Failed to load resource/);
    await hands.saved();
    await app.server.stop();
    await hands.fill('rhPercent', '33');
    await hands.pressNamed('button', 'Use this air');
    await hands.sees(/No connection/);
    app.server = await startServer(app.database.url, { port });
    await hands.page.reload();
    await hands.page.waitForSelector('[data-testid=rhPercent]', { timeout: WAIT_MS });
    expect(await hands.page.$eval('[data-testid=rhPercent]', (input) => (input as HTMLInputElement).value)).toBe('33');
    await hands.saved();
    expect((await get<Job>(`/jobs/${id}`)).design.climate.rhPercent).toBe(33);
  });
});

it('an entry of the run sheet tapped without a connection is sent when there is one', async () => {
  const { id } = await jobNamed('Saltwort');
  const port = Number(new URL(app.server.url).port);
  await withPage(`/job/${id}/run`, async (hands) => {
    hands.test.expectErrors(/Failed to load resource|ERR_/);
    await hands.sees(/\d+ of \d+ done/);
    const before = Number((await hands.text()).match(/(\d+) of \d+ done/)?.[1]);
    await app.server.stop();
    for (const done of [1, 2, 3]) {
      await hands.press('[data-testid=done]:not([aria-disabled=true])');
      await hands.sees(new RegExp(`${before + done} of \\d+ done`));
    }
    await hands.sees(/No connection: kept on this device, sent later/);
    expect(await hands.count('[data-testid=waiting]')).toBe(3);
    app.server = await startServer(app.database.url, { port });
    // A reload before they are sent: the outbox on the disk sends them.
    await hands.page.reload();
    await hands.sees(new RegExp(`${before + 3} of \\d+ done`));
    for (let tries = 0; ; tries++) {
      const { events } = await get<{ events: unknown[] }>(`/jobs/${id}/run`);
      if (events.length === before + 1 + 3) break;
      if (tries > 100) throw new Error(`only ${events.length} entries arrived`);
      await new Promise((resolve) => setTimeout(resolve, 200));
    }
  });
});

it('a job is renamed and shown in inches on this device, and an empty name is refused', async () => {
  const { id } = await jobNamed('Marigold');
  await withPage(`/job/${id}/piece`, async (hands) => {
    await hands.fill('title', ' ');
    await hands.pressNamed('radio', 'Lengths in: Inches');
    await hands.press('[data-testid=keep-job]');
    await hands.sees(/needs a name/);
    await hands.fill('title', 'Marigold II');
    await hands.press('[data-testid=keep-job]');
    await hands.saved();
    await hands.goTo('Lines');
    await hands.sees(/22 \d+\/\d+"/);
    expect((await get<Job>(`/jobs/${id}`)).design).toMatchObject({ title: 'Marigold II', version: 3 });
    await hands.goTo('Piece');
    await hands.pressNamed('radio', 'Lengths in: Millimetres');
  });
});

it('a removed line can be taken back, with its finishes', async () => {
  const { id } = await jobNamed('Juniper');
  await withPage(`/job/${id}/lines`, async (hands) => {
    await hands.press('[data-testid=line]', 0);
    await hands.pressNamed('button', 'Change the measurements');
    await hands.pressNamed('button', 'Take out this line (1 made from it stay, unset)');
    await hands.sees(/Waist line taken out/);
    await hands.sees(/is parallel to a line that is no longer there/);
    await hands.pressNamed('button', 'Take it back');
    await hands.sees(/L2\s+Coach line/);
    await hands.saved();
    await hands.goTo('Areas');
    await hands.sees(/Copper, two-part/);
  });
});

it('a step that lacks something says what, with the way there', async () => {
  await withPage('/job/new', async (hands) => {
    await hands.fill('title', 'Empty');
    await hands.press('[data-testid=submit]');
    await hands.sees(/New part/);
    for (const step of ['Lines', 'Areas', 'Coats', 'Tape', 'Time']) {
      await hands.goTo(step);
      await hands.sees(/There is no part yet/);
    }
    await hands.goTo('Run');
    await hands.sees(/No area has a finish yet/);
    await hands.goTo('Look back');
    await hands.sees(/has not been started/);
    await hands.pressNamed('button', 'Go to the run sheet');
    await hands.pressNamed('button', 'Choose finishes');
    await hands.pressNamed('button', 'Add a part');
    await hands.sees(/New part/);
  });
});

it('deep links, unknown places and missing files are answered as they should be', async () => {
  await withPage('/bench/moon', async (hands) => {
    await hands.sees(/There is no such question/);
    await hands.pressNamed('button', 'All questions');
    await hands.sees(/One question at a time/);
  });
  await withPage('/job/00000000-0000-4000-8000-000000000000/lines', async (hands) => {
    hands.test.expectErrors(/404/);
    await hands.sees(/There is no such job/);
  });
  expect((await fetch(`${app.server.url}/missing.js`)).status).toBe(404);
  const page = await fetch(`${app.server.url}/clock`);
  expect([page.status, page.headers.get('cache-control')]).toEqual([200, 'no-cache']);
  const script = (await page.text()).match(/\/_expo\/static\/[^"]+\.js/)?.[0] ?? '';
  expect((await fetch(app.server.url + script)).headers.get('cache-control')).toMatch(/immutable/);
});

it('every target on the main views is large enough for a finger', async () => {
  const { id } = await jobNamed('Juniper');
  for (const path of [
    '/',
    '/clock',
    '/bench',
    '/bench/windows',
    '/shelf',
    `/job/${id}/lines`,
    `/job/${id}/areas`,
    `/job/${id}/coats`,
    `/job/${id}/run`,
  ]) {
    await withPage(path, async (hands) => {
      await hands.page.waitForNetworkIdle({ idleTime: 400 });
      const least = path.endsWith('/run') ? 64 : 48;
      const small = await hands.page.$$eval(
        '[role=button], button, [role=radio], a[href]',
        (targets, wanted) =>
          targets
            .map((target) => ({
              name: target.getAttribute('aria-label') ?? target.textContent,
              box: target.getBoundingClientRect(),
              inBooth: target.closest('[data-testid=booth]') !== null,
            }))
            .filter(({ box, inBooth }) => box.height > 0 && box.height < (inBooth ? wanted : 48) - 0.5)
            .map(({ name, box }) => `${name} ${box.height}`),
        least,
      );
      expect(small).toEqual([]);
    });
  }
});
