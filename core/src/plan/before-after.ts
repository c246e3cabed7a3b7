import type { Preparation } from '../prepare';
import { RULE_OF_THUMB } from '../units';
import type { OrderProblem, SequenceFigures } from '../order';
import { plugsByPart } from './lists';
import { clockFrom, type Draft } from './step-clock';
import { nameOf, placesOf, plugValues } from './step-places';
import type { StepGround } from './steps';
import type { Item } from './types';

/** Session of what is done for a job as a whole. */
const JOB = 'job';

/** Washing, abrading and warming up, before any tape of any stage. */
export function prepareSteps({ preparation, parts }: StepGround): Draft[] {
  const clock = clockFrom(0, JOB, null);
  for (const { cleaner, parts: ids, minutes } of preparation.washes)
    clock.add('wash', cleaner, minutes, { code: 'step.wash', values: { places: ids.map((id) => nameOf(parts, id)), cleaner } });
  for (const { grit, reason, places, minutes } of preparation.abrading) {
    const refs = places.map(({ part, area }) => ({ part, area: parts.find(({ id }) => id === part)?.areas[area].id ?? '' }));
    clock.add('abrade', `${grit}:${reason.code}`, minutes, { code: 'step.abrade', values: { places: placesOf(refs, parts), reason, grit } });
  }
  clock.pass('warm', 'overnight', preparation.warmMin, { code: 'step.warm', values: { belowC: RULE_OF_THUMB.coldC } });
  return [...clock.steps];
}

/** Every plug that went in is counted out, and the work is looked over. */
export function endSteps({ stages, items, parts, kind }: StepGround): Draft[] {
  const last = stages.at(-1);
  if (!last) return [];
  const plugs = items.flatMap((one) => one.plugs);
  const clock = clockFrom(last.endMin, last.session, last.number);
  if (plugs.length > 0)
    clock.add('unplug', null, unplugMin(plugs), { code: 'step.unplug', values: plugValues(plugs, parts) }, { items: plugs.map(({ id }) => id) });
  clock.add('inspect', null, RULE_OF_THUMB.inspect, { code: 'step.inspect', values: { plugs: plugs.length > 0, aircraft: kind === 'aircraft' } });
  return [...clock.steps];
}

const unplugMin = (plugs: readonly Item[]): number => RULE_OF_THUMB.perPlugOut * plugsByPart(plugs).reduce((sum, { count }) => sum + count, 0);

/** Minutes before the first stage and after the last: work, and on the clock. They belong to every order alike. */
export interface RoundTheStages {
  readonly workMin: number;
  readonly elapsedMin: number;
}

export function roundTheStages({ minutes, warmMin }: Preparation, { plugs, areas }: OrderProblem): RoundTheStages {
  const counted = [...plugs].reduce((sum, [part, count]) => sum + (areas.some((area) => area.part === part && area.finish !== null) ? count : 0), 0);
  const after = RULE_OF_THUMB.perPlugOut * counted + RULE_OF_THUMB.inspect;
  return { workMin: minutes - warmMin + after, elapsedMin: minutes + after };
}

/** Figures of an order with what is done round its stages. */
export const withRound = (figures: SequenceFigures, { workMin, elapsedMin }: RoundTheStages): SequenceFigures => ({
  ...figures,
  workMin: figures.workMin + workMin,
  endMin: figures.endMin + elapsedMin,
});
