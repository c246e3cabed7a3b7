// npm test: installs what is missing, then lint, types, unit, server and browser tests against a database of their own.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { availableParallelism } from 'node:os';
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
  // Side by side, and their words one after the other.
  const checked = await Promise.all(
    checks.map(async ([name, command, args]) => {
      const { child, ended } = start(command, args, { stdio: ['ignore', 'pipe', 'pipe'] });
      let said = '';
      for (const from of [child.stdout, child.stderr]) from.on('data', (words) => (said += words));
      return { name, code: await ended, said };
    }),
  );
  for (const { name, code, said } of checked) say(`${name}: ${code === 0 ? 'well' : `ended with ${code}\n${said}`}`);
  const failedChecks = checked.filter(({ code }) => code !== 0).length;
  await withLock(`prepare ${ROOT}`, 'something of this folder is getting things ready; waiting for it', ensureClient);
  const database = await startDatabase(programs, 'test-database', { durable: false });
  try {
    await ensureProgram('server');
    say('tests');
    mkdirSync(DATA, { recursive: true });
    const env = { ...process.env, LINTREL_TEST_DATABASE: database.url, CHROMIUM: chromium, NODE_ENV: 'test' };
    // What only reckons goes side by side, and so do browsers, each with a server and a database of its own; what watches clocks,
    // ports and processes of the machine goes one after the other.
    const abreast = ['--maxWorkers', String(Math.max(2, availableParallelism()))];
    const runs = [
      ['reckoned', ['--selectProjects', 'core', 'client', ...abreast]],
      ['watched', ['--selectProjects', 'server', 'start', '--runInBand']],
      ['browser', ['--selectProjects', 'browser', ...abreast]],
    ];
    let [passed, failed, broken] = [checks.length - failedChecks, failedChecks, false];
    for (const [name, args] of runs) {
      const results = join(DATA, `test-results-${name}.json`);
      rmSync(results, { force: true });
      const jest = [join(ROOT, 'node_modules/jest/bin/jest.js'), ...args, '--json', `--outputFile=${results}`, ...process.argv.slice(2)];
      const code = await start(process.execPath, jest, { stdio: ['ignore', 'ignore', 'inherit'], env }).ended;
      if (!existsSync(results)) {
        // It ended before it could say anything.
        [failed, broken] = [failed + 1, true];
        continue;
      }
      const { numPassedTests, numFailedTests, numFailedTestSuites, testResults } = JSON.parse(readFileSync(results, 'utf8'));
      // A suite that could not even start has no failed test in it, but failed all the same.
      const brokenSuites = testResults.filter(
        ({ status, assertionResults }) => status === 'failed' && assertionResults.every((one) => one.status !== 'failed'),
      ).length;
      passed += numPassedTests;
      failed += numFailedTests + brokenSuites;
      if (numFailedTestSuites > 0 || code !== 0) broken = true;
    }
    console.log(`${passed} passed, ${failed} failed`);
    return failed > 0 || broken ? 1 : 0;
  } finally {
    await database.stop();
  }
}

await mainly(main);
