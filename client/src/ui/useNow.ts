import { useEffect, useState } from 'react';
import { clock } from '@/api/clock';

/** The time in the shop, renewed once a second; ms since 1970. */
export function useNow(everyMs = 1000): number {
  const [now, setNow] = useState(clock.now);
  useEffect(() => {
    const timer = setInterval(() => setNow(clock.now()), everyMs);
    return () => clearInterval(timer);
  }, [everyMs]);
  return now;
}
