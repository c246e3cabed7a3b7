import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import {
  chownSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  realpathSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { type AddressInfo, createServer } from 'node:net';
import { join } from 'node:path';
import { freePort } from '../e2e/harness';
import { until } from '../e2e/until';
import { WAIT_MS } from './test-limits.mjs';

// The real thing: every test starts Lintrel as a person does, on data of its own.
const ROOT = join(__dirname, '..');
const asRoot = process.getuid?.() === 0;
const idOf = (flag: string) => Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout);
const databaseUser = asRoot ? { uid: idOf('-u'), gid: idOf('-g') } : {};

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));
interface Started {
  readonly process: ChildProcess;
  readonly port: number;
  readonly said: () => string;
  readonly ended: Promise<number | null>;
}

const starts: Started[] = [];
const folders: string[] = [];

/** A folder of data the database's user may enter. */
function dataFolder(): string {
  const folder = mkdtempSync('/var/tmp/lintrel-start-');
  spawnSync('chmod', ['711', folder]);
  folders.push(folder);
  return join(folder, 'kept');
}

async function startWith(
  data: string,
  {
    port,
    env = {},
    command = ['node', 'scripts/start.mjs'],
  }: { port?: number; env?: NodeJS.ProcessEnv; command?: string[] } = {},
): Promise<Started> {
  const used = port ?? (await freePort());
  const { NODE_ENV: _, ...own } = process.env;
  const child = spawn(command[0]!, command.slice(1), {
    cwd: ROOT,
    detached: true,
    env: {
      ...own,
      LINTREL_DATA: data,
      LINTREL_DEMO: 'no',
      PORT: String(used),
      HOST: '127.0.0.1',
      LOG_LEVEL: 'silent',
      ...env,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let text = '';
  child.stdout.on('data', (words) => (text += words));
  child.stderr.on('data', (words) => (text += words));
  const started = {
    process: child,
    port: used,
    said: () => text,
    ended: new Promise<number | null>((done) => child.once('exit', (code) => done(code))),
  };
  starts.push(started);
  return started;
}

const answers = (port: number, path = '/api/jobs') =>
  fetch(`http://127.0.0.1:${port}${path}`).then(
    ({ status }) => status,
    () => 0,
  );
const open = (one: Started) =>
  until(`${one.port} to open; it said: ${one.said()}`, () => /open http:/.test(one.said()));
const end = async (one: Started) => {
  one.process.kill('SIGTERM');
  return one.ended;
};
const commandOf = (pid: string) => {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8');
  } catch {
    return '';
  }
};
/** Processes whose command line holds a text. */
const processesOf = (text: string) =>
  readdirSync('/proc').filter((pid) => /^\d+$/.test(pid) && commandOf(pid).includes(text));
const serverOf = ({ port }: Started) =>
  processesOf('server/bin/server.mjs').find((pid) =>
    readFileSync(`/proc/${pid}/environ`, 'utf8').includes(`PORT=${port}\0`),
  );
const nameOf = (pid: string) => (existsSync(`/proc/${pid}/comm`) ? readFileSync(`/proc/${pid}/comm`, 'utf8') : '');
const parentOf = (pid: string) =>
  Number(/\) \S (\d+)/.exec(existsSync(`/proc/${pid}/stat`) ? readFileSync(`/proc/${pid}/stat`, 'utf8') : '')?.[1]);
const postmaster = (data: string) =>
  Number(readFileSync(join(data, 'database/data/postmaster.pid'), 'utf8').split('\n')[0]);
const makeJob = (port: number, title: string) =>
  fetch(`http://127.0.0.1:${port}/api/jobs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ title, kind: 'other' }),
  });
/** Titles of all jobs, page after page. */
async function titles(port: number): Promise<string[]> {
  const found: string[] = [];
  for (let after: string | null = ''; after !== null;) {
    const query: string = after === '' ? '' : `?after=${encodeURIComponent(after)}`;
    const page = (await (await fetch(`http://127.0.0.1:${port}/api/jobs${query}`)).json()) as {
      jobs: { title: string }[];
      more: string | null;
    };
    found.push(...page.jobs.map(({ title }) => title));
    after = page.more;
  }
  return found.sort();
}

afterEach(async () => {
  for (const { process: child, ended } of starts.splice(0)) {
    if (child.exitCode === null && child.signalCode === null) child.kill('SIGTERM');
    await ended;
  }
});
afterAll(() => {
  for (const folder of folders) rmSync(folder, { recursive: true, force: true });
});

