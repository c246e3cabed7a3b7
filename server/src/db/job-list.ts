import {
  EMPTY_LOG,
  type JobProgress,
  type JobSummary,
  logAfter,
  type LogState,
  minutesAfter,
  type MinutesState,
  NO_MINUTES,
  progressFrom,
} from '@lintrel/core';
import { findStartedSteps, listEvents } from './log';
import type { Queryable } from './pool';

/** What of a job in the list changes with its log alone. */
type Progress = Pick<JobSummary, 'state' | 'next' | 'nextStep' | 'finishedAt' | 'windows'>;

/** How a job stands; `hasSheet`: there is a work sheet it was started with. */
export const stateOf = ({ startedAt, finishedAt }: JobProgress, hasSheet: boolean): JobSummary['state'] =>
  finishedAt !== null ? 'finished' : startedAt !== null && hasSheet ? 'in-shop' : 'planning';

/** What the log of a job came to when it was last read: up to which entry, and for which work sheet. */
interface KeptState {
  readonly version: number;
  readonly seq: number;
  readonly sheet: number | null;
  readonly log: LogState;
  readonly took: MinutesState;
}
/** Version of the stored state; any other version is recomputed. */
const STATE_VERSION = 1;

/** The steps a job was last started with, and how far it has come by its log; no steps where it was not started. Only entries that came since it was last read are read. */
export async function findProgress(db: Queryable, jobId: string) {
  const started = await findStartedSteps(db, jobId);
  const steps = started?.steps ?? [];
  const sheet = started?.sheet;
  const { rows } = await db.query<{ state: KeptState | null }>('SELECT log_state AS state FROM jobs WHERE id = $1', [
    jobId,
  ]);
  const before = rows[0]?.state ?? null;
  const kept = before?.version === STATE_VERSION && before.sheet === (sheet ?? null) ? before : null;
  const events = await listEvents(db, jobId, kept?.seq ?? 0);
  const state: KeptState = {
    version: STATE_VERSION,
    seq: events.at(-1)?.seq ?? kept?.seq ?? 0,
    sheet: sheet ?? null,
    log: logAfter(kept?.log ?? EMPTY_LOG, events, sheet),
    took: minutesAfter(steps, kept?.took ?? NO_MINUTES, events, sheet),
  };
  return { started, progress: progressFrom(steps, state.log), took: state.took.took.map(([, took]) => took), state };
}

/**
 * Computes and stores the progress of a job from its frozen plan and its log, and the minutes of its steps. Call
 * whenever either has changed.
 */
export async function storeProgress(db: Queryable, jobId: string): Promise<void> {
  const { started, progress, took, state: logState } = await findProgress(db, jobId);
  const state = stateOf(progress, started !== null);
  const next = state === 'in-shop' ? progress.next : null;
  const noted: Progress = {
    state,
    next: next?.say ?? null,
    nextStep: next?.id ?? null,
    finishedAt: progress.finishedAt,
    windows: [...progress.running],
  };
  await db.query('UPDATE jobs SET progress = $2, took = $3, log_state = $4 WHERE id = $1', [
    jobId,
    JSON.stringify(noted),
    took.length > 0 ? JSON.stringify(took) : null,
    JSON.stringify(logState),
  ]);
}

/** Computes missing progress, of jobs from before it was stored; returns their number. */
async function noteMissing(db: Queryable): Promise<number> {
  const { rows } = await db.query<{ id: string }>('SELECT id FROM jobs WHERE progress IS NULL ORDER BY id LIMIT 500');
  for (const { id } of rows) await storeProgress(db, id);
  return rows.length;
}

/** A page of the list of jobs, and where the next begins; null: there is none. */
export interface JobPage {
  readonly jobs: JobSummary[];
  readonly more: string | null;
}

/** Every job in the shop: its id and title. */
export async function listJobsInShop(db: Queryable): Promise<{ readonly id: string; readonly title: string }[]> {
  await noteMissing(db);
  const { rows } = await db.query<{ id: string; title: string }>(
    'SELECT id, title FROM jobs WHERE rank = 0 AND archived_at IS NULL AND deleted_at IS NULL ORDER BY id LIMIT 200',
  );
  return rows;
}

interface ListRow {
  id: string;
  title: string;
  kind: JobSummary['kind'];
  revision: number;
  updated_at: Date;
  place: string;
  progress: Progress;
  archived_at: Date | null;
  deleted_at: Date | null;
  late: number;
}

/** Which jobs a list shows. */
const SHOWN = {
  all: 'archived_at IS NULL AND deleted_at IS NULL',
  'in-shop': 'archived_at IS NULL AND deleted_at IS NULL AND rank = 0',
  archived: 'archived_at IS NOT NULL AND deleted_at IS NULL',
  deleted: 'deleted_at IS NOT NULL',
} as const;
type JobsShown = keyof typeof SHOWN;

/**
 * Jobs: those in the shop first, then planned ones, then finished ones; within each the most recently changed first.
 * @param wish `after`: end of the previous page as sent, null: from the beginning; `shown`: all, only those in the shop, or those archived or
 *   deleted
 */
export async function listJobs(
  db: Queryable,
  wish: { after: JobPlace | null; most: number; shown: JobsShown },
): Promise<JobPage> {
  const [missing, page] = await Promise.all([noteMissing(db), pageOf(db, wish)]);
  return missing === 0 ? page : pageOf(db, wish);
}

async function pageOf(
  db: Queryable,
  { after, most, shown }: { after: JobPlace | null; most: number; shown: JobsShown },
): Promise<JobPage> {
  const { rows } = await db.query<ListRow>(
    `SELECT id, title, kind, revision, updated_at, progress, archived_at, deleted_at, rank || ' ' || updated_at::text || ' ' || id AS place,
            CASE WHEN deleted_at IS NULL THEN 0 ELSE (SELECT count(*)::int FROM run_log WHERE job_id = jobs.id AND recorded_at > deleted_at) END AS late
       FROM jobs
      WHERE progress IS NOT NULL AND ($1::smallint IS NULL OR rank > $1 OR (rank = $1 AND (updated_at, id) < ($2::timestamptz, $3::uuid)))
        AND ${SHOWN[shown]}
      ORDER BY rank, updated_at DESC, id DESC LIMIT $4`,
    [after?.rank ?? null, after?.at ?? null, after?.id ?? null, most + 1],
  );
  const jobs = rows.slice(0, most).map(({ progress, updated_at, archived_at, deleted_at, place: _, ...row }) => ({
    ...row,
    ...progress,
    updatedAt: updated_at.toISOString(),
    archivedAt: archived_at?.toISOString() ?? null,
    deletedAt: deleted_at?.toISOString() ?? null,
  }));
  return { jobs, more: rows.length > most ? rows[most - 1]!.place : null };
}

/** A place in the list. */
export interface JobPlace {
  readonly rank: number;
  readonly at: string;
  readonly id: string;
}

/** Parses a cursor; null if invalid. */
export function jobPlace(text: string): JobPlace | null {
  const [, rank, at, id] = /^([0-2]) (\d{4}-\d\d-\d\d [\d:.]{5,15}[+-][\d:]{2,8}) ([0-9a-f-]{36})$/.exec(text) ?? [];
  return rank === undefined || at === undefined || id === undefined ? null : { rank: Number(rank), at, id };
}
