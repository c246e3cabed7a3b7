import { type StepId } from '../kit';
import type { Step } from '../runsheet';
import type { Assignment, Task } from '../schedule';
import { type GunUse, gunUses } from './gun-uses';
import { DAY_RULES } from './rules-of-thumb';
import { expectedMinutes, type PersonSpeed } from './step-minutes';
import type { DayWork, RunningJob } from './tasks';

/** Two jobs sprayed from one mix: the second right after the first, the gun cleaned once. */
export interface OneMix {
  readonly finish: string;
  readonly first: string;
  readonly second: string;
  /** What is mixed for both, ml ready to use. */
  readonly ml: number;
  /** Work it saves. */
  readonly savedMin: number;
  /** The step of mixing on the sheet of each of them. */
  readonly mixSteps: readonly [first: StepId, second: StepId];
}

/** A turn of the gun that has not begun, with the mixing before it: where, and how long that and the cleaning take. */
interface Session extends GunUse {
  readonly ml: number;
  readonly mix: string;
  readonly mixStep: StepId;
  readonly mixMin: number;
  readonly cleanMin: number;
}

/** Uses of the gun whose paint is mixed in one batch and not mixed yet. */
function sessionsIn(work: readonly DayWork[], jobs: readonly RunningJob[], speeds: readonly PersonSpeed[]): Session[] {
  return gunUses(work, jobs).flatMap((turn): Session[] => {
    const find = (kind: Step['kind']) =>
      work
        .filter(({ job }) => job === turn.job)
        .flatMap(({ task, steps }) =>
          steps
            .filter((step) => step.kind === kind && step.stage === turn.stage)
            .map((step) => ({ task: task.id, step })),
        )[0];
    const [mix, clean] = [find('mix'), find('gun-clean')];
    const { ml, coats: lot } = (mix?.step.say.values ?? {}) as { readonly ml?: number; readonly coats?: unknown };
    if (turn.begun || !mix || !clean || mix.step.say.code !== 'step.mix' || ml === undefined || lot !== undefined)
      return [];
    return [
      {
        ...turn,
        ml,
        mix: mix.task,
        mixStep: mix.step.id,
        mixMin: expectedMinutes(mix.step, speeds),
        cleanMin: expectedMinutes(clean.step, speeds),
      },
    ];
  });
}

/** Jobs that could be sprayed from one mix: of each finish the two that come first, in the order they come. */
export function pairsOf(
  work: readonly DayWork[],
  jobs: readonly RunningJob[],
  placed: readonly Assignment[],
  speeds: readonly PersonSpeed[],
): (readonly [Session, Session])[] {
  const startOf = new Map(placed.map(({ task, startMin }) => [task, startMin]));
  const sessions = sessionsIn(work, jobs, speeds)
    .filter(({ coats: [first] }) => first !== undefined && startOf.has(first))
    .sort((a, b) => startOf.get(a.coats[0]!)! - startOf.get(b.coats[0]!)!);
  return [...new Set(sessions.map(({ finish }) => finish))].flatMap((finish) => {
    const [first, ...others] = sessions.filter((session) => session.finish === finish);
    const second = others.find(({ job }) => job !== first!.job);
    return first && second ? [[first, second] as const] : [];
  });
}

/**
 * The tasks with two jobs sprayed from one mix: mixed for both before the first; the second starts while the first
 * flashes or soon after, and within the pot life; the gun is cleaned after both.
 */
export function withOneMix(tasks: readonly Task[], [first, second]: readonly [Session, Session]): Task[] {
  const shorter = ({ minutesBy, ...task }: Task, minutes: number): Task => ({
    ...task,
    minutes: Math.max(0, task.minutes - minutes),
    ...(minutesBy
      ? {
          minutesBy: Object.fromEntries(Object.entries(minutesBy).map(([id, own]) => [id, Math.max(0, own - minutes)])),
        }
      : {}),
  });
  const last = first.coats[first.coats.length - 1]!;
  return tasks.map((task) => {
    let now = task;
    if (now.id === second.mix) now = shorter(now, second.mixMin);
    if (now.id === first.clean) now = shorter(now, first.cleanMin);
    if (now.id === second.clean)
      now = { ...now, after: [...now.after, { task: last, from: 'end', minMin: 0, maxMin: null }] };
    // What counted from its own mixing counts from that of the first.
    if (second.coats.includes(now.id))
      now = {
        ...now,
        after: now.after.map((lag) =>
          lag.task === second.mix && lag.maxMin !== null ? { ...lag, task: first.mix } : lag,
        ),
      };
    if (now.id === second.coats[0])
      now = {
        ...now,
        after: [
          ...now.after,
          { task: first.mix, from: 'end', minMin: 0, maxMin: null },
          { task: first.coats[0]!, from: 'end', minMin: 0, maxMin: DAY_RULES.standsInGun },
        ],
      };
    return now;
  });
}

/** Whether no other colour goes through the gun between the first coat of the one and the last of the other. */
export function isGunFreeBetween(
  work: readonly DayWork[],
  placed: readonly Assignment[],
  [first, second]: readonly [Session, Session],
): boolean {
  const assignmentOf = new Map(placed.map((assignment) => [assignment.task, assignment]));
  const from = Math.min(assignmentOf.get(first.coats[0]!)!.startMin, assignmentOf.get(second.coats[0]!)!.startMin);
  const to = Math.max(...[...first.coats, ...second.coats].map((coat) => assignmentOf.get(coat)!.endMin));
  const ownCoats = new Set([...first.coats, ...second.coats]);
  return !work.some(({ task, steps }) => {
    const there = assignmentOf.get(task.id);
    return (
      there !== undefined &&
      task.places.includes(first.gun) &&
      !ownCoats.has(task.id) &&
      steps.some(({ say }) => say.values.finish !== first.finish) &&
      there.endMin > from &&
      there.startMin < to
    );
  });
}

/** What is reported about a pair. */
export const pairMessage = ([first, second]: readonly [Session, Session]): OneMix => ({
  finish: first.finish,
  first: first.job,
  second: second.job,
  ml: first.ml + second.ml,
  savedMin: second.mixMin + first.cleanMin,
  mixSteps: [first.mixStep, second.mixStep],
});
