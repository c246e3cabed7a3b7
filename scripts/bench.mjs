// npm run bench: ratios measured in one run. It reports and never fails a build.
import { join } from 'node:path';
import { ensureClient } from './client.mjs';
import { startDatabase } from './database.mjs';
import { ensurePackages, ensurePostgres } from './ensure.mjs';
import { DATA, ROOT, run, say } from './shell.mjs';

await ensurePackages();
await ensureClient();
const bare = join(DATA, 'bare-client');
say('building the bare page to compare with');
await run('npx', ['expo', 'export', '--platform', 'web', '--output-dir', bare], {
  cwd: join(ROOT, 'bench', 'bare'),
  env: { ...process.env, CI: '1', EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1' },
  stdio: ['ignore', 'ignore', 'inherit'],
});
const database = await startDatabase(await ensurePostgres(), 'test-database', { durable: false });
try {
  await run(process.execPath, ['--import', 'tsx', 'bench/bench.ts'], {
    env: { ...process.env, LINTREL_TEST_DATABASE: database.url, LINTREL_BARE_CLIENT: bare },
  });
} finally {
  await database.stop();
}
