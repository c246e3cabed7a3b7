import type pg from 'pg';
import { pino } from 'pino';
import request from 'supertest';
import { makeDatabase, type TestDatabase } from '../../../e2e/harness';
import { opened } from '../../../e2e/opened';
import { LONG_TEST_MS } from '../../../scripts/test-limits.mjs';
import { migrate } from '../db/migrate';
import { openPool } from '../db/pool';
import { createApp } from '../http/app';
import { type Hub, openHub } from '../live/hub';
import { openWorkerPool, type WorkerPool } from '../work/worker-pool';

/** The real server on a real database of its own, for tests. */
export interface TestServer {
  readonly app: ReturnType<typeof createApp>;
  readonly pool: pg.Pool;
  readonly workshop: WorkerPool;
  readonly hub: Hub;
  readonly close: () => Promise<void>;
}

/** What became of an entry: it is kept under a number, or refused, and why. */
export interface Told {
  readonly seq?: number;
  readonly refused?: { readonly code: string; readonly message: string };
}

/** Tells one entry to the log of a job. */
export async function tell({ app }: Pick<TestServer, 'app'>, jobId: string, entry: object): Promise<Told> {
  const { body } = await request(app)
    .post(`/api/jobs/${jobId}/log`)
    .send({ entries: [entry] })
    .expect(201);
  return (body as { entries: Told[] }).entries[0]!;
}

export async function startTestServer({ demo = true, signIn = false, tries = 1000 } = {}): Promise<TestServer> {
  const database: TestDatabase = await makeDatabase(demo ? 'demo' : 'empty');
  const { resource: pool, close: closePool } = await opened(
    () => openPool(database.url),
    (other) => other.end(),
  );
  // A machine that is busy with other tests is no reason to give work up.
  const { resource: workshop, close: closeWorkshop } = await opened(
    () => openWorkerPool({ maxCpuMs: 40_000, maxWallMs: LONG_TEST_MS }),
    (workerPool) => workerPool.close(),
  );
  const { resource: hub, close: closeHub } = await opened(
    () => openHub(database.url),
    (other) => other.close(),
  );
  if (!demo) await migrate(pool);
  return {
    app: createApp({ pool, log: pino({ level: 'silent' }), clientFolder: null, workshop, hub, signIn, tries }),
    pool,
    workshop,
    hub,
    close: async () => {
      await closeWorkshop();
      await closeHub();
      await closePool();
      await database.drop();
    },
  };
}
