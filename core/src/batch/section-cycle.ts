import { type BatchAction, TIME_TOLERANCE_MIN } from './actions';
import { BATCH_RULES } from './rules-of-thumb';

/** A section as one person paints and pulls it; minutes. */
export interface Section {
  readonly paintMin: number;
  readonly pullMin: number;
}

/** The time a pull has, minutes after its section was painted: it begins no sooner, and is over no later. */
export interface SectionWindow {
  readonly fromMin: number;
  readonly toMin: number;
}

/** Sections that are painted, or pulled, one right after the other. */
export interface SectionBatch {
  readonly turn: BatchAction;
  readonly first: number;
  readonly count: number;
  /** From the start of the first. */
  readonly startMin: number;
  readonly endMin: number;
  /** For a pull: the batches in which its sections were painted, and the window after the end of each. */
  readonly painted: readonly ({ readonly heap: number } & SectionWindow)[];
}

/** Sections painted and pulled in turns. */
export interface SectionCycle {
  readonly heaps: readonly SectionBatch[];
  readonly totalMin: number;
}

/** Maximum number of batches in a usable cycle. */
const MOST_HEAPS = 24;

/**
 * Divides sections, which need not be equal, into batches that one person paints and pulls in turn so that each is
 * pulled within its window.
 * Tries batches of equal size, and a lead followed by smaller batches; the shortest is returned, where switching
 * between painting and pulling costs `changeHands`. For equal sections see `batches`, which is optimal.
 * @returns null if none of these keeps the window
 */
export function sectionCycle(sections: readonly Section[], window: SectionWindow): SectionCycle | null {
  const count = sections.length;
  let best: SectionCycle | null = null;
  const weigh = ({ totalMin, heaps }: SectionCycle) => totalMin + BATCH_RULES.changeHands * heaps.length;
  for (let lead = 1; lead <= count; lead++) {
    for (let step = 1; step <= lead; step++) {
      const heaps = dividedInto(count, lead, step);
      if (heaps.length > MOST_HEAPS) continue;
      const cycle = onTheClock(heaps, sections, window);
      if (cycle && (best === null || weigh(cycle) < weigh(best) - TIME_TOLERANCE_MIN)) best = cycle;
    }
  }
  return best;
}

type Heap = Pick<SectionBatch, 'turn' | 'first' | 'count'>;

/**
 * A number painted ahead, then alternately pulled and painted in steps until all are painted; then the rest is
 * pulled.
 */
function dividedInto(count: number, lead: number, step: number): Heap[] {
  const heaps: Heap[] = [{ turn: 'paint', first: 0, count: Math.min(lead, count) }];
  let [painted, pulled] = [Math.min(lead, count), 0];
  while (painted < count) {
    heaps.push({ turn: 'pull', first: pulled, count: step });
    pulled += step;
    const next = Math.min(step, count - painted);
    heaps.push({ turn: 'paint', first: painted, count: next });
    painted += next;
  }
  return [...heaps, { turn: 'pull', first: pulled, count: count - pulled }];
}

/**
 * Batches at their earliest times: longest paths through the constraints between them; null if a pull cannot keep
 * its window.
 */
function onTheClock(heaps: readonly Heap[], sections: readonly Section[], window: SectionWindow): SectionCycle | null {
  const minutes = heaps.map(({ turn, first, count }) => sumMin(sections, first, first + count, turn));
  const links = heaps.flatMap((pull, index) =>
    pull.turn === 'pull' ? linksOf(heaps, index, sections, window, minutes) : [],
  );
  const starts = heaps.map(() => 0);
  for (let round = 0; ; round++) {
    let moved = false;
    const atLeast = (index: number, min: number) => {
      if (starts[index]! >= min - TIME_TOLERANCE_MIN) return;
      starts[index] = min;
      moved = true;
    };
    for (let index = 1; index < heaps.length; index++) atLeast(index, starts[index - 1]! + minutes[index - 1]!);
    for (const { paint, pull, fromMin, toMin } of links) {
      atLeast(pull, starts[paint]! + minutes[paint]! + fromMin);
      atLeast(paint, starts[pull]! + minutes[pull]! - toMin - minutes[paint]!);
    }
    if (!moved) break;
    if (round > heaps.length) return null;
  }
  const begun = starts[0]!;
  const laid = heaps.map((heap, index): SectionBatch => ({
    ...heap,
    startMin: starts[index]! - begun,
    endMin: starts[index]! - begun + minutes[index]!,
    painted: links
      .filter(({ pull }) => pull === index)
      .map(({ paint, fromMin, toMin }) => ({ heap: paint, fromMin: Math.max(0, fromMin), toMin })),
  }));
  return { heaps: laid, totalMin: laid.at(-1)!.endMin };
}

interface Link extends SectionWindow {
  readonly paint: number;
  readonly pull: number;
}

/** What a pull of several sections must keep after each painting they come from, so that every one of them is in its window. */
function linksOf(
  heaps: readonly Heap[],
  pull: number,
  sections: readonly Section[],
  window: SectionWindow,
  minutes: readonly number[],
): Link[] {
  const ownBatch = heaps[pull]!;
  return heaps.slice(0, pull).flatMap((heap, paint): Link[] => {
    const [first, end] = [
      Math.max(heap.first, ownBatch.first),
      Math.min(heap.first + heap.count, ownBatch.first + ownBatch.count),
    ];
    if (heap.turn !== 'paint' || first >= end) return [];
    let [fromMin, toMin] = [-Infinity, Infinity];
    for (let section = first; section < end; section++) {
      // Painted so long before the end of its batch; its pull starts and ends so long after the start of the pull and
      // before its end.
      const paintedBefore = sumMin(sections, section + 1, heap.first + heap.count, 'paint');
      const waits = sumMin(sections, ownBatch.first, section, 'pull');
      const offBefore = minutes[pull]! - waits - sections[section]!.pullMin;
      fromMin = Math.max(fromMin, window.fromMin - paintedBefore - waits);
      toMin = Math.min(toMin, window.toMin - paintedBefore + offBefore);
    }
    return [{ paint, pull, fromMin, toMin }];
  });
}

const sumMin = (sections: readonly Section[], first: number, end: number, turn: BatchAction): number => {
  let sum = 0;
  for (let section = first; section < end; section++)
    sum += turn === 'paint' ? sections[section]!.paintMin : sections[section]!.pullMin;
  return sum;
};
