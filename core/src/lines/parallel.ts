import { crossing, distanceToSegment, type Point } from '../surface';
import { TOLERANCE } from '../units';
import { withDistances, type Path, type PathPoint } from './path';

/**
 * The line at a constant distance from another.
 * Where the other bends tighter than the distance, the lost part is trimmed and the ends meet in a corner.
 * @param path line to follow
 * @param offset mm, positive to the left
 * @returns the path; null where nothing of it is left
 */
export function parallelPath(path: Path, offset: number): Path | null {
  const shifted = path.map((point) => shift(point, offset));
  const kept = losesNothing(path, offset) ? shifted : trimmed(path, shifted, Math.abs(offset));
  return kept.length < 2 ? null : withDistances(kept);
}

type Shifted = Omit<PathPoint, 'at'>;

function shift({ x, y, tx, ty, curvature }: PathPoint, offset: number): Shifted {
  const scale = 1 - curvature * offset;
  return { x: x - ty * offset, y: y + tx * offset, tx, ty, curvature: scale > 0 ? curvature / scale : 0 };
}

/** A line that never turns back on itself and never bends tighter than the distance loses nothing. */
function losesNothing(path: Path, offset: number): boolean {
  const turning = path.slice(1).reduce((sum, point, index) => sum + Math.abs(point.curvature) * (point.at - path[index].at), 0);
  return turning < Math.PI && path.every(({ curvature }) => curvature * offset < 0.98);
}

function trimmed(path: Path, shifted: readonly Shifted[], reach: number): Shifted[] {
  const sound = shifted.map((place) => clearOf(place, path, reach - TOLERANCE.flatten));
  const kept: Shifted[] = [];
  shifted.forEach((place, index) => {
    if (!sound[index]) return;
    const resumes = kept.length > 0 && index > 0 && !sound[index - 1];
    const corner = resumes ? meeting(kept, shifted.slice(index)) : null;
    if (corner) kept.push({ ...kept[kept.length - 1], ...corner, curvature: 0 });
    kept.push(place);
  });
  return kept;
}

const clearOf = (place: Point, path: Path, reach: number): boolean =>
  path.every((point, index) => index === 0 || distanceToSegment(place, path[index - 1], point) >= reach);

/** Where the last kept piece, run on, meets the first piece after the gap. */
function meeting(kept: readonly Shifted[], rest: readonly Shifted[]): Point | null {
  const last = kept[kept.length - 1];
  const next = rest[0];
  const far = 10 * Math.hypot(next.x - last.x, next.y - last.y) + 1;
  const ahead = { x: last.x + last.tx * far, y: last.y + last.ty * far };
  const behind = { x: next.x - next.tx * far, y: next.y - next.ty * far };
  const met = crossing(last, ahead, behind, next);
  return met ? { x: last.x + met.onFirst * (ahead.x - last.x), y: last.y + met.onFirst * (ahead.y - last.y) } : null;
}
