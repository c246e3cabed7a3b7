import type { Queryable } from '../db/pool';

/** What is kept, in the order it may be put back: whatever is named stands before whoever names it. What has changed lately is not. */
export const KEPT_TABLES = [
  'people',
  'jobs',
  'job_revisions',
  'started_plans',
  'run_log',
  'photos',
  'tapes',
  'finishes',
  'supplies',
  'stock_moves',
  'shelf_revisions',
  'shop_days',
  'day_pins',
  'finish_learning',
  'work_learning',
  'air_readings',
] as const;
export type KeptTable = (typeof KEPT_TABLES)[number];

/** Columns of a table that are written, not worked out by the database. */
export async function columnsOf(db: Queryable, table: KeptTable): Promise<string[]> {
  const { rows } = await db.query<{ name: string }>(
    `SELECT column_name AS name FROM information_schema.columns WHERE table_schema = 'public' AND table_name = $1 AND is_generated = 'NEVER' ORDER BY ordinal_position`,
    [table],
  );
  return rows.map(({ name }) => name);
}

/** The newest change of the tables that was run, by its file name. */
export async function schemaOf(db: Queryable): Promise<string> {
  const { rows } = await db.query<{ name: string }>('SELECT max(name) AS name FROM migrations');
  return rows[0]?.name ?? '';
}
