import type { Area, Border } from '../areas';
import type { LineSide } from '../tape';

/** Where a stage needs a tape edge: a piece of a line with the covered side. */
export interface EdgeSpan {
  readonly line: string;
  /** Distances along the line, mm. */
  readonly from: number;
  readonly to: number;
  /** Side the body of the tape lies on, as seen along the line. */
  readonly side: LineSide;
  /** True where the edge stays: the covered side is finished or kept. */
  readonly crisp: boolean;
  /** Covered areas behind it, by index. */
  readonly closed: readonly number[];
}

/** Gap along a line below which two spans are one piece of tape: the thickness of a line that ends on this one, mm. */
const SAME_PIECE_MM = 1e-3;

/**
 * Finds the tape edges of one stage on one part.
 * @param borders where areas meet, ordered by line and along it
 * @param open which areas the paint reaches
 * @param stays whether an area's colour stays as it is from now on
 * @param fresh whether a covered area is covered anew: what masks kept on cover needs no more tape
 * @param soft whether an open area fades out towards a covered one: they have no hard edge
 * @returns spans along the lines; neighbours on the same side with the same kind of edge are one
 */
export function edgeSpans(
  borders: readonly Border[],
  open: readonly boolean[],
  stays: readonly boolean[],
  fresh: readonly boolean[] = stays.map(() => true),
  soft: (open: number, closed: number) => boolean = () => false,
): EdgeSpan[] {
  const spans: { line: string; from: number; to: number; side: LineSide; crisp: boolean; closed: number[] }[] = [];
  for (const { line, from, to, left, right } of borders) {
    if (open[left] === open[right]) continue;
    const side: LineSide = open[left] ? 'right' : 'left';
    const closed = open[left] ? right : left;
    if (!fresh[closed]) continue;
    const crisp = stays[closed] && !soft(open[left] ? left : right, closed);
    const last = spans.findLast((span) => span.line === line);
    if (last && last.side === side && last.crisp === crisp && from - last.to <= SAME_PIECE_MM) {
      last.to = to;
      if (!last.closed.includes(closed)) last.closed.push(closed);
    } else spans.push({ line, from, to, side, crisp, closed: [closed] });
  }
  return spans;
}

/**
 * Width of an area that is a strip between two lines, both long edges being parallel.
 * @returns mm, from its size and the length of its longer edge; null where it is no strip
 */
export function stripWidth(area: Area, index: number, borders: readonly Border[]): number | null {
  const long = borders.filter(({ left, right }) => left === index || right === index);
  const lengths = new Map<string, number>();
  for (const { line, from, to } of long) lengths.set(line, (lengths.get(line) ?? 0) + to - from);
  const [first, second] = [...lengths.values()].sort((a, b) => b - a);
  if (second === undefined || lengths.size > 4 || second < 0.9 * first) return null;
  const width = (2 * area.sizeMm2) / (first + second);
  return width < second / 5 ? width : null;
}
