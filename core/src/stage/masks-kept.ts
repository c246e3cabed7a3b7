import { isKeptForGood, MASK_STATE, type StandingMasks } from '../masking';
import type { OrderProblem } from './problem';
import type { Progress, StageChoice, StageCost, StandingMask } from './stage';

/**
 * Parts whose masks on kept areas stay on after a stage: every colour sprayed beside them gets another coat, of its
 * own colour over the primer or of the clear. If one of them is finished, all masks of the part come off, in the
 * window of that paint.
 * Source: masks go through primer, colour and clear of one region; handbook, the mask of an object.
 */
export function masksKeptAfter(
  problem: OrderProblem,
  before: Progress,
  { finish, open, layer }: Pick<StageCost, 'finish' | 'open' | 'layer'>,
): ReadonlySet<string> {
  const reached = new Set<string>();
  if (!problem.rules.through) return reached;
  const { areas, clear } = problem;
  const [primes, clears] = [layer === 'primer', layer === 'clear'];
  const sprayed = new Set<string>();
  const goesOn = new Set<string>();
  const done = new Set<string>();
  areas.forEach(({ part, finish: own }, index) => {
    if (!open[index]) return;
    sprayed.add(part);
    const more = primes ? own !== finish || clear?.areas[index] === true : clear?.areas[index] === true && !clears;
    if (primes || own === finish || clears) (more ? goesOn : done).add(part);
  });
  const standing = new Set(before.kept.map(({ part }) => part));
  for (const part of sprayed) if (!done.has(part) && (goesOn.has(part) || standing.has(part))) reached.add(part);
  // A part not sprayed keeps its masks while some of its coats are still ahead: they may have stayed on past its last
  // colour.
  const ahead = new Set(
    areas.flatMap(({ part, finish: own }, index) =>
      own !== null && (!before.painted[index] || (clear?.areas[index] && !clears)) ? [part] : [],
    ),
  );
  for (const part of standing) if (part !== null && !sprayed.has(part) && ahead.has(part)) reached.add(part);
  return reached;
}

/**
 * What lies under the masks that are left on.
 * @param keep true where all masks of the stage stay on
 */
export function standingMasksAfter(
  { areas }: OrderProblem,
  before: Progress,
  { open, keep }: Pick<StageChoice, 'open' | 'keep'>,
  kept: readonly StandingMask[],
): StandingMasks | null {
  if (kept.length === 0) return null;
  if (keep) return open.map((isOpen) => (isOpen ? MASK_STATE.open : MASK_STATE.covered));
  const parts = new Set(kept.map(({ part }) => part));
  const covered = new Set(kept.flatMap(({ mask: own }) => own.covers.map(({ area }) => area)));
  return areas.map((area, index) => {
    if (covered.has(index)) return MASK_STATE.covered;
    return parts.has(area.part) && !isKeptForGood(area) && (open[index] || before.standing?.[index] === MASK_STATE.open)
      ? MASK_STATE.open
      : MASK_STATE.bare;
  });
}
