import { randomUUID } from 'node:crypto';
import {
  giveFinish,
  type Job,
  type JobSummary,
  type LogEvent,
  planJob,
  type RunRecord,
  SHIPPED_SHELF,
  type StepId,
} from '@lintrel/core';
import request from 'supertest';
import { startTestServer, tell, type TestServer } from '../testing/server';

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
const log = (entry: object, id = job.id) => tell(server, id, entry);
const kept = async () => ((await api().get(`/api/jobs/${job.id}/run`)).body as RunRecord).events;

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
  const { body } = await api()
    .post(`/api/jobs/${job.id}/start`)
    .send({ revision: job.revision, event: start })
    .expect(201);
  const { started, events } = body as RunRecord;
  expect(JSON.stringify(started?.plan.steps)).toBe(JSON.stringify(planJob(job.design, SHIPPED_SHELF).steps));
  expect(events).toEqual([{ ...start, seq: expect.any(Number), sheet: started!.sheet }]);
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
  const { rows } = await server.pool.query('SELECT count(*)::int AS count FROM started_plans WHERE job_id = $1', [
    job.id,
  ]);
  expect(rows[0].count).toBe(1);
});

it('opens a window when the step before it is logged, and keeps an entry sent twice once', async () => {
  const first = planJob(job.design, SHIPPED_SHELF).steps.filter(({ kind }) => kind === 'coat');
  const done = event('done', first[0]!.id, 1);
  const { seq } = await log(done);
  expect(await log(done)).toEqual({ id: done.id, seq });
  const { body } = await api().get('/api/jobs');
  const summary = (body.jobs as JobSummary[]).find(({ id }) => id === job.id);
  expect(summary?.state).toBe('in-shop');
  expect(summary?.windows.map(({ step }) => step)).toContain(first[1]!.id);
  const events = ((await api().get(`/api/jobs/${job.id}/run`)).body as RunRecord).events;
  expect(events.filter(({ id }) => id === done.id)).toHaveLength(1);
});

it.each<[string, Partial<LogEvent>, RegExp]>([
  ['of no kind', { kind: 'It exploded!' }, /kind/],
  ['without a proper id', { id: '17' }, /UUID/],
  ['from the future', { at: new Date(Date.now() + 3_600_000).toISOString() }, /future/],
  ['at no time', { at: 'yesterday' }, /time such as/],
  ['that starts the job by the back door', { kind: 'start' }, /start/],
  ['with a novel for a note', { note: 'x'.repeat(4001) }, /4000/],
])('refuses an entry %s, and takes what comes with it', async (_, wrong, message) => {
  const [bad, good] = [{ ...event('note'), ...wrong }, event('note')];
  const { body } = await api()
    .post(`/api/jobs/${job.id}/log`)
    .send({ entries: [bad, good] })
    .expect(201);
  expect(body.entries).toEqual([
    { id: bad.id, refused: { code: 'invalid', message: expect.stringMatching(message), now: expect.any(String) } },
    { id: good.id, seq: expect.any(Number) },
  ]);
});

it('tells what was logged after a number, and on which sheet', async () => {
  const last = (await kept()).at(-1)!.seq;
  const [a, b] = [
    event('note'),
    { ...event('trouble'), device: 'bench phone', deviceAt: new Date(Date.now() + 10_800_000).toISOString() },
  ];
  const { body: taken } = await api()
    .post(`/api/jobs/${job.id}/log`)
    .send({ entries: [a, b] })
    .expect(201);
  const { body } = await api().get(`/api/jobs/${job.id}/log?after=${last}`).expect(200);
  expect(body.events).toEqual([a, b].map((one, place) => ({ ...one, seq: taken.entries[place].seq })));
  expect(body.sheet).toBe(((await api().get(`/api/jobs/${job.id}/run`)).body as RunRecord).started!.sheet);
  expect((await api().get(`/api/jobs/${job.id}/log?after=${body.events[1].seq}`)).body.events).toEqual([]);
  await api().get(`/api/jobs/${job.id}/log?after=yesterday`).expect(422);
});

it('refuses a heap of entries, and none', async () => {
  const send = (entries: unknown) => api().post(`/api/jobs/${job.id}/log`).send({ entries }).expect(422);
  await send([]);
  await send('all');
  await send(Array.from({ length: 501 }, () => event('note')));
});

it('an entry from another sheet is kept and counts for nothing on the one that runs now', async () => {
  const other = ((await api().get('/api/jobs')).body.jobs as JobSummary[]).find(
    ({ title }) => title === 'Marigold',
  )!.id;
  const { revision } = (await api().get(`/api/jobs/${other}`)).body as Job;
  const begin = () =>
    api()
      .post(`/api/jobs/${other}/start`)
      .send({ revision, event: event('start') })
      .expect(201);
  await tell(server, other, { ...event('finish'), note: 'for the test' });
  const first = (await begin()).body as RunRecord;
  await tell(server, other, { ...event('finish'), note: 'for the test' });
  const second = (await begin()).body as RunRecord;
  expect(second.started!.sheet).toBeGreaterThan(first.started!.sheet);
  const nextOf = async () =>
    ((await api().get('/api/jobs')).body.jobs as JobSummary[]).find(({ id }) => id === other)!.nextStep;
  const before = await nextOf();
  // A phone that was away since the first start tells it now.
  await tell(server, other, { ...event('done', before), sheet: first.started!.sheet });
  expect(await nextOf()).toBe(before);
  await tell(server, other, { ...event('done', before), sheet: second.started!.sheet });
  expect(await nextOf()).not.toBe(before);
});

it('keeps an entry of an older phone, and one of a kind nobody knows yet', async () => {
  const { version: _, ...old } = event('note');
  await log(old);
  expect((await kept()).at(-1)).toEqual({ ...old, version: 1, seq: expect.any(Number) });
  const newer = event('sanded', 's1.coat.1');
  await log(newer);
  expect((await kept()).at(-1)).toMatchObject(newer);
});

it('does not let an entry move to another job', async () => {
  const mine = event('note');
  await log(mine);
  const { body } = await api().post('/api/jobs').send({ title: 'Other', kind: 'other' });
  expect(await log(mine, body.id)).toMatchObject({ refused: { code: 'conflict' } });
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
  expect(giveFinish(job.design, 'hull', plan.parts[0]!.areas[0]!, null).scheme.areas).toHaveLength(
    job.design.scheme.areas.length,
  );
});
