import { MOST_EVENTS, MOST_NOTE_LETTERS, readWorkSheet, type FrozenPlan, type LogEvent, type Step, type StepId } from '@lintrel/core';
import type { Queryable } from './pool';

interface EventRow {
  id: string;
  version: number;
  at: Date;
  kind: LogEvent['kind'];
  step: StepId | null;
  note: string;
}

const toEvent = ({ id, version, at, kind, step, note }: EventRow): LogEvent => ({ id, version, at: at.toISOString(), kind, step, note });

/** The log of one job, as it was written down. */
export async function listEvents(db: Queryable, jobId: string): Promise<LogEvent[]> {
  const { rows } = await db.query<EventRow>('SELECT id, version, at, kind, step, note FROM run_log WHERE job_id = $1 ORDER BY seq', [jobId]);
  return rows.map(toEvent);
}

/**
 * Writes an event down. Sending the same one twice keeps it once, so that a phone may repeat what it is unsure of.
 * @returns whether it is kept; where it is not, because its id stands for something else or the log has no room
 */
export async function appendEvent(db: Queryable, jobId: string, event: LogEvent): Promise<'kept' | 'other-job' | 'other-content' | 'full'> {
  const { id, version, at, kind, step, note } = event;
  const known = await db.query<EventRow & { job_id: string }>('SELECT job_id, id, version, at, kind, step, note FROM run_log WHERE id = $1', [id]);
  if (known.rows[0]) return sameAs(known.rows[0], jobId, event);
  const { rows: room } = await db.query<{ full: boolean }>(
    'SELECT count(*) >= $2 OR coalesce(sum(length(note)), 0) + length($4::text) > $3 AS full FROM run_log WHERE job_id = $1',
    [jobId, MOST_EVENTS, MOST_NOTE_LETTERS, note],
  );
  if (room[0]!.full) return 'full';
  const { rowCount } = await db.query(
    'INSERT INTO run_log (id, job_id, version, at, kind, step, note) VALUES ($1, $2, $3, $4, $5, $6, $7) ON CONFLICT (id) DO NOTHING',
    [id, jobId, version, at, kind, step, note],
  );
  // The same entry may have come at this very moment by another way: then it is looked at once more.
  return rowCount === 1 ? 'kept' : appendEvent(db, jobId, event);
}

const sameAs = (row: EventRow & { job_id: string }, jobId: string, event: LogEvent): 'kept' | 'other-job' | 'other-content' =>
  row.job_id !== jobId ? 'other-job' : contentOf(toEvent(row)) === contentOf(event) ? 'kept' : 'other-content';

const contentOf = ({ version, at, kind, step, note }: LogEvent): string => JSON.stringify([version, at, kind, step, note]);

/** Whether an entry of a log is kept here already. */
export async function knowsAny(db: Queryable, log: readonly LogEvent[]): Promise<boolean> {
  const { rowCount } = await db.query('SELECT 1 FROM run_log WHERE id = ANY($1::uuid[]) LIMIT 1', [log.map(({ id }) => id)]);
  return rowCount === 1;
}

/** Writes the log of a file down, in its order; none of its entries is kept here yet. */
export async function appendLog(db: Queryable, jobId: string, log: readonly LogEvent[]): Promise<void> {
  await db.query(
    `INSERT INTO run_log (id, job_id, version, at, kind, step, note)
     SELECT id, $1, version, at, kind, step, note FROM ROWS FROM (json_to_recordset($2) AS (id uuid, version integer, at timestamptz, kind text, step text, note text)) WITH ORDINALITY AS event ORDER BY ordinality`,
    [jobId, JSON.stringify(log)],
  );
}

/** A plan as it was when the job was started, under the number of its sheet. */
export interface StartedPlan {
  readonly sheet: number;
  readonly revision: number;
  readonly plan: FrozenPlan;
}

/** Freezes the plan a job is started with, given as JSON: it comes back byte for byte. */
export async function insertStartedPlan(db: Queryable, jobId: string, revision: number, plan: string): Promise<void> {
  await db.query('INSERT INTO started_plans (job_id, revision, plan) VALUES ($1, $2, $3)', [jobId, revision, plan]);
}

/** The plan a job was last started with; null where it was not. */
export async function findStartedPlan(db: Queryable, jobId: string): Promise<StartedPlan | null> {
  const { rows } = await db.query<StartedPlan>('SELECT id::int AS sheet, revision, plan FROM started_plans WHERE job_id = $1 ORDER BY id DESC LIMIT 1', [
    jobId,
  ]);
  return rows[0] ?? null;
}

/** The same without the plan where that sheet is the one that is known already. */
export async function findSheet(
  db: Queryable,
  jobId: string,
  known: number | null,
): Promise<(Omit<StartedPlan, 'plan'> & { readonly plan: FrozenPlan | null }) | null> {
  const { rows } = await db.query<Omit<StartedPlan, 'plan'> & { plan: FrozenPlan | null }>(
    'SELECT id::int AS sheet, revision, CASE WHEN id = $2::bigint THEN NULL ELSE plan END AS plan FROM started_plans WHERE job_id = $1 ORDER BY id DESC LIMIT 1',
    [jobId, known],
  );
  return rows[0] ?? null;
}

/** Revision of the plan a job runs with in the shop; null where it is not started, or finished. */
export async function runningRevision(db: Queryable, jobId: string): Promise<number | null> {
  const { rows } = await db.query<{ revision: number }>(
    `SELECT revision FROM started_plans WHERE job_id = $1
        AND (SELECT kind FROM run_log WHERE job_id = $1 AND kind IN ('start', 'finish') ORDER BY seq DESC LIMIT 1) = 'start'
      ORDER BY id DESC LIMIT 1`,
    [jobId],
  );
  return rows[0]?.revision ?? null;
}

/** The plans a job was started with, the first first, as far as they have room: the newest before older ones. */
export async function listStartedPlans(db: Queryable, jobId: string, mostLetters: number): Promise<StartedPlan[]> {
  const { rows } = await db.query<StartedPlan>(
    `SELECT id::int AS sheet, revision, plan FROM (
       SELECT id, revision, plan, sum(length(plan::text)) OVER (ORDER BY id DESC) AS letters FROM started_plans WHERE job_id = $1 ORDER BY id DESC LIMIT 20
     ) AS newest WHERE letters <= $2 ORDER BY id`,
    [jobId, mostLetters],
  );
  return rows;
}

/** Steps of the plan a job was last started with, the rest of it left where it is; null where it was not. */
export async function findStartedSteps(db: Queryable, jobId: string): Promise<readonly Step[] | null> {
  const { rows } = await db.query<{ plan: FrozenPlan }>(
    `SELECT json_build_object('format', plan->'format', 'version', plan->'version', 'steps', plan->'steps') AS plan
       FROM started_plans WHERE job_id = $1 ORDER BY id DESC LIMIT 1`,
    [jobId],
  );
  return rows[0] ? readWorkSheet(rows[0].plan).steps : null;
}
