import { maxDwellMin, type PullWindows } from '../drying';
import { PULL_TIMINGS, type PullTiming } from '../finish';
import type { Span } from '../kit';
import { TOLERANCE } from '../kit';
import type { StageMask } from '../masking';
import type { OrderProblem } from './problem';
import type { FilmTimes, Pulling, StandingMask } from './stage';

/**
 * True if a pull timing would be given up if its tape did not last that long. A timing that needs less than half of
 * the tape's clean time is kept: other reasons for a long dwell are reported, and the bound of the search may count
 * on the wait.
 * @param fromMin start of the window, minutes after the last coat
 * @param dwellMin clean time of the tape
 */
export const mayGiveUpTiming = (fromMin: number, dwellMin: number): boolean => fromMin > dwellMin / 2;

/**
 * How the masks of a stage come off: with the wanted pull timing; with an earlier one if its tape would not last;
 * with a later one if one person could not pull everything within the window. A timing chosen by a person is kept,
 * with more people if needed.
 * @param pullMin work of pulling
 * @param lyingMin how long the tape has been lying when the last coat is on
 * @param chosen pull timing chosen for its lines; null: that of the job, or of the finish
 */
export function pullingOf(
  problem: OrderProblem,
  times: FilmTimes,
  mask: StageMask,
  pullMin: number,
  lyingMin: number,
  chosen: PullTiming | null,
): Pulling {
  const { windows } = times;
  const school =
    chosen === null
      ? times.school
      : ([chosen, ...PULL_TIMINGS].find((timing) => windows[timing] !== null) ?? times.school);
  const lasts = lastingSchool(problem, windows, school, mask, lyingMin);
  const long = lasts === (chosen ?? problem.school) ? lasts : longEnough(windows, lasts, pullMin);
  const last = long !== lasts && stays(problem, mask, lyingMin + (windows[long]?.from ?? 0)) ? long : lasts;
  return { school: last, span: windows[last] ?? windows[school] ?? { from: 0, to: 0 } };
}

/** Number of people needed for an amount of work within a span. */
export const peopleNeeded = (workMin: number, { from, to }: Span): number =>
  to === null || to <= from + TOLERANCE.timeMin
    ? 1
    : Math.max(1, Math.ceil(workMin / (to - from) - TOLERANCE.rounding));

/** The wanted pull timing, or the latest one before it that the tape lasts for. */
function lastingSchool(
  problem: OrderProblem,
  windows: PullWindows,
  school: PullTiming,
  mask: StageMask,
  lyingMin: number,
): PullTiming {
  const from = windows[school]?.from ?? 0;
  if (stays(problem, mask, lyingMin + from) || !mayGiveUpTiming(from, dwellOf(problem, mask))) return school;
  const sooner = PULL_TIMINGS.slice(0, PULL_TIMINGS.indexOf(school)).filter(
    (timing) => windows[timing] !== null && stays(problem, mask, lyingMin + windows[timing].from),
  );
  return sooner.at(-1) ?? school;
}

/** The first pull timing from this one on whose window is long enough for one person; the given one if there is none. */
function longEnough(windows: PullWindows, school: PullTiming, pullMin: number): PullTiming {
  const later = PULL_TIMINGS.slice(PULL_TIMINGS.indexOf(school));
  return later.find((timing) => windows[timing] && peopleNeeded(pullMin, windows[timing]) === 1) ?? school;
}

/** True if everything laid for a mask still comes off clean after this time. */
const stays = (problem: OrderProblem, mask: StageMask, lyingMin: number): boolean =>
  lyingMin <= maxDwellMin(problem.shortestHours, problem.air.airC) || lyingMin <= dwellOf(problem, mask);

/** How long the tapes of a mask can lie: the least over its edges of what the best tape for each stands, minutes. */
const dwellOf = ({ lastsH, air }: OrderProblem, { edges }: StageMask): number =>
  edges.reduce(
    (least, edge) => (edge.laid === 'now' ? Math.min(least, maxDwellMin(lastsH(edge), air.airC)) : least),
    Infinity,
  );

/** True where masks that stayed on come off clean at that moment, minutes from the start. */
export const comesOffClean = (
  problem: OrderProblem,
  { mask, laidAt }: Pick<StandingMask, 'mask' | 'laidAt'>,
  atMin: number,
): boolean => stays(problem, mask, atMin - laidAt);
