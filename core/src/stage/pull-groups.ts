import { PULL_TIMINGS, type PullTiming } from '../finish';
import type { MaskEdge, StageMask } from '../masking';
import { maskOff } from './mask-off';
import type { LinePullTimings, OrderProblem } from './problem';
import { pullingOf } from './pulling';
import type { EarlyPullGroup, FilmTimes, PullGroups } from './stage';

/**
 * Pull groups of a mask: all at once, unless a person has chosen a pull timing for single lines. The rest, with
 * paper and film, comes off with the last group.
 * @param pullMin work of pulling everything
 * @param lyingMin how long the tape has been lying when the last coat is on
 */
export function pullGroups(
  problem: OrderProblem,
  times: FilmTimes,
  mask: StageMask,
  pullMin: number,
  lyingMin: number,
): PullGroups {
  const { pulls } = problem;
  const groups = new Map<PullTiming | null, MaskEdge[]>();
  if (pulls) for (const edge of mask.edges) groups.set(pulls.of(edge), [...(groups.get(pulls.of(edge)) ?? []), edge]);
  const [only] = groups.keys();
  if (groups.size <= 1) return { ...pullingOf(problem, times, mask, pullMin, lyingMin, only ?? null), early: [] };
  const turns: EarlyPullGroup[] = [];
  for (const [choice, edges] of groups) {
    const ownMask = maskOfEdges(mask, edges);
    const { school, span } = pullingOf(
      problem,
      times,
      ownMask,
      maskOff(problem, ownMask, () => choice ?? times.school).pullMin,
      lyingMin,
      choice,
    );
    const same = turns.findIndex((turn) => turn.school === school);
    const before = turns[same];
    const turn = {
      school,
      span,
      mask: maskOfEdges(mask, [...(before?.mask.edges ?? []), ...edges]),
      chosen: [...(before?.chosen ?? []), choice],
    };
    if (before) turns[same] = turn;
    else turns.push(turn);
  }
  turns.sort((turn, other) => PULL_TIMINGS.indexOf(turn.school) - PULL_TIMINGS.indexOf(other.school));
  const { school, span } = turns.at(-1)!;
  return { school, span, early: turns.slice(0, -1) };
}

/** Of a mask these edges alone, with the strips they belong to. */
export const maskOfEdges = ({ covers, drips }: StageMask, edges: readonly MaskEdge[]): StageMask => ({
  edges,
  covers: covers.filter(({ area, by }) => by === 'tape' && edges.some(({ strip, closed }) => strip && closed === area)),
  wholes: [],
  drips,
});

/** What of another mask comes off in a turn: its lines for which one of the schools of the turn was chosen. */
export const withPullGroup = ({ of }: LinePullTimings, mask: StageMask, { chosen }: EarlyPullGroup): StageMask =>
  maskOfEdges(
    mask,
    mask.edges.filter((edge) => chosen.includes(of(edge))),
  );
