import type { Finish } from '../finish';
import type { Design } from '../job';
import type { OrderProblem, Sequence } from '../order';
import type { PartWork } from './part-work';
import type { Advice, StagePlan } from './types';

/** What advice is drawn from. */
export interface AdviceGround {
  readonly design: Design;
  readonly works: readonly PartWork[];
  readonly stages: readonly StagePlan[];
  readonly finishes: ReadonlyMap<string, Finish>;
  readonly problem: OrderProblem;
  readonly sequence: Sequence | undefined;
}

/** One piece of advice, at the place it concerns. */
export const advice = (level: Advice['level'], text: string, place: Partial<Pick<Advice, 'part' | 'line' | 'area'>> = {}): Advice => ({
  level,
  text,
  part: place.part ?? null,
  line: place.line ?? null,
  area: place.area ?? null,
});
