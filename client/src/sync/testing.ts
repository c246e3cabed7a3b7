import type { EntryResults, LogEvent, StepId } from '@lintrel/core';
import { RequestError } from '@/api/http';
import { createOutbox, type Outbox, type OutboxDevice } from './outbox';
import { byTurn, type Pending, type SyncStore } from './store';

// A device and a shop for tests, controlled by the test.

/** Storage of a device: it outlives the page, and may be full. */
export interface Disk extends SyncStore {
  readonly kept: Map<string, Pending>;
  readonly records: Map<string, unknown>;
  full: boolean;
}

export function newDisk(): Disk {
  const kept = new Map<string, Pending>();
  const records = new Map<string, unknown>();
  const copy = <T>(data: T): T => (data === undefined ? data : (JSON.parse(JSON.stringify(data)) as T));
  // A photo never changes: it need not be copied.
  const copyEntry = ({ photo, ...rest }: Pending): Pending => ({ ...copy(rest), ...(photo ? { photo } : {}) });
  const disk: Disk = {
    kept,
    records,
    full: false,
    entries: async () => [...kept.values()].map(copyEntry).sort(byTurn),
    keepEntry: async (pending) => {
      if (disk.full) throw new Error('QuotaExceededError');
      kept.set(pending.event.id, copyEntry(pending));
    },
    forgetEntry: async (id) => void kept.delete(id),
    read: async (kind, job) => copy(records.get(`${kind} ${job}`)),
    keep: async (kind, job, record) => {
      if (disk.full) throw new Error('QuotaExceededError');
      records.set(`${kind} ${job}`, copy(record));
    },
    forget: async (kind, job) => void records.delete(`${kind} ${job}`),
    keeps: async () => true,
    forgetRead: async () => {
      for (const key of [...records.keys()]) if (key.startsWith('runs ')) records.delete(key);
    },
    jobsWith: async (kind) =>
      [...records.keys()].flatMap((key) => (key.startsWith(`${kind} `) ? [key.slice(kind.length + 1)] : [])),
  };
  return disk;
}

let count = 0;
/** A new entry. */
export const entry = (note = '', instant = '2026-05-04T08:00:00.000Z'): LogEvent => ({
  id: `00000000-0000-4000-8000-${String(++count).padStart(12, '0')}`,
  version: 2,
  at: instant,
  kind: 'done',
  step: 'one' as StepId,
  note,
});

export const unreachable = () => new RequestError(0, { code: 'unreachable', message: 'no' });
export const taken = (entries: readonly LogEvent[]): EntryResults => ({
  entries: entries.map(({ id }, seq) => ({ id, seq })),
});
export const refusal = ({ id }: LogEvent, message = 'lies in the future'): EntryResults['entries'][number] => ({
  id,
  refused: { code: 'invalid', message },
});

/** A page on a device: the test decides what the server does, and when time passes. */
export interface Page {
  readonly device: OutboxDevice;
  readonly outbox: Outbox;
  /** Ids that were sent, a list each time. */
  readonly sent: string[][];
  readonly waits: { readonly work: () => void; readonly ms: number }[];
  /** Authors sent with the entries. */
  readonly authors: Readonly<Record<string, string>>[];
  /** Who holds the device. */
  hands: { readonly id: string; readonly name: string } | null;
  answer: (entries: readonly LogEvent[], job: string) => EntryResults | Promise<EntryResults>;
  /** Photos that were sent, by id and size, and what the server does with one. */
  readonly photos: readonly string[];
  photoAnswer: (job: string) => void | Promise<void>;
  /** True: the record of a job is refetched as soon as its entries were accepted, and contains them. */
  told: boolean;
}

export function newPage(
  disk: Disk = newDisk(),
  tellOthers: () => void = () => undefined,
): Page & { readonly disk: Disk } {
  const sent: string[][] = [];
  const photos: string[] = [];
  const waits: Page['waits'] = [];
  let time = 0;
  const device: OutboxDevice = {
    store: disk,
    send: async (job, entries, authors) => {
      sent.push(entries.map(({ id }) => id));
      page.authors.push(authors);
      return page.answer(entries, job);
    },
    sendPhoto: async (job, id, photo) => {
      photos.push(`${id} ${photo.size}`);
      await page.photoAnswer(job);
    },
    later: (work, ms) => void waits.push({ work, ms }),
    now: () => ++time,
    tellOthers,
    hands: () => page.hands,
  };
  const page: Page & { readonly disk: Disk } = {
    device,
    disk,
    sent,
    photos,
    waits,
    outbox: createOutbox(device),
    authors: [],
    hands: null,
    answer: taken,
    photoAnswer: () => undefined,
    told: true,
  };
  const landed = () => new Set(page.outbox.state().landed.map(({ event }) => event.id));
  page.outbox.onTaken = (job) => void (page.told && page.outbox.seen(job, landed()));
  return page;
}

/** Lets everything that is under way come to its end. */
export const settled = async (): Promise<void> => {
  for (let round = 0; round < 30; round++) await new Promise((done) => setImmediate(done));
};
