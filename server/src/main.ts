import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { migrate } from './db/migrate';
import { openPool } from './db/pool';
import { createApp } from './http/app';
import { seedIfEmpty } from './seed';

/** A request that takes longer than this to finish does not hold up the end. */
const LONGEST_SHUTDOWN_MS = 10_000;

const log = pino({ level: process.env.LOG_LEVEL ?? 'info' });
const databaseUrl = process.env.DATABASE_URL;
if (!databaseUrl) throw new Error('DATABASE_URL is not set: start with "npm start"');
const port = Number(process.env.PORT ?? 4600);
const host = process.env.HOST ?? '127.0.0.1';

const pool = openPool(databaseUrl);
await migrate(pool, async (db) => {
  if (process.env.LINTREL_DEMO !== 'no' && (await seedIfEmpty(db, Date.now()))) log.info('demo workshop put in');
});

const folder = fileURLToPath(new URL('../../client/dist', import.meta.url));
const app = createApp({ pool, log, clientFolder: existsSync(folder) ? folder : null });
const server = app.listen(port, host, (error?: Error) => {
  if (error) {
    log.fatal({ err: error }, `cannot listen on ${host}:${port}`);
    process.exit(1);
  }
  log.info(`listening on http://${host}:${port}`);
});

let stopping = false;
/** Takes no new requests, finishes those under way, closes the database connections. */
function stop(signal: string): void {
  if (stopping) return;
  stopping = true;
  log.info(`${signal}: stopping`);
  setTimeout(() => process.exit(1), LONGEST_SHUTDOWN_MS).unref();
  server.close(() => void pool.end().then(() => process.exit(0)));
  server.closeIdleConnections();
}
process.on('SIGTERM', () => stop('SIGTERM'));
process.on('SIGINT', () => stop('SIGINT'));
