// npm start: installs what is missing, keeps the database, builds the client if stale, keeps the server. Ctrl-C stops
// everything.
import { createServer } from 'node:net';
import { networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { ensureClient } from './client.mjs';
import { ensurePackages } from './ensure.mjs';
import { holderOf, tryLock, withLock } from './lock.mjs';
import { whoListens } from './process.mjs';
import { ensureProgram } from './programs.mjs';
import { DATA, endCommands, mainly, pause, ROOT, say, start, Stop, writable } from './shell.mjs';
import { openShop } from './shop.mjs';

const HOST = process.env.HOST ?? '127.0.0.1';
/** Exit codes of the server: another program listens there; this address is none of ours. */
const PORT_TAKEN = 11;
const NO_ADDRESS = 12;
/** Maximum number of crashes within the period, after which it is not started again. */
const MOST_DEATHS = 6;
const DEATHS_WITHIN_MS = 60_000;

async function main() {
  const port = portFrom(process.env.PORT ?? '4600');
  const stop = stopping();
  if (!process.env.DATABASE_URL) writable(DATA);
  const place = await placeAt(port);
  const database = await prepared(stop);
  try {
    if (stop.asked) return 0;
    return await Promise.race([keepServer(port, database, stop), database?.failed ?? new Promise(() => undefined)]);
  } finally {
    stop.now();
    await stop.child;
    await database?.stop();
    await place.release();
  }
}

function portFrom(text) {
  const port = Number(text);
  if (/^\d+$/.test(text) && port >= 1 && port <= 65_535) return port;
  throw new Stop(`PORT is "${text}": it has to be a whole number from 1 to 65535.`);
}

/** Whether we are to end, by a signal or because npm, our parent, is gone. */
function stopping() {
  const stop = { asked: false, child: Promise.resolve(), now: () => undefined };
  stop.now = () => {
    if (stop.asked) return;
    stop.asked = true;
    endCommands();
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, stop.now);
  const parent = process.ppid;
  if (process.env.npm_lifecycle_event === 'start')
    setInterval(() => process.ppid !== parent && stop.now(), 500).unref();
  return stop;
}

/** Timeout for another start to identify itself: while it installs packages it does not answer. */
const ASK_MS = 30_000;

/** Reserves the port, or ends with a message about its holder. */
async function placeAt(port) {
  for (;;) {
    const place = await reserve(port);
    if (place) return place;
    const holder = await holderOf(`port ${port}`, ASK_MS);
    // The holder may have ended just now.
    if (holder) throw alreadyThere(port, holder);
  }
}

/** Reserves the port; null if another start has it. */
async function reserve(port) {
  const place = await tryLock(`port ${port}`, { folder: ROOT });
  if (!place) return null;
  const trouble = await new Promise((done) => {
    const probe = createServer();
    probe.once('error', ({ code }) => done(code));
    probe.listen(port, HOST, () => probe.close(() => done(null)));
  });
  if (trouble === null) return place;
  await place.release();
  throw troubleWith(port, trouble);
}

function troubleWith(port, trouble) {
  if (trouble === 'EACCES')
    return new Stop(`Port ${port} may not be used by this user: choose one from 1024 up, as in PORT=4600.`);
  if (trouble !== 'EADDRINUSE') return new Stop(`HOST is "${HOST}", which is no address of this machine.`);
  const who = whoListens(port);
  const name = who ? `process ${who.pid} (${who.words.join(' ').slice(0, 120)})` : 'another program';
  return new Stop(
    `Port ${port} is held by ${name}. End that, or choose another port, as in PORT=${port === 65_535 ? 4600 : port + 1}.`,
  );
}

function alreadyThere(port, holder) {
  if (holder.folder === ROOT)
    return new Stop(`Lintrel runs here already, or is just starting (process ${holder.pid}): ${addressOf(port)}`, 0);
  return new Stop(
    `Port ${port} is held by the Lintrel in ${holder.folder} (process ${holder.pid}). Choose another, as in PORT=4601.`,
  );
}

/** Installs, builds, and opens the database; one start of a checkout at a time does it. */
async function prepared(stop) {
  await withLock(
    `prepare ${ROOT}`,
    'another start of this folder is getting things ready; waiting for it',
    async () => {
      if (!stop.asked) await ensurePackages();
      if (!stop.asked) await ensureClient();
      if (!stop.asked) await ensureProgram('server');
    },
  );
  if (stop.asked || process.env.DATABASE_URL) return null;
  return openShop();
}

/** Keeps the server running until we are to end. */
async function keepServer(port, database, stop) {
  const backups = process.env.LINTREL_BACKUPS ?? join(DATA, 'backups');
  const env = {
    ...process.env,
    LINTREL_BACKUPS: backups,
    LINTREL_CERTIFICATES: process.env.LINTREL_CERTIFICATES ?? join(DATA, 'certificates'),
    DATABASE_URL: process.env.DATABASE_URL ?? database.url,
    PORT: String(port),
    HOST,
    LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
  };
  const deaths = [];
  let told = false;
  while (!stop.asked) {
    const { child, ended } = start(process.execPath, ['server/bin/server.mjs'], {
      env,
      stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    });
    stop.child = ended;
    child.on('message', () => {
      say(told ? 'the server is back' : `open ${addressOf(port)} in a browser${elsewhere(port)}; ctrl-C stops it`);
      told = true;
    });
    const code = await ended;
    if (stop.asked) return code;
    if (code === PORT_TAKEN || code === NO_ADDRESS)
      throw troubleWith(port, code === PORT_TAKEN ? 'EADDRINUSE' : 'EADDRNOTAVAIL');
    deaths.push(Date.now());
    if (deaths.filter((at) => at > Date.now() - DEATHS_WITHIN_MS).length >= MOST_DEATHS)
      throw new Stop('The server does not stay up; its last words are above.');
    say(`the server ended (${code}); starting it again`);
    await pause(Math.min(5000, 250 * 2 ** deaths.length));
  }
  return 0;
}

/** Beyond this machine pages are served in secret, where that is not turned off. */
const SCHEME = process.env.LINTREL_PLAIN !== 'yes' && !/^(127\.|localhost$|::1$)/.test(HOST) ? 'https' : 'http';

const addressOf = (port) =>
  `${SCHEME}://${HOST === '0.0.0.0' || HOST === '::' ? '127.0.0.1' : HOST.includes(':') ? `[${HOST}]` : HOST}:${port}`;

/** Addresses for phones, if they are admitted. */
function elsewhere(port) {
  if (HOST !== '0.0.0.0' && HOST !== '::') return '';
  const own = Object.values(networkInterfaces())
    .flat()
    .filter((one) => one && one.family === 'IPv4' && !one.internal)
    .map(({ address }) => `${SCHEME}://${address}:${port}`);
  const how = SCHEME === 'https' ? `; how a phone comes to trust it stands there under /trust` : '';
  return own.length > 0 ? `, on phones ${own.join(' or ')}${how}` : '';
}

await mainly(main);
