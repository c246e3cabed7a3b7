import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { pino } from 'pino';
import request from 'supertest';
import { openPool } from '../db/pool';
import { openHub } from '../live/hub';
import { openWorkerPool } from '../work/worker-pool';
import { createApp } from './app';

const folder = mkdtempSync(join(tmpdir(), 'lintrel-client-'));
const script = '_expo/static/js/web/entry-abc.js';
mkdirSync(join(folder, '_expo/static/js/web'), { recursive: true });
writeFileSync(join(folder, 'index.html'), '<!DOCTYPE html><title>Page</title>');
writeFileSync(join(folder, script), 'console.log(1)');
writeFileSync(join(folder, `${script}.br`), brotliCompressSync('console.log(1)'));
writeFileSync(join(folder, `${script}.gz`), gzipSync('console.log(1)'));
writeFileSync(join(folder, 'icon.svg'), '<svg xmlns="http://www.w3.org/2000/svg"/>');

// A pool that nobody listens to: the page is served without the database, and the health route says what is missing.
const pool = openPool('postgresql://nobody@127.0.0.1:1/none');
const workshop = openWorkerPool();
const hub = openHub('postgresql://nobody@127.0.0.1:1/none');
const app = createApp({ pool, log: pino({ level: 'silent' }), clientFolder: folder, workshop, hub });
afterAll(() => Promise.all([pool.end(), workshop.close(), hub.close()]));

it.each(['/', '/clock', '/job/1234/lines', '/bench/bend?x=1', '/shelf/tape/V1.5'])(
  'gives the page for %s, always fresh',
  async (path) => {
    const { text, headers } = await request(app).get(path).expect(200);
    expect(text).toMatch(/<title>Page/);
    expect(headers['cache-control']).toBe('no-cache');
  },
);
it('lets hashed files be kept for a year', async () => {
  const { headers } = await request(app).get(`/${script}`).expect(200);
  expect(headers['cache-control']).toMatch(/max-age=31536000.*immutable/);
  expect((await request(app).get('/icon.svg').expect(200)).headers['cache-control']).toMatch(/max-age=0/);
});
it.each([
  ['br, gzip', 'br'],
  ['gzip', 'gzip'],
  ['identity', undefined],
])('sends what the build has packed to whoever takes %s, as the script it is', async (accepted, encoding) => {
  const { headers, text } = await request(app)
    .get(`/${script}`)
    .set('Accept-Encoding', accepted)
    .buffer(true)
    .expect(200);
  expect(headers['content-encoding']).toBe(encoding);
  expect(headers['content-type']).toMatch(/javascript/);
  expect(headers['cache-control']).toMatch(/immutable/);
  if (encoding !== 'br') expect(text).toBe('console.log(1)');
});
it.each(['/missing.js', '/_expo/static/js/web/old-entry.js', '/assets/gone.ttf', '/../package.json', '/.env'])(
  'does not give the page, or anything else, for %s',
  async (path) => {
    const { body } = await request(app).get(path).expect(404);
    expect(body.error.code).toBe('not-found');
  },
);
it('says that the database does not answer, and keeps serving', async () => {
  expect((await request(app).get('/api/health').expect(503)).body.error.code).toBe('database');
  expect((await request(app).get('/api/jobs').expect(503)).body.error.message).toMatch(/Nothing was changed/);
  await request(app).get('/').expect(200);
});
