import { type PartId, RULE_OF_THUMB } from '../kit';
import type { OrderProblem } from './problem';
import type { Progress, StageCost } from './stage';

/** Minutes to close the openings of a part. */
export const plugMinOf = ({ plugs, plugMin }: Pick<OrderProblem, 'plugs' | 'plugMin'>, part: string): number =>
  plugMin?.get(part) ?? (plugs.get(part) ?? 0) * RULE_OF_THUMB.perPlug;

/** Minutes to open them again. */
export const unplugMinOf = ({ plugs, unplugMin }: Pick<OrderProblem, 'plugs' | 'unplugMin'>, part: string): number =>
  unplugMin?.get(part) ?? (plugs.get(part) ?? 0) * RULE_OF_THUMB.perPlugOut;

/** Openings in a stage. */
export interface StageOpenings {
  readonly plugMin: number;
  /** Parts whose openings are closed in it, and those whose openings are opened again after its last coat. */
  readonly fresh: readonly PartId[];
  readonly off: readonly PartId[];
  /** Parts whose openings are closed after it. */
  readonly left: readonly PartId[];
}

/**
 * The openings of a part are closed when it is first sprayed, and stay closed until its last coat is on: their tapes
 * make edges, and come off in the window of that coat.
 */
export function openingsOf(
  problem: OrderProblem,
  before: Progress,
  { open, layer, finish }: Pick<StageCost, 'open' | 'layer' | 'finish'>,
): StageOpenings {
  const { areas, plugs, clear } = problem;
  const isAhead = (part: string) =>
    areas.some((area, index) => {
      if (area.part !== part || area.finish === null) return false;
      const painted = before.painted[index] || area.finish === finish;
      return !painted || (clear?.areas[index] === true && layer !== 'clear');
    });
  const fresh = [...plugs.keys()].filter(
    (part) => !before.plugged.includes(part) && areas.some((area, index) => open[index] && area.part === part),
  );
  const closed = [...before.plugged, ...fresh];
  const off = closed.filter((part) => !isAhead(part) && (plugs.get(part) ?? 0) > 0);
  return {
    plugMin: fresh.reduce((sum, part) => sum + plugMinOf(problem, part), 0),
    fresh,
    off,
    left: closed.filter((part) => !off.includes(part)),
  };
}
