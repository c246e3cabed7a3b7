import { WAIT_MS } from '../scripts/test-limits.mjs';

/** Interval of looks, ms. */
const LOOK_MS = 50;

/**
 * Waits until something holds, and returns it.
 * @param what name in the message where it never does
 * @param look returns what is waited for; false or null: not yet
 * @throws where it does not hold within the time limit
 */
export async function until<T>(
  what: string,
  look: () => Promise<T | null | false> | T | null | false,
  withinMs: number = WAIT_MS,
): Promise<T> {
  for (
    const since = Date.now();
    Date.now() - since < withinMs;
    await new Promise((again) => setTimeout(again, LOOK_MS))
  ) {
    const found = await look();
    if (found) return found;
  }
  throw new Error(`waited for ${what}`);
}
