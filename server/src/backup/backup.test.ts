import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { type Job, type JobSummary, MAX_PHOTO_BYTES } from '@lintrel/core';
import { pino } from 'pino';
import request from 'supertest';
import { thinPhotos, thinRevisions } from '../db/thin';
import { createApp } from '../http/app';
import { startTestServer, tell, type TestServer } from '../testing/server';
import { exportJobs } from './job-files';
import { backupIfDue, listBackups, makeBackup, MAX_BACKUPS, openBackups } from './nightly';
import { checkedBackup } from './read';
import { restoreBackup } from './restore';
import { KEPT_TABLES } from './tables';
import { writeBackup } from './write';

let shop: TestServer;
const folder = mkdtempSync(join(tmpdir(), 'lintrel-backup-'));
const file = (name: string) => join(folder, name);

/** Everything in the tables that are kept, as the database writes it. */
const contents = async ({ pool }: TestServer) => {
  const tables = await Promise.all(
    KEPT_TABLES.map(async (table) => {
      const { rows } = await pool.query<{ row: string }>(
        `SELECT row_to_json(t)::text AS row FROM ${table} t ORDER BY 1`,
      );
      return [table, rows.map(({ row }) => row)] as const;
    }),
  );
  return Object.fromEntries(tables);
};
const empty = () => startTestServer({ demo: false });

beforeAll(async () => {
  shop = await startTestServer();
  await request(shop.app)
    .post('/api/shelf/moves')
    .send({
      id: randomUUID(),
      at: new Date().toISOString(),
      stuff: 'tapes',
      code: 'F6',
      reason: 'counted',
      packs: 2.5,
      note: 'ä “quoted”\n\ttab',
    })
    .expect(201);
});
afterAll(async () => {
  await shop.close();
  rmSync(folder, { recursive: true });
});

/** What is not put back: what was run and told, and who is signed in where. */
const PASSING = new Set([
  'day_orders',
  'migrations',
  'changes',
  'sessions',
  'phones',
  'setup_codes',
  'links',
  'calendar_links',
]);

it('holds every table of the shop but what only passes', async () => {
  const { rows } = await shop.pool.query<{ name: string }>(
    "SELECT table_name AS name FROM information_schema.tables WHERE table_schema = 'public' ORDER BY 1",
  );
  expect(rows.map(({ name }) => name).filter((name) => !PASSING.has(name))).toEqual([...KEPT_TABLES].sort());
});

it('is put back into an empty shop, row by row the same, and the shop goes on', async () => {
  const rows = await writeBackup(shop.pool, file('whole'));
  const before = await contents(shop);
  expect(rows).toBe(Object.values(before).reduce((sum, list) => sum + list.length, 0));
  const other = await empty();
  expect(await restoreBackup(other.pool, file('whole'))).toEqual({ rows, code: null });
  expect(await contents(other)).toEqual(before);
  const { jobs } = (await request(other.app).get('/api/jobs').expect(200)).body as { jobs: JobSummary[] };
  const job = (await request(other.app).get(`/api/jobs/${jobs[0]!.id}`)).body as Job;
  await request(other.app)
    .put(`/api/jobs/${job.id}`)
    .send({ revision: job.revision, design: { ...job.design, title: 'Goes on' } })
    .expect(200);
  expect(
    await tell(other, job.id, {
      id: randomUUID(),
      version: 1,
      at: new Date().toISOString(),
      kind: 'note',
      step: null,
      note: 'after',
    }),
  ).toHaveProperty('seq');
  await other.close();
});

it('is of one moment, whatever is written meanwhile', async () => {
  const { jobs } = (await request(shop.app).get('/api/jobs')).body as { jobs: JobSummary[] };
  let writing = true;
  const busy = (async () => {
    for (let count = 0; writing; count++)
      await tell(shop, jobs[count % jobs.length]!.id, {
        id: randomUUID(),
        version: 1,
        at: new Date().toISOString(),
        kind: 'note',
        step: null,
        note: `${count}`,
      });
  })();
  for (let round = 0; round < 3; round++) await writeBackup(shop.pool, file(`busy ${round}`));
  writing = false;
  await busy;
  const other = await empty();
  await restoreBackup(other.pool, file('busy 2'));
  await other.close();
});

it('leaves nothing half written', () =>
  expect(readdirSync(folder).filter((name) => name.includes('making'))).toEqual([]));

