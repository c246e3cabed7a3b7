import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { makeDatabase, PHONE, startBrowser, startServer, WIDE } from './harness';

// Takes one picture of each main view from the demo data. With words on the command line only views whose name
// holds one of them are taken; LINTREL_SHOTS names another folder.

const FOLDER = process.env.LINTREL_SHOTS ?? 'docs/screenshots';

interface Shot {
  readonly name: string;
  readonly path: string;
  readonly size?: typeof PHONE | typeof WIDE;
  readonly before?: (page: Page) => Promise<void>;
}

const tap =
  (selector: string, index = 0) =>
  async (page: Page) => {
    await page.waitForSelector(selector, { timeout: 20_000 });
    await (await page.$$(selector))[index].click();
  };

const shots = (job: (title: string) => string): Shot[] => [
  { name: 'jobs', path: '/' },
  { name: 'clock', path: '/clock' },
  { name: 'bench', path: '/bench' },
  { name: 'bench-bend', path: '/bench/bend' },
  { name: 'bench-windows', path: '/bench/windows' },
  { name: 'shelf', path: '/shelf' },
  { name: 'piece', path: `/job/${job('Juniper')}/piece` },
  { name: 'lines', path: `/job/${job('Juniper')}/lines`, before: tap('[data-testid=line]') },
  { name: 'line-form', path: `/job/${job('Marigold')}/line/bonnet/scallop` },
  { name: 'areas', path: `/job/${job('Juniper')}/areas`, before: tap('[data-testid=area]') },
  { name: 'coats', path: `/job/${job('Juniper')}/coats`, before: tap('[data-testid=stage]', 1) },
  { name: 'tape', path: `/job/${job('Juniper')}/tape` },
  { name: 'time', path: `/job/${job('Juniper')}/time` },
  { name: 'run', path: `/job/${job('Juniper')}/run` },
  { name: 'look-back', path: `/job/${job('Marigold')}/look-back` },
  { name: 'lines-wide', path: `/job/${job('Juniper')}/lines`, size: WIDE, before: tap('[data-testid=line]') },
  { name: 'areas-wide', path: `/job/${job('Brindle')}/areas`, size: WIDE },
  { name: 'coats-wide', path: `/job/${job('Brindle')}/coats`, size: WIDE, before: tap('[data-testid=stage]', 1) },
  { name: 'tape-wide', path: `/job/${job('Saltwort')}/tape`, size: WIDE },
];

// Views that are looked at when they change but not kept, so that the folder stays small.
const unkept = (job: (title: string) => string): Shot[] => [
  { name: 'x-new', path: '/job/new' },
  { name: 'x-part', path: `/job/${job('Juniper')}/part/left` },
  { name: 'x-finish', path: '/shelf/finish/copper-two-part' },
  { name: 'x-tape-form', path: '/shelf/tape/V6' },
  { name: 'x-start', path: `/job/${job('Brindle')}/run` },
  { name: 'x-dew', path: '/bench/dew' },
  { name: 'x-facets', path: '/bench/facets' },
  ...['piece', 'time', 'run', 'look-back'].map((step) => ({ name: `x-${step}-wide`, path: `/job/${job('Juniper')}/${step}`, size: WIDE })),
];

const wanted = process.argv.slice(2);
await mkdir(FOLDER, { recursive: true });
const database = await makeDatabase();
const server = await startServer(database.url);
const browser = await startBrowser();
try {
  const { jobs } = (await (await fetch(`${server.url}/api/jobs`)).json()) as { jobs: { id: string; title: string }[] };
  const idOf = (title: string) => jobs.find((one) => one.title === title)?.id ?? '';
  for (const { name, path, size = PHONE, before } of [...shots(idOf), ...(wanted.length > 0 ? unkept(idOf) : [])]) {
    if (wanted.length > 0 && !wanted.some((word) => name.includes(word))) continue;
    const { page, errors } = await browser.open(server.url + path, size);
    await page.waitForSelector('[role=heading], h1, h2', { timeout: 30_000 });
    await before?.(page);
    await page.waitForNetworkIdle({ idleTime: 400 });
    await new Promise((resolve) => setTimeout(resolve, 500));
    await page.screenshot({ path: join(FOLDER, `${name}.png`) as `${string}.png` });
    if (errors().length > 0) console.error(name, errors());
    await page.close();
  }
} finally {
  await browser.close();
  await server.stop();
  await database.drop();
}
