import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { type Design, type Job, type JobSummary, MAX_EVENTS, MAX_SHELF_ENTRIES, SHIPPED_SHELF } from '@lintrel/core';
import request from 'supertest';
import { startTestServer, tell, type TestServer } from '../testing/server';

let server: TestServer;
const api = () => request(server.app);
const json = (path: string, text: string, method: 'post' | 'put' = 'post') =>
  api()[method](path).set('content-type', 'application/json').send(text);
const example = (name: string) => JSON.parse(readFileSync(join(__dirname, `../../../examples/${name}.json`), 'utf8'));
const jobNamed = async (title: string): Promise<Job> => {
  const { id } = ((await api().get('/api/jobs')).body.jobs as JobSummary[]).find(
    (job) => job.title === title,
  ) as JobSummary;
  return (await api().get(`/api/jobs/${id}`)).body as Job;
};

beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

/** As many empty objects as four megabytes hold. */
const bomb = (key: string) => `{"${key}":[${'{},'.repeat(1_300_000)}{}]}`;

describe('what is made to be refused', () => {
  it.each([
    ['log', /^log: has at most/],
    ['a', /a.*not known/],
  ])('a million entries of "%s" in a job file are refused with few words', async (key, says) => {
    const { body, text } = await json('/api/jobs/import', bomb(key)).expect(422);
    expect(
      body.error.fields.map(({ path, message }: { path: string; message: string }) => `${path}: ${message}`).join('\n'),
    ).toMatch(key === 'log' ? /log: has at most 10000 events/ : says);
    expect(text.length).toBeLessThan(20_000);
  });
  it('the same packed to a few kilobytes is no better', async () => {
    const packed = gzipSync(bomb('log'));
    expect(packed.length).toBeLessThan(20_000);
    await api()
      .post('/api/jobs/import')
      .set('content-encoding', 'gzip')
      .set('content-type', 'application/json')
      .serialize((one) => one)
      .send(packed)
      .expect(422);
    const { body } = await api()
      .post('/api/jobs')
      .set('content-encoding', 'gzip')
      .set('content-type', 'application/json')
      .serialize((one) => one)
      .send(gzipSync(`{"title":"${'x'.repeat(50_000_000)}"}`))
      .expect(413);
    expect(body.error).toMatchObject({ code: 'too-large', message: expect.stringMatching(/at most 200 kB/) });
  });
  it.each(['parts', 'scheme.areas', 'parts[0].lines', 'parts[0].lines[0].points'])(
    'a million entries in %s of a design are refused',
    async (place) => {
      const job = await jobNamed('Saltwort');
      const design = structuredClone(job.design) as unknown as Record<string, unknown>;
      const keys = place.split(/[.[\]]+/).filter((key) => key !== '');
      const last = keys.pop() as string;
      const holder = keys.reduce<Record<string, unknown>>((at, key) => at[key] as Record<string, unknown>, design);
      holder[last] = Array.from({ length: 900_000 }, () => ({}));
      const { body, text } = await json(
        `/api/jobs/${job.id}`,
        JSON.stringify({ revision: job.revision, design }),
        'put',
      ).expect(422);
      expect(
        body.error.fields.some(({ path }: { path: string }) =>
          path.startsWith(`design.${place.replace(/\[0\].*/, '')}`),
        ),
      ).toBe(true);
      expect(text.length).toBeLessThan(20_000);
      expect((await jobNamed('Saltwort')).revision).toBe(job.revision);
    },
  );
  it('tells back little of what was sent', async () => {
    const { text } = await json(
      '/api/jobs',
      JSON.stringify({ title: 'T', kind: 'x'.repeat(90_000), ['k'.repeat(90_000)]: 1 }),
    ).expect(422);
    expect(text.length).toBeLessThan(2_000);
    const asked = Object.fromEntries(
      Array.from({ length: 3_000 }, (_, index) => [`${'q'.repeat(40)}${index}`, 'y'.repeat(10)]),
    );
    expect((await json('/api/ask/dew', JSON.stringify(asked)).expect(422)).text.length).toBeLessThan(20_000);
    expect(
      (await json('/api/ask/dew', JSON.stringify({ air: 'z'.repeat(150_000), rh: 50 })).expect(422)).text.length,
    ).toBeLessThan(2_000);
    for (const path of ['/api/jobs', '/api/ask/dew'])
      await json(path, JSON.stringify({ air: 'z'.repeat(300_000) })).expect(413);
  });
  it.each(['/api/sign-in', '/api/sign-in/set-up', '/api/sign-in/pin'])(
    'what anyone on the network may send to %s is small',
    async (path) => {
      const { body } = await json(path, '['.repeat(2_000_000)).expect(413);
      expect(body.error).toMatchObject({ code: 'too-large', message: expect.stringMatching(/at most 10 kB/) });
      await json(path, '['.repeat(9_000)).expect(422);
    },
  );
  it('what is nested without end is refused, in whatever it comes', async () => {
    const nested = (depth: number) => `${'['.repeat(depth)}1${']'.repeat(depth)}`;
    for (const depth of [61, 5_000]) {
      const { body } = await json('/api/ask/dew', `{"air":${nested(depth)}}`).expect(422);
      expect(body.error.fields).toEqual([
        expect.objectContaining({ code: 'server.too-deep', message: 'is nested more than 60 deep' }),
      ]);
    }
    expect((await json('/api/ask/dew', `{"air":${nested(50)}}`).expect(422)).body.error.fields[0].code).not.toBe(
      'server.too-deep',
    );
    const job = await jobNamed('Saltwort');
    await json(`/api/jobs/${job.id}`, `{"revision":1,"design":${nested(100_000)}}`, 'put').expect(422);
    await json(`/api/jobs/${job.id}`, `{"revision":1,"design":${nested(1_000_000)}}`, 'put').expect(422);
    await json('/api/drawings/take', nested(8_000_000)).expect(422);
    // Brackets in texts are no nesting.
    await json('/api/jobs', JSON.stringify({ title: '[{'.repeat(50), kind: 'other' })).expect(201);
    await json('/api/jobs', JSON.stringify({ title: '\\"[{'.repeat(30), kind: 'other' })).expect(201);
  });
  it('what is no JSON is refused, and what is in other letters', async () => {
    for (const text of ['{', '"text"', '1', 'null', '{"a":1}}', '{"a":"']) await json('/api/jobs', text).expect(400);
    await api().post('/api/jobs').set('content-type', 'application/json; charset=utf-16').send('{}').expect(415);
  });
  it('what is large is read in another process', async () => {
    const job = await jobNamed('Saltwort');
    const real = JSON.parse;
    let longest = 0;
    JSON.parse = (text: string, ...rest: []) => {
      longest = Math.max(longest, text.length);
      return real(text, ...rest) as unknown;
    };
    try {
      const design = { ...job.design, others: Array.from({ length: 200_000 }, () => ({})) };
      await json(`/api/jobs/${job.id}`, JSON.stringify({ revision: job.revision, design }), 'put').expect(422);
      await json('/api/drawings/take', JSON.stringify({ text: 'x'.repeat(9_000_000), wish: {} })).expect(422);
      await json(
        `/api/jobs/${job.id}/log`,
        JSON.stringify({ entries: Array.from({ length: 400_000 }, () => 0) }),
      ).expect(422);
    } finally {
      JSON.parse = real;
    }
    expect(longest).toBeLessThan(200_000);
  });
  it('and the server goes on', async () => void (await api().get('/api/health').expect(200)));
});

