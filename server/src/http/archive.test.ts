import { randomUUID } from 'node:crypto';
import type { Job, JobSummary, RunRecord } from '@lintrel/core';
import request from 'supertest';
import { closeOpened } from '../../../e2e/opened';
import { purgeDeleted } from '../db/archive';
import { startTestServer, tell, type TestServer } from '../testing/server';

// Jobs that are archived, deleted, brought back, copied; and a shop without its demo.

let server: TestServer;
const api = () => request(server.app);
const listed = async (state = '') =>
  (
    await api()
      .get(`/api/jobs${state && `?state=${state}`}`)
      .expect(200)
  ).body.jobs as JobSummary[];
const titles = async (state = '') => (await listed(state)).map(({ title }) => title).sort();
const named = async (title: string) => (await listed()).find((job) => job.title === title)!;
const newJob = async (title: string) =>
  (await api().post('/api/jobs').send({ title, kind: 'other' }).expect(201)).body as Job;
const note = () => ({
  id: randomUUID(),
  version: 4,
  at: new Date().toISOString(),
  kind: 'note',
  step: null,
  note: 'from a phone that was away',
});

beforeAll(async () => void (server = await startTestServer()));
afterAll(closeOpened);

it('an archived job is out of the way, opens and changes as before, and comes back', async () => {
  const { id } = await newJob('Put away');
  await api().put(`/api/jobs/${id}/archived`).send({ archived: true }).expect(204);
  expect(await titles()).not.toContain('Put away');
  expect(await listed('archived')).toEqual([
    expect.objectContaining({ id, archivedAt: expect.any(String), deletedAt: null }),
  ]);
  const job = (await api().get(`/api/jobs/${id}`).expect(200)).body as Job;
  expect(job.archivedAt).toEqual(expect.any(String));
  await api().put(`/api/jobs/${id}`).send({ revision: 1, design: job.design }).expect(200);
  await api().put(`/api/jobs/${id}/archived`).send({ archived: false }).expect(204);
  expect(await titles()).toContain('Put away');
});

it('a job at work in the shop is put away only by whoever confirms it, and then takes nothing in the day', async () => {
  const { id } = await named('Juniper');
  for (const ask of [
    () => api().delete(`/api/jobs/${id}`),
    () => api().put(`/api/jobs/${id}/archived`).send({ archived: true }),
  ])
    expect((await ask().expect(409)).body.error.code).toBe('running');
  const work = async () =>
    ((await api().get('/api/day').expect(200)).body.work as { job: string }[]).map(({ job }) => job);
  expect(await work()).toContain(id);
  await api().delete(`/api/jobs/${id}?running=yes`).expect(204);
  expect(await work()).not.toContain(id);
  expect((await listed('in-shop')).map((job) => job.id)).not.toContain(id);
  await api().post(`/api/jobs/${id}/undelete`).expect(204);
  expect(await work()).toContain(id);
});

it('a deleted job comes back whole, its log too; meanwhile it is neither changed nor started, and its customers see nothing', async () => {
  const { id, revision } = await named('Marigold');
  const { events } = (await api().get(`/api/jobs/${id}/run`)).body as RunRecord;
  expect(events.length).toBeGreaterThan(3);
  const { token } = (await api().post(`/api/jobs/${id}/links`).expect(201)).body as { token: string };
  await api().delete(`/api/jobs/${id}`).expect(204);
  await api().delete(`/api/jobs/${id}`).expect(204);
  expect(await titles()).not.toContain('Marigold');
  const job = (await api().get(`/api/jobs/${id}`).expect(200)).body as Job;
  expect(job.deletedAt).toEqual(expect.any(String));
  expect((await api().put(`/api/jobs/${id}`).send({ revision, design: job.design }).expect(409)).body.error.code).toBe(
    'deleted',
  );
  const start = { revision, event: { ...note(), kind: 'start', note: '' } };
  expect((await api().post(`/api/jobs/${id}/start`).send(start).expect(409)).body.error.code).toBe('deleted');
  await api().get(`/api/link/${token}`).expect(404);
  // What a phone that was away sends is kept, and shown.
  const late = note();
  expect(await tell(server, id, late)).toHaveProperty('seq');
  expect((await listed('deleted')).find((one) => one.id === id)).toMatchObject({ late: 1 });
  await api().post(`/api/jobs/${id}/undelete`).expect(204);
  const after = (await api().get(`/api/jobs/${id}/run`)).body as RunRecord;
  expect(after.events.map((event) => event.id)).toEqual([...events.map((event) => event.id), late.id]);
  await api().put(`/api/jobs/${id}`).send({ revision, design: job.design }).expect(200);
  await api().get(`/api/link/${token}`).expect(404);
});

