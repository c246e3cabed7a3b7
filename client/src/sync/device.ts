import { entryResultsSchema, type LogEvent } from '@lintrel/core/front';
import { clock } from '@/api/clock';
import { request } from '@/api/http';
import { hands } from './deviceHolder';
import { createOutbox } from './outbox';
import { openStore } from './store';

// The one store and the one outbox of this page.

export const store = openStore();

/** Pages of this device notify each other of changes. */
const others = openChannel();

/** Null where the browser has none, or refuses it. */
function openChannel(): BroadcastChannel | null {
  try {
    return new BroadcastChannel('lintrel.sync');
  } catch {
    return null;
  }
}

/** Does something later; returns how to leave it. */
export const later = (work: () => void, ms: number) => {
  const timer = setTimeout(work, ms);
  return () => clearTimeout(timer);
};

export const outbox = createOutbox({
  store,
  send: (job, entries: readonly LogEvent[], authors) =>
    request('POST', `/jobs/${job}/log`, entryResultsSchema, {
      entries,
      ...(Object.keys(authors).length > 0 ? { authors } : {}),
    }),
  hands,
  sendPhoto: (job, id, photo) => request('PUT', `/jobs/${job}/photos/${id}`, null, photo),
  later,
  now: clock.now,
  tellOthers: () => others?.postMessage('changed'),
});

/** Calls back when another page of this device has changed something; returns how to end that. */
export function onOthers(changed: () => void): () => void {
  others?.addEventListener('message', changed);
  return () => others?.removeEventListener('message', changed);
}
