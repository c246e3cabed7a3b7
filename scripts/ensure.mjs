// Installs what is missing: npm packages, and Debian's packages where that is allowed.
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ask, hashOf, ROOT, run, say, Stop } from './shell.mjs';

const MARK = join(ROOT, 'node_modules', '.lintrel-installed');
// The lock file names every package of every workspace.
const PACKAGE_FILES = ['package-lock.json'];

/** Installs npm packages when the lock file is not the one last installed from. */
export function ensurePackages() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) throw new Stop(`Node 20.19 or newer is needed, this is ${process.version}`);
  const wanted = hashOf(PACKAGE_FILES);
  if (existsSync(MARK) && readFileSync(MARK, 'utf8') === wanted) return;
  say('installing npm packages (first time: a minute or two)');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
  writeFileSync(MARK, wanted);
}

/** Folder of the newest PostgreSQL server programs; null where there are none. */
export function postgresPrograms() {
  const base = '/usr/lib/postgresql';
  const versions = existsSync(base) ? readdirSync(base).filter((name) => existsSync(join(base, name, 'bin', 'initdb'))) : [];
  const newest = versions.sort((a, b) => Number(b) - Number(a))[0];
  if (newest) return join(base, newest, 'bin');
  const onPath = ask('pg_config', ['--bindir']);
  return onPath && existsSync(join(onPath, 'initdb')) ? onPath : null;
}

/** Makes sure of a PostgreSQL server and returns the folder of its programs. */
export function ensurePostgres() {
  if (!postgresPrograms()) installDebian('postgresql', 'PostgreSQL');
  const programs = postgresPrograms();
  if (!programs) throw new Stop('PostgreSQL was installed but its server programs were not found under /usr/lib/postgresql');
  return programs;
}

/** Makes sure of Chromium and returns its path. */
export function ensureChromium() {
  const find = () => [process.env.CHROMIUM, '/usr/bin/chromium', '/usr/bin/chromium-browser'].find((path) => path && existsSync(path));
  if (!find()) installDebian('chromium', 'Chromium');
  return find() ?? '/usr/bin/chromium';
}

/** Makes sure of the program that turns pages of a PDF into pictures. */
export function ensurePdfPictures() {
  if (ask('pdftoppm', ['-v']) === null && !existsSync('/usr/bin/pdftoppm')) installDebian('poppler-utils', 'the PDF viewer');
}

function installDebian(name, words) {
  const isRoot = process.getuid?.() === 0;
  const sudo = !isRoot && ask('sudo', ['-n', 'true']) !== null;
  if (!existsSync('/usr/bin/apt-get') || (!isRoot && !sudo)) {
    throw new Stop(`${words} is missing and cannot be installed from here. As root run:  apt-get install ${name}`);
  }
  say(`installing ${words} from Debian's packages`);
  const apt = (args) => {
    const environment = { env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } };
    if (isRoot) run('apt-get', args, environment);
    else run('sudo', ['-n', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', ...args]);
  };
  apt(['update', '-qq']);
  apt(['install', '-y', '-qq', '--no-install-recommends', name]);
}
