import { spawnSync } from 'node:child_process';
import { EventEmitter } from 'node:events';
import { BASE_DATUM, type Design, emptyDesign, type PartId, SHIPPED_SHELF, type WorkProgress } from '@lintrel/core';
import type { Response } from 'express';
import { until } from '../../../e2e/until';
import { MAX_RUNNING, MAX_WAITING, openWorkerPool, type WorkerPool } from './worker-pool';

const shelf = SHIPPED_SHELF;
/** A drawing with thousands of curves: reading it takes seconds. */
const heavy = `<svg xmlns="http://www.w3.org/2000/svg" width="9000mm" viewBox="0 0 9000 9000">${Array.from(
  { length: 9000 },
  (_, index) => `<path d="M0 ${index}C3000 ${index + 3000} 6000 ${index - 3000} 9000 ${index}"/>`,
).join('')}</svg>`;
const quick = { name: 'bend', input: { radius: 120, width: 6, stretch: 0.15, fold: 0.005 }, shelf };
const closing = () => new EventEmitter() as unknown as Response & EventEmitter;
const opened: WorkerPool[] = [];
const openPool = (limits?: Parameters<typeof openWorkerPool>[0]) => {
  const workerPool = openWorkerPool(limits);
  opened.push(workerPool);
  return workerPool;
};
afterAll(() => Promise.all(opened.map((workerPool) => workerPool.close())));

