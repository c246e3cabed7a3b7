import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  checkAgainst,
  type Design,
  firstItem,
  type Job,
  jobSchema,
  type JobSummary,
  planJob,
  type RunRecord,
  SHIPPED_SHELF,
} from '@lintrel/core';
import request from 'supertest';
import { findJob } from '../db/jobs';
import { migrate } from '../db/migrate';
import { seedIfEmpty } from '../seed';
import { startTestServer, tell, type TestServer } from '../testing/server';

let server: TestServer;
const api = () => request(server.app);
const list = async () => (await api().get('/api/jobs').expect(200)).body.jobs as JobSummary[];
const idOf = async (title: string) => (await list()).find((job) => job.title === title)?.id ?? '';
const jobOf = async (title: string) =>
  (
    await api()
      .get(`/api/jobs/${await idOf(title)}`)
      .expect(200)
  ).body as Job;
const example = (name: string) => readFileSync(join(__dirname, `../../../examples/${name}.json`), 'utf8');

beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

it('is seeded once with the demo workshop in the middle of its day', async () => {
  const jobs = await list();
  expect(jobs.map(({ title, state }) => `${title} ${state}`).sort()).toEqual([
    'Bramble planning',
    'Brindle planning',
    'Juniper in-shop',
    'Marigold finished',
    'Ostrel planning',
    'Saltwort in-shop',
    'Tansy planning',
  ]);
  const opening = firstItem(jobs.find(({ title }) => title === 'Juniper')?.windows ?? []);
  expect(opening.opens).toBeGreaterThan(Date.now());
  expect(opening.opens).toBeLessThan(Date.now() + 30 * 60_000);
  expect(await seedIfEmpty(server.pool, Date.now())).toBe(false);
  await migrate(server.pool);
  expect(await list()).toHaveLength(7);
});

it('makes a job, changes it, and has it after a restart of the server', async () => {
  const made = (await api().post('/api/jobs').send({ title: 'Plover', kind: 'boat' }).expect(201)).body as Job;
  expect(made).toMatchObject({ revision: 1, design: { title: 'Plover', kind: 'boat', scale: 1, parts: [] } });
  const saved = (
    await api()
      .put(`/api/jobs/${made.id}`)
      .send({ revision: 1, design: { ...made.design, title: 'Plover II' } })
      .expect(200)
  ).body as Job;
  expect(saved.revision).toBe(2);
  expect(((await api().get(`/api/jobs/${made.id}`)).body as Job).design.title).toBe('Plover II');
  const { rows } = await server.pool.query('SELECT revision FROM job_revisions WHERE job_id = $1 ORDER BY revision', [
    made.id,
  ]);
  expect(rows).toEqual([{ revision: 1 }, { revision: 2 }]);
});

it('answers a stale save with both versions and loses neither', async () => {
  const job = await jobOf('Brindle');
  await api()
    .put(`/api/jobs/${job.id}`)
    .send({ revision: job.revision, design: { ...job.design, title: 'Brindle, theirs' } })
    .expect(200);
  const mine: Design = { ...job.design, title: 'Brindle, mine' };
  const { body } = await api().put(`/api/jobs/${job.id}`).send({ revision: job.revision, design: mine }).expect(409);
  expect(body.error).toMatchObject({
    code: 'stale',
    versions: {
      yours: { design: mine },
      current: { revision: job.revision + 1, design: { title: 'Brindle, theirs' } },
    },
  });
  expect((await api().get(`/api/jobs/${job.id}`)).body.design.title).toBe('Brindle, theirs');
  await api()
    .put(`/api/jobs/${job.id}`)
    .send({ revision: job.revision + 1, design: { ...job.design, title: 'Brindle' } })
    .expect(200);
});

it('takes only one of many saves at once', async () => {
  const job = await jobOf('Brindle');
  const answers = await Promise.all(
    Array.from({ length: 8 }, () =>
      api().put(`/api/jobs/${job.id}`).send({ revision: job.revision, design: job.design }),
    ),
  );
  expect(answers.filter(({ status }) => status === 200)).toHaveLength(1);
  expect(answers.filter(({ status }) => status === 409)).toHaveLength(7);
});

