import { randomUUID } from 'node:crypto';
import {
  type CurrentPerson,
  isAllowed,
  type Job,
  type JobSummary,
  ROLES,
  type RunRecord,
  type Session,
  type Step,
} from '@lintrel/core';
import request from 'supertest';
import { saveSetUpCode } from '../db/people';
import { newCode, normalizeCode, tokenHash } from '../people/secrets';
import { startTestServer, type TestServer } from '../testing/server';
import { ROUTES } from './routes';

let server: TestServer;
let job: Job;
const PASSPHRASE = 'three wet brushes';
/** A browser: it brings back the cookies it was given. */
const browser = () => request.agent(server.app);
type Browser = ReturnType<typeof browser>;
const me = async (who: Browser) => (await who.get('/api/me').expect(200)).body as CurrentPerson;
const signIn = (who: Browser, name: string, more: object = {}) =>
  who.post('/api/sign-in').send({ name, passphrase: PASSPHRASE, device: 'a browser', ...more });
const people = new Map<string, Browser>();
const as = (role: string): Browser => people.get(role)!;

beforeAll(async () => {
  server = await startTestServer({ signIn: true });
  const code = newCode();
  await saveSetUpCode(server.pool, tokenHash(normalizeCode(code)));
  const owner = browser();
  expect(await me(owner)).toMatchObject({ signIn: true, setUp: false, person: null });
  await owner
    .post('/api/sign-in/set-up')
    .send({ code: 'AAAA-AAAA-AAAA', name: 'Guess', passphrase: PASSPHRASE, device: 'x' })
    .expect(403);
  await owner.post('/api/sign-in/set-up').send({ code, name: 'Ada', passphrase: 'short', device: 'x' }).expect(422);
  // Typed as one reads it.
  await owner
    .post('/api/sign-in/set-up')
    .send({ code: code.toLowerCase().replaceAll('-', ' '), name: 'Ada', passphrase: PASSPHRASE, device: 'bench' })
    .expect(201);
  await browser()
    .post('/api/sign-in/set-up')
    .send({ code, name: 'Second', passphrase: PASSPHRASE, device: 'x' })
    .expect(403);
  people.set('owner', owner);
  for (const [name, role] of [
    ['Pim', 'painter'],
    ['Hal', 'helper'],
    ['Vic', 'viewer'],
  ] as const) {
    await owner.post('/api/people').send({ name, role, passphrase: PASSPHRASE }).expect(201);
    const one = browser();
    await signIn(one, name).expect(201);
    people.set(role, one);
  }
  const { body } = await owner.get('/api/jobs');
  job = (await owner.get(`/api/jobs/${(body.jobs as JobSummary[]).find(({ title }) => title === 'Juniper')!.id}`))
    .body as Job;
});
afterAll(() => server.close());

describe('rights', () => {
  it('of a request nobody knows are nobody’s', async () => {
    await as('owner').get('/api/secrets').expect(404);
    await as('owner').patch('/api/jobs').expect(404);
    await browser().get('/api/secrets').expect(404);
  });
  it('stand with every route once', () => {
    const known = ROUTES.map(({ method, path }) => `${method} ${path}`);
    expect(known.length).toBeGreaterThan(55);
    expect(new Set(known).size).toBe(known.length);
  });
  const cases = ROUTES.filter(({ path }) => path !== '/live').flatMap(({ method, path, right }) =>
    [null, ...ROLES].map((role) => [role, method, path, right] as const),
  );
  it.each(cases)('as %s: %s %s', async (role, method, path, right) => {
    // Of things that are not there, with nothing in hand: what is asked is whether one is let in at all.
    const url = `/api${path.replace(':id', randomUUID()).replace(/:[a-z]+/g, 'nothing')}`;
    const send = (who: Browser) =>
      method === 'GET'
        ? who.get(url)
        : method === 'POST'
          ? who.post(url).send({})
          : method === 'PUT'
            ? who.put(url).send({})
            : who.delete(url);
    if (path === '/sign-out') return;
    // It would take the jobs of the demo away from the tests after it.
    if (path === '/shop/own' && method === 'POST' && role !== null && isAllowed(role, right)) return;
    const { status, body } = await send(role === null ? browser() : as(role));
    const code = (body as { error?: { code?: string } }).error?.code;
    const letIn = right === 'open' || (role !== null && isAllowed(role, right));
    if (letIn) expect(['sign-in', 'not-yours']).not.toContain(code);
    else expect([status, code]).toEqual(role === null ? [401, 'sign-in'] : [403, 'not-yours']);
    expect(status).toBeLessThan(500);
  });
});

