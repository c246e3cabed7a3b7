import { mkdtemp, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Job, Plan } from '@lintrel/core';
import { straight } from '../core/src/testing/samples';
import { WAIT_MS } from '../scripts/test-limits.mjs';
import { type Hands, onPage } from './hands';
import { appUnderTest, PHONE, WIDE } from './harness';

// Colours and the order of coats: a choice pinned and its price, two schemes side by side, the rehearsal, the edge cut open, cards.

const app = appUnderTest();
const api = async <T>(path: string): Promise<T> => (await (await fetch(`${app.server.url}/api${path}`)).json()) as T;
const jobId = async (title: string): Promise<string> =>
  (
    (await api<{ jobs: readonly { id: string; title: string }[] }>('/jobs')).jobs.find(
      (job) => job.title === title,
    ) as { id: string }
  ).id;
const designOf = async (id: string) => (await api<Job>(`/jobs/${id}`)).design;
const planOf = (id: string) => api<Plan>(`/jobs/${id}/plan`);
const withPage = (path: string, size: typeof PHONE | typeof WIDE, work: (hands: Hands) => Promise<void>) =>
  onPage(app, path, size, work);

/** A model side in eight colours, five bands across in three rows: more than can be proven in the time of a plan. */
async function manyColours(): Promise<string> {
  const post = async (path: string, method: string, body: object) =>
    (
      await fetch(`${app.server.url}/api${path}`, {
        method,
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      })
    ).json() as Promise<Job>;
  const job = await post('/jobs', 'POST', { title: 'Many colours', kind: 'model' });
  const across = [60, 120, 180, 240].map((x, index) => straight(`v${index}`, [x, 0], [x, 90]));
  const along = [30, 60].map((y, index) => straight(`h${index}`, [0, y], [300, y]));
  const paints = [
    'pale-blue-air',
    'deep-blue-air',
    'haze-grey-air',
    'soot-air',
    'bone-air-lacquer',
    'pale-blue-air',
    'soot-air',
  ];
  const cells = Array.from(
    { length: 15 },
    (_, index) => [30 + 60 * (index % 5), 15 + 30 * Math.floor(index / 5)] as [number, number],
  );
  const design = {
    ...job.design,
    scale: 96,
    parts: [
      {
        id: 'side',
        name: 'Side',
        count: 1,
        substrate: 'styrene',
        present: { system: 'bare', colour: '#c7bfa6', ageH: 0 },
        surface: { kind: 'flat', outline: { kind: 'rectangle', width: 300, height: 90 } },
        datums: [{ id: 'base', name: 'Keel', at: [0, 0], angleDeg: 0 }],
        lines: [...across, ...along],
      },
    ],
    scheme: {
      areas: cells.map((seed, index) => ({ part: 'side', seed, finish: paints[(index * 3) % paints.length] })),
    },
  };
  await post(`/jobs/${job.id}`, 'PUT', { revision: job.revision, design });
  return job.id;
}

/** Slides with the arrow keys, as one does without a mouse. */
async function slide(hands: Hands, slider: string, steps: number): Promise<void> {
  await hands.page.waitForSelector(slider, { timeout: WAIT_MS });
  await hands.page.focus(slider);
  for (let step = 0; step < steps; step++) await hands.page.keyboard.press('ArrowRight');
}
const colourOf = (hands: Hands, area: string) =>
  hands.page.$eval(`[data-testid=area-${area}]`, (shape) => shape.getAttribute('fill'));

