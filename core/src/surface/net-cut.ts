import {
  type Path,
  pathFromSamples,
  pathLength,
  pathSlice,
  type Point,
  polylinePath,
  segmentCrossing,
} from '../curves';
import { firstItem, lastItem, TOLERANCE } from '../kit';
import type { FoldedNet, PlacedPanel } from './net';
import { cutFlatSheet, type PartPlane } from './plane';
import { dot, type SpacePoint } from './space';

/** On a folded piece: straight on every panel, a tube's curve over every bend, joined where they meet. */
export function cutFoldedNet({ panels }: FoldedNet, { a, b, c, offset }: PartPlane): Path[] {
  const normal = { x: a, y: b, z: c };
  const pieces = [
    ...panels.flatMap((panel) => {
      const k = offset - dot(normal, panel.from);
      return cutFlatSheet(panel.ring, dot(normal, panel.across), dot(normal, panel.up), k).flatMap((path) =>
        insidePanel(path, panel.ring),
      );
    }),
    ...panels.flatMap((panel) => bendCut(panel, panels, normal, offset)),
  ];
  return joinedEnds(pieces).flatMap((places) => {
    const path = places.length === 2 ? polylinePath(places) : pathFromSamples(places, false);
    return path && pathLength(path) > TOLERANCE.grid ? [path] : [];
  });
}

function insidePanel(path: Path, ring: readonly Point[]): Point[][] {
  const [from, to] = [path[0]!, lastItem(path)];
  const cuts = ring
    .flatMap((corner, edge) => {
      const met = segmentCrossing(from, to, corner, ring[(edge + 1) % ring.length]!);
      return met ? [met.onFirst * pathLength(path)] : [];
    })
    .sort((p, q) => p - q);
  const pairs: Point[][] = [];
  for (let index = 1; index < cuts.length; index += 2) {
    const piece = pathSlice(path, cuts[index - 1]!, cuts[index]!);
    if (piece) pairs.push([piece[0]!, lastItem(piece)]);
  }
  return pairs;
}

/** The plane over one bend, in steps across it: at each the place along the fold follows from one linear equation. */
function bendCut({ fold }: PlacedPanel, panels: readonly PlacedPanel[], normal: SpacePoint, offset: number): Point[][] {
  if (!fold || fold.widthMm < TOLERANCE.along) return [];
  const parent = panels[fold.parent]!;
  const length = Math.hypot(fold.b.x - fold.a.x, fold.b.y - fold.a.y);
  const along = { x: (fold.b.x - fold.a.x) / length, y: (fold.b.y - fold.a.y) / length };
  const direction = (d: Point): number => dot(normal, parent.across) * d.x + dot(normal, parent.up) * d.y;
  const perMm = direction(along);
  if (Math.abs(perMm) < TOLERANCE.rounding) return [];
  const steps = 24;
  const places: Point[] = [];
  for (let step = 0; step <= steps; step++) {
    const d = (fold.widthMm * step) / steps;
    const turn = Math.sign(fold.angle) * (d / fold.radius);
    const lifted =
      dot(normal, parent.from) +
      direction(fold.a) +
      direction(fold.away) * fold.radius * Math.abs(Math.sin(turn)) -
      dot(normal, parent.out) * Math.sign(fold.angle) * fold.radius * (1 - Math.cos(turn));
    const t = (offset - lifted) / perMm;
    if (t < -TOLERANCE.along || t > length + TOLERANCE.along) continue;
    places.push({ x: fold.a.x + along.x * t + fold.away.x * d, y: fold.a.y + along.y * t + fold.away.y * d });
  }
  return places.length > 1 ? [places] : [];
}

/** Puts pieces together whose ends meet. */
function joinedEnds(pieces: readonly Point[][]): Point[][] {
  const near = (p: Point, q: Point) => Math.hypot(p.x - q.x, p.y - q.y) < 0.02;
  const chains: Point[][] = [];
  const left = pieces.map((piece) => [...piece]);
  while (left.length > 0) {
    let chain = left.shift() as Point[];
    for (let grown = true; grown;) {
      grown = false;
      const next = left.findIndex((piece) =>
        [firstItem(piece), lastItem(piece)].some((end) => near(end, chain[0]!) || near(end, lastItem(chain))),
      );
      if (next < 0) continue;
      const piece = firstItem(left.splice(next, 1));
      if (near(chain[0]!, piece[0]!) || near(chain[0]!, lastItem(piece))) chain = chain.reverse();
      chain.push(...(near(piece[0]!, lastItem(chain)) ? piece : piece.reverse()).slice(1));
      grown = true;
    }
    chains.push(chain);
  }
  return chains;
}
