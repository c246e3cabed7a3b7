import { TOLERANCE } from '../kit';
/** A stretch of time, minutes on the clock of the problem. */
export interface Shift {
  readonly from: number;
  readonly to: number;
}

/** A person and their hours; in order of time, without overlap. */
interface Worker {
  readonly id: string;
  readonly hours: readonly Shift[];
}

/** A resource that one task at a time may hold: the booth, a gun, the warm room. */
interface Facility {
  readonly id: string;
  /** Null: it may be used at any time. */
  readonly hours: readonly Shift[] | null;
}

/** A task begins no sooner than `minMin` after another has begun or ended, and no later than `maxMin`. */
export interface Lag {
  readonly task: string;
  readonly from: 'start' | 'end';
  readonly minMin: number;
  readonly maxMin: number | null;
  /**
   * Exceeding the maximum is allowed, and the task then takes longer by this, for scuffing and cleaning. Left out:
   * not allowed.
   */
  readonly scuffMin?: number;
}

export interface Task {
  readonly id: string;
  readonly job: string;
  readonly minutes: number;
  /** Of people who take longer or shorter, by their id; several together take as long as the slowest of them. Left out: all take the same. */
  readonly minutesBy?: Readonly<Record<string, number>>;
  /** Number of people who work on it all the time; 0: none. */
  readonly hands: number;
  /** What it holds while it lasts. */
  readonly places: readonly string[];
  /** Not before this. */
  readonly earliestMin: number;
  /** May be interrupted at closing time and continued the next day. */
  readonly pauses: boolean;
  readonly after: readonly Lag[];
  /** Pinned by a person: who does it, and when it begins. */
  readonly worker?: string;
  readonly atMin?: number;
}

/** What is to be done, by whom, where. Tasks that name others name tasks of the same problem. */
export interface ScheduleProblem {
  readonly tasks: readonly Task[];
  readonly workers: readonly Worker[];
  readonly places: readonly Facility[];
  /** Nothing begins before. */
  readonly nowMin: number;
}

/** When a task is done, and by whom. */
export interface Assignment {
  readonly task: string;
  readonly startMin: number;
  readonly endMin: number;
  readonly workers: readonly string[];
  /** Minutes of scuffing before it, since it comes later than it might. */
  readonly scuffMin: number;
}

export interface Schedule {
  readonly placed: readonly Assignment[];
  /** When all is done. */
  readonly endMin: number;
  /** All scuffing. */
  readonly scuffMin: number;
}

/** Minutes of a task, depending on who does it. */
export const taskMinutes = (
  { minutes, minutesBy }: Pick<Task, 'minutes' | 'minutesBy'>,
  workers: readonly string[],
): number =>
  workers.length === 0 || !minutesBy ? minutes : Math.max(...workers.map((id) => minutesBy[id] ?? minutes));

/** Times that differ by less are the same. */
export const TIME_TOLERANCE_MIN = TOLERANCE.timeMin;
