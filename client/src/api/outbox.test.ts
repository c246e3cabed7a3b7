import type { LogEvent, RunRecord, StepId } from '@lintrel/core';
import { RequestError } from './http';
import { createOutbox, type OutboxDevice } from './outbox';

/** A disk that survives what happens to the page; it may be full. */
function disk() {
  const kept = new Map<string, string>();
  return {
    kept,
    full: false,
    getItem: (key: string) => kept.get(key) ?? null,
    setItem(key: string, text: string) {
      if (this.full) throw new Error('QuotaExceededError');
      kept.set(key, text);
    },
    removeItem: (key: string) => void kept.delete(key),
    key: (index: number) => [...kept.keys()][index] ?? null,
    get length() {
      return kept.size;
    },
  };
}

let count = 0;
const entry = (note = ''): LogEvent => ({
  id: `00000000-0000-4000-8000-${String(++count).padStart(12, '0')}`,
  version: 1,
  at: '2026-05-04T08:00:00.000Z',
  kind: 'done',
  step: 'one' as StepId,
  note,
});
const unreachable = () => new RequestError(0, { code: 'unreachable', message: 'no' });
const refusal = (message = 'lies in the future') => new RequestError(422, { code: 'invalid', message });

/** A page on a device: what the server does with each entry is said by the test, and time passes when the test says so. */
function page(storage = disk()) {
  const sent: string[] = [];
  const waits: { work: () => void; ms: number }[] = [];
  const device: OutboxDevice & { answer: (event: LogEvent) => RunRecord | Promise<RunRecord> } = {
    storage,
    answer: () => ({ started: null, events: [] }),
    send: async (_job, event) => {
      sent.push(event.id);
      return device.answer(event);
    },
    later: (work, ms) => void waits.push({ work, ms }),
  };
  return { device, storage, sent, waits, outbox: createOutbox(device) };
}
const settled = () => new Promise((done) => setImmediate(done));
const ids = (all: readonly { event: LogEvent }[]) => all.map(({ event }) => event.id);

it('sends entries one after the other and forgets what is confirmed', async () => {
  const { outbox, sent, storage } = page();
  const taken: string[] = [];
  outbox.onTaken = (job) => void taken.push(job);
  const [a, b] = [entry(), entry()];
  outbox.add('job', a);
  outbox.add('job', b);
  expect(ids(outbox.state().pending)).toEqual([a.id, b.id]);
  await settled();
  expect([sent, taken, outbox.state().pending, storage.kept.size]).toEqual([[a.id, b.id], ['job', 'job'], [], 0]);
});

it('keeps and shows every one while there is no connection, and after a reload, in order', async () => {
  const first = page();
  first.device.answer = () => Promise.reject(unreachable());
  const all = [entry(), entry(), entry()];
  all.forEach((event) => first.outbox.add('job', event));
  await settled();
  expect(ids(first.outbox.state().pending)).toEqual(all.map(({ id }) => id));
  expect(first.outbox.state().offline.has('job')).toBe(true);
  expect(new Set(first.sent)).toEqual(new Set([all[0]!.id]));
  const reloaded = page(first.storage);
  expect(ids(reloaded.outbox.state().pending)).toEqual(all.map(({ id }) => id));
  reloaded.outbox.sendNow();
  await settled();
  expect(reloaded.sent).toEqual(all.map(({ id }) => id));
  expect(reloaded.outbox.state()).toMatchObject({ pending: [], unkept: false });
});

it('tries again for ever, with longer waits up to a quarter of a minute', async () => {
  const { outbox, device, waits } = page();
  device.answer = () => Promise.reject(unreachable());
  outbox.add('job', entry());
  for (let round = 0; round < 12; round++) {
    await settled();
    expect(waits).toHaveLength(round + 1);
    waits[round]!.work();
  }
  expect(waits.map(({ ms }) => ms).slice(0, 7)).toEqual([500, 1000, 2000, 4000, 8000, 15_000, 15_000]);
  device.answer = () => ({ started: null, events: [] });
  await settled();
  waits[waits.length - 1]!.work();
  await settled();
  expect(outbox.state()).toMatchObject({ pending: [], offline: new Set() });
});

