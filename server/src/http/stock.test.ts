import { randomUUID } from 'node:crypto';
import {
  type BookStock,
  entryFingerprint,
  type Job,
  type JobSummary,
  type LogEvent,
  type RunRecord,
  type Shelf,
  SHIPPED_SHELF,
  type StockMove,
  type StockReserved,
  type Tape,
} from '@lintrel/core';
import request from 'supertest';
import { startTestServer, tell, type TestServer } from '../testing/server';

let server: TestServer;
let job: Job;
let started: RunRecord;
const api = () => request(server.app);
const now = () => new Date().toISOString();
const event = (kind: LogEvent['kind'], step: LogEvent['step'] = null): LogEvent => ({
  id: randomUUID(),
  version: 1,
  at: now(),
  kind,
  step,
  note: '',
});
const log = async (entry: LogEvent) => expect(await tell(server, job.id, entry)).toHaveProperty('seq');
const booked = (over: Partial<BookStock>): BookStock => ({
  id: randomUUID(),
  at: now(),
  stuff: 'tapes',
  code: 'F6',
  reason: 'received',
  packs: 1,
  note: '',
  ...over,
});
const book = (move: BookStock) => api().post('/api/shelf/moves').send(move);
const shelf = async () => (await api().get('/api/shelf')).body as Shelf;
const rollsOf = async (code: string) => (await shelf()).tapes.find((tape) => tape.code === code)?.rolls;
const movesOf = async (code: string, stuff = 'tapes') =>
  (await api().get(`/api/shelf/moves/${stuff}/${code}`)).body.moves as StockMove[];
const reserved = async () => (await api().get('/api/shelf/reserved').expect(200)).body.reserved as StockReserved[];

beforeAll(async () => {
  server = await startTestServer();
  const { body } = await api().get('/api/jobs');
  const tansy = (body.jobs as JobSummary[]).find(({ title }) => title === 'Tansy');
  job = (await api().get(`/api/jobs/${tansy?.id}`)).body as Job;
});
afterAll(() => server.close());

it('ships what covers besides tape', async () =>
  expect((await shelf()).supplies?.map(({ code }) => code)).toEqual(SHIPPED_SHELF.supplies?.map(({ code }) => code)));

it('is not counted until somebody counts; then what comes is added, once however often it is told', async () => {
  expect(await rollsOf('F6')).toBeUndefined();
  await book(booked({ reason: 'counted', packs: 2 })).expect(201);
  const move = booked({ packs: 3, note: 'from the counter' });
  await book(move).expect(201);
  await book(move).expect(201);
  expect(await rollsOf('F6')).toBe(5);
  expect((await movesOf('F6')).map(({ reason, packs, note }) => [reason, packs, note])).toEqual([
    ['received', 3, 'from the counter'],
    ['counted', 2, ''],
  ]);
});

it('stays as it was booked where somebody changes the figures of an entry meanwhile', async () => {
  const tape = (await shelf()).tapes.find(({ code }) => code === 'F6') as Tape;
  const { body } = await api()
    .put(`/api/shelf/tapes/F6?was=${entryFingerprint(tape)}`)
    .send({ ...tape, name: 'Film, stiff', rolls: 40, rollPrice: 12 })
    .expect(200);
  expect(body).toMatchObject({ name: 'Film, stiff', rolls: 5, rollPrice: 12 });
});

it('of a job in the shop is reserved until it is laid', async () => {
  started = (
    await api()
      .post(`/api/jobs/${job.id}/start`)
      .send({ revision: job.revision, event: event('start') })
      .expect(201)
  ).body as RunRecord;
  const film = (await reserved()).find(({ code }) => code === 'F6');
  expect(film).toMatchObject({ stuff: 'tapes', jobs: expect.arrayContaining(['Tansy']) });
  expect(film!.packs).toBeGreaterThan(0);
});

it('is booked by the run sheet, once, and back where a step was not done after all', async () => {
  const items = started.started!.plan as unknown as {
    steps: { id: LogEvent['step']; kind: string; items: string[] }[];
    items: { id: string; material: string; lengthMm: number; count: number }[];
  };
  const line = items.items.find(({ material }) => material === 'F6')!;
  const step = items.steps.find(({ kind, items: laid }) => kind === 'lay' && laid.includes(line.id))!.id;
  const before = (await rollsOf('F6'))!;
  await log(event('done', step));
  const rolls = (line.lengthMm * line.count) / 1000 / 55;
  expect(before - (await rollsOf('F6'))!).toBeCloseTo(rolls, 9);
  const left = (await reserved()).find(({ code }) => code === 'F6')?.packs ?? 0;
  await log(event('done', step));
  expect(before - (await rollsOf('F6'))!).toBeCloseTo(rolls, 9);
  await log(event('undo', step));
  expect(await rollsOf('F6')).toBeCloseTo(before, 9);
  expect((await reserved()).find(({ code }) => code === 'F6')!.packs).toBeCloseTo(left + rolls, 9);
  expect((await movesOf('F6')).slice(0, 2).map(({ reason, jobId, step: of }) => [reason, jobId, of])).toEqual([
    ['back', job.id, step],
    ['used', job.id, step],
  ]);
});

it('of a finished job is reserved no longer', async () => {
  // With its plugs still in it is closed only with a word on why.
  expect(await tell(server, job.id, event('finish'))).toMatchObject({ refused: { code: 'plugs-in' } });
  expect(await reserved()).not.toEqual([]);
  await log({ ...event('finish'), note: 'taken over by the owner, plugs and all' });
  expect((await reserved()).filter(({ jobs }) => jobs.includes('Tansy'))).toEqual([]);
});

it('never falls below nothing, and takes supplies as it takes tapes', async () => {
  await book(booked({ stuff: 'supplies', code: 'foam-10', reason: 'counted', packs: 0.5 })).expect(201);
  expect((await shelf()).supplies?.find(({ code }) => code === 'foam-10')?.packs).toBe(0.5);
  expect(await movesOf('foam-10', 'supplies')).toHaveLength(1);
});

it('is not counted any more where a person says so', async () => {
  await book(booked({ stuff: 'supplies', code: 'foam-10', reason: 'uncounted', packs: 0 })).expect(201);
  expect((await shelf()).supplies?.find(({ code }) => code === 'foam-10')?.packs).toBeUndefined();
});

it('refuses what is not there, and what cannot be', async () => {
  await book(booked({ code: 'Q99' })).expect(404);
  await book(booked({ packs: -1 })).expect(422);
  await book({ ...booked({}), reason: 'used' as never }).expect(422);
  await api().get('/api/shelf/moves/finishes/x').expect(404);
});

it('is kept as a log: nothing booked is changed afterwards', async () => {
  await expect(server.pool.query("UPDATE stock_moves SET packs = 0 WHERE code = 'F6'")).rejects.toThrow(/append-only/);
});