describe('what can be written can be read', () => {
  it('the shelf takes no more than a file can hold, and says so', async () => {
    const fresh = await startTestServer({ demo: true });
    const post = (number: number) =>
      request(fresh.app)
        .post('/api/shelf/tapes')
        .send({ ...SHIPPED_SHELF.tapes[0], code: `Q${number}` });
    const room = MAX_SHELF_ENTRIES - SHIPPED_SHELF.tapes.length;
    for (let from = 0; from < room - 2; from += 20)
      await Promise.all(
        Array.from({ length: Math.min(20, room - 2 - from) }, (_, index) => post(from + index).expect(201)),
      );
    // Two places are left, and five ask at once.
    const answers = await Promise.all([1, 2, 3, 4, 5].map((number) => post(1000 + number)));
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 201, 409, 409, 409]);
    expect(answers.find(({ status }) => status === 409)?.body.error).toMatchObject({
      code: 'shelf-full',
      message: expect.stringMatching(/holds 500 tapes/),
    });
    expect((await request(fresh.app).get('/api/shelf').expect(200)).body.tapes).toHaveLength(MAX_SHELF_ENTRIES);
    const { id } = ((await request(fresh.app).get('/api/jobs')).body.jobs as JobSummary[])[0]!;
    const { text } = await request(fresh.app).get(`/api/jobs/${id}/file`).expect(200);
    expect(JSON.parse(text).shelf.tapes).toHaveLength(MAX_SHELF_ENTRIES);
    await fresh.close();
  });
  it('a shelf that was filled past that before still opens, with every job', async () => {
    const fresh = await startTestServer();
    await fresh.pool.query(
      `INSERT INTO finishes SELECT (jsonb_populate_record(f, jsonb_build_object('id', 'copy-' || n, 'place', NULL))).* FROM finishes f, generate_series(1, 600) n WHERE f.id = 'cream-two-part' ON CONFLICT DO NOTHING`
        .replace('INSERT INTO finishes SELECT', 'INSERT INTO finishes OVERRIDING SYSTEM VALUE SELECT')
        .replace("'place', NULL", "'place', 1000 + n"),
    );
    const { finishes } = (await request(fresh.app).get('/api/shelf').expect(200)).body;
    expect(finishes.length).toBeGreaterThan(600);
    for (const { id } of (await request(fresh.app).get('/api/jobs').expect(200)).body.jobs as JobSummary[]) {
      await request(fresh.app).get(`/api/jobs/${id}`).expect(200);
      await request(fresh.app).get(`/api/jobs/${id}/plan`).expect(200);
    }
    await request(fresh.app).delete('/api/shelf/finishes/copy-600').expect(204);
    await fresh.close();
  });
  it('a full log takes no more, and is written to a file that comes in again', async () => {
    const job = await jobNamed('Brindle');
    await server.pool.query(
      `INSERT INTO run_log (id, job_id, at, kind, step, note) SELECT gen_random_uuid(), $1, date_trunc('milliseconds', now()), 'note', NULL, repeat('n', 380) FROM generate_series(1, $2)`,
      [job.id, MAX_EVENTS],
    );
    const entry = { id: randomUUID(), version: 1, at: new Date().toISOString(), kind: 'note', step: null, note: '' };
    expect(await tell(server, job.id, entry)).toMatchObject({ refused: { code: 'log-full' } });
    const { text } = await api().get(`/api/jobs/${job.id}/file`).expect(200);
    expect(text.length).toBeGreaterThan(4_600_000);
    const other = await startTestServer();
    const { body } = await request(other.app)
      .post('/api/jobs/import')
      .set('content-type', 'application/json')
      .send(text)
      .expect(201);
    expect((await request(other.app).get(`/api/jobs/${body.id}/run`)).body.events).toHaveLength(MAX_EVENTS);
    await other.close();
  });
  it('a design that would not fit into a file is not kept', async () => {
    const job = await jobNamed('Saltwort');
    const [part, rest] = [job.design.parts[0]!, job.design.parts.slice(1)];
    const places = Array.from({ length: 5000 }, (_, index): [number, number] => [index % 7, index % 5]);
    const line = (number: number) => ({
      kind: 'imported',
      id: `i${number}`,
      name: 'I',
      runOn: false,
      datum: part.datums[0]!.id,
      paths: Array.from({ length: 3 }, () => ({ closed: false, points: places })),
    });
    const design = {
      ...job.design,
      parts: [{ ...part, lines: [...part.lines, ...Array.from({ length: 40 }, (_, number) => line(number))] }, ...rest],
    } as unknown as Design;
    const body = JSON.stringify({ revision: job.revision, design });
    expect(body.length).toBeLessThan(4_000_000);
    expect((await json(`/api/jobs/${job.id}`, body, 'put').expect(422)).body.error.fields).toEqual([
      expect.objectContaining({
        path: 'design',
        code: 'design.too-large',
        message: expect.stringMatching(/is more than one job can hold/),
      }),
    ]);
  });
});

