import { distance, type Path, type Point } from '../curves';
import { TOLERANCE } from '../kit';

/** A run before it is ordered. */
export interface UnorderedRun {
  readonly piece: Path;
  readonly crisp: boolean;
  /** How long it stays, minutes. */
  readonly staysMin: number;
}

/** A run in the direction it is applied. */
export interface OrderedRun<T> {
  readonly run: T;
  /** True where it is laid from its far end, so that one need not go back. */
  readonly backwards: boolean;
  /** From the end of the one before on the same part, mm; 0 for the first. */
  readonly walkMm: number;
}

/**
 * Orders runs with little walking: what stays longest first, so that nothing comes off from under another; of what
 * comes off together, crisp before rough, the longest first, then always the nearest end to the last one.
 * @param runs of one part, with their pieces of line on its sheet
 * @returns all of them, each once
 * Source: nearest neighbour; the main line first, from it outward
 */
export function layOrder<T extends UnorderedRun>(runs: readonly T[]): OrderedRun<T>[] {
  const left = runs
    .map((run, place) => ({ run, place, lengthMm: lengthOf(run.piece) }))
    .sort((a, b) => b.lengthMm - a.lengthMm || a.place - b.place);
  const walked: OrderedRun<T>[] = [];
  let here: Point | null = null;
  while (left.length > 0) {
    const next = nearest(left, here);
    const { run } = left.splice(next.index, 1)[0]!;
    const [start, end] = [run.piece[0]!, run.piece.at(-1)!];
    walked.push({ run, backwards: next.backwards, walkMm: next.walkMm });
    here = next.backwards ? start : end;
  }
  return walked;
}

interface Nearest {
  readonly index: number;
  readonly backwards: boolean;
  readonly walkMm: number;
}

/** Of those that stay longest, and of them the crisp ones while there are any, the one nearest to a place; the first where one stands nowhere yet. */
function nearest(left: readonly { readonly run: UnorderedRun }[], here: Point | null): Nearest {
  const longest = Math.max(...left.map(({ run }) => run.staysMin));
  const staying = (run: UnorderedRun) => run.staysMin > longest - TOLERANCE.along;
  const crisp = left.some(({ run }) => staying(run) && run.crisp);
  let best: Nearest | null = null;
  left.forEach(({ run }, index) => {
    if (!staying(run) || run.crisp !== crisp) return;
    const [start, end] = [run.piece[0]!, run.piece.at(-1)!];
    const [toStart, toEnd] = here ? [distance(here, start), distance(here, end)] : [0, 0];
    const backwards = toEnd < toStart - TOLERANCE.rounding;
    const walkMm = Math.min(toStart, toEnd);
    if (best === null || walkMm < best.walkMm - TOLERANCE.rounding) best = { index, backwards, walkMm };
  });
  return best ?? { index: 0, backwards: false, walkMm: 0 };
}

const lengthOf = (piece: Path): number => piece.at(-1)!.at - piece[0]!.at;
