import { FRAME_MS } from './frame';
import { makeDatabase, startBrowser, startServer, WIDE } from '../e2e/harness';

/** Longest time the interface thread was busy in one go while a point was dragged, ms, at a CPU slowed down so many times. */
export async function longestTaskWhileDragging(slowDowns: readonly number[]): Promise<number[]> {
  const database = await makeDatabase();
  const server = await startServer(database.url);
  const browser = await startBrowser();
  try {
    const { jobs } = (await (await fetch(`${server.url}/api/jobs`)).json()) as { jobs: { id: string; title: string }[] };
    const id = jobs.find(({ title }) => title === 'Juniper')?.id;
    const found: number[] = [];
    for (const slowDown of slowDowns) found.push(await dragOnce(`${server.url}/job/${id}/lines`, slowDown, browser));
    return found;
  } finally {
    await browser.close();
    await server.stop();
    await database.drop();
  }
}

async function dragOnce(url: string, slowDown: number, browser: Awaited<ReturnType<typeof startBrowser>>): Promise<number> {
  const { page } = await browser.open(url, WIDE);
  await page.waitForSelector('[data-testid=line]', { timeout: 30_000 });
  await (await page.$('[data-testid=line]'))?.click();
  const handle = await page.waitForSelector('[data-testid="handle-points.2"]', { timeout: 20_000 });
  await new Promise((resolve) => setTimeout(resolve, 1500));
  const box = await handle?.boundingBox();
  const [x, y] = [(box?.x ?? 0) + 7, (box?.y ?? 0) + 7];
  await page.emulateCPUThrottling(slowDown);
  await page.mouse.move(x, y);
  await page.mouse.down();
  // A beat that comes back as soon as the thread is free: its longest gap is the longest task.
  await page.evaluate(() => {
    const beat = { longest: 0, last: performance.now(), on: true };
    (window as unknown as { beat: typeof beat }).beat = beat;
    const channel = new MessageChannel();
    channel.port1.onmessage = () => {
      const now = performance.now();
      beat.longest = Math.max(beat.longest, now - beat.last);
      beat.last = now;
      if (beat.on) channel.port2.postMessage(0);
    };
    channel.port2.postMessage(0);
  });
  for (let step = 1; step <= 60; step++) {
    await page.mouse.move(x + step, y + 25 * Math.sin(step / 8));
    await new Promise((resolve) => setTimeout(resolve, FRAME_MS));
  }
  const longest = await page.evaluate(() => {
    const { beat } = window as unknown as { beat: { longest: number; on: boolean } };
    beat.on = false;
    return beat.longest;
  });
  await page.mouse.up();
  await page.close();
  return longest;
}
