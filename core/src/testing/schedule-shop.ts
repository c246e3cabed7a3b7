import type { Lag, ScheduleProblem, Task } from '../schedule/problem';

/** A task for one hand, an hour of the day whatever, after nothing. */
export const task = (id: string, minutes: number, more: Partial<Task> = {}): Task => ({
  id,
  job: 'job',
  minutes,
  hands: 1,
  places: [],
  earliestMin: 0,
  pauses: false,
  after: [],
  ...more,
});
export const after = (other: string, minMin = 0, maxMin: number | null = null): Lag => ({
  task: other,
  from: 'end',
  minMin,
  maxMin,
});

/** Shops of some jobs, each washed, masked, coated twice in the booth and pulled in time. */
export function shopOf(jobs: number, seed: number): ScheduleProblem {
  let state = seed;
  const random = (most: number) =>
    Math.floor(((state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32) * most);
  const day = (number: number) => ({ from: number * 1440 + 480, to: number * 1440 + 1020 });
  const tasks = Array.from({ length: jobs }, (_, job) => {
    const id = (kind: string) => `${job}:${kind}`;
    const taskOf = (kind: string, more: Partial<Task>) => task(id(kind), 10 + random(60), { job: `${job}`, ...more });
    return [
      taskOf('wash', {}),
      taskOf('mask', { after: [after(id('wash'))] }),
      taskOf('coat1', { places: ['booth'], after: [after(id('mask'))] }),
      taskOf('coat2', { places: ['booth'], after: [after(id('coat1'), 30 + random(30), 90 + random(60))] }),
      taskOf('pull', { after: [after(id('coat2'), 20 + random(40), 160 + random(60))] }),
    ];
  });
  return {
    tasks: tasks.flat(),
    workers: ['ada', 'bo'].map((worker) => ({ id: worker, hours: [0, 1, 2].map(day) })),
    places: [{ id: 'booth', hours: null }],
    nowMin: 480,
  };
}