describe('on the phone', () => {
  it('pins an area, sees the price at once, and takes it back', async () => {
    const id = await jobId('Brindle');
    const plan = await planOf(id);
    await withPage(`/job/${id}/coats`, PHONE, async (hands) => {
      await hands.sees(/Orders of coats/);
      expect(await hands.text()).not.toMatch(/Your choices:/);
      // The first area that may be either, the other way round than what was found best.
      const now = (await hands.page.$eval('[data-testid=pin]', (pin) => (pin as HTMLElement).innerText)).match(
        /now (open|covered)/,
      )?.[1];
      const wanted = now === 'open' ? 'Covered' : 'Open';
      await hands.press(`[data-testid=pin] [role=radio][aria-label$=": ${wanted}"]`);
      await hands.sees(/Your choices: (?!they cost nothing)/);
      await hands.saved();
      const pinned = await planOf(id);
      expect((await designOf(id)).choices.pins).toHaveLength(1);
      expect(pinned.choicePrice).not.toBeNull();
      expect(pinned.stages[0]!.pictures).not.toEqual(plan.stages[0]!.pictures);
      await hands.pressNamed('button', 'Let Lintrel choose again');
      await hands.gone(/Your choices:/);
      await hands.saved();
    });
    expect((await planOf(id)).stages).toEqual(plan.stages);
  });

  it('wants something else most, and gets the order for it with its reason', async () => {
    const id = await jobId('Juniper');
    await withPage(`/job/${id}/coats`, PHONE, async (hands) => {
      await hands.sees(/It is proven: no order is better|none can be more than 1 % better/);
      await hands.press('[data-testid=wishes]');
      await hands.page.waitForSelector('[data-testid=by-wish]', { timeout: WAIT_MS });
      await hands.pressNamed('button', 'Least material, take it');
      await hands.page.waitForSelector('[role=radio][aria-checked=true][aria-label="Wanted most: Least material"]', {
        timeout: WAIT_MS,
      });
      await hands.saved();
      expect((await designOf(id)).choices.wish).toBe('material');
      await hands.pressNamed('radio', 'Wanted most: Least work');
      await hands.page.waitForSelector('[role=radio][aria-checked=true][aria-label="Wanted most: Least work"]', {
        timeout: WAIT_MS,
      });
      await hands.saved();
      expect(await hands.count('[data-testid=order]')).toBeGreaterThan(1);
    });
    expect((await designOf(id)).choices.wish).toBe('work');
  });

  it('takes the order that sprays wider, and gives it back; sets how near equals are', async () => {
    const id = await jobId('Brindle');
    const planned = (await planOf(id)).orders.find(({ chosen }) => chosen)?.lostM2 ?? 0;
    expect((await planOf(id)).orders.some(({ lostM2 }) => lostM2 > planned)).toBe(true);
    await withPage(`/job/${id}/coats`, PHONE, async (hands) => {
      await hands.sees(/the same within 10 % the calmest is planned/);
      await hands.press('[data-testid=order] [role=button]');
      await hands.sees(/Let Lintrel choose again/);
      await hands.saved();
      expect((await designOf(id)).choices.spread).toBe('wide');
      await hands.pressNamed('button', 'Let Lintrel choose again');
      await hands.gone(/Let Lintrel choose again/);
      await hands.saved();
      await hands.press('[data-testid=rules]');
      await hands.fill('equal-percent', '80');
      await hands.sees(/needs a number from 0 to 50/);
      await hands.fill('equal-percent', '0');
      await hands.press('[data-testid=set-equal-percent]');
      await hands.sees(/no order is better by more than 0 %|can be more than \d+ % better/);
      await hands.saved();
    });
    const { choices } = await designOf(id);
    expect(choices).toMatchObject({ order: null, equalPercent: 0 });
    expect(choices.spread).toBeUndefined();
    // Nothing is given for calm any more: the cheapest is planned.
    const after = await planOf(id);
    expect(after.orders.find(({ chosen }) => chosen)?.workMin).toBeCloseTo(
      Math.min(...after.orders.map(({ workMin }) => workMin)),
      6,
    );
  });

  it('says what stays on a part while it is painted: it is covered, and the relation holds both ways', async () => {
    const id = await jobId('Brindle');
    await withPage(`/job/${id}/part/house`, PHONE, async (hands) => {
      await hands.press('[data-testid=attached-funnel]');
      await hands.pressNamed('button', 'Keep these');
      await hands.sees(/Air today/);
      await hands.saved();
    });
    const attached = async () =>
      (await designOf(id)).parts.filter(
        (part) => part.attached?.includes('funnel') || (part.id === 'funnel' && part.attached?.length),
      );
    expect((await attached()).map((part) => part.id)).toEqual(['house']);
    const covered = (await planOf(id)).stages.filter(({ coveredParts }) => coveredParts.length > 0);
    expect(covered.length).toBeGreaterThan(0);
    await withPage(`/job/${id}/part/funnel`, PHONE, async (hands) => {
      await hands.page.waitForSelector('[aria-label="Attached to Deckhouse: yes"]', { timeout: WAIT_MS });
      await hands.press('[data-testid=attached-house]');
      await hands.pressNamed('button', 'Keep these');
      await hands.sees(/Air today/);
      await hands.saved();
    });
    expect(await attached()).toEqual([]);
    expect((await planOf(id)).stages.every(({ coveredParts }) => coveredParts.length === 0)).toBe(true);
  });

  it('says what is on one area now, refuses what cannot be, and takes it back', async () => {
    const id = await jobId('Brindle');
    const before = await planOf(id);
    await withPage(`/job/${id}/areas`, PHONE, async (hands) => {
      await hands.press('[data-testid=area]');
      await hands.press('[data-testid=present-here]');
      await hands.fill('present-age', 'old');
      await hands.sees(/needs hours from 0 to 1 000 000/);
      await hands.fill('present-age', '5');
      await hands.fill('present-colour', '#2f6f62');
      await hands.press('[data-testid=keep-present]');
      await hands.sees(/On it now: [^,]+, 5 h old/);
      await hands.saved();
      const [told] = (await designOf(id)).presentAt ?? [];
      expect(told).toMatchObject({ colour: '#2f6f62', ageH: 5 });
      await hands.pressNamed('button', 'As the rest of the part');
      await hands.sees(/as the rest of the part/);
      await hands.saved();
    });
    expect((await designOf(id)).presentAt).toEqual([]);
    expect((await planOf(id)).stages).toEqual(before.stages);
  });

  it('scrubs the rehearsal: bare, coat by coat, to the end, the clock running', async () => {
    const id = await jobId('Brindle');
    const plan = await planOf(id);
    await withPage(`/job/${id}/coats`, PHONE, async (hands) => {
      await slide(hands, '[data-testid=rehearse]', 1);
      await hands.sees(/coat 1 of/);
      const early = await hands.page.$eval('[data-testid=moment]', (moment) => (moment as HTMLElement).innerText);
      await slide(hands, '[data-testid=rehearse]', 60);
      await hands.sees(/The tape is off/);
      const late = await hands.page.$eval('[data-testid=moment]', (moment) => (moment as HTMLElement).innerText);
      expect(late).not.toBe(early);
      for (const { code, colour } of plan.parts[0]!.areas) expect(await colourOf(hands, code)).toBe(colour);
      await hands.pressNamed('button', 'Back to the stages');
      await hands.sees(/Slide through every coat/);
    });
  });

  it('cuts the edge open, with the tape on and off', async () => {
    await withPage(`/job/${await jobId('Juniper')}/coats`, PHONE, async (hands) => {
      await hands.press('[data-testid=stage]', 1);
      await hands.page.waitForSelector('[data-testid=edge-cut]', { timeout: WAIT_MS });
      const cut = () =>
        hands.page.$eval('[data-testid=edge-cut]', (drawing) => drawing.getAttribute('aria-label') ?? '');
      expect(await cut()).toMatch(/tape [A-Z]\d+ \d+ µm, Sea green \d+ µm/);
      await hands.pressNamed('radio', 'After the coats of stage 2: Tape off');
      await hands.page.waitForFunction(
        () => !/tape/.test(document.querySelector('[data-testid=edge-cut]')?.getAttribute('aria-label') ?? 'tape'),
        {
          timeout: WAIT_MS,
        },
      );
      expect(await cut()).toMatch(/Cut through the edge between A\d and A\d/);
      expect(await hands.text()).toMatch(/Stage \d leaves a ridge of about \d+ µm/);
    });
  });
});

