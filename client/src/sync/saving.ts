import { versionsSchema, type Design, type Job, type SaveJob } from '@lintrel/core';
import * as v from 'valibot';
import type { Draft } from './drafts';
import { outcomeOf } from './outcome';
import type { SyncStore } from './store';

/** How the kept job stands against what is on screen. */
export type SaveState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'saving' }
  /** The server cannot be reached; tried again by itself. */
  | { readonly kind: 'waiting' }
  /** Changed elsewhere in the meantime. */
  | { readonly kind: 'stale'; readonly current: Job }
  /** The server does not take it, and says why. */
  | { readonly kind: 'refused'; readonly message: string };

const RETRY_MS = 3000;

/** Saves one design after another, never two at once, always the newest. */
export interface Saver {
  /** Wants this design kept. */
  save(design: Design): void;
  /** Goes on from another revision, after a person has chosen between two versions. */
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

/** What a saver goes on from. */
export interface SaverStart {
  readonly revision: number;
  /** A draft of this device that was not confirmed: it is sent as the same save. */
  readonly draft: Draft | null;
}

/**
 * Makes the saver of one job. Every save has an id: one whose answer was lost is known again, by the server when it is repeated,
 * and here when the next one finds that it had been kept.
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

  // A device that has no room: the draft still lives on this page.
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
        // What came before is our own save, kept after all.
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

/** The version the server keeps, out of its refusal; undefined where it does not tell. */
function keptVersion(versions: unknown): Job | undefined {
  const read = v.safeParse(versionsSchema, versions);
  return read.success ? read.output.current : undefined;
}
