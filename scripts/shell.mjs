// Small helpers of the start and test scripts: they run before any package is installed.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { accessSync, constants, existsSync, mkdirSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));

/** Folder of everything that is not source. */
export const DATA = process.env.LINTREL_DATA ? resolve(process.env.LINTREL_DATA) : join(ROOT, '.data');

/** Prints a line of progress. */
export const say = (text) => console.log(`lintrel: ${text}`);

/** Ends the program with a message that says what to do. `code` 0 if nothing is wrong. */
export class Stop extends Error {
  constructor(message, code = 1) {
    super(message);
    this.code = code;
  }
}

export const pause = (ms) => new Promise((done) => setTimeout(done, ms));

/** Running commands, each alone or as the leader of a process group. */
const running = new Map();

function watched(child, kind) {
  child.once('spawn', () => running.set(child, kind));
  child.once('exit', () => running.delete(child));
  return child;
}

/** A command that was asked to end and has not done so after this long is ended. */
const LAST_WORDS_MS = 8_000;

/** Ends every command under way with all it has started. */
export function endCommands() {
  const end = (signal) => {
    for (const [{ pid }, kind] of running) process.kill(kind === 'group' ? -pid : pid, signal);
  };
  end('SIGTERM');
  setTimeout(end, LAST_WORDS_MS, 'SIGKILL').unref();
}

/** Runs a command to its end, its output shown; throws Stop when it fails. */
export async function run(command, args, options = {}) {
  const child = watched(
    spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'], detached: true, ...options }),
    'group',
  );
  const [status, error] = await new Promise((done) => {
    child.once('error', (failed) => done([null, failed]));
    child.once('exit', (code, signal) => done([code ?? signal, null]));
  });
  if (error) throw new Stop(`${command} cannot be run: ${error.message}`);
  if (status !== 0) throw new Stop(`${command} ${args.slice(0, 3).join(' ')} … ended with ${status}`);
}

/** Runs a short command quietly and returns what it printed; null when it fails. */
export function ask(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: ROOT, encoding: 'utf8', ...options });
  return result.status === 0 ? result.stdout.trim() : null;
}

/** Ends a command that leads a group, with all it has started, at once. */
export function endGroup({ pid }) {
  try {
    process.kill(-pid, 'SIGKILL');
  } catch (error) {
    if (error.code !== 'ESRCH') throw error;
  }
}

/**
 * Starts a command; returns the child and a promise of its exit code.
 * @param {{ group?: boolean }} options `group`: a process group of its own, ended with all its processes; others are
 *   those of spawn
 */
export function start(command, args, { group = false, ...options } = {}) {
  const child = watched(
    spawn(command, args, { cwd: ROOT, stdio: 'inherit', detached: group, ...options }),
    group ? 'group' : 'alone',
  );
  const ended = new Promise((done, failed) => {
    child.once('error', failed);
    child.once('exit', (code, signal) => done(code ?? (signal ? 1 : 0)));
  });
  return { child, ended };
}

const WHY = {
  EROFS: 'the disk is read-only',
  EACCES: 'there is no permission to write there',
  EPERM: 'there is no permission to write there',
  ENOSPC: 'the disk is full',
  EDQUOT: 'the disk is full',
  ENOTDIR: 'a file is in the way',
  EEXIST: 'a file is in the way',
  ENOENT: 'the place does not exist and cannot be made',
};

/** Creates one folder, also if it exists or is created concurrently. */
function makeOne(folder) {
  try {
    mkdirSync(folder);
  } catch (error) {
    if (error.code !== 'EEXIST' || !statSync(folder, { throwIfNoEntry: false })?.isDirectory()) throw error;
  }
}

/** Creates a path folder by folder: recursive creation retries without end where it is impossible. */
function makeFolder(folder) {
  try {
    makeOne(folder);
  } catch (error) {
    if (error.code !== 'ENOENT' || dirname(folder) === folder) throw error;
    makeFolder(dirname(folder));
    makeOne(folder);
  }
}

/** Creates a folder and checks that it is writable; ends with a message if not. */
export function writable(folder) {
  try {
    makeFolder(folder);
    accessSync(folder, constants.W_OK | constants.X_OK);
  } catch (error) {
    throw new Stop(
      `Nothing can be kept in ${folder}: ${WHY[error.code] ?? error.code}. Name another folder with LINTREL_DATA.`,
    );
  }
}

/** Hash over files and folders, names and contents, so that a build is renewed only when a source changed. */
export function hashOf(paths, skip = () => false) {
  const hash = createHash('sha256');
  const visit = (path) => {
    if (skip(path) || !existsSync(path)) return;
    if (statSync(path).isDirectory())
      return readdirSync(path)
        .sort()
        .forEach((name) => visit(join(path, name)));
    hash.update(path.slice(ROOT.length)).update('\0').update(readFileSync(path)).update('\0');
  };
  paths.forEach((path) => visit(join(ROOT, path)));
  return hash.digest('hex');
}

/** Runs a script to its end: whatever goes wrong becomes one sentence, and a signal ends what is under way. */
export async function mainly(work) {
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.once(signal, endCommands);
  try {
    process.exitCode = await work();
  } catch (error) {
    const known = error instanceof Stop;
    const words = `lintrel: ${known ? error.message : error.stack}`;
    if (known && error.code === 0) console.log(words);
    else console.error(words);
    process.exitCode = known ? error.code : 1;
  }
  process.exit();
}