it.each([
  ['a login page', new RequestError(200, { code: 'unclear', message: 'x' })],
  ['a login page that refuses', new RequestError(403, { code: 'unclear', message: 'x' })],
  ['a server at its limit', new RequestError(503, { code: 'database', message: 'x' })],
  ['a server that asks for patience', new RequestError(429, { code: 'busy', message: 'x' })],
  ['anything that was not foreseen', new TypeError('x')],
])('%s is no refusal: the entry waits', async (_, error) => {
  const { outbox, device, waits } = page();
  device.answer = () => Promise.reject(error);
  outbox.add('job', entry());
  await settled();
  expect(outbox.state().pending.map(({ refused }) => refused)).toEqual([null]);
  expect(waits).toHaveLength(1);
});

it('shows what is refused, does not try it again by itself, and goes on with the next', async () => {
  const { outbox, device, sent, waits } = page();
  const [bad, good] = [entry('bad'), entry('good')];
  device.answer = ({ note }) => (note === 'bad' ? Promise.reject(refusal()) : { started: null, events: [] });
  outbox.add('job', bad);
  outbox.add('job', good);
  await settled();
  expect(outbox.state().pending).toEqual([expect.objectContaining({ event: bad, refused: 'lies in the future' })]);
  expect([sent, waits]).toEqual([[bad.id, good.id], []]);
  outbox.sendNow();
  await settled();
  expect(sent).toHaveLength(2);
});

it('a refused one stays through a reload until a person sends it again or leaves it out', async () => {
  const first = page();
  const [one, other] = [entry(), entry()];
  first.device.answer = () => Promise.reject(refusal());
  first.outbox.add('job', one);
  first.outbox.add('job', other);
  await settled();
  const { outbox, sent } = page(first.storage);
  expect(outbox.state().pending.map(({ refused }) => refused)).toEqual(['lies in the future', 'lies in the future']);
  outbox.again(one.id);
  outbox.drop(other.id);
  await settled();
  expect([sent, outbox.state().pending]).toEqual([[one.id], []]);
});

it('one job does not wait for another', async () => {
  const { outbox, device, sent } = page();
  device.answer = ({ note }) => (note === 'stuck' ? Promise.reject(unreachable()) : { started: null, events: [] });
  outbox.add('a', entry('stuck'));
  const free = entry();
  outbox.add('b', free);
  await settled();
  expect(sent).toContain(free.id);
  expect(outbox.state().pending.map(({ job }) => job)).toEqual(['a']);
});

it('says so where the device has no room, and still sends', async () => {
  const { outbox, device, storage, waits } = page();
  storage.full = true;
  device.answer = () => Promise.reject(unreachable());
  const event = entry();
  outbox.add('job', event);
  await settled();
  expect(outbox.state()).toMatchObject({ unkept: true, pending: [{ event }] });
  device.answer = () => ({ started: null, events: [] });
  waits[0]!.work();
  await settled();
  expect(outbox.state()).toMatchObject({ unkept: false, pending: [] });
});

it('two pages of one device see each other’s entries and overwrite none', async () => {
  const storage = disk();
  const [left, right] = [page(storage), page(storage)];
  for (const one of [left, right]) one.device.answer = () => Promise.reject(unreachable());
  const [a, b] = [entry(), entry()];
  left.outbox.add('job', a);
  right.outbox.add('job', b);
  left.outbox.reread();
  await settled();
  expect(new Set(ids(left.outbox.state().pending))).toEqual(new Set([a.id, b.id]));
  expect(storage.kept.size).toBe(2);
});

it('passes over what it cannot read, and leaves other things on the disk alone', () => {
  const storage = disk();
  storage.setItem('lintrel.entry.broken', '{"job":');
  storage.setItem('lintrel.entry.strange', '{"job":1}');
  storage.setItem('lintrel.draft.x', '{}');
  expect(page(storage).outbox.state().pending).toEqual([]);
  expect(storage.kept.size).toBe(3);
});
