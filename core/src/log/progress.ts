import type { Heat } from '../air';
import { intersectSpans, type Message, type Span } from '../kit';
import type { RuleFilm, Step } from '../runsheet';
import { MS_PER_MINUTE } from '../units';
import type { LogEvent } from './event';
import { remedyOf, ruleStart, scuffId } from './remedy';
import { ruleInAir, type ShopAir } from './shop-air';

/** A time that runs now. */
export interface RunningWindow {
  readonly step: string;
  readonly say: Message;
  /** What the time is for: the code of its rule. */
  readonly code: string;
  /** Instants in ms since 1970; `opens` null: other steps must be done first, yet it closes already; `closes` null: it does not close. */
  readonly opens: number | null;
  readonly closes: number | null;
  /** When it opens again for good, though it has closed; left out or null: it does not. */
  readonly again?: number | null;
  /** The known rules of the window, each with its start (ms), so that it can be recomputed in the actual air. */
  readonly counts?: readonly WindowCount[];
  /** Warmth that was brought to the films meanwhile. */
  readonly heats?: readonly Heat[];
}

/** One rule of a window, with the moment it counts from. */
export interface WindowCount {
  readonly since: number;
  readonly minMin: number;
  readonly maxMin: number | null;
  readonly againMin?: number;
  readonly film?: RuleFilm;
}

/** How far a job has come in the shop. */
export interface JobProgress {
  readonly startedAt: number | null;
  readonly finishedAt: number | null;
  /** When each step was done, ms; steps taken back are not in it. */
  readonly doneAt: ReadonlyMap<string, number>;
  /** The first step for a person not done yet; null when all are. */
  readonly next: Step | null;
  readonly running: readonly RunningWindow[];
  /** Warmth that was brought to its films, in the order it was written down. */
  readonly heats: readonly Heat[];
}

/** Steps that a person ticks off; waits and flashing show as times of what follows. */
export const attendedSteps = (steps: readonly Step[]): Step[] => steps.filter(({ attended }) => attended);

/** State of a log as plain data; later entries are added without reading the earlier ones again. */
export interface LogState {
  readonly startedAt: number | null;
  readonly finishedAt: number | null;
  /** Steps that are done, and when, ms. */
  readonly done: readonly (readonly [step: string, at: number])[];
  readonly heats: readonly Heat[];
}

/** An empty log. */
export const EMPTY_LOG: LogState = { startedAt: null, finishedAt: null, done: [], heats: [] };

/**
 * State of a log after further entries.
 * @param events in stored order; times of devices may be wrong and do not decide the order
 * @param sheet number of the work sheet of the steps; entries of other sheets are ignored. Left out: all count
 */
export function logAfter(state: LogState, events: readonly LogEvent[], sheet?: number): LogState {
  const doneAt = new Map(state.done);
  let { startedAt, finishedAt } = state;
  let heats = [...state.heats];
  for (const event of events) {
    if (event.kind !== 'start' && event.sheet !== undefined && sheet !== undefined && event.sheet !== sheet) continue;
    const atMs = Date.parse(event.at);
    if (event.kind === 'start') {
      // A later start is a new beginning with the plan of that moment.
      startedAt = atMs;
      finishedAt = null;
      doneAt.clear();
      heats = [];
    }
    if (event.saw?.kind === 'heat') {
      const { how, filmC, minutes } = event.saw;
      heats.push({ kind: how, fromMin: atMs / MS_PER_MINUTE, minutes, filmC });
    }
    if (event.kind === 'finish') finishedAt = atMs;
    if (event.step === null) continue;
    if (event.kind === 'done') doneAt.set(event.step, atMs);
    if (event.kind === 'undo') doneAt.delete(event.step);
  }
  return { startedAt, finishedAt, done: [...doneAt], heats };
}

