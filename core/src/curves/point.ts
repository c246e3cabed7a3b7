/** A place on a part's sheet: millimetres, x to the right, y up. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** Distance between two places, mm. */
export const distance = (a: Point, b: Point): number => Math.hypot(b.x - a.x, b.y - a.y);

/** Distance from a place to a straight piece, mm. */
export function distanceToSegment(place: Point, from: Point, to: Point): number {
  const dx = to.x - from.x;
  const dy = to.y - from.y;
  const lengthSquared = dx * dx + dy * dy;
  const share =
    lengthSquared === 0
      ? 0
      : Math.min(1, Math.max(0, ((place.x - from.x) * dx + (place.y - from.y) * dy) / lengthSquared));
  return Math.hypot(place.x - from.x - share * dx, place.y - from.y - share * dy);
}

/** Signed size of a ring, mm²: above zero when it runs anticlockwise. */
export function ringArea(ring: readonly Point[]): number {
  let doubled = 0;
  for (let index = 0; index < ring.length; index++) {
    const a = ring[index]!;
    const b = ring[(index + 1) % ring.length]!;
    // Relative to the first corner, so that far-off rings lose no digits.
    doubled += (a.x - ring[0]!.x) * (b.y - ring[0]!.y) - (b.x - ring[0]!.x) * (a.y - ring[0]!.y);
  }
  return doubled / 2;
}

/** Length round a ring, mm. */
export const ringLength = (ring: readonly Point[]): number =>
  ring.reduce((sum, point, index) => sum + distance(point, ring[(index + 1) % ring.length]!), 0);

/** True where a straight way to the right from a place crosses an edge. */
export const rayCrossesEdge = (place: Point, a: Point, b: Point): boolean =>
  a.y > place.y !== b.y > place.y && place.x < ((b.x - a.x) * (place.y - a.y)) / (b.y - a.y) + a.x;

/** True if a point lies inside a ring; undefined for points on the ring itself. */
export function isInsideRing(place: Point, ring: readonly Point[]): boolean {
  let inside = false;
  for (let index = 0, last = ring.length - 1; index < ring.length; last = index++) {
    const a = ring[index]!;
    const b = ring[last]!;
    if (rayCrossesEdge(place, a, b)) inside = !inside;
  }
  return inside;
}

/** Smallest upright box round some places. */
export interface Box {
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
}

/** Box round at least one place. */
export function boundingBox(points: readonly Point[]): Box {
  if (points.length === 0) throw new RangeError('boxOf needs at least one point');
  return points.reduce<Box>(
    (box, { x, y }) => ({
      minX: Math.min(box.minX, x),
      minY: Math.min(box.minY, y),
      maxX: Math.max(box.maxX, x),
      maxY: Math.max(box.maxY, y),
    }),
    { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity },
  );
}

/** True where two boxes meet, or are no farther apart than a reach in either direction. */
export const boxesMeet = (a: Box, b: Box, reach = 0): boolean =>
  a.minX <= b.maxX + reach && b.minX <= a.maxX + reach && a.minY <= b.maxY + reach && b.minY <= a.maxY + reach;

/** True where a place lies in a box or no further from it than `reach` on either axis. */
export const isNearBox = ({ x, y }: Point, { minX, minY, maxX, maxY }: Box, reach: number): boolean =>
  x >= minX - reach && x <= maxX + reach && y >= minY - reach && y <= maxY + reach;

/** Where two straight pieces cross, as shares along each; null where they are parallel or miss. */
export function segmentCrossing(
  a: Point,
  b: Point,
  c: Point,
  d: Point,
): { readonly onFirst: number; readonly onSecond: number } | null {
  const cross = (b.x - a.x) * (d.y - c.y) - (b.y - a.y) * (d.x - c.x);
  if (cross === 0) return null;
  const onFirst = ((c.x - a.x) * (d.y - c.y) - (c.y - a.y) * (d.x - c.x)) / cross;
  const onSecond = ((c.x - a.x) * (b.y - a.y) - (c.y - a.y) * (b.x - a.x)) / cross;
  return onFirst >= 0 && onFirst <= 1 && onSecond >= 0 && onSecond <= 1 ? { onFirst, onSecond } : null;
}
