import type { StepMessage } from '../contract';
import type { SessionId, StepId } from '../kit';
import { TOLERANCE } from '../kit';
import type { AfterRule, Step, StepKind } from '../runsheet';

/** A step without its cautions. */
export type Draft = Omit<Step, 'safety'> & { readonly say: StepMessage };

type More = Partial<Pick<Draft, 'part' | 'items' | 'after' | 'needs' | 'gun'>>;

/** Id of a step, which log entries refer to. */
export const stepId = (session: SessionId, kind: StepKind, what: string | null): StepId =>
  [session, kind, ...(what === null ? [] : [what])].join(':') as StepId;

/** What is done one after the other. */
export interface StepClock {
  readonly steps: readonly Draft[];
  readonly add: (kind: StepKind, what: string | null, minutes: number, say: StepMessage, more?: More) => void;
  /** A wait; left out if it is 0 minutes. */
  readonly pass: (kind: 'wait' | 'flash' | 'warm', what: string, minutes: number, say: StepMessage) => void;
}

/**
 * Puts steps one behind the other.
 * @param session begins the id of each: what a log names a step by
 */
export function newStepClock(startMin: number, session: SessionId, stage: number | null): StepClock {
  let now = startMin;
  const steps: Draft[] = [];
  const put = (
    kind: StepKind,
    what: string | null,
    minutes: number,
    say: StepMessage,
    attended: boolean,
    more: More = {},
  ) => {
    const { items = [], after = [], needs = attended ? (['person'] as const) : [], part, gun } = more;
    const id = stepId(session, kind, what);
    const also = { ...(part === undefined ? {} : { part }), ...(gun === undefined ? {} : { gun }) };
    steps.push({ id, stage, kind, ...also, items, startMin: now, endMin: now + minutes, attended, needs, after, say });
    now += minutes;
  };
  return {
    steps,
    add: (kind, what, minutes, say, more) => put(kind, what, minutes, say, true, more),
    pass: (kind, what, minutes, say) => {
      if (minutes > TOLERANCE.rounding) put(kind, what, minutes, say, false);
    },
  };
}

/** Makes each attended step follow the one before it. */
export function chainSteps(steps: readonly Draft[]): Draft[] {
  let last: StepId | null = null;
  return steps.map((step) => {
    if (!step.attended) return step;
    const after: AfterRule[] =
      last === null
        ? [...step.after]
        : [{ step: last, from: 'end', minMin: 0, maxMin: null, code: 'order' }, ...step.after];
    last = step.id;
    return { ...step, after };
  });
}
