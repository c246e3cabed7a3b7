import {
  type BatchAction,
  maxWaitMin,
  minutesOfActions,
  scheduleActions,
  type StripTimes,
  TIME_TOLERANCE_MIN,
} from './actions';

/** An order of turns, how long it takes, and whether nothing shorter can be. */
export interface BatchCycle {
  readonly turns: readonly BatchAction[];
  readonly totalMin: number;
  readonly proven: boolean;
}

/** Maximum number of partial sequences examined before the best one found is used. */
const MOST_LOOKED_AT = 40_000;

/**
 * Finds the shortest sequence of actions in which every strip is pulled within its window.
 * Simple cycles are tried first; if none reaches the lower bound, sequences are searched until none can be shorter
 * or the limit is reached. In that case the shortest one found is returned as not proven.
 * @param strips with a window that a single pull fits into
 */
export function shortestCycle(strips: StripTimes): BatchCycle {
  let best: BatchCycle | null = null;
  for (const turns of simpleRhythms(strips)) {
    const totalMin = minutesOfActions(turns, strips);
    if (totalMin !== null && (best === null || totalMin < best.totalMin - TIME_TOLERANCE_MIN))
      best = { turns, totalMin, proven: false };
  }
  // One after the other always fits: a strip is painted, waited for and pulled.
  const batchCycle = best as BatchCycle;
  if (batchCycle.totalMin <= leastTotal(strips) + TIME_TOLERANCE_MIN) return { ...batchCycle, proven: true };
  return searched(strips, batchCycle);
}

/** Maximum number of strips painted before the first is pulled such that all of them are still pulled in time. */
export function maxPaintedAhead(strips: StripTimes): number {
  const { paintMin, pullMin, strips: count } = strips;
  const slower = Math.max(paintMin, pullMin);
  return slower === 0 ? count : Math.min(count, Math.floor((maxWaitMin(strips) + TIME_TOLERANCE_MIN) / slower) + 1);
}

/** No order is shorter: all the work; all the painting and the last strip's wait; what is idle before the first pull and after the last painting. */
function leastTotal(strips: StripTimes): number {
  const { paintMin, pullMin, fromMin, strips: count } = strips;
  const work = count * (paintMin + pullMin);
  const lead = maxPaintedAhead(strips);
  const atStart = Math.max(0, fromMin - (lead - 1) * paintMin);
  const left =
    pullMin === 0 ? count : Math.min(count, Math.floor((maxWaitMin(strips) + TIME_TOLERANCE_MIN) / pullMin) + 1);
  const atEnd = Math.max(0, fromMin - (left - 1) * pullMin);
  // Where all strips are painted before the first pull, both are the same idle time.
  return lead >= count ? work + Math.max(atStart, atEnd) : work + atStart + atEnd;
}

/** Simple cycles for every feasible size: paint some and then alternate one by one; or batch by batch. */
function simpleRhythms(strips: StripTimes): BatchAction[][] {
  const { strips: count } = strips;
  const most = maxPaintedAhead(strips);
  const complete: BatchAction[][] = [];
  for (let lead = 1; lead <= most; lead++) {
    const steady: BatchAction[] = repeat('paint', lead);
    for (let strip = lead; strip < count; strip++) steady.push('pull', 'paint');
    complete.push([...steady, ...repeat('pull', lead)]);
    const heaps: BatchAction[] = [];
    for (let strip = 0; strip < count; strip += lead) {
      const size = Math.min(lead, count - strip);
      heaps.push(...repeat('paint', size), ...repeat('pull', size));
    }
    complete.push(heaps);
    for (let pulls = 2; pulls <= lead; pulls++) complete.push(inSteps(count, lead, pulls));
  }
  return complete;
}

/** Paints some, then alternates between pulling a number and painting as many. */
function inSteps(count: number, lead: number, pulls: number): BatchAction[] {
  const turns: BatchAction[] = repeat('paint', lead);
  let pulled = 0;
  for (let painted = lead; painted < count;) {
    const next = Math.min(pulls, count - painted);
    turns.push(...repeat('pull', pulls), ...repeat('paint', next));
    pulled += pulls;
    painted += next;
  }
  return [...turns, ...repeat('pull', count - pulled)];
}

const repeat = (turn: BatchAction, times: number): BatchAction[] => Array.from({ length: times }, () => turn);

/**
 * Lengthens half-made orders turn by turn, what promises most first, as long as they may become shorter than the best.
 * What is left out cannot be better: a half-made order takes at least what it takes alone and the work that is left.
 */
function searched(strips: StripTimes, best: BatchCycle): BatchCycle {
  const { paintMin, pullMin, fromMin, strips: count } = strips;
  let looked = 0;
  let batchCycle = best;
  const lengthen = (turns: readonly BatchAction[], painted: number, pulled: number): void => {
    if (looked++ > MOST_LOOKED_AT) return;
    const nowMin = turns.length === 0 ? 0 : endOf(turns, strips);
    if (nowMin === null) return;
    const left = nowMin + (count - painted) * paintMin + (count - pulled) * pullMin;
    const last = painted < count ? nowMin + (count - painted) * paintMin + fromMin + pullMin : 0;
    if (Math.max(left, last) >= batchCycle.totalMin - TIME_TOLERANCE_MIN) return;
    if (pulled === count) {
      batchCycle = { turns, totalMin: nowMin, proven: false };
      return;
    }
    if (pulled < painted) lengthen([...turns, 'pull'], painted, pulled + 1);
    if (painted < count) lengthen([...turns, 'paint'], painted + 1, pulled);
  };
  lengthen([], 0, 0);
  return { ...batchCycle, proven: looked <= MOST_LOOKED_AT };
}

/** When a half-made order is through, min; null where a strip falls out of its window in it already. */
function endOf(turns: readonly BatchAction[], strips: StripTimes): number | null {
  const begins = scheduleActions(turns, strips);
  return (
    begins && begins[begins.length - 1]! + (turns[turns.length - 1] === 'paint' ? strips.paintMin : strips.pullMin)
  );
}
