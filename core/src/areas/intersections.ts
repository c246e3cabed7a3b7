import { gridKey, type GridPoint, orientation } from './grid';

/** A straight piece on the grid with its source. */
export interface Segment {
  readonly a: GridPoint;
  readonly b: GridPoint;
  /** Index of the line it is part of, or one of OUTLINE, SEAM and OPENING. */
  readonly source: number;
  /** Distance along the source at each end, mm. */
  readonly fromAt: number;
  readonly toAt: number;
}

/** Source indices of what is no line; lines follow from 0. */
export const OUTLINE = -1;
export const SEAM = -2;
export const OPENING = -3;

/** A place on the way of a segment nearer than this, in grid units, is on it: rounding moves a place by at most 0.71. */
const ON_SEGMENT = 0.75;

/** Rounded crossings may cross again; a few rounds settle it. */
const MOST_ROUNDS = 12;

/**
 * Splits segments until they meet only at their ends.
 * @param segments on the grid, none of zero length
 * @param most maximum number of intersections
 * @returns pieces that neither cross nor touch except at shared ends; overlapping pieces have the same ends. If the
 *   limit is exceeded: the number of intersections found per source so far
 */
export function splitWithLimit(segments: readonly Segment[], most: number): Segment[] | IntersectionOverflow {
  let current = [...segments];
  // Only pieces that were just cut can have new intersections with each other.
  let fresh = current.map(() => true);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const cuts = findCuts(current, fresh, most);
    if (!(cuts instanceof Map)) return cuts;
    if (cuts.size === 0) return current;
    const pieces = current.map((segment, index) => split(segment, cuts.get(index)));
    fresh = pieces.flatMap((ownPieces, index) => ownPieces.map(() => cuts.has(index)));
    current = pieces.flat();
  }
  return current;
}

/** The limit of intersections was exceeded: the count per source index. */
export interface IntersectionOverflow {
  readonly bySource: ReadonlyMap<number, number>;
}

/** Splits segments until they meet only at their ends, however often they meet. */
export const splitAtIntersections = (segments: readonly Segment[]): Segment[] =>
  splitWithLimit(segments, Infinity) as Segment[];

function findCuts(
  segments: readonly Segment[],
  fresh: readonly boolean[],
  most: number,
): Map<number, GridPoint[]> | IntersectionOverflow {
  const cuts = new Map<number, GridPoint[]>();
  const bySource = new Map<number, number>();
  let meetings = 0;
  const cut = (index: number, place: GridPoint) => {
    const { a, b } = segments[index]!;
    if ((place.x === a.x && place.y === a.y) || (place.x === b.x && place.y === b.y)) return;
    const list = cuts.get(index);
    if (list) list.push(place);
    else cuts.set(index, [place]);
    meetings += 0.5;
    const { source } = segments[index]!;
    bySource.set(source, (bySource.get(source) ?? 0) + 1);
  };
  forNearPairs(segments, (first, second) => {
    if (!fresh[first] && !fresh[second]) return true;
    const p = segments[first]!;
    const q = segments[second]!;
    for (const end of [q.a, q.b]) if (liesOn(end, p)) cut(first, end);
    for (const end of [p.a, p.b]) if (liesOn(end, q)) cut(second, end);
    const met = properCrossing(p, q);
    if (met) {
      cut(first, met);
      cut(second, met);
    }
    return meetings <= most;
  });
  return meetings > most ? { bySource } : cuts;
}

/** True where a place lies on a segment between its ends, within rounding. */
function liesOn(place: GridPoint, { a, b }: Segment): boolean {
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const lengthSquared = dx * dx + dy * dy;
  const along = (place.x - a.x) * dx + (place.y - a.y) * dy;
  if (along <= 0 || along >= lengthSquared) return false;
  return Math.abs(orientation(a, b, place)) <= ON_SEGMENT * Math.sqrt(lengthSquared);
}

function properCrossing(p: Segment, q: Segment): GridPoint | null {
  const ofA = orientation(p.a, p.b, q.a);
  const ofB = orientation(p.a, p.b, q.b);
  if (ofA === 0 || ofB === 0 || ofA > 0 === ofB > 0) return null;
  const ofC = orientation(q.a, q.b, p.a);
  const ofD = orientation(q.a, q.b, p.b);
  if (ofC === 0 || ofD === 0 || ofC > 0 === ofD > 0) return null;
  const share = ofA / (ofA - ofB);
  return { x: Math.round(q.a.x + share * (q.b.x - q.a.x)), y: Math.round(q.a.y + share * (q.b.y - q.a.y)) };
}

