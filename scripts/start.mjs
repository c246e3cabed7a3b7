// npm start: installs what is missing, starts the database, builds the client if stale, serves. Ctrl-C stops all of it.
import { ensureClient } from './client.mjs';
import { startDatabase } from './database.mjs';
import { ensurePackages, ensurePostgres } from './ensure.mjs';
import { say, start, Stop } from './shell.mjs';

const PORT = process.env.PORT ?? '4600';
const HOST = process.env.HOST ?? '127.0.0.1';

async function main() {
  ensurePackages();
  const database = process.env.DATABASE_URL ? null : await startDatabase(ensurePostgres(), 'database');
  try {
    ensureClient();
    const { child, ended } = start(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
      env: { ...process.env, DATABASE_URL: process.env.DATABASE_URL ?? database.url, PORT, HOST, LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn' },
    });
    // The terminal sends ctrl-C to the server as well; a service manager signals only this process.
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => child.kill('SIGTERM'));
    announce(ended);
    return await ended;
  } finally {
    database?.stop();
  }
}

async function announce(ended) {
  let over = false;
  void ended.then(() => (over = true));
  const address = `http://${HOST === '0.0.0.0' ? '127.0.0.1' : HOST}:${PORT}`;
  while (!over) {
    const healthy = await fetch(`${address}/api/health`).then(
      (answer) => answer.ok,
      () => false,
    );
    if (healthy) return say(`open ${address} in a browser; ctrl-C stops it`);
    await new Promise((resolve) => setTimeout(resolve, 150));
  }
}

main().then(
  (code) => process.exit(code),
  (error) => {
    console.error(`lintrel: ${error instanceof Stop ? error.message : error.stack}`);
    process.exit(1);
  },
);
