import type { Response } from 'express';
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import Piscina from 'piscina';
import { ApiError } from '../http/errors';
import type * as tasks from './tasks';

type Tasks = typeof tasks;

/** What takes longer, or more memory, is not worked out. */
const MOST_MS = 20_000;
const MOST_MEMORY_MB = 768;

/** Two at least: one heavy job holds up nobody else's. */
export const MOST_THREADS = Math.max(2, Math.min(4, availableParallelism()));

/** More than this waiting would wait too long anyway. */
export const MOST_WAITING = 40;

/** Threads that plans, answers, prints and files are worked out in, so that nobody waits for somebody else's. */
export interface Workshop {
  /**
   * Works one thing out.
   * @param answering the answer it is for: when its request is closed the work ends too
   * @returns the result; an ApiError where it takes too long, needs too much memory or too much is waiting
   */
  run<N extends keyof Tasks>(name: N, input: Parameters<Tasks[N]>[0], answering?: Response): Promise<Awaited<ReturnType<Tasks[N]>>>;
  close(): Promise<void>;
}

/** Opens the threads; the first is ready as soon as it has loaded. */
export function openWorkshop({ mostMs = MOST_MS, mostMemoryMb = MOST_MEMORY_MB } = {}): Workshop {
  const threads = new Piscina({
    filename: fileURLToPath(new URL('./start-thread.mjs', import.meta.url)),
    minThreads: 1,
    maxThreads: MOST_THREADS,
    idleTimeout: 60_000,
    resourceLimits: { maxOldGenerationSizeMb: mostMemoryMb },
  });
  // A thread that ran out of memory is replaced; whoever waited for it is told by its own promise.
  threads.on('error', () => undefined);
  let running = 0;
  return {
    async run(name, input, answering) {
      if (running >= MOST_THREADS + MOST_WAITING) throw busy();
      const ended = new AbortController();
      const waits = running >= MOST_THREADS;
      const tooLong = setTimeout(() => ended.abort(waits ? busy() : tooMuch(`takes longer than ${mostMs / 1000} s`)), mostMs);
      const closed = () => ended.abort(new ApiError(499, 'aborted', 'The request was closed.'));
      answering?.once('close', closed);
      running++;
      try {
        return (await threads.run(input, { name, signal: ended.signal })) as never;
      } catch (error) {
        throw ended.signal.aborted ? ended.signal.reason : refusalFor(error);
      } finally {
        running--;
        clearTimeout(tooLong);
        answering?.off('close', closed);
      }
    },
    close: () => threads.destroy(),
  };
}

const tooMuch = (why: string): ApiError =>
  new ApiError(422, 'too-much', `This ${why} to work out. Make it simpler: fewer lines, bands or places, or several jobs.`);

const busy = (): ApiError => new ApiError(503, 'busy', 'Too much is being worked out at once. Try again in a moment.');

function refusalFor(error: unknown): unknown {
  const { code = '', message = '' } = error as { code?: string; message?: string };
  if (code === 'ERR_WORKER_OUT_OF_MEMORY') return tooMuch('needs more memory than it may take');
  if (/terminat|destroy/i.test(message)) return new ApiError(503, 'stopping', 'The server is stopping. Try again in a moment.');
  return error;
}