it('started twice at once on nothing, both end well: one serves, the other says that it does', async () => {
  const data = dataFolder();
  const port = await freePort();
  const both = [await startWith(data, { port }), await startWith(data, { port })];
  const other = await Promise.race(both.map((one) => one.ended.then((code) => ({ one, code }))));
  expect([other.code, other.one.said()]).toEqual([
    0,
    expect.stringMatching(/Lintrel runs here already, or is just starting \(process \d+\): http:\/\/127\.0\.0\.1:\d+/),
  ]);
  const serving = both.find((one) => one !== other.one) as Started;
  await open(serving);
  expect(await answers(port)).toBe(200);
  expect(await end(serving)).toBe(0);
  expect(processesOf(data)).toEqual([]);
});

it('a second start on another port shares the database, and keeps it when the first one ends', async () => {
  const data = dataFolder();
  const first = await startWith(data);
  await open(first);
  const second = await startWith(data);
  await open(second);
  expect((await makeJob(first.port, 'Kept')).status).toBe(201);
  expect(await titles(second.port)).toEqual(['Kept']);
  // The one that does not keep the database ends: the other does not notice.
  expect(await end(second)).toBe(0);
  expect(await titles(first.port)).toEqual(['Kept']);
  const third = await startWith(data);
  await open(third);
  expect(await end(first)).toBe(0);
  await until('the third to keep the database', async () => (await answers(third.port)) === 200);
  expect(await titles(third.port)).toEqual(['Kept']);
  expect(await end(third)).toBe(0);
  expect(processesOf(data)).toEqual([]);
});

it.each([150, 300, 500, 900])('cut short after %i ms, it starts the next time', async (ms) => {
  const data = dataFolder();
  const cut = await startWith(data);
  await pause(ms);
  process.kill(-(cut.process.pid as number), 'SIGKILL');
  for (const pid of processesOf(data)) spawnSync('kill', ['-9', pid]);
  await cut.ended;
  const again = await startWith(data);
  await open(again);
  expect(await answers(again.port)).toBe(200);
  expect(readdirSync(data).filter((name) => name.includes('making'))).toEqual([]);
});

it('starts again whichever of database and server died', async () => {
  const data = dataFolder();
  const one = await startWith(data);
  await open(one);
  await makeJob(one.port, 'Before');
  const database = postmaster(data);
  process.kill(database, 'SIGKILL');
  await until(
    'another database',
    () => existsSync(join(data, 'database/data/postmaster.pid')) && postmaster(data) !== database,
  );
  await until('an answer', async () => (await answers(one.port)) === 200);
  process.kill(Number(serverOf(one)), 'SIGKILL');
  await until('the server', () => /the server is back/.test(one.said()));
  expect(await titles(one.port)).toEqual(['Before']);
  expect(await end(one)).toBe(0);
  expect(processesOf(data)).toEqual([]);
});

it('answers within a second while the database restarts under writes, and keeps all it has confirmed', async () => {
  const data = dataFolder();
  const one = await startWith(data);
  await open(one);
  const server = serverOf(one);
  const kept: string[] = [];
  const statuses = new Set<number>();
  let [writing, slowestMs] = [true, 0];
  const writers = Array.from({ length: 8 }, async (_, writer) => {
    for (let count = 0; writing; count++) {
      const [title, since] = [`${writer}/${count}`, Date.now()];
      const { status } = await makeJob(one.port, title);
      if (status === 201) kept.push(title);
      statuses.add(status);
      slowestMs = Math.max(slowestMs, Date.now() - since);
      await pause(5);
    }
  });
  for (let round = 0; round < 3; round++) {
    await pause(400);
    const database = postmaster(data);
    process.kill(database, 'SIGINT');
    await until(
      'another database',
      () => existsSync(join(data, 'database/data/postmaster.pid')) && postmaster(data) !== database,
    );
    await until('an answer', async () => (await answers(one.port)) === 200);
  }
  writing = false;
  await Promise.all(writers);
  expect([...statuses].sort()).toEqual([201, 503]);
  expect(slowestMs).toBeLessThan(WAIT_MS / 2);
  expect(serverOf(one)).toBe(server);
  expect(await titles(one.port)).toEqual(expect.arrayContaining(kept));
});

