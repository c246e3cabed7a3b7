import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';

/** What of the browser the service worker is installed with. */
type Worker = Pick<ServiceWorkerRegistration, 'waiting' | 'installing' | 'update' | 'addEventListener'>;

/** So long after the first page the files of the program are put by, ms: the page itself goes first. */
const AFTER_MS = 6_000;
/** How often a newer build is asked for, ms. */
const LOOK_EVERY_MS = 30 * 60_000;

/** A newer build that lies ready; taken only when a person says so. */
export interface Update {
  readonly take: () => void;
}

/**
 * Keeps the program on this device, so that it opens with no connection; over plain HTTP browsers do not allow it.
 * @returns a newer build as soon as it lies ready; null: there is none
 */
export function useInstalled(): Update | null {
  const client = useQueryClient();
  const [waiting, setWaiting] = useState<ServiceWorker | null>(null);
  useEffect(() => {
    if (!('serviceWorker' in navigator) || !window.isSecureContext) return;
    let looking: ReturnType<typeof setInterval> | undefined;
    // What was asked for before it was there is asked for once more by way of it, and so is at hand without a connection.
    const fresh = !navigator.serviceWorker.controller;
    const again = () => void client.invalidateQueries();
    if (fresh) navigator.serviceWorker.addEventListener('controllerchange', again, { once: true });
    const timer = setTimeout(() => {
      navigator.serviceWorker.register('/sw.js').then(
        (registration) => {
          watch(registration, setWaiting);
          looking = setInterval(() => void registration.update().catch(() => undefined), LOOK_EVERY_MS);
        },
        // Without it everything works as before, as long as there is a connection.
        () => undefined,
      );
    }, AFTER_MS);
    return () => {
      navigator.serviceWorker.removeEventListener('controllerchange', again);
      clearTimeout(timer);
      clearInterval(looking);
    };
  }, [client]);
  return waiting && { take: () => takeOver(waiting) };
}

/** Tells of a build that waits beside the one in use. */
function watch(registration: Worker, onWorker: (worker: ServiceWorker) => void): void {
  const look = () => {
    if (registration.waiting && navigator.serviceWorker.controller) onWorker(registration.waiting);
  };
  look();
  registration.addEventListener('updatefound', () => registration.installing?.addEventListener('statechange', look));
}

function takeOver(worker: ServiceWorker): void {
  navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), { once: true });
  worker.postMessage('take-over');
}
