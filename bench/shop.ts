import { randomUUID } from 'node:crypto';
import { Agent, get, type IncomingMessage } from 'node:http';
import type { JobSummary } from '@lintrel/core';
import pg from 'pg';
import { makeDatabase, startServer } from '../e2e/harness';
import { median } from './planning';

/** A figure, what it is held against, in what, and the aim for the one over the other. */
export type ShopFigure = readonly [name: string, measured: number, against: number, unit: string, aim: number];

/** Number of listening phones, and of entries. */
const LISTENERS = 200;
const HEARD = 30;
const MANY_JOBS = 5000;

/** Load of a shop on its server: one job, the first page of the list, and the delay of events. */
export async function shopFigures(): Promise<ShopFigure[]> {
  const database = await makeDatabase();
  const server = await startServer(database.url);
  const pool = new pg.Pool({ connectionString: database.url, max: 2 });
  const agent = new Agent({ keepAlive: true });
  try {
    const ask = (path: string) => body(`${server.url}/api${path}`, agent);
    const { jobs } = JSON.parse(await ask('/jobs')) as { jobs: JobSummary[] };
    const id = jobs.find(({ title }) => title === 'Juniper')!.id;
    const [read, row] = await sideBySide(
      600,
      async () => JSON.parse(await ask(`/jobs/${id}`)) as unknown,
      () => pool.query('SELECT id, revision, design, updated_at FROM jobs WHERE id = $1', [id]),
    );
    const few = await time(200, () => ask('/jobs'));
    await pool.query(
      `INSERT INTO jobs (title, kind, revision, design, progress, updated_at)
       SELECT title || ' ' || n, kind, 1, design, progress, now() - n * interval '1 minute' FROM jobs, generate_series(1, $1) AS n WHERE id = $2`,
      [MANY_JOBS, id],
    );
    await pool.query('ANALYZE jobs');
    const many = await time(200, () => ask('/jobs'));
    return [
      ['API read of a job ÷ the same row through pg', read, row, 'ms', 2.6],
      [
        `first page of the list with ${MANY_JOBS} jobs ÷ with ${jobs.length} (fifty against ${jobs.length} rows)`,
        many,
        few,
        'ms',
        2,
      ],
      ...(await listening(server.url, database.url, id, pool)),
    ];
  } finally {
    agent.destroy();
    await pool.end();
    await server.stop();
    await database.drop();
  }
}

/** Delay until pages receive an entry, against a bare listener on the database. */
async function listening(url: string, database: string, job: string, pool: pg.Pool): Promise<ShopFigure[]> {
  const heard: { at: number; seq: number }[] = [];
  const pages = await Promise.all(
    Array.from({ length: LISTENERS }, () =>
      listen(`${url}/api/live`, (seq) => heard.push({ at: performance.now(), seq })),
    ),
  );
  const bare = new pg.Client(database);
  await bare.connect();
  const direct: number[] = [];
  let received = 0;
  bare.on('notification', () => direct.push(performance.now() - received));
  await bare.query('LISTEN bench');
  const delays: number[] = [];
  let delivered = 0;
  for (let count = 0; count < HEARD; count++) {
    received = performance.now();
    await pool.query("SELECT pg_notify('bench', '')");
    await pause(20);
    heard.length = 0;
    const entry = { id: randomUUID(), version: 2, at: new Date().toISOString(), kind: 'note', step: null, note: '' };
    const answer = await fetch(`${url}/api/jobs/${job}/log`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ entries: [entry] }),
    });
    const kept = performance.now();
    if (!answer.ok) throw new Error(`the log answered ${answer.status}`);
    await pause(150);
    const log = heard.filter(({ seq }) => seq === Math.max(...heard.map((event) => event.seq)));
    delivered += log.length;
    // A page may receive it before the sender gets its answer.
    delays.push(median(log.map(({ at }) => Math.max(0, at - kept))));
  }
  pages.forEach((page) => page.destroy());
  await bare.end();
  return [
    [`${LISTENERS} listeners: delivered ÷ sent`, delivered, LISTENERS * HEARD, 'told', 1],
    [`${LISTENERS} listeners: median delay after the answer ÷ a bare NOTIFY`, median(delays), median(direct), 'ms', 5],
  ];
}

/** Listens to changes of the log; called with the number of each. */
const listen = (url: string, heard: (seq: number) => void): Promise<IncomingMessage> =>
  new Promise((done, fail) => {
    get(url, (answer) => {
      let text = '';
      answer.on('error', () => undefined);
      answer.on('data', (chunk: Buffer) => {
        text += chunk.toString();
        const whole = text.split('\n\n');
        text = whole.pop() ?? '';
        for (const line of whole) if (line.includes('"kind":"log"')) heard(Number(/"seq":(\d+)/.exec(line)?.[1]));
      });
      done(answer);
    }).on('error', fail);
  });

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

/** Body of an answer, over a connection that stays open. */
const body = (url: string, agent: Agent) =>
  new Promise<string>((resolve, reject) => {
    get(url, { agent }, (answer) => {
      let text = '';
      answer.on('data', (chunk) => (text += chunk)).on('end', () => resolve(text));
    }).on('error', reject);
  });

/** Median times of works done in turn, ms, after a warm-up of as many turns: what else the machine does then meets all of them alike. */
async function sideBySide<T extends readonly (() => Promise<unknown>)[]>(
  turns: number,
  ...works: T
): Promise<{ [K in keyof T]: number }> {
  const times = works.map((): number[] => []);
  for (let turn = -turns; turn < turns; turn++)
    for (const [at, work] of works.entries()) {
      const from = performance.now();
      await work();
      if (turn >= 0) times[at]!.push(performance.now() - from);
    }
  return times.map(median) as { [K in keyof T]: number };
}

const time = async (turns: number, work: () => Promise<unknown>): Promise<number> => (await sideBySide(turns, work))[0];

if (process.argv[1]?.endsWith('shop.ts'))
  console.log(
    (await shopFigures())
      .map(([name, a, b, unit]) => `${name}: ${(a / b).toFixed(2)} (${a.toFixed(2)} / ${b.toFixed(2)} ${unit})`)
      .join('\n'),
  );
