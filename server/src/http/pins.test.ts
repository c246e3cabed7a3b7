import { randomUUID } from 'node:crypto';
import { createServer } from 'node:http';
import type { CurrentPerson } from '@lintrel/core';
import { pino } from 'pino';
import request from 'supertest';
import { closeOpened, listenOn } from '../../../e2e/opened';
import { WAIT_MS } from '../../../scripts/test-limits.mjs';
import { insertPerson, insertSession, updatePerson } from '../db/people';
import { isCommon } from '../people/common-passphrases';
import { looksAlike } from '../people/names';
import { hashSecret, newCode, newToken, normalizeCode } from '../people/secrets';
import { startTestServer, type TestServer } from '../testing/server';
import { createApp } from './app';

// PINs, phones of the shop, names and addresses that open something.

const PASSPHRASE = 'three wet brushes';
const PIN = '2468';
let server: TestServer;
const ids = new Map<string, string>();
const browser = () => request.agent(server.app);
type Browser = ReturnType<typeof browser>;
const signIn = (who: Browser, name: string, more: object = {}) =>
  who.post('/api/sign-in').send({ name, passphrase: PASSPHRASE, device: 'a browser', ...more });
const pinIn = (who: Browser, name: string, pin = PIN) =>
  who.post('/api/sign-in/pin').send({ person: ids.get(name), pin });
const signedIn = async (name: string, more: object = {}) => {
  const who = browser();
  await signIn(who, name, more).expect(201);
  return who;
};

beforeAll(async () => {
  server = await startTestServer({ signIn: true });
  const passphrase = await hashSecret(PASSPHRASE);
  const pin = await hashSecret(PIN);
  for (const [name, role] of [
    ['Ada', 'owner'],
    ['Pim', 'painter'],
    ['Hal', 'helper'],
    ['Vic', 'viewer'],
  ] as const) {
    const person = (await insertPerson(server.pool, { name, role, passphrase }))!;
    ids.set(name, person.id);
    await updatePerson(server.pool, person.id, { pin });
  }
});
afterAll(closeOpened);

