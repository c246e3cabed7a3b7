import type { Change, Presence } from '@lintrel/core';
import type { Queryable } from './pool';

/**
 * Numbers are assigned before a transaction is committed, so an earlier number may become visible later. This many
 * before the last are sent again.
 */
const OVERLAP = 100;
/** Maximum number of missed changes that are sent; a page that missed more has to reload everything. */
const MOST_TOLD = 1_000;

/**
 * Changes after a number, oldest first, including some before it.
 * @returns null if there are too many, or they are no longer stored
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

/** Sends a device's presence to all pages of the shop; not stored. */
export async function announcePresence(db: Queryable, here: Presence): Promise<void> {
  await db.query("SELECT pg_notify('lintrel', $1)", [JSON.stringify({ kind: 'here', ...here })]);
}