function split(segment: Segment, places: readonly GridPoint[] | undefined): Segment[] {
  if (!places) return [segment];
  const { a, b, source, fromAt, toAt } = segment;
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const share = ({ x, y }: GridPoint) => ((x - a.x) * dx + (y - a.y) * dy) / (dx * dx + dy * dy);
  const stops = [a, ...[...places].sort((p, q) => share(p) - share(q)), b];
  const pieces: Segment[] = [];
  for (let index = 1; index < stops.length; index++) {
    const [from, to] = [stops[index - 1]!, stops[index]!];
    if (from.x === to.x && from.y === to.y) continue;
    const gridAt = (place: GridPoint) =>
      place === a ? fromAt : place === b ? toAt : fromAt + share(place) * (toAt - fromAt);
    pieces.push({ a: from, b: to, source, fromAt: gridAt(from), toAt: gridAt(to) });
  }
  return pieces;
}

/** Cells of the search grid in each direction at most; long segments lie in many. */
const MOST_CELLS = 1500;

/**
 * Calls `visit` once for every two segments whose boxes are within one grid unit of each other, until it returns
 * true. Uses a grid of cells.
 */
function forNearPairs(segments: readonly Segment[], visit: (first: number, second: number) => boolean): void {
  if (segments.length < 2) return;
  const boxes = segments.map(({ a, b }) => ({
    minX: Math.min(a.x, b.x) - 1,
    maxX: Math.max(a.x, b.x) + 1,
    minY: Math.min(a.y, b.y) - 1,
    maxY: Math.max(a.y, b.y) + 1,
  }));
  const whole = { minX: Infinity, maxX: -Infinity, minY: Infinity, maxY: -Infinity };
  let extent = 0;
  for (const { minX, maxX, minY, maxY } of boxes) {
    whole.minX = Math.min(whole.minX, minX);
    whole.maxX = Math.max(whole.maxX, maxX);
    whole.minY = Math.min(whole.minY, minY);
    whole.maxY = Math.max(whole.maxY, maxY);
    extent += maxX - minX + maxY - minY;
  }
  const cell = Math.max(
    extent / segments.length,
    (whole.maxX - whole.minX) / MOST_CELLS,
    (whole.maxY - whole.minY) / MOST_CELLS,
    1,
  );
  const column = (x: number) => Math.floor((x - whole.minX) / cell);
  const row = (y: number) => Math.floor((y - whole.minY) / cell);
  const columns = column(whole.maxX) + 1;
  const cells = new Map<number, number[]>();
  boxes.forEach((box, index) => {
    for (let v = row(box.minY); v <= row(box.maxY); v++) {
      for (let u = column(box.minX); u <= column(box.maxX); u++) {
        const key = v * columns + u;
        const known = cells.get(key);
        if (known) known.push(index);
        else cells.set(key, [index]);
      }
    }
  });
  for (const [key, here] of cells) {
    for (let i = 1; i < here.length; i++) {
      const q = boxes[here[i]!]!;
      for (let j = 0; j < i; j++) {
        const p = boxes[here[j]!]!;
        if (p.minX > q.maxX || q.minX > p.maxX || p.minY > q.maxY || q.minY > p.maxY) continue;
        // Two that share several cells are visited in the first of them only: where their overlap begins.
        if (
          row(Math.max(p.minY, q.minY)) * columns + column(Math.max(p.minX, q.minX)) === key &&
          !visit(here[j]!, here[i]!)
        )
          return;
      }
    }
  }
}

/** One edge of the arrangement, once for all the segments that lie on it. */
export interface ArrangementEdge {
  readonly a: GridPoint;
  readonly b: GridPoint;
  /** The segments on it; those running b→a have been turned, so that fromAt belongs to a. */
  readonly segments: readonly Segment[];
}

/** Joins segments that lie on each other into one edge; order follows the first of each. */
export function mergeCollinearEdges(segments: readonly Segment[]): ArrangementEdge[] {
  const edges: { a: GridPoint; b: GridPoint; segments: Segment[] }[] = [];
  const fromPlace = new Map<number, Map<number, number>>();
  for (const segment of segments) {
    const [keyA, keyB] = [gridKey(segment.a), gridKey(segment.b)];
    const [low, high] = keyA < keyB ? [keyA, keyB] : [keyB, keyA];
    const reached = fromPlace.get(low) ?? new Map<number, number>();
    fromPlace.set(low, reached);
    const known = reached.get(high);
    if (known === undefined) {
      reached.set(high, edges.length);
      edges.push({ a: segment.a, b: segment.b, segments: [segment] });
    } else
      edges[known]!.segments.push(
        edges[known]!.a.x === segment.a.x && edges[known]!.a.y === segment.a.y ? segment : turned(segment),
      );
  }
  return edges;
}

const turned = (segment: Segment): Segment => ({
  ...segment,
  a: segment.b,
  b: segment.a,
  fromAt: segment.toAt,
  toAt: segment.fromAt,
});
