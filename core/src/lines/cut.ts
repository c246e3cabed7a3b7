import { crossing, type Point, arcAbout, cornered, pathLength, pieceOf, withDistances, type Path, type PathPoint, sampledPath, straightPath } from '../curves';
import { dot, onSheet, type PlacedPanel, type Sheet, type Space } from '../surface';
import { largest, smallest, TOLERANCE } from '../units';

/** A plane in space: all places p with normal · p = offset. */
export interface Plane {
  readonly normal: Space;
  readonly offset: number;
}

/** How a part is placed: where its origin is, and where its own directions point. */
export interface Frame {
  readonly origin: Space;
  readonly forward: Space;
  readonly left: Space;
  readonly up: Space;
}

/** A plane as the part sees it: normal · (own place) = offset. */
interface OwnPlane {
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly offset: number;
}

const ownPlane = ({ normal, offset }: Plane, { origin, forward, left, up }: Frame): OwnPlane => ({
  a: dot(normal, forward),
  b: dot(normal, left),
  c: dot(normal, up),
  offset: offset - dot(normal, origin),
});

/**
 * Where a plane meets a surface.
 * @returns paths on the sheet, not yet cut at its rim or seam; empty where it misses the surface
 */
export function planeCut(sheet: Sheet, plane: Plane, frame: Frame): Path[] {
  const own = ownPlane(plane, frame);
  if (sheet.net) return foldedCut(sheet.net.panels, own);
  if (sheet.round) return roundCut(sheet, own);
  return flatCut(sheet.ring, own.a, own.c, own.offset);
}

/** On a flat sheet the plane meets in a straight line a·x + c·y = k, drawn as long as the sheet is large. */
function flatCut(ring: readonly Point[], a: number, c: number, k: number): Path[] {
  const size = Math.hypot(a, c);
  if (size < 1e-9) return [];
  const foot = { x: (a * k) / size ** 2, y: (c * k) / size ** 2 };
  const along = { x: c / size, y: -a / size };
  const sign = Math.abs(along.x) > 1e-9 ? Math.sign(along.x) : Math.sign(along.y);
  const at = ring.map(({ x, y }) => ((x - foot.x) * along.x + (y - foot.y) * along.y) * sign);
  const end = (t: number): Point => ({ x: foot.x + t * sign * along.x, y: foot.y + t * sign * along.y });
  const path = straightPath(end(smallest(at) - 1), end(largest(at) + 1));
  return path ? [path] : [];
}

/** Steps along the skin in which the surface is searched for the plane. */
const SEARCH_STEPS = 600;

/**
 * On a round surface every ring meets the plane in at most two places, at φ₀ ± acos(D / (r·M)): exact at every distance
 * along the skin, with D the plane's height above the middle of the ring and M its steepness.
 */
function roundCut(sheet: Sheet, { a, b, c, offset }: OwnPlane): Path[] {
  const round = sheet.round as NonNullable<Sheet['round']>;
  const steep = Math.hypot(b, c);
  const above = (s: number) => offset - a * round.at(s).along;
  if (steep < 1e-9) return squareCut(sheet, above);
  const middle = Math.atan2(b, c);
  const room = (s: number) => steep * round.at(s).radius - Math.abs(above(s));
  const opening = (s: number) => Math.acos(Math.max(-1, Math.min(1, above(s) / Math.max(1e-12, steep * round.at(s).radius))));
  return reachesWhere(room, round.lengthMm).flatMap(({ from, to, turnsAtStart, turnsAtEnd }) => {
    const distanceAt = parameter(turnsAtStart ? from : from - BEYOND_MM, turnsAtEnd ? to : to + BEYOND_MM, turnsAtStart, turnsAtEnd);
    const branch = (sign: 1 | -1) =>
      branchPath((u) => {
        const s = distanceAt(u);
        return onSheet(sheet, { along: s, angle: middle + sign * opening(s) });
      });
    const [left, right] = [branch(1), branch(-1)];
    if (!turnsAtStart && !turnsAtEnd) return [withDistances(left), withDistances(right)];
    if (turnsAtStart && turnsAtEnd) return [withDistances([...left, ...backwards(right).slice(1)])];
    return turnsAtEnd ? [withDistances([...left, ...backwards(right).slice(1)])] : [withDistances([...backwards(left), ...right.slice(1)])];
  });
}

/** A cut runs this far beyond the ends of the surface, so that it surely meets their flattened rims. */
const BEYOND_MM = 0.2;

type Sample = Omit<PathPoint, 'at'>;
const backwards = (samples: readonly Sample[]): Sample[] =>
  [...samples].reverse().map((point) => ({ ...point, tx: -point.tx, ty: -point.ty, curvature: -point.curvature }));

/** A plane square to the axis meets in rings. */
function squareCut(sheet: Sheet, above: (s: number) => number): Path[] {
  const { lengthMm } = sheet.round as NonNullable<Sheet['round']>;
  return signChanges(above, lengthMm).map((s) => ringAt(sheet, s));
}

/** Places along a ring that lies straight on its sheet. */
const RING_STEPS = 64;

/** A ring once round at a distance along the skin. */
export function ringAt(sheet: Sheet, along: number): Path {
  const place = (u: number) => onSheet(sheet, { along, angle: 2 * Math.PI * (u - 0.5) });
  const { turns } = sheet;
  if (turns?.kind === 'turn') return arcAbout(turns.apex, place(0), turns.side * turns.sector, place(1));
  return withDistances(Array.from({ length: RING_STEPS + 1 }, (_, step) => ({ ...place(step / RING_STEPS), tx: 0, ty: 1, curvature: 0 })));
}

