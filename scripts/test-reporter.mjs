// Prints each test as it ends, and appends it to a file of results, one JSON object a line: what was counted survives a run that is ended.
import { appendFileSync } from 'node:fs';
import { relative } from 'node:path';

const MARKS = { passed: 'ok  ', failed: 'FAIL', pending: 'skip', todo: 'skip', skipped: 'skip', disabled: 'skip' };

export default class LineReporter {
  constructor(globalConfig) {
    this.root = globalConfig.rootDir;
    this.results = process.env.LINTREL_TEST_RESULTS;
  }

  write(result) {
    if (this.results) appendFileSync(this.results, `${JSON.stringify(result)}\n`);
  }

  onTestCaseResult({ path }, { status, fullName, duration, failureMessages = [] }) {
    const file = relative(this.root, path);
    console.log(`${MARKS[status] ?? status} ${file}: ${fullName}${duration ? ` (${duration} ms)` : ''}`);
    const why = status === 'failed' ? { message: failureMessages.join('\n') } : {};
    this.write({ file, name: fullName, status, ms: duration ?? 0, ...why });
  }

  onTestFileResult({ path }, { failureMessage, testExecError, testResults }) {
    const file = relative(this.root, path);
    if (failureMessage) console.log(failureMessage);
    // A file that could not even be loaded has no failed test in it, but failed all the same.
    const broken = (testExecError || failureMessage) && testResults.every(({ status }) => status !== 'failed');
    if (broken) console.log(`FAIL ${file}: the file itself`);
    this.write(broken ? { file, status: 'failed', message: failureMessage ?? '' } : { file, status: 'file-ended' });
  }

  onRunComplete(_contexts, { numTotalTests }) {
    this.write({ status: 'run-ended', tests: numTotalTests });
  }
}
