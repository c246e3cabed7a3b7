import { type LogEvent, logEventSchema } from '@lintrel/core/front';
import { type IDBPDatabase, openDB } from 'idb';
import * as v from 'valibot';

/** An entry of a run sheet that the server has not confirmed yet. */
export interface Pending {
  readonly job: string;
  readonly event: LogEvent;
  /** Place in line on this device. */
  readonly turn: number;
  /** Why the server does not take it, by code and in its words; null while it waits to be sent. */
  readonly refused: { readonly code: string; readonly message: string } | null;
  /** Author, with sign-in: it is logged under their name, whoever sends it. */
  readonly by?: { readonly id: string; readonly name: string } | undefined;
  /** Its photo: stored with it, and sent before it. */
  readonly photo?: Blob | undefined;
}

/** Storage of a device: pending entries, and the draft and history of each job. */
export interface SyncStore {
  readonly entries: () => Promise<readonly Pending[]>;
  readonly keepEntry: (pending: Pending) => Promise<void>;
  readonly forgetEntry: (id: string) => Promise<void>;
  readonly read: (kind: JobRecord, job: string) => Promise<unknown>;
  readonly keep: (kind: JobRecord, job: string, record: unknown) => Promise<void>;
  readonly forget: (kind: JobRecord, job: string) => Promise<void>;
  /** Jobs that have a record of a kind. */
  readonly jobsWith: (kind: JobRecord) => Promise<readonly string[]>;
  /** Whether this browser stores anything: not in some private windows, or if it is blocked. */
  readonly keeps: () => Promise<boolean>;
  /** Deletes everything read from the server; pending entries and drafts stay. */
  readonly forgetRead: () => Promise<void>;
}

/** `runs`: the last work sheet and log of a job, for offline use. */
type JobRecord = 'drafts' | 'histories' | 'runs';

const pendingSchema = v.object({
  job: v.string(),
  event: logEventSchema,
  turn: v.number(),
  refused: v.nullable(v.object({ code: v.string(), message: v.string() })),
  by: v.optional(v.object({ id: v.string(), name: v.string() })),
  photo: v.optional(v.blob()),
});

const NAME = 'lintrel';
const VERSION = 1;

/**
 * Opens the IndexedDB of this device. Data are stored when a promise resolves.
 * If the browser refuses, every call rejects, and the page works without.
 * @param earlierOf storage of older versions, migrated once
 */
export function openStore(name = NAME, earlierOf: () => Earlier = () => localStorage): SyncStore {
  // A browser may refuse by an error where it is only named.
  const opened = Promise.resolve().then(async () => {
    const db = await open(name);
    await moveIn(db, earlierOf());
    return db;
  });
  // Every caller gets the error; nobody may call at all.
  opened.catch(() => undefined);
  return {
    entries: async () => {
      const all: unknown[] = await (await opened).getAll('entries');
      return all.flatMap(readPending).sort(byTurn);
    },
    keepEntry: async (pending) => put(await opened, 'entries', pending),
    forgetEntry: async (id) => (await opened).delete('entries', id),
    read: async (kind, job) => (await opened).get(kind, job) as Promise<unknown>,
    keep: async (kind, job, record) => put(await opened, kind, record, job),
    forget: async (kind, job) => (await opened).delete(kind, job),
    jobsWith: async (kind) => (await (await opened).getAllKeys(kind)).map(String),
    keeps: () =>
      opened.then(
        () => true,
        () => false,
      ),
    forgetRead: async () => {
      const db = await opened;
      const waiting = new Set((await db.getAllKeys('drafts')).map(String));
      await db.clear('runs');
      // The history of a pending change is deleted with it.
      for (const job of await db.getAllKeys('histories'))
        if (!waiting.has(String(job))) await db.delete('histories', job);
    },
  };
}

const open = (name: string): Promise<IDBPDatabase> =>
  openDB(name, VERSION, {
    upgrade(db) {
      db.createObjectStore('entries', { keyPath: 'event.id' });
      db.createObjectStore('drafts');
      db.createObjectStore('histories');
      db.createObjectStore('runs');
    },
    // Another page has a newer version of the program: it may upgrade.
    blocking: (_current, _blocked, event) => (event.target as IDBDatabase | null)?.close(),
  });

/** Writes one record, and waits until it is on the disk. */
async function put(db: IDBPDatabase, store: string, record: unknown, key?: string): Promise<void> {
  const turn = db.transaction(store, 'readwrite', { durability: 'strict' });
  await turn.store.put(record, key);
  await turn.done;
}

/** Entries in the order they were made. */
export const byTurn = (a: Pending, b: Pending): number => a.turn - b.turn || (a.event.id < b.event.id ? -1 : 1);

function readPending(data: unknown): Pending[] {
  const read = v.safeParse(pendingSchema, data);
  return read.success ? [read.output] : [];
}

type Earlier = Pick<Storage, 'getItem' | 'removeItem' | 'key' | 'length'>;
const EARLIER_ENTRY = 'lintrel.entry.';
const EARLIER_DRAFT = 'lintrel.draft.';
const EARLIER_HISTORY = 'lintrel.history.';

/** Migrates data stored by an older version of the program. */
async function moveIn(db: IDBPDatabase, earlier: Earlier): Promise<void> {
  const keys = Array.from({ length: earlier.length }, (_, index) => earlier.key(index)).filter(
    (key): key is string => key !== null,
  );
  for (const key of keys) {
    const data = parsed(earlier.getItem(key));
    if (key.startsWith(EARLIER_ENTRY)) {
      const { refused, ...rest } = (data ?? {}) as { refused?: unknown };
      for (const pending of readPending({
        ...rest,
        refused: typeof refused === 'string' ? { code: 'refused', message: refused } : null,
      }))
        await put(db, 'entries', pending);
    } else if (key.startsWith(EARLIER_DRAFT)) {
      if (data !== null) await put(db, 'drafts', data, key.slice(EARLIER_DRAFT.length));
    } else if (!key.startsWith(EARLIER_HISTORY)) continue;
    earlier.removeItem(key);
  }
}

function parsed(text: string | null): unknown {
  try {
    return JSON.parse(text ?? 'null');
  } catch {
    return null;
  }
}
