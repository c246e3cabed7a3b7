import type { JobSummary } from '@lintrel/core';
import { Hands, onPage } from './hands';
import { appUnderTest, PHONE } from './harness';

// What stops a person at the screen: refused forms, lost typing, jobs that cannot be put away, browsers that keep nothing.

const app = appUnderTest();
const onPhone = (path: string, work: (hands: Hands) => Promise<void>) => onPage(app, path, PHONE, work);
const jobs = async () => ((await (await fetch(`${app.server.url}/api/jobs`)).json()) as { jobs: JobSummary[] }).jobs;
const focused = (hands: Hands) =>
  hands.page.evaluate(() => [
    document.activeElement?.getAttribute('data-testid') ?? null,
    document.activeElement?.getAttribute('aria-invalid') ?? null,
  ]);

it('a refused form shows its first fault, in sight, with the hand on its field and the fault read with it', async () => {
  await onPhone('/shelf/tape/new', async (hands) => {
    await hands.fill('thicknessUm', 'thick');
    await hands.fill('cleanHours', 'many');
    await hands.press('[data-testid=submit]');
    await hands.page.waitForFunction(() => document.activeElement?.getAttribute('aria-invalid') === 'true');
    const [field] = await focused(hands);
    expect(field).toBe('code');
    const seen = await hands.page.evaluate(() => {
      const active = document.activeElement!;
      const { top, bottom } = active.getBoundingClientRect();
      const note = document.getElementById(active.getAttribute('aria-describedby') ?? '');
      return { inSight: top >= 0 && bottom <= window.innerHeight, note: note?.innerText ?? '' };
    });
    expect(seen.inSight).toBe(true);
    expect(seen.note.length).toBeGreaterThan(10);
  });
});

it('what is typed and not saved outlives leaving, going back and a reload, and can be started over', async () => {
  await onPhone('/shelf/tape/V6', async (hands) => {
    await hands.fill('name', 'Half typed');
    await hands.page.goto(`${app.server.url}/bench`);
    await hands.page.goBack();
    const name = () => hands.page.$eval('[data-testid=name]', (input) => (input as HTMLInputElement).value);
    // The browser may have kept the page as it was.
    await hands.page.waitForFunction(
      () => (document.querySelector('[data-testid=name]') as HTMLInputElement | null)?.value === 'Half typed',
    );
    await hands.page.reload();
    await hands.page.waitForSelector('[data-testid=kept-form]');
    expect(await name()).toBe('Half typed');
    await hands.press('[data-testid=start-over]');
    await hands.page.waitForSelector('[data-testid=kept-form]', { hidden: true });
    expect(await name()).not.toBe('Half typed');
    await hands.page.reload();
    await hands.page.waitForSelector('[data-testid=name]');
    expect(await name()).not.toBe('Half typed');
  });
});

it('a decimal comma is read, and what was understood stands beside the field; an unclear one is asked about', async () => {
  await onPhone('/shelf/tape/V6', async (hands) => {
    await hands.fill('widthMm', '6,5');
    await hands.sees(/Read as 6\.5 mm/);
    await hands.fill('widthMm', '1,500');
    await hands.press('[data-testid=submit]');
    await hands.sees(/is it 1\.500 or 1500\?/);
    await hands.fill('widthMm', '6,0');
    await hands.press('[data-testid=submit]');
    await hands.sees(/Figures that ship are typical/);
  });
});

it('a tape that was taken off the shelf is put back by Undo', async () => {
  await onPhone('/shelf/tape/W1', async (hands) => {
    await hands.press('[data-testid=delete]');
    await hands.sees(/was taken off the shelf/);
    await hands.page.waitForSelector('[data-testid="tape-W1"]', { hidden: true });
    await hands.press('[data-testid=undo-last]');
    await hands.page.waitForSelector('[data-testid="tape-W1"]');
  });
});

