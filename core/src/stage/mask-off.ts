import type { PullTiming } from '../finish';
import {
  isLargeCover,
  type MaskEdge,
  type PulledFirst,
  pulledFirst,
  type StageMask,
  SURROUNDINGS_ID,
} from '../masking';
import { coverOver, dripPapers, formOf, memoizedEdgeCost, uncoverMin, wholePartCover } from './mask-cost';
import type { OrderProblem, TapeEdge } from './problem';

/** What taking a mask off is: what comes off in the window of its lines, and what after. */
export interface MaskOff {
  readonly first: PulledFirst<MaskEdge>;
  /** Work in the window, and what of it are covers that lie on line tapes. */
  readonly pullMin: number;
  readonly coverFirstMin: number;
  /** Work after it: backings below line tapes, covers that hang from them, and tape along the surroundings. */
  readonly uncoverMin: number;
  /** True where one of the covers that come off after it is large, or hangs beyond the edges of a part. */
  readonly large: boolean;
}

/**
 * How a mask comes off: line tapes and what lies on them in their window, the rest after.
 * @param timingOf pull timing of an edge
 */
export function maskOff(
  problem: OrderProblem,
  { edges, covers, wholes, drips }: StageMask,
  timingOf: (edge: MaskEdge) => PullTiming,
): MaskOff {
  const { areas, borders, model } = problem;
  const laid = edges.filter((edge) => edge.laid === 'now' && !edge.strip);
  const sheets = new Map<number, { sizeM2: number; readonly areas: number[] }>();
  const sheetOf = new Map<number, { sizeM2: number; readonly areas: number[] }>();
  for (const { area, by, sheet } of covers) {
    if (by !== 'drape') continue;
    const whole = sheets.get(sheet) ?? { sizeM2: 0, areas: [] };
    whole.sizeM2 += areas[area]!.sizeM2 / areas[area]!.count;
    whole.areas.push(area);
    sheets.set(sheet, whole);
    sheetOf.set(area, whole);
  }
  const isLarge = (area: number) => !drips && isLargeCover(sheetOf.get(area)?.sizeM2 ?? 0);
  const lines = pulledFirst(borders, laid, timingOf, isLarge);
  // A sheet comes off in one, wherever it lies on a line tape.
  const first = { ...lines, covers: new Set([...lines.covers].flatMap((area) => sheetOf.get(area)?.areas ?? [area])) };
  let [pullMin, coverFirstMin, restMin, large] = [0, 0, 0, false];
  for (const edge of laid) {
    const cost = memoizedEdgeCost(borders[edge.border]!, formOf(edge), model);
    const lineMin = cost.pullMin - cost.backingPullMin;
    if (first.lines.has(edge)) pullMin += lineMin;
    else restMin += lineMin;
    if (first.backings.has(edge)) pullMin += cost.backingPullMin;
    else restMin += cost.backingPullMin;
  }
  for (const { area, by, crisp, laid: when } of covers) {
    if (by === 'tape' && when === 'now')
      pullMin += memoizedEdgeCost(areas[area]!.strip as TapeEdge, { crisp, backed: false }, model).pullMin;
    if (by !== 'drape' || (!drips && when !== 'now')) continue;
    const minutes = uncoverMin(drips ? dripPapers(borders, edges, area) : coverOver(areas[area]!));
    if (first.covers.has(area)) coverFirstMin += minutes;
    else {
      restMin += minutes;
      large ||= isLarge(area) || (!drips && areas[area]!.area === SURROUNDINGS_ID);
    }
  }
  for (const part of wholes) {
    const cover = wholePartCover(areas, part);
    restMin += uncoverMin(cover);
    large ||= isLargeCover(cover.sizeM2 / Math.max(1, cover.pieces));
  }
  return { first, pullMin: pullMin + coverFirstMin, coverFirstMin, uncoverMin: restMin, large };
}
