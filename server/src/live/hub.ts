import type { Change, Presence } from '@lintrel/core';
import pg from 'pg';

/** Listens to the database for all pages of this server, over one connection of its own. */
export interface Hub {
  /** Resolves when changes are received, or the database could not be reached: it is connected to as soon as it is back. */
  ready(): Promise<void>;
  /** Sends every change from now on to a listener. Returns the function that ends it. */
  subscribe(listener: HubListener): () => void;
  /** Number of listeners; with a person, only theirs. */
  listeners(person?: string): number;
  /** Ends all listeners and the connection. */
  close(): Promise<void>;
}

/** Notification of the database that a sign-in has ended. */
type SessionEnded = { readonly kind: 'session-ended'; readonly session: string };

/** An event: a change, or the presence of a device. */
export type HubEvent = Change | ({ readonly kind: 'here' } & Presence);

/** A connected page. */
interface HubListener {
  /** Null: some may have been missed. */
  readonly heard: (event: HubEvent | null) => void;
  readonly ended: () => void;
  /** Its person and sign-in; when that ends, the listener is ended. Null without sign-in. */
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