describe('people', () => {
  it('come in by name and passphrase, whatever the case of the name, and by nothing else', async () => {
    const one = browser();
    expect((await signIn(one, 'pim').expect(201)).body).toMatchObject({ person: { name: 'Pim', role: 'painter' } });
    expect((await me(one)).person?.name).toBe('Pim');
    const [wrongly, nobody] = [
      await signIn(browser(), 'Pim', { passphrase: 'wrong wrong wrong' }).expect(403),
      await signIn(browser(), 'Nobody').expect(403),
    ];
    // Who works here is told to nobody.
    expect(wrongly.body).toEqual(nobody.body);
  });
  it('have cookies no script reads and no other page sends', async () => {
    const { headers } = await signIn(browser(), 'Vic').expect(201);
    expect(String(headers['set-cookie'])).toMatch(/lintrel=[\w-]{43};.*HttpOnly;.*SameSite=Strict/i);
  });
  it('are out after signing out, also with the cookie they had', async () => {
    const one = browser();
    const cookie = String((await signIn(one, 'Vic').expect(201)).headers['set-cookie']).split(';')[0]!;
    await request(server.app).get('/api/jobs').set('Cookie', cookie).expect(200);
    await one.post('/api/sign-out').expect(204);
    await request(server.app).get('/api/jobs').set('Cookie', cookie).expect(401);
  });
  it('get another token now and then, and the one before holds for a moment', async () => {
    const one = browser();
    const cookie = String((await signIn(one, 'Hal').expect(201)).headers['set-cookie']).split(';')[0]!;
    await server.pool.query("UPDATE sessions SET changed_at = now() - interval '2 days' WHERE hash = $1", [
      tokenHash(cookie.split('=')[1]!),
    ]);
    const { headers } = await request(server.app).get('/api/jobs').set('Cookie', cookie).expect(200);
    const fresh = String(headers['set-cookie']).split(';')[0]!;
    expect(fresh).not.toBe(cookie);
    await request(server.app).get('/api/jobs').set('Cookie', cookie).expect(200);
    await request(server.app).get('/api/jobs').set('Cookie', fresh).expect(200);
    await server.pool.query("UPDATE sessions SET changed_at = now() - interval '3 minutes' WHERE hash = $1", [
      tokenHash(fresh.split('=')[1]!),
    ]);
    await request(server.app).get('/api/jobs').set('Cookie', cookie).expect(401);
    await request(server.app).get('/api/jobs').set('Cookie', fresh).expect(200);
  });
  it('see where they are signed in and end it; the owner sees all', async () => {
    const [here, there] = [browser(), browser()];
    await signIn(here, 'Hal', { device: 'here' });
    await signIn(there, 'Hal', { device: 'there' });
    const sessions = (await here.get('/api/sessions').expect(200)).body.sessions as Session[];
    expect(sessions.every(({ person }) => person === 'Hal')).toBe(true);
    expect(sessions.find(({ own }) => own)?.device).toBe('here');
    await here.delete(`/api/sessions/${sessions.find(({ device }) => device === 'there')!.id}`).expect(204);
    await there.get('/api/jobs').expect(401);
    const all = (await as('owner').get('/api/sessions')).body.sessions as Session[];
    expect(new Set(all.map(({ person }) => person)).size).toBeGreaterThan(2);
    // Nobody ends what is somebody else's.
    await here.delete(`/api/sessions/${all.find(({ person }) => person === 'Ada')!.id}`).expect(404);
  });
  it('who leave are out at once, and stay as the author of what they did', async () => {
    await as('owner').post('/api/people').send({ name: 'Leo', role: 'painter', passphrase: PASSPHRASE }).expect(201);
    const leo = browser();
    await signIn(leo, 'Leo').expect(201);
    const made = (await leo.post('/api/jobs').send({ title: 'By Leo', kind: 'other' }).expect(201)).body as Job;
    const id = (await me(leo)).person!.id;
    await as('owner').delete(`/api/people/${id}`).expect(204);
    await leo.get('/api/jobs').expect(401);
    await signIn(browser(), 'Leo').expect(403);
    expect(((await as('owner').get(`/api/jobs/${made.id}`)).body as Job).author).toBe('Leo');
    // Another may be called so.
    await as('owner').post('/api/people').send({ name: 'leo', role: 'helper', passphrase: PASSPHRASE }).expect(201);
    await as('owner').post('/api/people').send({ name: 'LEO', role: 'helper', passphrase: PASSPHRASE }).expect(422);
  });
  it('always have an owner', async () => {
    const id = (await me(as('owner'))).person!.id;
    expect((await as('owner').delete(`/api/people/${id}`).expect(409)).body.error.code).toBe('last-owner');
    expect((await as('owner').put(`/api/people/${id}`).send({ role: 'viewer' }).expect(409)).body.error.code).toBe(
      'last-owner',
    );
  });
  it('with another passphrase are out everywhere else', async () => {
    await as('owner').post('/api/people').send({ name: 'Mia', role: 'painter', passphrase: PASSPHRASE }).expect(201);
    const [here, there] = [browser(), browser()];
    await signIn(here, 'Mia');
    await signIn(there, 'Mia');
    await here.put('/api/me/passphrase').send({ old: 'not it at all', passphrase: 'a new one, longer' }).expect(403);
    await here.put('/api/me/passphrase').send({ old: PASSPHRASE, passphrase: 'a new one, longer' }).expect(204);
    await here.get('/api/jobs').expect(200);
    await there.get('/api/jobs').expect(401);
    await signIn(browser(), 'Mia').expect(403);
  });
  it('sign what they write down, whatever the entry says', async () => {
    const entry = {
      id: randomUUID(),
      version: 2,
      at: new Date().toISOString(),
      kind: 'note',
      step: null,
      note: 'tacky',
      person: 'Somebody else',
    };
    await as('helper')
      .post(`/api/jobs/${job.id}/log`)
      .send({ entries: [entry] })
      .expect(201);
    const { events } = (await as('viewer').get(`/api/jobs/${job.id}/run`)).body as RunRecord;
    expect(events.find(({ id }) => id === entry.id)?.person).toBe('Hal');
    // What another has made on the same phone is written down under their name, with who sent it; a name nobody has counts for nothing.
    const hers = { ...entry, id: randomUUID() };
    const odd = { ...entry, id: randomUUID() };
    const pim = (await me(as('painter'))).person!.id;
    await as('helper')
      .post(`/api/jobs/${job.id}/log`)
      .send({ entries: [hers, odd], authors: { [hers.id]: pim, [odd.id]: randomUUID() } })
      .expect(201);
    const { events: more } = (await as('viewer').get(`/api/jobs/${job.id}/run`)).body as RunRecord;
    expect(more.find(({ id }) => id === hers.id)).toMatchObject({ person: 'Pim', sentBy: 'Hal' });
    expect(more.find(({ id }) => id === odd.id)).toMatchObject({ person: 'Hal' });
    expect(more.find(({ id }) => id === odd.id)).not.toHaveProperty('sentBy');
    const saved = (
      await as('painter').put(`/api/jobs/${job.id}`).send({ revision: job.revision, design: job.design }).expect(200)
    ).body as Job;
    expect(saved.author).toBe('Pim');
    expect(
      (await as('owner').put(`/api/jobs/${job.id}`).send({ revision: job.revision, design: job.design }).expect(409))
        .body.error.message,
    ).toMatch(/by Pim/);
    const { rows } = await server.pool.query('SELECT author FROM job_revisions WHERE job_id = $1 ORDER BY revision', [
      job.id,
    ]);
    expect(rows.map(({ author }) => author)).toEqual([null, 'Pim']);
  });
});

