import { gridKey, type GridPoint } from './grid';
import type { ArrangementEdge } from './intersections';

/** A directed side of an edge; the face it bounds lies on its left. */
interface HalfEdge {
  readonly from: GridPoint;
  readonly to: GridPoint;
  readonly edge: ArrangementEdge;
  /** True where it runs a→b along its edge. */
  readonly forward: boolean;
}

/** Closed walk round a face: anticlockwise outside a face, clockwise round a hole in one. */
export type Cycle = readonly HalfEdge[];

/** A walk through the arrangement with every half-edge once. */
export interface Cycles {
  readonly cycles: readonly Cycle[];
  /** Edges that bound nothing, because one end hangs free. */
  readonly dangling: readonly ArrangementEdge[];
}

/**
 * Walks round all faces of an arrangement.
 * @param edges meeting only at their ends
 */
export function traceCycles(edges: readonly ArrangementEdge[]): Cycles {
  const { kept, dangling } = withoutDangling(edges);
  const halves = kept.flatMap((edge): HalfEdge[] => [
    { from: edge.a, to: edge.b, edge, forward: true },
    { from: edge.b, to: edge.a, edge, forward: false },
  ]);
  const next = nextAround(halves);
  const seen = new Array<boolean>(halves.length).fill(false);
  const cycles: HalfEdge[][] = [];
  halves.forEach((_, start) => {
    if (seen[start]) return;
    const cycle: HalfEdge[] = [];
    for (let halfEdge = start; !seen[halfEdge]; halfEdge = next[halfEdge]!) {
      seen[halfEdge] = true;
      cycle.push(halves[halfEdge]!);
    }
    cycles.push(cycle);
  });
  return { cycles, dangling };
}

function withoutDangling(edges: readonly ArrangementEdge[]): { kept: ArrangementEdge[]; dangling: ArrangementEdge[] } {
  const atPlace = new Map<number, Set<ArrangementEdge>>();
  for (const edge of edges)
    for (const end of [edge.a, edge.b]) (atPlace.get(gridKey(end)) ?? register(atPlace, gridKey(end))).add(edge);
  const dangling = new Set<ArrangementEdge>();
  const loose = [...atPlace.values()].filter((meeting) => meeting.size === 1);
  while (loose.length > 0) {
    const meeting = loose.pop() as Set<ArrangementEdge>;
    for (const edge of meeting) {
      dangling.add(edge);
      for (const end of [edge.a, edge.b]) {
        const other = atPlace.get(gridKey(end)) as Set<ArrangementEdge>;
        other.delete(edge);
        if (other.size === 1) loose.push(other);
      }
    }
  }
  return { kept: edges.filter((edge) => !dangling.has(edge)), dangling: edges.filter((edge) => dangling.has(edge)) };
}

function register<T>(map: Map<number, Set<T>>, key: number): Set<T> {
  const fresh = new Set<T>();
  map.set(key, fresh);
  return fresh;
}

/** For each half-edge the next one round the same face: the first one clockwise from its twin. */
function nextAround(halves: readonly HalfEdge[]): number[] {
  const leaving = new Map<number, number[]>();
  halves.forEach(({ from }, index) => {
    const key = gridKey(from);
    const list = leaving.get(key);
    if (list) list.push(index);
    else leaving.set(key, [index]);
  });
  for (const list of leaving.values()) list.sort((i, j) => byAngle(halves[i]!, halves[j]!));
  const position = new Array<number>(halves.length);
  for (const list of leaving.values()) list.forEach((index, place) => (position[index] = place));
  return halves.map(({ to }, index) => {
    const back = index % 2 === 0 ? index + 1 : index - 1;
    const list = leaving.get(gridKey(to)) as number[];
    return list[(position[back]! + list.length - 1) % list.length]!;
  });
}

/** Orders half-edges leaving one place anticlockwise, exactly. */
function byAngle(first: HalfEdge, second: HalfEdge): number {
  const [ax, ay] = [first.to.x - first.from.x, first.to.y - first.from.y];
  const [bx, by] = [second.to.x - second.from.x, second.to.y - second.from.y];
  const lowerA = ay < 0 || (ay === 0 && ax < 0) ? 1 : 0;
  const lowerB = by < 0 || (by === 0 && bx < 0) ? 1 : 0;
  return lowerA - lowerB || by * ax * -1 + ay * bx;
}
