import * as v from 'valibot';
import { instantText, nameText, stepText } from '../kit';
import { messageSchema } from './summary';

// The day's plan as the Clock gets it. Moments are ms since 1970.

const stepSchema = v.object({ id: v.string(), say: messageSchema });

const workSchema = v.object({
  /** Lasting name of the stretch of work. */
  id: v.string(),
  job: v.string(),
  title: v.string(),
  steps: v.array(stepSchema),
  startMs: v.number(),
  endMs: v.number(),
  /** Who does it, by id. */
  people: v.array(v.string()),
  /** The booth, the gun. */
  places: v.array(v.string()),
  /** Scuffing before it, since it comes later than it might; 0: none. */
  scuffMin: v.number(),
  /** What is wrong with the air meanwhile, and from when: °C above the dew point, or °C of the air, where it is worst. */
  air: v.array(v.object({ code: v.picklist(['dew', 'cold']), atMs: v.number(), worst: v.number() })),
  /** What a person has fixed of it; null: nothing. */
  pinned: v.nullable(v.object({ person: v.nullable(v.string()), atMs: v.nullable(v.number()) })),
  /** Last moment to begin it; `missed`: what would be missed after that, and when it would fall. Null: it may wait. */
  latest: v.nullable(
    v.object({ atMs: v.number(), missed: v.nullable(v.object({ say: messageSchema, atMs: v.number() })) }),
  ),
});
export type DayWorkAnswer = v.InferOutput<typeof workSchema>;

export const dayAnswerSchema = v.object({
  now: v.number(),
  people: v.array(v.object({ id: v.string(), name: v.string() })),
  /** In the order of time. */
  work: v.array(workSchema),
  endMs: v.nullable(v.number()),
  /** Lower bound: no plan ends sooner; `proven`: this plan reaches it. */
  leastEndMs: v.number(),
  proven: v.boolean(),
  /** What the end waits for, from the first to the last: why each does not begin sooner. */
  binding: v.array(
    v.object({
      work: v.string(),
      by: v.picklist(['now', 'earliest', 'pinned', 'drying', 'order', 'worker', 'place', 'hours']),
    }),
  ),
  /** Jobs sprayed from one mix, the second right after the first: by their titles. */
  oneMix: v.array(
    v.object({
      finish: v.string(),
      first: v.string(),
      second: v.string(),
      ml: v.number(),
      savedMin: v.number(),
      /** The step of mixing of the first, and of the second: on which sheet of which job. */
      mixes: v.array(v.object({ job: v.string(), step: stepText(), sheet: v.optional(v.number()) })),
    }),
  ),
  /** Stretches of work further on that are not planned yet. */
  more: v.number(),
  /** Constraints that cannot be kept, with suggestions. */
  troubles: v.array(messageSchema),
  /** Jobs that were sprayed in the booth lately: till when at the least others stay out. */
  booth: v.array(
    v.object({ job: v.string(), title: v.string(), twoPart: v.boolean(), untilMs: v.nullable(v.number()) }),
  ),
  missed: v.array(
    v.object({
      job: v.string(),
      title: v.string(),
      say: messageSchema,
      code: v.string(),
      closedMs: v.number(),
      againMs: v.nullable(v.number()),
    }),
  ),
});
export type DayAnswer = v.InferOutput<typeof dayAnswerSchema>;

/** Pins who does a task and when it starts; with neither, the pin is removed. */
export const pinSchema = v.strictObject({
  work: v.pipe(v.string(), v.minLength(1), v.maxLength(500)),
  person: v.nullable(nameText()),
  at: v.nullable(instantText()),
});
