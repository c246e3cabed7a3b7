import { type ChildProcess, fork } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { availableParallelism, constants, setPriority } from 'node:os';
import type { ReportProgress } from '@lintrel/core';
import { message, messageWithoutValues } from '@lintrel/core';
import type { Response } from 'express';
import { ApiError, type Refusal } from '../errors/errors';
import { ROOT, WORKER_PROCESS } from '../paths';
import type * as tasks from './tasks';
import type { WorkerAnswer, WorkerProgress, WorkerStarted } from './worker';

type Tasks = typeof tasks;

/** A task that takes more computing time, or more memory, is ended. */
const MAX_CPU_MS = 9_000;
const MAX_MEMORY_MB = 768;
/** The same on the clock: on a busy machine a task gets less computing time in a minute. */
const MAX_WALL_MS = 60_000;
/** How often the computing time of a process is looked at, ms. */
const LOOK_MS = 200;

/** Tasks worked on at once: two at least, so that one heavy task holds up nobody else's. */
export const MAX_RUNNING = Math.max(2, Math.min(4, availableParallelism()));

/** Tasks that may wait: more would wait too long anyway. */
export const MAX_WAITING = 40;

/** For whom a task is worked out. */
interface TaskOwner {
  /** The answer it is for: when its request is closed the task ends too. */
  readonly answering?: Response;
  /** Is told how far it is. */
  readonly tell?: ReportProgress | undefined;
  /** Requester: one person holds at most half of the places, and of the queue. Null without sign-in. */
  readonly person?: string | null;
}

/**
 * Processes that plans, answers, prints and files are worked out in, so that nobody waits for somebody else's. Not threads: one that
 * runs out of memory may take its whole process with it. One that is ready always stands by.
 */
export interface WorkerPool {
  /**
   * Works one thing out.
   * @returns the result; an ApiError where it takes too long, needs too much memory or too much is waiting
   */
  run<N extends keyof Tasks>(
    name: N,
    input: Parameters<Tasks[N]>[0],
    task?: TaskOwner,
  ): Promise<Awaited<ReturnType<Tasks[N]>>>;
  close(): Promise<void>;
}

/** A task that waits for a place. */
interface Waiting {
  readonly person: string | null;
  readonly begin: () => void;
}

/** Opens the processes; the first is ready as soon as it has loaded. */
export function openWorkerPool({
  maxCpuMs = MAX_CPU_MS,
  maxWallMs = MAX_WALL_MS,
  maxMemoryMb = MAX_MEMORY_MB,
} = {}): WorkerPool {
  const idle: ChildProcess[] = [];
  const alive = new Set<ChildProcess>();
  const queue: Waiting[] = [];
  const atWork: (string | null)[] = [];
  let closing = false;

  function started(): ChildProcess {
    const child = fork(WORKER_PROCESS.file, {
      cwd: ROOT,
      execArgv: [`--max-old-space-size=${maxMemoryMb}`, ...WORKER_PROCESS.needs],
      serialization: 'advanced',
      stdio: ['ignore', 'inherit', 'ignore', 'ipc'],
    });
    alive.add(child);
    lowerPriority(child);
    child.on('error', () => undefined);
    child.once('exit', () => {
      alive.delete(child);
      if (idle.includes(child)) idle.splice(idle.indexOf(child), 1);
    });
    return child;
  }
  const taken = (): ChildProcess => {
    const child = idle.pop() ?? started();
    // The next task finds a process that has loaded, also while this one is at work or after it was ended.
    if (idle.length === 0 && !closing) idle.push(started());
    return child;
  };
  const mayBegin = (person: string | null) =>
    atWork.length < MAX_RUNNING && (person === null || count(atWork, person) < MAX_RUNNING / 2);
  /** The first in the queue that may begin takes over a place. */
  function release(person: string | null): void {
    atWork.splice(atWork.indexOf(person), 1);
    const next = queue.findIndex((queued) => mayBegin(queued.person));
    if (next < 0) return;
    const [{ person: of, begin }] = queue.splice(next, 1) as [Waiting];
    atWork.push(of);
    begin();
  }
  idle.push(started());

  return {
    async run(name, input, { answering, tell, person = null } = {}) {
      if (closing) throw stopping();
      const waits = !mayBegin(person);
      const tooMany =
        person === null
          ? 0
          : count(
              queue.map((queued) => queued.person),
              person,
            );
      if (waits && (queue.length >= MAX_WAITING || tooMany >= MAX_WAITING / 2)) throw busy();
      const ending = new AbortController();
      const { signal } = ending;
      const closed = () => ending.abort(new ApiError(499, 'aborted', messageWithoutValues('server.closed')));
      answering?.once('close', closed);
      const tooLong = setTimeout(() => ending.abort(busyMachine(maxWallMs)), maxWallMs);
      try {
        if (waits) {
          tell?.({ doing: 'waiting', done: 0, of: 0 });
          await turn(queue, person, signal);
        } else atWork.push(person);
        try {
          const child = taken();
          const lost = () => (closing ? stopping() : tooMuch(messageWithoutValues('server.too-much-memory')));
          const value = await worked(child, { name, input }, { ending, lost, tell, maxCpuMs });
          if (!closing) idle.push(child);
          endSpare();
          return value as never;
        } finally {
          release(person);
        }
      } finally {
        clearTimeout(tooLong);
        answering?.off('close', closed);
      }
    },
    async close() {
      closing = true;
      const gone = [...alive].map((child) => new Promise((done) => child.once('exit', done)));
      for (const child of alive) child.kill('SIGKILL');
      await Promise.all(gone);
    },
  };

  /** Of processes that stand by, those beyond what can be at work at once and one more are ended. */
  function endSpare(): void {
    while (idle.length > MAX_RUNNING + 1) idle.shift()!.kill('SIGKILL');
  }
}