describe('a damaged one', () => {
  const text = () => gunzipSync(readFileSync(file('whole'))).toString();
  const made = (name: string, bytes: string | Buffer) => {
    writeFileSync(file(name), bytes);
    return checkedBackup(file(name));
  };
  it.each<[string, () => string | Buffer, RegExp]>([
    ['cut off', () => readFileSync(file('whole')).subarray(0, 5000), /cut off/],
    ['cut off at a line', () => gzipSync(text().split('\n').slice(0, -2).join('\n')), /last line is missing/],
    ['no backup', () => 'something else', /no backup, or damaged/],
    ['an empty file', () => '', /cut off|first line/],
    [
      'packed, but of something else',
      () => gzipSync('{"format":"other"}\n{"end":true,"rows":0,"sha256":""}\n'),
      /first line/,
    ],
    ['a figure changed', () => gzipSync(text().replace('"packs":2.5', '"packs":9.5')), /checksum/],
    [
      'a row left out',
      () =>
        gzipSync(
          text()
            .split('\n')
            .filter((_, index) => index !== 3)
            .join('\n'),
        ),
      /rows are there/,
    ],
    ['a row that is none', () => gzipSync(text().replace('tapes\t{', 'tapes\t<')), /line \d+ is damaged/],
    ['a table nobody knows', () => gzipSync(text().replace('tapes\t', 'secrets\t')), /line \d+ is damaged/],
    ['of a newer program', () => gzipSync(text().replace('"version":2', '"version":9')), /newer program/],
  ])('is refused: %s', async (name, bytes, message) => {
    await expect(made(name, bytes())).rejects.toThrow(message);
  });
  it('by a byte anywhere is refused, and nothing of it is put in', async () => {
    const whole = readFileSync(file('whole'));
    for (const share of [0.1, 0.4, 0.7, 0.95]) {
      const bytes = Buffer.from(whole);
      bytes[Math.floor(share * bytes.length)]! ^= 0x10;
      await expect(made(`byte ${share}`, bytes)).rejects.toThrow(/damaged|cut off|checksum|missing/);
    }
    const other = await empty();
    await expect(restoreBackup(other.pool, file('byte 0.4'))).rejects.toThrow();
    expect(Object.values(await contents(other)).flat()).toEqual([]);
    await other.close();
  });
});

it('holds the photos, as large as they may be', async () => {
  for (let photo = 0; photo < 9; photo++)
    await shop.pool.query('INSERT INTO photos (id, job_id, bytes) SELECT gen_random_uuid(), id, $1 FROM jobs LIMIT 1', [
      randomBytes(MAX_PHOTO_BYTES),
    ]);
  await writeBackup(shop.pool, file('photos'));
  const other = await empty();
  await restoreBackup(other.pool, file('photos'));
  const photos = async ({ pool }: TestServer) =>
    (await pool.query('SELECT id, job_id, at, md5(bytes) FROM photos ORDER BY id')).rows as object[];
  expect(await photos(other)).toEqual(await photos(shop));
  expect(await photos(shop)).toHaveLength(9);
  await other.close();
  await shop.pool.query('DELETE FROM photos');
});

it('goes into an empty shop alone', async () => {
  await expect(restoreBackup(shop.pool, file('whole'))).rejects.toThrow(/not empty/);
});

it('of tables newer than ours is refused, one of older tables is taken', async () => {
  /** The same rows under another head, with a checksum that is right. */
  const under = (head: object): Buffer => {
    const rows = gunzipSync(readFileSync(file('whole')))
      .toString()
      .split('\n')
      .slice(1, -2);
    const lines = `${[JSON.stringify(head), ...rows].join('\n')}\n`;
    return gzipSync(
      `${lines}${JSON.stringify({ end: true, rows: rows.length, sha256: createHash('sha256').update(lines).digest('hex') })}\n`,
    );
  };
  const head = { format: 'lintrel-backup', version: 1, at: new Date().toISOString() };
  writeFileSync(file('newer'), under({ ...head, schema: '999_later.sql' }));
  writeFileSync(file('older'), under({ ...head, schema: '001_jobs.sql' }));
  const other = await empty();
  await expect(restoreBackup(other.pool, file('newer'))).rejects.toThrow(/newer program/);
  expect((await restoreBackup(other.pool, file('older'))).rows).toBeGreaterThan(50);
  await other.close();
});

describe('the daily one', () => {
  const kept = join(folder, 'kept');
  const day = (number: number) => new Date(Date.UTC(2026, 0, number, 3, 0, 5));
  it('is made when the newest is a day old, and not before', async () => {
    expect(await listBackups(kept)).toEqual([]);
    expect(await backupIfDue(shop.pool, kept, day(1))).toBe(true);
    expect(await backupIfDue(shop.pool, kept, new Date(day(1).getTime() + 23 * 3_600_000))).toBe(false);
    expect(await backupIfDue(shop.pool, kept, day(2))).toBe(true);
    expect((await listBackups(kept)).map(({ at }) => at)).toEqual([
      '2026-01-02T03:00:05.000Z',
      '2026-01-01T03:00:05.000Z',
    ]);
  });
  it('is made once where several servers look at once', async () => {
    const made = await Promise.all(Array.from({ length: 4 }, () => backupIfDue(shop.pool, kept, day(3))));
    expect(made.filter(Boolean)).toHaveLength(1);
  });
  it('lets the oldest go, and can be put back as any other', async () => {
    for (let number = 4; number < 20; number++) await makeBackup(shop.pool, kept, day(number));
    const list = await listBackups(kept);
    expect(list).toHaveLength(MAX_BACKUPS);
    expect(list[0]!.at).toBe('2026-01-19T03:00:05.000Z');
    expect((await checkedBackup(join(kept, list[0]!.name))).rows).toBeGreaterThan(50);
  });
  it('is told to the shop, and made at its wish', async () => {
    const app = createApp({
      pool: shop.pool,
      log: pino({ level: 'silent' }),
      clientFolder: null,
      workshop: shop.workshop,
      hub: shop.hub,
      backups: openBackups(shop.pool, kept, pino({ level: 'silent' })),
    });
    expect((await request(app).get('/api/shop/backups').expect(200)).body).toMatchObject({
      made: true,
      most: MAX_BACKUPS,
    });
    const { body } = await request(app).post('/api/shop/backups').expect(201);
    expect(Date.now() - Date.parse((body as { backups: { at: string }[] }).backups[0]!.at)).toBeLessThan(60_000);
    expect((await request(shop.app).get('/api/shop/backups').expect(200)).body).toMatchObject({
      made: false,
      backups: [],
    });
    await request(shop.app).post('/api/shop/backups').expect(409);
  });
});

