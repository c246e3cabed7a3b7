import { randomUUID } from 'node:crypto';
import { createServer } from 'node:http';
import { type Change, changeSchema, entryFingerprint, type Job, type JobSummary, type Tape } from '@lintrel/core';
import request from 'supertest';
import * as v from 'valibot';
import { closeOpened, listenOn } from '../../../e2e/opened';
import { WAIT_MS } from '../../../scripts/test-limits.mjs';
import { startTestServer, tell, type TestServer } from '../testing/server';

// Pages that listen, over real connections.

let server: TestServer;
let port: number;
let job: Job;
const api = () => request(server.app);

beforeAll(async () => {
  server = await startTestServer();
  port = await listenOn(createServer(server.app));
  const { id } = ((await api().get('/api/jobs')).body.jobs as JobSummary[])[0]!;
  job = (await api().get(`/api/jobs/${id}`)).body as Job;
});
afterAll(async () => {
  await closeOpened();
});

interface Ear {
  /** Changes heard, `resync` among them. */
  readonly heard: (Change | 'resync')[];
  /** Waits until a number of events were received. */
  readonly until: (count: number) => Promise<void>;
  readonly close: () => void;
}

/** Listens as a page does. */
async function listen(last?: number): Promise<Ear> {
  const control = new AbortController();
  const answer = await fetch(`http://127.0.0.1:${port}/api/live`, {
    signal: control.signal,
    headers: last === undefined ? {} : { 'last-event-id': String(last) },
  });
  expect(answer.headers.get('content-type')).toMatch(/text\/event-stream/);
  const heard: (Change | 'resync')[] = [];
  const ready = new Promise<void>((resolve) => {
    void (async () => {
      let text = '';
      for await (const piece of answer.body!) {
        text += Buffer.from(piece).toString();
        const blocks = text.split('\n\n');
        text = blocks.pop()!;
        for (const block of blocks) {
          if (block === ':') resolve();
          else if (/^event: here$/m.test(block)) expect(block).toMatch(/^id: \d+$/m);
          else if (block.startsWith('event: resync')) heard.push('resync');
          else heard.push(v.parse(changeSchema, JSON.parse(/^data: (.*)$/m.exec(block)![1]!)));
        }
      }
    })().catch(() => undefined);
  });
  await ready;
  const until = async (count: number) => {
    for (const start = Date.now(); heard.length < count;) {
      if (Date.now() - start > WAIT_MS) throw new Error(`heard ${JSON.stringify(heard)}`);
      await new Promise((resolve) => setTimeout(resolve, 10));
    }
  };
  return { heard, until, close: () => control.abort() };
}

const note = (text = '') =>
  tell(server, job.id, {
    id: randomUUID(),
    version: 1,
    at: new Date().toISOString(),
    kind: 'note',
    step: null,
    note: text,
  });
const newest = async (): Promise<number> =>
  (await server.pool.query('SELECT max(seq)::int AS seq FROM changes')).rows[0].seq as number;

it('tells a page what another has logged, saved, or changed on the shelf', async () => {
  const ear = await listen();
  await note();
  await ear.until(1);
  await api().put(`/api/jobs/${job.id}`).send({ revision: job.revision, design: job.design }).expect(200);
  const v6 = ((await api().get('/api/shelf')).body.tapes as Tape[]).find(({ code }) => code === 'V6')!;
  await api()
    .put(`/api/shelf/tapes/V6?was=${entryFingerprint(v6)}`)
    .send(v6)
    .expect(200);
  await ear.until(3);
  expect(ear.heard.map((one) => one !== 'resync' && [one.kind, one.job])).toEqual([
    ['log', job.id],
    ['job', job.id],
    ['shelf', null],
  ]);
  ear.close();
});

it('tells nothing of what was taken back', async () => {
  const ear = await listen();
  expect(await tell(server, job.id, { id: 'no id', kind: 'note' })).toHaveProperty('refused');
  await note('kept');
  await ear.until(1);
  expect(ear.heard).toHaveLength(1);
  ear.close();
});

it('tells one who was away what was missed', async () => {
  const last = await newest();
  for (let count = 0; count < 5; count++) await note();
  const ear = await listen(last);
  await ear.until(5);
  const seqs = ear.heard.map((one) => (one === 'resync' ? -1 : one.seq));
  for (let seq = last + 1; seq <= last + 5; seq++) expect(seqs).toContain(seq);
  ear.close();
});

it('tells one who was away too long to ask for everything anew', async () => {
  await server.pool.query("INSERT INTO changes (kind) SELECT 'shelf' FROM generate_series(1, 1300)");
  const ear = await listen(1);
  await ear.until(1);
  expect(ear.heard).toEqual(['resync']);
  ear.close();
});

it('delivers each of many changes once to each of many pages', async () => {
  const ears = await Promise.all(Array.from({ length: 40 }, () => listen()));
  for (let count = 0; count < 10; count++) await note();
  await Promise.all(ears.map(({ until }) => until(10)));
  for (const { heard, close } of ears) {
    expect(heard).toHaveLength(10);
    expect(new Set(heard.map((one) => (one === 'resync' ? 'resync' : one.seq))).size).toBe(10);
    close();
  }
});

it('hears again when the database had dropped its connection, and says that something may have been missed', async () => {
  const ear = await listen();
  await server.pool.query(
    "SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE application_name = 'lintrel-live' AND datname = current_database()",
  );
  await ear.until(1);
  expect(ear.heard).toEqual(['resync']);
  await note();
  await ear.until(2);
  ear.close();
});

it('keeps no more than some thousands of changes', async () => {
  await server.pool.query(
    "INSERT INTO jobs (title, kind, revision, design) SELECT 'Many', kind, 1, design FROM jobs, generate_series(1, 7000) LIMIT 7000",
  );
  const { rows } = await server.pool.query('SELECT count(*)::int AS count FROM changes');
  expect(rows[0].count).toBeLessThan(6_000);
});