const count = (people: readonly (string | null)[], person: string): number =>
  people.filter((other) => other === person).length;

/** Requests that only look, tap or save go before what is worked out. */
function lowerPriority({ pid }: ChildProcess): void {
  try {
    if (pid !== undefined) setPriority(pid, constants.priority.PRIORITY_LOW);
  } catch {
    // It has ended already, or this machine does not allow it: all are alike then.
  }
}

/** Ticks of the clock of processes a second: 100 on every Linux that Node runs on. */
const TICKS_PER_SECOND = 100;

/** Computing time a process has used so far, ms; null where this machine does not tell. Source: proc(5), fields 14 and 15 of stat. */
function cpuMsOf(pid: number): number | null {
  try {
    const fields = readFileSync(`/proc/${pid}/stat`, 'utf8')
      .replace(/^.*\)\s/s, '')
      .split(' ');
    return ((Number(fields[11]) + Number(fields[12])) / TICKS_PER_SECOND) * 1000;
  } catch {
    return null;
  }
}

/**
 * Looks at the computing time of a process while it works on a task.
 * @param over called once it has used too much; where computing time cannot be told, once as much has passed on the clock
 * @returns how to end that
 */
function watchCpu({ pid = 0 }: ChildProcess, maxCpuMs: number, over: () => void): () => void {
  const [since, before] = [Date.now(), cpuMsOf(pid)];
  const timer = setInterval(
    () => {
      const now = cpuMsOf(pid);
      const usedMs = now === null || before === null ? Date.now() - since : now - before;
      if (usedMs < maxCpuMs) return;
      clearInterval(timer);
      over();
    },
    Math.min(LOOK_MS, maxCpuMs),
  );
  return () => clearInterval(timer);
}

/** Waits for a turn; one that is given up leaves the queue. */
function turn(queue: Waiting[], person: string | null, signal: AbortSignal): Promise<void> {
  return new Promise((done, failed) => {
    const waiting = { person, begin: done };
    queue.push(waiting);
    signal.addEventListener('abort', () => {
      const place = queue.indexOf(waiting);
      if (place < 0) return;
      queue.splice(place, 1);
      failed(signal.reason as Error);
    });
  });
}

interface Work {
  readonly ending: AbortController;
  /** Why a process ended by itself. */
  readonly lost: () => ApiError;
  readonly tell: ReportProgress | undefined;
  readonly maxCpuMs: number;
}

/** Has a process work something out; one that is given up is ended at once. Its computing time counts from when it has loaded. */
function worked(child: ChildProcess, asked: object, { ending, lost, tell, maxCpuMs }: Work): Promise<unknown> {
  const { signal } = ending;
  return new Promise((done, failed) => {
    let stopWatching = () => undefined as void;
    const end = (settle: () => void) => {
      stopWatching();
      child.off('message', heard);
      child.off('exit', gone);
      signal.removeEventListener('abort', givenUp);
      settle();
    };
    const heard = (answer: WorkerAnswer | WorkerProgress | WorkerStarted) => {
      if ('begun' in answer)
        stopWatching = watchCpu(child, maxCpuMs, () =>
          ending.abort(tooMuch(message('server.too-much-computing', { seconds: maxCpuMs / 1000 }))),
        );
      else if ('progress' in answer) tell?.(answer.progress);
      else end(() => (answer.ok ? done(answer.value) : failed(new Error(answer.stack))));
    };
    const gone = () => end(() => failed(lost()));
    const givenUp = () =>
      end(() => {
        child.kill('SIGKILL');
        failed(signal.reason as Error);
      });
    child.on('message', heard);
    child.once('exit', gone);
    if (signal.aborted) return givenUp();
    signal.addEventListener('abort', givenUp);
    child.send(asked);
  });
}

const tooMuch = (why: Refusal): ApiError => new ApiError(422, 'too-much', why);

const busyMachine = (maxWallMs: number): ApiError =>
  new ApiError(503, 'busy', message('server.busy-machine', { seconds: maxWallMs / 1000 }));

const busy = (): ApiError => new ApiError(503, 'busy', messageWithoutValues('server.busy'));

const stopping = (): ApiError => new ApiError(503, 'stopping', messageWithoutValues('server.stopping'));
