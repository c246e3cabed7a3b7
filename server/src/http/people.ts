import {
  changePersonSchema,
  meSchema,
  newPersonSchema,
  ownPassphraseSchema,
  ownPinSchema,
  peopleSchema,
  personSchema,
  pinInSchema,
  plainly,
  sessionsSchema,
  setUpSchema,
  signInSchema,
  type ShopPerson,
} from '@lintrel/core';
import { Router, type Request, type Response } from 'express';
import type pg from 'pg';
import {
  anybody,
  countOwners,
  countPin,
  endSession,
  endSessionsOf,
  findPhone,
  insertPerson,
  insertPhone,
  insertSession,
  leavePerson,
  listPeople,
  listSessions,
  personById,
  personNamed,
  updatePerson,
  useSetUpCode,
  type PersonRow,
} from '../db/people';
import { inTransaction, type Queryable } from '../db/pool';
import { asTyped, hashOf, isSecret, keptSecret, newToken } from '../people/secrets';
import { ApiError, invalidAt, notFound } from './errors';
import { slowly } from './slowly';
import { answered, bodyOf, uuidOf } from './validate';
import { cookieIn, giveCookie, PHONE_COOKIE, SESSION_COOKIE, takeCookie, whoAsks } from './who';

/** So many tries to get in from one address in a minute; so many wrong PINs on one phone before a passphrase is asked for. */
export const TRIES_A_MINUTE = 20;
const MOST_WRONG_PINS = 5;

const wrong = () => new ApiError(403, 'wrong', 'Name and passphrase do not belong together.');

/** /api/me, /sign-in, /sign-out, /people, /sessions: who works here and is signed in where. */
export function peopleRoutes(pool: pg.Pool, signIn: boolean, tries: number): Router {
  const routes = Router();
  // Whoever only guesses is slowed down.
  const guarded = slowly(tries, 'Too many tries. Wait a minute, then try again.', true);

  routes.get('/me', async (request, response) => response.json(await meOf(pool, signIn, request)));

  routes.post('/sign-in/set-up', guarded, async (request, response) => {
    const { code, name, passphrase, device } = bodyOf(setUpSchema, request.body);
    const secret = await keptSecret(passphrase);
    await inTransaction(pool, async (db) => {
      if ((await anybody(db)) || !(await useSetUpCode(db, hashOf(asTyped(code)))))
        throw new ApiError(403, 'wrong', 'This is not the code the start has printed, or it was used already.');
      const owner = await insertPerson(db, { name, role: 'owner', passphrase: secret });
      if (!owner) throw taken();
      await begin(db, response, { person: owner.id, phone: null, device });
    });
    response.status(201).json(await meOf(pool, signIn, request, name));
  });

  routes.post('/sign-in', guarded, async (request, response) => {
    const { name, passphrase, device, phone } = bodyOf(signInSchema, request.body);
    const person = await personNamed(pool, name);
    if (!(await isSecret(person?.passphrase ?? null, passphrase)) || !person) throw wrong();
    await inTransaction(pool, async (db) => {
      const paired = await pairedPhone(db, request, response, phone);
      await begin(db, response, { person: person.id, phone: paired, device: phone ?? device });
    });
    response.status(201).json(await meOf(pool, signIn, request, person.name));
  });

  routes.post('/sign-in/pin', guarded, async (request, response) => {
    const { person: id, pin } = bodyOf(pinInSchema, request.body);
    const token = cookieIn(request, PHONE_COOKIE);
    const phone = token === null ? null : await findPhone(pool, hashOf(token));
    if (!phone) throw new ApiError(403, 'no-phone', 'A PIN is enough only on a phone of the shop: sign in with your passphrase.');
    if (phone.wrongPins >= MOST_WRONG_PINS) throw new ApiError(403, 'pins-used-up', 'Too many wrong PINs on this phone: sign in with your passphrase.');
    const person = await personById(pool, id);
    const right = await isSecret(person?.pin ?? null, pin);
    await countPin(pool, phone.id, right);
    if (!right || !person) throw new ApiError(403, 'wrong', 'This is not the PIN.');
    await inTransaction(pool, (db) => begin(db, response, { person: person.id, phone: phone.id, device: phone.name }));
    response.status(201).json(await meOf(pool, signIn, request, person.name));
  });

  routes.post('/sign-out', async (request, response) => {
    const { session } = whoAsks(request);
    if (session !== null) await endSession(pool, session, null);
    takeCookie(response, SESSION_COOKIE);
    response.status(204).end();
  });

  routes.put('/me/pin', guarded, async (request, response) => {
    const { passphrase, pin } = bodyOf(ownPinSchema, request.body);
    const own = await ownRow(pool, request, passphrase);
    await updatePerson(pool, own.id, { pin: await keptSecret(pin) });
    response.status(204).end();
  });

  routes.put('/me/passphrase', guarded, async (request, response) => {
    const { old, passphrase } = bodyOf(ownPassphraseSchema, request.body);
    const own = await ownRow(pool, request, old);
    await updatePerson(pool, own.id, { passphrase: await keptSecret(passphrase) });
    // Whoever knew the old one is out.
    await endSessionsOf(pool, own.id, whoAsks(request).session);
    response.status(204).end();
  });

  routes.get('/sessions', async (request, response) => {
    const { person, session } = whoAsks(request);
    response.json(answered(sessionsSchema, { sessions: await listSessions(pool, person?.role === 'owner' ? null : (person?.id ?? null), session ?? '') }));
  });

  routes.delete('/sessions/:id', async (request, response) => {
    const { person } = whoAsks(request);
    const whose = person?.role === 'owner' ? null : (person?.id ?? null);
    if (!(await endSession(pool, uuidOf(request.params.id, 'session'), whose))) throw notFound('session');
    response.status(204).end();
  });

  routes.get('/people', async (_request, response) => {
    response.json(answered(peopleSchema, { people: (await listPeople(pool)).map(({ id, name, role, pin }) => ({ id, name, role, hasPin: pin !== null })) }));
  });

  routes.post('/people', async (request, response) => {
    const { name, role, passphrase } = bodyOf(newPersonSchema, request.body);
    const person = await insertPerson(pool, { name, role, passphrase: await keptSecret(passphrase) });
    if (!person) throw taken();
    response.status(201).json(answered(personSchema, person));
  });

  routes.put('/people/:id', async (request, response) => {
    const id = uuidOf(request.params.id, 'person');
    const { role, passphrase } = bodyOf(changePersonSchema, request.body);
    const secret = passphrase === undefined ? undefined : await keptSecret(passphrase);
    await inTransaction(pool, async (db) => {
      const before = await known(db, id);
      if (before.role === 'owner' && role !== undefined && role !== 'owner') await oneOwnerStays(db);
      await updatePerson(db, id, { ...(role ? { role } : {}), ...(secret ? { passphrase: secret } : {}) });
      // What somebody else has set as a passphrase ends what was begun with the old one.
      if (secret) await endSessionsOf(db, id, whoAsks(request).session);
    });
    response.json(answered(personSchema, await known(pool, id)));
  });

  routes.delete('/people/:id', async (request, response) => {
    const id = uuidOf(request.params.id, 'person');
    await inTransaction(pool, async (db) => {
      if ((await known(db, id)).role === 'owner') await oneOwnerStays(db);
      await leavePerson(db, id);
      await endSessionsOf(db, id);
    });
    response.status(204).end();
  });

  return routes;
}

