import type { Change, Presence } from '@lintrel/core';
import type { Queryable } from './pool';

/** Numbers are given before changes are kept: one that was given earlier may show later. So many before the last are told again. */
const OVERLAP = 100;
/** Who has missed more than this asks for everything anew. */
const MOST_TOLD = 1_000;

/**
 * What has changed after a number, oldest first; some from before it as well.
 * @returns null where too much has, or what was missed is forgotten
 */
export async function changesAfter(db: Queryable, seq: number): Promise<Change[] | null> {
  const { rows } = await db.query<{ seq: number; kind: Change['kind']; job: string | null }>(
    'SELECT seq::int, kind, job_id AS job FROM changes WHERE seq > $1 ORDER BY changes.seq LIMIT $2',
    [Math.max(0, seq - OVERLAP), MOST_TOLD + OVERLAP + 1],
  );
  const known = await db.query<{ first: number | null }>('SELECT min(seq)::int AS first FROM changes');
  const first = known.rows[0]?.first ?? null;
  const forgotten = first !== null && first > seq + 1;
  return forgotten || rows.length > MOST_TOLD + OVERLAP ? null : rows;
}

/** Number of the newest change; 0 before the first. */
export async function newestChange(db: Queryable): Promise<number> {
  const { rows } = await db.query<{ seq: number }>('SELECT coalesce(max(seq), 0)::int AS seq FROM changes');
  return rows[0]!.seq;
}

/** Tells all pages of the shop that a device is at a step; kept nowhere. */
export async function announcePresence(db: Queryable, here: Presence): Promise<void> {
  await db.query("SELECT pg_notify('lintrel', $1)", [JSON.stringify({ kind: 'here', ...here })]);
}
