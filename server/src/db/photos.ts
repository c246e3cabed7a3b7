import { MAX_PHOTOS } from '@lintrel/core';
import type { Queryable } from './pool';

/** Result of a photo: stored (now or before), too many, or its id belongs to another photo. */
export type PhotoResult = 'kept' | 'too-many' | 'other';

/** Stores a photo of a job, once. The job is locked. */
export async function insertPhoto(db: Queryable, jobId: string, id: string, bytes: Buffer): Promise<PhotoResult> {
  const { rows: same } = await db.query<{ same: boolean }>(
    'SELECT job_id = $2 AND bytes = $3 AS same FROM photos WHERE id = $1',
    [id, jobId, bytes],
  );
  if (same[0]) return same[0].same ? 'kept' : 'other';
  const { rows } = await db.query<{ many: number }>('SELECT count(*)::int AS many FROM photos WHERE job_id = $1', [
    jobId,
  ]);
  if (rows[0]!.many >= MAX_PHOTOS) return 'too-many';
  const { rowCount } = await db.query(
    'INSERT INTO photos (id, job_id, bytes) VALUES ($1, $2, $3) ON CONFLICT DO NOTHING',
    [id, jobId, bytes],
  );
  return rowCount === 1 ? 'kept' : 'other';
}

/** The bytes of a photo; null where the job has none of this id. */
export async function findPhoto(db: Queryable, jobId: string, id: string): Promise<Buffer | null> {
  const { rows } = await db.query<{ bytes: Buffer }>('SELECT bytes FROM photos WHERE id = $1 AND job_id = $2', [
    id,
    jobId,
  ]);
  return rows[0]?.bytes ?? null;
}
