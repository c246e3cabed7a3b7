import { distance, nearestOnPath, type Path, pathCrossings, type Point, pointAt, straightPath } from '../curves';
import { messageWithoutValues, TOLERANCE } from '../kit';
import { type Datum, measurementOfPoint, pointOfMeasurement, type Skin } from '../surface';
import type { SnapMessage, SnapName } from './messages';

/** What a dragged point was drawn to. */
export interface Snap {
  readonly place: Point;
  readonly to: SnapMessage;
}

/** What there is to be drawn to. */
export interface SnapTargets {
  readonly skin: Skin;
  readonly datums: readonly Datum[];
  /** Other lines with their codes. */
  readonly lines: readonly { readonly code: string; readonly pieces: readonly Path[] }[];
  /** Widths of tape on the shelf, mm. */
  readonly tapes: readonly number[];
  /** The point at the other end of a straight line being dragged; null where there is none. */
  readonly anchor: Point | null;
}

/** Maximum number of tapes side by side. */
const MOST_TAPES = 8;

/**
 * Draws a point to what is near: corners, ends and middles first, then square and tangent to other lines, then lines, edges
 * and datums, then multiples of a tape's width above a datum.
 * @param reachMm how near is near
 * @returns null where nothing is near enough
 */
export function snapPoint(place: Point, targets: SnapTargets, reachMm: number): Snap | null {
  const groups = [
    points(targets),
    anchored(targets),
    (near: Point) => along(near, targets),
    (near: Point) => tapeRows(near, targets),
  ];
  for (const group of groups) {
    const candidates = (typeof group === 'function' ? group(place) : group).filter(
      (snap) => distance(snap.place, place) <= reachMm,
    );
    const nearest = candidates.sort((a, b) => distance(a.place, place) - distance(b.place, place))[0];
    if (nearest) return nearest;
  }
  return null;
}

function points({ skin, datums, lines }: SnapTargets): Snap[] {
  const rim =
    skin.ring.length <= 60
      ? skin.ring.map((corner): Snap => ({ place: corner, to: messageWithoutValues('snap.corner') }))
      : skin.edges.map(({ places }): Snap => ({ place: places[0]!, to: messageWithoutValues('snap.corner') }));
  const middles = skin.edges.map(({ places, name }): Snap => {
    const [a, b] = [places[0]!, places.at(-1)!];
    return places.length === 2
      ? { place: { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }, to: { code: 'snap.middle', values: { to: name } } }
      : { place: places[Math.floor(places.length / 2)]!, to: { code: 'snap.middle', values: { to: name } } };
  });
  const ends = lines.flatMap(({ code, pieces }) =>
    pieces.flatMap((piece): Snap[] => [
      { place: piece[0]!, to: { code: 'snap.end', values: { to: code } } },
      { place: piece.at(-1)!, to: { code: 'snap.end', values: { to: code } } },
      {
        place: pointAt(piece, (piece[0]!.at + piece.at(-1)!.at) / 2),
        to: { code: 'snap.middle', values: { to: code } },
      },
    ]),
  );
  const crossings = lines.flatMap(({ code, pieces }, index) =>
    lines.slice(index + 1).flatMap((other) =>
      pieces.flatMap((p) =>
        other.pieces.flatMap((q) =>
          pathCrossings(p, q).map(({ onFirst }): Snap => ({
            place: pointAt(p, onFirst),
            to: { code: 'snap.crossing', values: { to: code, with: other.code } },
          })),
        ),
      ),
    ),
  );
  const origins = datums.map((datum): Snap => ({
    place: { x: datum.at[0], y: datum.at[1] },
    to: { code: 'snap.start', values: { to: datum.name } },
  }));
  return [...origins, ...ends, ...crossings, ...rim, ...middles];
}

/** Feet of the perpendicular from the other end, and places where the straight from there just touches a bend. */
function anchored({ lines, skin, anchor }: SnapTargets): Snap[] {
  if (!anchor) return [];
  const edges = skin.edges.flatMap(({ places, name }) => {
    const path = places.length === 2 ? straightPath(places[0]!, places[1]!) : null;
    return path ? [{ code: name, pieces: [path] as readonly Path[] }] : [];
  });
  return [...lines, ...edges].flatMap(({ code, pieces }) =>
    pieces.flatMap((piece) => [
      ...whereHeading(piece, anchor, 'square', code),
      ...whereHeading(piece, anchor, 'tangent', code),
    ]),
  );
}

/** Places of a path that lie square to, or in line with, the way from a point to them. */
function whereHeading(piece: Path, from: Point, how: 'square' | 'tangent', code: SnapName): Snap[] {
  const value = ({ x, y, tx, ty }: { x: number; y: number; tx: number; ty: number }) =>
    how === 'square' ? (x - from.x) * tx + (y - from.y) * ty : (x - from.x) * ty - (y - from.y) * tx;
  const snaps: Snap[] = [];
  for (let index = 1; index < piece.length; index++) {
    const [a, b] = [piece[index - 1]!, piece[index]!];
    const [u, w] = [value(a), value(b)];
    if (u === 0 || u > 0 === w > 0 || (how === 'tangent' && Math.abs(a.curvature) < TOLERANCE.straight)) continue;
    snaps.push({
      place: pointAt(piece, a.at + (u / (u - w)) * (b.at - a.at)),
      to: { code: how === 'square' ? 'snap.square' : 'snap.touching', values: { to: code } },
    });
  }
  return snaps;
}

/** The nearest places on lines, edges and datums. */
function along(near: Point, { lines, skin, datums }: SnapTargets): Snap[] {
  const onLines = lines.flatMap(({ code, pieces }) =>
    pieces.map((piece): Snap => ({
      place: pointAt(piece, nearestOnPath(piece, near).at),
      to: { code: 'snap.on', values: { to: code } },
    })),
  );
  const onEdges = skin.edges.flatMap(({ places, name }) =>
    places.slice(1).flatMap((to, index): Snap[] => {
      const path = straightPath(places[index]!, to);
      return path
        ? [{ place: pointAt(path, nearestOnPath(path, near).at), to: { code: 'snap.on', values: { to: name } } }]
        : [];
    }),
  );
  const onDatums = datums.map((datum): Snap => ({
    place: pointOfMeasurement(datum, { along: measurementOfPoint(datum, near).along, above: 0 }),
    to: { code: 'snap.on', values: { to: datum.name } },
  }));
  return [...onLines, ...onEdges, ...onDatums];
}

/** Heights above a datum that are a tape, or a few of the same side by side. */
function tapeRows(near: Point, { datums, tapes }: SnapTargets): Snap[] {
  const widths = [...new Set(tapes)];
  return datums.flatMap((datum) => {
    const { along: run, above } = measurementOfPoint(datum, near);
    return widths.flatMap((width): Snap[] => {
      const count = Math.round(Math.abs(above) / width);
      if (count < 1 || count > MOST_TAPES) return [];
      return [
        {
          place: pointOfMeasurement(datum, { along: run, above: Math.sign(above) * count * width }),
          to: { code: 'snap.tapes', values: { count, widthMm: width, to: datum.name } },
        },
      ];
    });
  });
}
