import type { Arrangement } from '../areas';
import {
  boundingBox,
  distance,
  distanceToSegment,
  isNearBox,
  type Path,
  pathFromSamples,
  type Place,
  type Point,
} from '../curves';
import { firstThree, TOLERANCE } from '../kit';
import { trueLength, withTrueMetric } from '../lines';
import type { Skin } from '../surface';

/** A stretch of an edge of a part along which one of its areas lies. */
export interface OutlineStretch {
  /** Number of the edge, and of the area. */
  readonly edge: number;
  readonly area: number;
  /** Distances along the edge, mm. */
  readonly from: number;
  readonly to: number;
}

/** Areas are computed on a grid of one micrometre: maximum distance of their corners from the edge they lie on, mm. */
const ON_EDGE_MM = TOLERANCE.touch;

/**
 * Which areas lie along the edges of a part, and where.
 * @returns by edge, in the direction that has the part on its left; pieces of one area that meet are one
 */
export function outlineStretches(
  { edges, metric }: Pick<Skin, 'edges' | 'metric'>,
  { areas }: Pick<Arrangement, 'areas'>,
): OutlineStretch[] {
  return edges.flatMap(({ places }, edge) => {
    const alongMm = alongEdge(places, { metric });
    const box = boundingBox(places);
    const stretches = areas.flatMap(({ rings }, area) =>
      rings.flatMap((ring) =>
        ring.flatMap((place, index): OutlineStretch[] => {
          const next = ring[(index + 1) % ring.length]!;
          if (!isNearBox(place, box, ON_EDGE_MM) || !isNearBox(next, box, ON_EDGE_MM)) return [];
          const middle = { x: (place.x + next.x) / 2, y: (place.y + next.y) / 2 };
          const [one, half, other] = firstThree([place, middle, next].map(alongMm));
          if (one === null || half === null || other === null) return [];
          const [from, to] = [Math.min(one, other), Math.max(one, other)];
          // A chord between two places of a round edge is on it; one across a notch is not.
          return to - from > ON_EDGE_MM && Math.abs(half - (one + other) / 2) < 0.05 * (to - from) + ON_EDGE_MM
            ? [{ edge, area, from, to }]
            : [];
        }),
      ),
    );
    return merged(stretches);
  });
}

/** An edge as a line with its bends, its part on the left; null where it has no length. */
export function edgePath({ edges, metric }: Pick<Skin, 'edges' | 'metric'>, edge: number): Path | null {
  const path = pathFromSamples(edges[edge]?.places ?? [], false);
  return path && withTrueMetric(path, { metric });
}

/** How far along an edge a place is; null where it is not on it. */
function alongEdge(places: readonly Point[], skin: Pick<Skin, 'metric'>): (place: Point) => number | null {
  let length = 0;
  const pieces = places.slice(1).map((to, index) => {
    const from = places[index]!;
    const startAt = length;
    const trueMm = trueLength(skin, from, to);
    length += trueMm;
    return { from, to, startAt, own: trueMm, drawn: distance(from, to), box: boundingBox([from, to]) };
  });
  return (place) => {
    const on = pieces.find(
      ({ from, to, box }) => isNearBox(place, box, ON_EDGE_MM) && distanceToSegment(place, from, to) <= ON_EDGE_MM,
    );
    if (!on) return null;
    return on.startAt + on.own * Math.min(1, on.drawn > 0 ? distance(on.from, place) / on.drawn : 0);
  };
}

function merged(stretches: readonly OutlineStretch[]): OutlineStretch[] {
  const kept: OutlineStretch[] = [];
  for (const stretch of [...stretches].sort((a, b) => a.area - b.area || a.from - b.from)) {
    const last = kept.at(-1);
    if (last && last.area === stretch.area && stretch.from - last.to <= 2 * ON_EDGE_MM)
      kept[kept.length - 1] = { ...last, to: Math.max(last.to, stretch.to) };
    else kept.push(stretch);
  }
  return kept.sort((a, b) => a.from - b.from);
}

/** A turn from one edge to the next above this is a corner, radians. */
const CORNER = (18 * Math.PI) / 180;

/**
 * Groups edges that continue into one another without a corner, as people see one edge.
 * @param edges points of the edges in the order of the outline, each with the part on its left
 * @returns numbers of edges, group by group; each edge is in one
 */
export function edgeGroups(edges: readonly (readonly Place[])[]): number[][] {
  const groups: number[][] = [];
  const goesOn = (edge: number, other: number): boolean => {
    const [end, start] = [edges[edge]!, edges[other]!];
    const [a, b, c, d] = [end.at(-2), end.at(-1), start[0], start[1]];
    if (!a || !b || !c || !d || Math.hypot(c[0] - b[0], c[1] - b[1]) > TOLERANCE.snap) return false;
    const [ux, uy, vx, vy] = [b[0] - a[0], b[1] - a[1], d[0] - c[0], d[1] - c[1]];
    return Math.abs(Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy)) <= CORNER;
  };
  for (const edge of edges.keys()) {
    const last = groups.at(-1);
    if (last && (goesOn(last.at(-1)!, edge) || goesOn(edge, last.at(-1)!))) last.push(edge);
    else groups.push([edge]);
  }
  const [first, last] = [groups[0], groups.at(-1)];
  if (first && last && first !== last && (goesOn(last.at(-1)!, first[0]!) || goesOn(first[0]!, last.at(-1)!))) {
    groups.pop();
    first.unshift(...last);
  }
  return groups;
}