it('works out plans and answers', async () => {
  const design = JSON.stringify(emptyDesign('Empty', 'other'));
  expect(await openPool().run('plan', { design, shelf })).toMatchObject({
    steps: 0,
    text: expect.stringMatching(/^{"format":"lintrel-plan"/),
  });
  expect(await opened[0]!.run('ask', quick)).toMatchObject({ ok: true, value: { verdict: 'stretch' } });
});
it('gives up what takes too long, says so, and goes on', async () => {
  const hasty = openPool({ maxCpuMs: 30 });
  await expect(hasty.run('readDrawing', { text: heavy, wish: null })).rejects.toMatchObject({
    status: 422,
    code: 'too-much',
    message: /takes more than 0.03 s of computing time/,
  });
  const patient = openPool({ maxCpuMs: 20_000 });
  expect(await patient.run('ask', quick)).toMatchObject({ ok: true });
});
it('gives up what needs too much memory, says so, and goes on', async () => {
  const small = openPool({ maxMemoryMb: 64 });
  const text = `{"log":[${'{},'.repeat(3_000_000)}{}]}`;
  await expect(small.run('checkFile', Buffer.from(text))).rejects.toMatchObject({
    status: 422,
    code: 'too-much',
    message: /memory/,
  });
  expect(await small.run('ask', quick)).toMatchObject({ ok: true });
});
it('gives up what takes too long on the clock, and says that it is busy', async () => {
  await expect(openPool({ maxWallMs: 30 }).run('readDrawing', { text: heavy, wish: null })).rejects.toMatchObject({
    status: 503,
    code: 'busy',
    message: /not worked out within 0.03 s: the server is busy/,
  });
});

/** Processes of this one's workshops. */
const processes = () =>
  spawnSync('pgrep', ['-P', String(process.pid), '-f', 'worker\\.(ts|mjs)'], { encoding: 'utf8' })
    .stdout.split('\n')
    .filter((pid) => pid !== '')
    .map(Number);

it('time in which a busy machine gives a task no turn is not counted against it', async () => {
  const before = processes();
  const workerPool = openPool({ maxCpuMs: 1_500 });
  await workerPool.run('ask', quick);
  const asked = workerPool.run('ask', quick);
  const mine = processes().filter((pid) => !before.includes(pid));
  for (const pid of mine) process.kill(pid, 'SIGSTOP');
  await new Promise((done) => setTimeout(done, 2_500));
  for (const pid of mine) process.kill(pid, 'SIGCONT');
  expect(await asked).toMatchObject({ ok: true });
});

it('a process stands ready also while others are at work and right after one was ended', async () => {
  const before = processes();
  const workerPool = openPool({ maxCpuMs: 200 });
  await workerPool.run('ask', quick);
  const ready = () => processes().filter((pid) => !before.includes(pid));
  const first = ready();
  expect(first).toHaveLength(2);
  await expect(workerPool.run('readDrawing', { text: heavy, wish: null })).rejects.toMatchObject({ code: 'too-much' });
  // Of the two one was ended, which takes the machine a moment.
  const left = () => ready().filter((pid) => first.includes(pid));
  await until('the end of one', () => left().length <= 1);
  const standing = left();
  expect(standing).toHaveLength(1);
  await workerPool.run('ask', quick);
  expect(ready()).toEqual(expect.arrayContaining(standing));
});

it('one person holds at most half of the places and of the queue', async () => {
  const workerPool = openPool();
  const answering = closing();
  answering.setMaxListeners(100);
  const heavyFor = (person: string) =>
    workerPool
      .run('readDrawing', { text: heavy, wish: null }, { answering, person })
      .catch(({ code }: { code: string }) => code);
  const mine = Array.from({ length: MAX_RUNNING / 2 + MAX_WAITING / 2 + 3 }, () => heavyFor('bo'));
  // Places and room in the queue are left for others.
  expect(await workerPool.run('ask', quick, { person: 'rue' })).toMatchObject({ ok: true });
  answering.emit('close');
  const codes = await Promise.all(mine);
  expect(codes.filter((code) => code === 'busy')).toHaveLength(3);
  expect(codes.filter((code) => code === 'aborted')).toHaveLength(mine.length - 3);
});

it('ends the work when whoever asked has gone', async () => {
  const answering = closing();
  const asked = opened[0]!.run('readDrawing', { text: heavy, wish: null }, { answering });
  setTimeout(() => answering.emit('close'), 20);
  await expect(asked).rejects.toMatchObject({ code: 'aborted' });
  expect(answering.listenerCount('close')).toBe(0);
});
it('answers one while another is being worked out', async () => {
  const order: string[] = [];
  const answering = closing();
  const long = opened[0]!.run('readDrawing', { text: heavy, wish: null }, { answering }).then(
    () => order.push('long'),
    () => order.push('long'),
  );
  await opened[0]!.run('ask', quick).then(() => order.push('quick'));
  answering.emit('close');
  await long;
  expect(order).toEqual(['quick', 'long']);
});
it('refuses more than may wait', async () => {
  const answering = closing();
  answering.setMaxListeners(100);
  const more = 15;
  const asked = Array.from({ length: MAX_RUNNING + MAX_WAITING + more }, () =>
    opened[0]!.run('readDrawing', { text: heavy, wish: null }, { answering }),
  );
  const refusals = Promise.allSettled(asked).then((all) =>
    all.map((result) => result.status === 'rejected' && (result.reason as { code: string }).code),
  );
  setTimeout(() => answering.emit('close'), 100);
  const codes = await refusals;
  expect(codes.filter((code) => code === 'busy').length).toBe(more);
  expect(codes.filter((code) => code === 'aborted').length).toBe(MAX_RUNNING + MAX_WAITING);
});
it('tells how far it is: what is done, the pages as they are written, and those that wait their turn', async () => {
  const told: WorkProgress[][] = [[], [], [], [], []];
  const plain = {
    id: 'board' as PartId,
    name: 'Board',
    count: 1,
    substrate: 'steel',
    present: { system: 'filler-primer', colour: '#c7bfa6', ageH: 48 },
  } as const;
  const outline = { kind: 'rectangle', width: 4000, height: 2500 } as const;
  const design: Design = {
    ...emptyDesign('Large', 'other'),
    parts: [{ ...plain, surface: { kind: 'flat', outline }, datums: [BASE_DATUM], lines: [] }],
  };
  const wish = {
    what: 'template',
    unit: 'mm',
    part: 'board' as PartId,
    paper: 'A4',
    mirrored: false,
    single: false,
  } as const;
  const printed = await Promise.all(
    told.map((list) =>
      opened[0]!.run(
        'print',
        { design: JSON.stringify(design), shelf, wish },
        { tell: (progress) => list.push(progress) },
      ),
    ),
  );
  expect(printed.every(({ ok }) => ok)).toBe(true);
  for (const list of told) {
    const pages = list.filter(({ doing }) => doing === 'writing');
    expect(list.find(({ doing }) => doing !== 'waiting')).toEqual({ doing: 'working-out', done: 0, of: 0 });
    expect(pages[0]).toMatchObject({ done: 0 });
    expect(pages.every(({ done, of }) => of > 50 && done < of)).toBe(true);
  }
  expect(told.filter((list) => list[0]!.doing === 'waiting')).toHaveLength(told.length - MAX_RUNNING);
});
