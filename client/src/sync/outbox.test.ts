import { RequestError } from '@/api/http';
import { entry, newDisk, newPage, refusal, settled, taken, unreachable } from './testing';

const ids = (all: readonly { event: { id: string } }[]) => all.map(({ event }) => event.id);
const refusedBy = (all: readonly { refused: { message: string } | null }[]) =>
  all.map(({ refused }) => refused?.message ?? null);

it('sends entries in their order; what landed counts here until the record of the job tells of it', async () => {
  const { outbox, sent, disk } = newPage();
  const [a, b] = [entry(), entry()];
  const jobs: string[] = [];
  outbox.onTaken = (job) => void jobs.push(job);
  void outbox.add('job', a);
  void outbox.add('job', b);
  expect(ids(outbox.state().pending)).toEqual([a.id, b.id]);
  await settled();
  expect([sent.flat(), outbox.state().pending]).toEqual([[a.id, b.id], []]);
  expect(jobs).toContain('job');
  // Until the record of the job tells of them they stay on the disk.
  expect([ids(outbox.state().landed), disk.kept.size]).toEqual([[a.id, b.id], 2]);
  await outbox.reread();
  expect(outbox.state().pending).toEqual([]);
  await outbox.seen('job', new Set([a.id, 'of another']));
  expect([ids(outbox.state().landed), [...disk.kept.keys()]]).toEqual([[b.id], [b.id]]);
  await outbox.seen('job', new Set([a.id, b.id]));
  expect([outbox.state().landed, disk.kept.size]).toEqual([[], 0]);
});

it('what was taken and never told of is sent again after a reload: the shop knows it by its id', async () => {
  const first = newPage();
  first.told = false;
  const event = entry();
  void first.outbox.add('job', event);
  await settled();
  const page = newPage(first.disk);
  await page.outbox.reread();
  page.outbox.sendNow();
  await settled();
  expect([page.sent.flat(), page.outbox.state().pending, page.disk.kept.size]).toEqual([[event.id], [], 0]);
});

it('keeps and shows every one while there is no connection, and after a reload; then they go together', async () => {
  const first = newPage();
  first.answer = () => Promise.reject(unreachable());
  const all = [entry(), entry(), entry()];
  for (const event of all) void first.outbox.add('job', event);
  await settled();
  expect(ids(first.outbox.state().pending)).toEqual(all.map(({ id }) => id));
  expect(first.outbox.state().offline.has('job')).toBe(true);
  const reloaded = newPage(first.disk);
  await reloaded.outbox.reread();
  expect(ids(reloaded.outbox.state().pending)).toEqual(all.map(({ id }) => id));
  reloaded.outbox.sendNow();
  await settled();
  expect(reloaded.sent).toEqual([all.map(({ id }) => id)]);
  expect(reloaded.outbox.state()).toMatchObject({ pending: [], unkept: false });
});

it('tries again for ever, with longer waits up to a quarter of a minute', async () => {
  const page = newPage();
  page.answer = () => Promise.reject(unreachable());
  void page.outbox.add('job', entry());
  for (let round = 0; round < 12; round++) {
    await settled();
    expect(page.waits).toHaveLength(round + 1);
    page.waits[round]!.work();
  }
  expect(page.waits.map(({ ms }) => ms).slice(0, 7)).toEqual([500, 1000, 2000, 4000, 8000, 15_000, 15_000]);
  page.answer = taken;
  await settled();
  page.waits[page.waits.length - 1]!.work();
  await settled();
  expect(page.outbox.state()).toMatchObject({ pending: [], offline: new Set() });
});

it.each([
  ['a login page', new RequestError(200, { code: 'unclear', message: 'x' })],
  ['a login page that refuses', new RequestError(403, { code: 'unclear', message: 'x' })],
  ['a server at its limit', new RequestError(503, { code: 'database', message: 'x' })],
  ['a server that asks for patience', new RequestError(429, { code: 'busy', message: 'x' })],
  ['anything that was not foreseen', new TypeError('x')],
])('%s is no refusal: the entry waits', async (_, error) => {
  const page = newPage();
  page.answer = () => Promise.reject(error);
  void page.outbox.add('job', entry());
  await settled();
  expect(refusedBy(page.outbox.state().pending)).toEqual([null]);
  expect(page.waits).toHaveLength(1);
});

it('an answer that tells of some alone leaves the others waiting', async () => {
  const page = newPage();
  page.answer = (entries) => taken(entries.slice(0, 1));
  const [a, b] = [entry(), entry()];
  page.disk.kept.set(a.id, { job: 'job', event: a, turn: 1, refused: null });
  page.disk.kept.set(b.id, { job: 'job', event: b, turn: 2, refused: null });
  await page.outbox.reread();
  page.outbox.sendNow();
  await settled();
  expect(ids(page.outbox.state().pending)).toEqual([b.id]);
  expect(page.waits).toHaveLength(1);
});

