import {
  changePersonSchema,
  type CurrentPerson,
  currentPersonSchema,
  message,
  messageWithoutValues,
  newPersonSchema,
  ownPassphraseSchema,
  ownPinSchema,
  peopleSchema,
  personSchema,
  phonesSchema,
  pinInSchema,
  sessionsSchema,
  setUpSchema,
  type ShopPerson,
  signInSchema,
} from '@lintrel/core';
import {
  canSignIn,
  clearPinTries,
  countOwners,
  countPinTry,
  endCalendarLink,
  endPhone,
  endSession,
  endSessionsOf,
  findPhone,
  insertPerson,
  insertPhone,
  insertSession,
  isPinLocked,
  leavePerson,
  listPeople,
  listPhones,
  listSessions,
  personById,
  personNamed,
  type PersonRow,
  roleByPin,
  updatePerson,
  useSetUpCode,
} from '../db/people';
import { inTransaction, type Queryable } from '../db/pool';
import { ApiError, invalidAt, notFound } from '../errors/errors';
import { isCommon } from '../people/common-passphrases';
import { looksAlike } from '../people/names';
import { hashSecret, newToken, normalizeCode, tokenHash, verifySecret } from '../people/secrets';
import { clearCookie, cookieIn, PHONE_COOKIE, SESSION_COOKIE, setCookie } from './requester';
import { type Context, type Route, route } from './route';
import { uuidOf } from './validate';

const wrong = () => new ApiError(403, 'wrong', messageWithoutValues('server.wrong-sign-in'));

