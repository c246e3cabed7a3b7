import { arcByRadius, arcFit, arcPath, type Path, pathFromSamples, type Point, straightPath } from '../curves';
import { messageWithoutValues, TOLERANCE } from '../kit';
import { type Datum, type Measured, pointOfMeasurement, type Skin, skinDistance } from '../surface';
import { placeBands } from './band-spacing';
import { ellipsePath } from './ellipse';
import { frameOn } from './frame';
import type { LineOf, MeasuredLine, TrimLine } from './line';
import { isFailure, type LineMessage } from './messages';
import { sweepPath } from './sweep';
import { letteringPaths } from './text';
import { wavePath } from './wave';

/** Paths of a line on the sheet, or why there are none. */
export type LinePaths = readonly Path[] | LineMessage;

/** What a line measured from a datum, or round a surface, is laid out on. */
export interface LineFrame {
  readonly skin: Skin;
  readonly datums: readonly Datum[];
}

const radians = (degrees: number): number => (degrees * Math.PI) / 180;
const single = (path: Path | null, otherwise: LineMessage): LinePaths => (path ? [path] : otherwise);

/** Lays out a line that is made from measurements alone. */
export function pathsFromMeasurements(
  line: Exclude<MeasuredLine, LineOf<'mirror'>> | LineOf<'ring'>,
  { skin, datums }: LineFrame,
): LinePaths {
  if (line.kind === 'ring') return ringRound(line, skin);
  const datum = datums.find(({ id }) => id === line.datum);
  if (!datum) return messageWithoutValues('line.no-datum');
  return fromDatum(line, datum, skin);
}

function fromDatum(line: Exclude<MeasuredLine, LineOf<'mirror'>>, datum: Datum, skin: Skin): LinePaths {
  const place = (measured: Measured) => pointOfMeasurement(datum, measured);
  const heading = (degrees: number) => radians(degrees + datum.angleDeg);
  switch (line.kind) {
    case 'straight':
      return single(skin.between(place(line.from), place(line.to)), messageWithoutValues('line.same-place'));
    case 'arc':
      return arcMade(line, place);
    case 'radius':
      return single(
        arcByRadius(place(line.from), heading(line.headingDeg), line.radius, radians(line.turnDeg)),
        messageWithoutValues('line.turns-nothing'),
      );
    case 'sweep':
      return single(
        sweepPath(line.points.map(place), { start: ended(line.startDeg, heading), end: ended(line.endDeg, heading) }),
        messageWithoutValues('line.same-neighbours'),
      );
    case 'ellipse':
      return single(
        ellipseOn(skin, place(line.centre), line, heading(line.turnDeg)),
        messageWithoutValues('line.near-end'),
      );
    case 'frame': {
      const { width, height, corner } = line;
      return single(
        frameOn(skin, place(line.centre), { width, height, corner, turn: heading(line.turnDeg) }),
        messageWithoutValues('line.near-end'),
      );
    }
    case 'bands':
      return bandEdges(line, place, heading(line.headingDeg), skin);
    case 'rays':
      return raysFrom(line, place(line.from), heading, skin);
    case 'wave': {
      const path = wavePath(place(line.from), place(line.to), line.pitch, line.height, line.shape);
      return isFailure(path) ? path : [path];
    }
    case 'text': {
      const turn = heading(line.turnDeg);
      const point = place(line.at);
      const put = ({ x, y }: Point) => ({
        x: point.x + x * Math.cos(turn) - y * Math.sin(turn),
        y: point.y + x * Math.sin(turn) + y * Math.cos(turn),
      });
      return letteringPaths(
        {
          text: line.text,
          heightMm: line.height,
          strokeMm: line.stroke,
          spacingMm: line.spacing,
          slant: radians(line.slantDeg),
        },
        put,
      );
    }
    case 'imported': {
      const paths = line.paths.map(({ points, closed }) =>
        pathFromSamples(
          points.map(([along, above]) => place({ along, above })),
          closed,
        ),
      );
      const nonEmpty = paths.filter((path): path is Path => path !== null);
      return nonEmpty.length > 0 ? nonEmpty : messageWithoutValues('line.holds-none');
    }
  }
}