it.each<[string, (design: Design) => unknown, string]>([
  [
    'a negative width',
    (design) => ({
      ...design,
      parts: [{ ...design.parts[0], surface: { kind: 'flat', outline: { kind: 'rectangle', width: -1, height: 5 } } }],
    }),
    'design.parts[0].surface.outline.width',
  ],
  [
    'a crossing outline',
    (design) => ({
      ...design,
      parts: [
        {
          ...design.parts[0],
          surface: {
            kind: 'flat',
            outline: {
              kind: 'polygon',
              points: [
                [0, 0],
                [9, 9],
                [9, 0],
                [0, 9],
              ],
            },
          },
        },
      ],
    }),
    'design.parts[0].surface.outline.points[2]',
  ],
  ['an empty title', (design) => ({ ...design, title: ' ' }), 'design.title'],
  [
    'a finish that is not there',
    (design) => ({ ...design, scheme: { areas: [{ ...design.scheme.areas[0], finish: 'mauve' }] } }),
    'design.scheme.areas[0].finish',
  ],
  ['a wrong type', (design) => ({ ...design, scale: '1:72' }), 'design.scale'],
  ['something unknown', (design) => ({ ...design, secret: 1 }), 'design.secret'],
])('refuses %s at its field and keeps what there was', async (_, change, path) => {
  const job = await jobOf('Juniper');
  const { body } = await api()
    .put(`/api/jobs/${job.id}`)
    .send({ revision: job.revision, design: change(job.design) })
    .expect(422);
  expect(body.error.code).toBe('invalid');
  expect(body.error.fields.map((field: { path: string }) => field.path)).toContain(path);
  expect((await jobOf('Juniper')).revision).toBe(job.revision);
});

it.each([`'; DROP TABLE jobs; --`, '<img src=x onerror=alert(1)>', '${7*7}', 'a'.repeat(120), 'Ωmega 船 🎨'])(
  'keeps the title %s as text',
  async (title) => {
    const { body } = await api().post('/api/jobs').send({ title, kind: 'other' }).expect(201);
    expect((await api().get(`/api/jobs/${body.id}`)).body.design.title).toBe(title);
    expect((await list()).some((job) => job.title === title)).toBe(true);
  },
);

it('refuses text that is none, and goes on', async () => {
  await api().post('/api/jobs').send({ title: 'a\u0000b', kind: 'other' }).expect(422);
  const { body } = await api()
    .post('/api/jobs')
    .set('content-type', 'application/json')
    .send('{"title":"\\ud800","kind":"other"}')
    .expect(422);
  expect(body.error.code).toBe('invalid');
  await api().get('/api/health').expect(200);
});

it.each([
  ['GET', '/api/jobs/not-a-uuid', 404],
  ['GET', `/api/jobs/${randomUUID()}`, 404],
  ['GET', `/api/jobs/${randomUUID()}/plan`, 404],
  ['GET', `/api/jobs/${randomUUID()}/file`, 404],
  ['GET', '/api/nothing', 404],
  ['DELETE', '/api/jobs', 404],
] as const)('answers %s %s with %d in the one shape', async (method, path, status) => {
  const { body } = await api()[method.toLowerCase() as 'get' | 'delete'](path).expect(status);
  expect(body.error).toMatchObject({ code: expect.any(String), message: expect.any(String) });
});

it('refuses ten megabytes, broken JSON and a body that is no object, and stays up', async () => {
  const big = await api()
    .post('/api/jobs')
    .set('content-type', 'application/json')
    .send(`{"title":"${'x'.repeat(10_000_000)}"}`);
  expect([big.status, big.body.error.code]).toEqual([413, 'too-large']);
  expect(
    (await api().post('/api/jobs').set('content-type', 'application/json').send('{"title":')).body.error.code,
  ).toBe('not-json');
  await api().post('/api/jobs').send([]).expect(422);
  await api().post('/api/jobs').set('content-type', 'text/plain').send('hello').expect(422);
  await api().get('/api/health').expect(200);
});

it('plans a job as the core does', async () => {
  const job = await jobOf('Juniper');
  const { text } = await api().get(`/api/jobs/${job.id}/plan`).expect(200);
  expect(text).toBe(JSON.stringify(planJob(job.design, SHIPPED_SHELF)));
});

it('takes a job file in and gives the same bytes out, log and all', async () => {
  const fresh = await startTestServer({ demo: false });
  const { text: file } = await api()
    .get(`/api/jobs/${await idOf('Juniper')}/file`)
    .expect(200);
  const take = () => request(fresh.app).post('/api/jobs/import').set('content-type', 'application/json').send(file);
  const { body } = await take().expect(201);
  const { text, headers } = await request(fresh.app).get(`/api/jobs/${body.id}/file`).expect(200);
  const [sent, back] = [JSON.parse(file), JSON.parse(text)];
  expect(sent.log.length).toBeGreaterThan(5);
  expect(JSON.stringify({ ...back, writtenAt: sent.writtenAt }, null, 2)).toBe(JSON.stringify(sent, null, 2));
  expect(headers['content-disposition']).toMatch(/juniper\.json/);
  // Its run sheet came with it: it goes on where it was.
  const run = async (app: TestServer['app'], id: string) =>
    (await request(app).get(`/api/jobs/${id}/run`)).body as RunRecord;
  const [there, here] = [await run(server.app, await idOf('Juniper')), await run(fresh.app, body.id)];
  expect(JSON.stringify(here.started?.plan)).toBe(JSON.stringify(there.started?.plan));
  const said = ({ events }: RunRecord) => events.map(({ seq: _, sheet: __, ...event }) => event);
  expect(said(here)).toEqual(said(there));
  const sheetsOf = ({ started, events }: RunRecord) => [
    ...new Set(events.map(({ sheet }) => sheet === started?.sheet)),
  ];
  expect(sheetsOf(here)).toEqual(sheetsOf(there));
  const summary = async (app: TestServer['app'], id: string) =>
    ((await request(app).get('/api/jobs')).body.jobs as JobSummary[]).find((job) => job.id === id);
  const [was, is] = [await summary(server.app, await idOf('Juniper')), await summary(fresh.app, body.id)];
  expect(is).toMatchObject({ state: was!.state, next: was!.next, windows: was!.windows });
  // The same shop takes it in once more as a copy, with entries of its own.
  const copy = (await take().expect(201)).body as Job;
  const copied = await run(fresh.app, copy.id);
  expect(copied.events.map(({ kind, step, at }) => [kind, step, at])).toEqual(
    here.events.map(({ kind, step, at }) => [kind, step, at]),
  );
  expect(copied.events.map(({ id }) => id).filter((id) => here.events.some((event) => event.id === id))).toEqual([]);
  await fresh.close();
});