/** /api/me, /sign-in, /sign-out, /people, /sessions: who works here and is signed in where. */
export const peopleRoutes: readonly Route[] = [
  route({ method: 'GET', path: '/me', right: 'open', answer: currentPersonSchema, work: (context) => meOf(context) }),
  route({
    method: 'POST',
    path: '/sign-in/set-up',
    right: 'open',
    slow: 'guessing',
    status: 201,
    body: setUpSchema,
    answer: currentPersonSchema,
    async work(context) {
      const { code, name, passphrase, device } = context.body;
      refuseCommon(passphrase);
      const secret = await hashSecret(passphrase);
      await inTransaction(context.db, async (db) => {
        if ((await canSignIn(db)) || !(await useSetUpCode(db, tokenHash(normalizeCode(code)))))
          throw new ApiError(403, 'wrong', messageWithoutValues('server.wrong-code'));
        const owner = await setUpOwner(db, name, secret);
        await begin(db, context, { person: owner.id, phone: null, device });
      });
      return meOf(context, name);
    },
  }),
  route({
    method: 'POST',
    path: '/sign-in',
    right: 'open',
    slow: 'guessing',
    status: 201,
    body: signInSchema,
    answer: currentPersonSchema,
    async work(context) {
      const { name, passphrase, device, phone } = context.body;
      const person = await personNamed(context.db, name);
      if (!(await verifySecret(person?.passphrase ?? null, passphrase)) || !person) throw wrong();
      if (phone !== undefined && person.role !== 'owner')
        throw new ApiError(403, 'owner-pairs', messageWithoutValues('server.owner-pairs'));
      await inTransaction(context.db, async (db) => {
        const paired = await pairedPhone(db, context, phone);
        await clearPinTries(db, paired, person.id);
        await begin(db, context, { person: person.id, phone: paired, device: phone ?? device });
      });
      return meOf(context, person.name);
    },
  }),
  route({
    method: 'POST',
    path: '/sign-in/pin',
    right: 'open',
    slow: 'guessing',
    status: 201,
    body: pinInSchema,
    answer: currentPersonSchema,
    async work(context) {
      const { db, body, request } = context;
      const token = cookieIn(request, PHONE_COOKIE);
      const phone = token === null ? null : await findPhone(db, tokenHash(token));
      if (!phone) throw new ApiError(403, 'no-phone', messageWithoutValues('server.no-shop-phone'));
      if (!(await inTransaction(db, (held) => countPinTry(held, phone.id, body.person))))
        throw new ApiError(403, 'pins-used-up', messageWithoutValues('server.pins-used-up'));
      const person = await personById(db, body.person);
      if (!(await verifySecret(person?.pin ?? null, body.pin)) || !person)
        throw new ApiError(403, 'wrong', messageWithoutValues('server.wrong-pin'));
      await clearPinTries(db, phone.id, person.id);
      await inTransaction(db, (held) =>
        begin(held, context, { person: person.id, phone: phone.id, device: phone.name, byPin: true }),
      );
      return meOf(context, person.name, true);
    },
  }),
  route({
    method: 'POST',
    path: '/sign-out',
    right: 'open',
    answer: 'nothing',
    async work({ db, session, response }) {
      if (session !== null) await endSession(db, session, null);
      clearCookie(response, SESSION_COOKIE);
    },
  }),
  route({
    method: 'PUT',
    path: '/me/pin',
    right: 'signed',
    slow: 'guessing',
    body: ownPinSchema,
    answer: 'nothing',
    async work({ db, person, body: { passphrase, pin } }) {
      const row = await ownRow(db, person, passphrase);
      await updatePerson(db, row.id, { pin: await hashSecret(pin) });
    },
  }),
  route({
    method: 'PUT',
    path: '/me/passphrase',
    right: 'signed',
    slow: 'guessing',
    body: ownPassphraseSchema,
    answer: 'nothing',
    async work({ db, person, session, body: { old, passphrase } }) {
      refuseCommon(passphrase);
      const row = await ownRow(db, person, old);
      await updatePerson(db, row.id, { passphrase: await hashSecret(passphrase) });
      // Sessions begun with the old passphrase are ended.
      await endSessionsOf(db, row.id, session);
    },
  }),
  route({
    method: 'GET',
    path: '/sessions',
    right: 'signed',
    answer: sessionsSchema,
    work: async ({ db, person, session }) => ({ sessions: await listSessions(db, whose(person), session ?? '') }),
  }),
  route({
    method: 'DELETE',
    path: '/sessions/:id',
    right: 'signed',
    answer: 'nothing',
    async work({ db, person, params }) {
      if (!(await endSession(db, uuidOf(params.id, 'session'), whose(person)))) throw notFound('session');
    },
  }),
  route({
    method: 'GET',
    path: '/phones',
    right: 'people',
    answer: phonesSchema,
    work: async ({ db }) => ({
      phones: (await listPhones(db)).map(({ pairedAt, ...phone }) => ({ ...phone, pairedAt: pairedAt.toISOString() })),
    }),
  }),
  route({
    method: 'DELETE',
    path: '/phones/:id',
    right: 'people',
    answer: 'nothing',
    work: ({ db: pool, params }) =>
      inTransaction(pool, async (db) => {
        if (!(await endPhone(db, uuidOf(params.id, 'phone')))) throw notFound('phone');
      }),
  }),
  route({
    method: 'GET',
    path: '/people',
    right: 'people',
    answer: peopleSchema,
    work: async ({ db }) => ({
      people: (await listPeople(db)).map((row) => ({
        id: row.id,
        name: row.name,
        role: row.role,
        hasPin: row.pin !== null,
        pinLocked: isPinLocked(row),
      })),
    }),
  }),
  route({
    method: 'POST',
    path: '/people',
    right: 'people',
    status: 201,
    body: newPersonSchema,
    answer: personSchema,
    async work({ db, body: { name, role, passphrase } }) {
      const names = (await listPeople(db)).map((row) => row.name);
      const alike = names.find((other) => looksAlike(name, other));
      if (alike !== undefined && alike.toLowerCase() !== name.toLowerCase())
        throw invalidAt('name', message('server.person-alike', { name: alike }));
      refuseCommon(passphrase);
      const person = await insertPerson(db, { name, role, passphrase: await hashSecret(passphrase) });
      if (!person) throw taken();
      return person;
    },
  }),
  route({
    method: 'PUT',
    path: '/people/:id',
    right: 'people',
    body: changePersonSchema,
    answer: personSchema,
    async work({ db: pool, params, session, body: { role, passphrase } }) {
      const id = uuidOf(params.id, 'person');
      if (passphrase !== undefined) refuseCommon(passphrase);
      const secret = passphrase === undefined ? undefined : await hashSecret(passphrase);
      await inTransaction(pool, async (db) => {
        const before = await known(db, id);
        if (before.role === 'owner' && role !== undefined && role !== 'owner') await oneOwnerStays(db);
        // A person who needs a new passphrase may have lost the PIN as well.
        await updatePerson(db, id, { ...(role ? { role } : {}), ...(secret ? { passphrase: secret, pin: null } : {}) });
        // A passphrase set by somebody else ends the person's sessions.
        if (secret) await endSessionsOf(db, id, session);
      });
      return known(pool, id);
    },
  }),
  route({
    method: 'DELETE',
    path: '/people/:id',
    right: 'people',
    answer: 'nothing',
    async work({ db: pool, params }) {
      const id = uuidOf(params.id, 'person');
      await inTransaction(pool, async (db) => {
        if ((await known(db, id)).role === 'owner') await oneOwnerStays(db);
        await leavePerson(db, id);
        await endCalendarLink(db, id);
        await endSessionsOf(db, id);
      });
    },
  }),
];

