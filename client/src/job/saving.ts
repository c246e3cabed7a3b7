import { jobSchema, type Design, type Job } from '@lintrel/core';
import { request, RequestError } from '@/api/http';
import { dropDraft, keepDraft } from './drafts';

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

/**
 * Makes the saver of one job.
 * @param revision revision the design on screen started from
 * @param tell called whenever the state changes; with the job once it is confirmed
 */
export function createSaver(id: string, revision: number, tell: (state: SaveState, confirmed: Job | null) => void): Saver {
  let base = revision;
  let wanted: Design | null = null;
  let busy = false;
  let timer: ReturnType<typeof setTimeout> | null = null;

  async function next(): Promise<void> {
    if (busy || wanted === null) return;
    const design = wanted;
    busy = true;
    tell({ kind: 'saving' }, null);
    try {
      const job = await request('PUT', `/jobs/${id}`, jobSchema, { revision: base, design });
      base = job.revision;
      if (wanted === design) {
        wanted = null;
        dropDraft(id);
      } else keepDraft(id, { revision: base, design: wanted });
      tell({ kind: wanted === null ? 'saved' : 'saving' }, job);
    } catch (error) {
      tell(
        stateAfter(error, () => (timer = setTimeout(() => void next(), RETRY_MS))),
        null,
      );
      busy = false;
      return;
    }
    busy = false;
    void next();
  }

  return {
    save(design) {
      wanted = design;
      keepDraft(id, { revision: base, design });
      void next();
    },
    rebase(newer) {
      base = newer;
      if (wanted !== null) this.save(wanted);
    },
    stop() {
      if (timer) clearTimeout(timer);
    },
  };
}

function stateAfter(error: unknown, tryAgain: () => void): SaveState {
  if (!(error instanceof RequestError)) throw error;
  if (error.body.code === 'stale' && error.body.versions) return { kind: 'stale', current: error.body.versions.current };
  if (error.status === 0 || error.status >= 500) {
    tryAgain();
    return { kind: 'waiting' };
  }
  return { kind: 'refused', message: error.message };
}
