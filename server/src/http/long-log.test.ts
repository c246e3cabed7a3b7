import { randomUUID } from 'node:crypto';
import type { JobSummary } from '@lintrel/core';
import request from 'supertest';
import { closeOpened } from '../../../e2e/opened';
import { findProgress } from '../db/job-list';
import { startTestServer, tell, type TestServer } from '../testing/server';

// A log that grows: each entry is read once.

let server: TestServer;
let id: string;
const note = (more: object = {}) => ({
  id: randomUUID(),
  version: 4,
  at: new Date().toISOString(),
  kind: 'note',
  step: null,
  note: 'text',
  ...more,
});
const held = async () =>
  (
    await server.pool.query<{ count: number; letters: number }>(
      'SELECT log_count AS count, log_letters::int AS letters FROM jobs WHERE id = $1',
      [id],
    )
  ).rows[0]!;

beforeAll(async () => {
  server = await startTestServer();
  id = ((await request(server.app).get('/api/jobs')).body.jobs as JobSummary[]).find(
    ({ title }) => title === 'Juniper',
  )!.id;
});
afterAll(closeOpened);

it('earlier entries are not read again when another comes', async () => {
  // What an earlier entry came to is changed where it is kept: whoever read the log again would not find it.
  await tell(server, id, note());
  await server.pool.query(
    `UPDATE jobs SET log_state = jsonb_set(log_state, '{log,done}', (log_state->'log'->'done') || '[["made-up", 5]]') WHERE id = $1`,
    [id],
  );
  await tell(server, id, note());
  expect((await findProgress(server.pool, id)).progress.doneAt.get('made-up')).toBe(5);
  // Of another version it is worked out anew, and whole.
  await server.pool.query(`UPDATE jobs SET log_state = jsonb_set(log_state, '{version}', '0') WHERE id = $1`, [id]);
  const { progress } = await findProgress(server.pool, id);
  expect(progress.doneAt.has('made-up')).toBe(false);
  expect(progress.doneAt.size).toBeGreaterThan(3);
});

it('entries and characters are counted as they come, in whatever way they come', async () => {
  const before = await held();
  await tell(server, id, note({ note: 'four' }));
  expect(await held()).toEqual({ count: before.count + 1, letters: before.letters + 4 });
  const same = note({ note: 'once' });
  await tell(server, id, same);
  await tell(server, id, same);
  expect(await held()).toEqual({ count: before.count + 2, letters: before.letters + 8 });
  await server.pool.query(
    "INSERT INTO run_log (id, job_id, at, kind, step, note) SELECT gen_random_uuid(), $1, now(), 'note', NULL, 'abc' FROM generate_series(1, 50)",
    [id],
  );
  expect(await held()).toEqual({ count: before.count + 52, letters: before.letters + 158 });
});
