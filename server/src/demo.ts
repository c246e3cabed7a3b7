import { randomUUID } from 'node:crypto';
import {
  EVENT_VERSION,
  logAsPlanned,
  type LogEvent,
  MS_PER_MINUTE,
  type Plan,
  type Step,
  timesOfPlan,
} from '@lintrel/core';

/** How far a demo job has come: the last step that is done and how long ago, and what else was written down. */
interface Story {
  readonly last: (steps: readonly Step[]) => Step | undefined;
  readonly agoMin: number;
  readonly also?: (steps: readonly Step[]) => readonly Told[];
}

/** An entry a number of minutes after a step was done. */
interface Told {
  readonly after: Step;
  readonly minutes: number;
  readonly kind: 'touch' | 'trouble' | 'note' | 'finish';
  readonly onStep: boolean;
  readonly note: string;
}

const DAY_MIN = 24 * 60;
const lastOf = (steps: readonly Step[], holds: (step: Step) => boolean): Step | undefined =>
  steps.filter((step) => step.attended && holds(step)).at(-1);
const coatsOf = (steps: readonly Step[], stage: number): Step[] =>
  steps.filter((step) => step.kind === 'coat' && step.stage === stage);

/** The demo workshop in the middle of a working day, by title of the job. What is not named here is still being set out. */
const STORIES: Readonly<Record<string, Story>> = {
  // Between two coats, the window of the next about to open.
  Juniper: { last: (steps) => coatsOf(steps, 1)[0], agoMin: 14 },
  // Its first rolled coat dries until tonight.
  Saltwort: { last: (steps) => coatsOf(steps, 2)[0], agoMin: 3 * 60 },
  // Finished last month.
  Marigold: {
    last: (steps) => lastOf(steps, () => true),
    agoMin: 29 * DAY_MIN,
    also: (steps) => {
      const [coat] = coatsOf(steps, 1);
      const pull = lastOf(steps, ({ kind }) => kind === 'pull');
      const end = lastOf(steps, () => true);
      if (!coat || !pull || !end) return [];
      return [
        { after: coat, minutes: 50, kind: 'touch', onStep: true, note: 'Still tacky at 50 min.' },
        {
          after: pull,
          minutes: 0.5,
          kind: 'trouble',
          onStep: true,
          note: 'Bleed 4 mm long at 212 mm on L1, where the tape was not pressed again before the last coat. Wiped back with thinner while it was wet.',
        },
        {
          after: end,
          minutes: 10 * 60,
          kind: 'note',
          onStep: false,
          note: 'Next time press the crossing again right before colour.',
        },
        { after: end, minutes: 33 * 60, kind: 'finish', onStep: false, note: '' },
      ];
    },
  },
};

/** A started or finished demo job: its frozen plan and its log. */
export interface StartedDemo {
  readonly plan: Plan;
  readonly log: readonly LogEvent[];
}

/**
 * Progress of a demo job. Its log is derived from its plan, so that the two always agree.
 * @param planned computes its plan on demand
 * @returns null for a job that is still being planned
 */
export function startedDemo(title: string, planned: () => Plan, now: number): StartedDemo | null {
  const story = STORIES[title];
  if (!story) return null;
  const plan = planned();
  const { steps } = plan;
  const last = story.last(steps);
  if (!last) return null;
  const doneAt = now - story.agoMin * MS_PER_MINUTE;
  const timeOf = timesOfPlan(last, doneAt);
  const storyEvents = (story.also?.(steps) ?? []).map(({ after, minutes, kind, onStep, note }): LogEvent => ({
    id: randomUUID(),
    version: EVENT_VERSION,
    at: timeOf(after.endMin + minutes),
    kind,
    step: onStep ? after.id : null,
    note,
  }));
  const log = [...logAsPlanned(steps, last, doneAt, randomUUID), ...storyEvents].sort(
    (a, b) => Date.parse(a.at) - Date.parse(b.at),
  );
  return { plan, log };
}
