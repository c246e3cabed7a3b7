// One run of the test runner, watched: it always ends, and what was counted until then counts.
import { existsSync, readFileSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { endGroup, pause, ROOT, say, start } from './shell.mjs';
import { EXIT_MS, SILENT_RUN_MS } from './test-limits.mjs';

/** Interval of checks of the results file, ms. */
const LOOK_MS = 1_000;
/** Maximum number of lines of a failure's message repeated at the end, and their maximum length. */
const FAILURE_LINES = 20;
const FAILURE_WIDTH = 300;

/**
 * Runs some of the tests; a run that hangs, or does not exit after its last test, is ended and counts as failed.
 * @param name name in the output
 * @param args arguments of the test runner
 * @param folder folder of its results
 * @returns numbers of passed, failed and skipped tests; by folder the number of tests and the time in them; and what
 *   failed, as text for the end of the output
 */
export async function runTests(
  name,
  args,
  env,
  folder,
  { silentMs, exitMs } = { silentMs: SILENT_RUN_MS, exitMs: EXIT_MS },
) {
  const results = join(folder, `test-results-${name}.jsonl`);
  rmSync(results, { force: true });
  const jest = [
    join(ROOT, 'node_modules/jest/bin/jest.js'),
    ...args,
    '--reporters',
    join(ROOT, 'scripts/test-reporter.mjs'),
  ];
  const since = Date.now();
  const { child, ended } = start(process.execPath, jest, {
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...env, LINTREL_TEST_RESULTS: results },
    group: true,
  });
  let code = null;
  void ended.then((exit) => (code = exit));
  let why = null;
  while (code === null && why === null) {
    await pause(LOOK_MS);
    const lastMs = Date.now() - (existsSync(results) ? statSync(results).mtimeMs : since);
    if (hasEnded(results) && lastMs > exitMs)
      why = `did not exit within ${exitMs / 1000} s after its last test: something it opened is still open`;
    else if (lastMs > silentMs) why = `was ended: no test has ended for ${silentMs / 60_000} min`;
  }
  if (why !== null) {
    endGroup(child);
    await ended;
  } else if (!hasEnded(results)) why = `ended with ${code} before its last test`;
  const runFailure = why === null ? [] : [`FAIL the ${name} tests: the run ${why}`];
  runFailure.forEach(say);
  const counted = resultsIn(results);
  const found = (status) => counted.filter((one) => one.status === status).length;
  const failures = [...counted.filter(({ status }) => status === 'failed').map(failureText), ...runFailure];
  const failed = failures.length;
  // An exit code other than 0 with nothing failed: the runner itself had something to complain about.
  return {
    passed: found('passed'),
    failed: failed === 0 && code !== 0 ? 1 : failed,
    skipped: found('pending') + found('todo'),
    folders: byFolder(counted),
    failures,
  };
}

/** A failed test with the beginning of its message, where the end of a long output is all that is kept. */
function failureText({ file, name, message }) {
  const lines = (message ?? '').split('\n').slice(0, FAILURE_LINES);
  return [
    `FAIL ${file}: ${name ?? 'the file itself'}`,
    ...lines.map((line) => `    ${line.slice(0, FAILURE_WIDTH)}`),
  ].join('\n');
}

/** Number of tests and seconds in them, by the first folder of their path. */
function byFolder(results) {
  const folders = {};
  for (const { file, name, ms } of results) {
    if (name === undefined) continue;
    const folder = file.split('/')[0];
    const { tests, seconds } = folders[folder] ?? { tests: 0, seconds: 0 };
    folders[folder] = { tests: tests + 1, seconds: seconds + ms / 1000 };
  }
  return folders;
}

const resultsIn = (file) =>
  existsSync(file)
    ? readFileSync(file, 'utf8')
        .split('\n')
        .filter((line) => line.endsWith('}'))
        .map((line) => JSON.parse(line))
    : [];

const hasEnded = (file) => existsSync(file) && readFileSync(file, 'utf8').includes('"status":"run-ended"');
