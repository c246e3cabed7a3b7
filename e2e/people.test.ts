import type { JobSummary, RunRecord } from '@lintrel/core';
import pg from 'pg';
import { saveSetUpCode } from '../server/src/db/people';
import { newCode, normalizeCode, tokenHash } from '../server/src/people/secrets';
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

// A shop that is open to its network: everybody says who they are, in a browser.

const PASSPHRASE = 'three wet brushes';
let database: TestDatabase;
let server: RunningServer;
let browser: TestBrowser;
let code: string;
const onPhone = (path: string, work: (hands: Hands) => Promise<void>) =>
  onPage({ server, browser, database } as Parameters<typeof onPage>[0], path, PHONE, work);
/** Signs in on a page on which nobody is in. */
async function signIn(hands: Hands, name: string): Promise<void> {
  await hands.fill('name', name);
  await hands.fill('passphrase', PASSPHRASE);
  await hands.press('[data-testid=sign-in]');
}
/** The session of the test before is over. */
async function nobody(hands: Hands): Promise<void> {
  await hands.page.deleteCookie({ name: 'lintrel', url: server.url });
  await hands.page.reload();
}

beforeAll(async () => {
  database = await makeDatabase('demo');
  server = await startServer(database.url, { env: { LINTREL_SIGN_IN: 'yes' } });
  // The code that is printed at the start, as one of our own.
  const db = new pg.Client(database.url);
  await db.connect();
  code = newCode();
  await saveSetUpCode(db as unknown as pg.Pool, tokenHash(normalizeCode(code)));
  await db.end();
  browser = await startBrowser();
});
afterAll(async () => {
  await browser.close();
  await server.stop();
  await database.drop();
});

it('is set up by its first owner, who lets others in; a phone of the shop changes hands by a PIN', async () => {
  expect((await fetch(`${server.url}/api/jobs`)).status).toBe(401);
  await onPhone('/', async (hands) => {
    hands.test.expectErrors(/Failed to load resource/);
    await hands.sees(/Set the shop up/);
    await hands.fill('code', 'AAAA-BBBB-CCCC');
    await hands.fill('name', 'Ada');
    await hands.fill('passphrase', PASSPHRASE);
    await hands.press('[data-testid=set-up]');
    await hands.sees(/This is not the code/);
    await hands.fill('code', code.toLowerCase());
    await hands.press('[data-testid=set-up]');
    await hands.sees(/What is on, and what to do next/);
    await hands.sees(/Juniper/);

    await hands.press('[data-testid=to-shop]');
    await hands.sees(/Ada/);
    await hands.press('[data-testid=new-person]');
    await hands.fill('person-name', 'Hal');
    await hands.pressNamed('radio', 'May: Helper');
    await hands.fill('person-passphrase', 'short');
    await hands.press('[data-testid=add-person]');
    await hands.sees(/ten letters/i);
    await hands.fill('person-passphrase', PASSPHRASE);
    await hands.press('[data-testid=add-person]');
    await hands.sees(/Hal/);
    await hands.press('[data-testid=sign-out]');

    // Only an owner makes this a phone of the shop; then the helper comes in on it, and sets a PIN.
    await hands.fill('name', 'hal');
    await hands.fill('passphrase', PASSPHRASE);
    await hands.press('[data-testid=shop-phone]');
    await hands.fill('phone-name', 'Bench phone');
    await hands.press('[data-testid=sign-in]');
    await hands.sees(/Only an owner makes this a phone of the shop/);
    await hands.fill('name', 'Ada');
    await hands.fill('passphrase', PASSPHRASE);
    await hands.press('[data-testid=sign-in]');
    await hands.sees(/Bench phone/);
    await hands.press('[data-testid=sign-out]');
    await hands.fill('name', 'hal');
    await hands.fill('passphrase', PASSPHRASE);
    await hands.press('[data-testid=sign-in]');
    await hands.sees(/Helper/);
    await hands.press('[data-testid=own-pin]');
    await hands.fill('own-passphrase', PASSPHRASE);
    await hands.fill('new-pin', '2468');
    await hands.press('[data-testid=keep-pin]');
    await hands.page.waitForSelector('[data-testid=keep-pin]', { hidden: true });
    await hands.press('[data-testid=sign-out]');
    await hands.sees(/Whose hands are these/);
    await hands.press('[data-testid=hands]');
    await hands.fill('pin', '1357');
    await hands.press('[data-testid=pin-in]');
    await hands.sees(/This is not the PIN/);
    await hands.fill('pin', '2468');
    await hands.press('[data-testid=pin-in]');
    await hands.sees(/Helper/);

    // What the helper taps carries their name; what is not theirs to do is refused and told.
    const jobs = await hands.page.evaluate(
      async () => ((await (await fetch('/api/jobs')).json()) as { jobs: JobSummary[] }).jobs,
    );
    const { id } = jobs.find(({ title }) => title === 'Juniper')!;
    await hands.page.goto(`${server.url}/job/${id}/run`);
    await hands.press('[data-testid=done]:not([aria-disabled=true])');
    const last = async () =>
      hands.page.evaluate(
        async (job) =>
          ((await (await fetch(`/api/jobs/${job}/run`)).json()) as RunRecord).events.at(-1)!.person ?? null,
        id,
      );
    await until('the entry of Hal', async () => (await last()) === 'Hal');
    await hands.page.goto(`${server.url}/job/${id}/piece`);
    await hands.fill('rhPercent', '44');
    await hands.pressNamed('button', 'Use this air');
    await hands.sees(/Painters and the owner change a job/);
    await hands.page.goto(`${server.url}/shelf/tape/F6`);
    await hands.sees(/Painters and the owner change the shelf/);
    expect(await hands.page.$('[data-testid=submit]')).toBeNull();
  });
});

