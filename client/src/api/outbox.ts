import { logEventSchema, type LogEvent, type RunRecord } from '@lintrel/core/front';
import * as v from 'valibot';
import { RequestError } from './http';
import { runRequest } from './runs';

/** An entry of a run sheet that the server has not confirmed yet. */
export interface Pending {
  readonly job: string;
  readonly event: LogEvent;
  /** Place in line on this device. */
  readonly turn: number;
  /** Why the server does not take it, in its words; null while it waits to be sent. */
  readonly refused: string | null;
}

/** What stands on the device, and how the sending goes. */
export interface OutboxState {
  readonly pending: readonly Pending[];
  /** Jobs whose first entry was tried without reaching the server. */
  readonly offline: ReadonlySet<string>;
  /** True where the device has no room: what was entered lives on this page alone. */
  readonly unkept: boolean;
}

/** What the outbox needs of the device. */
export interface OutboxDevice {
  readonly storage: Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;
  readonly send: (job: string, event: LogEvent) => Promise<RunRecord>;
  readonly later: (work: () => void, ms: number) => void;
}

/** Entries wait on the disk of the device until the server has confirmed each: no reload and no flat battery loses one. */
export interface Outbox {
  add(job: string, event: LogEvent): void;
  /** Sends one again that was refused. */
  again(id: string): void;
  /** Forgets one that was refused: a person has seen it and said so. */
  drop(id: string): void;
  /** Tries at once what is waiting. */
  sendNow(): void;
  /** Reads what another page of this device has added or sent. */
  reread(): void;
  state(): OutboxState;
  /** Calls back whenever something changes; returns how to end that. */
  subscribe(changed: () => void): () => void;
  /** Called with the record of a job whenever the server has taken an entry. */
  onTaken: (job: string, record: RunRecord) => void;
}

const PREFIX = 'lintrel.entry.';
const pendingSchema = v.object({ job: v.string(), event: logEventSchema, turn: v.number(), refused: v.nullable(v.string()) });

/** The longest wait between two tries, and the first. */
const LONGEST_WAIT_MS = 15_000;
const FIRST_WAIT_MS = 500;

/** Makes the outbox of a device. Each entry has a place of its own in the storage, so that two pages do not overwrite each other. */
export function createOutbox({ storage, send, later }: OutboxDevice): Outbox {
  const listeners = new Set<() => void>();
  const sending = new Set<string>();
  const tries = new Map<string, number>();
  const onlyHere = new Map<string, Pending>();
  let state: OutboxState = { pending: [], offline: new Set(), unkept: false };

  function show(changes: Partial<OutboxState>): void {
    state = { ...state, ...changes };
    listeners.forEach((changed) => changed());
  }
  function readAll(): Pending[] {
    const keys = Array.from({ length: storage.length }, (_, index) => storage.key(index)).filter((key): key is string => key?.startsWith(PREFIX) ?? false);
    const kept = keys.flatMap((key) => readOne(storage.getItem(key)));
    return [...kept, ...onlyHere.values()].sort((a, b) => a.turn - b.turn || (a.event.id < b.event.id ? -1 : 1));
  }
  function keep(pending: Pending): void {
    try {
      storage.setItem(PREFIX + pending.event.id, JSON.stringify(pending));
      onlyHere.delete(pending.event.id);
    } catch {
      onlyHere.set(pending.event.id, pending);
    }
  }
  function forget(id: string): void {
    storage.removeItem(PREFIX + id);
    onlyHere.delete(id);
  }
  const reread = () => show({ pending: readAll(), unkept: onlyHere.size > 0 });
  const online = (job: string, reached: boolean) => {
    const offline = new Set(state.offline);
    if (reached) offline.delete(job);
    else offline.add(job);
    show({ offline });
  };

  async function pump(job: string): Promise<void> {
    if (sending.has(job)) return;
    sending.add(job);
    try {
      for (;;) {
        const next = readAll().find((one) => one.job === job && one.refused === null);
        if (!next) break;
        try {
          outbox.onTaken(job, await send(job, next.event));
          forget(next.event.id);
        } catch (error) {
          if (!(error instanceof RequestError && error.final)) return waitFor(job);
          keep({ ...next, refused: error.message });
        }
        tries.delete(job);
        online(job, true);
        reread();
      }
    } finally {
      sending.delete(job);
    }
  }
  function waitFor(job: string): void {
    const count = tries.get(job) ?? 0;
    tries.set(job, count + 1);
    online(job, false);
    later(() => void pump(job), Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** count));
  }

  const outbox: Outbox = {
    add(job, event) {
      const last = readAll().at(-1)?.turn ?? 0;
      keep({ job, event, turn: Math.max(Date.now(), last + 1), refused: null });
      reread();
      void pump(job);
    },
    again(id) {
      const one = readAll().find(({ event }) => event.id === id);
      if (!one) return;
      keep({ ...one, refused: null });
      reread();
      void pump(one.job);
    },
    drop(id) {
      forget(id);
      reread();
    },
    sendNow: () => new Set(readAll().map(({ job }) => job)).forEach((job) => void pump(job)),
    reread,
    state: () => state,
    subscribe(changed) {
      listeners.add(changed);
      return () => listeners.delete(changed);
    },
    onTaken: () => undefined,
  };
  reread();
  return outbox;
}

function readOne(text: string | null): Pending[] {
  try {
    const read = v.safeParse(pendingSchema, JSON.parse(text ?? 'null'));
    return read.success ? [read.output] : [];
  } catch {
    return [];
  }
}

/** Writes an event into the log of a job. */
export const sendEntry = (job: string, event: LogEvent): Promise<RunRecord> => runRequest('POST', job, 'log', event);
