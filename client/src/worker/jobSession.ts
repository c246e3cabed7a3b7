import type { Design, DragRequest, DragResult, Part, PartPlan, Plan, Shelf } from '@lintrel/core';
import { listReceiver, resolveReferences, withReferences } from './listPatch';
import type { DesignMessage, FromSession, PlanMessage, ToSession, ViewName, Views } from './messages';

/** What is known of the open job, each with the design it belongs to. */
interface SessionState {
  readonly job: string | null;
  readonly design: Design | null;
  /** Another number whenever design or shelf are others: what was asked before is to be asked again. */
  readonly turn: number;
  readonly parts: readonly PartPlan[] | null;
  readonly plan: { readonly of: Design; readonly turn: number; readonly plan: Plan } | null;
  /** Why the newest design could not be computed. */
  readonly error: string | null;
}

const NOTHING: SessionState = { job: null, design: null, turn: 0, parts: null, plan: null, error: null };

/** The worker's end of the line. */
export interface WorkerChannel {
  readonly post: (message: ToSession) => void;
  readonly hangUp: () => void;
}

/** The session of the open job as the screens see it. */
export interface JobSession {
  readonly state: () => SessionState;
  readonly subscribe: (listener: () => void) => () => void;
  /** The design to work on; what it holds already is not sent again. */
  readonly put: (job: string, design: Design, shelf: Shelf) => void;
  /** A changed design: what becomes of it when finishes have followed their areas. It is the one worked on from then on. */
  readonly carry: (after: Design) => Promise<Design>;
  readonly drag: (wish: DragRequest) => Promise<DragResult | null>;
  /** Asks about the design that was put last; returns what ends the question. */
  readonly ask: <N extends ViewName>(
    view: N,
    input: Views[N]['input'],
    onAnswer: (output: Views[N]['output'] | null, error: string | null) => void,
  ) => () => void;
}

interface Waiting {
  readonly told: (news: FromSession) => void;
}

/**
 * Creates the session of the open job.
 * @param call starts the worker; `heard` receives its messages, `broken` is called if it ends unexpectedly
 */
export function createJobSession(
  call: (heard: (news: FromSession) => void, broken: (message: string) => void) => WorkerChannel,
): JobSession {
  let line: WorkerChannel | null = null;
  let state = NOTHING;
  let shelf: Shelf | null = null;
  let sentShelf: Shelf | null = null;
  let last = 0;
  /** Message of the design that is worked on. */
  let newest = 0;
  const listeners = new Set<() => void>();
  const waiting = new Map<number, Waiting>();
  let ends = freshEnds();

  const update = (next: Partial<SessionState>) => {
    state = { ...state, ...next };
    for (const listener of listeners) listener();
  };
  const heard = (news: FromSession) => {
    const asked = waiting.get(news.id);
    if (asked) return asked.told(news);
    if (news.kind === 'parts') {
      const parts = ends.parts(news.parts);
      if (news.id === newest && state.design) update({ parts });
    } else if (news.kind === 'plan') {
      const plan = ends.plan(news.plan);
      if (news.id === newest && state.design)
        update({ parts: plan.parts, plan: { of: state.design, turn: state.turn, plan }, error: null });
    } else if (news.kind === 'error' && news.id === newest) update({ error: news.message });
  };
  const broken = (message: string) => {
    // Waiting calls are rejected; the next message starts a new worker with the full state.
    line?.hangUp();
    line = null;
    const [left, id] = [[...waiting.entries()], newest];
    waiting.clear();
    for (const [asked, { told }] of left) told({ kind: 'error', id: asked, message });
    if (id === newest) update({ error: message });
  };
  const once = (id: number, onNews: (news: FromSession) => void) =>
    waiting.set(id, {
      told: (news) => {
        waiting.delete(id);
        onNews(news);
      },
    });
  const set = (design: Design, carried?: (news: FromSession) => void) => {
    if (!line) {
      ends = freshEnds();
      sentShelf = null;
      line = call(heard, broken);
    }
    newest = ++last;
    if (carried) once(newest, carried);
    const fresh = shelf && shelf !== sentShelf ? { shelf } : {};
    sentShelf = shelf;
    line.post({
      kind: 'set',
      id: newest,
      design: { ...design, parts: ends.design(design.parts) },
      ...fresh,
      carry: carried !== undefined,
    });
  };
  const reached = (): WorkerChannel => {
    if (!line && state.design) set(state.design);
    if (!line) throw new Error('no job is open');
    return line;
  };
  return {
    state: () => state,
    subscribe: (listener) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    put: (job, design, on) => {
      if (state.job === job && state.design === design && shelf === on && line) return;
      const another = state.job !== job;
      shelf = on;
      set(design);
      update({ ...(another ? NOTHING : {}), job, design, turn: newest, error: null });
    },
    carry: (after) =>
      new Promise((resolve, reject) => {
        reached();
        const before = newest;
        set(after, (news) => {
          const { id } = news;
          if (news.kind !== 'design') {
            // The session continues with the previous design.
            if (newest === id) newest = before;
            return reject(new Error(news.kind === 'error' ? news.message : news.kind));
          }
          const design = ends.carried(news.design, after);
          if (id === newest) update({ design, turn: id, error: null });
          resolve(design);
        });
      }),
    drag: (wish) =>
      new Promise((resolve, reject) => {
        const to = reached();
        const id = ++last;
        once(id, (news) =>
          news.kind === 'dragged'
            ? resolve(news.dragged)
            : reject(new Error(news.kind === 'error' ? news.message : news.kind)),
        );
        to.post({ kind: 'drag', id, wish });
      }),
    ask: (view, input, onAnswer) => {
      const to = reached();
      const id = ++last;
      waiting.set(id, {
        told: (news) => {
          if (news.kind === 'answer') onAnswer(news.output as never, null);
          else if (news.kind === 'error') onAnswer(null, news.message);
        },
      });
      to.post({ kind: 'ask', id, view, input });
      return () => {
        if (waiting.delete(id)) line?.post({ kind: 'leave', id });
      };
    },
  };
}

/** The screen's ends of what is sent in pieces; a fresh worker needs fresh ones. */
function freshEnds() {
  let known: ReadonlySet<Part> = new Set();
  const parts = listReceiver<PartPlan>();
  const items = listReceiver<Plan['items'][number]>();
  const steps = listReceiver<Plan['steps'][number]>();
  const stages = listReceiver<Plan['stages'][number]>();
  return {
    design: (all: readonly Part[]) => {
      const sent = withReferences(all, known);
      known = new Set(all);
      return sent;
    },
    parts,
    plan: (sent: PlanMessage): Plan => ({
      ...sent,
      parts: parts(sent.parts),
      items: items(sent.items),
      steps: steps(sent.steps),
      stages: stages(sent.stages),
    }),
    /** Parts that are as they were sent stay the very objects they were. */
    carried: (sent: DesignMessage, after: Design): Design => {
      const next = { ...sent, parts: resolveReferences(sent.parts, after.parts) };
      known = new Set(next.parts);
      return next;
    },
  };
}

/** The session of this page: one worker for the job that is open. */
export const session: JobSession = createJobSession((heard, broken) => {
  const worker = new Worker(new URL('./session.worker', window.location.href));
  worker.onmessage = ({ data }: MessageEvent<FromSession>) => heard(data);
  worker.onerror = ({ message }) => broken(message || 'The computation stopped.');
  return { post: (message) => worker.postMessage(message), hangUp: () => worker.terminate() };
});
