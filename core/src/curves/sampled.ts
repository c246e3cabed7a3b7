import { TOLERANCE } from '../kit';
import { type Path, type PathPoint, withArcLength } from './path';
import { distance, type Point } from './point';

/** A turn at one place above this is a corner: flattened curves turn by far less from piece to piece, radians. */
const CORNER = (18 * Math.PI) / 180;

/**
 * A path through places that came from somewhere else: directions and bends are estimated from neighbours, and a sharp turn is
 * a corner.
 * @param places in order; for a closed path the first is not repeated
 * @returns null where fewer than two different places are left
 */
export function pathFromSamples(places: readonly Point[], closed: boolean): Path | null {
  const kept = places.filter((place, index) => index === 0 || distance(place, places[index - 1]!) > TOLERANCE.sample);
  if (closed && kept.length > 2 && distance(kept[0]!, kept.at(-1)!) <= TOLERANCE.sample) kept.pop();
  if (kept.length < 2) return null;
  const count = kept.length;
  const pointOf = (index: number) => kept[(index + count) % count]!;
  const isEnd = (index: number) => !closed && (index === 0 || index === count - 1);
  const samples: Omit<PathPoint, 'at'>[] = [];
  const indices = closed
    ? Array.from({ length: count + 1 }, (_, index) => index % count)
    : kept.map((_, index) => index);
  indices.forEach((index, walk) => {
    const here = pointOf(index);
    const into = isEnd(index) && index === 0 ? null : headingBetween(pointOf(index - 1), here);
    const out = isEnd(index) && index === count - 1 ? null : headingBetween(here, pointOf(index + 1));
    samples.push(
      ...samplesAt(
        here,
        into,
        out,
        (distance(pointOf(index - 1), here) + distance(here, pointOf(index + 1))) / 2,
        walk === 0,
        walk === indices.length - 1,
      ),
    );
  });
  return withArcLength(samples);
}

/** One place of the path; at a corner two, one for each direction. */
function samplesAt(
  here: Point,
  into: number | null,
  out: number | null,
  reach: number,
  first: boolean,
  last: boolean,
): Omit<PathPoint, 'at'>[] {
  if (into === null || out === null) return [{ ...here, ...asDirection(into ?? out ?? 0), curvature: 0 }];
  const turn = Math.atan2(Math.sin(out - into), Math.cos(out - into));
  if (Math.abs(turn) <= CORNER)
    return [{ ...here, ...asDirection(into + turn / 2), curvature: (2 * Math.tan(turn / 2)) / reach }];
  const before = { ...here, ...asDirection(into), curvature: 0 };
  const after = { ...here, ...asDirection(out), curvature: 0 };
  return [...(first ? [] : [before]), ...(last ? [] : [after])];
}

const headingBetween = (a: Point, b: Point): number => Math.atan2(b.y - a.y, b.x - a.x);
const asDirection = (angle: number) => ({ tx: Math.cos(angle), ty: Math.sin(angle) });
