import type { LogEvent } from './event';
import type { Step, StepWindow } from './step';

/** A wait that is on now. */
export interface RunningWindow {
  readonly step: string;
  readonly title: string;
  readonly what: string;
  /** Instants in ms since 1970; `closes` null: it does not close. */
  readonly opens: number;
  readonly closes: number | null;
}

/** How far a job has come in the shop. */
export interface JobProgress {
  readonly startedAt: number | null;
  readonly finishedAt: number | null;
  /** When each step was done, ms; steps taken back are not in it. */
  readonly doneAt: ReadonlyMap<string, number>;
  /** The first step not done yet; null when all are. */
  readonly next: Step | null;
  readonly running: readonly RunningWindow[];
}

/**
 * Reads a log against the steps of the plan that was started.
 * @param events in any order; ties go by their place in the list
 */
export function progressOf(steps: readonly Step[], events: readonly LogEvent[]): JobProgress {
  const doneAt = new Map<string, number>();
  let startedAt: number | null = null;
  let finishedAt: number | null = null;
  for (const event of [...events].sort((a, b) => Date.parse(a.at) - Date.parse(b.at))) {
    const at = Date.parse(event.at);
    if (event.kind === 'start') {
      // A later start is a new beginning with the plan of that moment.
      startedAt = at;
      finishedAt = null;
      doneAt.clear();
    }
    if (event.kind === 'finish') finishedAt = at;
    if (event.step === null) continue;
    if (event.kind === 'done') doneAt.set(event.step, at);
    if (event.kind === 'undo') doneAt.delete(event.step);
  }
  const waiting = finishedAt === null ? steps.filter(({ id }) => !doneAt.has(id)) : [];
  return {
    startedAt,
    finishedAt,
    doneAt,
    next: waiting[0] ?? null,
    running: startedAt === null ? [] : waiting.flatMap((step) => runningOf(step, doneAt)),
  };
}

/** How a window stands at an instant. */
export type WindowState = 'before' | 'open' | 'passed';

/** State of a window at `now` (ms since 1970). */
export function windowState({ opens, closes }: Pick<RunningWindow, 'opens' | 'closes'>, now: number): WindowState {
  if (now < opens) return 'before';
  return closes === null || now <= closes ? 'open' : 'passed';
}

function runningOf(step: Step, doneAt: ReadonlyMap<string, number>): RunningWindow[] {
  return step.windows.flatMap((window) => {
    const since = doneAt.get(window.after);
    return since === undefined ? [] : [{ step: step.id, title: step.title, what: window.what, ...onClock(window, since) }];
  });
}

const onClock = ({ fromMin, toMin }: StepWindow, since: number): { opens: number; closes: number | null } => ({
  opens: since + fromMin * 60_000,
  closes: toMin === null ? null : since + toMin * 60_000,
});
