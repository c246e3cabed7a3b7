import { boundingBox, distanceToSegment, type Point } from '../curves';

/** Lines of sight across the area in each direction: enough to find the broad place of any ordinary shape. */
const SCANS = 9;

/**
 * A point well inside an area, not necessarily the innermost: the best midpoint of a few straight cuts across it.
 * @param rings outline and holes
 */
export function interiorPoint(rings: readonly (readonly Point[])[]): Point {
  const { minX, minY, maxX, maxY } = boundingBox(rings[0]!);
  const cuts = Array.from({ length: SCANS }, (_, scan) => (scan + 0.47) / SCANS);
  // Uneven shares, so that a cut seldom runs through a corner. A middle reaches no farther than half its cut: the longest first.
  const candidates = cuts
    .flatMap((share) => [
      ...middles(rings, minX + share * (maxX - minX), 'x', 'y').map(({ at, middle, half }) => ({
        place: { x: at, y: middle },
        half,
      })),
      ...middles(rings, minY + share * (maxY - minY), 'y', 'x').map(({ at, middle, half }) => ({
        place: { x: middle, y: at },
        half,
      })),
    ])
    .sort((p, q) => q.half - p.half);
  let best: Point = rings[0]![0]!;
  let bestReach = -1;
  for (const { place, half } of candidates) {
    if (half <= bestReach) break;
    const reach = reachAt(place, rings, bestReach);
    if (reach > bestReach) [best, bestReach] = [place, reach];
  }
  return best;
}

/** Middles of the pieces of one straight cut that lie inside, with half the length of each. */
function middles(
  rings: readonly (readonly Point[])[],
  cutAt: number,
  across: 'x' | 'y',
  along: 'x' | 'y',
): { at: number; middle: number; half: number }[] {
  const hits: number[] = [];
  for (const ring of rings) {
    ring.forEach((a, index) => {
      const b = ring[(index + 1) % ring.length]!;
      if (a[across] > cutAt !== b[across] > cutAt)
        hits.push(a[along] + ((cutAt - a[across]) / (b[across] - a[across])) * (b[along] - a[along]));
    });
  }
  hits.sort((a, b) => a - b);
  const candidates: { at: number; middle: number; half: number }[] = [];
  for (let index = 1; index < hits.length; index += 2)
    candidates.push({
      at: cutAt,
      middle: (hits[index - 1]! + hits[index]!) / 2,
      half: (hits[index]! - hits[index - 1]!) / 2,
    });
  return candidates;
}

/** Distance to the nearest outline; stops early with a smaller value once it drops to `enough`. */
function reachAt(place: Point, rings: readonly (readonly Point[])[], enough: number): number {
  let reach = Infinity;
  for (const ring of rings) {
    for (let index = 0; index < ring.length; index++) {
      reach = Math.min(reach, distanceToSegment(place, ring[index]!, ring[(index + 1) % ring.length]!));
      if (reach <= enough) return reach;
    }
  }
  return reach;
}
