import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Job, JobSummary, LogEvent, RunRecord } from '@lintrel/core';
import { DESIGN_VERSION, JOB_FILE_VERSION, readWorkSheet } from '@lintrel/core';
import request from 'supertest';
import { startTestServer, type TestServer } from '../testing/server';

// What an earlier version kept: a design, a plan frozen at the start and a log, as they lie in a database that was not touched since.

const old = (name: string) => readFileSync(join(__dirname, '../../../core/src/formats/old', name), 'utf8');
const file = JSON.parse(old('marigold-1.json')) as {
  design: Record<string, unknown>;
  log: Omit<LogEvent, 'version'>[];
};
// Its entries are no copies of those of the demo job.
const log = file.log.map((event) => ({ ...event, id: event.id.replace(/^.{8}/, '0a0a0a0a') }));
const plan = old('marigold-plan-1.json');
const id = '00000000-0000-4000-8000-00000000a001';

let server: TestServer;
const api = () => request(server.app);

beforeAll(async () => {
  server = await startTestServer();
  const { pool } = server;
  await pool.query('INSERT INTO jobs (id, title, kind, revision, design) VALUES ($1, $2, $3, 1, $4)', [
    id,
    'Marigold',
    'model',
    file.design,
  ]);
  await pool.query('INSERT INTO job_revisions (job_id, revision, design) VALUES ($1, 1, $2)', [id, file.design]);
  await pool.query('INSERT INTO started_plans (job_id, revision, plan) VALUES ($1, 1, $2)', [id, plan]);
  for (const { id: entry, at, kind, step, note } of log)
    await pool.query('INSERT INTO run_log (id, job_id, at, kind, step, note) VALUES ($1, $2, $3, $4, $5, $6)', [
      entry,
      id,
      at,
      kind,
      step,
      note,
    ]);
});
afterAll(() => server.close());

it('a design kept by an earlier version opens as one of today, with all that was in it', async () => {
  const { body } = await api().get(`/api/jobs/${id}`).expect(200);
  const { unit: _, ...kept } = file.design;
  expect((body as Job).design).toEqual({ version: DESIGN_VERSION, ...kept });
});

it('a draft of an earlier version, still on a phone, is saved', async () => {
  const { body } = await api()
    .put(`/api/jobs/${id}`)
    .send({ revision: 1, design: { ...file.design, title: 'Marigold again' } })
    .expect(200);
  expect(body).toMatchObject({ revision: 2 });
  expect(((await api().get(`/api/jobs/${id}`)).body as Job).design).toMatchObject({
    version: DESIGN_VERSION,
    title: 'Marigold again',
  });
});

it('a plan frozen by an earlier version comes back as it was frozen, and is worked by', async () => {
  const { body } = await api().get(`/api/jobs/${id}/run`).expect(200);
  const { started, events } = body as RunRecord;
  expect(started?.plan).toEqual(JSON.parse(plan));
  expect(events).toEqual(log.map((event) => ({ ...event, version: 1, seq: expect.any(Number) })));
  const sheet = readWorkSheet(JSON.parse(plan) as never);
  const done = new Set(events.filter(({ kind }) => kind === 'done').map(({ step }) => step));
  expect(sheet.steps.filter(({ id: step }) => done.has(step)).length).toBe(done.size);
  const { jobs } = (await api().get('/api/jobs')).body as { jobs: JobSummary[] };
  expect(jobs.find((job) => job.id === id)).toMatchObject({ title: 'Marigold again', state: 'finished' });
});

it('it is written to a file of today, and read again', async () => {
  const { text } = await api().get(`/api/jobs/${id}/file`).expect(200);
  const written = JSON.parse(text) as { version: number; log: LogEvent[] };
  expect(written).toMatchObject({ version: JOB_FILE_VERSION, design: { version: DESIGN_VERSION } });
  expect(written.log.map(({ version }) => version)).toEqual(log.map(() => 1));
});
