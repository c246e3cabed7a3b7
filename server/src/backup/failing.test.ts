import { spawnSync } from 'node:child_process';
import { chmodSync, existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Backups } from '@lintrel/core';
import { pino } from 'pino';
import request from 'supertest';
import { makeDatabase, startServer } from '../../../e2e/harness';
import { createApp } from '../http/app';
import { startTestServer, type TestServer } from '../testing/server';
import { makeBackup, openBackups } from './nightly';

// Backups that cannot be written, and who can read those that are.

let shop: TestServer;
const folder = mkdtempSync(join(tmpdir(), 'lintrel-failing-'));
const log = pino({ level: 'silent' });

beforeAll(async () => void (shop = await startTestServer()));
afterAll(() => {
  spawnSync('umount', [join(folder, 'full')]);
  rmSync(folder, { recursive: true, force: true });
});

/** A server with its backups in a folder. */
const appWith = (backups: string) => {
  const { pool, workshop, hub } = shop;
  return createApp({ pool, log, clientFolder: null, workshop, hub, backups: openBackups(pool, backups, log) });
};
const backupNow = async (app: ReturnType<typeof createApp>) =>
  (await request(app).post('/api/shop/backups').expect(201)).body as Backups;

/** A disk too small for a backup; null where this machine lets nobody make one. */
function smallDisk(): string | null {
  const disk = join(folder, 'full');
  mkdirSync(disk, { recursive: true });
  return spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=64k', 'tmpfs', disk]).status === 0 ? disk : null;
}

it('a full disk is told and the shop goes on; with room again the next one is made, and what was left is gone', async () => {
  const disk = smallDisk();
  // Without the right to mount a disk the test of a folder that is none stands in: the same path through the code.
  if (disk === null) return;
  const app = appWith(disk);
  expect(await backupNow(app)).toMatchObject({ backups: [], failure: { why: 'full' }, low: true });
  expect(readdirSync(disk)).toEqual([]);
  await request(app).get('/api/jobs').expect(200);
  expect((await request(app).get('/api/shop/backups').expect(200)).body).toMatchObject({ failure: { why: 'full' } });
  expect(spawnSync('mount', ['-o', 'remount,size=64m', disk]).status).toBe(0);
  expect(await backupNow(app)).toMatchObject({ failure: null, backups: [{ bytes: expect.any(Number) }] });
});

it('a folder that is none is told and ends no server, also the one whose day it is to make a backup', async () => {
  const file = join(folder, 'a file');
  writeFileSync(file, '');
  expect(await backupNow(appWith(file))).toMatchObject({ backups: [], failure: { why: 'folder' } });
  const database = await makeDatabase();
  const server = await startServer(database.url, { demo: false, env: { LINTREL_BACKUPS: file, LOG_LEVEL: 'silent' } });
  const { failure } = (await (await fetch(`${server.url}/api/shop/backups`, { method: 'POST' })).json()) as Backups;
  expect(failure?.why).toBe('folder');
  expect((await fetch(`${server.url}/api/health`)).status).toBe(200);
  expect(server.process.exitCode).toBeNull();
  await server.stop();
});

it('what a write that was cut short has left goes at the next start', async () => {
  const kept = join(folder, 'left');
  mkdirSync(kept);
  writeFileSync(join(kept, 'lintrel-2026-01-01T03-00-05.backup.making-1'), 'half');
  writeFileSync(join(kept, 'mine.txt'), 'not ours');
  openBackups(shop.pool, kept, log).stop();
  for (let tries = 0; tries < 200 && readdirSync(kept).length > 1; tries++)
    await new Promise((done) => setTimeout(done, 20));
  expect(readdirSync(kept)).toEqual(['mine.txt']);
});

it('only this user can read backups, those of earlier versions too', async () => {
  const kept = join(folder, 'closed');
  await makeBackup(shop.pool, kept, new Date(Date.UTC(2026, 0, 1)));
  const [name] = readdirSync(kept) as [string];
  const mode = (path: string) => statSync(path).mode & 0o777;
  expect([mode(kept), mode(join(kept, name))]).toEqual([0o700, 0o600]);
  chmodSync(kept, 0o755);
  chmodSync(join(kept, name), 0o644);
  openBackups(shop.pool, kept, log).stop();
  for (let tries = 0; tries < 200 && mode(join(kept, name)) !== 0o600; tries++)
    await new Promise((done) => setTimeout(done, 20));
  expect([mode(kept), mode(join(kept, name))]).toEqual([0o700, 0o600]);
});

it('says in one line that there is no shop to back up or to export', () => {
  // A folder the database's user may enter.
  const nowhere = mkdtempSync('/var/tmp/lintrel-nowhere-');
  chmodSync(nowhere, 0o711);
  for (const command of ['backup', 'export']) {
    const { status, stdout, stderr } = spawnSync(
      process.execPath,
      ['cli/bin/lintrel.mjs', command, join(nowhere, 'out')],
      {
        cwd: join(__dirname, '../../..'),
        encoding: 'utf8',
        env: { ...process.env, DATABASE_URL: '', LINTREL_DATA: nowhere },
      },
    );
    expect([status, stdout, stderr]).toEqual([
      2,
      '',
      expect.stringMatching(/^.*out: there is no shop here yet: start it once with "npm start"[^\n]*\n$/),
    ]);
    expect(existsSync(join(nowhere, 'database'))).toBe(false);
  }
  rmSync(nowhere, { recursive: true });
});
it('says so of a database without a shop as well', async () => {
  const database = await makeDatabase();
  for (const command of ['backup', 'export']) {
    const { status, stderr } = spawnSync(process.execPath, ['cli/bin/lintrel.mjs', command, join(folder, 'out')], {
      cwd: join(__dirname, '../../..'),
      encoding: 'utf8',
      env: { ...process.env, DATABASE_URL: database.url },
    });
    expect([status, stderr]).toEqual([
      2,
      expect.stringMatching(/^.*out: there is no shop in this database: [^\n]*\n$/),
    ]);
  }
  await database.drop();
});
