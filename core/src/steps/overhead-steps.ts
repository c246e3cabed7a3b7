import { RULE_OF_THUMB, type SessionId } from '../kit';
import type { SequenceFigures } from '../order';
import type { Preparation } from '../prepare';
import { STEP_RULES } from './rules-of-thumb';
import { type Draft, newStepClock } from './step-clock';
import { nameOf, placesOf } from './step-places';
import type { StepSource } from './steps';

/** Session of what is done for a job as a whole. */
const JOB = 'job' as SessionId;

/** Washing, abrading and warming up, before any tape of any stage. */
export function prepareSteps({ preparation, parts }: StepSource): readonly Draft[] {
  const clock = newStepClock(0, JOB, null);
  for (const { cleaner, parts: ids, minutes } of preparation.washes)
    clock.add('wash', cleaner, minutes, {
      code: 'step.wash',
      values: { places: ids.map((id) => nameOf(parts, id)), cleaner },
    });
  for (const { grit, reason, places, minutes } of preparation.abrading) {
    const refs = places.map(({ part, area }) => ({
      part,
      area: parts.find(({ id }) => id === part)?.areas[area]!.id ?? '',
    }));
    clock.add('abrade', `${grit}:${reason.code}`, minutes, {
      code: 'step.abrade',
      values: { places: placesOf(refs, parts), reason, grit },
    });
  }
  clock.pass('warm', 'overnight', preparation.warmMin, { code: 'step.warm', values: { belowC: RULE_OF_THUMB.coldC } });
  return clock.steps;
}

/** The work is looked over. */
export function endSteps({ stages, items, kind }: StepSource): readonly Draft[] {
  const last = stages.at(-1);
  if (!last) return [];
  const clock = newStepClock(last.endMin, last.session, last.number);
  clock.add('inspect', null, STEP_RULES.inspect, {
    code: 'step.inspect',
    values: { plugs: items.some(({ closings }) => closings.length > 0), aircraft: kind === 'aircraft' },
  });
  return clock.steps;
}

/** Minutes before the first stage and after the last: work, and on the clock. They belong to every order alike. */
export interface OverheadMinutes {
  readonly workMin: number;
  readonly elapsedMin: number;
}

export const overheadMinutes = ({ minutes, warmMin }: Preparation): OverheadMinutes => ({
  workMin: minutes - warmMin + STEP_RULES.inspect,
  elapsedMin: minutes + STEP_RULES.inspect,
});

/** Figures of an order with what is done round its stages. */
export const withOverhead = (figures: SequenceFigures, { workMin, elapsedMin }: OverheadMinutes): SequenceFigures => ({
  ...figures,
  workMin: figures.workMin + workMin,
  endMin: figures.endMin + elapsedMin,
});
