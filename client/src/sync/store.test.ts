import 'fake-indexeddb/auto';
import { openStore } from './store';
import { entry } from './testing';

/** What older versions of the program kept their things in. */
function earlier(kept: Record<string, string> = {}) {
  const map = new Map(Object.entries(kept));
  return {
    map,
    getItem: (key: string) => map.get(key) ?? null,
    removeItem: (key: string) => void map.delete(key),
    key: (index: number) => [...map.keys()][index] ?? null,
    get length() {
      return map.size;
    },
  };
}
const pending = (turn: number, refused: string | null = null) => ({
  job: 'j',
  event: entry(),
  turn,
  refused: refused === null ? null : { code: 'invalid', message: refused },
});

it('keeps entries in their order, over a reload', async () => {
  const [one, two] = [pending(1), pending(2, 'no')];
  const store = openStore('order', earlier);
  await store.keepEntry(two);
  await store.keepEntry(one);
  expect(await openStore('order', earlier).entries()).toEqual([one, two]);
  await store.forgetEntry(one.event.id);
  expect(await store.entries()).toEqual([two]);
});

it('keeps a record of each kind for a job', async () => {
  const store = openStore('records', earlier);
  await store.keep('drafts', 'j', { revision: 3 });
  await store.keep('histories', 'k', { of: 1 });
  expect([await store.read('drafts', 'j'), await store.read('drafts', 'k'), await store.jobsWith('drafts')]).toEqual([
    { revision: 3 },
    undefined,
    ['j'],
  ]);
  await store.forget('drafts', 'j');
  expect(await store.jobsWith('drafts')).toEqual([]);
});

it('what an older version has kept moves in, once, and what cannot be read does not', async () => {
  const event = entry();
  const old = earlier({
    [`lintrel.entry.${event.id}`]: JSON.stringify({ job: 'j', event, turn: 7, refused: null }),
    'lintrel.entry.refused': JSON.stringify({
      job: 'j',
      event: { ...event, id: '00000000-0000-4000-8000-999999999999' },
      turn: 8,
      refused: 'too late',
    }),
    'lintrel.entry.broken': '{"job":',
    'lintrel.draft.j': '{"revision":2}',
    'lintrel.history.j': '{}',
    'lintrel.person': '{"length":"in"}',
  });
  const store = openStore('older', () => old);
  expect((await store.entries()).map(({ turn, refused }) => [turn, refused?.message])).toEqual([
    [7, undefined],
    [8, 'too late'],
  ]);
  expect(await store.read('drafts', 'j')).toEqual({ revision: 2 });
  expect([...old.map.keys()]).toEqual(['lintrel.person']);
});

it('forgets what was read, and keeps what waits to be sent', async () => {
  const store = openStore('signed out', earlier);
  for (const kind of ['runs', 'histories', 'drafts'] as const) await store.keep(kind, 'changed', { of: 1 });
  await store.keep('runs', 'read', { of: 1 });
  await store.keep('histories', 'read', { of: 1 });
  await store.forgetRead();
  expect(await store.jobsWith('runs')).toEqual([]);
  expect(await store.jobsWith('histories')).toEqual(['changed']);
  expect(await store.jobsWith('drafts')).toEqual(['changed']);
});

it('refuses what is asked of it where the browser refuses its database, and says so', async () => {
  const real = Object.getOwnPropertyDescriptor(globalThis, 'indexedDB')!;
  Object.defineProperty(globalThis, 'indexedDB', {
    configurable: true,
    get: () => {
      throw new Error('SecurityError');
    },
  });
  try {
    const store = openStore('refused', () => {
      throw new Error('SecurityError');
    });
    expect(await store.keeps()).toBe(false);
    await expect(store.entries()).rejects.toThrow('SecurityError');
    await expect(store.keep('runs', 'job', {})).rejects.toThrow('SecurityError');
  } finally {
    Object.defineProperty(globalThis, 'indexedDB', real);
  }
  expect(await openStore('allowed', earlier).keeps()).toBe(true);
});
