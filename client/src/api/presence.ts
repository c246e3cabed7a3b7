import type { Presence } from '@lintrel/core/front';
import { useEffect, useSyncExternalStore } from 'react';
import { clock } from '@/api/clock';
import { request } from '@/api/http';
import { deviceName } from '@/device/deviceName';

/** Interval of presence messages, and how long one is valid, ms. */
const SAY_EVERY_MS = 15_000;
const THERE_FOR_MS = 40_000;

/** A device at a step of a job, with the time of its last message. */
interface Seen extends Presence {
  readonly at: number;
}

let seen: readonly Seen[] = [];
const listeners = new Set<() => void>();

/** Handles a presence message; a device is at one step at a time. */
export function onPresence(here: Presence, atMs = clock.now()): void {
  seen = [...seen.filter(({ device }) => device !== here.device), { ...here, at: atMs }];
  listeners.forEach((changed) => changed());
}

const subscribe = (changed: () => void) => {
  listeners.add(changed);
  return () => void listeners.delete(changed);
};

/** Others who are at the same step of a job now. */
export const othersAt = (
  all: readonly Seen[],
  job: string,
  step: string | null,
  ownDevice: string,
  now: number,
): Presence[] =>
  all.filter(
    (other) => other.job === job && other.step === step && other.device !== ownDevice && now - other.at < THERE_FOR_MS,
  );

/** Announces the step of this device while the page is visible, and returns the other devices there. */
export function usePresence(job: string, step: string | null, now: number): readonly Presence[] {
  const all = useSyncExternalStore(subscribe, () => seen);
  const ownDevice = deviceName();
  useEffect(() => {
    if (step === null) return;
    const say = () => {
      if (document.visibilityState === 'visible')
        void request('POST', `/jobs/${job}/here`, null, { step, device: ownDevice }).catch(() => undefined);
    };
    say();
    const timer = setInterval(say, SAY_EVERY_MS);
    return () => clearInterval(timer);
  }, [job, step, ownDevice]);
  return othersAt(all, job, step, ownDevice, now);
}
