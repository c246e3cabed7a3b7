import type { Job, JobSummary } from '@lintrel/core';
import { WAIT_MS } from '../scripts/test-limits.mjs';
import { type Hands, onPage } from './hands';
import { appUnderTest, PHONE, WIDE } from './harness';

const app = appUnderTest();
const get = async <T>(path: string) => (await (await fetch(`${app.server.url}/api${path}`)).json()) as T;
const idOf = async (title: string): Promise<string> =>
  (await get<{ jobs: JobSummary[] }>('/jobs')).jobs.find((job) => job.title === title)!.id;
const withJob = async (
  title: string,
  step: string,
  work: (hands: Hands, id: string) => Promise<void>,
  size: typeof PHONE | typeof WIDE = PHONE,
) => {
  const id = await idOf(title);
  await onPage(app, `/job/${id}/${step}`, size, (hands) => work(hands, id));
};
/** What a chosen piece of the lay list says. */
const list = (hands: Hands) =>
  hands.page.$$eval('[data-testid=run]', (rows) =>
    rows.map((row) => (row as HTMLElement).innerText.replace(/\s+/g, ' ')),
  );

it('what is beyond an edge is tapped on the drawing, said, and masked', () =>
  withJob('Marigold', 'part/bonnet', async (hands, id) => {
    await hands.page.waitForSelector('[data-testid=edge-2]', { timeout: WAIT_MS });
    // The transparent band along the edge is what a finger meets.
    const at = await hands.page.$eval('[data-testid=edge-2]', (edge) => {
      const path = edge as unknown as SVGPathElement;
      const place = path.getPointAtLength(path.getTotalLength() / 2);
      const { a, b, c, d, e, f } = path.getScreenCTM()!;
      return { x: a * place.x + c * place.y + e, y: b * place.x + d * place.y + f };
    });
    await hands.page.touchscreen.tap(at.x, at.y);
    await hands.page.waitForSelector('[data-testid=beyond-gap]');
    expect(await hands.page.$eval('[data-testid=rim-2]', (row) => row.getAttribute('aria-pressed'))).toBe('true');
    await hands.press('[data-testid=beyond-gap]');
    await hands.fill('gap-width', 'wide');
    await hands.press('[data-testid=submit]');
    await hands.sees(/"wide" is not a length/);
    await hands.fill('gap-width', '8');
    await hands.pressNamed('radio', 'How it is masked: Foam strip in it');
    await hands.fill('rim-name', 'rear edge');
    await hands.press('[data-testid=submit]');
    await hands.saved();
    const { design } = await get<Job>(`/jobs/${id}`);
    expect(design.parts[0]!.rims).toEqual([
      { beyond: 'gap', edge: 2, width: 8, depth: 25, by: 'foam', name: 'rear edge' },
    ]);
    await hands.goTo('Tape');
    // Along that edge it is the second colour that comes up to it.
    await hands.pressNamed('radio', 'Stage: 2 Marigold, can enamel');
    await hands.sees(/E1\s+Foam 10 mm\s+rear edge/);
    await hands.sees(/E1b\s+C36/);
    await hands.sees(/Foam strip 10 mm/);
  }));

it('an edge has several stretches, each with what is beyond it', () =>
  withJob('Marigold', 'part/bonnet', async (hands, id) => {
    await hands.press('[data-testid=rim-2]');
    await hands.press('[data-testid=beyond-gap]');
    await hands.fill('rim-to', '200');
    await hands.press('[data-testid=rim-more]');
    // What is added begins where the one before it ends.
    expect(await hands.page.$eval('[data-testid=rim-from]', (input) => (input as HTMLInputElement).value)).toBe('200');
    await hands.fill('rim-from', '150');
    await hands.press('[data-testid=submit]');
    await hands.sees(/lies over another stretch of this edge/);
    await hands.fill('rim-from', '200');
    await hands.press('[data-testid=stretch-0]');
    expect(await hands.page.$eval('[data-testid=rim-to]', (input) => (input as HTMLInputElement).value)).toBe('200');
    await hands.press('[data-testid=submit]');
    await hands.page.waitForFunction(() => location.pathname.endsWith('/piece'));
    await hands.saved();
    const { design } = await get<Job>(`/jobs/${id}`);
    expect(design.parts[0]!.rims).toEqual([
      { beyond: 'gap', edge: 2, to: 200, width: 5, depth: 25 },
      { beyond: 'body', edge: 2, from: 200 },
    ]);
  }));

