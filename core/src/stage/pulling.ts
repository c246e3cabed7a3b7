import { maxDwellMin, type PullWindows } from '../drying';
import { PULL_TIMINGS, type PullTiming } from '../finish';
import type { Span } from '../kit';
import type { StageMask } from '../masking';
import type { OrderProblem } from './problem';
import type { FilmTimes, Pulling, StandingMask } from './stage';

/**
 * True where a school would be given up if its tape did not last so long. A school that takes less than half of what the tape
 * stands is kept: what else the tape lies for is then told, and the bound of the search may count on the wait.
 * @param fromMin when the school begins, minutes after the last coat
 * @param dwellMin how long the tape stays clean
 */
export const mayGiveUpTiming = (fromMin: number, dwellMin: number): boolean => fromMin > dwellMin / 2;

/**
 * How the masks of a stage come off: by the wanted school, unless its tape would not last so long, then by an earlier one; unless one
 * person could not pull all of it within the window, then by a later one. What a person has chosen stays: more people pull then.
 * @param pullMin work of pulling
 * @param lyingMin how long the tape has been lying when the last coat is on
 * @param chosen school a person has chosen for its lines; null: that of the job, or of the finish
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

/** People it takes to do so many minutes of work within a span. */
export const peopleNeeded = (workMin: number, { from, to }: Span): number =>
  to === null || to <= from + 1e-6 ? 1 : Math.max(1, Math.ceil(workMin / (to - from) - 1e-9));

/** The wanted school, or the latest before it that the tape lasts for. */
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

/** The first school from this one on whose window one person's pulling fits into; the given one where none does. */
function longEnough(windows: PullWindows, school: PullTiming, pullMin: number): PullTiming {
  const later = PULL_TIMINGS.slice(PULL_TIMINGS.indexOf(school));
  return later.find((timing) => windows[timing] && peopleNeeded(pullMin, windows[timing]) === 1) ?? school;
}

/** True where everything laid for a mask still comes off clean after so many minutes. */
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
