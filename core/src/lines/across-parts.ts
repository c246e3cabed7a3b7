import { type Path, pathSlice, pointAt } from '../curves';
import { bisect, firstItem, lastItem, messageWithoutValues, TOLERANCE } from '../kit';
import {
  addVectors,
  cross,
  dot,
  type Plane,
  planeOnPart,
  scaleVector,
  type SpacePoint,
  unitVector,
  vectorLength,
} from '../surface';
import type { LineOf } from './line';
import type { LinePaths } from './line-paths';
import { facesViewer, type PartFrame, pointOnPiece, VIEW_AXES } from './part-shape';
import { wrapAtSeam } from './wrap';

/** The frame without mirroring: lines are computed on the part that is measured. */
const asMeasured = (board: PartFrame): PartFrame => ({ ...board, mirrored: false, reflect: (place) => place });

/** Where a plane that is seen edge-on in a view meets the part. */
export function planeCutLine(line: LineOf<'cut'>, board: PartFrame): LinePaths {
  const { into, across, up } = VIEW_AXES[line.view];
  const run = { x: line.to.across - line.from.across, y: line.to.up - line.from.up };
  if (Math.hypot(run.x, run.y) < TOLERANCE.grid) return messageWithoutValues('line.cut-places');
  const normal = unitVector(addVectors(scaleVector(across, -run.y), up, run.x));
  const through = addVectors(scaleVector(across, line.from.across), up, line.from.up);
  const cuts = board.measured.cut(planeOnPart({ normal, offset: dot(normal, through) }, board.frame));
  if (cuts.length === 0) return messageWithoutValues('line.cut-misses');
  const kept =
    line.half === 'both' ? cuts : cuts.flatMap((path) => halfOf(path, asMeasured(board), into, line.half === 'near'));
  return kept.length > 0 ? kept : { code: 'line.cut-hidden', values: { half: line.half === 'near' ? 'near' : 'far' } };
}

/** What of a path faces the viewer, or does not. */
function halfOf(path: Path, board: PartFrame, into: SpacePoint, near: boolean): Path[] {
  const shown = (heightAt: number) => {
    const [place] = wrapAtSeam([pointAt(path, heightAt), pointAt(path, heightAt + 0.01)], board.measured);
    return facesViewer(pointOnPiece(board, place?.[0] ?? pointAt(path, heightAt)).out, into) === near;
  };
  const stops = [path[0]!.at];
  for (let index = 1; index < path.length; index++) {
    const [from, to] = [path[index - 1]!.at, path[index]!.at];
    if (shown(from) === shown(to)) continue;
    const first = shown(from);
    stops.push(bisect(from, to, 40, (half) => shown(half) === first));
  }
  stops.push(lastItem(path).at);
  return stops.slice(1).flatMap((to, index) => {
    const from = stops[index]!;
    const piece = pathSlice(path, from, to);
    return piece && shown((from + to) / 2) ? [piece.map((point) => ({ ...point, at: point.at - from }))] : [];
  });
}

/**
 * Continues a line of another part.
 * @param other the other part with the line as it lies there, in order
 */
export function continuedLine(
  line: LineOf<'continuation'>,
  board: PartFrame,
  other: PartFrame,
  pieces: readonly Path[],
): LinePaths {
  const ends = endOf(pieces, line.end, other);
  if (!ends) return messageWithoutValues('line.on-not-there');
  const plane = planeThrough(ends.at, ends.onward, line.mode);
  if (!plane) return messageWithoutValues('line.on-at-viewer');
  const partFrame = asMeasured(board);
  const cuts = board.measured.cut(planeOnPart(plane, board.frame)).flatMap((path) => wrapAtSeam(path, board.measured));
  const nearest = cuts
    .map((path) => ({
      path,
      away: Math.min(
        ...[firstItem(path), lastItem(path), pointAt(path, lastItem(path).at / 2)].map((place) =>
          gap(pointOnPiece(partFrame, place).at, ends.at),
        ),
      ),
    }))
    .sort((a, b) => a.away - b.away)[0];
  return nearest ? [nearest.path] : messageWithoutValues('line.on-misses');
}

const gap = (a: SpacePoint, b: SpacePoint): number => vectorLength(addVectors(a, b, -1));

/** End of a line on the whole piece, and the direction in which it would continue. */
function endOf(
  pieces: readonly Path[],
  end: 'start' | 'end',
  board: PartFrame,
): { at: SpacePoint; onward: SpacePoint } | null {
  const piece = end === 'start' ? pieces[0] : pieces[pieces.length - 1];
  if (!piece) return null;
  const [last, step] = end === 'start' ? [piece[0]!.at, 1] : [lastItem(piece).at, -1];
  const point = pointOnPiece(board, pointAt(piece, last)).at;
  const before = pointOnPiece(board, pointAt(piece, last + step)).at;
  return { at: point, onward: unitVector(addVectors(point, before, -1)) };
}

function planeThrough(point: SpacePoint, onward: SpacePoint, mode: 'side' | 'top' | 'level'): Plane | null {
  const normal = mode === 'level' ? { x: 0, y: 0, z: 1 } : cross(onward, VIEW_AXES[mode].into);
  if (vectorLength(normal) < TOLERANCE.grid) return null;
  const direction = unitVector(normal);
  return { normal: direction, offset: dot(direction, point) };
}