it('refuses a frozen plan no run sheet can be read from, and takes one with odd lists and items without falling over them', async () => {
  const fresh = await startTestServer();
  const { id } = ((await request(fresh.app).get('/api/jobs')).body.jobs as JobSummary[]).find(
    ({ title }) => title === 'Juniper',
  )!;
  const file = JSON.parse((await request(fresh.app).get(`/api/jobs/${id}/file`)).text);
  const take = (plan: object) =>
    request(fresh.app)
      .post('/api/jobs/import')
      .send({ ...file, started: [{ current: true, plan }] });
  const { plan } = file.started[0] as { plan: { steps: { id: string; say: object; items: string[] }[] } };
  const broken: object[] = [
    { ...plan, format: 'other' },
    { ...plan, version: 0 },
    { ...plan, steps: 17 },
    { ...plan, steps: [{ id: 'a' }] },
    { ...plan, steps: plan.steps.map((step) => ({ ...step, say: null })) },
    {
      ...plan,
      steps: plan.steps.map((step) => ({
        ...step,
        after: [{ step: 'x', from: 'end', minMin: null, maxMin: null, code: 'over' }],
      })),
    },
  ];
  for (const one of broken) {
    const { body } = await take(one).expect(422);
    expect(body.error.fields[0].path).toBe('started[0].plan');
  }
  const odd = {
    ...plan,
    items: [{ id: plan.steps.find(({ items }) => items.length > 0)!.items[0], kind: 'plug', count: -1 }, null, 'x'],
    lists: { tape: 'none', supplies: [null, { code: 5 }] },
  };
  // One whose design was changed after its start comes in with its sheet as well.
  const changed = await request(fresh.app)
    .post('/api/jobs/import')
    .send({ ...file, started: [{ current: false, plan }] })
    .expect(201);
  const record = (await request(fresh.app).get(`/api/jobs/${changed.body.id}/run`).expect(200)).body as RunRecord;
  expect(record.started?.revision).toBe(0);
  const { body } = await take(odd).expect(201);
  for (const step of plan.steps.filter(({ items }) => items.length > 0).slice(0, 4))
    await tell(fresh, body.id, {
      id: randomUUID(),
      version: 1,
      at: new Date().toISOString(),
      kind: 'done',
      step: step.id,
      note: '',
    });
  await request(fresh.app).get('/api/shelf/reserved').expect(200);
  await fresh.close();
});

it('refuses a job file with a fault at each place and adds nothing', async () => {
  const before = (await list()).length;
  const file = JSON.parse(example('saltwort'));
  file.design.parts[0].lines[1].points = [];
  file.shelf.tapes[0].widthMm = 0;
  const { body } = await api().post('/api/jobs/import').send(file).expect(422);
  expect(body.error.fields.map(({ path }: { path: string }) => path).sort()).toEqual([
    'design.parts[0].lines[1].points',
    'shelf.tapes[0].widthMm',
  ]);
  expect((await list()).length).toBe(before);
});

it('sends security headers and no hint of what it runs on', async () => {
  const { headers } = await api().get('/api/health');
  expect(headers['content-security-policy']).toMatch(/default-src 'self'/);
  expect(headers['x-content-type-options']).toBe('nosniff');
  expect(headers['x-powered-by']).toBeUndefined();
  expect((await api().get('/api/jobs')).headers['cache-control']).toBe('no-store');
});

it('a job is read as it was saved, by the schema its readers know', async () => {
  const { body } = await api().get('/api/jobs');
  for (const { id } of body.jobs as JobSummary[]) {
    const read = (await api().get(`/api/jobs/${id}`).expect(200)).body as Job;
    expect(checkAgainst(jobSchema, read)).toEqual({ ok: true, value: read });
    expect(read).toEqual(await findJob(server.pool, id));
  }
});
