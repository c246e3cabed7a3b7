// Time limits of the tests, in one place: they end what hangs, and are wide enough for a slow machine that does other things besides.

/** Maximum time of one test or hook of core, client and server, ms. */
export const TEST_MS = 180_000;
/** The same where a test drives a browser or starts the whole of Lintrel, ms. */
export const LONG_TEST_MS = 600_000;
/** Maximum time a test waits for something to appear, ms. */
export const WAIT_MS = 180_000;
/** Maximum time between two tests that end, ms; then the run is ended and counts as failed. */
export const SILENT_RUN_MS = 10 * 60_000;
/** Maximum time a run may take to exit after its last test, ms: after that something it opened was left open. */
export const EXIT_MS = 60_000;
/** Maximum time to close what a test file has left open, ms. */
export const CLOSE_MS = 30_000;
/** True in `npm run soak`: random and exhaustive tests run in full. */
export const SOAK = process.env.LINTREL_SOAK === '1';
/**
 * How many random cases a test tries: a small fixed set in `npm test`, all of them in `npm run soak`.
 * @template T
 * @param {T} quick in `npm test`
 * @param {T} full in `npm run soak`
 */
export const depth = (quick, full) => (SOAK ? full : quick);