/** How far a job has come with a log, by the steps of the plan that was started. */
export function progressFrom(steps: readonly Step[], { startedAt, finishedAt, done, heats }: LogState): JobProgress {
  const doneAt = new Map(done);
  const waiting = finishedAt === null ? attendedSteps(steps).filter(({ id }) => !doneAt.has(id)) : [];
  return {
    startedAt,
    finishedAt,
    doneAt,
    next: waiting[0] ?? null,
    running: startedAt === null ? [] : waiting.flatMap((step) => runningOf(step, doneAt, heats)),
    heats,
  };
}

/** Reads a whole log against the steps of the plan that was started. */
export const progressOf = (steps: readonly Step[], events: readonly LogEvent[], sheet?: number): JobProgress =>
  progressFrom(steps, logAfter(EMPTY_LOG, events, sheet));

/**
 * Windows of one step, one for each purpose: all rules of a purpose must hold, so it opens with the last and closes
 * with the first.
 * The log knows only when a step was completed: rules that count from its start are skipped.
 */
function runningOf(step: Step, doneAt: ReadonlyMap<string, number>, heats: readonly Heat[]): RunningWindow[] {
  const rules = step.after.filter(({ code, from }) => code !== 'order' && from === 'end');
  return [...new Set(rules.map(({ code }) => code))].flatMap((code) => {
    const all = rules.filter((rule) => rule.code === code);
    // The pot life of a mix is shown at the next coat that uses it, not at all of them.
    if (remedyOf(code) === 'mix' && rules.some(({ step: other }) => !doneAt.has(other))) return [];
    const scuffed = remedyOf(code) === 'scuff' && doneAt.has(scuffId(step.id));
    const counts = all.flatMap(({ step: before, minMin, maxMin, againMin, film }): WindowCount[] => {
      const since = ruleStart(doneAt, { step: before, code });
      return since === undefined
        ? []
        : [
            {
              since,
              minMin,
              maxMin: scuffed ? null : maxMin,
              ...(againMin === undefined || scuffed ? {} : { againMin }),
              ...(film ? { film } : {}),
            },
          ];
    });
    const known = counts.map(onClock);
    const { from, to: closes } = intersectSpans(known);
    const waits = known.length < all.length;
    if (known.length === 0 || (waits && closes === null)) return [];
    const again = againOf(counts);
    return [
      {
        step: step.id,
        say: step.say,
        code,
        opens: waits ? null : from,
        closes,
        ...(again === null ? {} : { again }),
        ...(counts.some(({ film }) => film) ? { counts } : {}),
        ...(heats.length > 0 ? { heats } : {}),
      },
    ];
  });
}

/** When all that close have opened again; null where one does not. */
function againOf(counts: readonly WindowCount[]): number | null {
  const closing = counts.filter(({ maxMin }) => maxMin !== null);
  const all = closing.flatMap(({ since, againMin }) =>
    againMin === undefined ? [] : [since + againMin * MS_PER_MINUTE],
  );
  return closing.length > 0 && all.length === closing.length ? Math.max(...all) : null;
}

/** A rule on the clock, ms since 1970, in the air of the plan. */
const onClock = ({ since, minMin, maxMin }: Omit<WindowCount, 'film'>): Span => ({
  from: since + minMin * MS_PER_MINUTE,
  to: maxMin === null ? null : since + maxMin * MS_PER_MINUTE,
});

/**
 * A window recomputed in the air as measured and forecast: what counts is how far the film has dried, whatever was
 * planned.
 * @param air where it is unknown, the air of the plan is used
 */
export function windowInAir(window: RunningWindow, air: ShopAir): RunningWindow {
  const { counts, opens, closes, heats = [] } = window;
  if (!counts) return window;
  const inAir = counts.map((count) => ruleInAir(count, count.since / MS_PER_MINUTE, air, heats));
  const { from, to } = intersectSpans(inAir.map(onClock));
  const again = againOf(inAir);
  return {
    ...window,
    opens: opens === null ? null : from,
    closes: closes === null ? null : to,
    ...(again === null ? {} : { again }),
  };
}
