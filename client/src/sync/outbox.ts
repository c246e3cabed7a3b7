import type { EntryResults, LogEvent } from '@lintrel/core/front';
import { outcomeOf } from './outcome';
import { byTurn, type Pending, type SyncStore } from './store';

/** What stands on the device, and how the sending goes. */
export interface OutboxState {
  /** In the order they were made, refused ones too. */
  readonly pending: readonly Pending[];
  /** Entries confirmed since this page was opened; they count until the record of the job contains them. */
  readonly landed: readonly Pending[];
  /** Jobs whose first entry was tried without reaching the server. */
  readonly offline: ReadonlySet<string>;
  /** Entries made by others on this device; they wait until their author signs in, or the current person agrees. */
  readonly held: readonly Pending[];
  /** True if the device has no storage: entries are lost with the page. */
  readonly unkept: boolean;
}

/** What the outbox needs of the device. */
export interface OutboxDevice {
  readonly store: Pick<SyncStore, 'entries' | 'keepEntry' | 'forgetEntry'>;
  /**
   * @param authors of the entries by id, except those of the current person
   */
  readonly send: (
    job: string,
    entries: readonly LogEvent[],
    authors: Readonly<Record<string, string>>,
  ) => Promise<EntryResults>;
  readonly sendPhoto: (job: string, id: string, photo: Blob) => Promise<void>;
  readonly later: (work: () => void, ms: number) => void;
  readonly now: () => number;
  /** Notifies other pages of this device. */
  readonly tellOthers: () => void;
  /** Holder of the device; null without sign-in, or if unknown. */
  readonly hands: () => { readonly id: string; readonly name: string } | null;
}

/** Entries wait on the disk of the device until the server has confirmed each: no reload and no flat battery loses one. */
export interface Outbox {
  /** Resolves when the entry is stored; it counts at once. `photo`: belongs to the entry. */
  add(job: string, event: LogEvent, photo?: Blob): Promise<void>;
  /** Sends a refused entry again, unchanged or edited. */
  again(id: string, mended?: Partial<Pick<LogEvent, 'at' | 'deviceAt' | 'note'>>): Promise<void>;
  /** Discards a refused entry, on request. */
  drop(id: string): Promise<void>;
  /** Tries at once what is waiting. */
  sendNow(): void;
  /** Sends entries of another person on this device, under their name, with the consent of the current person. */
  sendFor(person: string): void;
  /** Reads what another page of this device has added or sent. */
  reread(): Promise<void>;
  state(): OutboxState;
  /** Calls back whenever something changes; returns how to end that. */
  subscribe(changed: () => void): () => void;
  /** The record of the job contains these: they may be deleted from the device. */
  seen(job: string, ids: ReadonlySet<string>): Promise<void>;
  /** Called when the server has accepted entries of a job: its record should be refetched. */
  onTaken: (job: string) => void;
}

/** The longest wait between two tries, and the first. */
const LONGEST_WAIT_MS = 15_000;
const FIRST_WAIT_MS = 500;
/** Maximum number of entries per request. */
const AT_ONCE = 100;
/** Maximum number of confirmed entries kept in memory. */
const MOST_LANDED = 500;

/**
 * Creates the outbox of a page. Pages of one device share the store; an entry sent by two of them is stored once by
 * its id.
 */
