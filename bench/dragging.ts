import { readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { makeDatabase, startBrowser, startServer, WIDE } from '../e2e/harness';
import { FRAME_MS } from './frame';

/**
 * Longest task of the interface thread while a point is dragged, ms of its own CPU time, with the CPU slowed down by
 * each factor.
 */
export async function longestTaskWhileDragging(slowDowns: readonly number[]): Promise<number[]> {
  const database = await makeDatabase();
  const server = await startServer(database.url);
  const browser = await startBrowser();
  try {
    const { jobs } = (await (await fetch(`${server.url}/api/jobs`)).json()) as {
      jobs: { id: string; title: string }[];
    };
    const id = jobs.find(({ title }) => title === 'Juniper')?.id;
    const durationsMs: number[] = [];
    for (const slowDown of slowDowns)
      durationsMs.push(await dragOnce(`${server.url}/job/${id}/lines`, slowDown, browser));
    return durationsMs;
  } finally {
    await browser.close();
    await server.stop();
    await database.drop();
  }
}

async function dragOnce(
  url: string,
  slowDown: number,
  browser: Awaited<ReturnType<typeof startBrowser>>,
): Promise<number> {
  const { page } = await browser.open(url, WIDE);
  await page.waitForSelector('[data-testid=line]', { timeout: 30_000 });
  await (await page.$('[data-testid=line]'))?.click();
  const handle = await page.waitForSelector('[data-testid="handle-points.2"]', { timeout: 20_000 });
  await new Promise((resolve) => setTimeout(resolve, 1500));
  const box = await handle?.boundingBox();
  const [x, y] = [(box?.x ?? 0) + 7, (box?.y ?? 0) + 7];
  const trace = join(tmpdir(), `lintrel-trace-${process.pid}.json`);
  await page.emulateCPUThrottling(slowDown);
  await page.tracing.start({ path: trace, categories: ['toplevel', '__metadata'] });
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let step = 1; step <= 60; step++) {
    await page.mouse.move(x + step, y + 25 * Math.sin(step / 8));
    await new Promise((resolve) => setTimeout(resolve, FRAME_MS));
  }
  await page.tracing.stop();
  await page.mouse.up();
  await page.close();
  const longest = longestTaskIn(JSON.parse(readFileSync(trace, 'utf8')) as Trace);
  rmSync(trace);
  return longest;
}

interface Trace {
  readonly traceEvents: readonly {
    readonly name: string;
    readonly ph: string;
    readonly pid: number;
    readonly tid: number;
    /** Time the thread itself worked, µs. */
    readonly tdur?: number;
    readonly args?: { readonly name?: string };
  }[];
}

/** Longest time one task of an interface thread has worked, ms: what the machine did meanwhile does not count. */
function longestTaskIn({ traceEvents }: Trace): number {
  const threads = new Set(
    traceEvents
      .filter(({ name, args }) => name === 'thread_name' && args?.name === 'CrRendererMain')
      .map(({ pid, tid }) => `${pid}:${tid}`),
  );
  const tasks = traceEvents.filter(({ name, pid, tid }) => name.endsWith('RunTask') && threads.has(`${pid}:${tid}`));
  return Math.max(...tasks.map(({ tdur }) => tdur ?? 0)) / 1000;
}