it('every job is written as a job file, and comes in elsewhere', async () => {
  const into = file('jobs');
  const { jobs } = (await request(shop.app).get('/api/jobs')).body as { jobs: JobSummary[] };
  await request(shop.app).post('/api/jobs').send({ title: jobs[0]!.title, kind: 'other' }).expect(201);
  expect(await exportJobs(shop.pool, into)).toBe(jobs.length + 1);
  const names = readdirSync(into);
  expect(names).toHaveLength(jobs.length + 1);
  const other = await empty();
  for (const name of names)
    await request(other.app)
      .post('/api/jobs/import')
      .send(JSON.parse(readFileSync(join(into, name), 'utf8')))
      .expect(201);
  const { jobs: there } = (await request(other.app).get('/api/jobs')).body as { jobs: JobSummary[] };
  expect(there.map(({ title }) => title).sort()).toEqual([...jobs.map(({ title }) => title), jobs[0]!.title].sort());
  await other.close();
});

it('revisions that are long past are thinned to the last of each day; what was started and what is now stays', async () => {
  const { body } = await request(shop.app).post('/api/jobs').send({ title: 'Old', kind: 'other' }).expect(201);
  const { id } = body as Job;
  for (let revision = 1; revision < 12; revision++)
    await request(shop.app)
      .put(`/api/jobs/${id}`)
      .send({ revision, design: { ...(body as Job).design, title: `Old ${revision}` } })
      .expect(200);
  // Revisions 1 to 4 on one day, 5 to 8 on the next, 9 to 12 lately; the second was started.
  await shop.pool.query(
    "UPDATE job_revisions SET saved_at = date_trunc('day', now()) - interval '200 days' + ((revision - 1) / 4) * interval '1 day' WHERE job_id = $1 AND revision <= 8",
    [id],
  );
  await shop.pool.query("INSERT INTO started_plans (job_id, revision, plan) VALUES ($1, 2, '{}')", [id]);
  const left = async () =>
    (
      await shop.pool.query<{ revision: number }>(
        'SELECT revision FROM job_revisions WHERE job_id = $1 ORDER BY revision',
        [id],
      )
    ).rows.map(({ revision }) => revision);
  expect(await thinRevisions(shop.pool)).toBe(5);
  expect(await left()).toEqual([2, 4, 8, 9, 10, 11, 12]);
  expect(await thinRevisions(shop.pool)).toBe(0);
});
it('photos no entry names are let go after a month, those that are named or new stay', async () => {
  const { rows } = await shop.pool.query<{ id: string }>("SELECT id FROM jobs WHERE title = 'Juniper'");
  const [named, left, fresh] = [randomUUID(), randomUUID(), randomUUID()];
  for (const [id, days] of [
    [named, 40],
    [left, 40],
    [fresh, 3],
  ] as const)
    await shop.pool.query(
      "INSERT INTO photos (id, job_id, at, bytes) VALUES ($1, $2, now() - make_interval(days => $3), 'x')",
      [id, rows[0]!.id, days],
    );
  const entry = {
    id: randomUUID(),
    version: 4,
    at: new Date().toISOString(),
    kind: 'note',
    step: null,
    note: '',
    saw: { kind: 'photo', photo: named },
  };
  const { body } = await request(shop.app)
    .post(`/api/jobs/${rows[0]!.id}/log`)
    .send({ entries: [entry] })
    .expect(201);
  expect((body as { entries: { refused?: unknown }[] }).entries[0]!.refused).toBeUndefined();
  expect(await thinPhotos(shop.pool)).toBe(1);
  const { rows: kept } = await shop.pool.query<{ id: string }>('SELECT id FROM photos WHERE id = ANY($1)', [
    [named, left, fresh],
  ]);
  expect(new Set(kept.map(({ id }) => id))).toEqual(new Set([named, fresh]));
});
