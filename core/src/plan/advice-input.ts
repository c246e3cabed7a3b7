import type { Advice, AdviceMessage, StagePlan } from '../contract';
import type { Finish } from '../finish';
import type { StageItems } from '../items';
import type { Design } from '../job';
import type { PartWork } from '../setout';
import type { OrderProblem, Sequence } from '../stage';

/** What advice is drawn from. */
export interface AdviceInput {
  readonly design: Design;
  readonly works: readonly PartWork[];
  readonly stages: readonly StagePlan[];
  readonly items: readonly StageItems[];
  readonly finishes: ReadonlyMap<string, Finish>;
  readonly problem: OrderProblem;
  readonly sequence: Sequence | undefined;
}

/** One piece of advice, at the place it concerns; an area by its id. */
export const advice = (level: Advice['level'], what: AdviceMessage, place: Partial<Advice['place']> = {}): Advice => ({
  level,
  ...what,
  place: { part: place.part ?? null, line: place.line ?? null, area: place.area ?? null },
});
