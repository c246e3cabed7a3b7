import { type ChildProcess, spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { type AddressInfo, createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import puppeteer, { type Page, type Viewport } from 'puppeteer-core';
import { WAIT_MS } from '../scripts/test-limits.mjs';
import { closeOpened, opened } from './opened';

/** Address of a PostgreSQL that databases may be made in and dropped from; set by the scripts. */
function adminUrl(): string {
  const url = process.env.LINTREL_TEST_DATABASE;
  if (!url) throw new Error('LINTREL_TEST_DATABASE is not set: run "npm test"');
  return url;
}

export interface TestDatabase {
  readonly url: string;
  readonly drop: () => Promise<void>;
}

/** Runs one statement in the database that others are made in. */
async function administrate(sql: string): Promise<void> {
  const client = new pg.Client({ connectionString: adminUrl() });
  await client.connect();
  try {
    await client.query(sql);
  } finally {
    await client.end();
  }
}

const urlOf = (name: string): string => {
  const url = new URL(adminUrl());
  url.pathname = `/${name}`;
  return url.href;
};

/**
 * Makes a database of its own.
 * @param content nothing, or the shop of the demo, copied from one that is made once
 */
export async function makeDatabase(content: 'empty' | 'demo' = 'empty'): Promise<TestDatabase> {
  const name = `test_${randomBytes(6).toString('hex')}`;
  const template = content === 'empty' ? 'template1' : await demoTemplate();
  const { close } = await opened(
    () => administrate(`CREATE DATABASE ${name} TEMPLATE ${template}`),
    () => administrate(`DROP DATABASE ${name} WITH (FORCE)`),
  );
  return { url: urlOf(name), drop: close };
}

/** Age up to which a template is used, minutes: the demo's log is of the hours before it was made. */
const TEMPLATE_MIN = 5;
/** Name of the lock under which a template is made, so that each is made once by all processes of tests. */
const TEMPLATE_LOCK = 20_261;

/** Drops templates of earlier periods and runs, but the one of the last period, which may be being copied. Call while holding the lock. */
async function dropTemplates(client: pg.Client, except: string): Promise<void> {
  const { rows } = await client.query<{ datname: string }>(
    "SELECT datname FROM pg_database WHERE datname ~ '^(template_demo|making)_' AND datname <> $1",
    [except],
  );
  for (const { datname } of rows) await client.query(`DROP DATABASE ${datname} WITH (FORCE)`);
}

/** A database others are copied from, made by a real server the first time it is asked for. */
async function demoTemplate(): Promise<string> {
  const period = Math.floor(Date.now() / (TEMPLATE_MIN * 60_000));
  const name = `template_demo_${period}`;
  const client = new pg.Client({ connectionString: adminUrl() });
  await client.connect();
  try {
    await client.query('SELECT pg_advisory_lock($1)', [TEMPLATE_LOCK]);
    const { rowCount } = await client.query('SELECT 1 FROM pg_database WHERE datname = $1', [name]);
    if (rowCount === 1) return name;
    await dropTemplates(client, `template_demo_${period - 1}`);
    const making = `making_${randomBytes(6).toString('hex')}`;
    await client.query(`CREATE DATABASE ${making}`);
    const server = await startServer(urlOf(making));
    await server.stop();
    await client.query(`ALTER DATABASE ${making} RENAME TO ${name}`);
    return name;
  } finally {
    await client.end();
  }
}

export interface RunningServer {
  readonly url: string;
  readonly process: ChildProcess;
  readonly stop: () => Promise<void>;
}

/** Starts the real server in a process of its own and waits until it is healthy. */
export async function startServer(
  database: string,
  { demo = true, port = 0, env = {} }: { demo?: boolean; port?: number; env?: Readonly<Record<string, string>> } = {},
): Promise<RunningServer> {
  const usedPort = port || (await freePort());
  const start = () =>
    spawn(process.execPath, ['server/bin/server.mjs'], {
      env: {
        ...process.env,
        DATABASE_URL: database,
        PORT: String(usedPort),
        LINTREL_DEMO: demo ? 'yes' : 'no',
        LOG_LEVEL: 'error',
        // A machine that is busy with other tests is no reason to give a plan up.
        LINTREL_TASK_SECONDS: '600',
        ...env,
      },
      stdio: ['ignore', 'inherit', 'inherit'],
    });
  const { resource: child, close } = await opened(start, async (running) => {
    if (running.exitCode !== null || running.signalCode !== null) return;
    const ended = new Promise((resolve) => running.once('exit', resolve));
    running.kill('SIGTERM');
    await ended;
  });
  const url = `http://127.0.0.1:${usedPort}`;
  for (const since = Date.now(); ;) {
    if (
      await fetch(`${url}/api/health`).then(
        ({ ok }) => ok,
        () => false,
      )
    )
      break;
    if (child.exitCode !== null || Date.now() - since > WAIT_MS) throw new Error('the server did not start');
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  return {
    url,
    process: child,
    stop: close,
  };
}

/** A port nobody listens on at this moment. */
export function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });
}

export const PHONE = { width: 390, height: 844, hasTouch: true, isMobile: true } as const;
export const WIDE = { width: 1280, height: 800 } as const;

/** Said by a library about itself on the web, and by the browser about our own refusals on purpose. */
const ALLOWED = [/useNativeDriver/];

export interface TestBrowser {
  readonly open: (url: string, size?: Viewport) => Promise<TestPage>;
  readonly close: () => Promise<void>;
}

export interface TestPage {
  readonly page: Page;
  /** Errors the console has shown so far, those a test expects left out. */
  readonly errors: () => string[];
  /** From here on, console lines that match are expected. */
  readonly expectErrors: (pattern: RegExp) => void;
}

/** Starts a real browser with a fresh profile. `settings` are further words for its command line. */
export async function startBrowser(settings: readonly string[] = []): Promise<TestBrowser> {
  const profile = await mkdtemp(join(tmpdir(), 'lintrel-browser-'));
  const launch = () =>
    puppeteer.launch({
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      headless: true,
      userDataDir: profile,
      args: [
        '--no-sandbox',
        '--disable-dev-shm-usage',
        '--disable-gpu',
        '--disable-software-rasterizer',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
        '--force-color-profile=srgb',
        ...settings,
      ],
    });
  const { resource: browser, close } = await opened(launch, async (running) => {
    await running.close();
    await rm(profile, { recursive: true, force: true, maxRetries: 5 });
  });
  return {
    open: async (url, size: Viewport = PHONE) => {
      const page = await browser.newPage();
      await page.setViewport({ ...size, deviceScaleFactor: 1 });
      const seen: string[] = [];
      const allowed = [...ALLOWED];
      page.on('console', (message) => message.type() === 'error' && seen.push(message.text()));
      page.on('pageerror', (error) => seen.push(String(error)));
      await page.goto(url, { waitUntil: 'domcontentloaded' });
      return {
        page,
        errors: () => seen.filter((text) => !allowed.some((pattern) => pattern.test(text))),
        expectErrors: (pattern) => void allowed.push(pattern),
      };
    },
    close,
  };
}

/** The whole application with its demo, for one file of tests; a test may stop the server and put another in its place. */
export function appUnderTest(): {
  server: RunningServer;
  readonly browser: TestBrowser;
  readonly database: TestDatabase;
} {
  const app = {} as { server: RunningServer; browser: TestBrowser; database: TestDatabase };
  beforeAll(async () => {
    app.database = await makeDatabase('demo');
    app.server = await startServer(app.database.url);
    app.browser = await startBrowser();
  });
  afterAll(closeOpened);
  return app;
}
