import { readFileSync } from 'node:fs';
import type { Job, JobSummary } from '@lintrel/core';
import { hostileRequests } from '../server/src/testing/hostile-requests';
import { makeDatabase, startServer } from './harness';

// Sends hostile requests to a server of its own and tells what memory it takes meanwhile: node --import tsx e2e/hostile.ts REQUESTS
// It ends with 1 where an answer is of class 5xx but 503, or the memory goes on growing.

const requests = Number(process.argv[2] ?? 10_000);
/** Interval of memory readings, requests; the first reading is the level the others are compared with. */
const READ_EVERY = requests / 10;
/** Memory in the end over memory at its level: more is a leak. */
const MOST_GROWTH = 1.15;

const database = await makeDatabase();
const server = await startServer(database.url, { env: { LOG_LEVEL: 'silent' } });
const get = async <T>(path: string): Promise<T> => (await fetch(`${server.url}/api${path}`)).json() as Promise<T>;
const { id } = (await get<{ jobs: JobSummary[] }>('/jobs')).jobs.find(({ title }) => title === 'Saltwort')!;
const job = await get<Job>(`/jobs/${id}`);

/** Memory the server itself takes, MB. */
const memoryMb = () =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.process.pid}/status`, 'utf8'))![1]) / 1024;

const levels: number[] = [];
const answers = new Map<number, number>();
let sent = 0;
while (sent < requests) {
  for (const { route, url, sent: body } of hostileRequests(job, READ_EVERY)) {
    const brings = route.method !== 'GET' && route.method !== 'DELETE';
    const { status } = await fetch(server.url + url, {
      method: route.method,
      headers: { 'content-type': 'application/json' },
      ...(brings ? { body } : {}),
    }).then(async (answer) => {
      await answer.arrayBuffer();
      return answer;
    });
    answers.set(status, (answers.get(status) ?? 0) + 1);
  }
  sent += READ_EVERY;
  levels.push(memoryMb());
  process.stdout.write(`${sent} requests: ${levels.at(-1)!.toFixed(0)} MB\n`);
}
const growth = Math.max(...levels.slice(-3)) / Math.max(...levels.slice(1, 4));
const bad = [...answers].filter(([status]) => status >= 500 && status !== 503);
process.stdout.write(
  `answers ${JSON.stringify(Object.fromEntries([...answers].sort()))}; memory in the end over its level: ${growth.toFixed(2)}\n`,
);
await server.stop();
await database.drop();
process.exitCode = bad.length > 0 || growth > MOST_GROWTH ? 1 : 0;
