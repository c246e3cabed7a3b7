// A process of the workshop: it works out one thing after another, and nobody else is lost with it.
import type { ReportProgress, WorkProgress } from '@lintrel/core';
import * as tasks from './tasks';

/** What a process is asked, and what it answers. */
export interface WorkerTask {
  readonly name: keyof typeof tasks;
  readonly input: unknown;
}
export type WorkerAnswer =
  { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly stack: string };

/** First of all: it has loaded, and works on it now. */
export interface WorkerStarted {
  readonly begun: true;
}

/** On the way to it, now and then, how far it is. */
export interface WorkerProgress {
  readonly progress: WorkProgress;
}

/** More often nobody can read it, ms. */
const TELL_EVERY_MS = 100;

process.on('message', ({ name, input }: WorkerTask) => {
  const work = tasks[name] as (input: unknown, tell: ReportProgress) => unknown;
  const answer = (worked: WorkerAnswer | WorkerProgress | WorkerStarted) => process.send?.(worked);
  answer({ begun: true });
  let [doing, told] = ['', 0];
  const tell: ReportProgress = (progress) => {
    if (progress.doing === doing && Date.now() - told < TELL_EVERY_MS) return;
    [doing, told] = [progress.doing, Date.now()];
    answer({ progress });
  };
  void Promise.resolve()
    .then(() => work(input, tell))
    .then(
      (value) => answer({ ok: true, value }),
      (error: Error) => answer({ ok: false, stack: String(error.stack ?? error) }),
    );
});
// The server is gone: nobody waits for an answer any more.
process.on('disconnect', () => process.exit());
