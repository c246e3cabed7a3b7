import { execFileSync } from 'node:child_process';
import { mkdir, mkdtemp, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import type { Page, Viewport } from 'puppeteer-core';
import { saveSetUpCode } from '../server/src/db/people';
import { newCode, normalizeCode, tokenHash } from '../server/src/people/secrets';
import { makeDatabase, PHONE, startBrowser, startServer, type TestBrowser, WIDE } from './harness';

// Takes one picture of each main view from the demo data. With words on the command line only views whose name
// holds one of them are taken; LINTREL_SHOTS names another folder, LINTREL_PERSON (JSON) another person's units and language.

const FOLDER = process.env.LINTREL_SHOTS ?? 'docs/screenshots';

interface Shot {
  readonly name: string;
  readonly path: string;
  readonly size?: Viewport;
  readonly before?: (page: Page) => Promise<void>;
}

const tap =
  (selector: string, index = 0, then?: (page: Page) => Promise<void>) =>
  async (page: Page) => {
    await page.waitForSelector(selector, { timeout: 20_000 });
    await (await page.$$(selector))[index]!.click();
    await then?.(page);
  };

/** Presses the entry of the lay list that begins with a code. */
const tapRow = (code: string, then: (page: Page) => Promise<void>) => async (page: Page) => {
  await page.waitForSelector('[data-testid=run]', { timeout: 20_000 });
  for (const row of await page.$$('[data-testid=run]'))
    if ((await row.evaluate((element) => element.textContent ?? '')).startsWith(code)) await row.click();
  await then(page);
};

/** Moves a slider by a number of steps with the arrow keys. */
const slideTo = (selector: string, steps: number) => async (page: Page) => {
  await page.waitForSelector(selector, { timeout: 20_000 });
  await page.focus(selector);
  for (let step = 0; step < steps; step++) await page.keyboard.press('ArrowRight');
};

/** Presses what a screen reader would announce by this name, then what else is to be pressed. */
const named = (role: string, name: string, then?: (page: Page) => Promise<void>) => async (page: Page) => {
  await (await page.waitForSelector(`::-p-aria([role="${role}"][name="${name}"])`, { timeout: 20_000 }))?.click();
  await then?.(page);
};

const shots = (job: (title: string) => string): Shot[] => [
  { name: 'jobs', path: '/' },
  { name: 'clock', path: '/clock' },
  { name: 'bench', path: '/bench' },
  { name: 'shelf', path: '/shelf' },
  { name: 'piece', path: `/job/${job('Juniper')}/piece` },
  { name: 'lines', path: `/job/${job('Juniper')}/lines`, before: tap('[data-testid=line]') },
  { name: 'areas', path: `/job/${job('Ostrel')}/areas`, before: named('radio', 'Part: Fin, right side') },
  {
    name: 'coats',
    path: `/job/${job('Juniper')}/coats`,
    before: sight('[aria-label="Wanted most"]', undefined, 'start'),
  },
  {
    name: 'edge',
    path: `/job/${job('Juniper')}/coats`,
    before: tap(
      '[data-testid=stage]',
      1,
      named('radio', 'After the coats of stage 2: Tape on', sight('[data-testid=edge-cut]')),
    ),
  },
  {
    name: 'tape',
    path: `/job/${job('Tansy')}/tape`,
    before: tapRow('R1', sight('[data-testid=build-up]', undefined, 'center')),
  },
  { name: 'time', path: `/job/${job('Saltwort')}/time`, before: sight('[data-testid=edge-chart]') },
  { name: 'time-wide', path: `/job/${job('Juniper')}/time`, size: WIDE },
  { name: 'run', path: `/job/${job('Juniper')}/run` },
  { name: 'run-far', path: `/job/${job('Juniper')}/run`, before: tap('[data-testid=far-view]') },
  {
    name: 'run-sideways',
    path: `/job/${job('Juniper')}/run`,
    size: { width: PHONE.height, height: PHONE.width },
    // Lit for a bright workshop.
    before: async (page) => {
      await page.waitForSelector('[data-testid=shade]', { timeout: 20_000 });
      await page.click('[data-testid=shade]');
    },
  },
  { name: 'look-back', path: `/job/${job('Marigold')}/look-back` },
  {
    name: 'not-sent',
    path: `/job/${job('Juniper')}/run`,
    before: async (page) => {
      await page.setRequestInterception(true);
      page.on('request', (asked) => void (asked.method() === 'POST' ? asked.abort() : asked.continue()));
      for (const _ of [1, 2, 3]) {
        await page.waitForSelector('[data-testid=done]:not([aria-disabled=true])', { timeout: 20_000 });
        await page.click('[data-testid=done]');
        await new Promise((resolve) => setTimeout(resolve, 1500));
        await (await page.$('[data-testid=feels-clean]'))?.click();
      }
      await named('link', 'Clock', tap('[data-testid=not-sent]'))(page);
    },
  },
];

/** Scrolls what is meant into sight, then what else is to be done. */
const sight =
  (selector: string, then?: (page: Page) => Promise<void>, block: ScrollLogicalPosition = 'center') =>
  async (page: Page) => {
    await page.waitForSelector(selector, { timeout: 20_000 });
    await page.$eval(selector, (element, to) => element.scrollIntoView({ block: to }), block);
    await then?.(page);
  };
/** A phone so tall that a whole list is seen at once. */
const TALL = { ...PHONE, height: 3400 };

// Views that are looked at when they change but not kept, so that the folder stays small.
const unkept = (job: (title: string) => string): Shot[] => [
  {
    name: 'x-cutter',
    path: `/job/${job('Ostrel')}/print`,
    before: async (page) => {
      await page.waitForSelector('[data-testid=film]', { timeout: 20_000 });
      await page.click('[data-testid=film]', { count: 3 });
      await page.keyboard.type('300');
      await tap('[data-testid=send-cutter]')(page);
      await page.waitForSelector('[data-testid=cut-picture]', { timeout: 60_000 });
      await page.$eval('[data-testid=cut-picture]', (picture) => picture.scrollIntoView({ block: 'end' }));
    },
  },
  { name: 'x-hours', path: '/hours' },
  { name: 'x-air', path: '/air' },
  {
    name: 'x-heat',
    path: `/job/${job('Juniper')}/run`,
    before: tap('[data-testid=heat]', 0, sight('[data-testid=heat-log]', undefined, 'start')),
  },
  { name: 'x-clock-wide', path: '/clock', size: WIDE },
  {
    name: 'x-coat-log',
    path: `/job/${job('Juniper')}/run`,
    before: tap('[data-testid=coat]', 0, sight('[data-testid=coat-said]')),
  },
  { name: 'x-batch', path: '/bench/batch' },
  { name: 'x-behaviour', path: '/shelf/finish/cream-two-part', before: sight('[data-testid=behaviour]') },
  { name: 'x-piece-wide', path: `/job/${job('Ostrel')}/piece`, size: WIDE },
  {
    name: 'x-areas-compare',
    path: `/job/${job('Juniper')}/areas`,
    size: WIDE,
    before: named('radio', 'Compare with: Green above', sight('[data-testid=compared]')),
  },
  {
    name: 'x-coats-brindle-wide',
    path: `/job/${job('Brindle')}/coats`,
    size: WIDE,
    before: tap('[data-testid=stage]', 2),
  },
  { name: 'x-stage', path: `/job/${job('Juniper')}/coats`, before: tap('[data-testid=stage]', 1) },
  { name: 'x-rehearsal', path: `/job/${job('Brindle')}/coats`, before: slideTo('[data-testid=rehearse]', 6) },
  { name: 'x-new', path: '/job/new' },
  { name: 'x-touch', path: `/job/${job('Juniper')}/run`, before: tap('[data-testid=touch]') },
  { name: 'x-tape-brindle', path: `/job/${job('Brindle')}/tape` },
  {
    name: 'x-tape-ostrel',
    path: `/job/${job('Ostrel')}/tape`,
    size: WIDE,
    before: named('radio', 'Stage: 2 Ink blue, two-part', tap('[data-testid=run]', 2)),
  },
  { name: 'x-time-brindle', path: `/job/${job('Brindle')}/time` },
  { name: 'x-run-ostrel', path: `/job/${job('Ostrel')}/run` },
  {
    name: 'x-finish-card',
    path: '/shelf/finish/copper-two-part',
    before: tap('[data-testid=add-card]', 0, sight('[data-testid=card-name]')),
  },
  {
    name: 'x-rules',
    path: `/job/${job('Juniper')}/coats`,
    before: tap('[data-testid=rules]', 0, sight('[data-testid=equal-percent]')),
  },
  {
    name: 'x-tube',
    path: `/job/${job('Brindle')}/lines`,
    before: named('radio', 'Part: Funnel', tap('[data-testid=line]')),
  },
  {
    name: 'x-areas-tall',
    path: `/job/${job('Juniper')}/areas`,
    size: TALL,
    before: named('radio', 'Compare with: Green above'),
  },
  { name: 'x-finish', path: '/shelf/finish/copper-two-part', size: TALL },
  { name: 'x-widths', path: `/job/${job('Ostrel')}/areas`, size: WIDE },
  { name: 'x-coats-tall', path: `/job/${job('Juniper')}/coats`, size: TALL, before: tap('[data-testid=stage]', 1) },
  { name: 'x-coats-brindle', path: `/job/${job('Brindle')}/coats`, size: TALL, before: tap('[data-testid=stage]', 1) },
  { name: 'x-coats-wide', path: `/job/${job('Juniper')}/coats`, size: WIDE, before: tap('[data-testid=stage]', 1) },
  { name: 'x-coats-ostrel', path: `/job/${job('Ostrel')}/coats`, size: WIDE },
  { name: 'x-attached', path: `/job/${job('Juniper')}/part/roof`, before: sight('[data-testid=attached-right]') },
  {
    name: 'x-present',
    path: `/job/${job('Juniper')}/areas`,
    before: tap('[data-testid=area]', 0, sight('[data-testid=present-here]')),
  },
  {
    name: 'x-present-open',
    path: `/job/${job('Juniper')}/areas`,
    before: tap('[data-testid=area]', 0, tap('[data-testid=present-here]', 0, sight('[data-testid=present-age]'))),
  },
  {
    name: 'x-rim',
    path: `/job/${job('Tansy')}/part/left`,
    before: tap('[data-testid=rim-1]', 0, sight('[data-testid=rim-1]', undefined, 'start')),
  },
  {
    name: 'x-rim-more',
    path: `/job/${job('Tansy')}/part/left`,
    before: tap(
      '[data-testid=rim-1]',
      0,
      tap('[data-testid=rim-more]', 0, sight('[data-testid=rim-1]', undefined, 'start')),
    ),
  },
  {
    name: 'x-rim-wide',
    path: `/job/${job('Tansy')}/part/left`,
    size: WIDE,
    before: tap('[data-testid=rim-1]', 0, sight('[data-testid=rim-1]', undefined, 'start')),
  },
  {
    name: 'x-tape-own',
    path: `/job/${job('Tansy')}/tape`,
    before: tap('[data-testid=own-add]', 0, async (page) => {
      await page.waitForFunction(() => document.body.innerText.includes('H1'), { timeout: 20_000 });
      await (await page.$$('[data-testid=run]')).at(-1)!.click();
      await tap('[data-testid=own-corner]')(page);
    }),
  },
  { name: 'x-ready', path: `/job/${job('Tansy')}/tape`, size: TALL },
  { name: 'x-trust', path: '/trust' },
  {
    name: 'x-stock',
    path: '/shelf/tape/F6',
    before: async (page) => {
      await page.waitForSelector('[data-testid=stock-amount]');
      await page.type('[data-testid=stock-amount]', '2');
      await (await page.$('[data-testid=stock-counted]'))!.click();
      await page.waitForSelector('[data-testid=stock-moves]');
      await page.$eval('[data-testid=stock-moves]', (table) => table.scrollIntoView({ block: 'end' }));
    },
  },
  { name: 'x-supplies', path: '/shelf?show=supply' },
  { name: 'x-supply', path: '/shelf/supply/foam-10', size: TALL },
  { name: 'x-tape-tansy', path: `/job/${job('Tansy')}/tape`, size: TALL, before: tap('[data-testid=run]', 1) },
  {
    name: 'x-tape-pin',
    path: `/job/${job('Juniper')}/tape`,
    size: TALL,
    before: tap('[data-testid=run]', 1, tap('[data-testid=another-tape]')),
  },
  { name: 'x-run-cover', path: `/job/${job('Ostrel')}/run` },
  { name: 'x-part', path: `/job/${job('Juniper')}/part/right` },
  { name: 'x-newpart', path: `/job/${job('Juniper')}/part/new` },
  { name: 'x-turned-part', path: `/job/${job('Ostrel')}/part/nose`, size: WIDE },
  { name: 'x-print', path: `/job/${job('Juniper')}/print` },
  { name: 'x-import', path: `/job/${job('Juniper')}/import/right` },
  { name: 'x-line-new', path: `/job/${job('Ostrel')}/line/fin/new` },
  { name: 'x-text', path: `/job/${job('Ostrel')}/line/fin/marks` },
  { name: 'x-cone', path: `/job/${job('Ostrel')}/lines`, before: tap('[data-testid=line]') },
  {
    name: 'x-nose',
    path: `/job/${job('Ostrel')}/lines`,
    before: named('radio', 'Part: Nose cone', tap('[data-testid=line]')),
  },
  {
    name: 'x-house',
    path: `/job/${job('Brindle')}/lines`,
    before: named('radio', 'Part: Deckhouse', tap('[data-testid=line]')),
  },
  { name: 'x-stations-wide', path: `/job/${job('Ostrel')}/stations/boom/cheat.1`, size: WIDE },
  ...[
    'bands',
    'scale',
    'cone',
    'level',
    'wrap',
    'stations',
    'bend',
    'dew',
    'facets',
    'windows',
    'hide',
    'mix',
    'over',
    'order',
    'hold',
    'opening',
  ].map((name) => ({
    name: `x-ask-${name}`,
    path: `/bench/${name}`,
  })),
  ...['Juniper', 'Saltwort', 'Ostrel', 'Brindle', 'Marigold'].map((title) => ({
    name: `x-piece-${title.toLowerCase()}`,
    path: `/job/${job(title)}/piece`,
  })),
  ...['Juniper', 'Saltwort', 'Ostrel', 'Brindle', 'Marigold'].map((title) => ({
    name: `x-areas-${title.toLowerCase()}`,
    path: `/job/${job(title)}/areas`,
    size: WIDE,
  })),
  ...['time', 'run', 'look-back', 'coats', 'tape'].map((step) => ({
    name: `x-${step}-wide`,
    path: `/job/${job('Juniper')}/${step}`,
    size: WIDE,
  })),
];

/** A page of a printed template as a picture. */
async function templatePicture(url: string): Promise<void> {
  const answer = await fetch(`${url}/print`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ what: 'template', part: 'lid', paper: 'A4' }),
  });
  if (!answer.ok) throw new Error(`the template was refused: ${await answer.text()}`);
  const pdf = join(await mkdtemp(join(tmpdir(), 'lintrel-shots-')), 'template.pdf');
  await writeFile(pdf, Buffer.from(await answer.arrayBuffer()));
  execFileSync('pdftoppm', ['-png', '-r', '72', '-f', '3', '-l', '3', '-singlefile', pdf, join(FOLDER, 'template')]);
}