it('waits no longer than it may for a database that says nothing, and goes on when it speaks again', async () => {
  const data = dataFolder();
  const one = await startWith(data);
  await open(one);
  await makeJob(one.port, 'Kept');
  const server = serverOf(one);
  const group = postmaster(data);
  const all = processesOf(data).concat(
    readdirSync('/proc').filter((pid) => /^\d+$/.test(pid) && parentOf(pid) === group),
  );
  for (const pid of all.filter((pid) => /^postgres/.test(nameOf(pid)))) process.kill(Number(pid), 'SIGSTOP');
  const since = Date.now();
  const silent = await Promise.all(Array.from({ length: 4 }, () => answers(one.port)));
  expect(silent).toEqual([503, 503, 503, 503]);
  expect(Date.now() - since).toBeLessThan(WAIT_MS / 2);
  for (const pid of all.filter((pid) => /^postgres/.test(nameOf(pid)))) process.kill(Number(pid), 'SIGCONT');
  await until('an answer', async () => (await answers(one.port)) === 200);
  expect(await titles(one.port)).toEqual(['Kept']);
  expect(serverOf(one)).toBe(server);
});

it('after it was killed itself, its server ends, and the next start takes over the database', async () => {
  const data = dataFolder();
  const killed = await startWith(data);
  await open(killed);
  await makeJob(killed.port, 'Kept');
  killed.process.kill('SIGKILL');
  await until('the server to end', async () => (await answers(killed.port)) === 0);
  const left = postmaster(data);
  const next = await startWith(data);
  await open(next);
  expect(postmaster(data)).not.toBe(left);
  expect(await titles(next.port)).toEqual(['Kept']);
});

it('ends with all it started when npm is asked to end', async () => {
  const data = dataFolder();
  const one = await startWith(data, { command: ['npm', 'start'] });
  await open(one);
  expect(processesOf(data).length).toBeGreaterThan(0);
  await end(one);
  await until('everything to end', () => processesOf(data).length === 0);
  expect(await answers(one.port)).toBe(0);
});

it('npm run dev ends with all it started when it is asked to end', async () => {
  const data = dataFolder();
  const mine = () =>
    readdirSync('/proc').filter((pid) => {
      try {
        return /^\d+$/.test(pid) && readFileSync(`/proc/${pid}/environ`, 'utf8').includes(`LINTREL_DATA=${data}\0`);
      } catch {
        return false;
      }
    });
  const one = await startWith(data, {
    command: ['node', 'scripts/dev.mjs'],
    env: { API_PORT: String(await freePort()) },
  });
  await until(`the client to come; it said: ${one.said()}`, () => /the client comes at/.test(one.said()));
  await until('its processes', () => mine().length > 4);
  await end(one);
  await until('everything to end', () => mine().length === 0);
});

it('signals nobody whose number stands in a stale file', async () => {
  const data = dataFolder();
  const first = await startWith(data);
  await open(first);
  await end(first);
  const innocent = spawn('sleep', ['300'], { ...databaseUser, stdio: 'ignore' });
  const file = join(data, 'database/data/postmaster.pid');
  writeFileSync(
    file,
    [innocent.pid, join(data, 'database/data'), '1', '5432', '/tmp', '127.0.0.1', '  1 1', 'ready', ''].join('\n'),
  );
  if (asRoot) chownSync(file, databaseUser.uid as number, databaseUser.gid as number);
  const second = await startWith(data);
  await open(second);
  expect(await answers(second.port)).toBe(200);
  expect(await end(second)).toBe(0);
  expect([innocent.exitCode, innocent.signalCode]).toEqual([null, null]);
  innocent.kill();
});

it('leaves a database alone that somebody else runs on the same data', async () => {
  const data = dataFolder();
  const first = await startWith(data);
  await open(first);
  await end(first);
  const [version] = readdirSync('/usr/lib/postgresql').sort((a, b) => Number(b) - Number(a));
  const home = join(data, 'database');
  const theirs = spawn(
    `/usr/lib/postgresql/${version}/bin/postgres`,
    [
      '-D',
      join(home, 'data'),
      '-c',
      `port=${await freePort()}`,
      '-c',
      'unix_socket_directories=',
      '-c',
      'listen_addresses=127.0.0.1',
    ],
    {
      ...databaseUser,
      cwd: '/',
      stdio: 'ignore',
    },
  );
  await until(
    'their database',
    () =>
      existsSync(join(home, 'data/postmaster.pid')) &&
      readFileSync(join(home, 'data/postmaster.pid'), 'utf8').includes('ready'),
  );
  const second = await startWith(data);
  expect(await second.ended).toBe(1);
  expect(second.said()).toMatch(/is run by another program \(process \d+\): stop that first/);
  expect(theirs.exitCode).toBeNull();
  theirs.kill('SIGINT');
  await new Promise((done) => theirs.once('exit', done));
});

