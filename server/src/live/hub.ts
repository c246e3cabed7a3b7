import type { Change, Presence } from '@lintrel/core';
import pg from 'pg';

/** Listens to the database for all pages of this server, over one connection of its own. */
export interface Hub {
  /** Done when changes are heard, or the database could not be reached: then they are as soon as it is back. */
  ready(): Promise<void>;
  /** Tells a listener every change from now on. Returns how to end that. */
  subscribe(listener: HubListener): () => void;
  /** How many are told; those of one person alone where one is given. */
  listeners(person?: string): number;
  /** Tells all listeners that it ends, and ends. */
  close(): Promise<void>;
}

/** What the database tells of a sign-in that has ended. */
type SessionEnded = { readonly kind: 'session-ended'; readonly session: string };

/** What is told: a change, or that a device is somewhere. */
export type HubEvent = Change | ({ readonly kind: 'here' } & Presence);

/** Someone who is told what changes. */
interface HubListener {
  /** Null: some may have been missed. */
  readonly heard: (event: HubEvent | null) => void;
  readonly ended: () => void;
  /** Who listens, and the sign-in it hangs on: with its end the listener is ended. Null where nobody signs in. */
  readonly person: string | null;
  readonly session: string | null;
}

/** How long until a lost connection is tried again, at first and at most. */
const FIRST_WAIT_MS = 200;
const LONGEST_WAIT_MS = 5_000;

/** Opens the ear of a server. It is connected from the first listener on, and again whenever the database is back. */
export function openHub(connectionString: string): Hub {
  const listeners = new Set<HubListener>();
  let client: pg.Client | null = null;
  let connecting: Promise<void> = Promise.resolve();
  let timer: NodeJS.Timeout | null = null;
  let waitMs = FIRST_WAIT_MS;
  let closed = false;
  const tell = (event: HubEvent | null) => listeners.forEach(({ heard }) => heard(event));
  const end = (which: (listener: HubListener) => boolean) => {
    for (const listener of [...listeners].filter(which)) {
      listeners.delete(listener);
      listener.ended();
    }
  };
  const receive = (message: HubEvent | SessionEnded | null) =>
    message?.kind === 'session-ended' ? end(({ session }) => session === message.session) : tell(message);

  function lost(gone: pg.Client): void {
    if (client !== gone) return;
    client = null;
    if (closed || listeners.size === 0) return;
    timer = setTimeout(() => begin(true), waitMs);
    waitMs = Math.min(2 * waitMs, LONGEST_WAIT_MS);
  }

  function begin(again: boolean): void {
    if (client || closed) return;
    connecting = connect(again);
  }

  async function connect(again: boolean): Promise<void> {
    const connection = new pg.Client({
      connectionString,
      application_name: 'lintrel-live',
      connectionTimeoutMillis: 3_000,
      keepAlive: true,
    });
    client = connection;
    connection.on('error', () => lost(connection));
    connection.on('end', () => lost(connection));
    connection.on('notification', ({ payload }) =>
      receive(JSON.parse(payload ?? 'null') as HubEvent | SessionEnded | null),
    );
    try {
      await connection.connect();
      await connection.query('LISTEN lintrel');
      waitMs = FIRST_WAIT_MS;
      if (!again) return;
      // What happened while nobody listened is not known here: some sign-ins may have ended. Their pages come back by themselves.
      end(({ session }) => session !== null);
      tell(null);
    } catch {
      void connection.end().catch(() => undefined);
      lost(connection);
    }
  }

  return {
    ready: () => connecting,
    subscribe(listener) {
      listeners.add(listener);
      begin(false);
      return () => void listeners.delete(listener);
    },
    listeners: (person) =>
      person === undefined ? listeners.size : [...listeners].filter((listener) => listener.person === person).length,
    async close() {
      closed = true;
      end(() => true);
      if (timer) clearTimeout(timer);
      const connection = client;
      client = null;
      await connection?.end().catch(() => undefined);
    },
  };
}
