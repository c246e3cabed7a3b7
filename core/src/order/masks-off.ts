import { splitMask, type StageMask } from '../masking';
import { RULE_OF_THUMB } from '../units';
import type { FilmTimes } from './drying-of';
import { maskCost, type StageMaskCost } from './mask-cost';
import type { OrderProblem } from './problem';
import type { KeptMask, Progress } from './progress';
import { comesOffClean, handsFor, pullingOf } from './pulling';
import type { StageChoice, StageCost } from './stage-cost';

/** The masks of a stage. */
export interface OwnMasks {
  /** What comes off in its own window; null where there is nothing. */
  readonly own: KeptMask | null;
  /** What stays on for later coats of what is beside it, one a part. */
  readonly outer: readonly KeptMask[];
  /** What only keeps mist off other parts: it has no edge to be pulled in time, and comes off with every stage. */
  readonly wholes: KeptMask | null;
}

/** The masks of a stage, by when they come off. */
export function ownMasks(
  problem: OrderProblem,
  masks: StageMaskCost,
  through: ReadonlySet<string>,
  times: FilmTimes,
  laidAt: number,
  lastCoatMin: number,
): OwnMasks {
  const { mask } = masks;
  const split = splitMask(problem, mask, through);
  const made = (of: StageMask): KeptMask => {
    const { pullMin, uncoverMin, tapeM } = of === mask ? masks : maskCost(problem, of);
    const anyTime = { school: times.school, span: { from: 0, to: null }, latestMin: Infinity };
    return { mask: of, laidAt, at: lastCoatMin, pullMin, uncoverMin, tapeM, part: null, ...anyTime };
  };
  // What goes over it later decides when it comes off: any time as far as this film is asked.
  const outer = [...split.outer].map(([part, of]): KeptMask => ({ ...made(of), part }));
  const wholes = mask.wholes.length === 0 ? null : made({ ...mask, edges: [], covers: [] });
  if (split.inner.covers.length + split.inner.edges.length === 0) return { own: null, outer, wholes };
  const own = made(split.inner);
  return { own: { ...own, ...pullingOf(problem, times, split.inner, own.pullMin, lastCoatMin - laidAt), latestMin: times.latestMin }, outer, wholes };
}

/** What comes off after a stage, and what stays. */
export interface PullOff {
  readonly waitMin: number;
  /** Cleaning of the gun that did not fit in before. */
  readonly afterMin: number;
  readonly pullMin: number;
  readonly uncoverMin: number;
  readonly risk: number;
  readonly late: boolean;
  readonly kept: readonly KeptMask[];
  readonly pulled: StageCost['pulled'];
}

/**
 * When masks come off: after this stage with all that were kept on, or later.
 * @param through parts whose masks on what is kept stay on
 */
export function pullOff(
  problem: OrderProblem,
  before: Progress,
  { keep }: StageChoice,
  { own, outer, wholes }: OwnMasks,
  through: ReadonlySet<string>,
  times: FilmTimes,
  lastCoatMin: number,
): PullOff {
  const all = [...before.kept, ...(own ? [own] : []), ...outer];
  const kept = keep ? all : all.filter(({ part }) => part !== null && through.has(part));
  const masks = [...all.filter((one) => !kept.includes(one)), ...(wholes ? [wholes] : [])];
  const nothing = { waitMin: Math.max(times.flashMin, times.cleanMin), afterMin: 0, pullMin: 0, uncoverMin: 0, risk: 0, late: false, pulled: null };
  if (masks.length === 0) return { ...nothing, kept };
  // Where no tape is to be pulled the gun is cleaned first.
  const rest = own && !keep ? 0 : masks.every((one) => one === wholes) ? nothing.waitMin : times.flashMin;
  const at = Math.max(lastCoatMin + rest, ...masks.map((one) => one.at + one.span.from));
  const pullMin = masks.reduce((sum, one) => sum + one.pullMin, 0);
  // Tape that may come off before the gun is clean comes off first.
  const inTime = at - lastCoatMin >= times.cleanMin;
  const past = masks.filter((one) => pastWindow(problem, one, at));
  return {
    waitMin: at - lastCoatMin,
    afterMin: inTime ? 0 : times.cleanMin,
    pullMin,
    uncoverMin: masks.reduce((sum, one) => sum + one.uncoverMin, 0),
    risk: RULE_OF_THUMB.keptRisk * past.reduce((sum, { tapeM }) => sum + tapeM, 0),
    // A mask that comes off after its own stage lies as long as it must: that is told, there is nothing to be chosen.
    late: past.some((one) => one !== own && (!problem.rules.late || at > one.at + one.latestMin || !comesOffClean(problem, one, at))),
    kept,
    pulled: {
      masks,
      at,
      hands: Math.max(...masks.map((one) => handsFor(pullMin, { from: at - one.at, to: past.includes(one) ? null : one.span.to }))),
    },
  };
}

/** True where a mask comes off after the window of its school, or later than its tape comes off clean. */
export const pastWindow = (problem: OrderProblem, mask: KeptMask, at: number): boolean =>
  at > mask.at + (mask.span.to ?? Infinity) + 1e-9 || !comesOffClean(problem, mask, at);