/** A shop that is open to its network: how one signs in on a phone of the shop, and who works there. */
async function peoplePictures(database: string, browser: TestBrowser): Promise<void> {
  const shop = await startServer(database, { env: { LINTREL_SIGN_IN: 'yes' } });
  try {
    await takePeople(shop.url, database, browser);
  } finally {
    await shop.stop();
  }
}

async function takePeople(url: string, database: string, browser: TestBrowser): Promise<void> {
  const db = new pg.Client(database);
  await db.connect();
  const code = newCode();
  await saveSetUpCode(db as unknown as pg.Pool, tokenHash(normalizeCode(code)));
  await db.end();
  const { page } = await browser.open(url, PHONE);
  const passphrase = 'three wet brushes';
  const steps: [method: string, path: string, body: object][] = [
    ['POST', '/sign-in/set-up', { code, name: 'Ada', passphrase, device: 'bench' }],
    ...(['Pim painter', 'Hal helper', 'Vic viewer'] as const).flatMap((person): [string, string, object][] => {
      const [name, role] = person.split(' ');
      return [
        ['POST', '/people', { name, role, passphrase }],
        ['POST', '/sign-in', { name, passphrase, device: 'x' }],
        ['PUT', '/me/pin', { passphrase, pin: '2468' }],
        ['POST', '/sign-in', { name: 'Ada', passphrase, device: 'bench' }],
      ];
    }),
    ['POST', '/sign-in', { name: 'Ada', passphrase, device: 'bench', phone: 'Booth phone' }],
    ['POST', '/shop/backups', {}],
  ];
  for (const [method, path, body] of steps)
    await page.evaluate(
      async (how, where, what) =>
        void (await fetch(`/api${where}`, {
          method: how,
          headers: { 'content-type': 'application/json' },
          body: what,
        })),
      method,
      path,
      JSON.stringify(body),
    );
  const take = async (name: string) => {
    await page.waitForNetworkIdle({ idleTime: 400 });
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await page.screenshot({ path: join(FOLDER, `${name}.png`) as `${string}.png` });
  };
  await page.goto(`${url}/shop`);
  await page.setViewport({ ...PHONE, height: 1500 });
  await page.waitForSelector('[data-testid=person]', { timeout: 20_000 });
  await (await page.$$('[data-testid=person]'))[1]!.click();
  await take('shop');
  await page.setViewport(PHONE);
  await tap('[data-testid=sign-out]')(page);
  await page.waitForSelector('[data-testid=hands]', { timeout: 20_000 });
  await (await page.$$('[data-testid=hands]'))[0]!.click();
  await take('sign-in');
  await page.close();
}

