import type { Design, Plan, Shelf } from '@lintrel/core';
import { createContext, useContext, useEffect, useRef, useState, type PropsWithChildren } from 'react';
import { useJobQuery, useShelf } from '@/api/queries';
import { Action } from '@/ui/Action';
import { Waiting } from '@/ui/Screen';
import { compute } from '@/worker/worker';
import { dropDraft, readDraft } from './drafts';
import { keepHistory, keepHistoryOf, NO_HISTORY, readHistory, remembered, stepBack, stepForward, type History } from './history';
import { createSaver, type Saver, type SaverStart, type SaveState } from './saving';
import { usePerson } from '@/person/PersonContext';

/** A job being worked on: what a person decided, what follows, and how it is kept. */
export interface OpenJob {
  readonly id: string;
  readonly design: Design;
  /** Unit the person at this device reads and types lengths in. */
  readonly unit: 'mm' | 'in';
  /** Revision the server has confirmed. */
  readonly revision: number;
  readonly shelf: Shelf;
  /** The newest plan; null until the first is there. */
  readonly plan: Plan | null;
  /** True while the plan shown is older than the design. */
  readonly planning: boolean;
  readonly planError: string | null;
  readonly saved: SaveState;
  /** Changes the design; finishes of areas follow their lines. `words` name the step; `offer` asks at once whether to take it back. */
  readonly change: (update: (design: Design) => Design, words?: string, offer?: boolean) => Promise<void>;
  /** One step back or forward over the whole design, kept after a reload; null where there is none. */
  readonly undo: Step | null;
  readonly redo: Step | null;
  /** The last change that is offered to be taken back, in words. */
  readonly undoable: { readonly words: string; readonly undo: () => void; readonly dismiss: () => void } | null;
  readonly settleStale: (keep: 'mine' | 'theirs') => void;
}

/** A step through what was changed, named by what was done. */
export interface Step {
  readonly words: string;
  readonly go: () => void;
}

const Context = createContext<OpenJob | null>(null);

/** The job the screen is in. */
export function useJob(): OpenJob {
  const job = useContext(Context);
  if (!job) throw new Error('useJob is used outside a job');
  return job;
}

/** Loads a job and keeps it at hand for the screens inside. */
export function JobProvider({ id, children }: PropsWithChildren<{ id: string }>) {
  const job = useJobQuery(id);
  const shelf = useShelf();
  if (!job.data || !shelf.data) {
    const error = job.error ?? shelf.error;
    return <Waiting what="the job" error={error} retry={<Action label="Try again" onPress={() => void Promise.all([job.refetch(), shelf.refetch()])} />} />;
  }
  return (
    <Loaded key={id} id={id} first={job.data} shelf={shelf.data}>
      {children}
    </Loaded>
  );
}

function Loaded({ id, first, shelf, children }: PropsWithChildren<{ id: string; first: { revision: number; design: Design }; shelf: Shelf }>) {
  const { person } = usePerson();
  const [draft] = useState(() => readDraft(id));
  const [design, setDesign] = useState(draft?.design ?? first.design);
  const [revision, setRevision] = useState(first.revision);
  const [saved, setSaved] = useState<SaveState>({ kind: 'saved' });
  const [offered, setOffered] = useState<string | null>(null);
  const [pending, setPending] = useState(0);
  const [history, setHistory] = useState<History>(() => readHistory(id, draft?.revision ?? first.revision));
  const steps = useRef(history);
  const newest = useRef(design);
  const saver = useRef<Saver>(null);
  const chain = useRef(Promise.resolve());

  const saveFrom = (start: SaverStart) => {
    saver.current?.stop();
    keepHistoryOf(id, start.draft?.revision ?? start.revision);
    saver.current = createSaver(id, start, (state, confirmed) => {
      setSaved(state);
      if (!confirmed) return;
      setRevision(confirmed.revision);
      keepHistoryOf(id, confirmed.revision);
    });
  };
  useEffect(() => {
    // A history that belongs to another revision is gone for good: noting the present one must not make it count again.
    keepHistory(id, steps.current);
    saveFrom({ revision: first.revision, draft });
    return () => saver.current?.stop();
    // A job is loaded once; later revisions come by way of the saver.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id]);

  const show = (next: Design) => {
    newest.current = next;
    setDesign(next);
  };
  const keepSteps = (next: History) => {
    steps.current = next;
    setHistory(next);
    keepHistory(id, next);
  };
  const walk = (step: typeof stepBack) => {
    const to = step(steps.current, newest.current);
    if (!to) return;
    keepSteps(to.history);
    show(to.design);
    setOffered(null);
    saver.current?.save(to.design);
  };
  const change: OpenJob['change'] = (update, words, offer = false) => {
    // Changes wait for each other, since the finishes are carried over by the worker in between; until then nothing is saved.
    setPending((count) => count + 1);
    const turn = async () => {
      const before = newest.current;
      const after = update(before);
      // Where no part changed, every finish stays where it is.
      const next = after.parts === before.parts ? after : await compute('carry', { before, after });
      if (JSON.stringify(next) === JSON.stringify(before)) return;
      keepSteps(remembered(steps.current, before, words ?? 'Last change'));
      show(next);
      setOffered(offer ? (words ?? null) : null);
      saver.current?.save(next);
    };
    chain.current = chain.current.then(() => turn().finally(() => setPending((count) => count - 1)));
    return chain.current;
  };
  const settleStale = (keep: 'mine' | 'theirs') => {
    if (saved.kind !== 'stale') return;
    if (keep === 'theirs') {
      dropDraft(id);
      // Stepping back from here would undo what somebody else has done.
      keepSteps(NO_HISTORY);
      setOffered(null);
      show(saved.current.design);
      setRevision(saved.current.revision);
      saveFrom({ revision: saved.current.revision, draft: null });
      setSaved({ kind: 'saved' });
    } else saver.current?.rebase(saved.current.revision);
  };
  const planned = usePlan(design, shelf);
  const undo = history.past.length > 0 ? { words: history.past[history.past.length - 1].words, go: () => walk(stepBack) } : null;
  const redo = history.future.length > 0 ? { words: history.future[history.future.length - 1].words, go: () => walk(stepForward) } : null;
  const undoable = offered ? { words: offered, undo: () => walk(stepBack), dismiss: () => setOffered(null) } : null;
  return (
    <Context.Provider
      value={{
        id,
        design,
        unit: person.length,
        revision,
        shelf,
        ...planned,
        saved: pending > 0 && saved.kind === 'saved' ? { kind: 'saving' } : saved,
        change,
        undo,
        redo,
        undoable,
        settleStale,
      }}
    >
      {children}
    </Context.Provider>
  );
}

/** The plan of a design, from the worker; an older answer never replaces a newer one. */
export function usePlan(design: Design, shelf: Shelf): Pick<OpenJob, 'plan' | 'planning' | 'planError'> {
  const [state, setState] = useState<{ plan: Plan | null; of: Design | null; error: string | null }>({ plan: null, of: null, error: null });
  useEffect(() => {
    let wanted = true;
    compute('plan', { design, shelf }).then(
      (plan) => wanted && setState({ plan, of: design, error: null }),
      (error: Error) => wanted && setState((last) => ({ ...last, of: design, error: error.message })),
    );
    return () => {
      wanted = false;
    };
  }, [design, shelf]);
  return { plan: state.plan, planning: state.of !== design, planError: state.error };
}