/** Runs through one branch of a cut; direction and bend from its neighbourhood, since it is smooth in the parameter. */
function branchPath(place: (u: number) => Point, least = Math.ceil(1 / TOLERANCE.curvatureShare)): Sample[] {
  const h = 1e-4;
  return Array.from({ length: least + 1 }, (_, step) => {
    const u = step / least;
    const around = Math.min(1 - h, Math.max(h, u));
    const [p, q, r] = [place(around - h), place(around), place(around + h)];
    const [dx, dy] = [(r.x - p.x) / (2 * h), (r.y - p.y) / (2 * h)];
    const [ddx, ddy] = [(r.x - 2 * q.x + p.x) / h ** 2, (r.y - 2 * q.y + p.y) / h ** 2];
    const speed = Math.hypot(dx, dy) || 1;
    return { ...place(u), tx: dx / speed, ty: dy / speed, curvature: (dx * ddy - dy * ddx) / speed ** 3 };
  });
}

/** Distance along the skin against a parameter 0…1 that slows down where the cut turns back, so that it stays smooth there. */
function parameter(from: number, to: number, turnsAtStart: boolean, turnsAtEnd: boolean): (u: number) => number {
  const span = to - from;
  if (turnsAtStart && turnsAtEnd) return (u) => from + (span * (1 - Math.cos(Math.PI * u))) / 2;
  if (turnsAtStart) return (u) => from + span * u * u;
  if (turnsAtEnd) return (u) => to - span * (1 - u) ** 2;
  return (u) => from + span * u;
}

interface Reach {
  readonly from: number;
  readonly to: number;
  readonly turnsAtStart: boolean;
  readonly turnsAtEnd: boolean;
}

/** Stretches on which a function is not below 0. */
function reachesWhere(room: (s: number) => number, length: number): Reach[] {
  const roots = signChanges(room, length);
  const stops = [0, ...roots, length];
  return stops.slice(1).flatMap((to, index) => {
    const from = stops[index];
    if (to - from < 1e-6 || room((from + to) / 2) < 0) return [];
    return [{ from, to, turnsAtStart: index > 0, turnsAtEnd: index < stops.length - 2 }];
  });
}

/** Places between 0 and a length at which a function passes through 0, by halving. */
function signChanges(of: (s: number) => number, length: number): number[] {
  const found: number[] = [];
  let before = of(0);
  for (let step = 1; step <= SEARCH_STEPS; step++) {
    const s = (length * step) / SEARCH_STEPS;
    const now = of(s);
    if (before === 0 ? false : now === 0 || before > 0 !== now > 0) {
      let [low, high] = [s - length / SEARCH_STEPS, s];
      for (let round = 0; round < 60; round++) {
        const half = (low + high) / 2;
        if (of(half) > 0 === before > 0) low = half;
        else high = half;
      }
      found.push((low + high) / 2);
    }
    before = now;
  }
  return found.filter((s) => s > 1e-9 && s < length - 1e-9);
}

/** On a folded piece: straight on every panel, a tube's curve over every bend, joined where they meet. */
function foldedCut(panels: readonly PlacedPanel[], { a, b, c, offset }: OwnPlane): Path[] {
  const normal = { x: a, y: b, z: c };
  const pieces = [
    ...panels.flatMap((panel) => {
      const k = offset - dot(normal, panel.from);
      return flatCut(panel.ring, dot(normal, panel.across), dot(normal, panel.up), k).flatMap((path) => insidePanel(path, panel.ring));
    }),
    ...panels.flatMap((panel) => bendCut(panel, panels, normal, offset)),
  ];
  return joinedEnds(pieces).flatMap((places) => {
    const path = places.length === 2 ? cornered(places) : sampledPath(places, false);
    return path && pathLength(path) > 1e-3 ? [path] : [];
  });
}

function insidePanel(path: Path, ring: readonly Point[]): Point[][] {
  const [from, to] = [path[0], path[path.length - 1]];
  const cuts = ring
    .flatMap((corner, edge) => {
      const met = crossing(from, to, corner, ring[(edge + 1) % ring.length]);
      return met ? [met.onFirst * pathLength(path)] : [];
    })
    .sort((p, q) => p - q);
  const pairs: Point[][] = [];
  for (let index = 1; index < cuts.length; index += 2) {
    const piece = pieceOf(path, cuts[index - 1], cuts[index]);
    if (piece) pairs.push([piece[0], piece[piece.length - 1]]);
  }
  return pairs;
}

/** The plane over one bend, in steps across it: at each the place along the fold follows from one linear equation. */
function bendCut({ fold }: PlacedPanel, panels: readonly PlacedPanel[], normal: Space, offset: number): Point[][] {
  if (!fold || fold.widthMm < 1e-6) return [];
  const parent = panels[fold.parent];
  const length = Math.hypot(fold.b.x - fold.a.x, fold.b.y - fold.a.y);
  const along = { x: (fold.b.x - fold.a.x) / length, y: (fold.b.y - fold.a.y) / length };
  const direction = (d: Point): number => dot(normal, parent.across) * d.x + dot(normal, parent.up) * d.y;
  const perMm = direction(along);
  if (Math.abs(perMm) < 1e-9) return [];
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
    if (t < -1e-6 || t > length + 1e-6) continue;
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
      const next = left.findIndex((piece) => [piece[0], piece[piece.length - 1]].some((end) => near(end, chain[0]) || near(end, chain[chain.length - 1])));
      if (next < 0) continue;
      const [piece] = left.splice(next, 1);
      if (near(chain[0], piece[0]) || near(chain[0], piece[piece.length - 1])) chain = chain.reverse();
      chain.push(...(near(piece[0], chain[chain.length - 1]) ? piece : piece.reverse()).slice(1));
      grown = true;
    }
    chains.push(chain);
  }
  return chains;
}