describe('a job file that comes in again', () => {
  const send = (file: unknown) =>
    api()
      .post('/api/jobs/import')
      .send(file as object);
  it('adds none of its finishes twice, in whatever order their keys stand', async () => {
    const file = { ...example('juniper'), log: [] };
    const before = (await api().get('/api/shelf')).body.finishes.length as number;
    const turned = (value: unknown): unknown =>
      Array.isArray(value)
        ? value.map(turned)
        : value && typeof value === 'object'
          ? Object.fromEntries(
              Object.entries(value)
                .reverse()
                .map(([key, one]) => [key, turned(one)]),
            )
          : value;
    await send(file).expect(201);
    await send(turned(file)).expect(201);
    expect((await api().get('/api/shelf')).body.finishes).toHaveLength(before);
  });
  it('adds a finish of other figures once, however often it comes', async () => {
    const file = { ...example('juniper'), log: [] };
    file.shelf.finishes[0].touchMin += 1;
    file.shelf.finishes[0].cards = [
      {
        id: 'c',
        kind: 'hiding',
        name: 'C',
        ground: '#ffffff',
        steps: [{ colour: '#123456', coats: 1 }],
        airC: null,
        rhPercent: null,
        gun: '',
        note: '',
      },
    ];
    const before = (await api().get('/api/shelf')).body.finishes.length as number;
    const first = (await send(file).expect(201)).body as Job;
    const second = (await send(file).expect(201)).body as Job;
    expect((await api().get('/api/shelf')).body.finishes).toHaveLength(before + 1);
    expect(second.design.scheme).toEqual(first.design.scheme);
    const { text } = await api().get(`/api/jobs/${second.id}/file`).expect(200);
    await api().post('/api/jobs/import').set('content-type', 'application/json').send(text).expect(201);
    expect((await api().get('/api/shelf')).body.finishes).toHaveLength(before + 1);
  });
});
