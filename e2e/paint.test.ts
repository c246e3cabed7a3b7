import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { DayAnswer, Design, Job, JobFile, RunRecord, Step } from '@lintrel/core';
import { type Hands, onPage } from './hands';
import {
  makeDatabase,
  PHONE,
  type RunningServer,
  startBrowser,
  startServer,
  type TestBrowser,
  type TestDatabase,
} from './harness';

// Paint in the cup and in the gun: what sets, what two jobs share, and when a job would be done.

let database: TestDatabase;
let server: RunningServer;
let browser: TestBrowser;
const onPhone = (path: string, work: (hands: Hands) => Promise<void>) =>
  onPage({ server, browser, database } as Parameters<typeof onPage>[0], path, PHONE, work);
const DONE = '[data-testid=done]:not([aria-disabled=true])';
/** Longer than any mix of the shelf is good for. */
const LONG_AGO_MIN = 300;

beforeAll(async () => {
  database = await makeDatabase();
  server = await startServer(database.url, { demo: false });
  browser = await startBrowser();
});
afterAll(async () => {
  await browser.close();
  await server.stop();
  await database.drop();
});

async function send<T>(path: string, body: unknown): Promise<T> {
  const answer = await fetch(`${server.url}/api${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!answer.ok) throw new Error(`${path}: ${await answer.text()}`);
  return (await answer.json()) as T;
}
const entry = (kind: string, step: string | null, agoMin: number) => ({
  id: randomUUID(),
  version: 4,
  at: new Date(Date.now() - agoMin * 60_000).toISOString(),
  kind,
  step,
  note: '',
});

/** Tansy, begun and done up to and with the mixing, or up to it, so long ago. */
async function tansy(
  title: string,
  { mixed, agoMin }: { mixed: boolean; agoMin: number },
): Promise<{ id: string; steps: readonly Step[] }> {
  const file = JSON.parse(readFileSync(join(__dirname, '../examples/tansy.json'), 'utf8')) as JobFile;
  const { id, revision } = await send<Job>('/jobs/import', {
    ...file,
    design: { ...file.design, title },
    log: [],
    started: [],
  });
  const { started } = await send<RunRecord>(`/jobs/${id}/start`, { revision, event: entry('start', null, agoMin) });
  const steps = (started!.plan.steps as Step[]).filter(({ attended }) => attended);
  const upTo = steps.findIndex(({ kind }) => kind === 'mix') + (mixed ? 1 : 0);
  await send(`/jobs/${id}/log`, { entries: steps.slice(0, upTo).map((step) => entry('done', step.id, agoMin)) });
  return { id, steps };
}

it('paint that has gone off in the cup is mixed anew before its coat, once, and the clock says so too', async () => {
  const { id } = await tansy('Gone off', { mixed: true, agoMin: LONG_AGO_MIN });
  await onPhone('/clock', async (hands) => {
    await hands.sees(/“Sea green, two-part: coat 1 of 2” was to be done by/);
    await hands.sees(/mix anew first/);
  });
  await onPhone(`/job/${id}/run`, async (hands) => {
    await hands.sees(/Mix it anew first/);
    await hands.sees(/away with it, as its data sheet says/);
    await hands.press(DONE);
    await hands.sees(/coat 1 of 2/);
    await hands.sees(/Open now: use the mix/);
  });
});
it('two jobs of one colour are told to be sprayed from one mix', async () => {
  const wings = [
    await tansy('Left wing', { mixed: false, agoMin: 30 }),
    await tansy('Right wing', { mixed: false, agoMin: 30 }),
  ];
  await onPhone('/clock', (hands) =>
    hands.sees(/Mix Sea green, two-part once, \d+ ml for both: .+ first, .+ from the same gun/),
  );
  const day = (await (await fetch(`${server.url}/api/day`)).json()) as DayAnswer;
  const [first, second] = day.oneMix[0]!.mixes.map(({ job }) => wings.find(({ id }) => id === job)!);
  await onPhone(`/job/${second!.id}/run`, (hands) => hands.sees(/Mix it with .+ wing, once for both/));
  // Mixed on the sheet of the first, it is done on both.
  await onPhone(`/job/${first!.id}/run`, async (hands) => {
    await hands.sees(/takes the same paint: mix \d+ ml for both/);
    await hands.press('[data-testid=mixed-for-both]');
    await hands.sees(/coat 1 of 2/);
  });
  await onPhone(`/job/${second!.id}/run`, (hands) => hands.sees(/coat 1 of 2/));
});
it('a job that has not been begun tells when it would be done', async () => {
  const file = JSON.parse(readFileSync(join(__dirname, '../examples/tansy.json'), 'utf8')) as JobFile;
  const { id } = await send<Job>('/jobs/import', {
    ...file,
    design: { ...file.design, title: 'Tail' },
    log: [],
    started: [],
  });
  await onPhone(`/job/${id}/time`, async (hands) => {
    await hands.sees(/When would it be done/);
    await hands.press('[data-testid=ask-when]');
    await hands.sees(/Done by .+\(estimate\)/);
    await hands.sees(/Wash/);
  });
});

it('six boards are pulled wet by one person, in turns, on Time and on the sheet', async () => {
  const file = JSON.parse(readFileSync(join(__dirname, '../examples/bramble.json'), 'utf8')) as JobFile;
  const design = file.design as Design;
  // Four bands across, each masked on both sides.
  const lines = Array.from({ length: 8 }, (_, index) => ({
    kind: 'straight' as const,
    id: `l${index}`,
    name: `Line ${index}`,
    runOn: true,
    datum: 'base',
    from: { along: 0, above: 100 + 100 * index },
    to: { along: 1500, above: 100 + 100 * index },
  }));
  const board = {
    id: 'board',
    name: 'Board',
    count: 6,
    substrate: 'steel' as const,
    present: { system: 'two-part' as const, colour: '#e8e4da', ageH: 9000 },
    surface: { kind: 'flat' as const, outline: { kind: 'rectangle' as const, width: 1500, height: 1000 } },
    datums: [{ id: 'base', name: 'Base', at: [0, 0] as const, angleDeg: 0 }],
    lines,
  };
  const many = {
    ...design,
    title: 'Six boards',
    parts: [board],
    scheme: {
      areas: [0, 1, 2, 3].map((band) => ({
        part: 'board',
        seed: [750, 150 + 200 * band] as const,
        finish: 'tomato-can',
      })),
    },
    choices: { ...design.choices, school: 'wet' as const },
  };
  const { id } = await send<Job>('/jobs/import', { ...file, design: many, log: [], started: [] });
  await onPhone(`/job/${id}/time`, async (hands) => {
    await hands.sees(/2 people pull together/);
    await hands.press(
      '[aria-label="Who pulls where one person has not the time for all of it: One person, in sections"]',
    );
    await hands.saved();
    await hands.sees(/0 min: .*coat 2 of 2, only Board 1.* of 6/);
    await hands.sees(/Pull the tape of Board .*6 of 6: wet/);
  });
  const { revision } = (await (await fetch(`${server.url}/api/jobs/${id}`)).json()) as Job;
  const { started } = await send<RunRecord>(`/jobs/${id}/start`, { revision, event: entry('start', null, 60) });
  const steps = (started!.plan.steps as Step[]).filter(({ attended }) => attended);
  const first = steps.findIndex(({ id: step }) => step.endsWith('coat:2.1'));
  await send(`/jobs/${id}/log`, { entries: steps.slice(0, first).map((step) => entry('done', step.id, 30)) });
  await onPhone(`/job/${id}/run`, async (hands) => {
    await hands.sees(/coat 2 of 2, only Board 1.* of 6/);
    await hands.press(DONE);
    await hands.sees(/Pull the tape of Board 1.* of 6: wet/);
    await hands.sees(/behind paper/);
  });
});

it('the run sheet is lit dark for the booth or light for the workshop, and stays as it was on this device; from far it is as well', async () => {
  const { id } = await tansy('Lit', { mixed: true, agoMin: 10 });
  await onPhone(`/job/${id}/run`, async (hands) => {
    const ground = () => hands.page.$eval('[data-testid=booth]', (sheet) => getComputedStyle(sheet).backgroundColor);
    const bright = (rgb: string) =>
      (rgb.match(/\d+/g) ?? []).slice(0, 3).reduce((sum, one) => sum + Number(one), 0) / 3;
    await hands.sees(/coat 1 of 2/);
    expect(bright(await ground())).toBeLessThan(60);
    await hands.press('[data-testid=shade]');
    expect(bright(await ground())).toBeGreaterThan(200);
    await hands.page.reload();
    await hands.sees(/Dark screen/);
    expect(bright(await ground())).toBeGreaterThan(200);
    await hands.press('[data-testid=far-view]');
    await hands.sees(/Tap to go back/);
    expect(
      bright(await hands.page.$eval('[data-testid=far]', (sheet) => getComputedStyle(sheet).backgroundColor)),
    ).toBeGreaterThan(200);
  });
});
