import pg from 'pg';

/** Anything a query can be sent through: the pool, or a connection inside a transaction. */
export type Queryable = Pick<pg.Pool, 'query'>;

/** Timeouts of a query, in the database and for its answer. */
const LIMITS = {
  statement_timeout: 5_000,
  query_timeout: 6_000,
  lock_timeout: 4_000,
  idle_in_transaction_session_timeout: 30_000,
} as const;

/** Timeout for a free connection, or for a database that does not respond. */
const MOST_WAIT_MS = 3_000;

/** Opens the one pool of connections. */
export function openPool(connectionString: string): pg.Pool {
  const pool = new pg.Pool({
    connectionString,
    max: 10,
    connectionTimeoutMillis: MOST_WAIT_MS,
    application_name: 'lintrel',
    ...LIMITS,
  });
  // A connection closed by the database raises an error on the running query, and an event that would end the server
  // if unhandled. Idle connections are replaced on next use.
  pool.on('connect', (client) => client.on('error', () => undefined));
  pool.on('error', () => undefined);
  return pool;
}

/** A connection without timeouts, for migrations. */
export const openUnlimitedClient = (pool: pg.Pool): pg.Client => {
  const client = new pg.Client({
    connectionString: pool.options.connectionString,
    connectionTimeoutMillis: MOST_WAIT_MS,
    application_name: 'lintrel',
  });
  client.on('error', () => undefined);
  return client;
};

/** Whether an error means that the connection is lost or hangs. */
export function isConnectionLost(error: unknown): boolean {
  const { code = '', message = '' } = (error ?? {}) as { code?: string; message?: string };
  return UNREACHABLE.has(code) || LOST.test(message) || /^(08|57P)/.test(code);
}

/** Whether the database was not even reached, so that certainly nothing was changed. */
export function isUnreachable(error: unknown): boolean {
  const { code = '', message = '' } = (error ?? {}) as { code?: string; message?: string };
  return UNREACHABLE.has(code) || /trying to connect|timeout expired/.test(message);
}

const UNREACHABLE = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'ENOTFOUND',
  'ENOENT',
  'EPIPE',
  'ETIMEDOUT',
  'EHOSTUNREACH',
]);
const LOST =
  /timeout exceeded when trying to connect|timeout expired|Connection terminated|connection error and is not queryable|Query read timeout|Client was closed|after calling end on the pool/i;

/** Runs work inside one transaction. */
export async function inTransaction<T>(pool: pg.Pool, work: (client: Queryable) => Promise<T>): Promise<T> {
  const client = await pool.connect();
  try {
    const result = await runTransaction(client, work);
    client.release();
    return result;
  } catch (error) {
    // A connection that cannot even roll back is thrown away.
    if (isConnectionLost(error)) client.release(true);
    else
      await client.query('ROLLBACK').then(
        () => client.release(),
        () => client.release(true),
      );
    throw error;
  }
}

/** Begin, work, commit; the caller rolls back on an error. */
export async function runTransaction<T>(client: Queryable, work: (client: Queryable) => Promise<T>): Promise<T> {
  await client.query('BEGIN');
  const result = await work(client);
  await client.query('COMMIT');
  return result;
}
