import { connect, type Socket } from 'node:net';
import pg from 'pg';
import { insertPerson, insertPhone, updatePerson } from '../server/src/db/people';
import { hashSecret, newToken } from '../server/src/people/secrets';

// Attacks on a running server that listens beyond this machine and asks everybody to sign in. Each says what it measured.

/** What an attack found: figures by name, and whether the server held. */
export interface Found {
  readonly attack: string;
  readonly held: boolean;
  readonly figures: Readonly<Record<string, number>>;
}

interface Target {
  readonly port: number;
  readonly database: string;
  /** How many connections, bodies and guesses are tried. */
  readonly count: number;
  /** How long a half-sent request may stay open, ms. */
  readonly openMs: number;
}

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));
const post = (port: number, path: string, body: string, headers: Record<string, string> = {}) =>
  fetch(`http://127.0.0.1:${port}/api${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...headers },
    body,
  });

/** Longest answer to a look at whether the server lives, while something else goes on, ms. */
async function longestWhile(port: number, work: Promise<unknown>): Promise<number> {
  let [longest, going] = [0, true];
  void work.finally(() => (going = false));
  while (going) {
    const since = performance.now();
    await fetch(`http://127.0.0.1:${port}/api/alive`);
    longest = Math.max(longest, performance.now() - since);
    await pause(5);
  }
  return Math.round(longest);
}

/** Requests that are begun and never ended. */
async function slowSenders({ port, count, openMs }: Target): Promise<Found> {
  let open = 0;
  const sockets: Socket[] = Array.from({ length: count }, () => {
    const socket = connect(port, '127.0.0.1', () =>
      socket.write('POST /api/sign-in HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Le'),
    );
    open++;
    socket.on('error', () => undefined);
    socket.on('close', () => open--).resume();
    return socket;
  });
  await pause(openMs);
  const left = open;
  sockets.forEach((socket) => socket.destroy());
  return { attack: 'half-sent requests', held: left === 0, figures: { sent: count, stillOpen: left, afterMs: openMs } };
}

/** Bodies that take long to read, from anybody on the network. */
async function deepBodies({ port, count }: Target): Promise<Found> {
  const statuses: number[] = [];
  const work = (async () => {
    for (let index = 0; index < count; index++)
      statuses.push((await post(port, '/sign-in', '['.repeat(2_000_000)).catch(() => ({ status: 413 }))).status);
  })();
  const longestMs = await longestWhile(port, work);
  return {
    attack: 'sign-in with 2 MB of brackets',
    held: statuses.every((status) => status === 413),
    figures: { sent: count, longestOtherMs: longestMs },
  };
}

/** Guesses of an owner's PIN on a phone of the shop, with somebody else's passphrase in between. */
async function guessedPins({ port, database, count }: Target): Promise<Found> {
  const db = new pg.Client(database);
  await db.connect();
  const pool = db as unknown as pg.Pool;
  const passphrase = await hashSecret('three wet brushes');
  const owner = (await insertPerson(pool, { name: `Owner ${Date.now()}`, role: 'owner', passphrase }))!;
  await updatePerson(pool, owner.id, { pin: await hashSecret('2468') });
  const other = (await insertPerson(pool, { name: `Helper ${Date.now()}`, role: 'helper', passphrase }))!;
  const { token, hash } = newToken();
  await insertPhone(pool, 'Attacked phone', hash);
  await db.end();
  let [guesses, locked] = [0, 0];
  for (let index = 0; index < count; index++) {
    const answer = await post(port, '/sign-in/pin', JSON.stringify({ person: owner.id, pin: String(3000 + index) }), {
      cookie: `lintrel-phone=${token}`,
    });
    const { error } = (await answer.json()) as { error?: { code: string } };
    if (error?.code === 'wrong') guesses++;
    if (error?.code === 'pins-used-up') locked++;
    if (error?.code === 'busy') await pause(1_000);
    await post(port, '/sign-in', JSON.stringify({ name: other.name, passphrase: 'three wet brushes', device: 'x' }), {
      cookie: `lintrel-phone=${token}`,
    });
  }
  return { attack: "an owner's PIN guessed", held: guesses <= 5, figures: { tried: count, lookedAt: guesses, locked } };
}

/** Tries all of them on one server. */
export async function attacks(target: Target): Promise<Found[]> {
  return [await slowSenders(target), await deepBodies(target), await guessedPins(target)];
}
