import { TOLERANCE } from '../kit';
import type { Assignment, Task } from '../schedule';
import { type DayWork, gunFacility, type RunningJob } from './tasks';

/** A colour of one job in the gun: from its first coat until the gun is cleaned, by names of the tasks. */
export interface GunUse {
  readonly job: string;
  readonly stage: number | null;
  readonly finish: string;
  /** The place it holds. */
  readonly gun: string;
  readonly coats: readonly string[];
  readonly clean: string;
  /** It is in the gun already: some of its coats are on, and the gun is not clean. */
  readonly begun: boolean;
}

/** The turns of the gun that are left. What goes through no gun, or is never cleaned out of it, has none. */
export function gunUses(work: readonly DayWork[], jobs: readonly RunningJob[]): GunUse[] {
  const taskOf = new Map(
    work.flatMap(({ job, task, steps }) => steps.map(({ id }) => [`${job} ${id}`, task.id] as const)),
  );
  return jobs.flatMap(({ id: job, steps, doneMin }) =>
    steps.flatMap((clean): GunUse[] => {
      const end = clean.kind === 'gun-clean' ? taskOf.get(`${job} ${clean.id}`) : undefined;
      if (end === undefined) return [];
      const all = steps.filter(
        ({ kind, stage, needs }) => kind === 'coat' && stage === clean.stage && needs.includes('gun'),
      );
      const left = all.flatMap(({ id }) => taskOf.get(`${job} ${id}`) ?? []);
      const [first] = all;
      const gun = first ? gunFacility(first) : null;
      if (!first || gun === null) return [];
      return [
        {
          job,
          stage: clean.stage,
          finish: String(first.say.values.finish),
          gun,
          coats: left,
          clean: end,
          begun: all.some(({ id }) => doneMin.has(id)),
        },
      ];
    }),
  );
}

/** A turn of the gun that runs into another: it is to wait until the gun is clean. */
export interface GunConflict {
  readonly waits: GunUse;
  readonly until: GunUse;
}

/**
 * Finds colours that overlap in the gun: one is sprayed before another has been cleaned out. The same colour may
 * follow itself.
 * @returns the first conflict, in which the use that starts later waits; null if there is none
 */
export function gunConflict(
  work: readonly DayWork[],
  jobs: readonly RunningJob[],
  placed: readonly Assignment[],
  nowMin: number,
): GunConflict | null {
  const assignmentOf = new Map(placed.map((assignment) => [assignment.task, assignment]));
  const turns = gunUses(work, jobs)
    .flatMap((turn) => {
      const coats = turn.coats.flatMap((task) => assignmentOf.get(task) ?? []);
      const clean = assignmentOf.get(turn.clean);
      if (!clean || coats.length < turn.coats.length) return [];
      return [{ turn, coats, from: turn.begun ? nowMin : (coats[0]?.startMin ?? Infinity), to: clean.endMin }];
    })
    .sort((a, b) => a.from - b.from);
  for (const [index, one] of turns.entries())
    for (const other of turns.slice(index + 1)) {
      const meet =
        other.turn.gun === one.turn.gun &&
        other.turn.finish !== one.turn.finish &&
        other.coats.some(({ startMin }) => startMin < one.to - TOLERANCE.timeMin);
      if (meet) return { waits: other.turn, until: one.turn };
    }
  return null;
}

/** The tasks with the one turn of the gun waiting for the other. */
export const withGunOrder = (tasks: readonly Task[], { waits, until }: GunConflict): Task[] =>
  tasks.map((task) =>
    task.id === waits.coats[0]
      ? { ...task, after: [...task.after, { task: until.clean, from: 'end', minMin: 0, maxMin: null }] }
      : task,
  );
