import { TOLERANCE } from '../kit';
import { isLargeCover } from '../masking';
import type { FilmTimes, Sequence } from '../stage';
import type { OrderNode, StageFacts } from './order-node';
import type { ProblemTable } from './problem-table';

/** From a stage to a later one that has to wait until the colour of the first takes tape. */
export interface Wait {
  readonly from: number;
  readonly to: number;
}

/** What is waited at least from the last coat until the masks come off, or the next stage. */
export function minPullWait(
  table: ProblemTable,
  node: OrderNode,
  stage: number,
  { flashMin, leastPullMin, cleanMin, windows }: FilmTimes,
): number {
  if (node.keep[stage]) return Math.max(cleanMin, flashMin);
  const [row, finish] = [node.settled[stage]!, node.order[stage]!];
  return Math.max(
    cleanMin,
    // A large cover stays until it is touch-dry; pulling passes some of that time.
    hasLargeCover(table, row, finish) ? windows.touchMin - mostPullMin(table, row) : 0,
    certainlyMasked(table, row, finish) ? leastPullMin : Math.min(flashMin, leastPullMin),
  );
}

/** Work of pulling in the window of a stage, at most: tape lies along no border that is open, or covered, on both sides. */
const mostPullMin = ({ edges, part, parts, mostUncoverMin }: ProblemTable, row: Int8Array): number =>
  edges.reduce((sum, { a, b, rough, sprayed }) => {
    if (row[a] === row[b] && row[a] !== -1) return sum;
    const backing = parts[part[a]!]!.hangsBehind ? 1 : 0;
    const pulls = sprayed.map(({ pullMin, backingPullMin }) => pullMin - backing * backingPullMin);
    return sum + Math.max(rough.pullMin, ...pulls);
  }, mostUncoverMin);

/** True where a large cover certainly hangs behind line tapes of a part that is sprayed, and comes off after the stage. */
function hasLargeCover(
  { parts, outer, drips, problem, strips }: ProblemTable,
  row: Int8Array,
  finish: number,
): boolean {
  if (drips[finish]) return false;
  const isLarge = (area: number) => {
    const { sizeM2, count, narrow } = problem.areas[area]!;
    return strips[area] === null && narrow === undefined && isLargeCover(sizeM2 / count);
  };
  return parts.some(
    ({ areas, hangsBehind }, part) =>
      hangsBehind &&
      areas.some((area) => row[area] === 1) &&
      areas.some((area) => row[area] === 0 && isLarge(area) && !(outer.areas[area] && outer.mayStay(part, finish))),
  );
}

/** True where something on a part that is certainly sprayed is certainly covered, by a mask that comes off after the stage. */
function certainlyMasked({ parts, outer, drips }: ProblemTable, row: Int8Array, finish: number): boolean {
  return parts.some(({ areas, edges }, part) => {
    if (drips[finish])
      return edges.some(
        ({ a, b }) => row[a]! + row[b]! === 1 && !(outer.mayStay(part, finish) && outer.areas[row[a] === 0 ? a : b]),
      );
    const comesOff = (area: number) => !(outer.areas[area] && outer.mayStay(part, finish));
    return areas.some((area) => row[area] === 1) && areas.some((area) => row[area] === 0 && comesOff(area));
  });
}

/** Waits that an order is certain to have, each from the stage before or the one before that: what the bound starts from. */
export function likelyWaits(table: ProblemTable, node: OrderNode, { times }: StageFacts): Wait[] {
  const waits: Wait[] = [];
  const holds = (from: number, to: number): boolean =>
    from >= 0 &&
    times[from]!.tapeSafeMin > minPullWait(table, node, from, times[from]!) &&
    certainWait(table, node, from, to);
  node.order.forEach((_, to) => {
    const from = [to - 1, to - 2].find((stage) => stage >= (waits.at(-1)?.to ?? 0) && holds(stage, to));
    if (from !== undefined) waits.push({ from, to });
  });
  return waits;
}

/** Waits that delayed a computed order, as far as they are certain; from the last stage back, without overlap. */
export function bindingWaits(table: ProblemTable, node: OrderNode, { stages }: Sequence, primed: number): Wait[] {
  const certain: Wait[] = [];
  let free = node.order.length - 1;
  for (let to = node.order.length - 1; to > 0; to--) {
    const { waits } = stages[primed + to]!;
    if (to > free || waits.tapeMin <= 0) continue;
    const before = stages[primed + to - 1]!.after;
    const ready = before.clock + waits.tapeMin;
    const from = node.order.findIndex(
      (_, stage) => stage < to && Math.abs(safeAt(stages[primed + stage]!) - ready) < TOLERANCE.timeMin,
    );
    if (from < 0 || !certainWait(table, node, from, to)) continue;
    certain.push({ from, to });
    free = from;
  }
  return certain;
}

const safeAt = ({ open, after }: Sequence['stages'][number]): number => after.tapeSafeAt[open.indexOf(true)]!;

/** True where an area sprayed in one stage is certainly covered afresh in a later one, on a part that is sprayed then. */
function certainWait(table: ProblemTable, { keep, settled, order }: OrderNode, from: number, to: number): boolean {
  if (keep.slice(from, to).some(Boolean) && to - from > 1) return false;
  if (table.share(order[from]!, order[to]!)) return true;
  const { part, parts, drips } = table;
  return part.some((areaPart, area) => {
    const covered = settled[from]![area] === 1 && settled.slice(from + 1, to + 1).every((row) => row[area] === 0);
    if (!covered) return false;
    if (drips[order[to]!])
      return parts[areaPart]!.edges.some(
        ({ a, b }) => (a === area && settled[to]![b] === 1) || (b === area && settled[to]![a] === 1),
      );
    return part.some((other, index) => other === areaPart && settled[to]![index] === 1);
  });
}
