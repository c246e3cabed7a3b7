import { type Job, type JobSummary, QUESTIONS } from '@lintrel/core';
import { WAIT_MS } from '../scripts/test-limits.mjs';
import { type Hands, onPage } from './hands';
import { appUnderTest, PHONE } from './harness';

// The whole application in a language nobody speaks: each text that went through the words is accented, a third longer, and
// stands between brackets; a sentence that was put together before it could be looked up stands between ⟦ and ⟧. So a text nobody can
// translate shows, and so does one that longer words would cut.

const app = appUnderTest();
const get = async <T>(path: string) => (await (await fetch(`${app.server.url}/api${path}`)).json()) as T;

/** What a person typed or a shelf holds: it stands as it is in every language. */
const typed = (value: unknown): string[] =>
  typeof value === 'string'
    ? [value]
    : typeof value === 'object' && value !== null
      ? Object.values(value).flatMap(typed)
      : [];

/** Texts seen that hold an English word, and texts cut off at the side of what holds them. */
const look = (hands: Hands) =>
  hands.page.evaluate(() => {
    const plain: string[] = [];
    const clipped: string[] = [];
    const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walk.nextNode(); node; node = walk.nextNode()) {
      const text = (node.textContent ?? '').trim();
      const element = node.parentElement;
      if (text === '' || !element || ['SCRIPT', 'STYLE', 'NOSCRIPT'].includes(element.tagName)) continue;
      const box = element.getBoundingClientRect();
      if (box.width === 0 || box.height === 0 || getComputedStyle(element).visibility === 'hidden') continue;
      const inDrawing = element.closest('svg') !== null;
      if (/[A-Za-z]{3}/.test(text) && !/^\[.*\]$/s.test(text)) plain.push(text);
      const cut = element.scrollWidth > element.clientWidth + 1 && getComputedStyle(element).overflowX !== 'visible';
      const low = element.scrollHeight > element.clientHeight + 1 && getComputedStyle(element).overflowY !== 'visible';
      if (!inDrawing && element.clientWidth > 0 && (cut || low)) clipped.push(text);
    }
    return { plain, clipped, wide: document.documentElement.scrollWidth > window.innerWidth + 1 };
  });

const PAGES = [
  '/',
  '/clock',
  '/bench',
  ...QUESTIONS.map(({ name }) => `/bench/${name}`),
  '/shelf',
  '/shelf/finish/copper-two-part',
  '/shelf/tape/V6',
  '/job/new',
];
/** Sentences with a figure of their own, which no job changes. */
const WITH_FIGURES = [
  'Print at 100 %, not fitted to the page, and check the 100 mm bar before you cut.',
  'Such as #c7bfa6',
  'Such as #f5f3ea',
  'Such as 4:1:1',
  '18mm, 1.2 m, 3 1/2" also do',
  'Where 0, 0 of the part lies on the whole piece, so that level lines and lines that go on across a gap can be worked out',
  'The unrolled skin, seen from outside; it says which edges meet. Check the 100 mm bar before you cut.',
];
const STEPS = ['piece', 'lines', 'areas', 'coats', 'tape', 'time', 'run', 'look-back', 'print', 'part/new'];

/** Maximum time until labels have moved into place on a busy machine, ms. */
const AT_REST_MS = 20_000;

/** Waits until nothing is loading any more, and what is written has stayed the same for a while: one connection of a page stays open. */
const settled = (hands: Hands) =>
  hands.page.waitForFunction(
    () => {
      const page = window as unknown as { stayed?: { readonly text: string; readonly since: number } };
      const text = document.body.innerText;
      if (document.querySelector('[role=progressbar]') || page.stayed?.text !== text)
        page.stayed = { text, since: performance.now() };
      return performance.now() - page.stayed!.since > 600;
    },
    { polling: 100, timeout: WAIT_MS },
  );

/** Labels of fields move into place: what is cut off counts where it stays so. */
async function lookAtRest(hands: Hands): ReturnType<typeof look> {
  let seen = await look(hands);
  for (const since = Date.now(); seen.clipped.length > 0 && Date.now() - since < AT_REST_MS;) {
    await new Promise((again) => setTimeout(again, 200));
    seen = await look(hands);
  }
  return seen;
}

it('in a second language nothing is cut off, and nothing is left in English but what people typed', async () => {
  const { jobs } = await get<{ jobs: JobSummary[] }>('/jobs');
  const idOf = (title: string) => (jobs.find((job) => job.title === title) as JobSummary).id;
  const own = new Set<string>([...WITH_FIGURES, ...typed(await get('/shelf'))]);
  for (const { id } of jobs) for (const text of typed(await get<Job>(`/jobs/${id}`))) own.add(text);
  const paths = [
    ...PAGES,
    ...['Juniper', 'Ostrel'].flatMap((title) => STEPS.map((step) => `/job/${idOf(title)}/${step}`)),
  ];
  const found: Record<string, unknown> = {};
  await onPage(app, '/', PHONE, async (hands) => {
    await hands.page.evaluate(() =>
      localStorage.setItem('lintrel.person', JSON.stringify({ length: 'in', temperature: 'F', language: 'pseudo' })),
    );
    for (const path of paths) {
      await hands.page.goto(app.server.url + path);
      await hands.sees(/\[\S/);
      await settled(hands);
      const { plain, clipped, wide } = await lookAtRest(hands);
      const left = plain.filter((text) => !own.has(text.replace(/^⟦(.*)⟧$/s, '$1')));
      if (left.length > 0 || clipped.length > 0 || wide)
        found[path.replace(/\/job\/[^/]+/, '')] = { left: [...new Set(left)], clipped, wide };
    }
  });
  expect(found).toEqual({});
});

it('units belong to the device: everything is shown in inches and °F, and the job stays as it was', async () => {
  const { jobs } = await get<{ jobs: JobSummary[] }>('/jobs');
  const id = jobs.find(({ title }) => title === 'Saltwort')?.id ?? '';
  const before = await get<Job>(`/jobs/${id}`);
  await onPage(app, '/', PHONE, async (hands) => {
    await hands.page.evaluate(() => localStorage.removeItem('lintrel.person'));
    await hands.page.reload();
    await hands.pressNamed('radio', 'Lengths in: Inches');
    await hands.press('[aria-label="Temperatures in: °F"]');
    await hands.page.goto(`${app.server.url}/job/${id}/tape`);
    await hands.sees(/\d+\.\d ft in \d+ pieces/);
    await hands.page.goto(`${app.server.url}/job/${id}/time`);
    await hands.sees(/\d+(\.\d)? °F/);
    expect(await hands.text()).not.toMatch(/\d (°C|mm|m)\b/);
    await hands.page.goto(`${app.server.url}/job/${id}/piece`);
    await hands.sees(/\d ft²/);
    await hands.saved();
    // What is typed is read in the units that are shown.
    await hands.fill('airC', '68');
    await hands.pressNamed('button', 'Use this air');
    await hands.saved();
    await hands.page.evaluate(() => localStorage.removeItem('lintrel.person'));
  });
  const after = await get<Job>(`/jobs/${id}`);
  expect({ ...after.design, climate: before.design.climate }).toEqual(before.design);
  expect(after.design.climate.airC).toBe(20);
});
