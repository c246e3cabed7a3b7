import { randomUUID } from 'node:crypto';
import {
  entryFingerprint,
  type Job,
  type JobSummary,
  type LogEvent,
  type RunRecord,
  type Shelf,
  shelfFingerprint,
} from '@lintrel/core';
import request from 'supertest';
import { startTestServer, tell, type TestServer } from '../testing/server';

// Who starts a job, and with which plan.

let server: TestServer;
const api = () => request(server.app);
const start = (): LogEvent => ({
  id: randomUUID(),
  version: 1,
  at: new Date().toISOString(),
  kind: 'start',
  step: null,
  note: '',
});
const jobNamed = async (title: string): Promise<Job> => {
  const { id } = ((await api().get('/api/jobs')).body.jobs as JobSummary[]).find((job) => job.title === title)!;
  return (await api().get(`/api/jobs/${id}`)).body as Job;
};
const shelf = async () => (await api().get('/api/shelf')).body as Shelf;
const begin = (job: Job, over: object = {}) =>
  api()
    .post(`/api/jobs/${job.id}/start`)
    .send({ revision: job.revision, event: start(), ...over });
const frozen = async ({ id }: Job) =>
  (await server.pool.query('SELECT count(*)::int AS count FROM started_plans WHERE job_id = $1', [id])).rows[0]
    .count as number;

beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

it('two phones that press Start at once freeze one plan and log one start: the other joins', async () => {
  const job = await jobNamed('Bramble');
  const answers = await Promise.all([begin(job), begin(job), begin(job)]);
  expect(answers.map(({ status }) => status)).toEqual([201, 201, 201]);
  const records = answers.map(({ body }) => body as RunRecord);
  expect(new Set(records.map(({ events }) => JSON.stringify(events))).size).toBe(1);
  expect(records[0]!.events.filter(({ kind }) => kind === 'start')).toHaveLength(1);
  expect(await frozen(job)).toBe(1);
  // Whoever comes later joins as well.
  const late = (await begin(job).expect(201)).body as RunRecord;
  expect(late.events).toHaveLength(1);
});

it('a job that is finished is begun anew, and one whose design was changed goes on with its new plan', async () => {
  const job = await jobNamed('Bramble');
  await tell(server, job.id, { ...start(), kind: 'finish', note: 'for the test' });
  await begin(job).expect(201);
  expect(await frozen(job)).toBe(2);
  const saved = (
    await api()
      .put(`/api/jobs/${job.id}`)
      .send({ revision: job.revision, design: { ...job.design, climate: { ...job.design.climate, airC: 19 } } })
      .expect(200)
  ).body as Job;
  await begin(saved).expect(201);
  expect(await frozen(job)).toBe(3);
});

it('a plan from another shelf than there is now is not frozen', async () => {
  const job = await jobNamed('Marigold');
  const before = await shelf();
  const had = await frozen(job);
  const mark = shelfFingerprint(before);
  const tape = before.tapes.find(({ code }) => code === 'F6')!;
  await api()
    .put(`/api/shelf/tapes/F6?was=${entryFingerprint(tape)}`)
    .send({ ...tape, stretch: 0.02 })
    .expect(200);
  expect((await begin(job, { shelf: mark }).expect(409)).body.error.code).toBe('stale-shelf');
  expect(await frozen(job)).toBe(had);
  await begin(job, { shelf: shelfFingerprint(await shelf()) }).expect(201);
  expect(await frozen(job)).toBe(had + 1);
});

it('how much there is of a thing changes no plan until there is none', async () => {
  const now = await shelf();
  const withRolls = (rolls: number): Shelf => ({
    ...now,
    tapes: now.tapes.map((tape) => (tape.code === 'F6' ? { ...tape, rolls } : tape)),
  });
  expect(shelfFingerprint(withRolls(3))).toBe(shelfFingerprint(now));
  expect(shelfFingerprint(withRolls(1))).toBe(shelfFingerprint(now));
  expect(shelfFingerprint(withRolls(0))).not.toBe(shelfFingerprint(now));
});

it('the work sheet is sent once: whoever has it says so, and gets a new one when the job is begun anew', async () => {
  const job = await jobNamed('Tansy');
  const first = (await begin(job).expect(201)).body as RunRecord;
  const run = async (have: string) =>
    (await api().get(`/api/jobs/${job.id}/run?have=${have}`).expect(200)).body as {
      started: { sheet: number; plan: object | null };
    };
  const { sheet } = first.started!;
  expect((await run('')).started.plan).toEqual(first.started!.plan);
  expect((await run(String(sheet))).started).toEqual({ ...first.started, plan: null });
  expect((await run(String(sheet + 1))).started.plan).toEqual(first.started!.plan);
  expect((await run('nonsense')).started.plan).toEqual(first.started!.plan);
  const done = { ...start(), kind: 'note' };
  const { text } = await api()
    .post(`/api/jobs/${job.id}/log`)
    .send({ entries: [done] })
    .expect(201);
  expect(text.length).toBeLessThan(200);
  await tell(server, job.id, { ...start(), kind: 'finish', note: 'for the test' });
  await begin(job).expect(201);
  expect((await run(String(sheet))).started.plan).not.toBeNull();
});

describe('the list of jobs', () => {
  const list = async (query = '') =>
    (await api().get(`/api/jobs${query}`).expect(200)).body as { jobs: JobSummary[]; more: string | null };
  it('comes page after page, each job once, those in the shop first', async () => {
    for (let number = 0; number < 230; number++)
      await server.pool.query(
        "INSERT INTO jobs (title, kind, revision, design) SELECT 'Many ' || $1::int, kind, 1, design FROM jobs LIMIT 1",
        [number],
      );
    const seen: JobSummary[] = [];
    let [after, pages] = ['', 0];
    for (;;) {
      const { jobs, more } = await list(after);
      seen.push(...jobs);
      pages++;
      if (more === null) break;
      after = `?after=${encodeURIComponent(more)}`;
    }
    const { rows } = await server.pool.query('SELECT count(*)::int AS count FROM jobs');
    expect(pages).toBe(5);
    expect(new Set(seen.map(({ id }) => id)).size).toBe(rows[0].count);
    expect(seen).toHaveLength(rows[0].count);
    const ranks = seen.map(({ state }) => ['in-shop', 'planning', 'finished'].indexOf(state));
    expect(ranks).toEqual([...ranks].sort());
  });
  it('is told for the shop alone', async () => {
    const { jobs } = await list('?state=in-shop');
    expect(jobs.length).toBeGreaterThan(1);
    expect(new Set(jobs.map(({ state }) => state))).toEqual(new Set(['in-shop']));
  });
  it('reads no design, no log and no plan of a job it knows', async () => {
    // With designs that could not be read the list would fail, if it read them.
    const client = await server.pool.connect();
    try {
      await client.query('BEGIN');
      await client.query("UPDATE jobs SET design = '17'");
      const { listJobs } = await import('../db/job-list');
      expect((await listJobs(client, { after: null, most: 5, shown: 'all' })).jobs).toHaveLength(5);
      await client.query('ROLLBACK');
    } finally {
      client.release();
    }
  });
  it('refuses a place that is none', async () => {
    const { body } = await api().get('/api/jobs?after=17').expect(422);
    expect(body.error.fields[0]).toMatchObject({ path: 'after', code: 'server.no-place' });
  });
});
