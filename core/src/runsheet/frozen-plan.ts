import * as v from 'valibot';
import type { FrozenPlan } from './work-sheet';

// Fields a run sheet needs of an imported frozen plan. Everything else in it is kept unchanged.

const text = v.string();
const minutes = v.pipe(v.number(), v.finite());
const mostMinutes = v.nullable(minutes);

/** A step of version 1: sentences, and windows after other steps. */
const step1 = v.looseObject({
  id: text,
  stage: v.number(),
  kind: v.picklist(['plug', 'lay', 'cover', 'prepare', 'gate', 'coat', 'pull', 'unplug']),
  title: text,
  detail: text,
  windows: v.array(v.looseObject({ after: text, fromMin: minutes, toMin: mostMinutes, what: text })),
});

const step = v.looseObject({
  id: text,
  stage: v.nullable(v.number()),
  kind: text,
  items: v.array(text),
  startMin: minutes,
  endMin: minutes,
  attended: v.boolean(),
  needs: v.array(text),
  after: v.array(
    v.looseObject({ step: text, from: v.picklist(['start', 'end']), minMin: minutes, maxMin: mostMinutes, code: text }),
  ),
  say: v.looseObject({ code: text, values: v.record(v.string(), v.unknown()) }),
  safety: v.array(text),
});

/** Steps of a plan that are read at most. */
const MOST_STEPS = 20_000;
const steps = <S extends v.GenericSchema>(stepSchema: S) =>
  v.pipe(v.array(v.unknown()), v.maxLength(MOST_STEPS), v.array(stepSchema));
const common = { format: v.literal('lintrel-plan'), safety: v.optional(v.array(text)) };

const frozenSchema = v.variant('version', [
  v.looseObject({ ...common, version: v.literal(1), steps: steps(step1) }),
  v.looseObject({
    ...common,
    version: v.pipe(v.number(), v.integer(), v.minValue(2), v.maxValue(1_000)),
    steps: steps(step),
  }),
]);

/** Whether data is a frozen plan that a run sheet can be read from. */
export const isFrozenPlan = (data: unknown): data is FrozenPlan => v.is(frozenSchema, data);