const ended = (degrees: number | undefined, heading: (degrees: number) => number): number | null =>
  degrees === undefined ? null : heading(degrees);

function arcMade(line: LineOf<'arc'>, place: (measured: Measured) => Point): LinePaths {
  const straight = messageWithoutValues('line.three-straight');
  if (!line.also) return single(arcPath(place(line.from), place(line.through), place(line.to)), straight);
  const near = arcFit([line.from, line.through, ...line.also, line.to].map(place));
  return near ? [near.path] : straight;
}

/** Where the drawing is not true a circle is all places at one distance from its middle, each reached straight. */
function ellipseOn(skin: Skin, centre: Point, { width, height }: LineOf<'ellipse'>, turn: number): Path | null {
  if (!skin.metric) return ellipsePath(centre, width, height, turn);
  const steps = 180;
  const reach = (angle: number) => {
    const [a, b] = [width / 2, height / 2];
    return (a * b) / Math.hypot(b * Math.cos(angle - turn), a * Math.sin(angle - turn));
  };
  const places = Array.from({ length: steps }, (_, step) => {
    const angle = (2 * Math.PI * step) / steps;
    return skin.walk(centre, angle, reach(angle));
  });
  return places.every(({ x, y }) => Number.isFinite(x) && Number.isFinite(y)) ? pathFromSamples(places, true) : null;
}

function ringRound({ at }: LineOf<'ring'>, skin: Skin): LinePaths {
  if (!skin.axle) return messageWithoutValues('line.not-round');
  const along = skinDistance(skin.axle, at);
  return along === null ? messageWithoutValues('line.beyond-ends') : [skin.axle.ringAt(along)];
}

/**
 * Both edges of every band, each as a line: straight across, or rings if the bands follow a round part. Widths, gaps
 * and margin are measured at right angles to the bands, as tape is: at a slant they take more room along the
 * direction of the set.
 */
function bandEdges(
  line: LineOf<'bands'>,
  place: (measured: Measured) => Point,
  heading: number,
  skin: Skin,
): LinePaths {
  const from = place(line.from);
  const edges = placeBands(line.count, line.width, line.gap, line.margin, line.taper).flatMap(
    ({ from: start, widthMm }) => [start, start + widthMm],
  );
  const along = { x: Math.cos(heading), y: Math.sin(heading) };
  const rings = Math.abs(along.y) < TOLERANCE.rounding && line.slantDeg === 0 ? skin.axle : null;
  const stretch = 1 / Math.cos(radians(line.slantDeg));
  const paths = edges.map((square) => {
    const angle = square * stretch;
    const middle = { x: from.x + along.x * angle, y: from.y + along.y * angle };
    if (rings) return middle.x < 0 || middle.x > rings.lengthMm ? null : rings.ringAt(middle.x);
    const lean = heading + Math.PI / 2 - radians(line.slantDeg);
    const reach = 1;
    const ends = [-reach, reach].map((t) => ({ x: middle.x + t * Math.cos(lean), y: middle.y + t * Math.sin(lean) }));
    return skin.between(ends[0]!, ends[1]!);
  });
  if (paths.some((path) => path === null)) return messageWithoutValues('line.bands-beyond');
  return paths as Path[];
}

function raysFrom(line: LineOf<'rays'>, from: Point, heading: (degrees: number) => number, skin: Skin): LinePaths {
  const paths = Array.from({ length: line.count }, (_, index) => {
    const angle = heading(line.firstDeg + index * line.stepDeg);
    if (skin.metric)
      return skin.between(skin.walk(from, angle, line.clear + 0.01), skin.walk(from, angle, line.clear + line.length));
    const end = (reach: number) => ({ x: from.x + reach * Math.cos(angle), y: from.y + reach * Math.sin(angle) });
    return straightPath(end(line.clear), end(line.clear + line.length));
  });
  return paths.some((path) => path === null) ? messageWithoutValues('line.not-from-here') : (paths as Path[]);
}

/** Whether the ends of a line are extended to the edge of the part; always for bands. */
export const extendsToEdge = (line: TrimLine): boolean => line.kind === 'bands' || line.runOn;
