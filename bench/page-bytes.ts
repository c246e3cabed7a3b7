import { makeDatabase, PHONE, startBrowser, startServer } from '../e2e/harness';

/** What the list of jobs takes on a phone that has never seen it. */
export interface PageBytes {
  /** Everything that comes over the wire, MB. */
  readonly allMb: number;
  readonly scriptsMb: number;
  readonly fontsMb: number;
  /** Until the first thing is painted, ms. */
  readonly firstPaintMs: number;
}

/** Opens the list of jobs with an empty cache, and adds up what was transferred. */
export async function pageBytes(): Promise<PageBytes> {
  const database = await makeDatabase();
  const server = await startServer(database.url);
  const browser = await startBrowser();
  try {
    const { page } = await browser.open(server.url, PHONE);
    await page.waitForSelector('[data-testid=job]', { timeout: 30_000 });
    await new Promise((resolve) => setTimeout(resolve, 2000));
    const { entries, firstPaintMs } = await page.evaluate(() => ({
      entries: [...performance.getEntriesByType('navigation'), ...performance.getEntriesByType('resource')].map(
        (entry) => ({
          name: entry.name,
          bytes: (entry as PerformanceResourceTiming).transferSize,
        }),
      ),
      firstPaintMs: performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? NaN,
    }));
    const mb = (ending: RegExp) =>
      entries.reduce((sum, { name, bytes }) => (ending.test(name) ? sum + bytes : sum), 0) / 1e6;
    return { allMb: mb(/./), scriptsMb: mb(/\.js$/), fontsMb: mb(/\.ttf$/), firstPaintMs };
  } finally {
    await browser.close();
    await server.stop();
    await database.drop();
  }
}
