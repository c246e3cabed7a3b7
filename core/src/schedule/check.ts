import { mergeHours, openMinutesBetween } from './hours';
import {
  type Assignment,
  type Lag,
  type Schedule,
  type ScheduleProblem,
  type Shift,
  type Task,
  taskMinutes,
} from './problem';

/** Something a schedule does not keep. */
export interface ScheduleFault {
  readonly code:
    'missing' | 'too-early' | 'too-late' | 'hours' | 'worker-twice' | 'place-twice' | 'hands' | 'pinned' | 'length';
  readonly task: string;
  readonly other?: string;
}

const CLOSE = 1e-3;

/** Checks independently whether a schedule keeps its problem; empty if it does. */
export function scheduleFaults(problem: ScheduleProblem, { placed }: Pick<Schedule, 'placed'>): ScheduleFault[] {
  const by: Assignments = new Map(placed.map((assignment) => [assignment.task, assignment]));
  const limitsOf = hoursLookup(problem);
  return problem.tasks.flatMap((task) => {
    const assignment = by.get(task.id);
    if (!assignment) return [faultOf('missing', task.id)];
    return [
      ...assignmentFaults(task, assignment, problem.nowMin),
      ...hoursFaults(task, assignment, limitsOf(task, assignment)),
      ...task.after.flatMap((lag) => lagFaults(task, assignment, lag, by)),
      ...problem.tasks.flatMap((other) => clashFaults(task, assignment, other, by.get(other.id))),
    ];
  });
}

type Assignments = ReadonlyMap<string, Assignment>;

const faultOf = (code: ScheduleFault['code'], task: string, other?: string): ScheduleFault => ({
  code,
  task,
  ...(other === undefined ? {} : { other }),
});

/** Too early, not as a person fixed it, or with the wrong number of hands. */
function assignmentFaults(task: Task, { startMin, workers }: Assignment, nowMin: number): ScheduleFault[] {
  const codes: ScheduleFault['code'][] = [];
  if (startMin < Math.max(nowMin, task.earliestMin) - CLOSE) codes.push('too-early');
  if (task.atMin !== undefined && Math.abs(startMin - Math.max(task.atMin, nowMin)) > CLOSE) codes.push('pinned');
  if (task.worker !== undefined && task.hands > 0 && !workers.includes(task.worker)) codes.push('pinned');
  if (new Set(workers).size !== task.hands) codes.push('hands');
  return codes.map((code) => faultOf(code, task.id));
}

/** Hours of everybody and every place a task needs. */
function hoursLookup({ workers, places }: ScheduleProblem) {
  const hoursOf = new Map(workers.map(({ id, hours }) => [id, mergeHours(hours)]));
  const placeHours = new Map(places.map(({ id, hours }) => [id, hours && mergeHours(hours)]));
  return (task: Task, assignment: Assignment): readonly (readonly Shift[])[] => [
    ...assignment.workers.map((id) => hoursOf.get(id) ?? []),
    ...task.places.map((id) => placeHours.get(id) ?? null).filter((hours) => hours !== null),
  ];
}

/** The wrong length, or outside the hours of a person or place it needs. */
function hoursFaults(
  task: Task,
  assignment: Assignment,
  limits: readonly (readonly Shift[])[],
): readonly ScheduleFault[] {
  const minutes = taskMinutes(task, assignment.workers) + assignment.scuffMin;
  const paused = task.pauses && limits.length === 1;
  const length = paused
    ? openMinutesBetween(limits[0]!, assignment.startMin, assignment.endMin)
    : assignment.endMin - assignment.startMin;
  return [
    ...(Math.abs(length - minutes) > CLOSE ? [faultOf('length', task.id)] : []),
    ...(!paused && limits.some((hours) => !inside(hours, assignment)) ? [faultOf('hours', task.id)] : []),
  ];
}

/** Sooner or later after another task than it may be. */
function lagFaults(task: Task, assignment: Assignment, lag: Lag, by: Assignments): ScheduleFault[] {
  const other = by.get(lag.task);
  if (!other) return [];
  const since = assignment.startMin - (lag.from === 'end' ? other.endMin : other.startMin);
  const scuffed = lag.scuffMin !== undefined && assignment.scuffMin >= lag.scuffMin - CLOSE;
  return [
    ...(since < lag.minMin - CLOSE ? [faultOf('too-early', task.id, lag.task)] : []),
    ...(lag.maxMin !== null && since > lag.maxMin + CLOSE && !scuffed ? [faultOf('too-late', task.id, lag.task)] : []),
  ];
}

/** One place or one person in two tasks at once; reported once per pair. */
function clashFaults(task: Task, mine: Assignment, other: Task, theirs: Assignment | undefined): ScheduleFault[] {
  const apart = !theirs || theirs.startMin >= mine.endMin - CLOSE || mine.startMin >= theirs.endMin - CLOSE;
  if (apart || other.id <= task.id) return [];
  return [
    ...(other.places.some((place) => task.places.includes(place)) ? [faultOf('place-twice', task.id, other.id)] : []),
    ...(theirs.workers.some((worker) => mine.workers.includes(worker))
      ? [faultOf('worker-twice', task.id, other.id)]
      : []),
  ];
}

const inside = (hours: readonly Shift[], { startMin, endMin }: Assignment): boolean =>
  hours.some(({ from, to }) => from <= startMin + CLOSE && endMin <= to + CLOSE);
