import pg from 'pg';

/** Anything a query can be sent through: the pool, or a connection inside a transaction. */
export type Queryable = Pick<pg.Pool, 'query'>;

/** Opens the one pool of connections. */
export function openPool(connectionString: string): pg.Pool {
  const pool = new pg.Pool({ connectionString, max: 10, connectionTimeoutMillis: 10_000, application_name: 'lintrel' });
  // An idle connection that the database closes is replaced on next use; it must not end the server.
  pool.on('error', () => undefined);
  return pool;
}

/** Runs work inside one transaction: all of it is kept, or nothing. */
export async function inTransaction<T>(pool: pg.Pool, work: (client: Queryable) => Promise<T>): Promise<T> {
  const client = await pool.connect();
  try {
    await client.query('BEGIN');
    const result = await work(client);
    await client.query('COMMIT');
    client.release();
    return result;
  } catch (error) {
    // A connection that cannot even roll back is thrown away.
    await client.query('ROLLBACK').then(
      () => client.release(),
      () => client.release(true),
    );
    throw error;
  }
}
