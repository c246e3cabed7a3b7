import {
  type FrozenPlan,
  type KeptEvent,
  type LogEvent,
  MAX_EVENTS,
  MAX_NOTE_CHARACTERS,
  type Observed,
  readWorkSheet,
  type Step,
  type StepId,
} from '@lintrel/core';
import type { Queryable } from './pool';

interface EventRow {
  seq: number;
  id: string;
  version: number;
  at: Date;
  kind: LogEvent['kind'];
  step: StepId | null;
  note: string;
  sheet: number | null;
  person: string | null;
  device: string | null;
  device_at: Date | null;
  saw: Observed | null;
  sent_by: string | null;
}

const COLUMNS = 'seq::int, id, version, at, kind, step, note, sheet::int, person, device, device_at, saw, sent_by';

const toEvent = ({
  seq,
  id,
  version,
  at,
  kind,
  step,
  note,
  sheet,
  person,
  device,
  device_at: deviceAt,
  saw,
  sent_by: sentBy,
}: EventRow): KeptEvent => ({
  seq,
  id,
  version,
  at: at.toISOString(),
  kind,
  step,
  note,
  ...(sheet === null ? {} : { sheet }),
  ...(person === null ? {} : { person }),
  ...(device === null ? {} : { device }),
  ...(deviceAt === null ? {} : { deviceAt: deviceAt.toISOString() }),
  ...(saw === null ? {} : { saw }),
  ...(sentBy === null ? {} : { sentBy }),
});

/** The log of one job in stored order; with a number, only later entries. */
export async function listEvents(db: Queryable, jobId: string, after = 0): Promise<KeptEvent[]> {
  const { rows } = await db.query<EventRow>(
    `SELECT ${COLUMNS} FROM run_log WHERE job_id = $1 AND seq > $2 ORDER BY run_log.seq`,
    [jobId, after],
  );
  return rows.map(toEvent);
}

/** Entries of a log about things done or observed, without notes. */
export async function listObservedEntries(db: Queryable, jobId: string): Promise<KeptEvent[]> {
  const { rows } = await db.query<EventRow>(
    `SELECT ${COLUMNS} FROM run_log WHERE job_id = $1 AND (kind IN ('start', 'done', 'undo', 'finish') OR saw IS NOT NULL) ORDER BY run_log.seq`,
    [jobId],
  );
  return rows.map(toEvent);
}

/** Result of an entry: stored under a number; or not, because its id belongs to another entry or the log is full. */
export type Appended = { readonly seq: number; readonly fresh: boolean } | 'other-job' | 'other-content' | 'full';

/** Appends an event. A repeated one is stored once, so that a phone may send again. */
export async function appendEvent(db: Queryable, jobId: string, event: LogEvent): Promise<Appended> {
  const { id, version, at, kind, step, note, sheet, person, device, deviceAt, saw, sentBy } = event;
  const known = await db.query<EventRow & { job_id: string }>(`SELECT job_id, ${COLUMNS} FROM run_log WHERE id = $1`, [
    id,
  ]);
  if (known.rows[0]) return sameAs(known.rows[0], jobId, event);
  const { rows: room } = await db.query<{ full: boolean }>(
    'SELECT log_count >= $2 OR log_letters + length($4::text) > $3 AS full FROM jobs WHERE id = $1',
    [jobId, MAX_EVENTS, MAX_NOTE_CHARACTERS, note],
  );
  if (room[0]!.full) return 'full';
  const { rows } = await db.query<{ seq: number }>(
    `INSERT INTO run_log (id, job_id, version, at, kind, step, note, sheet, person, device, device_at, saw, sent_by)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13) ON CONFLICT (id) DO NOTHING RETURNING seq::int`,
    [
      id,
      jobId,
      version,
      at,
      kind,
      step,
      note,
      sheet ?? null,
      person ?? null,
      device ?? null,
      deviceAt ?? null,
      saw ?? null,
      sentBy ?? null,
    ],
  );
  // The same entry may have been inserted concurrently: then it is looked up again.
  return rows[0] ? { seq: rows[0].seq, fresh: true } : appendEvent(db, jobId, event);
}

const sameAs = (row: EventRow & { job_id: string }, jobId: string, event: LogEvent): Appended =>
  row.job_id !== jobId
    ? 'other-job'
    : contentOf(toEvent(row)) === contentOf(event)
      ? { seq: row.seq, fresh: false }
      : 'other-content';

