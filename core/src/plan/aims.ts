import type { Design, Shelf } from '../job';
import { type Aim, AIMS, roundNumbers, runToEnd } from '../kit';
import { keptMaskSearchSteps, preferredFirst, type SequenceFigures, sequenceFigures } from '../order';
import { jobProblem } from '../problem';
import { type PartCache, workOutSteps } from '../setout';
import { overheadMinutes, withOverhead } from '../steps';

/** The order for one aim, and its figures. */
export interface AimOrder extends SequenceFigures {
  readonly wish: Aim;
  readonly order: readonly string[];
}

/**
 * The order for each aim, everything else of the job being equal.
 * @returns one entry per aim; none if nothing is painted
 */
export const ordersByAim = (design: Design, shelf: Shelf, store?: PartCache): AimOrder[] =>
  runToEnd(ordersByAimSteps(design, shelf, store));

/** The same in steps, so that it can be left early. */
export function* ordersByAimSteps(design: Design, shelf: Shelf, store?: PartCache): Generator<unknown, AimOrder[]> {
  const { problem, preparation } = jobProblem(yield* workOutSteps(design, store), design, shelf);
  const aimOrders: AimOrder[] = [];
  for (const wish of AIMS) {
    const searched = yield* keptMaskSearchSteps({ ...problem, wish });
    const [best] = preferredFirst(searched.problem, searched.result.sequences);
    if (best)
      aimOrders.push({
        wish,
        order: best.order,
        ...withOverhead(sequenceFigures(best), overheadMinutes(preparation)),
      });
  }
  return roundNumbers(aimOrders);
}
