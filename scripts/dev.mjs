// npm run dev: the database, a server that starts again when its sources change, and a client that reloads; /api goes to the server.
import { join } from 'node:path';
import { ensurePackages } from './ensure.mjs';
import { DATA, endCommands, mainly, ROOT, say, start, Stop, writable } from './shell.mjs';
import { openShop } from './shop.mjs';

const portOf = (name, usual) => {
  const port = Number(process.env[name] ?? usual);
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    throw new Stop(`${name} has to be a whole number from 1 to 65535.`);
  return port;
};

/** npm, our parent, may be ended alone. */
function endWithNpm() {
  const parent = process.ppid;
  if (process.env.npm_lifecycle_event === 'dev')
    setInterval(() => process.ppid !== parent && endCommands(), 500).unref();
}

async function main() {
  const [port, api] = [portOf('PORT', 4600), portOf('API_PORT', 4610)];
  writable(DATA);
  await ensurePackages();
  const database = await openShop();
  try {
    const env = {
      ...process.env,
      DATABASE_URL: database.url,
      HOST: '127.0.0.1',
      EXPO_OFFLINE: '1',
      EXPO_NO_TELEMETRY: '1',
      LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
    };
    const server = start(
      process.execPath,
      [join(ROOT, 'node_modules/tsx/dist/cli.mjs'), 'watch', 'server/src/main.ts'],
      {
        env: { ...env, PORT: String(api) },
        group: true,
      },
    );
    const client = start('npx', ['expo', 'start', '--web', '--port', String(port)], {
      cwd: join(ROOT, 'client'),
      env: { ...env, LINTREL_API: `http://127.0.0.1:${api}`, BROWSER: 'none' },
      group: true,
    });
    endWithNpm();
    say(`the client comes at http://localhost:${port}, which asks the server at ${api}; ctrl-C stops all of it`);
    const code = await Promise.race([server.ended, client.ended, database.failed]);
    endCommands();
    await Promise.allSettled([server.ended, client.ended]);
    return code;
  } finally {
    await database.stop();
  }
}

await mainly(main);
