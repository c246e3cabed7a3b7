import {
  cornerDistances,
  distanceToSegment,
  isClosed,
  type Path,
  type PathPoint,
  type Point,
  segmentCrossing,
  withArcLength,
} from '../curves';
import { TOLERANCE } from '../kit';

/**
 * The line at a constant distance from another.
 * Where the other bends tighter than the distance, the lost part is trimmed and the ends meet in a corner.
 * @param path line to follow
 * @param offset mm, positive to the left
 * @returns the path; null where nothing of it is left
 */
export function parallelPath(path: Path, offset: number): Path | null {
  const shifted = roundedCorners(path, offset);
  const closed = isClosed(path);
  const kept = losesNothing(path, offset) ? shifted : trimmed(path, shifted, Math.abs(offset), closed);
  if (kept.length < 2) return null;
  return withArcLength(closed && kept.length > 2 ? [...kept, { ...kept[0]! }] : kept);
}

type Shifted = Omit<PathPoint, 'at'>;

function shift({ x, y, tx, ty, curvature }: PathPoint, offset: number): Shifted {
  const scale = 1 - curvature * offset;
  return { x: x - ty * offset, y: y + tx * offset, tx, ty, curvature: scale > 0 ? curvature / scale : 0 };
}

/** Every place moved aside; round the outside of a corner the parallel swings in an arc. */
function roundedCorners(path: Path, offset: number): Shifted[] {
  return path.flatMap((point, index) => {
    const before = path[index - 1];
    const moved = shift(point, offset);
    if (!before || point.at - before.at > TOLERANCE.rounding) return [moved];
    const turn = Math.atan2(before.tx * point.ty - before.ty * point.tx, before.tx * point.tx + before.ty * point.ty);
    if (turn * offset >= -TOLERANCE.along) return [moved];
    const steps = Math.max(1, Math.ceil(Math.abs(turn) / 0.1));
    const swing = Array.from({ length: steps - 1 }, (_, step): Shifted => {
      const angle = Math.atan2(before.ty, before.tx) + (turn * (step + 1)) / steps;
      const heading = { tx: Math.cos(angle), ty: Math.sin(angle) };
      return { x: point.x - heading.ty * offset, y: point.y + heading.tx * offset, ...heading, curvature: -1 / offset };
    });
    return [...swing, moved];
  });
}

/** A line that never turns back on itself and never bends tighter than the distance loses nothing. */
function losesNothing(path: Path, offset: number): boolean {
  if (cornerDistances(path).length > 0) return false;
  const turning = path
    .slice(1)
    .reduce((sum, point, index) => sum + Math.abs(point.curvature) * (point.at - path[index]!.at), 0);
  const convex = isClosed(path) && path.every(({ curvature }) => curvature * offset <= 0);
  return convex || (turning < Math.PI && path.every(({ curvature }) => curvature * offset < 0.98));
}

function trimmed(path: Path, shifted: readonly Shifted[], reach: number, closed: boolean): Shifted[] {
  const near = nearnessOf(path);
  const sound = shifted.map((place) => near(place) >= reach - TOLERANCE.flatten);
  // A closed line is walked from a lost place on, so that no gap lies across its seam.
  const start = closed ? Math.max(0, sound.indexOf(false)) : 0;
  const order = shifted.map((_, index) => (index + start) % shifted.length);
  const kept: Shifted[] = [];
  order.forEach((index, walk) => {
    if (!sound[index]) return;
    const resumes = kept.length > 0 && walk > 0 && !sound[order[walk - 1]!];
    const corner = resumes ? meeting(kept.at(-1)!, shifted[index]!) : null;
    if (corner)
      kept.push(
        { ...kept[kept.length - 1]!, ...corner, curvature: 0 },
        { ...shifted[index]!, ...corner, curvature: 0 },
      );
    kept.push(shifted[index]!);
  });
  const across = closed && kept.length > 2 && start > 0 ? meeting(kept.at(-1)!, kept[0]!) : null;
  return across
    ? [...kept, { ...kept[kept.length - 1]!, ...across, curvature: 0 }, { ...kept[0]!, ...across, curvature: 0 }]
    : kept;
}

/** Distance of a place from a path, by boxes of neighbouring pieces that are passed over when they are too far. */
function nearnessOf(path: Path): (place: Point) => number {
  const SIZE = 16;
  const groups: { minX: number; minY: number; maxX: number; maxY: number; from: number; to: number }[] = [];
  for (let from = 1; from < path.length; from += SIZE) {
    const to = Math.min(path.length, from + SIZE);
    const box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };
    for (let index = from - 1; index < to; index++) {
      const { x, y } = path[index]!;
      box.minX = Math.min(box.minX, x);
      box.maxX = Math.max(box.maxX, x);
      box.minY = Math.min(box.minY, y);
      box.maxY = Math.max(box.maxY, y);
    }
    groups.push({ ...box, from, to });
  }
  return (place) => {
    let least = Infinity;
    for (const { minX, minY, maxX, maxY, from, to } of groups) {
      const dx = Math.max(minX - place.x, 0, place.x - maxX);
      const dy = Math.max(minY - place.y, 0, place.y - maxY);
      if (dx * dx + dy * dy >= least * least) continue;
      for (let index = from; index < to; index++)
        least = Math.min(least, distanceToSegment(place, path[index - 1]!, path[index]!));
    }
    return least;
  };
}

/** Where the last kept piece, extended, meets the first piece after the gap. */
function meeting(last: Shifted, next: Shifted): Point | null {
  const far = 10 * Math.hypot(next.x - last.x, next.y - last.y) + 1;
  const ahead = { x: last.x + last.tx * far, y: last.y + last.ty * far };
  const behind = { x: next.x - next.tx * far, y: next.y - next.ty * far };
  const met = segmentCrossing(last, ahead, behind, next);
  return met ? { x: last.x + met.onFirst * (ahead.x - last.x), y: last.y + met.onFirst * (ahead.y - last.y) } : null;
}
