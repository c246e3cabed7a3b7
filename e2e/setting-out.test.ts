import { mkdtemp, readdir, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Design, Job, Plan } from '@lintrel/core';
import { firstItem } from '@lintrel/core';
import { straight, sweep } from '../core/src/testing/samples';
import { WAIT_MS } from '../scripts/test-limits.mjs';
import { type Hands, onPage } from './hands';
import { appUnderTest, PHONE, WIDE } from './harness';

// Setting a part out: every kind of line by typing, one by dragging, undo, the second side, drawings in and out.

const app = appUnderTest();
const api = async <T>(path: string, method = 'GET', body?: object): Promise<T> =>
  (await (
    await fetch(`${app.server.url}/api${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      body: body && JSON.stringify(body),
    })
  ).json()) as T;

const present = { system: 'filler-primer', colour: '#c7bfa6', ageH: 48 } as const;
const DATUMS: Design['parts'][number]['datums'] = [
  { id: 'base', name: 'Lower edge', at: [0, 0], angleDeg: 0 },
  { id: 'centre', name: 'Centre line', at: [0, 250], angleDeg: 0 },
];
const part = (id: string, name: string, surface: Design['parts'][number]['surface']): Design['parts'][number] => ({
  id,
  name,
  count: 1,
  substrate: 'steel',
  present,
  surface,
  datums: DATUMS,
  lines: [],
});

/** A job with a board and a tube, ready to be set out; the lines are on the board. */
async function bench(title: string, lines: Design['parts'][number]['lines'] = []): Promise<string> {
  const job = await api<Job>('/jobs', 'POST', { title, kind: 'other' });
  const board = {
    ...part('board', 'Board', { kind: 'flat', outline: { kind: 'rectangle', width: 1000, height: 500 } }),
    lines,
  };
  const tube = {
    ...part('tube', 'Tube', { kind: 'tube', diameter: 120, length: 400 }),
    pose: { at: [1010, 60, 250] as [number, number, number], yawDeg: 0, pitchDeg: 0, rollDeg: 0 },
  };
  await api(`/jobs/${job.id}`, 'PUT', { revision: job.revision, design: { ...job.design, parts: [board, tube] } });
  return job.id;
}
const designOf = async (id: string) => (await api<Job>(`/jobs/${id}`)).design;
const linesOf = async (id: string, name: string) =>
  (await designOf(id)).parts.find((other) => other.name === name)?.lines ?? [];
const planOf = (id: string) => api<Plan>(`/jobs/${id}/plan`);

const withPage = (path: string, size: typeof PHONE | typeof WIDE, work: (hands: Hands) => Promise<void>) =>
  onPage(app, path, size, work);

/** Opens a list on the page and takes one of it. */
async function pick(hands: Hands, label: string, option: string): Promise<void> {
  await hands.press(`[role=button][aria-label^="${label}"]`);
  await hands.pressNamed('radio', option);
}

interface Typed {
  readonly kind: string;
  readonly part?: string;
  readonly points?: readonly (readonly [string, string])[];
  readonly values?: Readonly<Record<string, string>>;
  readonly choices?: readonly string[];
  readonly picks?: readonly (readonly [string, string])[];
}

const KINDS: readonly Typed[] = [
  {
    kind: 'Straight',
    points: [
      ['0', '60'],
      ['1000', '3 1/2"'],
    ],
  },
  {
    kind: 'Sweep',
    points: [
      ['0', '150'],
      ['400', '200'],
    ],
    values: { startDeg: '0' },
  },
  {
    kind: 'Arc',
    points: [
      ['0', '300'],
      ['50 cm', '360'],
      ['1000', '300'],
    ],
  },
  { kind: 'Arc by radius', points: [['100', '400']], values: { headingDeg: '0', radius: '500', turnDeg: '20' } },
  { kind: 'Rectangle', points: [['850', '420']], values: { width: '60', height: '40', corner: '10' } },
  { kind: 'Circle, ellipse', points: [['850', '420']], values: { width: '60' } },
  {
    kind: 'Parallel',
    values: { distance: '12' },
    picks: [['Follows', 'The edge 1 (bottom) of the part']],
    choices: ['On its: upper or left side'],
  },
  {
    kind: 'Bands',
    points: [['0', '0']],
    values: { headingDeg: '0', count: '2', width: '20', gap: '15', margin: '600' },
  },
  {
    kind: 'Mirror',
    picks: [
      ['About', 'Centre line'],
      ['Mirrors', 'Straight'],
    ],
  },
  {
    kind: 'Rounded corner',
    picks: [
      ['One line', 'Straight'],
      ['Other line', 'Post'],
    ],
    values: { radius: '25' },
    choices: ['Of it stays: its start', 'Of the other stays: its end'],
  },
  { kind: 'Rays', points: [['500', '0']], values: { count: '3', firstDeg: '60', stepDeg: '30', length: '50' } },
  {
    kind: 'Wave, scallop',
    points: [
      ['0', '470'],
      ['1000', '470'],
    ],
    values: { pitch: '125', height: '20' },
    choices: ['Shape: Scallop'],
  },
  { kind: 'Letters', points: [['120', '230']], values: { text: 'ab 7', height: '60', stroke: '10' } },
  {
    kind: 'Plane cut',
    points: [
      ['0', '110'],
      ['1000', '120'],
    ],
    choices: ['Straight as seen from: the side', 'On: both sides'],
  },
  { kind: 'Ring', part: 'tube', values: { at: '120' } },
  { kind: 'Continuation', part: 'tube', picks: [['Goes on from', 'Board: Arc']], choices: ['So that it looks: level'] },
];

async function typeLine(hands: Hands, id: string, typed: Typed): Promise<void> {
  await hands.page.goto(`${app.server.url}/job/${id}/line/${typed.part ?? 'board'}/new`);
  await pick(hands, 'Kind of line', typed.kind);
  await hands.fill('name', typed.kind);
  for (const [index, [along, above]] of (typed.points ?? []).entries()) {
    await hands.fill(`points.${index}.along`, along);
    await hands.fill(`points.${index}.above`, above);
  }
  for (const [key, text] of Object.entries(typed.values ?? {})) await hands.fill(key, text);
  for (const [label, option] of typed.picks ?? []) await pick(hands, label, option);
  for (const choice of typed.choices ?? []) await hands.pressNamed('radio', choice);
  await hands.press('[data-testid=submit]');
  await hands.sees(new RegExp(`L\\d+\\s+${typed.kind.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}`));
  await hands.saved();
}

it('every kind of line is set out by typing, on a phone', async () => {
  const id = await bench('Typed');
  await withPage(`/job/${id}/lines`, PHONE, async (hands) => {
    // A post for the corner to be rounded with.
    await typeLine(hands, id, {
      kind: 'Straight',
      points: [
        ['700', '0'],
        ['700', '500'],
      ],
    });
    await hands.press('[data-testid=line]');
    await hands.pressNamed('button', 'Change the measurements');
    await hands.fill('name', 'Post');
    await hands.press('[data-testid=submit]');
    await hands.sees(/L1\s+Post/);
    for (const typed of KINDS) await typeLine(hands, id, typed);
  });
  const plan = await planOf(id);
  const faults = plan.parts.flatMap(({ lines }) =>
    lines.flatMap(({ code, name, fault }) => (fault ? [`${code} ${name} ${fault}`] : [])),
  );
  expect(faults).toEqual([]);
  const board = await linesOf(id, 'Board');
  expect(board.find(({ name }) => name === 'Straight')).toMatchObject({
    to: { along: 1000, above: expect.closeTo(88.9, 9) },
  });
  expect(board.find(({ kind }) => kind === 'arc')).toMatchObject({ through: { along: 500, above: 360 } });
  expect(board.find(({ kind }) => kind === 'text')).toMatchObject({ text: 'AB 7' });
  expect((await linesOf(id, 'Tube')).map(({ kind }) => kind)).toEqual(['ring', 'continuation']);
});

it('a line that cannot be laid out says why, and nothing typed is lost', async () => {
  const id = await bench('Faulty');
  await withPage(`/job/${id}/line/board/new`, PHONE, async (hands) => {
    await hands.fill('points.0.along', 'left');
    await hands.fill('points.0.above', '900');
    await hands.fill('points.1.along', '800');
    await hands.fill('points.1.above', '900');
    await hands.press('[data-testid=submit]');
    await hands.sees(/"left" is not a length/);
    await hands.fill('points.0.along', '0');
    await hands.sees(/lies outside the part/);
    await pick(hands, 'Kind of line', 'Letters');
    await hands.fill('text', 'AB');
    await hands.fill('height', '100');
    await hands.fill('stroke', '60');
    await hands.press('[data-testid=submit]');
    await hands.sees(/strokes from 4 to 24 % of its height/);
  });
});

it('a point is dragged, drawn to what is near, undone and done again, also after a reload', async () => {
  const id = await bench('Dragged', [sweep('Waist', [100, 150], [500, 220], [900, 160])]);
  const heightOf = async () => {
    const first = firstItem(await linesOf(id, 'Board'));
    return first.kind === 'sweep' ? first.points[1] : null;
  };
  await withPage(`/job/${id}/lines`, WIDE, async (hands) => {
    await hands.press('[data-testid=line]');
    const handle = '[data-testid="handle-points.1"]';
    await hands.page.waitForSelector(handle, { timeout: WAIT_MS });
    const box = await (await hands.page.$(handle))?.boundingBox();
    const [x, y] = [(box?.x ?? 0) + (box?.width ?? 0) / 2, (box?.y ?? 0) + (box?.height ?? 0) / 2];
    await hands.page.mouse.move(x, y);
    await hands.page.mouse.down();
    for (let step = 1; step <= 12; step++) await hands.page.mouse.move(x + step, y - 3 * step);
    await hands.page.waitForSelector('[data-testid=magnifier]', { timeout: WAIT_MS });
    await hands.sees(/Drawn to: |Free: /);
    await hands.page.mouse.up();
    await hands.page.waitForFunction(() =>
      document.querySelector('[data-testid="undo-design"]')?.getAttribute('aria-label')?.includes('Waist moved'),
    );
    await hands.saved();
    const moved = await heightOf();
    expect(moved?.above).toBeGreaterThan(230);
    expect(moved?.along).toBeGreaterThan(505);
    await hands.press('[data-testid=undo-design]');
    await hands.saved();
    await hands.page.waitForFunction(() =>
      document.querySelector('[data-testid="redo-design"]')?.getAttribute('aria-label')?.includes('Waist moved'),
    );
    expect(await heightOf()).toEqual({ along: 500, above: 220 });
    await hands.page.reload();
    await hands.press('[data-testid=redo-design]:not([aria-disabled=true])');
    await hands.page.waitForFunction(
      () => document.querySelector('[data-testid="redo-design"]')?.getAttribute('aria-label') === 'Nothing to do again',
    );
    await hands.saved();
    expect(await heightOf()).toEqual(moved);
  });
});

it('lines are copied, hidden, locked, made fair, and given as stations', async () => {
  const heights = [200, 212, 219, 233, 224, 222, 215];
  const id = await bench('Tools', [
    sweep('Waist', ...heights.map((above, index) => [20 + index * 160, above] as const)),
  ]);
  await withPage(`/job/${id}/lines`, PHONE, async (hands) => {
    await hands.press('[data-testid=line]');
    await hands.sees(/Wiggle at \d+ mm: [\d.]+ mm in \d+ mm/);
    await hands.sees(/Widest crisp tape that does it/);
    await hands.pressNamed('button', 'Show the comb');
    await hands.pressNamed('button', 'Make it fair');
    await hands.fill('most', '12');
    await hands.sees(/Point 4 moves/);
    await hands.press('[data-testid=make-fair]');
    await hands.sees(/Runs fair/);
    await hands.pressNamed('button', 'Copy');
    await hands.sees(/L2\s+Waist \(copy\)/);
    await hands.pressNamed('button', 'Hide it');
    await hands.sees(/hidden/);
    await hands.pressNamed('button', 'Lock it');
    await hands.sees(/locked/);
    await hands.pressNamed('button', 'Stations');
    await hands.sees(/Measured from Lower edge/);
    await hands.fill('step', '250');
    await hands.page.waitForFunction(() =>
      /250 mm[\s\S]*500 mm[\s\S]*750 mm/.test(document.querySelector('[data-testid=stations]')?.textContent ?? ''),
    );
    await hands.fill('match.0.along', '250');
    await hands.fill('match.0.above', '150');
    await hands.sees(/At 250 mm it is [\d.]+ mm too low/);
    await hands.saved();
  });
  const lines = await linesOf(id, 'Board');
  expect(lines).toHaveLength(2);
  expect(lines[0]).toMatchObject({ hidden: true, locked: true });
});

it('the second side follows the first until it is detached', async () => {
  const id = await bench('Sides', [straight('Slant', [0, 100], [1000, 300], true)]);
  const heightAtLeft = async () => {
    const plan = await planOf(id);
    const other = plan.parts.find(({ name }) => name === 'Other side');
    return other?.lines[0]?.pieces[0]?.find(([x]) => x < 1e-6)?.[1] ?? other?.lines[0]?.pieces[0]?.at(-1)?.[1];
  };
  await withPage(`/job/${id}/part/new`, PHONE, async (hands) => {
    await hands.fill('name', 'Other side');
    await hands.fill('width', '10');
    await hands.fill('height', '10');
    await pick(hands, 'Mirror image of', 'Board');
    await hands.press('[data-testid=submit]');
    await hands.sees(/Follows|follows its opposite|No line|L1/);
    await hands.saved();
    await eventually(heightAtLeft, 300);
    // The first side changes, the second follows.
    await hands.page.goto(`${app.server.url}/job/${id}/line/board/Slant`);
    await hands.fill('points.1.above', '340');
    await hands.press('[data-testid=submit]');
    await hands.sees(/L1\s+Slant/);
    await hands.saved();
    await eventually(heightAtLeft, 340);
    // Detached it keeps what it has.
    await hands.goTo('Piece');
    await hands.pressNamed('button', 'Change Other side');
    await hands.pressNamed('switch', 'Follows it');
    await hands.sees(/Detached/);
    await hands.press('[data-testid=submit]');
    await hands.sees(/mirror image of Board, detached/);
    await hands.saved();
    await hands.page.goto(`${app.server.url}/job/${id}/line/board/Slant`);
    await hands.fill('points.1.above', '200');
    await hands.press('[data-testid=submit]');
    await hands.sees(/L1\s+Slant/);
    await hands.saved();
    await eventually(heightAtLeft, 340);
  });
});

it('a drawing is taken over, goes out again, and comes back the same', async () => {
  const id = await bench('Drawn');
  const folder = await mkdtemp(join(tmpdir(), 'lintrel-drawings-'));
  const first = join(folder, 'panel.svg');
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 20"><script>document.title="run"</script><g id="rim"><path d="M1 1h38v18h-38z"/></g><g id="trim"><path d="M1 12C10 4 28 16 39 8"/><circle cx="30" cy="14" r="2"/></g></svg>';
  await writeFile(first, svg);
  await withPage(`/job/${id}/import/board`, PHONE, async (hands) => {
    const take = async (file: string, outline: string) => {
      const [chooser] = await Promise.all([hands.page.waitForFileChooser(), hands.press('[data-testid=choose-file]')]);
      await chooser.accept([file]);
      await hands.sees(/Layers that are lines/);
      if (/does not say its unit/.test(await hands.text()))
        await hands.pressNamed('radio', 'The file does not say its unit. One unit of it is: inch');
      await pick(hands, 'Outline of the part', `largest closed path of "${outline}"`);
    };
    await take(first, 'rim');
    await hands.sees(/Passed over: 1 × script, not run/);
    await hands.press('[data-testid=submit]');
    await hands.sees(/L1\s+Imported/);
    await hands.saved();
    expect(await hands.page.title()).not.toBe('run');
    const before = (await planOf(id)).parts[0]!;
    expect(before.sizeM2).toBeCloseTo(((38 - 0) * 25.4 * 18 * 25.4) / 1e6, 3);
    // Out as a file, and into the other part.
    const session = await hands.page.createCDPSession();
    await session.send('Page.setDownloadBehavior', { behavior: 'allow', downloadPath: folder });
    for (const [format, label] of [
      ['svg', 'Save as SVG'],
      ['dxf', 'Save as DXF'],
    ] as const) {
      await hands.page.goto(`${app.server.url}/job/${id}/print`);
      await hands.pressNamed('button', label);
      const saved = await fileIn(folder, (name) => name.endsWith(`.${format}`) && name !== 'panel.svg');
      await hands.page.goto(`${app.server.url}/job/${id}/import/tube`);
      await take(join(folder, saved), 'outline');
      await hands.press('[data-testid=submit]');
      await hands.sees(/Imported/);
      await hands.saved();
      const after = (await planOf(id)).parts[1]!;
      expect(after.sizeM2).toBeCloseTo(before.sizeM2, 6);
      const sizes = (areas: typeof before.areas) => areas.map(({ sizeM2 }) => sizeM2).sort((a, b) => a - b);
      expect(sizes(after.areas).map((size) => Math.round(size * 1e6))).toEqual(
        sizes(before.areas).map((size) => Math.round(size * 1e6)),
      );
      await hands.press('[data-testid=undo-design]');
      await hands.saved();
    }
  });
});

/** Waits until a number read from the server is what it should be: a change is kept a moment after it is made. */
async function eventually(read: () => Promise<number | undefined>, wanted: number): Promise<void> {
  let found = await read();
  for (let tries = 0; tries < 50 && !(Math.abs((found ?? NaN) - wanted) < 1e-3); tries++) {
    await new Promise((resolve) => setTimeout(resolve, 100));
    found = await read();
  }
  expect(found).toBeCloseTo(wanted, 3);
}

/** Name of the file that turns up in a folder. */
async function fileIn(folder: string, is: (name: string) => boolean): Promise<string> {
  for (let tries = 0; tries < 100; tries++) {
    const found = (await readdir(folder)).find(is);
    if (found) return found;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('no file was saved');
}

it('what takes long says what is being done, and can be stopped', async () => {
  const id = await bench('Long');
  const file = join(await mkdtemp(join(tmpdir(), 'lintrel-long-')), 'curves.svg');
  // So many curves that reading them takes seconds.
  const curves = Array.from(
    { length: 9000 },
    (_, at) => `<path d="M0 ${at}C3000 ${at + 3000} 6000 ${at - 3000} 9000 ${at}"/>`,
  );
  await writeFile(
    file,
    `<svg xmlns="http://www.w3.org/2000/svg" width="9000mm" viewBox="0 0 9000 9000">${curves.join('')}</svg>`,
  );
  await withPage(`/job/${id}/import/board`, PHONE, async (hands) => {
    hands.test.expectErrors(/Failed to load resource|aborted/);
    const [chooser] = await Promise.all([hands.page.waitForFileChooser(), hands.press('[data-testid=choose-file]')]);
    await chooser.accept([file]);
    await hands.sees(/Reading the file …/);
    await hands.press('[data-testid=stop-work]');
    await hands.sees(/Stopped\. Nothing was changed\./);
    expect(await hands.count('[data-testid=work]')).toBe(0);
  });
});

it('the whole piece is seen from every side, and a template is fetched', async () => {
  const id = await bench('Seen');
  await withPage(`/job/${id}/piece`, WIDE, async (hands) => {
    for (const view of ['Slanted', 'Side', 'Top', 'End']) {
      await hands.pressNamed('radio', `The whole piece, from its parts: ${view}`);
      await hands.page.waitForSelector('[aria-label="The whole piece"] path', { timeout: WAIT_MS });
    }
    const folder = await mkdtemp(join(tmpdir(), 'lintrel-prints-'));
    const session = await hands.page.createCDPSession();
    await session.send('Page.setDownloadBehavior', { behavior: 'allow', downloadPath: folder });
    await hands.page.goto(`${app.server.url}/job/${id}/print`);
    await hands.pressNamed('button', 'Print on sheets');
    expect(await fileIn(folder, (name) => name.endsWith('.pdf'))).toMatch(/Board template/);
  });
});
