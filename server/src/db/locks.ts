import type { Queryable } from './pool';

/** Key of the advisory lock of the shelf. */
const SHELF = 7_216_002;

// Locks last until the end of the transaction. The shelf is always locked before a job, so that there are no
// deadlocks.

/** Shared lock: nobody changes the shelf while it is held; others may hold it too. */
export async function lockShelfShared(db: Queryable): Promise<void> {
  await db.query('SELECT pg_advisory_xact_lock_shared($1)', [SHELF]);
}

/** Exclusive lock of the shelf, for changing it. */
export async function lockShelf(db: Queryable): Promise<void> {
  await db.query('SELECT pg_advisory_xact_lock($1)', [SHELF]);
}

/** Exclusive lock of a job: nobody else saves, starts or logs it. */
export async function lockJob(db: Queryable, id: string): Promise<void> {
  await db.query('SELECT 1 FROM jobs WHERE id = $1 FOR NO KEY UPDATE', [id]);
}
