import {
  type Design,
  DESIGN_VERSION,
  type FinishReference,
  finishReferences,
  type Job,
  type JobKind,
  upgradeDesign,
} from '@lintrel/core';
import type { Queryable } from './pool';

/** A validated save, except whether its finishes are on the shelf. The design is text and stored unchanged. */
export interface CheckedSave {
  readonly revision: number;
  readonly save: string | null;
  readonly title: string;
  readonly kind: JobKind;
  readonly design: string;
  readonly finishes: readonly FinishReference[];
}

interface JobRow {
  id: string;
  revision: number;
  design: Design;
  updated_at: Date;
  save: string | null;
  author: string | null;
  archived_at: Date | null;
  deleted_at: Date | null;
}

const COLUMNS = 'id, revision, design, updated_at, save, author, archived_at, deleted_at';
/** Designs stored by older versions are upgraded on reading. */
const toJob = ({ id, revision, design, updated_at, save, author, archived_at, deleted_at }: JobRow): Job => ({
  id,
  revision,
  updatedAt: updated_at.toISOString(),
  save,
  author,
  archivedAt: archived_at?.toISOString() ?? null,
  deletedAt: deleted_at?.toISOString() ?? null,
  design: upgradeDesign(design) as Design,
});

/** One job; null where there is none with this id. */
export async function findJob(db: Queryable, id: string): Promise<Job | null> {
  const { rows } = await db.query<JobRow>(`SELECT ${COLUMNS} FROM jobs WHERE id = $1`, [id]);
  return rows[0] ? toJob(rows[0]) : null;
}

/** A job for the workshop: its design as the database has it, which is read where it is worked with. */
export interface KeptJob {
  readonly id: string;
  readonly title: string;
  readonly revision: number;
  readonly design: string;
}

/** One job for the workshop; null where there is none with this id. */
export async function findKept(db: Queryable, id: string): Promise<KeptJob | null> {
  const { rows } = await db.query<KeptJob>(
    'SELECT id, title, revision, design::text AS design FROM jobs WHERE id = $1',
    [id],
  );
  return rows[0] ?? null;
}

/** Revision and author of a job; null where there is none with this id. */
export async function findHead(
  db: Queryable,
  id: string,
): Promise<(Pick<Job, 'revision' | 'author'> & { readonly deleted: boolean }) | null> {
  const { rows } = await db.query<Pick<Job, 'revision' | 'author'> & { deleted: boolean }>(
    'SELECT revision, author, deleted_at IS NOT NULL AS deleted FROM jobs WHERE id = $1',
    [id],
  );
  return rows[0] ?? null;
}

/** The revision of a job that is there. */
export async function revisionOf(db: Queryable, id: string): Promise<number> {
  const { rows } = await db.query<{ revision: number }>('SELECT revision FROM jobs WHERE id = $1', [id]);
  return rows[0]!.revision;
}

/** Whether there is a job with this id. */
export async function hasJob(db: Queryable, id: string): Promise<boolean> {
  return (await db.query('SELECT 1 FROM jobs WHERE id = $1', [id])).rowCount === 1;
}

/**
 * One job as JSON text, as stored; null if there is none with this id, or if its design is of an older version and
 * has to be upgraded first. Stored designs were checked on saving.
 */
export async function findJobText(db: Queryable, id: string): Promise<string | null> {
  const { rows } = await db.query<TextRow>({
    // The most frequent query: prepared once per connection.
    name: 'job-text',
    text: `SELECT ${TEXT_COLUMNS} FROM jobs WHERE id = $1 AND design->'version' = to_jsonb($2::int)`,
    values: [id, DESIGN_VERSION],
  });
  return rows[0] ? jobText(rows[0]) : null;
}

/** A row with its design as text: parsing a large design only to serialize it again would block the server. */
type TextRow = Omit<JobRow, 'design'> & { design: string };
const TEXT_COLUMNS = 'id, revision, design::text AS design, updated_at, save, author, archived_at, deleted_at';

const jobText = ({
  design,
  updated_at: updatedAt,
  archived_at: archivedAt,
  deleted_at: deletedAt,
  ...rest
}: TextRow): string =>
  `${JSON.stringify({ ...rest, updatedAt, archivedAt, deletedAt }).slice(0, -1)},"design":${design}}`;

/** Inserts a new job at revision 1. Call inside a transaction. */
export async function insertJob(
  db: Queryable,
  design: Design,
  author: string | null = null,
  demo = false,
): Promise<Job> {
  const { rows } = await db.query<JobRow>(
    `INSERT INTO jobs (title, kind, revision, design, author, demo) VALUES ($1, $2, 1, $3, $4, $5) RETURNING ${COLUMNS}`,
    [design.title, design.kind, design, author, demo],
  );
  await keepRevision(db, rows[0]!.id);
  return toJob(rows[0]!);
}

/**
 * Saves a design over the revision it was changed from. Call inside a transaction.
 * @param save id of the save, by which a repeated one is recognized
 * @returns the job at the revision of this save, as JSON; null if another save came first, or there is no such job
 */
export async function saveJob(
  db: Queryable,
  id: string,
  { revision, title, kind, design, save }: CheckedSave,
  author: string | null = null,
): Promise<string | null> {
  const { rows } = await db.query<TextRow>(
    `UPDATE jobs SET title = $3, kind = $4, design = $5, save = $6, author = $7, revision = revision + 1, updated_at = now() WHERE id = $1 AND revision = $2 AND deleted_at IS NULL RETURNING ${TEXT_COLUMNS}`,
    [id, revision, title, kind, design, save, author],
  );
  if (!rows[0]) return save === null ? null : findSave(db, id, save);
  await keepRevision(db, id);
  return jobText(rows[0]);
}

/** Titles of jobs whose newest design uses a finish. */
export async function jobsUsingFinish(db: Queryable, finish: string): Promise<string[]> {
  const { rows } = await db.query<{ title: string; design: Design }>('SELECT title, design FROM jobs ORDER BY title');
  return rows
    .filter(({ design }) => finishReferences(design).some((named) => named.finish === finish))
    .map(({ title }) => title);
}

/** The revision a save made when it came the first time. */
async function findSave(db: Queryable, id: string, save: string): Promise<string | null> {
  const { rows } = await db.query<TextRow>(
    'SELECT job_id AS id, revision, design::text AS design, saved_at AS updated_at, save, author, NULL AS archived_at, NULL AS deleted_at FROM job_revisions WHERE job_id = $1 AND save = $2',
    [id, save],
  );
  return rows[0] ? jobText(rows[0]) : null;
}

/** Stores the present revision of the job permanently. */
async function keepRevision(db: Queryable, id: string): Promise<void> {
  await db.query(
    'INSERT INTO job_revisions (job_id, revision, design, save, author) SELECT id, revision, design, save, author FROM jobs WHERE id = $1',
    [id],
  );
}