describe('on the wide screen', () => {
  it('keeps a copy of the scheme, changes one, compares both, and takes the other', async () => {
    const id = await jobId('Ostrel');
    const before = (await designOf(id)).scheme.areas;
    await withPage(`/job/${id}/areas`, WIDE, async (hands) => {
      await hands.press('[data-testid=copy-scheme]');
      await hands.sees(/Compare with/);
      await hands.press('[data-testid=area]');
      await hands.press('[data-testid=finish-signal-base]');
      await hands.saved();
      await hands.pressNamed('radio', 'Compare with: Scheme 2');
      await hands.page.waitForSelector('[data-testid=compared]', { timeout: WAIT_MS });
      const told = () => hands.page.$eval('[data-testid=compared]', (sheet) => (sheet as HTMLElement).innerText);
      expect(await told()).toMatch(/Signal red, solvent basecoat or /);
      expect(await told()).toMatch(/Work \(estimate\)/);
      await hands.pressNamed('button', 'Plan Scheme 2 instead');
      await hands.sees(/Planned: Scheme 2/);
      await hands.saved();
      expect((await designOf(id)).scheme.areas).toEqual(before);
      await hands.pressNamed('radio', 'Compare with: Scheme 1');
      await hands.pressNamed('button', 'Remove Scheme 1');
      await hands.gone(/Compare with/);
      await hands.saved();
      expect((await designOf(id)).others).toEqual([]);
    });
  });

  it('tries widths on bands: the drawing follows, nothing is kept until it is said', async () => {
    const id = await jobId('Brindle');
    const { parts } = await designOf(id);
    const part = parts.find(({ lines }) => lines.some(({ kind }) => kind === 'bands')) as (typeof parts)[number];
    await withPage(`/job/${id}/areas`, WIDE, async (hands) => {
      if (part.id !== parts[0]!.id) await hands.pressNamed('radio', `Part: ${part.name}`);
      await hands.press('[data-testid=try-widths]');
      const shapes = () =>
        hands.page.$$eval('[data-testid^=area-]', (all) => all.map((shape) => shape.getAttribute('d')).join());
      const was = await shapes();
      await slide(hands, '[data-testid=width]', 8);
      await hands.page.waitForFunction(
        (old) =>
          [...document.querySelectorAll('[data-testid^=area-]')].map((shape) => shape.getAttribute('d')).join() !== old,
        { timeout: WAIT_MS },
        was,
      );
      expect((await designOf(id)).parts).toEqual(parts);
      await hands.pressNamed('button', 'Put them back');
      await hands.page.waitForFunction(
        (old) =>
          [...document.querySelectorAll('[data-testid^=area-]')].map((shape) => shape.getAttribute('d')).join() === old,
        { timeout: WAIT_MS },
        was,
      );
    });
  });

  it('searches under a rule of one before another, and says when rules cannot hold together', async () => {
    const id = await jobId('Juniper');
    await withPage(`/job/${id}/coats`, WIDE, async (hands) => {
      await hands.sees(/Orders of coats/);
      const add = async (first: string, then: string) => {
        await hands.press('[role=button][aria-label^="First"]');
        await hands.pressNamed('radio', first);
        await hands.press('[role=button][aria-label^="then"]');
        await hands.pressNamed('radio', then);
        await hands.pressNamed('button', 'Add this rule');
        await hands.saved();
      };
      await hands.press('[data-testid=rules]');
      await add('Copper, two-part', 'Cream, two-part');
      await hands.sees(/Your choices:/);
      const { stages } = await planOf(id);
      const place = (finish: string) => stages.findIndex((stage) => stage.finish === finish);
      expect(place('copper-two-part')).toBeLessThan(place('cream-two-part'));
      await add('Cream, two-part', 'Copper, two-part');
      await hands.sees(/cannot hold together with the other wishes/);
      await hands.pressNamed('button', 'Let Lintrel choose again');
      await hands.gone(/Your choices:/);
      await hands.saved();
      expect((await planOf(id)).choicePrice).toBeNull();
    });
  });

  it('searches longer where the best is not proven: progress, a stop, and the best so far', async () => {
    const id = await manyColours();
    await withPage(`/job/${id}/coats`, WIDE, async (hands) => {
      await hands.sees(/none can be more than \d+ % better/);
      await hands.press('[data-testid=search-longer]');
      // Stopped before it has found anything it leaves all as it was.
      await hands.sees(/Searching: [1-9]\d* %\. None can be more than \d+ % better than the best so far/);
      await hands.pressNamed('button', 'Stop, keep the best so far');
      await hands.sees(
        /Stopped at the best so far; none can be more than \d+ % better|The order planned is as good|Take the better order/,
      );
      // Planning went on meanwhile: the page still answers.
      await hands.press('[data-testid=stage]', 1);
      await hands.sees(/Stage 2:/);
    });
  });

  it('keeps a card on a finish: steps typed and picked from a photo, and its colour from a measured Lab', async () => {
    const photo = join(await mkdtemp(join(tmpdir(), 'lintrel-card-')), 'card.png');
    await withPage('/shelf/finish/copper-two-part', WIDE, async (hands) => {
      await hands.pressNamed('button', 'From a measured L a b');
      await hands.fill('lab-l', '50');
      await hands.fill('lab-a', '0');
      await hands.fill('lab-b', '0');
      await hands.press('[data-testid=take-lab]');
      await hands.press('[data-testid=add-card]');
      await hands.fill('card-name', 'Over white, low pressure');
      await hands.press('[data-testid=add-step]');
      await hands.fill('card-coats-1', '3');
      // A picture of one colour, as a phone would take of an evenly sprayed step.
      const picture = await hands.page.evaluate(() => {
        const board = document.createElement('canvas');
        [board.width, board.height] = [60, 40];
        const paint = board.getContext('2d') as CanvasRenderingContext2D;
        paint.fillStyle = '#8a1020';
        paint.fillRect(0, 0, 60, 40);
        return board.toDataURL('image/png').split(',')[1]!;
      });
      await writeFile(photo, Buffer.from(picture, 'base64'));
      const input = await hands.page.waitForSelector('[data-testid=card-photo]');
      await (input as unknown as { uploadFile: (path: string) => Promise<void> }).uploadFile(photo);
      await hands.page.waitForFunction(
        () => getComputedStyle(document.querySelector('[data-testid=card-canvas]') as Element).display !== 'none',
        {
          timeout: WAIT_MS,
        },
      );
      await hands.press('[data-testid=card-canvas]');
      await hands.page.waitForFunction(
        () => (document.querySelector('[data-testid=card-colour-1]') as HTMLInputElement).value === '#8a1020',
        {
          timeout: WAIT_MS,
        },
      );
      await hands.press('[data-testid=keep-card]');
      await hands.sees(/Over white, low pressure: hides it/);
      await hands.sees(/Hides here with [\d.]+ times the film of its sheet/);
      await hands.pressNamed('button', 'Keep these figures');
      await hands.sees(/Copper, two-part/);
    });
    const { finishes } = await api<{ finishes: { id: string; colour: string; cards?: { steps: unknown }[] }[] }>(
      '/shelf',
    );
    const copper = finishes.find(({ id }) => id === 'copper-two-part');
    expect(copper?.colour).toBe('#777777');
    expect(copper?.cards?.[0]?.steps).toEqual([
      { coats: 1, colour: '#888888' },
      { coats: 3, colour: '#8a1020' },
    ]);
  });
});
