import type { Response } from 'express';
import { changesAfter, newestChange } from '../db/changes';
import type { HubEvent } from '../live/hub';
import { type Route, route } from './route';

/** Interval of heartbeat lines, which keep proxies from closing the connection. */
const HEARTBEAT_MS = 20_000;
/** Maximum number of pages that listen to one server, and of one person's: each holds a connection. */
const MAX_LISTENERS = 500;
const MAX_LISTENERS_OF_ONE = 20;

/**
 * /api/live: changes as server-sent events. A returning page sends the number of the last change it received and
 * gets what it missed, or `resync` if it has to reload everything. A change may be sent twice.
 */
export const liveRoutes: readonly Route[] = [
  route({
    method: 'GET',
    path: '/live',
    right: 'look',
    answer: 'own',
    async work({ db, shop, person, session, request, query, response }) {
      const { hub } = shop;
      const full =
        hub.listeners() >= MAX_LISTENERS || (person !== null && hub.listeners(person.id) >= MAX_LISTENERS_OF_ONE);
      if (full) return void response.status(503).set('Retry-After', '30').end();
      const last = Number(request.get('last-event-id') ?? query.after ?? NaN);
      // Subscribed before missed changes are read, so that none is lost in between.
      const waiting: (HubEvent | null)[] = [];
      let ready = false;
      const unsubscribe = hub.subscribe({
        heard: (event) => void (ready ? tell(response, event) : waiting.push(event)),
        ended: () => response.end(),
        person: person?.id ?? null,
        session,
      });
      const beat = setInterval(() => response.headersSent && response.write(':\n\n'), HEARTBEAT_MS);
      response.on('close', () => {
        clearInterval(beat);
        unsubscribe();
      });
      await hub.ready();
      if (response.destroyed) return;
      response.set({
        'Content-Type': 'text/event-stream',
        'Cache-Control': 'no-store, no-transform',
        'X-Accel-Buffering': 'no',
      });
      response.flushHeaders();
      // The page learns its position even before anything has changed.
      const here = Number.isSafeInteger(last) ? null : await newestChange(db).catch(() => null);
      if (here !== null) response.write(`id: ${here}\nevent: here\ndata: {}\n\n`);
      const missed = Number.isSafeInteger(last) ? await changesAfter(db, last).catch(() => null) : [];
      if (missed === null) tell(response, null);
      else for (const change of missed) tell(response, change);
      for (const change of waiting) tell(response, change);
      ready = true;
      response.write(':\n\n');
    },
  }),
];

const RESYNC = 'event: resync\ndata: {}\n\n';

function tell(response: Response, event: HubEvent | null): void {
  if (!response.writableEnded) response.write(event === null ? RESYNC : written(event));
}

/** An event is serialized once for all pages. */
const lines = new WeakMap<HubEvent, Buffer>();

function written(event: HubEvent): Buffer {
  const known = lines.get(event);
  if (known) return known;
  const line = Buffer.from(
    `${event.kind === 'here' ? 'event: at' : `id: ${event.seq}`}\ndata: ${JSON.stringify(event)}\n\n`,
  );
  lines.set(event, line);
  return line;
}
