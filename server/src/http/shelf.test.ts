import { entryFingerprint, type Finish, SHIPPED_SHELF, type Tape } from '@lintrel/core';
import request from 'supertest';
import { startTestServer, type TestServer } from '../testing/server';

let server: TestServer;
const api = () => request(server.app);
const tape: Tape = { ...SHIPPED_SHELF.tapes[0]!, code: 'V2', name: 'Vinyl 2 mm', widthMm: 2 };
const finish: Finish = { ...SHIPPED_SHELF.finishes[0]!, id: 'sky', name: 'Sky' };

beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

it('gives back what ships, figure by figure and in order', async () =>
  expect((await api().get('/api/shelf').expect(200)).body).toEqual(SHIPPED_SHELF));

it.each([
  ['tapes', tape, 'code', { ...tape, widthMm: 2.5, use: `it's 2.5 mm, "nearly"` }],
  [
    'finishes',
    finish,
    'id',
    {
      ...finish,
      tapeSafeMin: null,
      coats: 3,
      recoat: [
        { fromMin: 5, toMin: 60 },
        { fromMin: 2880, toMin: null },
      ],
      mixRatio: [2, 1],
    },
  ],
] as const)('adds, changes and removes one of the %s', async (table, entry, key, changed) => {
  const path = `/api/shelf/${table}/${(entry as unknown as Record<string, string>)[key]}`;
  await api().post(`/api/shelf/${table}`).send(entry).expect(201);
  expect((await api().post(`/api/shelf/${table}`).send(entry).expect(422)).body.error.fields[0]).toMatchObject({
    path: key,
    message: expect.stringMatching(/taken/),
  });
  const put = (body: object, was: object = entry) =>
    api()
      .put(`${path}?was=${entryFingerprint(was as Tape)}`)
      .send(body);
  await put(changed).expect(200);
  expect((await api().get('/api/shelf')).body[table]).toContainEqual(changed);
  await put({ ...changed, [key]: 'renamed' }, changed).expect(422);
  await api().delete(path).expect(204);
  await api().delete(path).expect(404);
  await put(changed, changed).expect(404);
});

it.each([
  ['tapes', { ...tape, widthMm: 0 }, 'widthMm'],
  ['tapes', { ...tape, stretch: 2 }, 'stretch'],
  ['tapes', { ...tape, code: `V'; --` }, 'code'],
  ['tapes', { ...tape, code: '..' }, 'code'],
  ['finishes', { ...finish, id: '.' }, 'id'],
  ['finishes', { ...finish, colour: 'sky' }, 'colour'],
  ['finishes', { ...finish, recoat: [] }, 'recoat'],
  ['finishes', { ...finish, system: 'jam' }, 'system'],
] as const)('refuses one of the %s at its field', async (table, entry, path) => {
  expect(
    (await api().post(`/api/shelf/${table}`).send(entry).expect(422)).body.error.fields.map(
      (field: { path: string }) => field.path,
    ),
  ).toEqual([path]);
});

it('does not take away a finish a job is planned with, and says which', async () => {
  const { body } = await api().delete('/api/shelf/finishes/cream-two-part').expect(409);
  expect(body.error).toMatchObject({ code: 'in-use', message: expect.stringMatching(/Juniper/) });
});

describe('/api/ask', () => {
  it('answers from the shelf of the shop', async () => {
    const tape = ((await api().get('/api/shelf')).body.tapes as Tape[]).find(({ code }) => code === 'V6')!;
    const changed = { ...tape, stretch: 0.01 };
    // Whoever does not say what it replaces overwrites nothing.
    expect((await api().put('/api/shelf/tapes/V6').send(changed).expect(428)).body.error.code).toBe('no-mark');
    await api()
      .put(`/api/shelf/tapes/V6?was=${entryFingerprint(tape)}`)
      .send(changed)
      .expect(200);
    expect((await api().post('/api/ask/bend').send({ radius: '120', tape: 'V6' }).expect(200)).body.verdict).toBe(
      'too-tight',
    );
    expect(
      (await api().post('/api/ask/bend').send({ radius: 120, width: 6, stretch: 0.15, fold: 0.005 }).expect(200)).body,
    ).toMatchObject({
      verdict: 'stretch',
      outerStrain: 0.04475,
    });
  });
  it('refuses nonsense key by key', async () => {
    const { body } = await api().post('/api/ask/dew').send({ air: 'warm', rh: 400, moon: 1 }).expect(422);
    expect(body.error.fields.map((field: { path: string }) => field.path).sort()).toEqual(['air', 'moon', 'rh']);
    await api().post('/api/ask/moon').send({}).expect(404);
    await api().post('/api/ask/bend').expect(422);
  });
});

describe('an entry two people change at the same time', () => {
  const path = '/api/shelf/tapes/F19';
  const now = async () => ((await api().get('/api/shelf')).body.tapes as Tape[]).find(({ code }) => code === 'F19')!;
  it('keeps the first change and tells the second; meant, it is taken', async () => {
    const seen = await now();
    await api()
      .put(`${path}?was=${entryFingerprint(seen)}`)
      .send({ ...seen, name: 'Mine' })
      .expect(200);
    const { body } = await api()
      .put(`${path}?was=${entryFingerprint(seen)}`)
      .send({ ...seen, name: 'Theirs' })
      .expect(409);
    expect(body.error).toMatchObject({ code: 'stale-entry', versions: { current: { name: 'Mine' } } });
    expect((await now()).name).toBe('Mine');
    await api()
      .put(`${path}?was=${entryFingerprint(body.error.versions.current)}`)
      .send({ ...seen, name: 'Theirs' })
      .expect(200);
    expect((await now()).name).toBe('Theirs');
  });
  it('of several at once takes one', async () => {
    const seen = await now();
    const answers = await Promise.all(
      ['a', 'b', 'c', 'd'].map((name) =>
        api()
          .put(`${path}?was=${entryFingerprint(seen)}`)
          .send({ ...seen, name }),
      ),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409, 409]);
  });
  it('is not another because somebody has taken a roll', async () => {
    const seen = await now();
    await server.pool.query("UPDATE tapes SET rolls = 3 WHERE code = 'F19'");
    await api()
      .put(`${path}?was=${entryFingerprint(seen)}`)
      .send({ ...seen, name: 'Still mine' })
      .expect(200);
  });
  it('keeps what it has been, and no one changes that', async () => {
    const { rows } = await server.pool.query(
      "SELECT entry->>'name' AS name FROM shelf_revisions WHERE key = 'F19' ORDER BY seq",
    );
    expect(rows.map(({ name }) => name).slice(0, 2)).toEqual(['Mine', 'Theirs']);
    await expect(server.pool.query('DELETE FROM shelf_revisions')).rejects.toThrow(/append-only/);
  });
});