describe('a phone of the shop', () => {
  it('changes hands by a PIN, and asks for a passphrase after five wrong ones', async () => {
    await as('helper').put('/api/me/pin').send({ passphrase: PASSPHRASE, pin: '12' }).expect(422);
    await as('helper').put('/api/me/pin').send({ passphrase: PASSPHRASE, pin: '2468' }).expect(204);
    const hal = (await me(as('helper'))).person!.id;
    // On any other device a PIN is nothing.
    expect(
      (await browser().post('/api/sign-in/pin').send({ person: hal, pin: '2468' }).expect(403)).body.error.code,
    ).toBe('no-phone');
    const phone = browser();
    await signIn(phone, 'Ada', { phone: 'Bench phone' }).expect(201);
    expect((await me(phone)).phone).toEqual({ name: 'Bench phone', people: [{ id: hal, name: 'Hal' }] });
    await phone.post('/api/sign-in/pin').send({ person: hal, pin: '1111' }).expect(403);
    expect((await phone.post('/api/sign-in/pin').send({ person: hal, pin: '2468' }).expect(201)).body.person.name).toBe(
      'Hal',
    );
    expect((await me(phone)).person?.name).toBe('Hal');
    for (let times = 0; times < 5; times++)
      await server.pool.query("UPDATE phones SET wrong_pins = wrong_pins + 1 WHERE name = 'Bench phone'");
    expect((await phone.post('/api/sign-in/pin').send({ person: hal, pin: '2468' }).expect(403)).body.error.code).toBe(
      'pins-used-up',
    );
    await signIn(phone, 'Pim').expect(201);
    await phone.post('/api/sign-in/pin').send({ person: hal, pin: '2468' }).expect(201);
  });
});

