import { randomUUID } from 'node:crypto';
import type { BehaviourAnswer, JobSummary, Observed, RunRecord, Shelf } from '@lintrel/core';
import request from 'supertest';
import { startTestServer, tell, type TestServer } from '../testing/server';

let server: TestServer;
let id: string;
let coat: { id: string; at: number };
let finish: string;
let number: number;
beforeAll(async () => {
  server = await startTestServer();
  const { body } = await request(server.app).get('/api/jobs');
  id = (body.jobs as JobSummary[]).find(({ title }) => title === 'Saltwort')!.id;
  const { started, events } = (await request(server.app).get(`/api/jobs/${id}/run`)).body as RunRecord;
  const last = events.filter(({ kind }) => kind === 'done').at(-1)!;
  coat = { id: last.step!, at: Date.parse(last.at) };
  const { stages, steps } = started!.plan as unknown as {
    stages: { number: number; finish: string }[];
    steps: { id: string; stage: number }[];
  };
  const { stage } = steps.find((step) => step.id === last.step)!;
  number = stage - 1;
  finish = stages[number]!.finish;
});
afterAll(() => server.close());

const shelf = async () => (await request(server.app).get('/api/shelf').expect(200)).body as Shelf;
const behaviour = async () =>
  (await request(server.app).get(`/api/shelf/behaviour/${finish}`).expect(200)).body as BehaviourAnswer;
const see = async (minutes: number, saw: Observed, note = '') => {
  const { body } = await request(server.app).get(`/api/jobs/${id}/run`);
  const sheet = (body as RunRecord).started!.sheet;
  return tell(server, id, {
    id: randomUUID(),
    version: 3,
    at: new Date(coat.at + minutes * 60_000).toISOString(),
    kind: 'touch',
    step: coat.id,
    note,
    sheet,
    saw,
  });
};

it('knows nothing of a finish that nobody has touched', async () => {
  expect(await behaviour()).toEqual({ learned: null, seen: [] });
  expect(await shelf()).not.toHaveProperty('learned');
});

it('learns from a touch test at once, plans with it, and keeps what was seen as it was told', async () => {
  const before = (await request(server.app).get(`/api/jobs/${id}/plan`)).body as {
    stages: { windows: { touchMin: number } }[];
  };
  // Dry to the finger sooner than its sheet says.
  const minutes = Math.min(160, 0.6 * before.stages[number]!.windows.touchMin);
  expect(await see(minutes, { kind: 'feel', feel: 'dry' }, 'on the masking paper')).toHaveProperty('seq');
  const { learned, seen } = await behaviour();
  expect(learned).toMatchObject({ finish, count: 1 });
  expect(learned!.factor).toBeLessThan(0.9);
  expect(seen).toMatchObject([{ title: 'Saltwort', saw: { kind: 'feel', feel: 'dry' } }]);
  expect(seen[0]!.passedMin).toBeCloseTo(minutes, 3);
  expect((await shelf()).learned).toMatchObject([{ finish, count: 1 }]);
  const after = (await request(server.app).get(`/api/jobs/${id}/plan`)).body as typeof before & { learned: unknown };
  expect(after.stages[number]!.windows.touchMin).toBeCloseTo(
    before.stages[number]!.windows.touchMin * learned!.factor,
    2,
  );
  expect(after.learned).toMatchObject([{ finish, count: 1 }]);
  const { events } = (await request(server.app).get(`/api/jobs/${id}/run`)).body as RunRecord;
  expect(events.at(-1)).toMatchObject({ saw: { kind: 'feel', feel: 'dry' }, note: 'on the masking paper' });
});

it('learns nothing from how a coat was sprayed, but keeps it', async () => {
  await see(11, { kind: 'coat', passes: 2, pressureBar: 1.8, distanceMm: 200, thinnerPercent: 10 });
  expect((await behaviour()).learned).toMatchObject({ count: 1 });
});

it('refuses what cannot be', async () => {
  expect((await see(12, { kind: 'feel', feel: 'hairy' } as unknown as Observed)).refused).toBeDefined();
  expect((await see(12, { kind: 'coat', passes: 0 })).refused).toBeDefined();
});

it('is set back, and begins to learn anew', async () => {
  expect((await request(server.app).delete(`/api/shelf/behaviour/${finish}`).expect(200)).body).toEqual({
    learned: null,
    seen: [],
  });
  expect(await shelf()).not.toHaveProperty('learned');
});
