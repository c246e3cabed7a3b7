import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';

/** What of the browser the service worker is installed with. */
type Worker = Pick<ServiceWorkerRegistration, 'waiting' | 'installing' | 'update' | 'addEventListener'>;

/** Delay after the first page until the files of the program are cached, ms. */
const AFTER_MS = 6_000;
/** Interval of checks for a newer build, ms. */
const LOOK_EVERY_MS = 30 * 60_000;

/** A newer build, activated only on request. */
export interface Update {
  readonly take: () => void;
}

/**
 * Caches the program on this device, for offline use; browsers do not allow it over plain HTTP.
 * @returns a newer build once it is ready, else null
 */
export function useInstalled(): Update | null {
  const client = useQueryClient();
  const [waiting, setWaiting] = useState<ServiceWorker | null>(null);
  useEffect(() => {
    if (!('serviceWorker' in navigator) || !window.isSecureContext) return;
    let looking: ReturnType<typeof setInterval> | undefined;
    // Requests made before the service worker was active are repeated through it, so that their answers are cached.
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

/** Reports a build that waits beside the active one. */
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