it('taps of one whose session has ended wait until somebody is in again', async () => {
  await onPhone('/', async (hands) => {
    hands.test.expectErrors(/Failed to load resource/);
    await nobody(hands);
    await signIn(hands, 'Ada');
    await hands.sees(/Brindle/);
    const { id } = await hands.page.evaluate(async () =>
      ((await (await fetch('/api/jobs')).json()) as { jobs: JobSummary[] }).jobs.find(
        ({ title }) => title === 'Juniper',
      )!,
    );
    await hands.page.goto(`${server.url}/job/${id}/run`);
    await hands.sees(/\d+ of \d+ done/);
    const count = () =>
      hands.page.evaluate(
        async (job) => ((await (await fetch(`/api/jobs/${job}/run`)).json()) as RunRecord).events.length,
        id,
      );
    const before = await count();
    await hands.page.deleteCookie({ name: 'lintrel', url: server.url });
    await hands.press('[data-testid=done]:not([aria-disabled=true])');
    await hands.sees(/Name and passphrase/);
    await signIn(hands, 'Ada');
    // Back where one was.
    await hands.sees(/\d+ of \d+ done/);
    await until('the tap', async () => (await count()) === before + 1);
  });
});

it('a customer looks at one job by its address, and no more once it is called back', async () => {
  await onPhone('/', async (hands) => {
    hands.test.expectErrors(/Failed to load resource/);
    await nobody(hands);
    await signIn(hands, 'Ada');
    await hands.sees(/Marigold/);
    const { id } = await hands.page.evaluate(async () =>
      ((await (await fetch('/api/jobs')).json()) as { jobs: JobSummary[] }).jobs.find(
        ({ title }) => title === 'Marigold',
      )!,
    );
    await hands.page.goto(`${server.url}/job/${id}/print`);
    await hands.press('[data-testid=make-link]');
    await hands.page.waitForSelector('[data-testid=customer-link]');
    const link = await hands.page.$eval('[data-testid=customer-link]', (element) =>
      (element as HTMLElement).innerText.trim(),
    );
    // The customer's own browser: nothing of ours is in it.
    const theirs = await startBrowser();
    const other = await theirs.open(link, PHONE);
    other.expectErrors(/Failed to load resource/);
    const customer = new Hands(other, true);
    await customer.sees(/Marigold/);
    await customer.sees(/Stages/);
    expect(await customer.text()).not.toMatch(/Jobs|Shelf|Ada/);
    await hands.press('[data-testid=end-link]');
    await hands.page.waitForSelector('[data-testid=end-link]', { hidden: true });
    await other.page.reload();
    await customer.sees(/called back/);
    await theirs.close();
  });
});

it('what one has tapped without a connection goes under their name, once the other who is there now says so', async () => {
  await onPhone('/', async (hands) => {
    hands.test.expectErrors(/Failed to load resource|ERR_/);
    await nobody(hands);
    await signIn(hands, 'Hal');
    await hands.sees(/Brindle/);
    const { id } = await hands.page.evaluate(async () =>
      ((await (await fetch('/api/jobs')).json()) as { jobs: JobSummary[] }).jobs.find(
        ({ title }) => title === 'Juniper',
      )!,
    );
    await hands.page.goto(`${server.url}/job/${id}/run`);
    await hands.sees(/\d+ of \d+ done/);
    const last = () =>
      hands.page.evaluate(async (job) => {
        const { person, sentBy } = ((await (await fetch(`/api/jobs/${job}/run`)).json()) as RunRecord).events.at(-1)!;
        return [person, sentBy ?? null];
      }, id);
    await hands.page.deleteCookie({ name: 'lintrel', url: server.url });
    await hands.press('[data-testid=done]:not([aria-disabled=true])');
    await hands.sees(/Name and passphrase/);
    await signIn(hands, 'Ada');
    await hands.sees(/1 entry of Hal not sent yet/);
    await hands.press('[data-testid=send-for]');
    await until('the tap of Hal, sent by Ada', async () => String(await last()) === 'Hal,Ada');
  });
});