const taken = () => invalidAt('name', plainly('server.person-taken'));

async function known(db: Queryable, id: string): Promise<PersonRow> {
  const person = await personById(db, id);
  if (!person) throw notFound('person');
  return person;
}

/** Of two owners who go at the same moment one stays. */
async function oneOwnerStays(db: Queryable): Promise<void> {
  await db.query('LOCK TABLE people IN SHARE ROW EXCLUSIVE MODE');
  if ((await countOwners(db)) < 2) throw new ApiError(409, 'last-owner', 'One owner has to stay: make somebody else an owner first.');
}

/** The person who asks, after they have said their passphrase once more. */
async function ownRow(db: Queryable, request: Request, passphrase: string): Promise<PersonRow> {
  const { person } = whoAsks(request);
  const row = person && (await personById(db, person.id));
  if (!(await isSecret(row?.passphrase ?? null, passphrase)) || !row) throw new ApiError(403, 'wrong', 'This is not your passphrase.');
  return row;
}

/** Begins a session and gives the browser its token; the one before on this browser is over. */
async function begin(db: Queryable, response: Response, of: { person: string; phone: string | null; device: string }): Promise<void> {
  const before = whoAsks(response.req).session;
  if (before !== null) await endSession(db, before, null);
  const { token, hash } = newToken();
  await insertSession(db, { ...of, hash });
  giveCookie(response, SESSION_COOKIE, token);
}

/** The phone of the shop this browser is, made one now where a name for it is given. */
async function pairedPhone(db: Queryable, request: Request, response: Response, name: string | undefined): Promise<string | null> {
  const brought = cookieIn(request, PHONE_COOKIE);
  const found = brought === null ? null : await findPhone(db, hashOf(brought));
  if (found) {
    await countPin(db, found.id, true);
    return found.id;
  }
  if (name === undefined) return null;
  const { token, hash } = newToken();
  const id = await insertPhone(db, name, hash);
  giveCookie(response, PHONE_COOKIE, token);
  return id;
}

/** Who one is here; just signed in, the request does not know yet. */
async function meOf(pool: pg.Pool, signIn: boolean, request: Request, fresh?: string) {
  if (!signIn) return answered(meSchema, { signIn, setUp: true, person: null, phone: null });
  const row = fresh === undefined ? null : await personNamed(pool, fresh);
  const person: ShopPerson | null = row ? { id: row.id, name: row.name, role: row.role } : whoAsks(request).person;
  const token = cookieIn(request, PHONE_COOKIE);
  const phone = token === null ? null : await findPhone(pool, hashOf(token));
  const hands = phone ? (await listPeople(pool)).flatMap(({ id, name, pin }) => (pin === null ? [] : [{ id, name }])) : [];
  return answered(meSchema, { signIn, setUp: await anybody(pool), person, phone: phone && { name: phone.name, people: hands } });
}
