// Location of an own database, its owner, and the user it runs as.
import { chmodSync, chownSync, existsSync, mkdirSync, readFileSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { ask, DATA, say, Stop, writable } from './shell.mjs';

/** Unix sockets have a path of at most this many bytes. */
const LONGEST_SOCKET_PATH = 90;

/** A database below .data: its folders, its files, and the user it runs as (null: ours). */
export function placeOf(name) {
  const user = databaseUser();
  const home = folderFor(name, user);
  return { home, data: join(home, 'data'), secretFile: join(home, 'secret'), user };
}

export function secretOf({ secretFile, home }) {
  try {
    return readFileSync(secretFile, 'utf8').trim();
  } catch {
    throw new Stop(
      `The password file ${secretFile} is missing: put it back from a copy. The data in ${home} are untouched.`,
    );
  }
}

export function belongsToUs({ data, home, user }) {
  const owner = statSync(data).uid;
  const wanted = user?.uid ?? process.getuid?.() ?? owner;
  if (owner === wanted) return;
  const name = (uid) => ask('id', ['-nu', String(uid)]) ?? `number ${uid}`;
  throw new Stop(
    `The database in ${home} belongs to the user ${name(owner)}, not ${name(wanted)}: start as whoever made it, or name another folder with LINTREL_DATA.`,
  );
}

/** PostgreSQL refuses to run as root: then it runs as the user Debian's package makes. */
function databaseUser() {
  if (process.getuid?.() !== 0) return null;
  const ids = [ask('id', ['-u', 'postgres']), ask('id', ['-g', 'postgres'])];
  if (ids.includes(null))
    throw new Stop(
      'Run as root, the database needs the user "postgres", which the package postgresql makes; it is missing.',
    );
  return { uid: Number(ids[0]), gid: Number(ids[1]) };
}

/** Options with which a command runs as that user. */
export const as = (user) => ({ cwd: '/', ...(user ?? {}) });

/** Below .data, unless the database's user cannot get there: then below the system's temporary folder. */
function folderFor(name, user) {
  writable(DATA);
  const inside = join(DATA, name);
  const reachable = !user || passable(inside);
  const home = reachable ? inside : join('/var/tmp', `lintrel-${Buffer.from(inside).toString('base64url').slice(-40)}`);
  if (!reachable) say(`the database's user cannot enter this folder; its data lie in ${home}`);
  return home;
}

function passable(path) {
  for (let at = dirname(path); at !== dirname(at); at = dirname(at)) {
    if (existsSync(at) && (statSync(at).mode & 0o001) === 0) return false;
  }
  return true;
}

export function socketFolder(home, user) {
  if (Buffer.byteLength(home) <= LONGEST_SOCKET_PATH) return home;
  const folder = join(tmpdir(), `lintrel-${Buffer.from(home).toString('base64url').slice(-24)}`);
  if (!existsSync(folder)) ownFolder(folder, user);
  return folder;
}

export function ownFolder(folder, user) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  own(folder, user);
  chmodSync(folder, 0o700);
}

export function own(path, user) {
  if (user) chownSync(path, user.uid, user.gid);
}
