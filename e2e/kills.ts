import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Job, KeptEvent, Taken } from '@lintrel/core';
import pg from 'pg';
import { startServer, freePort, type RunningServer } from './harness';
// @ts-expect-error -- a script without types of its own
import { placeOf } from '../scripts/database-place.mjs';
// @ts-expect-error -- a script without types of its own
import { startDatabase } from '../scripts/database.mjs';
// @ts-expect-error -- a script without types of its own
import { ensurePostgres } from '../scripts/ensure.mjs';

// Kills the server, and the database, in the middle of writes: node --import tsx e2e/kills.ts SERVER_KILLS DATABASE_KILLS
// Every write is repeated until it is confirmed, as a phone does. In the end: what was confirmed and is not there, what is there twice, and
// how long the longest refusal took while the database was away.

const [serverKills = 100, databaseKills = 5] = process.argv.slice(2).map(Number);
const WRITERS = 6;
const NAME = process.env.LINTREL_KILLS ?? 'kills-database';
/** The keeper of the database gives up after five deaths a minute: there are fewer. */
const BETWEEN_DATABASE_KILLS_MS = 30_000;

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));
const database = (await startDatabase(await ensurePostgres(), NAME, { durable: true })) as { url: string; stop: () => Promise<void> };
const admin = new pg.Client(database.url);
await admin.connect();
const shop = `kills_${Date.now()}`;
await admin.query(`CREATE DATABASE ${shop}`);
await admin.end();
const url = database.url.replace(/\/postgres$/, `/${shop}`);
const port = await freePort();
let server: RunningServer = await startServer(url, { demo: false, port, env: { LOG_LEVEL: 'silent' } });

let writing = true;
const confirmed = { entries: new Map<string, string>(), saves: new Map<string, string>() };
let longestRefusalMs = 0;
let refusals = 0;

/** Sends until it is confirmed; what was refused by a database that is away is timed. */
async function untilConfirmed<T>(method: string, path: string, body: () => object): Promise<T | null> {
  while (writing) {
    const began = Date.now();
    const answer = await fetch(`http://127.0.0.1:${port}/api${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body()),
    }).catch(() => null);
    if (answer?.ok) return (await answer.json().catch(() => null)) as T | null;
    if (answer?.status === 503) {
      refusals++;
      longestRefusalMs = Math.max(longestRefusalMs, Date.now() - began);
    }
    if (answer && answer.status >= 500 && answer.status !== 503) throw new Error(`answered ${answer.status}`);
    await pause(20);
  }
  return null;
}

async function write(number: number): Promise<void> {
  const job = await untilConfirmed<Job>('POST', '/jobs', () => ({ title: `Job ${number}`, kind: 'other' }));
  if (!job) return;
  let { revision } = job;
  for (let count = 0; writing; count++) {
    const entry = { id: randomUUID(), version: 2, at: new Date().toISOString(), kind: 'note', step: null, note: `${count}` };
    const taken = await untilConfirmed<Taken>('POST', `/jobs/${job.id}/log`, () => ({ entries: [entry] }));
    if (taken) confirmed.entries.set(entry.id, job.id);
    const save = randomUUID();
    const saved = await untilConfirmed<Job>('PUT', `/jobs/${job.id}`, () => ({ revision, save, design: { ...job.design, title: `Job ${number}, ${count}` } }));
    if (saved) {
      confirmed.saves.set(save, job.id);
      revision = saved.revision;
    }
  }
}

const writers = Array.from({ length: WRITERS }, (_, number) => write(number));
for (let kill = 1; kill <= serverKills; kill++) {
  await pause(50 + Math.random() * 450);
  server.process.kill('SIGKILL');
  await new Promise((done) => (server.process.exitCode === null && server.process.signalCode === null ? server.process.once('exit', done) : done(null)));
  server = await startServer(url, { demo: false, port, env: { LOG_LEVEL: 'silent' } });
}
for (let kill = 1; kill <= databaseKills; kill++) {
  await pause(BETWEEN_DATABASE_KILLS_MS);
  const { data } = placeOf(NAME) as { data: string };
  // One that is just being started again is killed once it is there.
  for (let killed = false; !killed; await pause(500)) {
    try {
      process.kill(Number(readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n')[0]), 'SIGKILL');
      killed = true;
    } catch {
      // Not there yet.
    }
  }
}
await pause(3000);
writing = false;
await Promise.all(writers);

const db = new pg.Client(url);
await db.connect();
const entries = (await db.query<{ id: string; job_id: string }>('SELECT id, job_id FROM run_log')).rows;
const saves = (await db.query<{ save: string; job_id: string }>('SELECT save, job_id FROM job_revisions WHERE save IS NOT NULL')).rows;
const lostEntries = [...confirmed.entries].filter(([id, job]) => !entries.some((row) => row.id === id && row.job_id === job));
const lostSaves = [...confirmed.saves].filter(([save, job]) => !saves.some((row) => row.save === save && row.job_id === job));
const doubled = entries.length - new Set(entries.map(({ id }) => id)).size + saves.length - new Set(saves.map(({ save }) => save)).size;
const gaps = (
  await db.query<{ gaps: number }>('SELECT count(*)::int AS gaps FROM jobs j WHERE revision <> (SELECT count(*) FROM job_revisions r WHERE r.job_id = j.id)')
).rows[0]!.gaps;
const events = (await (await fetch(`http://127.0.0.1:${port}/api/jobs/${entries[0]!.job_id}/log`)).json()) as { events: KeptEvent[] };
await db.end();
await server.stop();
await database.stop();
process.stdout.write(
  `${serverKills} kills of the server, ${databaseKills} of the database: ${confirmed.entries.size} entries and ${confirmed.saves.size} saves confirmed, ` +
    `${lostEntries.length + lostSaves.length} lost, ${doubled} doubled, ${gaps} jobs with a gap in their revisions; ` +
    `${refusals} answers of 503, the longest after ${longestRefusalMs} ms; ${events.events.length} entries read back from one job\n`,
);
process.exitCode = lostEntries.length + lostSaves.length + doubled + gaps === 0 ? 0 : 1;
