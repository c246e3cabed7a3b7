import { arcAbout, type Path, pathFromSamples, type PathPoint, type Point, straightPath } from '../curves';
import { TOLERANCE } from '../kit';
import type { Skin } from '../surface';

/** Size of a rectangle with rounded corners, mm, and the direction of its width, radians. */
export interface Frame {
  readonly width: number;
  readonly height: number;
  readonly corner: number;
  readonly turn: number;
}

/**
 * A closed rectangle with rounded corners, anticlockwise, in one piece that begins in the middle of its lower side. A radius larger than half its
 * lesser side is that half.
 */
function framePath(centre: Point, { width, height, corner, turn }: Frame): Path | null {
  const radius = Math.min(corner, width / 2, height / 2);
  const [w, h] = [width / 2, height / 2];
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const put = (x: number, y: number): Point => ({ x: centre.x + cos * x - sin * y, y: centre.y + sin * x + cos * y });
  const corners = [
    [1, -1],
    [1, 1],
    [-1, 1],
    [-1, -1],
  ] as const;
  const start = put(0, -h);
  const samples: PathPoint[] = [];
  let from = start;
  let along = 0;
  const goOn = (path: Path, to: Point) => {
    samples.push(...path.map((sample) => ({ ...sample, at: along + sample.at })));
    along = samples.at(-1)?.at ?? 0;
    from = to;
  };
  for (const [index, [right, up]] of corners.entries()) {
    const [x, y] = [right * (w - radius), up * (h - radius)];
    // The corners come one after the other, each a quarter to the left.
    const [before, after] = [quarter(index - 1), quarter(index)];
    const begin = put(x + radius * before.x, y + radius * before.y);
    goOn(straightPath(from, begin) ?? [], begin);
    if (radius < TOLERANCE.touch) continue;
    const end = put(x + radius * after.x, y + radius * after.y);
    goOn(arcAbout(put(x, y), from, Math.PI / 2, end), end);
  }
  goOn(straightPath(from, start) ?? [], start);
  return samples.length < 2 ? null : samples;
}

/** Outward direction of the side that follows a corner: right, top, left, and the lower one before the first. */
const quarter = (index: number): Point => ({
  x: Math.round(Math.cos((index * Math.PI) / 2)),
  y: Math.round(Math.sin((index * Math.PI) / 2)),
});

/** The same where the drawing is not true: every place is reached straight from the middle. */
export function frameOn(skin: Skin, centre: Point, frame: Frame): Path | null {
  const flat = framePath(centre, frame);
  if (!skin.metric || !flat) return flat;
  const places = flat
    .slice(0, -1)
    .map(({ x, y }) =>
      skin.walk(centre, Math.atan2(y - centre.y, x - centre.x), Math.hypot(x - centre.x, y - centre.y)),
    );
  return places.every(({ x, y }) => Number.isFinite(x) && Number.isFinite(y)) ? pathFromSamples(places, true) : null;
}
