import { pieceOf, pointAt, type Path } from '../curves';
import { cross, dot, ownPlane, plus, scaled, sizeOf, unit, type Plane, type Space } from '../surface';
import type { LineOf } from './line';
import type { Made } from './made';
import { faces, onPiece, VIEW_AXES, type PartBoard } from './part-shape';
import { wrapped } from './wrap';
import { halved, plainly, theFirst, theLast } from '../units';

/** The board without its mirroring: lines are worked out on the part that is measured. */
const asMeasured = (board: PartBoard): PartBoard => ({ ...board, mirrored: false, reflect: (place) => place });

/** Where a plane that is seen edge-on in a view meets the part. */
export function cutLine(line: LineOf<'cut'>, board: PartBoard): Made {
  const { into, across, up } = VIEW_AXES[line.view];
  const run = { x: line.to.across - line.from.across, y: line.to.up - line.from.up };
  if (Math.hypot(run.x, run.y) < 1e-3) return plainly('line.cut-places');
  const normal = unit(plus(scaled(across, -run.y), up, run.x));
  const through = plus(scaled(across, line.from.across), up, line.from.up);
  const cuts = board.measured.cut(ownPlane({ normal, offset: dot(normal, through) }, board.frame));
  if (cuts.length === 0) return plainly('line.cut-misses');
  const kept = line.half === 'both' ? cuts : cuts.flatMap((path) => halfOf(path, asMeasured(board), into, line.half === 'near'));
  return kept.length > 0 ? kept : { code: 'line.cut-hidden', values: { half: line.half === 'near' ? 'near' : 'far' } };
}

/** What of a path faces the viewer, or does not. */
function halfOf(path: Path, board: PartBoard, into: Space, near: boolean): Path[] {
  const shown = (at: number) => {
    const [place] = wrapped([pointAt(path, at), pointAt(path, at + 0.01)], board.measured);
    return faces(onPiece(board, place?.[0] ?? pointAt(path, at)).out, into) === near;
  };
  const stops = [path[0]!.at];
  for (let index = 1; index < path.length; index++) {
    const [from, to] = [path[index - 1]!.at, path[index]!.at];
    if (shown(from) === shown(to)) continue;
    const first = shown(from);
    stops.push(halved(from, to, 40, (half) => shown(half) === first));
  }
  stops.push(theLast(path).at);
  return stops.slice(1).flatMap((to, index) => {
    const from = stops[index]!;
    const piece = pieceOf(path, from, to);
    return piece && shown((from + to) / 2) ? [piece.map((point) => ({ ...point, at: point.at - from }))] : [];
  });
}

/**
 * Goes on with a line of another part.
 * @param other the other part with the line as it lies there, in order
 */
export function continuedLine(line: LineOf<'continuation'>, board: PartBoard, other: PartBoard, pieces: readonly Path[]): Made {
  const ends = endOf(pieces, line.end, other);
  if (!ends) return plainly('line.on-not-there');
  const plane = planeThrough(ends.at, ends.onward, line.mode);
  if (!plane) return plainly('line.on-at-viewer');
  const own = asMeasured(board);
  const cuts = board.measured.cut(ownPlane(plane, board.frame)).flatMap((path) => wrapped(path, board.measured));
  const nearest = cuts
    .map((path) => ({
      path,
      away: Math.min(...[theFirst(path), theLast(path), pointAt(path, theLast(path).at / 2)].map((place) => gap(onPiece(own, place).at, ends.at))),
    }))
    .sort((a, b) => a.away - b.away)[0];
  return nearest ? [nearest.path] : plainly('line.on-misses');
}

const gap = (a: Space, b: Space): number => sizeOf(plus(a, b, -1));

/** Where a line ends on the whole piece, and in which direction it would go on. */
function endOf(pieces: readonly Path[], end: 'start' | 'end', board: PartBoard): { at: Space; onward: Space } | null {
  const piece = end === 'start' ? pieces[0] : pieces[pieces.length - 1];
  if (!piece) return null;
  const [last, step] = end === 'start' ? [piece[0]!.at, 1] : [theLast(piece).at, -1];
  const at = onPiece(board, pointAt(piece, last)).at;
  const before = onPiece(board, pointAt(piece, last + step)).at;
  return { at, onward: unit(plus(at, before, -1)) };
}

function planeThrough(at: Space, onward: Space, mode: 'side' | 'top' | 'level'): Plane | null {
  const normal = mode === 'level' ? { x: 0, y: 0, z: 1 } : cross(onward, VIEW_AXES[mode].into);
  if (sizeOf(normal) < 1e-3) return null;
  const of = unit(normal);
  return { normal: of, offset: dot(of, at) };
}
