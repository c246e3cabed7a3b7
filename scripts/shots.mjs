// npm run shots: takes the main views from the demo data into docs/screenshots.
import { ensureClient } from './client.mjs';
import { startDatabase } from './database.mjs';
import { ensureChromium, ensurePackages, ensurePdfPictures, ensurePostgres } from './ensure.mjs';
import { run } from './shell.mjs';

ensurePackages();
const chromium = ensureChromium();
ensurePdfPictures();
ensureClient();
const database = await startDatabase(ensurePostgres(), 'test-database', { durable: false });
try {
  run(process.execPath, ['--import', 'tsx', 'e2e/shots.ts', ...process.argv.slice(2)], {
    env: { ...process.env, LINTREL_TEST_DATABASE: database.url, CHROMIUM: chromium },
  });
} finally {
  database.stop();
}
