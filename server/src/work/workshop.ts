import { fork, type ChildProcess } from 'node:child_process';
import { availableParallelism, constants, setPriority } from 'node:os';
import type { TellProgress } from '@lintrel/core';
import type { Response } from 'express';
import { ApiError } from '../http/errors';
import { ROOT, SERVE } from '../places';
import type { OnTheWay, Worked } from './serve';
import type * as tasks from './tasks';

type Tasks = typeof tasks;

/** What takes longer, or more memory, is not worked out. */
const MOST_MS = 9_000;
const MOST_MEMORY_MB = 768;

/** Two at least: one heavy job holds up nobody else's. */
export const MOST_AT_ONCE = Math.max(2, Math.min(4, availableParallelism()));

/** More than this waiting would wait too long anyway. */
export const MOST_WAITING = 40;

/**
 * Processes that plans, answers, prints and files are worked out in, so that nobody waits for somebody else's. Not threads: one that
 * runs out of memory may take its whole process with it.
 */
export interface Workshop {
  /**
   * Works one thing out.
   * @param answering the answer it is for: when its request is closed the work ends too
   * @param tell is told how far it is
   * @returns the result; an ApiError where it takes too long, needs too much memory or too much is waiting
   */
  run<N extends keyof Tasks>(name: N, input: Parameters<Tasks[N]>[0], answering?: Response, tell?: TellProgress): Promise<Awaited<ReturnType<Tasks[N]>>>;
  close(): Promise<void>;
}

/** Opens the processes; the first is ready as soon as it has loaded. */
export function openWorkshop({ mostMs = MOST_MS, mostMemoryMb = MOST_MEMORY_MB } = {}): Workshop {
  const idle: ChildProcess[] = [];
  const alive = new Set<ChildProcess>();
  const queue: (() => void)[] = [];
  let atWork = 0;
  let closing = false;

  function started(): ChildProcess {
    const child = fork(SERVE.file, {
      cwd: ROOT,
      execArgv: [`--max-old-space-size=${mostMemoryMb}`, ...SERVE.needs],
      serialization: 'advanced',
      stdio: ['ignore', 'inherit', 'ignore', 'ipc'],
    });
    alive.add(child);
    yields(child);
    child.on('error', () => undefined);
    child.once('exit', () => {
      alive.delete(child);
      if (idle.includes(child)) idle.splice(idle.indexOf(child), 1);
    });
    return child;
  }
  /** Whoever waits longest takes over the place. */
  function released(): void {
    const next = queue.shift();
    if (next) next();
    else atWork--;
  }
  idle.push(started());

  return {
    async run(name, input, answering, tell) {
      if (closing) throw stopping();
      if (atWork + queue.length >= MOST_AT_ONCE + MOST_WAITING) throw busy();
      const ended = new AbortController();
      const { signal } = ended;
      const closed = () => ended.abort(new ApiError(499, 'aborted', 'The request was closed.'));
      answering?.once('close', closed);
      let waiting = atWork >= MOST_AT_ONCE;
      const tooLong = setTimeout(() => ended.abort(waiting ? busy() : tooMuch(`takes longer than ${mostMs / 1000} s`)), mostMs);
      try {
        if (waiting) {
          tell?.({ doing: 'waiting', done: 0, of: 0 });
          await turn(queue, signal);
        } else atWork++;
        waiting = false;
        try {
          const child = idle.pop() ?? started();
          const lost = () => (closing ? stopping() : tooMuch('needs more memory than it may take'));
          const value = await worked(child, { name, input }, { signal, lost, tell });
          if (!closing) idle.push(child);
          return value as never;
        } finally {
          released();
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
}

/** Whoever only looks, taps or saves goes before what is worked out. */
function yields({ pid }: ChildProcess): void {
  try {
    if (pid !== undefined) setPriority(pid, constants.priority.PRIORITY_LOW);
  } catch {
    // It has ended already, or this machine does not let us: all are alike then.
  }
}

/** Waits for a turn; whoever gives up leaves the queue. */
function turn(queue: (() => void)[], signal: AbortSignal): Promise<void> {
  return new Promise((done, failed) => {
    queue.push(done);
    signal.addEventListener('abort', () => {
      const place = queue.indexOf(done);
      if (place < 0) return;
      queue.splice(place, 1);
      failed(signal.reason as Error);
    });
  });
}

/**
 * Has a process work something out; one that is given up is ended at once.
 * @param lost why a process ended by itself
 */
function worked(
  child: ChildProcess,
  asked: object,
  { signal, lost, tell }: { readonly signal: AbortSignal; readonly lost: () => ApiError; readonly tell: TellProgress | undefined },
): Promise<unknown> {
  return new Promise((done, failed) => {
    const end = (settle: () => void) => {
      child.off('message', heard);
      child.off('exit', gone);
      signal.removeEventListener('abort', givenUp);
      settle();
    };
    const heard = (answer: Worked | OnTheWay) =>
      'progress' in answer ? tell?.(answer.progress) : end(() => (answer.ok ? done(answer.value) : failed(new Error(answer.stack))));
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

const tooMuch = (why: string): ApiError =>
  new ApiError(422, 'too-much', `This ${why} to work out. Make it simpler: fewer lines, bands or places, or several jobs.`);

const busy = (): ApiError => new ApiError(503, 'busy', 'Too much is being worked out at once. Try again in a moment.');

const stopping = (): ApiError => new ApiError(503, 'stopping', 'The server is stopping. Try again in a moment.');
