// npm test: installs what is missing, then lint, types, unit, server and browser tests against a database of their own.
import { mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureClient } from './client.mjs';
import { startDatabase } from './database.mjs';
import { ensureChromium, ensurePackages, ensurePostgres } from './ensure.mjs';
import { withLock } from './lock.mjs';
import { ensureProgram } from './programs.mjs';
import { DATA, mainly, ROOT, say, start } from './shell.mjs';

async function main() {
  await withLock(`prepare ${ROOT}`, 'something of this folder is getting things ready; waiting for it', ensurePackages);
  const programs = await ensurePostgres();
  const chromium = await ensureChromium();
  const checks = [
    ['lint', 'npx', ['eslint', '.', '--max-warnings', '0']],
    ['types of core, server and tests', 'npx', ['tsc', '-p', 'tsconfig.json', '--noEmit']],
    ['types of the client', 'npx', ['tsc', '-p', 'client/tsconfig.json', '--noEmit']],
  ];
  let failedChecks = 0;
  for (const [name, command, args] of checks) {
    say(name);
    if ((await start(command, args).ended) !== 0) failedChecks++;
  }
  await withLock(`prepare ${ROOT}`, 'something of this folder is getting things ready; waiting for it', ensureClient);
  const database = await startDatabase(programs, 'test-database', { durable: false });
  try {
    await ensureProgram('server');
    say('tests');
    const results = join(DATA, 'test-results.json');
    mkdirSync(DATA, { recursive: true });
    const args = ['--runInBand', '--json', `--outputFile=${results}`, ...process.argv.slice(2)];
    const code = await start(process.execPath, [join(ROOT, 'node_modules/jest/bin/jest.js'), ...args], {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, LINTREL_TEST_DATABASE: database.url, CHROMIUM: chromium, NODE_ENV: 'test' },
    }).ended;
    const { numPassedTests, numFailedTests, numFailedTestSuites, testResults } = JSON.parse(readFileSync(results, 'utf8'));
    // A suite that could not even start has no failed test in it, but failed all the same.
    const brokenSuites = testResults.filter(
      ({ status, assertionResults }) => status === 'failed' && assertionResults.every((one) => one.status !== 'failed'),
    ).length;
    const failed = numFailedTests + brokenSuites + failedChecks;
    const passed = numPassedTests + checks.length - failedChecks;
    console.log(`${passed} passed, ${failed} failed`);
    return failed > 0 || numFailedTestSuites > 0 || code !== 0 ? 1 : 0;
  } finally {
    await database.stop();
  }
}

await mainly(main);
