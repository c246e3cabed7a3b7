import { type Design, type EditMessage, emptyDesign, type Job, jobSchema } from '@lintrel/core';
import { request } from '@/api/http';
import { newId } from '@/device/newId';
import { NO_HISTORY, recordStep } from '@/sync/history';
import { type Draft, keepHistory, readKept } from './drafts';
import { createSaver, type SaveState } from './saving';
import { type Disk, newDisk } from './testing';

const step = (words: string): EditMessage => ({ code: 'edit.written', values: { words } });

// The saver against a server that keeps the rules of the real one, behind a network that loses what the test says.

const design = (title: string): Design => emptyDesign(title, 'other');
const ID = '11111111-1111-4111-8111-111111111111';

class Shop {
  revisions: Job[] = [];
  requests = 0;
  /** What becomes of the next requests: heard and answered unless said otherwise. */
  weather: ('lost' | 'unheard' | 'login' | 'shape' | 'error')[] = [];

  constructor() {
    this.keep(design('First'), null);
  }
  get current(): Job {
    return this.revisions[this.revisions.length - 1]!;
  }
  keep(kept: Design, save: string | null): Job {
    this.revisions.push({
      id: ID,
      revision: this.revisions.length + 1,
      updatedAt: '2026-05-04T08:00:00.000Z',
      save,
      author: null,
      archivedAt: null,
      deletedAt: null,
      design: kept,
    });
    return this.current;
  }
  async put(body: { revision: number; save?: string; design: Design }): Promise<Response> {
    this.requests++;
    const luck = this.weather.shift();
    if (luck === 'unheard') throw new TypeError('Failed to fetch');
    if (luck === 'login') return new Response('<html>Please log in</html>', { status: 200 });
    if (luck === 'shape') return new Response('{"welcome":true}', { status: 200 });
    if (luck === 'error')
      return new Response(JSON.stringify({ error: { code: 'database', message: 'restarting' } }), { status: 503 });
    const known = this.revisions.find(({ save }) => save !== null && save === body.save);
    const answer =
      known ?? (body.revision === this.current.revision ? this.keep(body.design, body.save ?? null) : null);
    if (luck === 'lost') throw new TypeError('Failed to fetch');
    if (answer) return new Response(JSON.stringify(answer), { status: 200 });
    return new Response(
      JSON.stringify({
        error: { code: 'stale', message: 'changed', versions: { yours: body, current: this.current } },
      }),
      { status: 409 },
    );
  }
}

let shop: Shop;
let disk: Disk;
beforeEach(() => {
  jest.useFakeTimers();
  shop = new Shop();
  disk = newDisk();
  Object.assign(globalThis, { fetch: (_path: string, { body }: { body: string }) => shop.put(JSON.parse(body)) });
});
afterEach(() => jest.useRealTimers());

const settle = () => jest.advanceTimersByTimeAsync(10);
const patience = () => jest.advanceTimersByTimeAsync(3500);
const draftNow = async () => (await readKept(disk, ID)).draft;
function opened(draft: Draft | null = null) {
  const states: SaveState['kind'][] = [];
  const saver = createSaver(ID, { revision: shop.current.revision, draft }, ({ kind }) => void states.push(kind), {
    store: disk,
    put: (job, body) => request('PUT', `/jobs/${job}`, jobSchema, body),
    later: (work, ms) => {
      const timer = setTimeout(work, ms);
      return () => clearTimeout(timer);
    },
    newId,
  });
  return { saver, states, last: () => states[states.length - 1] };
}

it('saves the newest of several changes and forgets the draft', async () => {
  const { saver, last } = opened();
  ['A', 'B', 'C'].forEach((title) => saver.save(design(title)));
  await settle();
  expect(shop.revisions.map((revision) => revision.design.title)).toEqual(['First', 'A', 'C']);
  expect([last(), await draftNow()]).toEqual(['saved', null]);
});

it('a save whose answer was lost does not conflict with itself', async () => {
  const { saver, states, last } = opened();
  shop.weather = ['lost'];
  saver.save(design('A'));
  await settle();
  expect(last()).toBe('waiting');
  await patience();
  expect([last(), shop.revisions.length]).toEqual(['saved', 2]);
  expect(states).not.toContain('stale');
});

it('nor with the change made after it', async () => {
  const { saver, states, last } = opened();
  shop.weather = ['lost'];
  saver.save(design('A'));
  await settle();
  saver.save(design('B'));
  await patience();
  expect(shop.revisions.map((revision) => revision.design.title)).toEqual(['First', 'A', 'B']);
  expect(last()).toBe('saved');
  expect(states).not.toContain('stale');
});

it('nor after a reload with that change still to send', async () => {
  const before = opened();
  shop.weather = ['lost', 'unheard'];
  before.saver.save(design('A'));
  await settle();
  before.saver.save(design('B'));
  await settle();
  before.saver.stop();
  const { states, last } = opened(await draftNow());
  await settle();
  expect(shop.revisions.map((revision) => revision.design.title)).toEqual(['First', 'A', 'B']);
  expect(last()).toBe('saved');
  expect(states).not.toContain('stale');
});

it('still asks when a colleague came in between', async () => {
  const { saver, last } = opened();
  shop.weather = ['lost'];
  saver.save(design('A'));
  await settle();
  shop.keep(design('Theirs'), 'another');
  saver.save(design('B'));
  await settle();
  await patience();
  expect(last()).toBe('stale');
  expect(shop.current.design.title).toBe('Theirs');
  expect((await draftNow())?.design.title).toBe('B');
  saver.rebase(shop.current.revision);
  await settle();
  expect([last(), shop.current.design.title]).toEqual(['saved', 'B']);
});

it.each(['login', 'shape', 'error', 'unheard'] as const)('an answer of the kind "%s" does not jam it', async (luck) => {
  const { saver, last } = opened();
  shop.weather = [luck, luck];
  saver.save(design('A'));
  await settle();
  expect(last()).toBe('waiting');
  await patience();
  await patience();
  expect([last(), shop.current.design.title, shop.requests]).toEqual(['saved', 'A', 3]);
});

it('stops for good when the page goes', async () => {
  const { saver } = opened();
  shop.weather = ['unheard'];
  saver.save(design('A'));
  await settle();
  saver.stop();
  await patience();
  expect(shop.requests).toBe(1);
});

describe('the steps that led to it', () => {
  const history = recordStep(NO_HISTORY, design('Old'), design('New'), step('A change'));
  it('are there after a reload while the job is as it was left', async () => {
    keepHistory(disk, ID, 4, history);
    expect((await readKept(disk, ID)).historyOf(4)).toEqual(history);
  });
  it('are not used over what a colleague has saved since', async () => {
    keepHistory(disk, ID, 4, history);
    expect((await readKept(disk, ID)).historyOf(5)).toEqual(NO_HISTORY);
  });
  it.each([
    [undefined],
    ['not one'],
    [{ of: 4, past: 1, future: [] }],
    [{ of: 4, past: [{ said: {}, back: [], on: [] }], future: [] }],
  ])('that cannot be read are none: %j', async (kept) => {
    await disk.keep('histories', ID, kept);
    expect((await readKept(disk, ID)).historyOf(4)).toEqual(NO_HISTORY);
  });
  it('on a device without room are lost with the page, and nothing else', async () => {
    disk.full = true;
    keepHistory(disk, ID, 4, history);
    expect((await readKept(disk, ID)).historyOf(4)).toEqual(NO_HISTORY);
  });
});
