import { SHIPPED_SHELF, type Finish, type Tape } from '@lintrel/core';
import request from 'supertest';
import { startTestServer, type TestServer } from '../testing';

let server: TestServer;
const api = () => request(server.app);
const tape: Tape = { ...SHIPPED_SHELF.tapes[0]!, code: 'V2', name: 'Vinyl 2 mm', widthMm: 2 };
const finish: Finish = { ...SHIPPED_SHELF.finishes[0]!, id: 'sky', name: 'Sky' };

beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

it('gives back what ships, figure by figure and in order', async () => expect((await api().get('/api/shelf').expect(200)).body).toEqual(SHIPPED_SHELF));

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
  await api().put(path).send(changed).expect(200);
  expect((await api().get('/api/shelf')).body[table]).toContainEqual(changed);
  await api()
    .put(path)
    .send({ ...changed, [key]: 'renamed' })
    .expect(422);
  await api().delete(path).expect(204);
  await api().delete(path).expect(404);
  await api().put(path).send(changed).expect(404);
});

it.each([
  ['tapes', { ...tape, widthMm: 0 }, 'widthMm'],
  ['tapes', { ...tape, stretch: 2 }, 'stretch'],
  ['tapes', { ...tape, code: `V'; --` }, 'code'],
  ['finishes', { ...finish, colour: 'sky' }, 'colour'],
  ['finishes', { ...finish, recoat: [] }, 'recoat'],
  ['finishes', { ...finish, system: 'jam' }, 'system'],
] as const)('refuses one of the %s at its field', async (table, entry, path) => {
  expect((await api().post(`/api/shelf/${table}`).send(entry).expect(422)).body.error.fields.map((field: { path: string }) => field.path)).toEqual([path]);
});

it('does not take away a finish a job is planned with, and says which', async () => {
  const { body } = await api().delete('/api/shelf/finishes/cream-two-part').expect(409);
  expect(body.error).toMatchObject({ code: 'in-use', message: expect.stringMatching(/Juniper/) });
});

describe('/api/ask', () => {
  it('answers from the shelf of the shop', async () => {
    await api()
      .put('/api/shelf/tapes/V6')
      .send({ ...SHIPPED_SHELF.tapes.find(({ code }) => code === 'V6'), stretch: 0.01 })
      .expect(200);
    expect((await api().post('/api/ask/bend').send({ radius: '120', tape: 'V6' }).expect(200)).body.verdict).toBe('too-tight');
    expect((await api().post('/api/ask/bend').send({ radius: 120, width: 6, stretch: 0.15, fold: 0.005 }).expect(200)).body).toMatchObject({
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
