import { tapingAir } from '../air';
import type { Design, Shelf } from '../job';
import type { Preparation } from '../prepare';
import type { MaskingMeans } from '../runs';
import type { PartWork } from '../setout';
import type { OrderProblem } from '../stage';
import type { PartOffsets } from './part-offsets';
import type { SurroundingsPlace } from './surroundings';

/** What a plan is made from. */
export interface StageSource {
  readonly works: readonly PartWork[];
  readonly design: Design;
  readonly shelf: Shelf;
  readonly problem: OrderProblem;
  readonly starts: PartOffsets;
  readonly preparation: Preparation;
  /** Where its parts meet what is beyond them: the last of its borders, one each. */
  readonly rims: readonly SurroundingsPlace[];
}

/** What there is to mask with. */
export function maskingMeans({ design, shelf }: Pick<StageSource, 'design' | 'shelf'>): MaskingMeans {
  const { climate, scale, choices } = design;
  const tapes = shelf.tapes.filter(({ code, rolls }) => rolls !== 0 && !choices.notTapes?.includes(code));
  const { surfaceC, airC } = tapingAir(climate);
  return { tapes, pins: choices.tapes ?? [], ownWays: choices.ownWays ?? [], scale, surfaceC, airC };
}