it('what a shop has learned from a deleted job counts no more, and again once it is back', async () => {
  const { started } = (await api().get(`/api/jobs/${(await named('Saltwort')).id}/run`)).body as RunRecord;
  expect(started).not.toBeNull();
  const saltwort = (await named('Saltwort')).id;
  const coat = (started!.plan.steps as readonly { id: string; kind: string; stage: number | null }[])
    .filter(({ kind }) => kind === 'coat')
    .at(0)!;
  const seen = { ...note(), kind: 'touch', step: coat.id, sheet: started!.sheet, saw: { kind: 'feel', feel: 'dry' } };
  await api()
    .post(`/api/jobs/${saltwort}/log`)
    .send({ entries: [seen] })
    .expect(201);
  const learned = async () => ((await api().get('/api/shelf')).body.learned ?? []) as { count: number }[];
  const before = await learned();
  await api().delete(`/api/jobs/${saltwort}?running=yes`).expect(204);
  expect((await learned()).length).toBe(before.length - 1);
  await api().post(`/api/jobs/${saltwort}/undelete`).expect(204);
  expect(await learned()).toEqual(before);
});

it('a copy has the design of a job and nothing of what was done', async () => {
  const { id } = await named('Juniper');
  const copy = (await api().post(`/api/jobs/${id}/duplicate`).expect(201)).body as Job;
  const job = (await api().get(`/api/jobs/${id}`)).body as Job;
  expect(copy).toMatchObject({ revision: 1, design: { ...job.design, title: 'Juniper copy' } });
  expect((await api().get(`/api/jobs/${copy.id}/run`)).body).toEqual({ started: null, events: [] });
  await api().post(`/api/jobs/${randomUUID()}/duplicate`).expect(404);
});

it('a job that was deleted a month ago goes whole with the next backup, one that was not stays', async () => {
  const [old, fresh] = [await newJob('Long gone'), await newJob('Just gone')];
  await tell(server, old.id, note());
  for (const { id } of [old, fresh]) await api().delete(`/api/jobs/${id}`).expect(204);
  await server.pool.query("UPDATE jobs SET deleted_at = now() - interval '31 days' WHERE id = $1", [old.id]);
  expect(await purgeDeleted(server.pool)).toBe(1);
  await api().get(`/api/jobs/${old.id}`).expect(404);
  await api().get(`/api/jobs/${fresh.id}`).expect(200);
  await expect(server.pool.query('DELETE FROM run_log')).rejects.toThrow(/append-only/);
});

it('the demo goes in one step, the shelf and own jobs stay, and each job of it can be brought back', async () => {
  const job = await newJob('Our own');
  const shelf = (await api().get('/api/shelf')).body as { tapes: object[] };
  expect((await api().get('/api/shop/own').expect(200)).body.demoJobs).toBeGreaterThanOrEqual(7);
  await api().post('/api/shop/own').expect(200);
  expect((await api().get('/api/shop/own')).body).toEqual({ demoJobs: 0 });
  expect((await listed()).map(({ id }) => id)).toContain(job.id);
  expect(await titles()).not.toContain('Ostrel');
  expect(((await api().get('/api/shelf')).body as { tapes: object[] }).tapes).toEqual(shelf.tapes);
  const ostrel = (await listed('deleted')).find(({ title }) => title === 'Ostrel')!;
  await api().post(`/api/jobs/${ostrel.id}/undelete`).expect(204);
  expect(await titles()).toContain('Ostrel');
});