it('a job is duplicated, archived, deleted and brought back; one at work in the shop asks twice', async () => {
  await onPhone('/', async (hands) => {
    const more = async (title: string) => {
      await hands.pressNamed('button', `More for ${title}`);
      await hands.page.waitForSelector('[data-testid=delete-job]');
    };
    await more('Juniper');
    await hands.press('[data-testid=delete-job]');
    await hands.sees(/is at work in the shop/);
    await hands.press('[data-testid=confirm-away]');
    await hands.sees(/Juniper was deleted/);
    await hands.press('[data-testid=undo-last]');
    await hands.page.waitForSelector('::-p-aria([role="button"][name="More for Juniper"])');
    expect((await jobs()).map(({ title }) => title)).toContain('Juniper');
    await more('Tansy');
    await hands.press('[data-testid=archive]');
    await hands.sees(/Tansy was archived/);
    await hands.press('[data-testid=to-put-away]');
    await hands.sees(/Tansy/);
    await hands.press('[data-testid=bring-back]');
    await hands.sees(/No job is archived/);
    await hands.page.goto(app.server.url);
    await more('Tansy');
    await hands.press('[data-testid=duplicate]');
    await hands.sees(/Tansy copy/);
  });
});

it('the demo is cleared by Start my own shop, and the shelf stays', async () => {
  await onPhone('/', async (hands) => {
    await hands.press('[data-testid=own-shop]');
    await hands.press('[data-testid=clear-demo]');
    await hands.gone(/This is the demo/);
    expect((await jobs()).map(({ title }) => title)).toEqual(['Tansy copy']);
    await hands.goTo('Shelf');
    await hands.page.waitForSelector('[data-testid="tape-V6"]');
  });
});

it('an area leads to a new finish and back', async () => {
  const { id } = (await jobs())[0]!;
  await onPhone(`/job/${id}/areas`, async (hands) => {
    await hands.press('[data-testid=area]');
    await hands.press('[data-testid=add-finish]');
    await hands.sees(/New finish/);
    await hands.press('[data-testid=leave-entry]');
    await hands.sees(/Tap an area, then its finish/);
  });
});

it('pages have names, and an address that leads nowhere says so', async () => {
  await onPhone('/clock', async (hands) => {
    await hands.page.waitForFunction(() => /Clock · Lintrel/.test(document.title));
    await hands.page.goto(`${app.server.url}/shelf`);
    await hands.page.waitForFunction(() => document.title === 'Shelf · Lintrel');
    await hands.page.goto(`${app.server.url}/job/${(await jobs())[0]!.id}/areas`);
    await hands.page.waitForFunction(() => document.title === 'Tansy copy: Areas · Lintrel');
    await hands.page.goto(`${app.server.url}/nowhere/at/all`);
    await hands.sees(/There is no page at this address/);
    await hands.press('[data-testid=to-jobs]');
    await hands.sees(/What is on, and what to do next/);
  });
});

it('in Run, Done stands at the same place on every step, and all that is left is one tap away', async () => {
  const { id } = (await jobs())[0]!;
  await onPhone(`/job/${id}/run`, async (hands) => {
    await hands.press('[data-testid=start]:not([aria-disabled=true])');
    const places = new Set<number>();
    for (let step = 0; step < 6; step++) {
      await hands.sees(new RegExp(`^${step} of \\d+ done|\\n${step} of \\d+ done`));
      const done = await hands.page.waitForSelector('[data-testid=done]:not([aria-disabled=true])');
      places.add(Math.round((await done!.boundingBox())!.y));
      await done!.tap();
    }
    expect([...places]).toHaveLength(1);
    await hands.press('[data-testid=what-is-left]');
    await hands.page.waitForSelector('[data-testid=left]');
    const lines = await hands.page.$eval(
      '[data-testid=left]',
      (list) => (list as HTMLElement).innerText.split('\n').length,
    );
    expect(lines).toBeGreaterThan(5);
    await hands.sees(/Now: /);
  });
});

it('a browser that refuses its database and its storage shows no blank page, says that it keeps nothing, and works', async () => {
  const { id } = (await jobs())[0]!;
  const blank = await app.browser.open('about:blank', PHONE);
  const hands = new Hands(blank, true);
  await hands.page.evaluateOnNewDocument(() => {
    for (const name of ['indexedDB', 'localStorage', 'sessionStorage'])
      Object.defineProperty(window, name, {
        get: () => {
          throw new DOMException('refused', 'SecurityError');
        },
      });
  });
  await hands.page.goto(`${app.server.url}/`);
  await hands.sees(/Tansy copy/);
  await hands.sees(/lets Lintrel keep nothing/);
  await hands.page.goto(`${app.server.url}/job/${id}/run`);
  await hands.press('[data-testid=done]:not([aria-disabled=true])');
  await hands.sees(/7 of \d+ done/);
  expect(await hands.text()).not.toMatch(/kept here|kept on this device/);
  await hands.page.close();
});