/** Content of an entry, without its sheet and author. */
const contentOf = ({ version, at, kind, step, note, saw }: LogEvent): string =>
  JSON.stringify([
    version,
    at,
    kind,
    step,
    note,
    Object.entries(saw ?? {}).sort(([one], [other]) => (one < other ? -1 : 1)),
  ]);

/** Whether one entry is in the log of a job. */
export async function isLogged(db: Queryable, jobId: string, id: string): Promise<boolean> {
  return (await db.query('SELECT 1 FROM run_log WHERE id = $1 AND job_id = $2', [id, jobId])).rowCount === 1;
}

/** Whether an entry of a log is already stored. */
export async function isAnyLogged(db: Queryable, log: readonly LogEvent[]): Promise<boolean> {
  const { rowCount } = await db.query('SELECT 1 FROM run_log WHERE id = ANY($1::uuid[]) LIMIT 1', [
    log.map(({ id }) => id),
  ]);
  return rowCount === 1;
}

/** Appends the log of a file, in its order; none of its entries is stored yet. */
export async function appendLog(db: Queryable, jobId: string, log: readonly LogEvent[]): Promise<void> {
  const rows = log.map(({ deviceAt, sentBy, ...event }) => ({
    ...event,
    device_at: deviceAt ?? null,
    sent_by: sentBy ?? null,
  }));
  await db.query(
    `INSERT INTO run_log (id, job_id, version, at, kind, step, note, sheet, person, device, device_at, saw, sent_by)
     SELECT id, $1, version, at, kind, step, note, sheet, person, device, device_at, saw, sent_by
       FROM ROWS FROM (json_to_recordset($2) AS (id uuid, version integer, at timestamptz, kind text, step text, note text,
         sheet bigint, person text, device text, device_at timestamptz, saw jsonb, sent_by text)) WITH ORDINALITY AS event ORDER BY ordinality`,
    [jobId, JSON.stringify(rows)],
  );
}

/** A frozen plan with the number of its sheet. */
export interface StartedPlan {
  readonly sheet: number;
  readonly revision: number;
  readonly plan: FrozenPlan;
}

/**
 * Freezes the plan a job is started with, given as JSON: it comes back byte for byte.
 * @returns the number of its sheet
 */
export async function insertStartedPlan(db: Queryable, jobId: string, revision: number, plan: string): Promise<number> {
  const { rows } = await db.query<{ sheet: number }>(
    'INSERT INTO started_plans (job_id, revision, plan) VALUES ($1, $2, $3) RETURNING id::int AS sheet',
    [jobId, revision, plan],
  );
  return rows[0]!.sheet;
}

/** Number of the sheet a job was last started with; null where it was not. */
export async function newestSheet(db: Queryable, jobId: string): Promise<number | null> {
  const { rows } = await db.query<{ sheet: number | null }>(
    'SELECT max(id)::int AS sheet FROM started_plans WHERE job_id = $1',
    [jobId],
  );
  return rows[0]?.sheet ?? null;
}

/** The plan a job was last started with, left out where its sheet is known already; null where it was not started. */
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

/** Frozen plans of a job, oldest first, within a size limit: newer ones take precedence. */
export async function listStartedPlans(db: Queryable, jobId: string, mostLetters: number): Promise<StartedPlan[]> {
  const { rows } = await db.query<StartedPlan>(
    `SELECT id::int AS sheet, revision, plan FROM (
       SELECT id, revision, plan, sum(length(plan::text)) OVER (ORDER BY id DESC) AS letters FROM started_plans WHERE job_id = $1 ORDER BY id DESC LIMIT 20
     ) AS newest WHERE letters <= $2 ORDER BY id`,
    [jobId, mostLetters],
  );
  return rows;
}

/** Steps of the plan a job was last started with, the rest of it left where it is, and the number of its sheet; null where it was not. */
export async function findStartedSteps(
  db: Queryable,
  jobId: string,
): Promise<{ readonly sheet: number; readonly steps: readonly Step[] } | null> {
  const { rows } = await db.query<{ sheet: number; plan: FrozenPlan }>(
    `SELECT id::int AS sheet, json_build_object('format', plan->'format', 'version', plan->'version', 'steps', plan->'steps') AS plan
       FROM started_plans WHERE job_id = $1 ORDER BY id DESC LIMIT 1`,
    [jobId],
  );
  return rows[0] ? { sheet: rows[0].sheet, steps: readWorkSheet(rows[0].plan).steps } : null;
}
