import { LONG_TEST_MS } from './test-limits.mjs';

jest.setTimeout(LONG_TEST_MS);
