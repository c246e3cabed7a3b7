import { randomUUID } from 'node:crypto';
import { giveFinish, planJob, SHIPPED_SHELF, type Job, type JobSummary, type LogEvent, type RunRecord, type StepId } from '@lintrel/core';
import request from 'supertest';
import { startTestServer, type TestServer } from '../testing';

let server: TestServer;
let job: Job;
const api = () => request(server.app);
const event = (kind: LogEvent['kind'], step: string | null = null, minutesAgo = 0): LogEvent => ({
  id: randomUUID(),
  version: 1,
  at: new Date(Date.now() - minutesAgo * 60_000).toISOString(),
  kind,
  step: step as StepId | null,
  note: '',
});
const log = (entry: LogEvent, id = job.id) => api().post(`/api/jobs/${id}/log`).send(entry);

beforeAll(async () => {
  server = await startTestServer();
  const { body } = await api().get('/api/jobs');
  const brindle = (body.jobs as JobSummary[]).find(({ title }) => title === 'Brindle');
  job = (await api().get(`/api/jobs/${brindle?.id}`)).body as Job;
});
afterAll(() => server.close());

it('starts with the plan of the revision that was looked at, and freezes it', async () => {
  await api()
    .post(`/api/jobs/${job.id}/start`)
    .send({ revision: job.revision + 1, event: event('start') })
    .expect(409);
  const start = event('start', null, 200);
  const { body } = await api().post(`/api/jobs/${job.id}/start`).send({ revision: job.revision, event: start }).expect(201);
  const { started, events } = body as RunRecord;
  expect(JSON.stringify(started?.plan.steps)).toBe(JSON.stringify(planJob(job.design, SHIPPED_SHELF).steps));
  expect(events).toEqual([start]);
  await api()
    .put(`/api/jobs/${job.id}`)
    .send({ revision: job.revision, design: { ...job.design, climate: { ...job.design.climate, airC: 12 } } })
    .expect(200);
  const again = (await api().get(`/api/jobs/${job.id}/run`)).body as RunRecord;
  expect(again.started?.plan).toEqual(started?.plan);
  // The same start sent twice, as a phone does that is unsure, starts once.
  await api()
    .post(`/api/jobs/${job.id}/start`)
    .send({ revision: job.revision + 1, event: start })
    .expect(201);
  const { rows } = await server.pool.query('SELECT count(*)::int AS count FROM started_plans WHERE job_id = $1', [job.id]);
  expect(rows[0].count).toBe(1);
});

it('opens a window when the step before it is logged, and keeps an entry sent twice once', async () => {
  const first = planJob(job.design, SHIPPED_SHELF).steps.filter(({ kind }) => kind === 'coat');
  const done = event('done', first[0]!.id, 1);
  await log(done).expect(201);
  await log(done).expect(201);
  const { body } = await api().get('/api/jobs');
  const summary = (body.jobs as JobSummary[]).find(({ id }) => id === job.id);
  expect(summary?.state).toBe('in-shop');
  expect(summary?.windows.map(({ step }) => step)).toContain(first[1]!.id);
  const events = ((await api().get(`/api/jobs/${job.id}/run`)).body as RunRecord).events;
  expect(events.filter(({ id }) => id === done.id)).toHaveLength(1);
});

it.each<[string, Partial<LogEvent>, number, RegExp]>([
  ['of no kind', { kind: 'It exploded!' }, 422, /kind/],
  ['without a proper id', { id: '17' }, 422, /UUID/],
  ['from the future', { at: new Date(Date.now() + 3_600_000).toISOString() }, 422, /future/],
  ['at no time', { at: 'yesterday' }, 422, /time such as/],
  ['that starts the job by the back door', { kind: 'start' }, 422, /start/],
  ['with a novel for a note', { note: 'x'.repeat(4001) }, 422, /4000/],
])('refuses an entry %s', async (_, wrong, status, message) => {
  const { body } = await log({ ...event('note'), ...wrong }).expect(status);
  expect(JSON.stringify(body.error)).toMatch(message);
});

it('keeps an entry of an older phone, and one of a kind nobody knows yet', async () => {
  const { version: _, ...old } = event('note');
  expect(((await api().post(`/api/jobs/${job.id}/log`).send(old).expect(201)).body as RunRecord).events.at(-1)).toEqual({ ...old, version: 1 });
  const newer = event('sanded', 's1.coat.1');
  expect(((await log(newer).expect(201)).body as RunRecord).events.at(-1)).toEqual(newer);
});

it('does not let an entry move to another job', async () => {
  const mine = event('note');
  await log(mine).expect(201);
  const { body } = await api().post('/api/jobs').send({ title: 'Other', kind: 'other' });
  expect((await log(mine, body.id).expect(409)).body.error.code).toBe('conflict');
});

it('keeps the log append-only in the database itself', async () => {
  await expect(server.pool.query(`UPDATE run_log SET note = 'changed'`)).rejects.toThrow(/append-only/);
  await expect(server.pool.query('DELETE FROM run_log')).rejects.toThrow(/append-only/);
});

it('has nothing to start in an empty job', async () => {
  const { body } = await api().post('/api/jobs').send({ title: 'Empty', kind: 'other' });
  expect(
    (
      await api()
        .post(`/api/jobs/${body.id}/start`)
        .send({ revision: 1, event: event('start') })
        .expect(422)
    ).body.error.code,
  ).toBe('nothing-to-run');
  expect((await api().get(`/api/jobs/${body.id}/run`)).body).toEqual({ started: null, events: [] });
});

it('plans with the shelf as it is now, not as it was', async () => {
  const { body } = await api().get('/api/shelf');
  const vinyl = body.tapes.find(({ code }: { code: string }) => code === 'W18');
  await api().delete(`/api/shelf/tapes/${vinyl.code}`).expect(204);
  const plan = (await api().get(`/api/jobs/${job.id}/plan`)).body as ReturnType<typeof planJob>;
  expect(plan.lists.tape.map(({ tape }) => tape)).not.toContain('W18');
  expect(giveFinish(job.design, 'hull', plan.parts[0]!.areas[0]!, null).scheme.areas).toHaveLength(job.design.scheme.areas.length);
});