it('another tape is taken for a line, and what is told of it changes', () =>
  withJob('Tansy', 'tape', async (hands, id) => {
    await hands.page.waitForSelector('[data-testid=run]', { timeout: WAIT_MS });
    const before = await list(hands);
    const place = before.findIndex((row) => row.startsWith('R1 F6'));
    expect(place).toBeGreaterThan(0);
    await hands.press('[data-testid=run]', place);
    await hands.sees(/A tape under light tension is straighter than a hand/);
    await hands.press('[data-testid=another-tape]');
    await hands.pressNamed('button', 'Tape: As the plan chooses');
    await hands.pressNamed('radio', 'C24 Refinish crepe, high tack 24 mm');
    await hands.sees(/R1\s+C24/);
    await hands.sees(/its edge is fair, not crisp/);
    await hands.saved();
    expect((await get<Job>(`/jobs/${id}`)).design.choices.tapes).toEqual([
      { part: 'left', line: 'waist', tape: 'C24' },
    ]);
    await hands.pressNamed('button', 'Undo: C24 for L1');
    await hands.sees(/R1\s+F6/);
    await hands.press('[data-testid=forbid-tape]');
    await hands.sees(/R1\s+F12/);
    await hands.press('[data-testid=allow-F6]');
    await hands.sees(/R1\s+F6/);
  }));

it('a tape that has run out is not planned with, and one that is short is told', async () => {
  await onPage(app, '/shelf/tape/F6', PHONE, async (hands) => {
    await hands.fill('stock-amount', '0');
    await hands.press('[data-testid=stock-counted]');
    await hands.sees(/Run out: no plan takes it/);
  });
  await withJob('Tansy', 'tape', async (hands) => {
    await hands.page.waitForSelector('[data-testid=run]', { timeout: WAIT_MS });
    const rows = await list(hands);
    expect(rows.some((row) => /^R1 /.test(row))).toBe(true);
    expect(rows.some((row) => row.includes('F6'))).toBe(false);
  });
  await onPage(app, '/shelf/tape/F6', PHONE, async (hands) => {
    await hands.fill('stock-amount', '2');
    await hands.press('[data-testid=stock-received]');
    await hands.sees(/Received\s*\+2/);
    // The note that it has run out goes when the shelf has come anew, and what is below it moves up.
    await hands.sees(/In stock, rolls\s*2/);
    await hands.press('[data-testid=stock-uncounted]');
    await hands.sees(/not counted/);
  });
});

it('an edge is masked one\u2019s own way, and given back to the plan', () =>
  withJob('Tansy', 'tape', async (hands) => {
    await hands.page.waitForSelector('[data-testid=run]', { timeout: WAIT_MS });
    const place = (await list(hands)).findIndex((row) => row.startsWith('R1 F6'));
    await hands.press('[data-testid=run]', place);
    await hands.press('[data-testid=own-way]');
    await hands.fill('own-way-how', 'two strips of paper');
    await hands.press('[data-testid=own-way-save]');
    await hands.sees(/As you do it here: two strips of paper/);
    await hands.saved();
    await hands.press('[data-testid=own-way-gone]');
    await hands.sees(/R1\s+F6/);
  }));

it('a line is pulled by a school of its own, as its tape is told to, and taken back', () =>
  withJob('Marigold', 'tape', async (hands, id) => {
    await hands.page.waitForSelector('[data-testid=run]', { timeout: WAIT_MS });
    await hands.press(
      '[data-testid=run]',
      (await list(hands)).findIndex((row) => row.startsWith('R2')),
    );
    await hands.press('[aria-label="When to pull L1, on both its sides: Wet"]');
    await hands.saved();
    await onPage(app, `/job/${id}/time`, PHONE, async (time) => {
      await time.sees(/Pull the tape of Bonnet L1: wet/);
      await time.sees(/Pull the rest of the tape: touch-dry/);
    });
    await hands.press('[aria-label="When to pull L1, on both its sides: with the rest"]');
    await hands.saved();
    await onPage(app, `/job/${id}/time`, PHONE, async (time) => {
      await time.sees(/Stage 1: pull after Tomato/);
      expect(await time.page.evaluate(() => document.body.innerText)).not.toMatch(/Pull the rest/);
    });
  }));

it('a piece of one\u2019s own is drawn where it goes, typed to the millimetre, and left out again', () =>
  withJob('Tansy', 'tape', async (hands, id) => {
    await hands.page.waitForSelector('[data-testid=own-add]', { timeout: WAIT_MS });
    await hands.press('[data-testid=own-add]');
    await hands.sees(/H1\s+P18/);
    const place = (await list(hands)).findIndex((row) => row.startsWith('H1'));
    await hands.press('[data-testid=run]', place);
    await hands.fill('own.0.along', '150');
    await hands.fill('own.note', 'over the handle');
    await hands.page.keyboard.press('Tab');
    await hands.sees(/over the handle/);
    await hands.saved();
    const { design } = await get<Job>(`/jobs/${id}`);
    expect(design.choices.ownPieces).toMatchObject([{ tape: 'P18', note: 'over the handle' }]);
    expect(design.choices.ownPieces![0]!.from[0]).toBe(150);
    await hands.press('[data-testid=own-corner]');
    await hands.fill('own.1.up', '320');
    await hands.page.keyboard.press('Tab');
    await hands.saved();
    expect((await get<Job>(`/jobs/${id}`)).design.choices.ownPieces![0]!.by![0]![1]).toBe(320);
    await hands.press('[data-testid=own-gone]');
    await hands.saved();
    expect((await get<Job>(`/jobs/${id}`)).design.choices.ownPieces).toBeUndefined();
  }));

