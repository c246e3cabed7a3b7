import type pg from 'pg';
import { inTransaction, type Queryable } from './pool';

/** Days a deleted job is kept, so that it can be restored. */
const DELETED_DAYS = 30;

/** Whether a job was put away, and whether it is at work in the shop. */
export interface JobPlace {
  readonly archived: boolean;
  readonly deleted: boolean;
  readonly inShop: boolean;
}

/** Where a job is; null where there is none. */
export async function placeOfJob(db: Queryable, id: string): Promise<JobPlace | null> {
  const { rows } = await db.query<JobPlace>(
    'SELECT archived_at IS NOT NULL AS archived, deleted_at IS NOT NULL AS deleted, rank = 0 AS "inShop" FROM jobs WHERE id = $1',
    [id],
  );
  return rows[0] ?? null;
}

/** Archives a job, or brings it back. */
export async function archiveJob(db: Queryable, id: string, archived: boolean): Promise<void> {
  await db.query('UPDATE jobs SET archived_at = CASE WHEN $2 THEN coalesce(archived_at, now()) END WHERE id = $1', [
    id,
    archived,
  ]);
}

/** Deletes jobs, so that it can be undone; links of their customers end for good. */
export async function deleteJobs(db: Queryable, ids: readonly string[]): Promise<void> {
  await db.query('UPDATE jobs SET deleted_at = coalesce(deleted_at, now()) WHERE id = ANY($1::uuid[])', [ids]);
  await db.query('UPDATE links SET ended_at = now() WHERE job_id = ANY($1::uuid[]) AND ended_at IS NULL', [ids]);
}

/** Brings a deleted job back. */
export async function undeleteJob(db: Queryable, id: string): Promise<void> {
  await db.query('UPDATE jobs SET deleted_at = NULL WHERE id = $1', [id]);
}

/** Remaining jobs of the demo. */
export async function demoJobs(db: Queryable): Promise<string[]> {
  return (await db.query<{ id: string }>('SELECT id FROM jobs WHERE demo AND deleted_at IS NULL')).rows.map(
    ({ id }) => id,
  );
}

/**
 * Removes jobs that were deleted long ago, whole.
 * @returns how many
 */
export function purgeDeleted(pool: pg.Pool): Promise<number> {
  return inTransaction(pool, async (db) => {
    const { rows } = await db.query<{ id: string }>(
      'SELECT id FROM jobs WHERE deleted_at < now() - make_interval(days => $1) LIMIT 200 FOR UPDATE',
      [DELETED_DAYS],
    );
    if (rows.length === 0) return 0;
    const ids = rows.map(({ id }) => id);
    await db.query("SELECT set_config('lintrel.purge', 'on', true)");
    for (const table of ['run_log', 'started_plans', 'job_revisions', 'links', 'photos'])
      await db.query(`DELETE FROM ${table} WHERE job_id = ANY($1::uuid[])`, [ids]);
    await db.query('DELETE FROM jobs WHERE id = ANY($1::uuid[])', [ids]);
    return rows.length;
  });
}
