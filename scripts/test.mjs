// npm test: installs what is missing, then lint, types, unit, server and browser tests against a database of their own.
// npm run soak: the same with random and exhaustive tests in full, with other random cases each time.
import { randomInt } from 'node:crypto';
import { mkdirSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { ensureClient } from './client.mjs';
import { startDatabase } from './database.mjs';
import { ensureChromium, ensurePackages, ensurePostgres } from './ensure.mjs';
import { withLock } from './lock.mjs';
import { ensureProgram } from './programs.mjs';
import { DATA, mainly, ROOT, say, start } from './shell.mjs';
import { SOAK } from './test-limits.mjs';
import { runTests } from './test-run.mjs';

/** Tests wait for each other's processes and browsers a good part of their time: one worker more than processors. */
const WORKERS = String(Math.max(2, availableParallelism()) + 1);

async function main() {
  let [passed, failed, skipped] = [0, 0, 0];
  const parts = [];
  const count = (name, sinceMs, result) => {
    parts.push([name, Math.round((Date.now() - sinceMs) / 1000), result]);
    passed += result.passed;
    failed += result.failed;
    skipped += result.skipped;
  };
  let database = null;
  let firstCheckMs = Date.now();
  try {
    await withLock(`prepare ${ROOT}`, 'another run of this folder is installing; waiting for it', ensurePackages);
    const programs = await ensurePostgres();
    const chromium = await ensureChromium();
    firstCheckMs = Date.now();
    const [checks] = await Promise.all([
      runChecks(),
      withLock(`prepare ${ROOT}`, 'another run of this folder is building; waiting for it', ensureClient),
    ]);
    count('lint, types, client build', firstCheckMs, checks);
    const testsMs = Date.now();
    database = await startDatabase(programs, 'test-database', { durable: false });
    const program = await ensureProgram('server');
    mkdirSync(DATA, { recursive: true });
    const env = {
      ...process.env,
      ...(SOAK ? { LINTREL_SEED: process.env.LINTREL_SEED ?? String(randomInt(1, 1_000_000_000)) } : {}),
      LINTREL_TEST_DATABASE: database.url,
      LINTREL_WORKER: join(program, 'worker.mjs'),
      CHROMIUM: chromium,
      NODE_ENV: 'test',
    };
    if (SOAK) say(`random cases of this run: LINTREL_SEED=${env.LINTREL_SEED}`);
    const more = process.argv.slice(2);
    // Starting and stopping the whole of Lintrel is tested one after the other, beside everything else.
    const runs = [
      ['main', ['--selectProjects', 'core', 'client', 'server', 'browser', '--maxWorkers', WORKERS]],
      ['start', ['--selectProjects', 'start', '--runInBand']],
    ];
    const results = await Promise.all(runs.map(([name, args]) => runTests(name, [...args, ...more], env, DATA)));
    for (const [index, [name]] of runs.entries()) count(`${name} tests`, testsMs, results[index]);
  } catch (error) {
    console.error(error.stack ?? String(error));
    failed++;
  } finally {
    await database?.stop();
    for (const failure of parts.flatMap(([, , { failures = [] }]) => failures)) say(failure);
    for (const [name, seconds, result] of parts) {
      say(`${name}: ${result.passed} passed, ${result.failed} failed, ${seconds} s`);
      for (const [folder, { tests, seconds: spent }] of Object.entries(result.folders ?? {}))
        say(`  ${folder}: ${tests} tests, ${Math.round(spent)} s in them`);
    }
    say(`from the first check to the end: ${Math.round((Date.now() - firstCheckMs) / 1000)} s`);
    console.log(`${passed} passed, ${failed} failed${skipped > 0 ? `, ${skipped} skipped` : ''}`);
  }
  return failed > 0 ? 1 : 0;
}

/** Lint and types in parallel, their output one after the other. */
async function runChecks() {
  const checks = [
    ['lint', 'npx', ['eslint', '.', '--max-warnings', '0']],
    ['files and exports nothing uses', 'npx', ['knip', '--include', 'files,exports,types']],
    ['types of core, server and tests', 'npx', ['tsc', '-p', 'tsconfig.json', '--noEmit']],
    ['types of the client', 'npx', ['tsc', '-p', 'client/tsconfig.json', '--noEmit']],
  ];
  const ended = await Promise.all(
    checks.map(async ([name, command, args]) => {
      const { child, ended } = start(command, args, { stdio: ['ignore', 'pipe', 'pipe'] });
      let output = '';
      for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (output += text));
      return { name, code: await ended, output };
    }),
  );
  for (const { name, code, output } of ended)
    say(`${name}: ${code === 0 ? 'passed' : `ended with ${code}\n${output}`}`);
  const failed = ended.filter(({ code }) => code !== 0).length;
  return { passed: ended.length - failed, failed, skipped: 0 };
}

await mainly(main);
