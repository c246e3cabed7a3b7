import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { depth } from '../scripts/test-limits.mjs';
import { attacks } from './attacks';
import { makeDatabase, startServer } from './harness';
import { closeOpened } from './opened';

// A few of each attack on a real server beyond this machine; LINTREL_ATTACKS says how many.

const COUNT = Number(process.env.LINTREL_ATTACKS ?? depth(4, 12));
/** Time limits of headers are looked at every three seconds, and are fifteen. */
const OPEN_MS = 45_000;

afterAll(closeOpened);

it(`${COUNT} of each attack are held off`, async () => {
  const database = await makeDatabase();
  const env = { HOST: '0.0.0.0', LINTREL_CERTIFICATES: mkdtempSync(join(tmpdir(), 'lintrel-attacked-')) };
  const server = await startServer(database.url, { demo: false, env });
  const found = await attacks({
    port: Number(new URL(server.url).port),
    database: database.url,
    count: COUNT,
    openMs: OPEN_MS,
  });
  console.log(JSON.stringify(found));
  expect(found.filter(({ held }) => !held)).toEqual([]);
});
