// Small helpers of the start and test scripts: they run before any package is installed.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
export const DATA = join(ROOT, '.data');

/** Says what is going on. */
export const say = (text) => console.log(`lintrel: ${text}`);

/** Ends with a sentence that says what to do. */
export class Stop extends Error {}

/** Runs a command to its end, its output shown; throws Stop when it fails. */
export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
  if (result.error) throw new Stop(`${command} cannot be run: ${result.error.message}`);
  if (result.status !== 0) throw new Stop(`${command} ${args.slice(0, 3).join(' ')} … ended with ${result.status ?? result.signal}`);
}

/** Runs a command quietly and returns what it printed; null when it fails. */
export function ask(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: ROOT, encoding: 'utf8', ...options });
  return result.status === 0 ? result.stdout.trim() : null;
}

/** Starts a command and returns a promise of its exit code. */
export function start(command, args, options = {}) {
  const child = spawn(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
  const ended = new Promise((resolve, reject) => {
    child.once('error', reject);
    child.once('exit', (code, signal) => resolve(code ?? (signal ? 1 : 0)));
  });
  return { child, ended };
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
