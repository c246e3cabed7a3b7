/** Smaller deviations are ignored: an answer takes time, and dates have whole seconds. */
const RIGHT_MS = 60_000;

/** The time in the shop: the server's, where the clock of this device is known to be wrong. */
export interface ShopClock {
  /** ms since 1970. */
  readonly now: () => number;
  /** How far this device is ahead of the shop, ms; 0: it is right, as far as is known. */
  readonly aheadMs: () => number;
  /** Takes the server's time from the date of an answer. */
  readonly hear: (date: string | null) => void;
}

/** @param device the clock of the device, ms since 1970 */
export function createClock(device: () => number): ShopClock {
  let ahead = 0;
  return {
    now: () => device() - ahead,
    aheadMs: () => ahead,
    hear: (date) => {
      const serverMs = Date.parse(date ?? '');
      if (Number.isNaN(serverMs)) return;
      const driftMs = device() - serverMs;
      ahead = Math.abs(driftMs) < RIGHT_MS ? 0 : driftMs;
    },
  };
}

/** The clock of this page. */
export const clock = createClock(Date.now);