describe('a PIN', () => {
  it('is of use only on phones an owner has paired', async () => {
    for (const name of ['Pim', 'Hal', 'Vic']) {
      const { body } = await signIn(browser(), name, { phone: 'Mine' }).expect(403);
      expect(body.error.code).toBe('owner-pairs');
    }
    const phone = await signedIn('Ada', { phone: 'Bench phone' });
    await pinIn(phone, 'Hal').expect(201);
    expect((await pinIn(browser(), 'Hal').expect(403)).body.error.code).toBe('no-phone');
  });
  it('opens no more than the rights of a painter, also for an owner', async () => {
    const phone = await signedIn('Ada', { phone: 'Door phone' });
    await phone.get('/api/people').expect(200);
    const { body } = await pinIn(phone, 'Ada').expect(201);
    expect((body as CurrentPerson).person).toMatchObject({ name: 'Ada', role: 'painter' });
    expect(((await phone.get('/api/me')).body as CurrentPerson).person?.role).toBe('painter');
    await phone.post('/api/jobs').send({ title: 'By PIN', kind: 'other' }).expect(201);
    for (const path of ['/api/people', '/api/phones']) await phone.get(path).expect(403);
    await phone
      .put(`/api/people/${ids.get('Hal')}`)
      .send({ role: 'owner' })
      .expect(403);
  });
  it('is locked for the person after five wrong ones, on whatever phones and whoever signs in between', async () => {
    const phones = [await signedIn('Ada', { phone: 'One' }), await signedIn('Ada', { phone: 'Two' })];
    let guesses = 0;
    for (let round = 0; round < 12; round++) {
      const phone = phones[round % 2]!;
      const { body } = await pinIn(phone, 'Ada', String(1000 + round)).expect(403);
      if (body.error.code === 'wrong') guesses++;
      else expect(body.error.code).toBe('pins-used-up');
      // One's own passphrase does not open somebody else's PIN.
      await signIn(phone, 'Hal').expect(201);
    }
    expect(guesses).toBe(5);
    await pinIn(phones[0]!, 'Ada').expect(403);
    const owner = await signedIn('Ada');
    expect(
      (await owner.get('/api/people')).body.people.map(({ name, pinLocked }: { name: string; pinLocked: boolean }) => [
        name,
        pinLocked,
      ]),
    ).toEqual([
      ['Ada', false],
      ['Hal', false],
      ['Pim', false],
      ['Vic', false],
    ]);
    await pinIn(phones[0]!, 'Ada').expect(201);
  });
  it('is shown to owners while it is locked', async () => {
    const phone = await signedIn('Ada', { phone: 'Three' });
    for (let round = 0; round < 5; round++) await pinIn(phone, 'Pim', '0000').expect(403);
    const owner = await signedIn('Ada');
    expect(
      (await owner.get('/api/people')).body.people.find(({ name }: { name: string }) => name === 'Pim'),
    ).toMatchObject({ hasPin: true, pinLocked: true });
    await signedIn('Pim');
    expect(
      (await owner.get('/api/people')).body.people.find(({ name }: { name: string }) => name === 'Pim'),
    ).toMatchObject({ pinLocked: false });
  });
  it('counts tries at the same moment, each before it is looked at', async () => {
    const phone = await signedIn('Ada', { phone: 'Four' });
    const answers = await Promise.all(
      Array.from({ length: 30 }, (_, index) => pinIn(phone, 'Vic', String(3000 + index))),
    );
    expect(answers.filter(({ body }) => body.error.code === 'wrong')).toHaveLength(5);
    await signedIn('Vic');
  });
  it('goes with a passphrase an owner has set', async () => {
    const phone = await signedIn('Ada', { phone: 'Five' });
    await pinIn(phone, 'Hal').expect(201);
    const owner = await signedIn('Ada');
    await owner
      .put(`/api/people/${ids.get('Hal')}`)
      .send({ passphrase: 'four dry brushes' })
      .expect(200);
    expect(
      (await owner.get('/api/people')).body.people.find(({ name }: { name: string }) => name === 'Hal'),
    ).toMatchObject({ hasPin: false });
    await pinIn(phone, 'Hal').expect(403);
    await updatePerson(server.pool, ids.get('Hal')!, {
      passphrase: await hashSecret(PASSPHRASE),
      pin: await hashSecret(PIN),
    });
  });
  it('of an owner from before has ended at the upgrade, and they are told until they set another', async () => {
    // What the upgrade does to such a PIN.
    await server.pool.query("UPDATE people SET pin = NULL, pin_ended = true WHERE role = 'owner' AND pin IS NOT NULL");
    const owner = await signedIn('Ada');
    expect(((await owner.get('/api/me')).body as CurrentPerson).pinEnded).toBe(true);
    await owner.put('/api/me/pin').send({ passphrase: PASSPHRASE, pin: PIN }).expect(204);
    expect(((await owner.get('/api/me')).body as CurrentPerson).pinEnded).toBe(false);
  });
});

describe('a phone of the shop that is lost', () => {
  it('is unpaired by an owner: whoever is in on it is out, and PINs open nothing there', async () => {
    const phone = await signedIn('Ada', { phone: 'Lost' });
    await pinIn(phone, 'Hal').expect(201);
    await phone.get('/api/jobs').expect(200);
    const owner = await signedIn('Ada');
    const { phones } = (await owner.get('/api/phones').expect(200)).body as { phones: { id: string; name: string }[] };
    const lost = phones.find(({ name }) => name === 'Lost')!;
    await (await signedIn('Pim')).delete(`/api/phones/${lost.id}`).expect(403);
    await owner.delete(`/api/phones/${lost.id}`).expect(204);
    await owner.delete(`/api/phones/${lost.id}`).expect(404);
    await phone.get('/api/jobs').expect(401);
    expect((await pinIn(phone, 'Hal').expect(403)).body.error.code).toBe('no-phone');
    expect((await owner.get('/api/phones')).body.phones.map(({ name }: { name: string }) => name)).not.toContain(
      'Lost',
    );
  });
});