describe('a link for a customer', () => {
  it('shows how one job will look and how far it is, until it is called back', async () => {
    const { started } = (await as('helper').get(`/api/jobs/${job.id}/run`)).body as RunRecord;
    const coats = (started!.plan.steps as readonly Step[]).filter(({ stage, kind }) => stage === 1 && kind === 'coat');
    const entries = coats.map(({ id: step }) => ({
      id: randomUUID(),
      version: 2,
      at: new Date().toISOString(),
      kind: 'done',
      step,
      note: '',
    }));
    await as('helper').post(`/api/jobs/${job.id}/log`).send({ entries }).expect(201);
    const { token, id } = (await as('painter').post(`/api/jobs/${job.id}/links`).expect(201)).body as {
      token: string;
      id: string;
    };
    const { body, text } = await request(server.app).get(`/api/link/${token}`).expect(200);
    expect(body).toMatchObject({ title: 'Juniper', state: 'in-shop' });
    expect(body.parts[0].areas[0].rings.length).toBeGreaterThan(0);
    expect(body.stages.map(({ done }: { done: boolean }) => done)).toEqual([true, false, false]);
    // No prices, no people, no notes.
    expect(text).not.toMatch(/price|Pim|Ada|note|tape/i);
    expect((await as('painter').get(`/api/jobs/${job.id}/links`)).body.links).toMatchObject([{ id, madeBy: 'Pim' }]);
    await request(server.app).get(`/api/jobs/${job.id}`).set('Cookie', `lintrel=${token}`).expect(401);
    await as('painter').delete(`/api/links/${id}`).expect(204);
    await request(server.app).get(`/api/link/${token}`).expect(404);
    await request(server.app).get('/api/link/guess').expect(404);
  });
});

it('whoever only guesses is slowed down', async () => {
  const slow = await startTestServer({ demo: false, signIn: true, tries: 5 });
  const statuses = [];
  for (let times = 0; times < 7; times++)
    statuses.push(
      (await request(slow.app).post('/api/sign-in').send({ name: 'Ada', passphrase: 'guess after guess', device: 'x' }))
        .status,
    );
  expect(statuses).toEqual([403, 403, 403, 403, 403, 429, 429]);
  await slow.close();
});