it('paper, film and foam are on the shelf with pack, price and stock', () =>
  onPage(app, '/shelf', PHONE, async (hands) => {
    await hands.pressNamed('radio', 'Show: Paper, film, foam');
    await hands.press('[data-testid=supply]', 5);
    await hands.sees(/Foam strip 6 mm/);
    await hands.fill('packPrice', '18.5');
    await hands.fill('stock-amount', '3');
    await hands.press('[data-testid=stock-counted]');
    await hands.sees(/= 3/);
    await hands.press('[data-testid=submit]');
    await hands.sees(/3 in stock/);
    const { supplies } = await get<{ supplies: { code: string; packs?: number; packPrice?: number }[] }>('/shelf');
    expect(supplies.find(({ code }) => code === 'foam-6')).toMatchObject({ packs: 3, packPrice: 18.5 });
  }));

it('a bend test and a stick test change the figures of a tape in this shop', () =>
  onPage(app, '/shelf/tape/V9', PHONE, async (hands) => {
    await hands.fill('bend-clean', '60');
    await hands.fill('bend-failed', '100');
    await hands.sees(/change them over/);
    await hands.fill('bend-failed', '');
    await hands.press('[data-testid=take-stretch]');
    await hands.pressNamed('radio', 'What came of it: lifted paint');
    await hands.press('[data-testid=take-grip]');
    await hands.press('[data-testid=submit]');
    await hands.sees(/Fine line, stiff film/);
    const { tapes } = await get<{ tapes: { code: string; stretch: number; adhesionN25: number; basis: string }[] }>(
      '/shelf',
    );
    const tape = tapes.find(({ code }) => code === 'V9')!;
    // Round 60 mm a tape of 9 mm needs 0.995·39/30 − 1.
    expect(tape.stretch).toBeCloseTo(0.294, 3);
    expect(tape.adhesionN25).toBeGreaterThan(6);
    expect(tape.basis).toBe('Tested here');
  }));

it('the lay list is walked through piece by piece, and what is down stays marked', () =>
  withJob('Bramble', 'tape', async (hands) => {
    await hands.sees(/Lay in this order: 1 of \d+/);
    await hands.sees(/Base tape 1\.5 mm inside/);
    await hands.press('[data-testid=is-down]');
    await hands.sees(/Lay in this order: 2 of \d+/);
    await hands.press('[data-testid=walk-next]');
    await hands.sees(/Lay in this order: 3 of \d+/);
    await hands.press('[data-testid=walk-back]');
    await hands.sees(/Lay in this order: 2 of \d+/);
    await hands.page.reload();
    await hands.sees(/✓ down/);
    expect((await list(hands)).filter((row) => row.includes('✓ down'))).toHaveLength(1);
  }));

it('letters are given their finish as one', () =>
  withJob('Ostrel', 'areas', async (hands, id) => {
    await hands.pressNamed('radio', 'Part: Fin, right side');
    await hands.press('[data-testid=letters]');
    await hands.press('[data-testid=finish-blaze-two-part]');
    await hands.saved();
    const { scheme } = (await get<Job>(`/jobs/${id}`)).design;
    expect(scheme.areas.filter(({ part, finish }) => part === 'fin' && finish === 'blaze-two-part').length).toBe(5);
  }));

it('masks are sent to the cutter, stopped, and sent again to the end', () =>
  withJob(
    'Ostrel',
    'print',
    async (hands) => {
      await hands.fill('film', '600');
      await hands.press('[data-testid=send-cutter]');
      await hands.sees(/Cutting: [1-9]\d* of \d+/);
      await hands.press('[data-testid=stop-cutter]');
      await hands.sees(/Stopped after \d+ of \d+/);
      await hands.press('[data-testid=send-cutter]');
      await hands.sees(/Done: all \d+ are cut/);
      await hands.page.waitForSelector('[data-testid=cut-picture]');
      // A film wider than the sheet that is in it.
      await hands.fill('film', '900');
      await hands.press('[data-testid=send-cutter]');
      await hands.sees(/Out of sheet after 0 of \d+/);
    },
    WIDE,
  ));

it('an opening is closed in another way, which the list and the sheet follow, and taken back', () =>
  withJob('Juniper', 'tape', async (hands, id) => {
    await hands.sees(/Openings/);
    await hands.pressNamed('button', 'Roof vent: Roof skin: As usual: Film on edge tape, 7 min');
    await hands.pressNamed('radio', 'Left open, 0 min');
    await hands.saved();
    expect((await get<Job>(`/jobs/${id}`)).design.choices.closings).toEqual([
      { part: 'roof', opening: 'vent', by: 'nothing' },
    ]);
    await hands.pressNamed('button', 'Roof vent: Roof skin: Left open, 0 min');
    await hands.pressNamed('radio', 'As usual: Film on edge tape, 7 min');
    await hands.saved();
    expect((await get<Job>(`/jobs/${id}`)).design.choices.closings).toBeUndefined();
  }));
