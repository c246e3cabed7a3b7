import * as v from 'valibot';
import { coordinate, lengthMm } from '../units';
import { crossing, distance, ringArea, type Point } from './point';

/** A place as the job file writes it: [x, y] in mm. */
export const placeSchema = v.strictTuple([coordinate(), coordinate()], 'needs [x, y] in mm');
export type Place = v.InferOutput<typeof placeSchema>;

const rectangleSchema = v.strictObject({ kind: v.literal('rectangle'), width: lengthMm(), height: lengthMm() });
const polygonSchema = v.strictObject({
  kind: v.literal('polygon'),
  points: v.pipe(v.array(placeSchema, 'needs corners'), v.minLength(3, 'needs at least 3 corners'), v.maxLength(500, 'has at most 500 corners')),
});

/** Outline of a flat part, lower left of a rectangle at 0, 0. */
export const outlineSchema = v.variant('kind', [rectangleSchema, polygonSchema], 'must be a rectangle or a polygon');
export type Outline = v.InferOutput<typeof outlineSchema>;

/** Surface of a part; the sheet is in true millimetres. */
export const surfaceSchema = v.variant('kind', [v.strictObject({ kind: v.literal('flat'), outline: outlineSchema })], 'must be flat');
export type Surface = v.InferOutput<typeof surfaceSchema>;

/** Outline as a ring running anticlockwise, first corner not repeated. */
export function outlineRing(outline: Outline): Point[] {
  if (outline.kind === 'rectangle') {
    const { width, height } = outline;
    return [
      { x: 0, y: 0 },
      { x: width, y: 0 },
      { x: width, y: height },
      { x: 0, y: height },
    ];
  }
  const ring = outline.points.map(([x, y]) => ({ x, y }));
  return ringArea(ring) < 0 ? ring.reverse() : ring;
}

/** Trouble with an outline: which corner, and a sentence. */
export interface OutlineFault {
  /** Index into the polygon's points; null when the outline as a whole is meant. */
  readonly corner: number | null;
  readonly message: string;
}

/**
 * Checks that an outline bounds one piece.
 * @returns the first few faults; an empty list for a sound outline
 */
export function outlineFaults(outline: Outline): OutlineFault[] {
  if (outline.kind === 'rectangle') return [];
  const ring = outline.points.map(([x, y]) => ({ x, y }));
  const repeated = ring.findIndex((point, index) => distance(point, ring[(index + 1) % ring.length]) < 0.01);
  if (repeated >= 0) return [{ corner: (repeated + 1) % ring.length, message: 'is the same place as the corner before it' }];
  const crossed = firstCrossing(ring);
  if (crossed) return [{ corner: crossed[1], message: `the edge from corner ${crossed[1] + 1} crosses the edge from corner ${crossed[0] + 1}` }];
  if (Math.abs(ringArea(ring)) < 1) return [{ corner: null, message: 'the outline encloses less than 1 mm²' }];
  return [];
}

function firstCrossing(ring: readonly Point[]): readonly [number, number] | null {
  for (let first = 0; first < ring.length; first++) {
    for (let second = first + 1; second < ring.length; second++) {
      const neighbours = second === first + 1 || (first === 0 && second === ring.length - 1);
      const touching = neighbours
        ? foldsBack(ring, first, second)
        : crossing(ring[first], ring[first + 1], ring[second], ring[(second + 1) % ring.length]) !== null;
      if (touching) return [first, second];
    }
  }
  return null;
}

/** Two edges that share a corner cross only where the outline turns straight back on itself. */
function foldsBack(ring: readonly Point[], first: number, second: number): boolean {
  const [before, corner, after] =
    second === first + 1 ? [ring[first], ring[second], ring[(second + 1) % ring.length]] : [ring[second], ring[first], ring[first + 1]];
  const inX = corner.x - before.x;
  const inY = corner.y - before.y;
  const outX = after.x - corner.x;
  const outY = after.y - corner.y;
  const turn = inX * outY - inY * outX;
  return Math.abs(turn) < 1e-9 * Math.hypot(inX, inY) * Math.hypot(outX, outY) && inX * outX + inY * outY < 0;
}
