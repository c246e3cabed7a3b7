import type { Design, Shelf } from '../job';
import type { OrderProblem } from '../order';
import type { Preparation } from '../prepare';
import type { MaskingMeans } from '../runs';
import type { PartWork } from '../setout';
import type { Starts } from './places';

/** What a plan is made from. */
export interface StageSource {
  readonly works: readonly PartWork[];
  readonly design: Design;
  readonly shelf: Shelf;
  readonly problem: OrderProblem;
  readonly starts: Starts;
  readonly preparation: Preparation;
}

/** What there is to mask with. */
export function meansOf({ design, shelf }: Pick<StageSource, 'design' | 'shelf'>): MaskingMeans {
  const { climate, scale } = design;
  return { tapes: shelf.tapes, scale, surfaceC: climate.surfaceC ?? climate.airC, airC: climate.airC };
}