export function createOutbox({ store, send, sendPhoto, later, now, tellOthers, hands }: OutboxDevice): Outbox {
  const listeners = new Set<() => void>();
  const sending = new Set<string>();
  const waiting = new Set<string>();
  const tries = new Map<string, number>();
  const here = new Map<string, Pending>();
  const unkept = new Set<string>();
  const gone = new Set<string>();
  const writing = new Set<string>();
  /** Pairs of author and sender with consent. */
  const agreed = new Set<string>();
  let state: OutboxState = { pending: [], landed: [], held: [], offline: new Set(), unkept: false };

  function show(changes: Partial<OutboxState> = {}): void {
    const pending = [...here.values()].sort(byTurn);
    state = {
      ...state,
      pending,
      held: pending.filter((other) => other.refused === null && isHeld(other)),
      unkept: unkept.size > 0,
      ...changes,
    };
    listeners.forEach((changed) => changed());
  }
  /** Made by another person, without consent to send. */
  function isHeld({ by }: Pending): boolean {
    const now = hands();
    return by !== undefined && now !== null && by.id !== now.id && !agreed.has(`${by.id} ${now.id}`);
  }
  async function keep(pending: Pending): Promise<void> {
    const { id } = pending.event;
    here.set(id, pending);
    writing.add(id);
    show();
    await store.keepEntry(pending).then(
      () => unkept.delete(id),
      () => unkept.add(id),
    );
    writing.delete(id);
    // It may have been taken while it was written down.
    if (gone.has(id)) await store.forgetEntry(id).catch(() => undefined);
    show();
    tellOthers();
  }
  /** Confirmed, but kept on the device until the record of the job contains it; sent again if that never happens. */
  function land(these: readonly Pending[]): void {
    for (const { event } of these) {
      here.delete(event.id);
      unkept.delete(event.id);
    }
    show({ landed: [...state.landed, ...these].slice(-MOST_LANDED) });
  }
  /** Deleted from the device before it disappears from the screen. */
  async function forget(id: string): Promise<void> {
    gone.add(id);
    await store.forgetEntry(id).catch(() => undefined);
    here.delete(id);
    unkept.delete(id);
    show();
    tellOthers();
  }
  function reached(job: string, yes: boolean): void {
    const offline = new Set(state.offline);
    if (yes) offline.delete(job);
    else offline.add(job);
    show({ offline });
  }

  async function pump(job: string): Promise<void> {
    if (sending.has(job)) return;
    sending.add(job);
    try {
      for (;;) {
        const next = nextOf(
          [...here.values()]
            .filter((pending) => pending.job === job && pending.refused === null && !isHeld(pending))
            .sort(byTurn),
        );
        if (next.length === 0) break;
        if (!(await sendThese(job, next))) return waitFor(job);
        tries.delete(job);
        reached(job, true);
      }
    } finally {
      sending.delete(job);
    }
  }
  /** True if the server has answered for each entry. */
  async function sendThese(job: string, these: readonly Pending[]): Promise<boolean> {
    let taken: EntryResults;
    try {
      for (const { event, photo } of these)
        if (photo && event.saw?.kind === 'photo') await sendPhoto(job, event.saw.photo, photo);
      taken = await send(
        job,
        these.map(({ event }) => event),
        Object.fromEntries(these.flatMap(({ event, by }) => (by && by.id !== hands()?.id ? [[event.id, by.id]] : []))),
      );
    } catch (error) {
      const outcome = outcomeOf(error);
      if (outcome.kind !== 'refused') return false;
      // The job itself is refused, gone or not writable; or the photo is.
      for (const pending of these)
        await keep({ ...pending, refused: { code: outcome.code, message: outcome.message } });
      return true;
    }
    const results = these.flatMap((pending, place) => {
      const answer = taken.entries.find(({ id }) => id === pending.event.id) ?? taken.entries[place];
      return answer && (answer.id === pending.event.id || answer.id === '') ? [{ one: pending, answer }] : [];
    });
    const landed = results.flatMap(({ one, answer }) => ('seq' in answer ? [one] : []));
    if (landed.length > 0) {
      land(landed);
      outbox.onTaken(job);
    }
    for (const { one, answer } of results)
      if ('refused' in answer)
        await keep({ ...one, refused: { code: answer.refused.code, message: answer.refused.message } });
    return results.length === these.length;
  }
  function waitFor(job: string): void {
    const count = tries.get(job) ?? 0;
    tries.set(job, count + 1);
    reached(job, false);
    if (waiting.has(job)) return;
    waiting.add(job);
    later(
      () => {
        waiting.delete(job);
        void pump(job);
      },
      Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** count),
    );
  }
  const outbox: Outbox = {
    async add(job, event, photo) {
      const last = Math.max(0, ...[...here.values()].map(({ turn }) => turn));
      const by = hands();
      const kept = keep({
        job,
        event,
        turn: Math.max(now(), last + 1),
        refused: null,
        ...(by ? { by } : {}),
        ...(photo ? { photo } : {}),
      });
      void pump(job);
      await kept;
    },
    async again(id, mended = {}) {
      const pending = here.get(id);
      if (!pending) return;
      const kept = keep({ ...pending, event: { ...pending.event, ...mended }, refused: null });
      void pump(pending.job);
      await kept;
    },
    drop: forget,
    sendNow: () => new Set([...here.values()].map(({ job }) => job)).forEach((job) => void pump(job)),
    sendFor(person) {
      const now = hands();
      if (now) agreed.add(`${person} ${now.id}`);
      show();
      outbox.sendNow();
    },
    async reread() {
      const kept = await store.entries().catch(() => null);
      if (!kept) return;
      const ids = new Set(kept.map(({ event }) => event.id));
      for (const id of [...here.keys()]) if (!ids.has(id) && !unkept.has(id) && !writing.has(id)) here.delete(id);
      const landed = new Set(state.landed.map(({ event }) => event.id));
      for (const pending of kept)
        if (!gone.has(pending.event.id) && !landed.has(pending.event.id)) here.set(pending.event.id, pending);
      show();
    },
    async seen(job, ids) {
      const pendings = [...state.landed, ...here.values()].filter(
        (pending) => pending.job === job && ids.has(pending.event.id),
      );
      if (pendings.length === 0) return;
      show({ landed: state.landed.filter((pending) => !pendings.includes(pending)) });
      for (const { event } of pendings) await forget(event.id);
    },
    state: () => state,
    subscribe(changed) {
      listeners.add(changed);
      return () => listeners.delete(changed);
    },
    onTaken: () => undefined,
  };
  return outbox;
}

/** What goes next of what waits: taps before photos, which are large and go one at a time. */
function nextOf(waiting: readonly Pending[]): readonly Pending[] {
  const taps = waiting.filter(({ photo }) => !photo);
  return taps.length > 0 ? taps.slice(0, AT_ONCE) : waiting.slice(0, 1);
}
