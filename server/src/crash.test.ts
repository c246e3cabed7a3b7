import { connect } from 'node:net';
import type { Job } from '@lintrel/core';
import { makeDatabase, startServer, type TestDatabase } from '../../e2e/harness';
import { WAIT_MS } from '../../scripts/test-limits.mjs';

let database: TestDatabase;
beforeAll(async () => {
  database = await makeDatabase();
});
afterAll(() => database.drop());

const json = async <T>(url: string, init?: { method: string; body: unknown }): Promise<T> => {
  const answer = await fetch(
    url,
    init && { method: init.method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(init.body) },
  );
  if (!answer.ok) throw new Error(String(answer.status));
  return (await answer.json()) as T;
};

it('loses no save it has confirmed when it is killed in the middle of saving', async () => {
  const server = await startServer(database.url, { demo: false });
  const jobs = await Promise.all(
    Array.from({ length: 6 }, (_, index) =>
      json<Job>(`${server.url}/api/jobs`, { method: 'POST', body: { title: `Job ${index}`, kind: 'other' } }),
    ),
  );
  const confirmed = new Map(jobs.map(({ id, revision, design }) => [id, { revision, title: design.title }]));
  let killed = false;
  const saving = jobs.map(async (job) => {
    for (let count = 0; !killed; count++) {
      const revision = confirmed.get(job.id)?.revision ?? 1;
      const title = `${job.design.title}, save ${count}`;
      try {
        const saved = await json<Job>(`${server.url}/api/jobs/${job.id}`, {
          method: 'PUT',
          body: { revision, design: { ...job.design, title } },
        });
        confirmed.set(job.id, { revision: saved.revision, title });
      } catch {
        return;
      }
    }
  });
  await new Promise((resolve) => setTimeout(resolve, 700));
  server.process.kill('SIGKILL');
  killed = true;
  await Promise.all(saving);
  const revisions = [...confirmed.values()].map(({ revision }) => revision);
  expect(Math.max(...revisions)).toBeGreaterThan(3);

  const again = await startServer(database.url, { demo: false });
  for (const [id, { revision, title }] of confirmed) {
    const kept = await json<Job>(`${again.url}/api/jobs/${id}`);
    // A save may have been kept whose answer never arrived; it may not be the other way round.
    expect([revision, revision + 1]).toContain(kept.revision);
    if (kept.revision === revision) expect(kept.design.title).toBe(title);
  }
  await again.stop();
});

it('lets two servers share one database, and both see what either keeps', async () => {
  const [first, second] = await Promise.all([
    startServer(database.url, { demo: false }),
    startServer(database.url, { demo: false }),
  ]);
  const job = await json<Job>(`${first.url}/api/jobs`, { method: 'POST', body: { title: 'Shared', kind: 'boat' } });
  expect((await json<Job>(`${second.url}/api/jobs/${job.id}`)).design.title).toBe('Shared');
  await expect(
    Promise.all(
      [first, second].map(({ url }) =>
        json(`${url}/api/jobs/${job.id}`, { method: 'PUT', body: { revision: 1, design: job.design } }),
      ),
    ),
  ).rejects.toThrow('409');
  await Promise.all([first.stop(), second.stop()]);
});

it('finishes the request under way when it is asked to stop', async () => {
  const server = await startServer(database.url, { demo: false });
  const pending = json<Job>(`${server.url}/api/jobs`, { method: 'POST', body: { title: 'Last', kind: 'other' } });
  await new Promise((resolve) => setTimeout(resolve, 20));
  await server.stop();
  const job = await pending.catch(() => null);
  expect(server.process.exitCode).toBe(0);
  const again = await startServer(database.url, { demo: false });
  if (job) expect((await json<Job>(`${again.url}/api/jobs/${job.id}`)).design.title).toBe('Last');
  await again.stop();
});

/** A connection that sends some text and stays open. */
function hold(url: string, text: string): Promise<{ readonly closed: Promise<void>; readonly heard: () => string }> {
  const { hostname, port } = new URL(url);
  return new Promise((done) => {
    let heard = '';
    const socket = connect(Number(port), hostname, () => {
      socket.write(text);
      done({ closed: new Promise((end) => socket.once('close', () => end())), heard: () => heard });
    });
    socket.on('data', (data) => (heard += data));
    socket.on('error', () => undefined);
  });
}

it('ends in order and at once though connections are kept open, and those half asked do not hold it up for long', async () => {
  const server = await startServer(database.url, { demo: false });
  const head = 'GET /api/health HTTP/1.1\r\nHost: 127.0.0.1\r\n';
  const [idle, half, never] = await Promise.all([
    hold(server.url, `${head}\r\n`),
    hold(server.url, head),
    hold(server.url, ''),
  ]);
  while (!/200 OK/.test(idle.heard())) await new Promise((resolve) => setTimeout(resolve, 20));
  const since = Date.now();
  await server.stop();
  expect(server.process.exitCode).toBe(0);
  expect(Date.now() - since).toBeLessThan(WAIT_MS / 2);
  await Promise.all([idle.closed, half.closed, never.closed]);
});

it('does not wait for what takes long to work out when it is asked to end', async () => {
  const server = await startServer(database.url, { demo: false });
  const text = `<svg xmlns="http://www.w3.org/2000/svg" width="9000mm" viewBox="0 0 9000 9000">${Array.from(
    { length: 9000 },
    (_, index) => `<path d="M0 ${index}C3000 ${index + 3000} 6000 ${index - 3000} 9000 ${index}"/>`,
  ).join('')}</svg>`;
  const asked = json(`${server.url}/api/drawings`, { method: 'POST', body: { text } }).then(
    () => 'answered',
    () => 'broken off',
  );
  await new Promise((resolve) => setTimeout(resolve, 1500));
  // Somebody else is answered meanwhile.
  await json(`${server.url}/api/health`);
  await server.stop();
  expect([server.process.exitCode, await asked]).toEqual([0, 'broken off']);
});
