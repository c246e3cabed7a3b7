import { type Design, type Job, type SaveJob, versionsSchema } from '@lintrel/core';
import * as v from 'valibot';
import type { Draft } from './drafts';
import { outcomeOf } from './outcome';
import type { SyncStore } from './store';

/** State of the stored job against the design on screen. */
export type SaveState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'saving' }
  /** The server cannot be reached; tried again by itself. */
  | { readonly kind: 'waiting' }
  /** Changed elsewhere in the meantime. */
  | { readonly kind: 'stale'; readonly current: Job }
  /** The server refuses it, with a reason. */
  | { readonly kind: 'refused'; readonly message: string };

const RETRY_MS = 3000;

/** Saves one design after another, never two at once, always the newest. */
export interface Saver {
  /** Saves this design. */
  save(design: Design): void;
  /** Continues from another revision, after a person has chosen between two versions. */
  rebase(revision: number): void;
  stop(): void;
}

/** What the saver needs of the device. */
export interface SavingDevice {
  readonly store: Pick<SyncStore, 'keep' | 'forget'>;
  readonly put: (job: string, body: SaveJob) => Promise<Job>;
  /** Does something later; returns how to leave it. */
  readonly later: (work: () => void, ms: number) => () => void;
  readonly newId: () => string;
}

/** Initial state of a saver. */
export interface SaverStart {
  readonly revision: number;
  /** A draft of this device that was not confirmed: it is sent as the same save. */
  readonly draft: Draft | null;
}

/**
 * Creates the saver of one job. Every save has an id: one whose answer was lost is recognized by the server when
 * repeated, and here when the next save finds that it was stored.
 * @param tell called whenever the state changes; with the job once it is confirmed
 */
export function createSaver(
  id: string,
  { revision, draft }: SaverStart,
  tell: (state: SaveState, confirmed: Job | null) => void,
  { store, put, later, newId }: SavingDevice,
): Saver {
  let base = draft?.revision ?? revision;
  let wanted: { readonly design: Design; readonly save: string } | null = draft && {
    design: draft.design,
    save: draft.save ?? newId(),
  };
  let unsure: readonly string[] = draft?.unsure ?? [];
  let busy = false;
  let stopped = false;
  let leave: (() => void) | null = null;

  // Without storage the draft exists only on this page.
  const remember = () =>
    wanted &&
    void store.keep('drafts', id, { revision: base, ...wanted, unsure } satisfies Draft).catch(() => undefined);
  const dropDraft = () => void store.forget('drafts', id).catch(() => undefined);
  const tryLater = () => {
    if (!stopped) leave = later(() => void next(), RETRY_MS);
  };

  async function next(): Promise<void> {
    if (busy || wanted === null || stopped) return;
    busy = true;
    const sent = wanted;
    tell({ kind: 'saving' }, null);
    const goOn = await send(sent).finally(() => (busy = false));
    if (goOn) void next();
  }

  /** Sends one design; true where there is something to send at once after it. */
  async function send(sent: NonNullable<typeof wanted>): Promise<boolean> {
    try {
      const job = await put(id, { revision: base, save: sent.save, design: sent.design });
      [base, unsure] = [job.revision, []];
      if (wanted?.save === sent.save) {
        wanted = null;
        dropDraft();
      } else remember();
      tell({ kind: wanted === null ? 'saved' : 'saving' }, job);
      return true;
    } catch (error) {
      const outcome = outcomeOf(error);
      const current =
        outcome.kind === 'refused' && outcome.code === 'stale' ? keptVersion(outcome.versions) : undefined;
      if (current?.save && unsure.includes(current.save)) {
        // The other version is our own save, stored after all.
        [base, unsure] = [current.revision, []];
        remember();
        return true;
      }
      if (current) tell({ kind: 'stale', current }, null);
      else if (outcome.kind === 'refused') tell({ kind: 'refused', message: outcome.message }, null);
      else {
        unsure = [...unsure.filter((save) => save !== sent.save), sent.save].slice(-10);
        remember();
        tell({ kind: 'waiting' }, null);
        tryLater();
      }
      return false;
    }
  }

  if (wanted) void next();
  return {
    save(design) {
      wanted = { design, save: newId() };
      remember();
      void next();
    },
    rebase(newer) {
      base = newer;
      if (wanted !== null) this.save(wanted.design);
    },
    stop() {
      stopped = true;
      leave?.();
    },
  };
}

/** The stored version in a refusal; undefined if missing. */
function keptVersion(versions: unknown): Job | undefined {
  const read = v.safeParse(versionsSchema, versions);
  return read.success ? read.output.current : undefined;
}
