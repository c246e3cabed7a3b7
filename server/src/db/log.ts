import type { LogEvent, Plan } from '@lintrel/core';
import type { Queryable } from './pool';

interface EventRow {
  id: string;
  at: Date;
  kind: LogEvent['kind'];
  step: string | null;
  note: string;
}

const toEvent = ({ id, at, kind, step, note }: EventRow): LogEvent => ({ id, at: at.toISOString(), kind, step, note });

/** The log of one job, as it was written down. */
export async function listEvents(db: Queryable, jobId: string): Promise<LogEvent[]> {
  const { rows } = await db.query<EventRow>('SELECT id, at, kind, step, note FROM run_log WHERE job_id = $1 ORDER BY seq', [jobId]);
  return rows.map(toEvent);
}

/** The logs of all jobs, by job. */
export async function listAllEvents(db: Queryable): Promise<Map<string, LogEvent[]>> {
  const { rows } = await db.query<EventRow & { job_id: string }>('SELECT job_id, id, at, kind, step, note FROM run_log ORDER BY seq');
  const byJob = new Map<string, LogEvent[]>();
  for (const row of rows) byJob.set(row.job_id, [...(byJob.get(row.job_id) ?? []), toEvent(row)]);
  return byJob;
}

/**
 * Writes an event down. Sending the same one twice keeps it once, so that a phone may repeat what it is unsure of.
 * @returns false where an event with this id belongs to another job
 */
export async function appendEvent(db: Queryable, jobId: string, { id, at, kind, step, note }: LogEvent): Promise<boolean> {
  const { rowCount } = await db.query('INSERT INTO run_log (id, job_id, at, kind, step, note) VALUES ($1, $2, $3, $4, $5, $6) ON CONFLICT (id) DO NOTHING', [
    id,
    jobId,
    at,
    kind,
    step,
    note,
  ]);
  if (rowCount === 1) return true;
  const { rows } = await db.query('SELECT 1 FROM run_log WHERE id = $1 AND job_id = $2', [id, jobId]);
  return rows.length === 1;
}

/** A plan as it was when the job was started. */
export interface StartedPlan {
  readonly revision: number;
  readonly plan: Plan;
}

/** Freezes the plan a job is started with. */
export async function insertStartedPlan(db: Queryable, jobId: string, { revision, plan }: StartedPlan): Promise<void> {
  await db.query('INSERT INTO started_plans (job_id, revision, plan) VALUES ($1, $2, $3)', [jobId, revision, plan]);
}

/** The plan a job was last started with; null where it was not. */
export async function findStartedPlan(db: Queryable, jobId: string): Promise<StartedPlan | null> {
  const { rows } = await db.query<StartedPlan>('SELECT revision, plan FROM started_plans WHERE job_id = $1 ORDER BY id DESC LIMIT 1', [jobId]);
  return rows[0] ?? null;
}

/** Run-sheet steps of every started job, by job. */
export async function listStartedSteps(db: Queryable): Promise<Map<string, Plan['steps']>> {
  const { rows } = await db.query<{ job_id: string; steps: Plan['steps'] }>(
    `SELECT DISTINCT ON (job_id) job_id, plan->'steps' AS steps FROM started_plans ORDER BY job_id, id DESC`,
  );
  return new Map(rows.map(({ job_id, steps }) => [job_id, steps]));
}
