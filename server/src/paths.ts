import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

// Where things lie, whether the server runs from its sources or from the one file it was put into.

const OWN = fileURLToPath(import.meta.url);
/** True while it runs from its sources. */
const RUNS_FROM_SOURCES = OWN.endsWith('.ts');
const HERE = dirname(OWN);

/** The checkout. */
export const ROOT = join(HERE, RUNS_FROM_SOURCES ? '../..' : '../../..');
/** The numbered files that make the tables. */
export const MIGRATIONS = join(HERE, RUNS_FROM_SOURCES ? 'db/migrations' : 'migrations');
/** A worker program that was built before; tests, which run the server from its sources, need not compile it in every process. */
const BUILT_WORKER = process.env.LINTREL_WORKER;
/** The program of a worker process, and the options node needs for it. */
export const WORKER_PROCESS =
  RUNS_FROM_SOURCES && BUILT_WORKER === undefined
    ? { file: join(HERE, 'work/worker.ts'), needs: ['--import', 'tsx'] }
    : { file: BUILT_WORKER ?? join(HERE, 'worker.mjs'), needs: [] };