describe('a page that listens', () => {
  let port: number;
  beforeAll(async () => void (port = await listenOn(createServer(server.app))));
  /** Listens with a session; resolves when the server ends it. */
  async function listen(name: string) {
    const { token, hash } = newToken();
    await insertSession(server.pool, { person: ids.get(name)!, phone: null, device: 'test', hash });
    const answer = await fetch(`http://127.0.0.1:${port}/api/live`, { headers: { cookie: `lintrel=${token}` } });
    const ended = (async () => {
      for await (const _ of answer.body ?? []);
    })();
    return { status: answer.status, ended, hash };
  }
  const inTime = (ended: Promise<void>) =>
    Promise.race([
      ended.then(() => 'ended'),
      new Promise((late) => setTimeout(() => late('still open'), WAIT_MS / 2).unref()),
    ]);

  it('is ended with its sign-in, and with its person', async () => {
    const [one, other, stays] = [await listen('Hal'), await listen('Vic'), await listen('Pim')];
    await server.pool.query('UPDATE sessions SET ended_at = now() WHERE hash = $1', [one.hash]);
    expect(await inTime(one.ended)).toBe('ended');
    const owner = await signedIn('Ada');
    const gone = (
      await owner.post('/api/people').send({ name: 'Leo', role: 'viewer', passphrase: PASSPHRASE }).expect(201)
    ).body as { id: string };
    ids.set('Leo', gone.id);
    const leo = await listen('Leo');
    await owner.delete(`/api/people/${gone.id}`).expect(204);
    expect(await inTime(leo.ended)).toBe('ended');
    expect(server.hub.listeners(ids.get('Pim')!)).toBe(1);
    await server.pool.query('UPDATE sessions SET ended_at = now() WHERE hash = ANY($1)', [[other.hash, stays.hash]]);
    await Promise.all([other.ended, stays.ended]);
  });
  it('is one of at most twenty of one person', async () => {
    const twenty = await Promise.all(Array.from({ length: 20 }, () => listen('Hal')));
    expect(twenty.every(({ status }) => status === 200)).toBe(true);
    expect((await listen('Hal')).status).toBe(503);
    const other = await listen('Pim');
    expect(other.status).toBe(200);
    await server.pool.query('UPDATE sessions SET ended_at = now()');
    await Promise.all([...twenty, other].map(({ ended }) => ended));
  });
});

describe('a passphrase', () => {
  it.each([
    '1234567890',
    '0987654321',
    'password123',
    'qwertyuiop',
    'abcdefghij',
    'aaaaaaaaaa',
    'hello hello hello',
    'PASSWORD1234',
  ])('is none that is common: %s', (text) => expect(isCommon(text)).toBe(text !== 'hello hello hello'));
  it.each([PASSPHRASE, 'a ladder in the loft', 'zwölf Eimer Lack'])('may be a few words of one’s own: %s', (text) =>
    expect(isCommon(text)).toBe(false),
  );
  it('that is common is refused wherever one is set', async () => {
    const owner = await signedIn('Ada');
    const faults = (answer: { body: { error: { fields: { code: string }[] } } }) =>
      answer.body.error.fields.map(({ code }) => code);
    expect(
      faults(
        await owner.post('/api/people').send({ name: 'New', role: 'helper', passphrase: '1234567890' }).expect(422),
      ),
    ).toEqual(['server.passphrase-common']);
    expect(
      faults(
        await owner
          .put(`/api/people/${ids.get('Vic')}`)
          .send({ passphrase: '1234567890' })
          .expect(422),
      ),
    ).toEqual(['server.passphrase-common']);
    expect(
      faults(await owner.put('/api/me/passphrase').send({ old: PASSPHRASE, passphrase: '1234567890' }).expect(422)),
    ).toEqual(['server.passphrase-common']);
    const setUp = { code: normalizeCode(newCode()), name: 'X', passphrase: '1234567890', device: 'x' };
    expect(faults(await browser().post('/api/sign-in/set-up').send(setUp).expect(422))).toEqual([
      'server.passphrase-common',
    ]);
  });
});

