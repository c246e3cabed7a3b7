import type { Queryable } from './pool';

/** Days for which every revision of a design is kept; of older ones, the last of each day. */
const ALL_DAYS = 90;

/**
 * Thins the revisions of designs that are long past: what a job was started with, what it is now and the last of each day stay.
 * @returns how many went
 */
export async function thinRevisions(db: Queryable): Promise<number> {
  const { rowCount } = await db.query(
    `DELETE FROM job_revisions r USING (
       SELECT job_id, revision, row_number() OVER (PARTITION BY job_id, date_trunc('day', saved_at) ORDER BY revision DESC) AS place
         FROM job_revisions WHERE saved_at < now() - make_interval(days => $1)) AS old
      WHERE r.job_id = old.job_id AND r.revision = old.revision AND old.place > 1
        AND NOT EXISTS (SELECT 1 FROM jobs j WHERE j.id = r.job_id AND j.revision = r.revision)
        AND NOT EXISTS (SELECT 1 FROM started_plans s WHERE s.job_id = r.job_id AND s.revision = r.revision)`,
    [ALL_DAYS],
  );
  return rowCount ?? 0;
}

/** A photo is sent before its entry, which may wait on a phone; after this many days it is not expected any more. */
const WAITED_FOR_DAYS = 30;

/**
 * Removes photos without an entry: theirs was discarded.
 * @returns number of removed photos
 */
export async function thinPhotos(db: Queryable): Promise<number> {
  const { rowCount } = await db.query(
    `DELETE FROM photos WHERE at < now() - make_interval(days => $1)
        AND NOT EXISTS (SELECT 1 FROM run_log WHERE job_id = photos.job_id AND saw->>'photo' = photos.id::text)`,
    [WAITED_FOR_DAYS],
  );
  return rowCount ?? 0;
}