it('shows what is refused, does not try it again by itself, and goes on with the next', async () => {
  const page = newPage();
  const [bad, good] = [entry('bad'), entry('good')];
  page.answer = (entries) => ({
    entries: entries.map((other, seq) => (other.note === 'bad' ? refusal(other) : { id: other.id, seq })),
  });
  void page.outbox.add('job', bad);
  void page.outbox.add('job', good);
  await settled();
  expect(page.outbox.state().pending).toEqual([
    expect.objectContaining({ event: bad, refused: { code: 'invalid', message: 'lies in the future' } }),
  ]);
  const times = page.sent.length;
  page.outbox.sendNow();
  await settled();
  expect([page.sent.length, page.waits]).toEqual([times, []]);
});

it('a job that is gone refuses its entries; none is dropped', async () => {
  const page = newPage();
  page.answer = () => Promise.reject(new RequestError(404, { code: 'not-found', message: 'There is no such job.' }));
  void page.outbox.add('job', entry());
  await settled();
  expect(refusedBy(page.outbox.state().pending)).toEqual(['There is no such job.']);
  expect(page.disk.kept.size).toBe(1);
});

it('a refused one stays through a reload until a person sends it again, mended or not, or leaves it out', async () => {
  const first = newPage();
  const [one, other, third] = [entry(), entry(), entry()];
  first.answer = (entries) => ({ entries: entries.map((event) => refusal(event)) });
  for (const event of [one, other, third]) void first.outbox.add('job', event);
  await settled();
  const page = newPage(first.disk);
  const times: string[] = [];
  page.answer = (entries) => {
    times.push(...entries.map(({ at }) => at));
    return taken(entries);
  };
  await page.outbox.reread();
  expect(refusedBy(page.outbox.state().pending)).toEqual([
    'lies in the future',
    'lies in the future',
    'lies in the future',
  ]);
  void page.outbox.again(one.id);
  void page.outbox.drop(other.id);
  void page.outbox.again(third.id, { at: '2026-05-04T05:00:00.000Z', deviceAt: third.at });
  await settled();
  expect([page.sent.flat(), page.outbox.state().pending, page.disk.kept.size]).toEqual([[one.id, third.id], [], 0]);
  expect(times).toEqual([one.at, '2026-05-04T05:00:00.000Z']);
});

it('one job does not wait for another', async () => {
  const page = newPage();
  page.answer = (entries) =>
    entries.some(({ note }) => note === 'stuck') ? Promise.reject(unreachable()) : taken(entries);
  void page.outbox.add('a', entry('stuck'));
  const free = entry();
  void page.outbox.add('b', free);
  await settled();
  expect(page.sent.flat()).toContain(free.id);
  expect(page.outbox.state().pending.map(({ job }) => job)).toEqual(['a']);
});

it('says so where the device has no room, and still sends', async () => {
  const page = newPage();
  page.disk.full = true;
  page.answer = () => Promise.reject(unreachable());
  const event = entry();
  void page.outbox.add('job', event);
  await settled();
  expect(page.outbox.state()).toMatchObject({ unkept: true, pending: [{ event }] });
  // What another page tells of takes nothing away that lives here alone.
  await page.outbox.reread();
  expect(page.outbox.state()).toMatchObject({ unkept: true, pending: [{ event }] });
  page.answer = taken;
  page.waits[0]!.work();
  await settled();
  expect(page.outbox.state()).toMatchObject({ unkept: false, pending: [] });
});

it('two pages of one device see each other’s entries, overwrite none, and forget what either has sent', async () => {
  const disk = newDisk();
  const [left, right] = [newPage(disk), newPage(disk)];
  for (const one of [left, right]) one.answer = () => Promise.reject(unreachable());
  const [a, b] = [entry(), entry()];
  void left.outbox.add('job', a);
  void right.outbox.add('job', b);
  await settled();
  await left.outbox.reread();
  expect(new Set(ids(left.outbox.state().pending))).toEqual(new Set([a.id, b.id]));
  left.answer = taken;
  left.outbox.sendNow();
  await settled();
  await right.outbox.reread();
  expect([right.outbox.state().pending, disk.kept.size]).toEqual([[], 0]);
});

it('what was sent while it was still being written down does not come back', async () => {
  const page = newPage();
  let write: () => void = () => undefined;
  const keep = page.disk.keepEntry;
  Object.assign(page.disk, {
    keepEntry: (pending: Parameters<typeof keep>[0]) =>
      new Promise<void>((done) => (write = () => done(keep(pending)))),
  });
  void page.outbox.add('job', entry());
  await settled();
  expect(page.outbox.state().pending).toEqual([]);
  write();
  await settled();
  await page.outbox.reread();
  expect([page.outbox.state().pending, page.disk.kept.size]).toEqual([[], 0]);
});

