import { distance, type PathPoint, type Point } from '../curves';
import { TOLERANCE } from '../kit';

/** How a skin closes on itself: once round leads from one edge of the sheet to the other, which are one line on the part. */
export interface Seam {
  /** The two edges, the lower one on the sheet first. */
  readonly edges: readonly (readonly [Point, Point])[];
  /** Turns round of a point: 0 at the top, ±0.5 at the seam; `near` selects the turn if there are several. */
  readonly turnsAt: (place: Point, near: number) => number;
  /** True where a straight line on the sheet goes round evenly. */
  readonly even: boolean;
  /** A place, and a place of a line with its direction, moved back by whole turns. */
  readonly unwound: (place: Point, count: number) => Point;
  readonly unwoundPoint: (point: PathPoint, count: number) => PathPoint;
  /** True for a place on one of the two edges. */
  readonly holds: (place: Point) => boolean;
  /** Distance along the seam of a place on it, mm. */
  readonly along: (place: Point) => number;
}

/** The seam of a sheet on which once round is a shift along y. */
export function translationSeam(girthMm: number, lengthMm: number): Seam {
  const unwound = ({ x, y }: Point, count: number): Point => (count === 0 ? { x, y } : { x, y: y - count * girthMm });
  const edge = (angle: number): readonly [Point, Point] => {
    const y = (girthMm / (2 * Math.PI)) * angle;
    return [
      { x: 0, y },
      { x: lengthMm, y },
    ];
  };
  return {
    edges: [edge(-Math.PI), edge(Math.PI)],
    turnsAt: ({ y }) => y / girthMm,
    even: true,
    unwound,
    unwoundPoint: (point, count) => (count === 0 ? point : { ...point, ...unwound(point, count) }),
    holds: ({ y }) => Math.abs(Math.abs(y) - girthMm / 2) < TOLERANCE.grid,
    along: ({ x }) => x,
  };
}

/** A sheet on which once round is a turn about the apex of a cone. */
export interface ConeSector {
  readonly apex: Point;
  /** Opening, radians. */
  readonly sector: number;
  /** −1 where the apex lies beyond the far end. */
  readonly side: 1 | -1;
}

/** The seam of a cone unrolled. @param edges its two edges */
export function rotationSeam({ apex, sector, side }: ConeSector, edges: Seam['edges']): Seam {
  const turn = (count: number): readonly [number, number] => {
    const angle = -count * sector * side;
    return [Math.cos(angle), Math.sin(angle)];
  };
  const unwound = (point: Point, count: number): Point => {
    if (count === 0) return { x: point.x, y: point.y };
    const [cos, sin] = turn(count);
    const dx = point.x - apex.x;
    return { x: apex.x + cos * dx - sin * point.y, y: sin * dx + cos * point.y };
  };
  return {
    edges,
    turnsAt: ({ x, y }, near) => {
      const angle = Math.atan2(y, side * (x - apex.x));
      const whole = Math.round((near * sector - angle) / (2 * Math.PI));
      return (angle + whole * 2 * Math.PI) / sector;
    },
    even: false,
    unwound,
    unwoundPoint: (point, count) => {
      if (count === 0) return point;
      const [cos, sin] = turn(count);
      return {
        ...point,
        ...unwound(point, count),
        tx: cos * point.tx - sin * point.ty,
        ty: sin * point.tx + cos * point.ty,
      };
    },
    holds: ({ x, y }) => {
      const dx = side * (x - apex.x);
      return Math.abs(Math.abs(Math.atan2(y, dx)) - sector / 2) * Math.hypot(dx, y) < TOLERANCE.touch;
    },
    along: (place) => distance(apex, place),
  };
}
