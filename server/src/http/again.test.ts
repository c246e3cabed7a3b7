import { randomUUID } from 'node:crypto';
import {
  type Finish,
  type Job,
  type JobSummary,
  type LogEvent,
  type RunRecord,
  SHIPPED_SHELF,
  type StepId,
} from '@lintrel/core';
import request from 'supertest';
import { startTestServer, tell, type TestServer } from '../testing/server';

// A phone that does not know whether it was heard says the same again. It is kept once, and nobody else's work is lost by it.

let server: TestServer;
let job: Job;
const api = () => request(server.app);
const entry = (kind: LogEvent['kind'], changes: Partial<LogEvent> = {}): LogEvent => ({
  id: randomUUID(),
  version: 1,
  at: new Date().toISOString(),
  kind,
  step: null,
  note: '',
  ...changes,
});
const put = (revision: number, title: string, save?: string) =>
  api()
    .put(`/api/jobs/${job.id}`)
    .send({ revision, ...(save ? { save } : {}), design: { ...job.design, title } });
const start = (event: LogEvent, revision: number) => api().post(`/api/jobs/${job.id}/start`).send({ revision, event });
const log = (event: LogEvent) => tell(server, job.id, event);
const kept = async (event: LogEvent) =>
  ((await api().get(`/api/jobs/${job.id}/run`)).body as RunRecord).events.filter(({ id }) => id === event.id);
const frozen = async () =>
  (await server.pool.query('SELECT 1 FROM started_plans WHERE job_id = $1', [job.id])).rowCount;
const now = async () => (await api().get(`/api/jobs/${job.id}`)).body as Job;

beforeAll(async () => {
  server = await startTestServer();
  const { id } = ((await api().get('/api/jobs')).body.jobs as JobSummary[]).find(
    ({ title }) => title === 'Tansy',
  ) as JobSummary;
  job = (await api().get(`/api/jobs/${id}`)).body as Job;
});
afterAll(() => server.close());

describe('a save', () => {
  it('sent again answers as it did the first time and makes no second revision', async () => {
    const save = randomUUID();
    const first = (await put(1, 'Mine', save).expect(200)).body as Job;
    expect(first).toMatchObject({ revision: 2, save });
    expect((await put(1, 'Mine', save).expect(200)).body).toEqual(first);
    expect((await now()).revision).toBe(2);
  });
  it('sent many times at once is kept once', async () => {
    const save = randomUUID();
    const answers = await Promise.all(Array.from({ length: 10 }, () => put(2, 'At once', save)));
    expect(answers.map(({ status, body }) => [status, body.revision])).toEqual(
      Array.from({ length: 10 }, () => [200, 3]),
    );
    expect((await now()).revision).toBe(3);
  });
  it('sent again after a colleague saved answers with its own revision and leaves theirs', async () => {
    const save = randomUUID();
    await put(3, 'Mine', save).expect(200);
    await put(4, 'Theirs', randomUUID()).expect(200);
    expect((await put(3, 'Mine', save).expect(200)).body).toMatchObject({ revision: 4, design: { title: 'Mine' } });
    expect(await now()).toMatchObject({ revision: 5, design: { title: 'Theirs' } });
  });
  it('of its own that is stale names the save that came before', async () => {
    const { body } = await put(4, 'Late', randomUUID()).expect(409);
    expect(body.error.versions.current).toMatchObject({
      revision: 5,
      save: (await now()).save,
      design: { title: 'Theirs' },
    });
    await put(4, 'No id, as an older page sends').expect(409);
  });
  it('with an id that is none is refused', async () => void (await put(5, 'T', 'mine').expect(422)));
});

describe('a start', () => {
  it('sent again, one after the other or at once, freezes one plan', async () => {
    const event = entry('start');
    const answers = await Promise.all(Array.from({ length: 6 }, () => start(event, 5)));
    expect(answers.map(({ status }) => status)).toEqual([201, 201, 201, 201, 201, 201]);
    expect(await frozen()).toBe(1);
    await start(event, 5).expect(201);
    expect(await frozen()).toBe(1);
    expect(
      ((await api().get(`/api/jobs/${job.id}/run`)).body as RunRecord).events.filter(({ id }) => id === event.id),
    ).toHaveLength(1);
  });
  it('whose answer was lost is answered even when the design has changed since', async () => {
    const event = entry('start');
    await start(event, 5).expect(201);
    await put(5, 'Changed since', randomUUID()).expect(200);
    expect((await start(event, 5).expect(201)).body.started.revision).toBe(5);
    // Another phone that has seen that plan joins; one that has seen an older one is refused.
    expect((await start(entry('start'), 5).expect(201)).body.started.revision).toBe(5);
    expect(await frozen()).toBe(1);
    await start(entry('start'), 4).expect(409);
  });
});

describe('an entry', () => {
  it('sent again is kept once', async () => {
    const event = entry('note', { note: 'Tacky' });
    const told = await Promise.all(Array.from({ length: 8 }, () => log(event)));
    const { seq } = told[0]!;
    expect(told).toEqual(Array.from({ length: 8 }, () => ({ id: event.id, seq })));
    expect(await kept(event)).toEqual([{ ...event, seq }]);
  });
  it.each<[string, Partial<LogEvent>]>([
    ['note', { note: 'Dry' }],
    ['step', { step: 'other' as StepId }],
    ['kind', { kind: 'trouble' }],
    ['time', { at: '2026-01-01T00:00:00.000Z' }],
  ])('with an id that stands for another %s is refused, not dropped', async (_, changes) => {
    const event = entry('note', { note: 'Tacky' });
    const { seq } = await log(event);
    expect(await log({ ...event, ...changes })).toMatchObject({
      refused: { code: 'conflict', message: expect.stringMatching(/other content/) },
    });
    expect(await kept(event)).toEqual([{ ...event, seq }]);
  });
});

describe('a finish that is named and taken off the shelf at the same moment', () => {
  const finish: Finish = { ...SHIPPED_SHELF.finishes[0]!, id: 'passing', name: 'Passing' };
  it('is either still there for the job, or was refused to it', async () => {
    for (let round = 0; round < 15; round++) {
      await api().post('/api/shelf/finishes').send(finish).expect(201);
      const made = (
        await api()
          .post('/api/jobs')
          .send({ title: `Round ${round}`, kind: 'other' })
          .expect(201)
      ).body as Job;
      const named = { ...made.design, choices: { ...made.design.choices, order: ['passing'] } };
      const [saved, removed] = await Promise.all([
        api().put(`/api/jobs/${made.id}`).send({ revision: 1, save: randomUUID(), design: named }),
        api().delete('/api/shelf/finishes/passing'),
      ]);
      expect([`${saved.status} ${removed.status}`]).toEqual([expect.stringMatching(/^(200 409|422 204)$/)]);
      await api().get(`/api/jobs/${made.id}/plan`).expect(200);
      if (saved.status === 200) {
        await api()
          .put(`/api/jobs/${made.id}`)
          .send({ revision: 2, save: randomUUID(), design: made.design })
          .expect(200);
        await api().delete('/api/shelf/finishes/passing').expect(204);
      }
    }
  });
});
