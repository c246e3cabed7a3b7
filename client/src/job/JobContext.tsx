import type { Design, EditMessage, Job, Shelf } from '@lintrel/core';
import { createContext, type PropsWithChildren, useContext, useEffect, useRef, useState } from 'react';
import { useJobQuery, useShelf } from '@/api/jobQueries';
import { useIsAllowed } from '@/people/who';
import { usePerson } from '@/person/PersonContext';
import { store } from '@/sync/device';
import { keepHistory, type KeptJob, readKept } from '@/sync/drafts';
import { type History, NO_HISTORY, recordStep, stepBack, stepForward } from '@/sync/history';
import { createSaver, type Saver, type SaverStart, type SaveState } from '@/sync/saving';
import { savingDevice } from '@/sync/savingDevice';
import { Action } from '@/ui/Action';
import { Waiting } from '@/ui/Screen';
import { session } from '@/worker/jobSession';
import { type SessionView, useSession } from '@/worker/useSession';

/** The open job: design, results, and saving state. */
export interface OpenJob extends SessionView {
  readonly id: string;
  readonly design: Design;
  /** Unit the person at this device reads and types lengths in. */
  readonly unit: 'mm' | 'in';
  /** Revision the server has confirmed. */
  readonly revision: number;
  readonly shelf: Shelf;
  readonly saved: SaveState;
  /**
   * Changes the design; finishes of areas follow their lines. `said` names the change; `offer` shows Undo at once.
   * Returns false if it failed.
   */
  readonly change: (update: (design: Design) => Design, said: EditMessage, offer?: boolean) => Promise<boolean>;
  /** Undo and redo of the whole design, kept across reloads; null if there is none. */
  readonly undo: Step | null;
  readonly redo: Step | null;
  /** The last change that is offered to be taken back. */
  readonly undoable: { readonly said: EditMessage; readonly undo: () => void; readonly dismiss: () => void } | null;
  readonly settleStale: (keep: 'mine' | 'theirs') => void;
  /** Why the last change came to nothing; null where all is well. */
  readonly changeError: string | null;
}

/** A step through what was changed, named by what was done. */
interface Step {
  readonly said: EditMessage;
  readonly go: () => void;
}

const Context = createContext<OpenJob | null>(null);

/** The job the screen is in. */
export function useJob(): OpenJob {
  const job = useContext(Context);
  if (!job) throw new Error('useJob is used outside a job');
  return job;
}

/** Loads a job and provides it to the screens inside. */
export function JobProvider({ id, children }: PropsWithChildren<{ id: string }>) {
  const job = useJobQuery(id);
  const shelf = useShelf();
  const [kept, setKept] = useState<{ readonly of: string; readonly job: KeptJob } | null>(null);
  useEffect(() => void readKept(store, id).then((read) => setKept({ of: id, job: read })), [id]);
  if (!job.data || !shelf.data || kept?.of !== id) {
    const error = job.error ?? shelf.error;
    return (
      <Waiting
        what="the job"
        error={error}
        retry={<Action label="Try again" onPress={() => void Promise.all([job.refetch(), shelf.refetch()])} />}
      />
    );
  }
  return (
    <Loaded key={id} id={id} first={job.data} kept={kept.job} shelf={shelf.data}>
      {children}
    </Loaded>
  );
}

/** Changes and steps wait for each other, since finishes are carried over by the worker in between; until then nothing is saved. */
function useTurns() {
  const [pending, setPending] = useState(0);
  const [trouble, setTrouble] = useState<string | null>(null);
  const chain = useRef(Promise.resolve(true));
  const inTurn = (turn: () => Promise<void>): Promise<boolean> => {
    setPending((count) => count + 1);
    const done = chain.current.then(turn).then(
      () => null,
      (error: Error) => error.message,
    );
    chain.current = done.then((failed) => {
      setTrouble(failed);
      setPending((count) => count - 1);
      return failed === null;
    });
    return chain.current;
  };
  return { pending, trouble, inTurn };
}