describe('a name', () => {
  it.each([
    ['Ada', 'Аda'],
    ['Ada', 'A\u200bda'],
    ['Ada', 'Ada\u2060'],
    ['Pim', 'Рim'],
    ['Hal', 'Ha1'],
    ['Vic', 'Ⅴic'],
    ['Bo Rue', 'Bo\u00a0Rue'],
  ])('that looks like another is told apart by nobody: %s, %j', (one, other) =>
    expect(looksAlike(one, other)).toBe(true),
  );
  it.each([
    ['Ada', 'Ida'],
    ['Pim', 'Pam'],
    ['Jörg', 'Jürg'],
  ])('is another where it looks so: %s, %s', (one, other) => expect(looksAlike(one, other)).toBe(false));
  it('of a new person that looks like one that is here is refused', async () => {
    const owner = await signedIn('Ada');
    const { body } = await owner
      .post('/api/people')
      .send({ name: 'Аda', role: 'helper', passphrase: PASSPHRASE })
      .expect(422);
    expect(body.error.fields).toEqual([
      expect.objectContaining({ path: 'name', code: 'server.person-alike', values: { name: 'Ada' } }),
    ]);
  });
});

describe('the calendar', () => {
  it('is at a secret address of each person, until it is called back or they leave', async () => {
    const pim = await signedIn('Pim');
    expect((await pim.get('/api/me/calendar').expect(200)).body).toEqual({ madeAt: null });
    const { token } = (await pim.post('/api/me/calendar').expect(201)).body as { token: string };
    const { headers, text } = await request(server.app).get(`/api/calendar/${token}`).expect(200);
    expect(headers['content-type']).toMatch(/text\/calendar/);
    expect(text).toMatch(/^BEGIN:VCALENDAR/);
    expect((await pim.get('/api/me/calendar')).body.madeAt).toMatch(/^\d{4}-/);
    // Another takes its place; it opens nothing else.
    const { token: next } = (await pim.post('/api/me/calendar').expect(201)).body as { token: string };
    await request(server.app).get(`/api/calendar/${token}`).expect(404);
    await request(server.app).get('/api/jobs').set('Cookie', `lintrel=${next}`).expect(401);
    await pim.delete('/api/me/calendar').expect(204);
    await pim.delete('/api/me/calendar').expect(404);
    await request(server.app).get(`/api/calendar/${next}`).expect(404);
    const owner = await signedIn('Ada');
    const { id } = (
      await owner.post('/api/people').send({ name: 'Tam', role: 'helper', passphrase: PASSPHRASE }).expect(201)
    ).body as { id: string };
    const tam = await signedIn('Tam');
    const { token: theirs } = (await tam.post('/api/me/calendar').expect(201)).body as { token: string };
    await request(server.app).get(`/api/calendar/${theirs}`).expect(200);
    await owner.delete(`/api/people/${id}`).expect(204);
    await request(server.app).get(`/api/calendar/${theirs}`).expect(404);
  });
});

it('addresses that open something stand in no log', async () => {
  const lines: string[] = [];
  const log = pino({ level: 'info' }, { write: (line: string) => void lines.push(line) });
  const { pool, workshop, hub } = server;
  const app = createApp({ pool, log, clientFolder: null, workshop, hub, signIn: true });
  const secret = randomUUID();
  for (const path of [`/api/link/${secret}`, `/api/calendar/${secret}`, `/api/calendar/${secret}?x=1`])
    await request(app).get(path).expect(404);
  expect(lines.length).toBeGreaterThan(0);
  expect(lines.join()).not.toContain(secret);
  expect(lines.join()).toContain('/api/link/…');
});
