// Installs what is missing: npm packages, and Debian's packages where that is allowed.
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ask, hashOf, pause, ROOT, run, say, start, Stop } from './shell.mjs';

const MARK = join(ROOT, 'node_modules', '.lintrel-installed');
// The lock file names every package of every workspace.
const PACKAGE_FILES = ['package-lock.json'];

/** Installs npm packages when the lock file is not the one last installed from. */
export async function ensurePackages() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19))
    throw new Stop(`Node 20.19 or newer is needed, this is ${process.version}`);
  const wanted = hashOf(PACKAGE_FILES);
  if (existsSync(MARK) && readFileSync(MARK, 'utf8') === wanted) return;
  say('installing npm packages (first time: a minute or two)');
  await run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
  writeFileSync(MARK, wanted);
}

/** Folder of the newest PostgreSQL server programs; null where there are none. */
export function postgresPrograms() {
  const base = '/usr/lib/postgresql';
  const versions = existsSync(base)
    ? readdirSync(base).filter((name) => existsSync(join(base, name, 'bin', 'initdb')))
    : [];
  const newest = versions.sort((a, b) => Number(b) - Number(a))[0];
  if (newest) return join(base, newest, 'bin');
  const onPath = ask('pg_config', ['--bindir']);
  return onPath && existsSync(join(onPath, 'initdb')) ? onPath : null;
}

/** Installs PostgreSQL if needed; returns the folder of its programs. */
export async function ensurePostgres() {
  if (!postgresPrograms()) await installDebian('postgresql', 'PostgreSQL');
  const programs = postgresPrograms();
  if (!programs)
    throw new Stop('PostgreSQL was installed but its server programs were not found under /usr/lib/postgresql');
  return programs;
}

/** Where Debian puts Chromium; the one without windows starts and opens pages at less than half the cost. */
const CHROMIUM_PATHS = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium', '/usr/bin/chromium-browser'];

/** Installs Chromium if needed; returns its path. */
export async function ensureChromium() {
  const find = () => [process.env.CHROMIUM, ...CHROMIUM_PATHS].find((path) => path && existsSync(path));
  if (!find()) await installDebian('chromium-headless-shell', 'Chromium');
  return find() ?? CHROMIUM_PATHS[0];
}

/** Installs the PDF renderer if needed. */
export async function ensurePdfPictures() {
  if (ask('pdftoppm', ['-v']) === null && !existsSync('/usr/bin/pdftoppm'))
    await installDebian('poppler-utils', 'the PDF viewer');
}

async function installDebian(name, words) {
  const isRoot = process.getuid?.() === 0;
  const sudo = !isRoot && ask('sudo', ['-n', 'true']) !== null;
  if (!existsSync('/usr/bin/apt-get') || (!isRoot && !sudo)) {
    throw new Stop(`${words} is missing and cannot be installed from here. As root run:  apt-get install ${name}`);
  }
  say(`installing ${words} from Debian's packages`);
  await aptGet(['update', '-qq'], isRoot);
  await aptGet(['install', '-y', '-qq', '--no-install-recommends', name], isRoot);
}

/** How long another installation is waited for, and how often it is looked whether it has ended. */
const LOCK_PATIENCE_MS = 15 * 60_000;
const LOCK_LOOK_MS = 2_000;

/** Runs apt-get; where another installation holds the package manager's lock, waits until it has ended. */
export async function aptGet(args, isRoot, patienceMs = LOCK_PATIENCE_MS) {
  const command = isRoot
    ? ['apt-get', ...args]
    : ['sudo', '-n', 'DEBIAN_FRONTEND=noninteractive', 'LC_ALL=C', 'apt-get', ...args];
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive', LC_ALL: 'C' };
  for (const since = Date.now(); ;) {
    const { child, ended } = start(command[0], command.slice(1), { env, stdio: ['ignore', 'inherit', 'pipe'] });
    let said = '';
    child.stderr.on('data', (data) => (said += data));
    if ((await ended) === 0) return;
    if (!/Could not get lock|Unable to (?:acquire|lock)/.test(said) || Date.now() - since > patienceMs) {
      process.stderr.write(said);
      throw new Stop(`apt-get ${args[0]} failed: what it said stands above.`);
    }
    say('another installation is under way on this machine; waiting for it');
    await pause(LOCK_LOOK_MS);
  }
}
