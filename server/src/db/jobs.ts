import { finishesNamed, type Design, type Job } from '@lintrel/core';
import type { Queryable } from './pool';

interface JobRow {
  id: string;
  revision: number;
  design: Design;
  updated_at: Date;
}

const COLUMNS = 'id, revision, design, updated_at';
const toJob = ({ id, revision, design, updated_at }: JobRow): Job => ({ id, revision, updatedAt: updated_at.toISOString(), design });

/** All jobs, the one changed last first. */
export async function listJobs(db: Queryable): Promise<Job[]> {
  const { rows } = await db.query<JobRow>(`SELECT ${COLUMNS} FROM jobs ORDER BY updated_at DESC, id`);
  return rows.map(toJob);
}

/** One job; null where there is none with this id. */
export async function findJob(db: Queryable, id: string): Promise<Job | null> {
  const { rows } = await db.query<JobRow>(`SELECT ${COLUMNS} FROM jobs WHERE id = $1`, [id]);
  return rows[0] ? toJob(rows[0]) : null;
}

/** Keeps a new job at revision 1. Call inside a transaction. */
export async function insertJob(db: Queryable, design: Design): Promise<Job> {
  const { rows } = await db.query<JobRow>(`INSERT INTO jobs (title, kind, revision, design) VALUES ($1, $2, 1, $3) RETURNING ${COLUMNS}`, [
    design.title,
    design.kind,
    design,
  ]);
  await keepRevision(db, rows[0]);
  return toJob(rows[0]);
}

/**
 * Saves a design over the revision it was changed from. Call inside a transaction.
 * @returns the job at its new revision; null where another save came first, or there is no such job
 */
export async function saveJob(db: Queryable, id: string, revision: number, design: Design): Promise<Job | null> {
  const { rows } = await db.query<JobRow>(
    `UPDATE jobs SET title = $3, kind = $4, design = $5, revision = revision + 1, updated_at = now() WHERE id = $1 AND revision = $2 RETURNING ${COLUMNS}`,
    [id, revision, design.title, design.kind, design],
  );
  if (!rows[0]) return null;
  await keepRevision(db, rows[0]);
  return toJob(rows[0]);
}

/** Titles of jobs whose newest design uses a finish. */
export async function jobsUsingFinish(db: Queryable, finish: string): Promise<string[]> {
  const { rows } = await db.query<{ title: string; design: Design }>('SELECT title, design FROM jobs ORDER BY title');
  return rows.filter(({ design }) => finishesNamed(design).some((named) => named.finish === finish)).map(({ title }) => title);
}

async function keepRevision(db: Queryable, { id, revision, design }: JobRow): Promise<void> {
  await db.query('INSERT INTO job_revisions (job_id, revision, design) VALUES ($1, $2, $3)', [id, revision, design]);
}
