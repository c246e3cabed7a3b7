// A process of the workshop: it works out one thing after another, and nobody else is lost with it.
import * as tasks from './tasks';

/** What a process is asked, and what it answers. */
export interface Asked {
  readonly name: keyof typeof tasks;
  readonly input: unknown;
}
export type Worked = { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly stack: string };

process.on('message', ({ name, input }: Asked) => {
  const work = tasks[name] as (input: unknown) => unknown;
  const answer = (worked: Worked) => process.send?.(worked);
  void Promise.resolve()
    .then(() => work(input))
    .then(
      (value) => answer({ ok: true, value }),
      (error: Error) => answer({ ok: false, stack: String(error.stack ?? error) }),
    );
});
// The server is gone: nobody waits for an answer any more.
process.on('disconnect', () => process.exit());