describe('says in one sentence', () => {
  const refusal = async (data: string, options: Parameters<typeof startWith>[1] = {}) => {
    const one = await startWith(data, options);
    expect(await one.ended).toBe(1);
    const lines = one
      .said()
      .trim()
      .split('\n')
      .filter((line) => !/making the database/.test(line));
    expect(lines).toHaveLength(1);
    return lines[0];
  };
  it.each(['abc', '0', '70000', '-1', '46.5'])('that PORT=%s is none', async (port) => {
    expect(await refusal(dataFolder(), { env: { PORT: port } })).toBe(
      `lintrel: PORT is "${port}": it has to be a whole number from 1 to 65535.`,
    );
  });
  it('who holds the port', async () => {
    const holder = createServer().listen(0, '127.0.0.1');
    await new Promise((done) => holder.once('listening', done));
    const { port } = holder.address() as AddressInfo;
    expect(await refusal(dataFolder(), { port })).toMatch(
      new RegExp(
        `Port ${port} is held by process ${process.pid} \\(.*\\)\\. End that, or choose another port, as in PORT=${port + 1}\\.`,
      ),
    );
    expect(holder.listening).toBe(true);
    holder.close();
  });
  it('that HOST is no address of this machine', async () =>
    expect(await refusal(dataFolder(), { env: { HOST: '192.0.2.1' } })).toMatch(
      /HOST is "192\.0\.2\.1", which is no address of this machine/,
    ));
  it('that nothing can be written', async () => {
    expect(await refusal('/proc/lintrel')).toMatch(
      /^lintrel: Nothing can be kept in \/proc\/lintrel: .*LINTREL_DATA\.$/,
    );
    const file = `${dataFolder()}-file`;
    writeFileSync(file, '');
    expect(await refusal(join(file, 'kept'))).toMatch(/a file is in the way/);
    const readOnly = readFileSync('/proc/mounts', 'utf8')
      .split('\n')
      .map((line) => line.split(' '))
      .find(
        ([, folder, , options]) =>
          options?.split(',').includes('ro') && existsSync(folder!) && statSync(folder!).isDirectory(),
      )?.[1];
    if (readOnly) expect(await refusal(readOnly)).toMatch(/the disk is read-only/);
  });
  it('that the password file is lost, or the data are somebody else’s', async () => {
    const data = dataFolder();
    const first = await startWith(data);
    await open(first);
    await end(first);
    const secret = join(data, 'database/secret');
    renameSync(secret, `${secret}.lost`);
    expect(await refusal(data)).toMatch(
      /The password file .*secret is missing: put it back from a copy\. The data in .* are untouched\./,
    );
    renameSync(`${secret}.lost`, secret);
    if (asRoot) {
      const own = statSync(join(data, 'database/data'));
      chownSync(join(data, 'database/data'), 65_534, 65_534);
      expect(await refusal(data)).toMatch(
        /belongs to the user nobody, not postgres: start as whoever made it, or name another folder with LINTREL_DATA/,
      );
      chownSync(join(data, 'database/data'), own.uid, own.gid);
    }
    const again = await startWith(data);
    await open(again);
    expect(realpathSync(data)).toBe(data);
  });
  it('that an older start left half a database, which is kept aside', async () => {
    const data = dataFolder();
    mkdirSync(join(data, 'database/data/base'), { recursive: true });
    writeFileSync(join(data, 'database/secret'), 'half');
    const one = await startWith(data);
    await open(one);
    expect(readdirSync(data).some((name) => name.startsWith('database.half-made-'))).toBe(true);
  });
});

it('waits for another installation that holds the package manager’s lock', async () => {
  const folder = join(dataFolder(), 'archives');
  mkdirSync(join(folder, 'partial'), { recursive: true });
  writeFileSync(join(folder, 'lock'), '');
  // The lock as apt takes it: fcntl, from the first byte on.
  const locking = `use Fcntl; open(my $f, '+<', '${join(folder, 'lock')}') or die; my $l = pack('s s x4 q q i x4', F_WRLCK, 0, 0, 0, 0); fcntl($f, F_SETLK, $l) or die; $| = 1; print "held\\n"; sleep 60;`;
  const other = spawn('perl', ['-e', locking], { stdio: ['ignore', 'pipe', 'inherit'] });
  await new Promise((held) => other.stdout.once('data', held));
  const call = `import('./scripts/ensure.mjs').then(({ aptGet }) => aptGet(['clean', '-o', 'Dir::Cache::archives=${folder}'], true))`;
  const waiting = spawn(process.execPath, ['-e', call], { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
  let text = '';
  waiting.stdout.on('data', (words) => (text += words));
  waiting.stderr.on('data', (words) => (text += words));
  const ended = new Promise((done) => waiting.once('exit', done));
  await until(`it to wait; it said: ${text}`, () => /another installation is under way/.test(text));
  expect(waiting.exitCode).toBeNull();
  other.kill();
  expect(await ended).toBe(0);
});
