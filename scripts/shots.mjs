// npm run shots: takes the main views from the demo data into docs/screenshots.
import { ensureClient } from './client.mjs';
import { startDatabase } from './database.mjs';
import { ensureChromium, ensurePackages, ensurePdfPictures, ensurePostgres } from './ensure.mjs';
import { run } from './shell.mjs';

await ensurePackages();
const chromium = await ensureChromium();
await ensurePdfPictures();
await ensureClient();
const database = await startDatabase(await ensurePostgres(), 'test-database', { durable: false });
try {
  await run(process.execPath, ['--import', 'tsx', 'e2e/shots.ts', ...process.argv.slice(2)], {
    env: { ...process.env, LINTREL_TEST_DATABASE: database.url, CHROMIUM: chromium },
  });
} finally {
  await database.stop();
}
