import { mkdir, readdir, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { BackupKept } from '@lintrel/core';
import type pg from 'pg';
import type { Logger } from 'pino';
import { openPatient } from '../db/pool';
import { thinPhotos, thinRevisions } from '../db/thin';
import { writeBackup } from './write';

/** A backup is made when the newest is older than this; it is looked for now and then. */
const EVERY_MS = 24 * 60 * 60_000;
const LOOK_MS = 60 * 60_000;
/** So many are kept. */
export const KEPT = 14;
/** Key of the advisory lock under which one server alone makes a backup. */
const LOCK = 7_216_003;

const NAME = /^lintrel-(\d{4}-\d\d-\d\d)T(\d\d)-(\d\d)-(\d\d)\.backup$/;

/** The backups in a folder, the newest first; none where there is no such folder. */
export async function listBackups(folder: string): Promise<BackupKept[]> {
  const names = await readdir(folder).catch(() => []);
  const kept = names.flatMap((name) => {
    const [, day, hours, minutes, seconds] = NAME.exec(name) ?? [];
    return day === undefined ? [] : [{ name, at: `${day}T${hours}:${minutes}:${seconds}.000Z` }];
  });
  const sized = await Promise.all(
    kept.map(async (one) => ({
      ...one,
      bytes: await stat(join(folder, one.name)).then(
        ({ size }) => size,
        () => null,
      ),
    })),
  );
  return sized.flatMap(({ bytes, ...one }) => (bytes === null ? [] : [{ ...one, bytes }])).sort((a, b) => (a.at < b.at ? 1 : -1));
}

/** Makes a backup now, under its time, and lets the oldest go. */
export async function makeBackup(pool: pg.Pool, folder: string, now: Date = new Date()): Promise<void> {
  await mkdir(folder, { recursive: true });
  await writeBackup(pool, join(folder, `lintrel-${now.toISOString().slice(0, 19).replaceAll(':', '-')}.backup`), now);
  for (const { name } of (await listBackups(folder)).slice(KEPT)) await rm(join(folder, name), { force: true });
}

/**
 * Makes one where the newest is a day old; several servers of one shop make one together.
 * @returns whether it was made
 */
export async function backupIfDue(pool: pg.Pool, folder: string, now: Date = new Date()): Promise<boolean> {
  const due = async () => {
    const [newest] = await listBackups(folder);
    return !newest || now.getTime() - Date.parse(newest.at) >= EVERY_MS;
  };
  if (!(await due())) return false;
  const client = openPatient(pool);
  await client.connect();
  try {
    const { rows } = await client.query<{ mine: boolean }>('SELECT pg_try_advisory_lock($1) AS mine', [LOCK]);
    if (!rows[0]!.mine || !(await due())) return false;
    await makeBackup(pool, folder, now);
    // What is thinned out is in the backup still.
    await thinRevisions(client);
    await thinPhotos(client);
    return true;
  } finally {
    await client.end().catch(() => undefined);
  }
}

/** Looks every hour whether one is due. Returns how to end that. */
export function nightly(pool: pg.Pool, folder: string, log: Logger): () => void {
  const look = () =>
    void backupIfDue(pool, folder).then(
      (made) => made && log.info('backup made'),
      (error: unknown) => log.error({ err: error }, 'no backup could be made'),
    );
  const timer = setInterval(look, LOOK_MS);
  timer.unref();
  // Not in the rush of the start.
  setTimeout(look, 10_000).unref();
  return () => clearInterval(timer);
}
