import { plugsIn } from '../items';
import { RULE_OF_THUMB, type SessionId } from '../kit';
import type { SequenceFigures } from '../order';
import type { Preparation } from '../prepare';
import type { OrderProblem } from '../stage';
import { STEP_RULES } from './rules-of-thumb';
import { type Draft, newStepClock } from './step-clock';
import { nameOf, placesOf, plugValues } from './step-places';
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

/** Every plug that went in is counted out, and the work is looked over. */
export function endSteps({ stages, items, parts, kind }: StepSource): readonly Draft[] {
  const last = stages.at(-1);
  if (!last) return [];
  const closings = items.flatMap((item) => item.closings);
  const plugs = plugsIn(closings);
  const values = plugValues(plugs, parts);
  const clock = newStepClock(last.endMin, last.session, last.number);
  if (plugs.length > 0)
    clock.add(
      'unplug',
      null,
      unplugMin(values.plugs),
      { code: 'step.unplug', values },
      { items: closings.map(({ id }) => id).reverse() },
    );
  clock.add('inspect', null, STEP_RULES.inspect, {
    code: 'step.inspect',
    values: { plugs: plugs.length > 0, aircraft: kind === 'aircraft' },
  });
  return clock.steps;
}

const unplugMin = (plugs: number): number => STEP_RULES.perPlugOut * plugs;

/** Minutes before the first stage and after the last: work, and on the clock. They belong to every order alike. */
export interface OverheadMinutes {
  readonly workMin: number;
  readonly elapsedMin: number;
}

export function overheadMinutes({ minutes, warmMin }: Preparation, { plugs, areas }: OrderProblem): OverheadMinutes {
  const counted = [...plugs].reduce(
    (sum, [part, count]) => sum + (areas.some((area) => area.part === part && area.finish !== null) ? count : 0),
    0,
  );
  const after = unplugMin(counted) + STEP_RULES.inspect;
  return { workMin: minutes - warmMin + after, elapsedMin: minutes + after };
}

/** Figures of an order with what is done round its stages. */
export const withOverhead = (figures: SequenceFigures, { workMin, elapsedMin }: OverheadMinutes): SequenceFigures => ({
  ...figures,
  workMin: figures.workMin + workMin,
  endMin: figures.endMin + elapsedMin,
});
