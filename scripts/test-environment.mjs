// The environment of tests that run in Node: it closes what a test file has opened and not closed, also where its beforeAll failed.
import nodeEnvironment from 'jest-environment-node';
import { CLOSE_MS } from './test-limits.mjs';

const { TestEnvironment } = nodeEnvironment;

export default class ClosingEnvironment extends TestEnvironment {
  async teardown() {
    const closeAll = this.global.lintrelCloseOpened;
    let timer;
    const tooLong = new Promise((done) => (timer = setTimeout(done, CLOSE_MS)));
    if (closeAll) await Promise.race([closeAll(), tooLong]);
    clearTimeout(timer);
    await super.teardown();
  }
}
