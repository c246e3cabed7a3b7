import type { Queryable } from './pool';

/** Key of the advisory lock of the shelf. */
const SHELF = 7_216_002;

// Locks last until the transaction ends. Everybody takes the shelf's first and a job's after it, so that nobody waits in a ring.

/** Nobody puts anything on the shelf, changes it or takes it off while this is held; others may hold it too. */
export async function lockShelfShared(db: Queryable): Promise<void> {
  await db.query('SELECT pg_advisory_xact_lock_shared($1)', [SHELF]);
}

/** Only we change the shelf, and nobody relies on it as it was. */
export async function lockShelf(db: Queryable): Promise<void> {
  await db.query('SELECT pg_advisory_xact_lock($1)', [SHELF]);
}

/** Nobody else saves, starts or logs this job while this is held. */
export async function lockJob(db: Queryable, id: string): Promise<void> {
  await db.query('SELECT 1 FROM jobs WHERE id = $1 FOR NO KEY UPDATE', [id]);
}
