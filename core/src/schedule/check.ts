import { mergeHours, openMinutesBetween } from './hours';
import { type Assignment, type Schedule, type ScheduleProblem, type Shift, taskMinutes } from './problem';

/** Something a schedule does not keep. */
export interface ScheduleFault {
  readonly code:
    'missing' | 'too-early' | 'too-late' | 'hours' | 'worker-twice' | 'place-twice' | 'hands' | 'pinned' | 'length';
  readonly task: string;
  readonly other?: string;
}

const CLOSE = 1e-3;

/** Checks independently whether a schedule keeps its problem; empty if it does. */
export function scheduleFaults(
  { tasks, workers, places, nowMin }: ScheduleProblem,
  { placed }: Pick<Schedule, 'placed'>,
): ScheduleFault[] {
  const by = new Map(placed.map((assignment) => [assignment.task, assignment]));
  const hoursOf = new Map(workers.map(({ id, hours }) => [id, mergeHours(hours)]));
  const placeHours = new Map(places.map(({ id, hours }) => [id, hours && mergeHours(hours)]));
  const faults: ScheduleFault[] = [];
  const add = (code: ScheduleFault['code'], task: string, other?: string) =>
    faults.push({ code, task, ...(other === undefined ? {} : { other }) });
  for (const task of tasks) {
    const assignment = by.get(task.id);
    if (!assignment) {
      add('missing', task.id);
      continue;
    }
    if (assignment.startMin < Math.max(nowMin, task.earliestMin) - CLOSE) add('too-early', task.id);
    if (task.atMin !== undefined && Math.abs(assignment.startMin - Math.max(task.atMin, nowMin)) > CLOSE)
      add('pinned', task.id);
    if (task.worker !== undefined && task.hands > 0 && !assignment.workers.includes(task.worker))
      add('pinned', task.id);
    if (new Set(assignment.workers).size !== task.hands) add('hands', task.id);
    const held = task.places.map((id) => placeHours.get(id) ?? null).filter((hours) => hours !== null);
    const limits = [...assignment.workers.map((id) => hoursOf.get(id) ?? []), ...held];
    const minutes = taskMinutes(task, assignment.workers) + assignment.scuffMin;
    const paused = task.pauses && limits.length === 1;
    if (
      paused
        ? Math.abs(openMinutesBetween(limits[0]!, assignment.startMin, assignment.endMin) - minutes) > CLOSE
        : Math.abs(assignment.endMin - assignment.startMin - minutes) > CLOSE
    )
      add('length', task.id);
    if (!paused && limits.some((hours) => !inside(hours, assignment))) add('hours', task.id);
    for (const lag of task.after) {
      const other = by.get(lag.task);
      if (!other) continue;
      const since = assignment.startMin - (lag.from === 'end' ? other.endMin : other.startMin);
      if (since < lag.minMin - CLOSE) add('too-early', task.id, lag.task);
      if (
        lag.maxMin !== null &&
        since > lag.maxMin + CLOSE &&
        !(lag.scuffMin !== undefined && assignment.scuffMin >= lag.scuffMin - CLOSE)
      )
        add('too-late', task.id, lag.task);
    }
    for (const other of tasks) {
      const theirs = by.get(other.id);
      if (
        !theirs ||
        other.id <= task.id ||
        theirs.startMin >= assignment.endMin - CLOSE ||
        assignment.startMin >= theirs.endMin - CLOSE
      )
        continue;
      if (other.places.some((place) => task.places.includes(place))) add('place-twice', task.id, other.id);
      if (theirs.workers.some((worker) => assignment.workers.includes(worker))) add('worker-twice', task.id, other.id);
    }
  }
  return faults;
}

const inside = (hours: readonly Shift[], { startMin, endMin }: Assignment): boolean =>
  hours.some(({ from, to }) => from <= startMin + CLOSE && endMin <= to + CLOSE);
