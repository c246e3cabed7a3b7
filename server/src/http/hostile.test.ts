import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { may, ROLES, SHIPPED_SHELF, type Job, type JobSummary, type Role } from '@lintrel/core';
import fc from 'fast-check';
import request from 'supertest';
import { insertPerson, insertSession } from '../db/people';
import { newToken } from '../people/secrets';
import { ROUTES } from './routes';
import { startTestServer, type TestServer } from '../testing';

// Whatever is sent to whatever route by whomever: no answer of class 5xx, nothing told to one who may not know it, and the server lives.
// LINTREL_HOSTILE says how many requests; fewer than that are tried by default.

const REQUESTS = Number(process.env.LINTREL_HOSTILE ?? 1500);
/** The server answers that it lives within so long all the time, ms. */
const ALIVE_MS = 1000;
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

/** What a sound request would bring, by route; mutated it is nearly sound. */
const sound = (): Readonly<Record<string, unknown>> => ({
  '/jobs': { title: 'T', kind: 'boat', scale: 1 },
  '/jobs/import': JSON.parse(readFileSync(join(__dirname, '../../../examples/marigold.json'), 'utf8')),
  '/jobs/:id': { revision: job.revision, design: job.design },
  '/jobs/:id/start': { revision: job.revision, event: { id: randomUUID(), version: 2, at: new Date().toISOString(), kind: 'start', step: null, note: '' } },
  '/jobs/:id/log': { entries: [{ id: randomUUID(), version: 2, at: new Date().toISOString(), kind: 'done', step: 'x', note: '', sheet: 1, device: 'd' }] },
  '/jobs/:id/print': { what: 'template', part: job.design.parts[0]!.id, paper: 'A4', unit: 'mm' },
  '/jobs/:id/drawing': { part: job.design.parts[0]!.id, format: 'svg' },
  '/shelf/tapes': SHIPPED_SHELF.tapes[0],
  '/shelf/tapes/:key': SHIPPED_SHELF.tapes[0],
  '/shelf/finishes': SHIPPED_SHELF.finishes[0],
  '/shelf/finishes/:key': SHIPPED_SHELF.finishes[0],
  '/shelf/supplies': SHIPPED_SHELF.supplies?.[0],
  '/shelf/moves': { id: randomUUID(), at: new Date().toISOString(), stuff: 'tapes', code: 'F6', reason: 'counted', packs: 2, note: '' },
  '/drawings': { text: '<svg viewBox="0 0 10 10"><path d="M0 0L1 1"/></svg>' },
  '/people': { name: 'N', role: 'helper', passphrase: 'long enough it is' },
  '/sign-in': { name: 'owner', passphrase: 'x', device: 'd' },
  '/cutter': { job: job.id, widthMm: 300 },
});

const NASTY: readonly unknown[] = [
  null,
  '',
  ' ',
  0,
  -1,
  1e-300,
  1e300,
  0.5,
  true,
  [],
  {},
  [[]],
  '\u0000',
  '../../etc',
  '<script>',
  "'; DROP TABLE jobs; --",
  'x'.repeat(5000),
  '9'.repeat(400),
  { __proto__: { admin: true } },
  { constructor: 1 },
  Array.from({ length: 2000 }, () => 0),
  '2026-13-45T99:99:99.999Z',
  '00000000-0000-0000-0000-000000000000',
  '\ud800',
  'İ̷',
];

/** Data with one place of it replaced, picked by some numbers. */
function mutated(data: unknown, picks: readonly number[], nasty: unknown): unknown {
  const [pick, ...rest] = picks;
  if (typeof data !== 'object' || data === null || pick === undefined) return nasty;
  const keys = Object.keys(data);
  if (keys.length === 0) return nasty;
  const key = keys[pick % keys.length]!;
  const value = mutated((data as Record<string, unknown>)[key], rest, nasty);
  return Array.isArray(data) ? data.map((one: unknown, index) => (String(index) === key ? value : one)) : { ...data, [key]: value };
}

const hostile = fc.record({
  route: fc.constantFrom(...ROUTES.filter(({ path }) => path !== '/live')),
  role: fc.constantFrom<Role | null>(null, ...ROLES),
  own: fc.boolean(),
  param: fc.oneof(fc.constantFrom('..%2f..%2fetc', '%00', 'x'.repeat(300), '-1', '1e9', 'V6', 'wrap', '__proto__'), fc.uuid(), fc.webSegment()),
  query: fc.oneof(fc.constant(''), fc.constantFrom('?after=x', '?after=-1', '?after[]=1', '?have=1e9', '?state[a]=b', '?was=x', '?after=99999999999999999999')),
  body: fc.oneof(
    { weight: 3, arbitrary: fc.record({ picks: fc.array(fc.nat(20), { minLength: 1, maxLength: 6 }), nasty: fc.constantFrom(...NASTY) }) },
    { weight: 1, arbitrary: fc.record({ any: fc.jsonValue({ maxDepth: 4 }) }) },
    { weight: 1, arbitrary: fc.record({ raw: fc.constantFrom('', '{', 'null', '[]', '"x"', '{"a":1}}', '\u0000') }) },
  ),
});

it(`${REQUESTS} hostile requests get no answer of class 5xx, tell nothing to one who may not know, and leave the server alive`, async () => {
  const answers = new Map<number, number>();
  const bad: string[] = [];
  let slowestAliveMs = 0;
  const all = fc.sample(hostile, { numRuns: REQUESTS });
  for (const [count, { route, role, own, param, query, body }] of all.entries()) {
    const { method, path, right } = route;
    // What would end the sessions of the test is not asked by those whose they are.
    if (role !== null && (path === '/sign-out' || path.startsWith('/people/') || path.startsWith('/sessions/') || path.startsWith('/me/'))) continue;
    const url = `/api${path.replace(':id', own ? job.id : param).replace(/:[a-z]+/g, param)}${query}`;
    const sent = 'raw' in body ? body.raw : JSON.stringify('any' in body ? body.any : mutated(sound()[path] ?? {}, body.picks, body.nasty));
    const asked = request(server.app)[method.toLowerCase() as 'get'](url);
    const cookie = cookies.get(role);
    if (cookie) void asked.set('Cookie', cookie);
    const { status, body: told } = method === 'GET' || method === 'DELETE' ? await asked : await asked.set('content-type', 'application/json').send(sent);
    answers.set(status, (answers.get(status) ?? 0) + 1);
    const allowed = right === 'open' || (role !== null && may(role, right));
    if (status >= 500) bad.push(`${status} ${method} ${url} as ${role}: ${sent.slice(0, 300)}`);
    if (!allowed && ![401, 403, 404].includes(status)) bad.push(`let in ${role}: ${status} ${method} ${url}`);
    if (!allowed && Object.keys((told ?? {}) as object).some((key) => key !== 'error')) bad.push(`told ${role} of ${method} ${url}`);
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
