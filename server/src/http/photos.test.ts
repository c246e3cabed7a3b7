import { randomBytes, randomUUID } from 'node:crypto';
import { type JobSummary, MAX_PHOTO_BYTES, MAX_PHOTOS } from '@lintrel/core';
import request from 'supertest';
import { startTestServer, tell, type TestServer } from '../testing/server';

let server: TestServer;
let [job, other] = ['', ''];
const api = () => request(server.app);
const jpeg = (bytes = 5000) => Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), randomBytes(bytes)]);
const put = (photo: string, bytes: Buffer, of = job) =>
  api().put(`/api/jobs/${of}/photos/${photo}`).type('image/jpeg').send(bytes);
const get = (photo: string, of = job) => api().get(`/api/jobs/${of}/photos/${photo}`);

beforeAll(async () => {
  server = await startTestServer();
  const { jobs } = (await api().get('/api/jobs')).body as { jobs: JobSummary[] };
  [job, other] = [jobs[0]!.id, jobs[1]!.id];
});
afterAll(() => server.close());

it('keeps a photo once, however often it is sent, and gives it back as it came', async () => {
  const [id, bytes] = [randomUUID(), jpeg()];
  await Promise.all(Array.from({ length: 5 }, () => put(id, bytes).expect(204)));
  const { body, headers } = await get(id).expect(200);
  expect((body as Buffer).equals(bytes)).toBe(true);
  expect(headers).toMatchObject({ 'content-type': 'image/jpeg', 'x-content-type-options': 'nosniff' });
  await get(id).set('If-None-Match', headers.etag!).expect(304);
  const entry = {
    id: randomUUID(),
    version: 4,
    at: new Date().toISOString(),
    kind: 'note',
    step: null,
    note: '',
    saw: { kind: 'photo', photo: id },
  };
  expect(await tell(server, job, entry)).toHaveProperty('seq');
  expect((await api().get(`/api/jobs/${job}/log`)).body.events).toContainEqual(
    expect.objectContaining({ saw: { kind: 'photo', photo: id } }),
  );
});
it('never changes one, and shows it with its own job alone', async () => {
  const [id, bytes] = [randomUUID(), jpeg()];
  await put(id, bytes).expect(204);
  await put(id, jpeg()).expect(409);
  await put(id, bytes, other).expect(409);
  await get(id, other).expect(404);
  expect(((await get(id)).body as Buffer).equals(bytes)).toBe(true);
});
it.each([
  ['what is no picture', Buffer.from('<svg onload="x"/>'), 415],
  ['nothing', Buffer.alloc(0), 415],
  ['what is too large', jpeg(MAX_PHOTO_BYTES), 413],
])('refuses %s', async (_, bytes, status) => {
  const id = randomUUID();
  await put(id, bytes).expect(status);
  await get(id).expect(404);
});
it('refuses photos without end', async () => {
  await server.pool.query(
    "INSERT INTO photos (id, job_id, bytes) SELECT gen_random_uuid(), $1, '\\x01' FROM generate_series(1, $2)",
    [other, MAX_PHOTOS],
  );
  expect((await put(randomUUID(), jpeg(), other).expect(422)).body.error.message).toMatch(/no more are kept/);
});
it('knows no photos of a job that is not there', async () => {
  await put(randomUUID(), jpeg(), randomUUID()).expect(404);
  await get('nothing').expect(404);
});
