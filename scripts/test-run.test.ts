import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

// Runs of the test runner that go wrong, each as a process of its own.

const ROOT = join(__dirname, '..');
const folder = mkdtempSync(join(tmpdir(), 'lintrel-run-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Runs one made-up test file; returns what was counted and printed, and processes of it that are left. */
function run(name: string, test: string, limits = { silentMs: 30_000, exitMs: 20_000 }) {
  const home = mkdtempSync(join(folder, `${name}-`));
  writeFileSync(join(home, 'one.test.js'), test);
  const config = { rootDir: home, testEnvironment: join(ROOT, 'scripts/test-environment.mjs'), testTimeout: 600_000 };
  writeFileSync(join(home, 'jest.config.json'), JSON.stringify(config));
  const call = `import { runTests } from './scripts/test-run.mjs';
    const args = ['--config', ${JSON.stringify(join(home, 'jest.config.json'))}, '--runInBand'];
    console.log('COUNTED ' + JSON.stringify(await runTests('${name}', args, process.env, ${JSON.stringify(home)}, ${JSON.stringify(limits)})));`;
  const { stdout } = spawnSync(process.execPath, ['--input-type=module', '-e', call], { cwd: ROOT, encoding: 'utf8' });
  const left = spawnSync('pgrep', ['-f', home], { encoding: 'utf8' }).stdout.trim();
  return { counted: JSON.parse(/^COUNTED (.*)$/m.exec(stdout)?.[1] ?? 'null') as unknown, stdout, left };
}

it('counts what passed, failed and was skipped, and prints each test', () => {
  const { counted, stdout } = run('plain', `it('a', () => {}); it('b', () => expect(1).toBe(2)); it.todo('c');`);
  expect(counted).toMatchObject({ passed: 1, failed: 1, skipped: 1 });
  expect(stdout).toMatch(/^ok {3}.*one\.test\.js: a/m);
  expect(stdout).toMatch(/^FAIL .*one\.test\.js: b/m);
  // Told again at the end, with why.
  const { failures } = counted as { failures: readonly string[] };
  expect(failures).toHaveLength(1);
  expect(failures[0]).toMatch(/^FAIL .*one\.test\.js: b\n[^]*Expected: .*2/);
});
it('counts a file that cannot be loaded as failed', () => {
  expect(run('broken', 'this is no program').counted).toMatchObject({ passed: 0, failed: 1, skipped: 0 });
});
it('ends a run in which no test ends any more, counts it as failed, and keeps what was counted before', () => {
  const { counted, stdout, left } = run(
    'hangs',
    `it('a', () => {}); it('b', () => new Promise(() => setInterval(() => {}, 1000)));`,
  );
  expect(counted).toMatchObject({ passed: 1, failed: 1, skipped: 0 });
  expect(stdout).toMatch(/FAIL the hangs tests: the run was ended: no test has ended/);
  expect(left).toBe('');
});
it('ends a run that does not exit, with the processes it has started', () => {
  const { counted, stdout, left } = run(
    'open',
    `it('a', () => void require('child_process').spawn('tail', ['-f', __filename]));`,
  );
  expect(counted).toMatchObject({ passed: 1, failed: 1, skipped: 0 });
  expect(stdout).toMatch(/FAIL the open tests: the run did not exit/);
  expect(left).toBe('');
});
it('closes what a file has opened also where its beforeAll failed', () => {
  const opening = `require(${JSON.stringify(join(ROOT, 'node_modules/tsx/dist/cjs/index.cjs'))});
    const { opened } = require(${JSON.stringify(join(ROOT, 'e2e/opened.ts'))});
    const child = () => require('child_process').spawn('tail', ['-f', __filename]);
    beforeAll(async () => {
      await opened(child, async (one) => one.kill());
      throw new Error('no database');
    });
    it('a', () => {});`;
  const { counted, left } = run('before', opening);
  expect(counted).toMatchObject({ passed: 0, failed: 1, skipped: 0 });
  expect(left).toBe('');
});
