import type { AddressInfo } from 'node:net';
import { createServer, type Server } from 'node:net';
import type { CutState } from '@lintrel/core';
import { pino } from 'pino';
import request from 'supertest';
import { cutterAt } from '../cutter';
import { cutting } from '../cutter/sending';
import { DEFAULT_CUTTER, type SimulatedCutter, startSimulatedCutter } from '../cutter/simulated';
import { startTestServer, type TestServer } from '../testing/server';
import { createApp } from './app';

let fresh: TestServer;
let jobs: { readonly id: string; readonly title: string }[];
const closing: (() => Promise<unknown>)[] = [];

beforeAll(async () => {
  fresh = await startTestServer();
  jobs = ((await request(fresh.app).get('/api/jobs')).body as { readonly jobs: typeof jobs }).jobs;
});
afterAll(async () => {
  for (const close of closing) await close();
  await fresh.close();
});

const idOf = (title: string): string => jobs.find((job) => job.title === title)!.id;
const appWith = (port: number | null) =>
  createApp({
    pool: fresh.pool,
    log: pino({ level: 'silent' }),
    clientFolder: null,
    workshop: fresh.workshop,
    hub: fresh.hub,
    cutter: cutterAt(port),
  });
const simulated = async (means: Partial<typeof DEFAULT_CUTTER>): Promise<SimulatedCutter> => {
  const cutter = await startSimulatedCutter({ ...DEFAULT_CUTTER, ...means });
  closing.push(cutter.close);
  return cutter;
};
/** Asks until it is over. */
async function ended(
  app: ReturnType<typeof appWith>,
  id: string,
  enough: (state: CutState) => boolean = ({ state }) => state !== 'cutting',
): Promise<CutState> {
  for (let turn = 0; turn < 400; turn++) {
    const state = (await request(app).get(`/api/cutter/${id}`).expect(200)).body as CutState;
    if (enough(state)) return state;
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
  throw new Error('the cutter did not end');
}
const sent = async (app: ReturnType<typeof appWith>, title: string, widthMm: number): Promise<CutState> =>
  (
    await request(app)
      .post('/api/cutter')
      .send({ job: idOf(title), widthMm })
      .expect(201)
  ).body as CutState;

it('cuts all masks of a job and answers with a picture of them', async () => {
  const app = appWith((await simulated({ speed: 1e6 })).port);
  const { id, of } = await sent(app, 'Ostrel', 600);
  const state = await ended(app, id);
  expect(state).toMatchObject({ state: 'done', done: of });
  expect(of).toBeGreaterThan(5);
  expect(state.picture).toMatch(/^<svg /);
  expect(state.picture!.match(/<path /g)).toHaveLength(of);
});
it('is stopped in between, with what was cut by then', async () => {
  const app = appWith((await simulated({ speed: 3000 })).port);
  const { id } = await sent(app, 'Ostrel', 600);
  await ended(app, id, ({ done }) => done >= 1);
  await request(app).delete(`/api/cutter/${id}`).expect(200);
  const state = await ended(app, id);
  expect(state.state).toBe('cancelled');
  expect(state.done).toBeLessThan(state.of);
  expect(state.picture!.match(/<path /g)).toHaveLength(state.done);
});
it('says when the sheet is too small, before anything is cut', async () => {
  const app = appWith((await simulated({ lengthMm: 100, speed: 1e6 })).port);
  const { id } = await sent(app, 'Ostrel', 600);
  expect(await ended(app, id)).toMatchObject({ state: 'out-of-sheet', done: 0, picture: null });
});
it('says when the line breaks, and how far it was', async () => {
  const cutter = await startSimulatedCutter({ ...DEFAULT_CUTTER, speed: 3000 });
  const app = appWith(cutter.port);
  const { id } = await sent(app, 'Ostrel', 600);
  await ended(app, id, ({ done }) => done >= 1);
  await cutter.close();
  const state = await ended(app, id);
  expect(state.state).toBe('broken');
  expect(state.done).toBeGreaterThanOrEqual(1);
  // The next is sent to nobody.
  expect(await ended(app, (await sent(app, 'Ostrel', 600)).id)).toMatchObject({ state: 'broken', done: 0 });
});
it('does not believe something else that listens there', async () => {
  const other: Server = createServer((socket) =>
    socket.on('error', () => socket.destroy()).end('220 mail.example ESMTP\r\n'),
  );
  await new Promise<void>((resolve) => other.listen(0, '127.0.0.1', resolve));
  closing.push(() => new Promise((resolve) => other.close(resolve)));
  const app = appWith((other.address() as AddressInfo).port);
  expect(await ended(app, (await sent(app, 'Ostrel', 600)).id)).toMatchObject({ state: 'broken' });
});
it('refuses jobs without masks, jobs that are not there, and cuts nobody sent', async () => {
  const app = appWith(null);
  await request(app)
    .post('/api/cutter')
    .send({ job: idOf('Saltwort'), widthMm: 10 })
    .expect(422);
  await request(app)
    .post('/api/cutter')
    .send({ job: 'b4b1f2a0-0000-4000-8000-000000000000', widthMm: 150 })
    .expect(404);
  await request(app)
    .post('/api/cutter')
    .send({ job: idOf('Ostrel') })
    .expect(422);
  await request(app).get('/api/cutter/nothing').expect(404);
  await request(app).delete('/api/cutter/nothing').expect(404);
});
it('forgets the oldest jobs, not the newest', async () => {
  const port = (await simulated({ speed: 1e6 })).port;
  const sender = cutting(() => Promise.resolve(port));
  const states: CutState[] = [];
  for (let count = 0; count < 53; count++)
    states.push(await sender.send({ name: 'x', widthMm: 100, lengthMm: 100, paths: [] }));
  expect(sender.stateOf(states[0]!.id)).toBeNull();
  expect(sender.stateOf(states.at(-1)!.id)).not.toBeNull();
});
