import { Worker } from 'node:worker_threads';
import type { DrawingReply, DrawingTask } from './drawing-thread';

/** A drawing that takes longer, or more memory, is not read. */
const MOST_MS = 15_000;
const MOST_MEMORY_MB = 768;

/**
 * Reads a drawing in a thread of its own, so that a bad file neither holds up the server nor fills its memory.
 * @returns what is in it, or a sentence why it cannot be read
 */
export function readInThread(task: DrawingTask, mostMs = MOST_MS): Promise<DrawingReply> {
  return new Promise((resolve) => {
    const thread = new Worker(new URL('./start-thread.mjs', import.meta.url), {
      workerData: task,
      resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
    });
    const end = (reply: DrawingReply) => {
      clearTimeout(timer);
      void thread.terminate();
      resolve(reply);
    };
    const timer = setTimeout(
      () => end({ ok: false, message: `The drawing takes longer than ${mostMs / 1000} s to read. Simplify it and save it again.` }),
      mostMs,
    );
    thread.once('message', end);
    thread.once('error', (error: NodeJS.ErrnoException) =>
      end({
        ok: false,
        message:
          error.code === 'ERR_WORKER_OUT_OF_MEMORY'
            ? 'The drawing needs more memory than it may take. Simplify it and save it again.'
            : 'The drawing could not be read.',
      }),
    );
  });
}