/** Saving of a job from the revision it was loaded with, or from a draft kept on this device. */
function useSaver(
  id: string,
  first: LoadedProps['first'],
  draft: KeptJob['draft'],
  steps: { readonly current: History },
) {
  const [revision, setRevision] = useState(first.revision);
  const [saved, setSaved] = useState<SaveState>({ kind: 'saved' });
  /** The revision on screen, or the one it is based on. */
  const base = useRef(draft?.revision ?? first.revision);
  const saver = useRef<Saver>(null);
  const onSaved = (state: SaveState, confirmed: Job | null) => {
    setSaved(state);
    if (!confirmed) return;
    setRevision(confirmed.revision);
    base.current = confirmed.revision;
    keepHistory(store, id, base.current, steps.current);
  };
  const saveFrom = (start: SaverStart) => {
    saver.current?.stop();
    base.current = start.draft?.revision ?? start.revision;
    saver.current = createSaver(id, start, onSaved, savingDevice);
  };
  useEffect(() => {
    // A history of another revision is dropped: storing the present one must not revive it.
    keepHistory(store, id, base.current, steps.current);
    saveFrom({ revision: first.revision, draft });
    return () => saver.current?.stop();
    // A job is loaded once; later revisions come by way of the saver.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id]);
  return { saver, base, saved, setSaved, revision, setRevision, saveFrom };
}

/** The last of some steps, to be gone; null if there is none. */
const stepOf = (steps: History['past'], go: () => void): Step | null => {
  const last = steps.at(-1);
  return last ? { said: last.said, go } : null;
};

interface LoadedProps {
  readonly id: string;
  readonly first: { readonly revision: number; readonly design: Design };
  /** What this device has kept of the job. */
  readonly kept: KeptJob;
  readonly shelf: Shelf;
}

function Loaded({ id, first, kept, shelf, children }: PropsWithChildren<LoadedProps>) {
  const { person } = usePerson();
  const mayPlan = useIsAllowed()('plan');
  const { draft } = kept;
  const [design, setDesign] = useState(draft?.design ?? first.design);
  const [offered, setOffered] = useState<EditMessage | null>(null);
  const { pending, trouble, inTurn } = useTurns();
  const [history, setHistory] = useState<History>(() => kept.historyOf(draft?.revision ?? first.revision));
  const steps = useRef(history);
  const { saver, base, saved, setSaved, revision, setRevision, saveFrom } = useSaver(id, first, draft, steps);
  const newest = useRef(design);

  const show = (next: Design) => {
    newest.current = next;
    setDesign(next);
  };
  const keepSteps = (next: History) => {
    steps.current = next;
    setHistory(next);
    keepHistory(store, id, base.current, next);
  };
  const walk = (step: typeof stepBack) =>
    void inTurn(async () => {
      const to = step(steps.current, newest.current);
      if (!to) return;
      keepSteps(to.history);
      show(to.design);
      setOffered(null);
      saver.current?.save(to.design);
    });
  const change: OpenJob['change'] = (update, said, offer = false) =>
    inTurn(async () => {
      // Refused at once, so that nothing is shown that would be refused later.
      if (!mayPlan) throw new Error('Painters and the owner change a job: you may look at everything here.');
      const before = newest.current;
      const after = update(before);
      // Where no part changed, every finish stays where it is.
      const next = after.parts === before.parts ? after : await session.carry(after);
      if (JSON.stringify(next) === JSON.stringify(before)) return;
      keepSteps(recordStep(steps.current, before, next, said));
      show(next);
      setOffered(offer ? said : null);
      saver.current?.save(next);
    });
  const settleStale = (keep: 'mine' | 'theirs') => {
    if (saved.kind !== 'stale') return;
    if (keep === 'theirs') {
      void store.forget('drafts', id).catch(() => undefined);
      setOffered(null);
      show(saved.current.design);
      setRevision(saved.current.revision);
      saveFrom({ revision: saved.current.revision, draft: null });
      // Undo from here would revert somebody else's change.
      keepSteps(NO_HISTORY);
      setSaved({ kind: 'saved' });
    } else saver.current?.rebase(saved.current.revision);
  };
  const followed = useSession(id, design, shelf);
  return (
    <Context.Provider
      value={{
        id,
        design,
        unit: person.length,
        revision,
        shelf,
        ...followed,
        changeError: trouble,
        saved: pending > 0 && saved.kind === 'saved' ? { kind: 'saving' } : saved,
        change,
        undo: stepOf(history.past, () => walk(stepBack)),
        redo: stepOf(history.future, () => walk(stepForward)),
        undoable: offered && { said: offered, undo: () => walk(stepBack), dismiss: () => setOffered(null) },
        settleStale,
      }}
    >
      {children}
    </Context.Provider>
  );
}
