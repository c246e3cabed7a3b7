import { chmod, mkdir, readdir, rm, stat, statfs } from 'node:fs/promises';
import { join } from 'node:path';
import type { BackupFailure, BackupKept, Backups as BackupsAnswer } from '@lintrel/core';
import type pg from 'pg';
import type { Logger } from 'pino';
import { thinAir } from '../db/air';
import { purgeDeleted } from '../db/archive';
import { findBackupKey } from '../db/backup-key';
import { isConnectionLost, openUnlimitedClient } from '../db/pool';
import { thinPhotos, thinRevisions } from '../db/thin';
import { removeLeftovers, writeBackup } from './write';

/** Age of the newest backup from which another is made; and the interval between checks. */
const EVERY_MS = 24 * 60 * 60_000;
const LOOK_MS = 60 * 60_000;
/** Maximum number of backups kept. */
export const MAX_BACKUPS = 14;
/** Free space below which owners are warned: this many times the last backup, and at least this many bytes. */
const FREE_BACKUPS = 3;
const MIN_FREE_BYTES = 500_000_000;
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
    kept.map(async (name) => ({
      ...name,
      bytes: await stat(join(folder, name.name)).then(
        ({ size }) => size,
        () => null,
      ),
    })),
  );
  return sized
    .flatMap(({ bytes, ...one }) => (bytes === null ? [] : [{ ...one, bytes }]))
    .sort((a, b) => (a.at < b.at ? 1 : -1));
}

/** Makes a backup now, under its time, and lets the oldest go. */
export async function makeBackup(pool: pg.Pool, folder: string, now: Date = new Date()): Promise<void> {
  await mkdir(folder, { recursive: true, mode: 0o700 });
  await writeBackup(pool, join(folder, `lintrel-${now.toISOString().slice(0, 19).replaceAll(':', '-')}.backup`), now);
  for (const { name } of (await listBackups(folder)).slice(MAX_BACKUPS)) await rm(join(folder, name), { force: true });
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
  const client = openUnlimitedClient(pool);
  await client.connect();
  try {
    const { rows } = await client.query<{ mine: boolean }>('SELECT pg_try_advisory_lock($1) AS mine', [LOCK]);
    if (!rows[0]!.mine || !(await due())) return false;
    await makeBackup(pool, folder, now);
    // What is thinned out is in the backup still.
    await thinRevisions(client);
    await thinPhotos(client);
    await purgeDeleted(pool);
    await thinAir(client, now);
    return true;
  } finally {
    await client.end().catch(() => undefined);
  }
}

/** The daily backups of a server. */
export interface Backups {
  /** Makes one now; a failure is thrown, and shown until the next success. */
  make(now?: Date): Promise<void>;
  /** Stored backups, the last failure, and whether there is enough space. */
  state(): Promise<BackupsAnswer>;
  stop(): void;
}

/**
 * Daily backups in a folder that only this user can read. A failed one is logged and shown, and tried again at the
 * next check; the shop continues.
 * @param firstLookMs delay of the first check after the start
 */
export function openBackups(pool: pg.Pool, folder: string, log: Logger, firstLookMs = 10_000): Backups {
  let failure: BackupFailure | null = null;
  const noting = async <T>(work: () => Promise<T>): Promise<T> => {
    try {
      const result = await work();
      failure = null;
      return result;
    } catch (error) {
      failure = { at: new Date().toISOString(), why: whyOf(error) };
      log.error({ err: error }, 'no backup could be made');
      throw error;
    }
  };
  const look = () =>
    void noting(() => backupIfDue(pool, folder)).then(
      (backup) => backup && log.info('backup made'),
      () => undefined,
    );
  void closeToOthers(folder).catch((error: unknown) =>
    log.warn({ err: error }, 'the folder of the backups cannot be made readable for this user alone'),
  );
  void removeLeftovers(folder).catch((error: unknown) =>
    log.warn({ err: error }, 'what an earlier backup left could not be removed'),
  );
  const first = setTimeout(look, firstLookMs).unref();
  const timer = setInterval(look, LOOK_MS).unref();
  return {
    make: (now) => noting(() => makeBackup(pool, folder, now)),
    async state() {
      const [backups, freeBytes, key] = await Promise.all([listBackups(folder), freeIn(folder), findBackupKey(pool)]);
      const wanted = Math.max(MIN_FREE_BYTES, FREE_BACKUPS * (backups[0]?.bytes ?? 0));
      return {
        made: true,
        most: MAX_BACKUPS,
        backups,
        failure,
        freeBytes,
        low: freeBytes !== null && freeBytes < wanted,
        keySet: key !== null,
      };
    },
    stop() {
      clearTimeout(first);
      clearInterval(timer);
    },
  };
}

/** Backups hold everything a shop has: only this user reads them, those of earlier versions too. */
async function closeToOthers(folder: string): Promise<void> {
  const kept = await listBackups(folder);
  if (kept.length === 0) return;
  await chmod(folder, 0o700);
  await Promise.all(kept.map(({ name }) => chmod(join(folder, name), 0o600)));
}

/** Free space in the folder of backups, bytes; null if unknown. */
const freeIn = (folder: string): Promise<number | null> =>
  statfs(folder).then(
    ({ bavail, bsize }) => bavail * bsize,
    () => null,
  );

/** Why a backup could not be written, by the code of the error. */
function whyOf(error: unknown): BackupFailure['why'] {
  const { code = '' } = (error ?? {}) as { code?: string };
  if (code === 'ENOSPC' || code === 'EDQUOT') return 'full';
  if (code === 'EROFS' || code === 'EACCES' || code === 'EPERM') return 'denied';
  if (code === 'ENOENT' || code === 'ENOTDIR' || code === 'EEXIST') return 'folder';
  return isConnectionLost(error) || /^[0-9A-Z]{5}$/.test(code) ? 'database' : 'other';
}