/** Passphrases from lists of common ones are guessed first. */
function refuseCommon(passphrase: string): void {
  if (isCommon(passphrase)) throw invalidAt('passphrase', messageWithoutValues('server.passphrase-common'));
}

/** Whose sessions a person may see and end: an owner everybody's (null), others their own. */
const whose = (person: ShopPerson | null): string | null => (person?.role === 'owner' ? null : (person?.id ?? null));

const taken = () => invalidAt('name', messageWithoutValues('server.person-taken'));

/** The first owner; in a shop that was put back without secrets, one of its owners with a new passphrase. */
async function setUpOwner(db: Queryable, name: string, passphrase: string): Promise<ShopPerson> {
  const before = await personNamed(db, name);
  if (before?.role === 'owner') {
    await updatePerson(db, before.id, { passphrase });
    return before;
  }
  const owner = before ? null : await insertPerson(db, { name, role: 'owner', passphrase });
  if (!owner) throw taken();
  return owner;
}

async function known(db: Queryable, id: string): Promise<PersonRow> {
  const person = await personById(db, id);
  if (!person) throw notFound('person');
  return person;
}

/** Of two owners who go at the same moment one stays. */
async function oneOwnerStays(db: Queryable): Promise<void> {
  await db.query('LOCK TABLE people IN SHARE ROW EXCLUSIVE MODE');
  if ((await countOwners(db)) < 2) throw new ApiError(409, 'last-owner', messageWithoutValues('server.last-owner'));
}

/** The requesting person, after verifying their passphrase. */
async function ownRow(db: Queryable, person: ShopPerson | null, passphrase: string): Promise<PersonRow> {
  const row = person && (await personById(db, person.id));
  if (!(await verifySecret(row?.passphrase ?? null, passphrase)) || !row)
    throw new ApiError(403, 'wrong', messageWithoutValues('server.wrong-passphrase'));
  return row;
}

/** Begins a session and gives the browser its token; the one before on this browser is over. */
async function begin(
  db: Queryable,
  { session: before, response }: Pick<Context, 'session' | 'response'>,
  session: { person: string; phone: string | null; device: string; byPin?: boolean },
): Promise<void> {
  if (before !== null) await endSession(db, before, null);
  const { token, hash } = newToken();
  await insertSession(db, { ...session, hash });
  setCookie(response, SESSION_COOKIE, token);
}

/** The phone of the shop this browser is, made one now where a name for it is given. */
async function pairedPhone(
  db: Queryable,
  { request, response }: Pick<Context, 'request' | 'response'>,
  name: string | undefined,
): Promise<string | null> {
  const brought = cookieIn(request, PHONE_COOKIE);
  const phone = brought === null ? null : await findPhone(db, tokenHash(brought));
  if (phone) return phone.id;
  if (name === undefined) return null;
  const { token, hash } = newToken();
  const id = await insertPhone(db, name, hash);
  setCookie(response, PHONE_COOKIE, token);
  return id;
}

/**
 * The identity of the requester; right after signing in, the request does not contain it yet.
 * @param fresh name of the person who has just signed in
 */
async function meOf(
  { db, shop: { signIn }, person: before, request }: Context,
  fresh?: string,
  byPin = false,
): Promise<CurrentPerson> {
  if (!signIn) return { signIn, setUp: true, person: null, phone: null, pinEnded: false };
  const row = fresh === undefined ? null : await personNamed(db, fresh);
  const person: ShopPerson | null = row
    ? { id: row.id, name: row.name, role: byPin ? roleByPin(row.role) : row.role }
    : before;
  const currentRow = person && (row ?? (await personById(db, person.id)));
  const token = cookieIn(request, PHONE_COOKIE);
  const phone = token === null ? null : await findPhone(db, tokenHash(token));
  const hands = phone
    ? (await listPeople(db)).flatMap(({ id, name, pin }) => (pin === null ? [] : [{ id, name }]))
    : [];
  return {
    signIn,
    setUp: await canSignIn(db),
    person,
    phone: phone && { name: phone.name, people: hands },
    pinEnded: currentRow?.pinEnded ?? false,
  };
}
