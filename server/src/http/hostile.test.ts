import { isAllowed, type Job, type JobSummary, type Role, ROLES } from '@lintrel/core';
import request from 'supertest';
import { depth } from '../../../scripts/test-limits.mjs';
import { insertPerson, insertSession } from '../db/people';
import { newToken } from '../people/secrets';
import { hostileRequests } from '../testing/hostile-requests';
import { startTestServer, type TestServer } from '../testing/server';

// Whatever is sent to whatever route by whomever: no answer of class 5xx, nothing told to one who may not know it, and the server lives.
// LINTREL_HOSTILE says how many requests; fewer than that are tried by default.

const REQUESTS = Number(process.env.LINTREL_HOSTILE ?? depth(300, 1500));
/** Maximum time the server may take to answer that it lives, ms: far above what it takes, below what a person takes for dead. */
const ALIVE_MS = 20_000;
jest.setTimeout(60_000 + REQUESTS * 200);

let server: TestServer;
let job: Job;
const cookies = new Map<Role | null, string | null>([[null, null]]);

beforeAll(async () => {
  server = await startTestServer({ signIn: true });
  for (const role of ROLES) {
    const person = (await insertPerson(server.pool, { name: role, role, passphrase: 'kept nowhere' }))!;
    const { token, hash } = newToken();
    await insertSession(server.pool, { person: person.id, phone: null, device: 'test', hash });
    cookies.set(role, `lintrel=${token}`);
  }
  const get = async (path: string) => (await request(server.app).get(path).set('Cookie', cookies.get('owner')!)).body;
  const id = ((await get('/api/jobs')).jobs as JobSummary[]).find(({ title }) => title === 'Saltwort')!.id;
  job = (await get(`/api/jobs/${id}`)) as Job;
});
afterAll(() => server.close());

it(`${REQUESTS} hostile requests get no answer of class 5xx, tell nothing to one who may not know, and leave the server alive`, async () => {
  const answers = new Map<number, number>();
  const bad: string[] = [];
  let slowestAliveMs = 0;
  for (const [count, { route, role, url, sent }] of hostileRequests(job, REQUESTS).entries()) {
    const { method, right } = route;
    const asked = request(server.app)[method.toLowerCase() as 'get'](url);
    const cookie = cookies.get(role);
    if (cookie) void asked.set('Cookie', cookie);
    const { status, body: told } =
      method === 'GET' || method === 'DELETE'
        ? await asked
        : await asked.set('content-type', 'application/json').send(sent);
    answers.set(status, (answers.get(status) ?? 0) + 1);
    const allowed = right === 'open' || (role !== null && isAllowed(role, right));
    if (status >= 500) bad.push(`${status} ${method} ${url} as ${role}: ${sent.slice(0, 300)}`);
    if (!allowed && ![401, 403, 404].includes(status)) bad.push(`let in ${role}: ${status} ${method} ${url}`);
    if (!allowed && Object.keys((told ?? {}) as object).some((key) => key !== 'error'))
      bad.push(`told ${role} of ${method} ${url}`);
    if (count % 50 === 0) {
      const began = Date.now();
      await request(server.app).get('/api/alive').expect(200);
      slowestAliveMs = Math.max(slowestAliveMs, Date.now() - began);
    }
  }
  expect(bad).toEqual([]);
  expect(slowestAliveMs).toBeLessThan(ALIVE_MS);
  // All kinds of answers came: it is no use to be refused at the door alone.
  for (const status of [200, 401, 403, 404, 422]) expect(answers.get(status) ?? 0).toBeGreaterThan(REQUESTS / 150);
  await request(server.app).get('/api/jobs').set('Cookie', cookies.get('owner')!).expect(200);
});
