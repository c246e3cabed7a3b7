import {
  arcAbout,
  arcSweep,
  distance,
  nearestOnPath,
  type Path,
  pathCrossings,
  pathLength,
  type PathPoint,
  pathSlice,
  type Point,
  pointAt,
  reversedPath,
} from '../curves';
import { messageWithoutValues, TOLERANCE } from '../kit';
import type { LineMessage } from './messages';
import { parallelPath } from './parallel';

/** A rounded corner, and what is left of the two lines it joins. */
export interface Fillet {
  readonly path: Path;
  readonly a: Path;
  readonly b: Path;
}

/**
 * Rounds the corner between two lines.
 * @param keepA, keepB which end of each line stays; the corner lies between the two
 * @returns trouble where they do not meet or the radius does not fit
 */
export function filletBetween(
  a: Path,
  b: Path,
  radius: number,
  keepA: 'start' | 'end',
  keepB: 'start' | 'end',
): Fillet | LineMessage {
  // Both are turned so that they lead away from the corner, and run on a little so that they meet.
  const out = (path: Path, keep: 'start' | 'end') => (keep === 'end' ? path : reversedPath(path));
  const [legA, legB] = [startingEarlier(out(a, keepA), radius), startingEarlier(out(b, keepB), radius)];
  const met = pathCrossings(legA, legB)[0];
  if (!met) return messageWithoutValues('line.corner-apart');
  const sideOfB = sideOf(legA, met.onFirst, legB, met.onSecond);
  const sideOfA = sideOf(legB, met.onSecond, legA, met.onFirst);
  if (sideOfB === 0) return messageWithoutValues('line.corner-straight');
  const tracks = [parallelPath(legA, sideOfB * radius), parallelPath(legB, sideOfA * radius)];
  const corner = pointAt(legA, met.onFirst);
  const centres =
    tracks[0] && tracks[1]
      ? pathCrossings(tracks[0], tracks[1]).map(({ onFirst }) => pointAt(tracks[0] as Path, onFirst))
      : [];
  const centre = centres.sort((p, q) => distance(p, corner) - distance(q, corner))[0];
  if (!centre) return { code: 'line.corner-room', values: { radiusMm: radius } };
  const [onA, onB] = [nearestOnPath(legA, centre), nearestOnPath(legB, centre)];
  if (Math.abs(onA.distanceMm - radius) > 0.1 || Math.abs(onB.distanceMm - radius) > 0.1)
    return { code: 'line.corner-room', values: { radiusMm: radius } };
  const [from, to] = [pointAt(legA, onA.at), pointAt(legB, onB.at)];
  const restA = pathSlice(legA, onA.at, Infinity);
  const restB = pathSlice(legB, onB.at, Infinity);
  if (!restA || !restB) return { code: 'line.corner-nothing', values: { radiusMm: radius } };
  const middle = towards(centre, corner, radius);
  return {
    path: arcAbout(centre, from, arcSweep(centre, from, middle, to), to),
    a: back(restA, keepA),
    b: back(restB, keepB),
  };
}

const back = (leg: Path, keep: 'start' | 'end'): Path => (keep === 'end' ? leg : reversedPath(leg));

const towards = (centre: Point, corner: Point, radius: number): Point => {
  const away = distance(centre, corner) || 1;
  return {
    x: centre.x + ((corner.x - centre.x) * radius) / away,
    y: centre.y + ((corner.y - centre.y) * radius) / away,
  };
};

/** A leg begun earlier, straight back from its start, so that lines which only almost meet still do. */
function startingEarlier(path: Path, by: number): Path {
  const first = path[0]!;
  const start: PathPoint = {
    ...first,
    x: first.x - first.tx * by,
    y: first.y - first.ty * by,
    curvature: 0,
    at: first.at - by,
  };
  return [start, { ...first, curvature: 0 }, ...path];
}

/** On which side of one leg the other leads away: 1 left, −1 right. */
function sideOf(leg: Path, along: number, other: Path, otherAt: number): -1 | 0 | 1 {
  const here = pointAt(leg, along);
  const ahead = pointAt(other, Math.min(otherAt + Math.max(1, pathLength(other) / 20), other.at(-1)!.at));
  const side = here.tx * (ahead.y - here.y) - here.ty * (ahead.x - here.x);
  return Math.abs(side) < TOLERANCE.rounding ? 0 : side > 0 ? 1 : -1;
}
