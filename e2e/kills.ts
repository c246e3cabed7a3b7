import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { EntryResults, Job } from '@lintrel/core';
import pg from 'pg';
// @ts-expect-error -- a script without types of its own
import { startDatabase } from '../scripts/database.mjs';
// @ts-expect-error -- a script without types of its own
import { placeOf } from '../scripts/database-place.mjs';
// @ts-expect-error -- a script without types of its own
import { ensurePostgres } from '../scripts/ensure.mjs';
import { freePort, type RunningServer, startServer } from './harness';

// Kills the server, and the database, in the middle of writes: node --import tsx e2e/kills.ts SERVER_KILLS DATABASE_KILLS
// Every write is repeated until it is confirmed, as a phone does. Now and then, and in the end: what was confirmed and is not there, what is there twice, and
// how long the longest refusal took while the database was away.

const [serverKills = 100, databaseKills = 5] = process.argv.slice(2).map(Number);
const WRITERS = 6;
const NAME = process.env.LINTREL_KILLS ?? 'kills-database';
/** The keeper of the database gives up after five deaths a minute: there are fewer. */
const BETWEEN_DATABASE_KILLS_MS = 30_000;

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));
const database = (await startDatabase(await ensurePostgres(), NAME, { durable: true })) as {
  url: string;
  stop: () => Promise<void>;
};
const admin = new pg.Client(database.url);
await admin.connect();
const shop = `kills_${Date.now()}`;
await admin.query(`CREATE DATABASE ${shop}`);
await admin.end();
const url = database.url.replace(/\/postgres$/, `/${shop}`);
const port = await freePort();
let server: RunningServer = await startServer(url, { demo: false, port, env: { LOG_LEVEL: 'silent' } });

/** How many kills of the server lie between two counts. */
const TOLD_EVERY = 100;
const killed = { server: 0, database: 0 };
/** Entries and saves of one job, and the rest of a writer between two, ms. */
const MOST_OF_A_JOB = 1000;
const PACE_MS = 40;
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

/** Writes to one job after another: a log does not grow without end. */
async function write(number: number): Promise<void> {
  while (writing) await writeJob(number);
}

async function writeJob(number: number): Promise<void> {
  const job = await untilConfirmed<Job>('POST', '/jobs', () => ({ title: `Job ${number}`, kind: 'other' }));
  if (!job) return;
  let { revision } = job;
  for (let count = 0; writing && count < MOST_OF_A_JOB; count++) {
    await pause(PACE_MS);
    const entry = {
      id: randomUUID(),
      version: 2,
      at: new Date().toISOString(),
      kind: 'note',
      step: null,
      note: `${count}`,
    };
    const taken = await untilConfirmed<EntryResults>('POST', `/jobs/${job.id}/log`, () => ({ entries: [entry] }));
    if (taken && 'seq' in taken.entries[0]!) confirmed.entries.set(entry.id, job.id);
    const save = randomUUID();
    const saved = await untilConfirmed<Job>('PUT', `/jobs/${job.id}`, () => ({
      revision,
      save,
      design: { ...job.design, title: `Job ${number}, ${count}` },
    }));
    if (saved) {
      confirmed.saves.set(save, job.id);
      revision = saved.revision;
    }
  }
}

/** A connection to the database, as soon as it is there again. */
async function reached(): Promise<pg.Client> {
  for (;;) {
    const client = new pg.Client(url);
    client.on('error', () => undefined);
    if (
      await client.connect().then(
        () => true,
        () => false,
      )
    )
      return client;
    await pause(500);
  }
}

/** Tells how it stands with everything confirmed so far; returns how much of it is lost, doubled or has a gap. */
async function counted(): Promise<number> {
  const before = { entries: [...confirmed.entries], saves: [...confirmed.saves] };
  const db = await reached();
  const entries = (await db.query<{ id: string; job_id: string }>('SELECT id, job_id FROM run_log')).rows;
  const saves = (
    await db.query<{ save: string; job_id: string }>('SELECT save, job_id FROM job_revisions WHERE save IS NOT NULL')
  ).rows;
  const { gaps } = (
    await db.query<{ gaps: number }>(
      'SELECT count(*)::int AS gaps FROM jobs j WHERE revision <> (SELECT count(*) FROM job_revisions r WHERE r.job_id = j.id)',
    )
  ).rows[0]!;
  await db.end();
  const kept = new Set([
    ...entries.map(({ id, job_id }) => `${id} ${job_id}`),
    ...saves.map(({ save, job_id }) => `${save} ${job_id}`),
  ]);
  const lost = [...before.entries, ...before.saves].filter(([id, job]) => !kept.has(`${id} ${job}`)).length;
  const doubled =
    entries.length + saves.length - new Set([...entries.map(({ id }) => id), ...saves.map(({ save }) => save)]).size;
  process.stdout.write(
    `${killed.server} kills of the server, ${killed.database} of the database: ${before.entries.length} entries and ${before.saves.length} saves confirmed, ` +
      `${lost} lost, ${doubled} doubled, ${gaps} jobs with a gap in their revisions; ${refusals} answers of 503, the longest after ${longestRefusalMs} ms\n`,
  );
  return lost + doubled + gaps;
}

const writers = Array.from({ length: WRITERS }, (_, number) => write(number));
for (; killed.server < serverKills; killed.server++) {
  if (killed.server && killed.server % TOLD_EVERY === 0) await counted();
  await pause(50 + Math.random() * 450);
  server.process.kill('SIGKILL');
  await new Promise((done) =>
    server.process.exitCode === null && server.process.signalCode === null
      ? server.process.once('exit', done)
      : done(null),
  );
  server = await startServer(url, { demo: false, port, env: { LOG_LEVEL: 'silent' } });
}
for (; killed.database < databaseKills; killed.database++) {
  await pause(BETWEEN_DATABASE_KILLS_MS);
  if (killed.database && killed.database % (TOLD_EVERY / 10) === 0) await counted();
  const { data } = placeOf(NAME) as { data: string };
  // One that is just being started again is killed once it is there.
  for (let gone = false; !gone; await pause(500)) {
    try {
      process.kill(Number(readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n')[0]), 'SIGKILL');
      gone = true;
    } catch {
      // Not there yet.
    }
  }
}
await pause(3000);
writing = false;
await Promise.all(writers);

const faults = await counted();
await server.stop();
await database.stop();
process.exitCode = faults === 0 ? 0 : 1;
