import {
  analyseLine,
  applyDrag,
  carryScheme,
  type Design,
  draftParts,
  drawPiece,
  firstItem,
  handlesOf,
  matchLine,
  newPartCache,
  ordersByAimSteps,
  type Part,
  type PartCache,
  type Plan,
  planSteps,
  searchJob,
  type Shelf,
  stationTable,
  tapeFitsOfLine,
  withoutProgress,
} from '@lintrel/core';
import { listSender, resolveReferences, withReferences } from './listPatch';
import type { DesignMessage, FromSession, PlanMessage, ToSession, ViewName, Views } from './messages';

/** The open job and everything computed from it. */
interface Open {
  readonly design: Design;
  readonly shelf: Shelf;
  readonly store: PartCache;
}

type AtOnce = Exclude<ViewName, InSteps>;
type InSteps = 'scheme' | 'wishes' | 'search';

/** Short questions are answered as they come. */
const AT_ONCE: { readonly [N in AtOnce]: (open: Open, input: Views[N]['input']) => Views[N]['output'] } = {
  fits: ({ design, shelf, store }, { part, line }) => tapeFitsOfLine(design.parts, part, line, shelf.tapes, store),
  analysis: ({ design, store }, { part, line }) => analyseLine(design.parts, part, line, store),
  handles: ({ design, store }, { part, line }) => handlesOf(design.parts, part, line, store),
  match: ({ design, store }, { part, line, datum, measured }) =>
    matchLine(design.parts, part, line, datum, measured, store),
  stations: ({ design, store }, wish) => stationTable(design, wish, store),
  picture: ({ design, shelf, store }, { look }) => drawPiece(design, shelf, look, store),
  draft: ({ design, shelf, store }, input) =>
    draftParts(input.carry ? carryScheme(design, input.design, store) : input.design, shelf, store),
};

/** Long questions run as generators: they yield progress and return the answer. */
const IN_STEPS: {
  readonly [N in InSteps]: (open: Open, input: Views[N]['input']) => Generator<unknown, Views[N]['output'] | void>;
} = {
  scheme: ({ design, shelf, store }, { other }) => {
    const scheme = design.others?.[other];
    if (!scheme) throw new Error('This scheme is no longer there.');
    return withoutProgress(planSteps({ ...design, scheme, others: undefined }, shelf, store));
  },
  wishes: ({ design, shelf, store }) => withoutProgress(ordersByAimSteps(design, shelf, store)),
  search: ({ design, shelf, store }) => searchJob(design, shelf, undefined, store),
};
const goesInSteps = (view: ViewName): view is InSteps => view in IN_STEPS;

/** Longest time other messages wait for a long task, ms: half a frame. */
const SLICE_MS = 8;
/** Minimum interval of progress messages, ms. */
const NEWS_MS = 200;

/** Something long that is under way. */
interface Running {
  readonly id: number;
  /** True for the plan of the open job, which goes before everything else. */
  readonly plan: boolean;
  /** Takes one step; true where it was the last. */
  readonly step: () => boolean;
}

/**
 * Holds the open job and answers questions of the screens. Short questions, above all dragging, are answered between
 * two steps of a long one; a newer design cancels the plan of an older one; the plan comes before comparisons and
 * searches.
 * @param send receives the messages of the session
 * @param later calls a function after waiting messages were read
 * @returns the message handler
 */
export function createSession(
  send: (news: FromSession) => void,
  later: (work: () => void) => void,
): (message: ToSession) => void {
  const store = newPartCache();
  let open: Open | null = null;
  let held: readonly Part[] = [];
  let running: readonly Running[] = [];
  let turning = false;
  const out = {
    parts: listSender<Plan['parts'][number]>(({ id }) => id),
    items: listSender<Plan['items'][number]>(({ id }) => id),
    steps: listSender<Plan['steps'][number]>(({ id }) => id),
    stages: listSender<Plan['stages'][number]>(({ session }) => session),
  };

  const tell = (id: number, work: () => void) => {
    try {
      work();
    } catch (error) {
      send({ kind: 'error', id, message: error instanceof Error ? error.message : String(error) });
    }
  };
  const turn = () => {
    const until = performance.now() + SLICE_MS;
    while (running.length > 0 && performance.now() < until) {
      const current = firstItem(running);
      let over = true;
      tell(current.id, () => (over = current.step()));
      if (over) running = running.filter((other) => other !== current);
    }
    turning = running.length > 0;
    if (turning) later(turn);
  };
  const start = (other: Running) => {
    running = other.plan ? [other, ...running.filter(({ plan }) => !plan)] : [...running, other];
    if (!turning) later(turn);
    turning = true;
  };
  const opened = (): Open => {
    if (!open) throw new Error('No job is open.');
    return open;
  };

  const set = ({ id, design, shelf, carry }: Extract<ToSession, { kind: 'set' }>) => {
    const parts = resolveReferences(design.parts, held);
    const came: Design = { ...design, parts };
    const known = shelf ?? opened().shelf;
    held = parts;
    const next = carry ? carryScheme(opened().design, came, store) : came;
    held = next.parts;
    open = { design: next, shelf: known, store };
    if (carry)
      send({
        kind: 'design',
        id,
        design: { ...next, parts: withReferences(next.parts, new Set(parts)) } satisfies DesignMessage,
      });
    start({ id, plan: true, step: planning(id, open) });
  };
  const planning = (id: number, { design, shelf }: Open) => {
    const steps = planSteps(design, shelf, store);
    return () => {
      const step = steps.next();
      if (step.done) {
        const { parts, items, steps: all, stages } = step.value;
        const plan: PlanMessage = {
          ...step.value,
          parts: out.parts(parts),
          items: out.items(items),
          steps: out.steps(all),
          stages: out.stages(stages),
        };
        send({ kind: 'plan', id, plan });
      } else if (step.value) send({ kind: 'parts', id, parts: out.parts(step.value) });
      return step.done === true;
    };
  };
  const asking = (id: number, steps: Generator<unknown, unknown>) => {
    let lastReportMs = -Infinity;
    let last: unknown;
    return () => {
      const step = steps.next();
      last = step.value ?? last;
      const due = step.done || (step.value !== undefined && performance.now() - lastReportMs >= NEWS_MS);
      if (due) {
        lastReportMs = performance.now();
        send({ kind: 'answer', id, output: last });
      }
      return step.done === true;
    };
  };
  const ask = ({ id, view, input }: Extract<ToSession, { kind: 'ask' }>) => {
    if (goesInSteps(view)) {
      const steps = (IN_STEPS[view] as (open: Open, given: unknown) => Generator<unknown, unknown>)(opened(), input);
      return start({ id, plan: false, step: asking(id, steps) });
    }
    const output = (AT_ONCE[view] as (open: Open, given: unknown) => unknown)(opened(), input);
    send({ kind: 'answer', id, output });
  };

  return (message) =>
    tell(message.id, () => {
      if (message.kind === 'set') set(message);
      else if (message.kind === 'ask') ask(message);
      else if (message.kind === 'drag')
        send({ kind: 'dragged', id: message.id, dragged: applyDrag(opened().design.parts, message.wish, store) });
      else running = running.filter(({ id }) => id !== message.id);
    });
}