const wanted = process.argv.slice(2);
await mkdir(FOLDER, { recursive: true });
const database = await makeDatabase();
const server = await startServer(database.url);
const browser = await startBrowser();
try {
  if (process.env.LINTREL_PERSON) {
    const { page } = await browser.open(server.url);
    await page.evaluate((person) => localStorage.setItem('lintrel.person', person), process.env.LINTREL_PERSON);
    await page.close();
  }
  const { jobs } = (await (await fetch(`${server.url}/api/jobs`)).json()) as { jobs: { id: string; title: string }[] };
  const idOf = (title: string) => jobs.find((job) => job.title === title)?.id ?? '';
  for (const { name, path, size = PHONE, before } of [...shots(idOf), ...(wanted.length > 0 ? unkept(idOf) : [])]) {
    if (wanted.length > 0 && !wanted.some((word) => name.includes(word))) continue;
    const { page, errors } = await browser.open(server.url + path, size);
    await page.waitForSelector('[role=heading], h1, h2', { timeout: 30_000 });
    await before?.(page);
    await page.waitForNetworkIdle({ idleTime: 400 });
    // What the worker works out comes after the network is quiet.
    await new Promise((resolve) => setTimeout(resolve, 2500));
    await page.screenshot({ path: join(FOLDER, `${name}.png`) as `${string}.png` });
    if (errors().length > 0) console.error(name, errors());
    await page.close();
  }
  if (wanted.length === 0 || wanted.some((word) => 'shop sign-in'.includes(word)))
    await peoplePictures(database.url, browser);
  if (wanted.includes('template')) await templatePicture(`${server.url}/api/jobs/${idOf('Juniper')}`);
} finally {
  await browser.close();
  await server.stop();
  await database.drop();
}
