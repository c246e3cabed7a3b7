import { distance, distanceToSegment, type Place, type Point, ringArea } from '../curves';
import { closeRing, LIMITS, MAX_COORDINATE_MM } from '../kit';
import type { LineOf } from '../lines';
import type { Outline } from '../surface';
import type { Drawing, DrawnPath } from './drawing';
import type { TakenMessage } from './messages';

/** Corners an outline may have, and places a path. */
const MOST_CORNERS = 500;
const MOST_PLACES = 5000;
/** Paths of one line. */
const MOST_PATHS = 500;
/** Places on a straight between their neighbours are left out within this, mm. */
const THIN_MM = 0.004;

/** What a drawing becomes on a part. */
export interface FromDrawing {
  readonly outline: Outline | null;
  readonly line: LineOf<'imported'> | null;
  /** What could not be taken over, in sentences. */
  readonly left: readonly TakenMessage[];
}

/** How a drawing is to be taken over. */
export interface DrawingWish {
  /** Millimetres to one of its units. */
  readonly unitMm: number;
  /** Layer whose largest closed path is the outline; null takes none. */
  readonly outline: string | null;
  /** Layers whose paths are lines. */
  readonly lines: readonly string[];
  readonly lineId: string;
  readonly lineName: string;
  readonly datum: string;
}

/**
 * Turns layers of a drawing into the outline of a part and one imported line.
 * @returns both, moved so that the lower left of the outline (of the lines if there is no outline) stays in place
 */
export function fromDrawing(drawing: Drawing, wish: DrawingWish): FromDrawing {
  const pathsOf = (name: string) => drawing.layers.find((layer) => layer.name === name)?.paths ?? [];
  const inMm = ({ closed, points }: DrawnPath): DrawnPath => ({
    closed,
    points: thinned(
      points.map(({ x, y }) => ({ x: x * wish.unitMm, y: y * wish.unitMm })),
      closed,
    ),
  });
  const left: TakenMessage[] = [];
  const rim = wish.outline === null ? null : largestClosed(pathsOf(wish.outline).map(inMm));
  if (wish.outline !== null && !rim) left.push({ code: 'taken.no-outline', values: { layer: wish.outline } });
  const outline = rim ? outlineOf(rim, left) : null;
  const paths = wish.lines
    .flatMap(pathsOf)
    .map(inMm)
    .filter((path) => path !== rim);
  let places = 0;
  const sound = paths
    .filter(
      ({ points }) =>
        points.length <= MOST_PLACES &&
        points.every(({ x, y }) => Math.abs(x) <= MAX_COORDINATE_MM && Math.abs(y) <= MAX_COORDINATE_MM),
    )
    .filter(({ points }) => (places += points.length) <= LIMITS.linePieces)
    .slice(0, MOST_PATHS);
  if (sound.length < paths.length) left.push({ code: 'taken.paths', values: { paths: paths.length - sound.length } });
  return { outline, line: sound.length > 0 ? importedLine(sound, wish) : null, left };
}

const importedLine = (paths: readonly DrawnPath[], { lineId, lineName, datum }: DrawingWish): LineOf<'imported'> => ({
  kind: 'imported',
  id: lineId,
  name: lineName,
  runOn: false,
  datum,
  paths: paths.map(({ closed, points }) => ({ closed, points: points.map(asPlace) })),
});

// 0.0001 mm is far below the accuracy of any tape and keeps files short.
const asPlace = ({ x, y }: Point): Place => [Math.round(x * 1e4) / 1e4, Math.round(y * 1e4) / 1e4];

function outlineOf({ points }: DrawnPath, left: TakenMessage[]): Outline | null {
  let tolerance = THIN_MM;
  let ring = points;
  while (ring.length > MOST_CORNERS && tolerance < 0.5) ring = thinned(points, true, (tolerance *= 2));
  if (ring.length > MOST_CORNERS) {
    left.push({ code: 'taken.corners', values: { most: MOST_CORNERS } });
    return null;
  }
  if (tolerance > THIN_MM) left.push({ code: 'taken.thinned', values: { corners: ring.length, strayMm: tolerance } });
  return { kind: 'polygon', points: ring.map(asPlace) };
}

const largestClosed = (paths: readonly DrawnPath[]): DrawnPath | null =>
  paths
    .filter(({ closed, points }) => points.length > 2 && (closed || distance(points[0]!, points.at(-1)!) < 0.01))
    .map((path) =>
      distance(path.points[0]!, path.points.at(-1)!) < 0.01 ? { closed: true, points: path.points.slice(0, -1) } : path,
    )
    .sort((a, b) => Math.abs(ringArea(b.points)) - Math.abs(ringArea(a.points)))[0] ?? null;

/** Leaves out places that lie on the way between their neighbours. Source: Ramer, Douglas and Peucker. */
function thinned(points: readonly Point[], closed: boolean, tolerance = THIN_MM): Point[] {
  if (points.length < 4) return [...points];
  const open = closed ? closeRing(points) : points;
  const keep = new Array<boolean>(open.length).fill(false);
  keep[0] = keep[open.length - 1] = true;
  const stack: Place[] = closed
    ? [
        [0, farthest(open)],
        [farthest(open), open.length - 1],
      ]
    : [[0, open.length - 1]];
  for (const [from, to] of stack) keep[from] = keep[to] = true;
  for (let next = stack.pop(); next; next = stack.pop()) {
    const [from, to] = next;
    let [worst, at] = [0, -1];
    for (let index = from + 1; index < to; index++) {
      const off = distanceToSegment(open[index]!, open[from]!, open[to]!);
      if (off > worst) [worst, at] = [off, index];
    }
    if (worst <= tolerance || at < 0) continue;
    keep[at] = true;
    stack.push([from, at], [at, to]);
  }
  const kept = open.filter((_, index) => keep[index]);
  return closed ? kept.slice(0, -1) : kept;
}

const farthest = (points: readonly Point[]): number =>
  points.reduce(
    (best, point, index) => (distance(points[0]!, point) > distance(points[0]!, points[best]!) ? index : best),
    0,
  );
