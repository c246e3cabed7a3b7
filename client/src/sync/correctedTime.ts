import type { LogEvent } from '@lintrel/core/front';
import type { ShopClock } from '@/api/clock';
import type { Pending } from './store';

/**
 * The time an entry was really made, where the clock of this device was wrong then and the server refused it for that.
 * @returns what is changed in the entry; null where its time is not what is wrong with it
 */
export function correctedTime(
  { event, refused }: Pending,
  clock: Pick<ShopClock, 'now' | 'aheadMs'>,
): Pick<LogEvent, 'at' | 'deviceAt'> | null {
  if (refused?.code !== 'invalid' || clock.aheadMs() === 0 || event.deviceAt !== undefined) return null;
  const date = new Date(Math.min(Date.parse(event.at) - clock.aheadMs(), clock.now()));
  return { at: date.toISOString(), deviceAt: event.at };
}