describe('a photo', () => {
  const shot = () => {
    const id = `00000000-0000-4000-9000-${String(Math.random()).slice(2, 14).padEnd(12, '0')}`;
    return {
      id,
      event: { ...entry(), saw: { kind: 'photo' as const, photo: id } },
      photo: new Blob(['x'.repeat(100)], { type: 'image/jpeg' }),
    };
  };
  const stays = (ids: readonly string[], disk: ReturnType<typeof newDisk>) =>
    expect([...disk.kept.values()].map(({ photo }) => photo?.size)).toEqual(ids.map(() => 100));

  it('lies on the device until it is sent, goes before its entry and behind all taps, and leaves with it', async () => {
    const first = newPage();
    first.answer = () => Promise.reject(unreachable());
    const [one, tap] = [shot(), entry()];
    void first.outbox.add('job', one.event, one.photo);
    await settled();
    stays([one.id], first.disk);
    const page = newPage(first.disk);
    page.told = false;
    await page.outbox.reread();
    void page.outbox.add('job', tap);
    await settled();
    expect([page.photos, page.sent]).toEqual([[`${one.id} 100`], [[tap.id], [one.event.id]]]);
    // It can still be seen until the record of the job tells of it.
    expect(page.outbox.state().landed.find(({ event }) => event.id === one.event.id)?.photo?.size).toBe(100);
    await page.outbox.seen('job', new Set([one.event.id, tap.id]));
    expect(page.disk.kept.size).toBe(0);
  });
  it('that does not get through holds up no tap, and its entry waits with it', async () => {
    const page = newPage();
    page.photoAnswer = () => Promise.reject(unreachable());
    const [one, tap] = [shot(), entry()];
    void page.outbox.add('job', one.event, one.photo);
    await settled();
    void page.outbox.add('job', tap);
    page.waits.forEach(({ work }) => work());
    await settled();
    expect([page.sent.flat(), ids(page.outbox.state().pending)]).toEqual([[tap.id], [one.event.id]]);
    page.photoAnswer = () => undefined;
    page.outbox.sendNow();
    await settled();
    expect([page.sent.flat(), page.outbox.state().pending]).toEqual([[tap.id, one.event.id], []]);
  });
  it('the server does not take is shown with its entry, and kept', async () => {
    const page = newPage();
    page.photoAnswer = () =>
      Promise.reject(new RequestError(413, { code: 'too-large', message: 'This is too large.' }));
    const one = shot();
    void page.outbox.add('job', one.event, one.photo);
    await settled();
    expect([refusedBy(page.outbox.state().pending), page.sent]).toEqual([['This is too large.'], []]);
    stays([one.id], page.disk);
  });
});

describe('at a change of hands', () => {
  const [ada, hal] = [
    { id: 'a', name: 'Ada' },
    { id: 'h', name: 'Hal' },
  ];
  /** A phone on which Ada has tapped something that could not be sent. */
  async function withAdasTap() {
    const page = newPage();
    page.hands = ada;
    page.answer = () => {
      throw unreachable();
    };
    const mine = entry();
    void page.outbox.add('job', mine);
    await settled();
    return { page, mine };
  }
  it('what one has made goes under their own name, and only once the other says so', async () => {
    const { page, mine } = await withAdasTap();
    page.hands = hal;
    page.answer = taken;
    const theirs = entry();
    void page.outbox.add('job', theirs);
    page.outbox.sendNow();
    await settled();
    expect(page.sent.at(-1)).toEqual([theirs.id]);
    expect(page.authors.at(-1)).toEqual({});
    expect(page.outbox.state().held.map(({ event, by }) => [event.id, by])).toEqual([[mine.id, ada]]);
    page.outbox.sendFor(ada.id);
    await settled();
    expect(page.sent.at(-1)).toEqual([mine.id]);
    expect(page.authors.at(-1)).toEqual({ [mine.id]: ada.id });
    expect(page.outbox.state().held).toEqual([]);
  });
  it('what one has made goes by itself when they are back', async () => {
    const { page, mine } = await withAdasTap();
    page.answer = taken;
    page.hands = hal;
    page.outbox.sendNow();
    await settled();
    expect(page.sent).toHaveLength(1);
    page.hands = ada;
    page.outbox.sendNow();
    await settled();
    expect(page.sent.at(-1)).toEqual([mine.id]);
    expect(page.authors.at(-1)).toEqual({});
  });
  it('outlives a reload', async () => {
    const { page: first } = await withAdasTap();
    const second = newPage(first.disk);
    second.hands = hal;
    await second.outbox.reread();
    expect(second.outbox.state().held.map(({ by }) => by)).toEqual([ada]);
  });
  it('where nobody signs in nothing is held', async () => {
    const page = newPage();
    void page.outbox.add('job', entry());
    await settled();
    expect([page.outbox.state().held, page.sent.length, page.authors]).toEqual([[], 1, [{}]]);
  });
});
