import type { Area, Border } from '../areas';
import type { LineId } from '../kit';
import { TOLERANCE } from '../kit';
import type { EdgeClass } from '../masking';
import type { LineSide } from '../tape';

/** An edge of a mask on one part: which of its borders, with the areas on both sides by index. */
export interface PartEdge {
  readonly border: number;
  readonly free: number;
  readonly closed: number;
  readonly class: EdgeClass;
  /** True where the tape that covers the area makes this edge along with its others. */
  readonly strip: boolean;
  /** How long its tape stays, from when it is laid until it is pulled, minutes. */
  readonly staysMin: number;
  /** How strongly what lies under the tape holds when it is pulled, N/25 mm; Infinity: nothing could come off. */
  readonly bondN25: number;
  /** Which areas of the part are painted while its tape is on. */
  readonly painted: readonly boolean[];
  /** A wider tape behind its line tape carries the cover. */
  readonly backed: boolean;
  /** Paper or film hangs from its tape. */
  readonly carries: boolean;
  /** What is beside it is brushed. */
  readonly brushed: boolean;
  /** Of the tapes along a narrow area that cover it by themselves: how wide they are to be, mm; null for any other. */
  readonly coversMm: number | null;
  /** Its backing lies over its line tape. */
  readonly backingOver: boolean;
  /** Its tape comes off after the pull, with what hangs from it. */
  readonly uncover: boolean;
}

/** What is not known of an edge before a stage is planned: at best it stays no time, on what nothing lifts, and there is room. */
export const BEFORE_PLANNING: Omit<PartEdge, 'border' | 'free' | 'closed' | 'class' | 'strip'> = {
  staysMin: 0,
  bondN25: Infinity,
  painted: [],
  backed: false,
  carries: false,
  brushed: false,
  coversMm: null,
  backingOver: false,
  uncover: false,
};

/** Where a stage needs a tape edge: a piece of a line with the covered side. */
export interface EdgeSpan {
  readonly line: LineId;
  /** Distances along the line, mm. */
  readonly from: number;
  readonly to: number;
  /** Side the body of the tape lies on, as seen along the line. */
  readonly side: LineSide;
  readonly class: EdgeClass;
  /** The borders it runs along, in order. */
  readonly edges: readonly PartEdge[];
}

/** Gap along a line below which two spans are one piece of tape: the thickness of a line that ends on this one, mm. */
const SAME_PIECE_MM = TOLERANCE.grid;

/**
 * Joins the edges of one part into lengths of tape.
 * @param borders where areas meet, ordered by line and along it
 * @returns spans along the lines; neighbours on the same side with the same kind of edge are one, a strip stays by itself
 */
export function tapeEdgeSpans(borders: readonly Border[], edges: readonly PartEdge[]): EdgeSpan[] {
  const spans: { line: LineId; from: number; to: number; side: LineSide; class: EdgeClass; edges: PartEdge[] }[] = [];
  for (const edge of [...edges].sort((a, b) => a.border - b.border)) {
    const { line, from, to, left } = borders[edge.border]!;
    const side: LineSide = edge.closed === left ? 'left' : 'right';
    const last = spans.findLast((span) => span.line === line);
    const goesOn =
      last &&
      last.side === side &&
      last.class === edge.class &&
      last.edges[0]!.staysMin === edge.staysMin &&
      from - last.to <= SAME_PIECE_MM;
    const alike =
      goesOn &&
      last.edges.every(
        ({ strip, closed, backingOver, uncover }) =>
          strip === edge.strip &&
          (!strip || closed === edge.closed) &&
          backingOver === edge.backingOver &&
          uncover === edge.uncover,
      );
    if (last && alike) {
      last.to = to;
      last.edges.push(edge);
    } else spans.push({ line, from, to, side, class: edge.class, edges: [edge] });
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
  if (first === undefined || second === undefined || lengths.size > 4 || second < 0.9 * first) return null;
  const width = (2 * area.sizeMm2) / (first + second);
  return width < second / 5 ? width : null;
}
