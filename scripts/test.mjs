// npm test: installs what is missing, then lint, types, unit, server and browser tests against a database of their own.
import { mkdirSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { ensureClient } from './client.mjs';
import { startDatabase } from './database.mjs';
import { ensureChromium, ensurePackages, ensurePostgres } from './ensure.mjs';
import { withLock } from './lock.mjs';
import { ensureProgram } from './programs.mjs';
import { DATA, mainly, ROOT, say, start } from './shell.mjs';
import { runTests } from './test-run.mjs';

async function main() {
  let [passed, failed, skipped] = [0, 0, 0];
  const count = (result) => {
    passed += result.passed;
    failed += result.failed;
    skipped += result.skipped;
  };
  let database = null;
  try {
    await withLock(`prepare ${ROOT}`, 'another run of this folder is installing; waiting for it', ensurePackages);
    const programs = await ensurePostgres();
    const chromium = await ensureChromium();
    count(await runChecks());
    await withLock(`prepare ${ROOT}`, 'another run of this folder is building; waiting for it', ensureClient);
    database = await startDatabase(programs, 'test-database', { durable: false });
    const program = await ensureProgram('server');
    mkdirSync(DATA, { recursive: true });
    const env = {
      ...process.env,
      LINTREL_TEST_DATABASE: database.url,
      LINTREL_WORKER: join(program, 'worker.mjs'),
      CHROMIUM: chromium,
      NODE_ENV: 'test',
    };
    // Pure computation runs in parallel, and so do browsers, each with a server and a database of its own; tests of clocks,
    // ports and processes of the machine run one after the other.
    const parallel = ['--maxWorkers', String(Math.max(2, availableParallelism()))];
    const runs = [
      ['computation', ['--selectProjects', 'core', 'client', ...parallel]],
      ['server', ['--selectProjects', 'server', 'start', '--runInBand']],
      ['browser', ['--selectProjects', 'browser', ...parallel]],
    ];
    for (const [name, args] of runs) count(await runTests(name, [...args, ...process.argv.slice(2)], env, DATA));
  } catch (error) {
    console.error(error.stack ?? String(error));
    failed++;
  } finally {
    await database?.stop();
    console.log(`${passed} passed, ${failed} failed${skipped > 0 ? `, ${skipped} skipped` : ''}`);
  }
  return failed > 0 ? 1 : 0;
}

/** Lint and types in parallel, their output one after the other. */
async function runChecks() {
  const checks = [
    ['lint', 'npx', ['eslint', '.', '--max-warnings', '0']],
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
