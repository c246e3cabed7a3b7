import * as v from 'valibot';
import {
  type ChainSpan,
  chainSpans,
  distance,
  edgeSchema,
  placeSchema,
  type Point,
  pointFromPair,
  ringArea,
  ringFromSpans,
  segmentCrossing,
} from '../curves';
import { faultText, firstThree, lengthMm, listOf, messageWithoutValues, rotatedByOne, TOLERANCE } from '../kit';
import type { SurfaceMessage } from './messages';

const rectangleSchema = v.strictObject({ kind: v.literal('rectangle'), width: lengthMm(), height: lengthMm() });
const polygonSchema = v.strictObject({
  kind: v.literal('polygon'),
  points: listOf(placeSchema, 'corners', 500, 3),
});
const discSchema = v.strictObject({ kind: v.literal('disc'), diameter: lengthMm() });
const curvedSchema = v.strictObject({
  kind: v.literal('curved'),
  start: placeSchema,
  /** Straight and round edges; the last one leads back to the start. */
  edges: listOf(edgeSchema, 'edges', 500, 2),
});

/** Outline of a flat piece: lower left of a rectangle, or middle of a disc, at 0, 0. */
export const outlineSchema = v.variant(
  'kind',
  [rectangleSchema, polygonSchema, discSchema, curvedSchema],
  faultText({ code: 'field.choice', values: { choices: ['rectangle', 'polygon', 'disc', 'curved'] } }),
);
export type Outline = v.InferOutput<typeof outlineSchema>;

/** Edges of an outline as typed: straight or round, in the order typed. */
export function outlineSpans(outline: Outline): ChainSpan[] {
  switch (outline.kind) {
    case 'rectangle': {
      const { width, height } = outline;
      return chainSpans([0, 0], [{ to: [width, 0] }, { to: [width, height] }, { to: [0, height] }, { to: [0, 0] }]);
    }
    case 'disc': {
      const r = outline.diameter / 2;
      return chainSpans(
        [r, 0],
        [
          { to: [-r, 0], through: [0, r] },
          { to: [r, 0], through: [0, -r] },
        ],
      );
    }
    case 'polygon':
      return chainSpans(
        outline.points[0]!,
        rotatedByOne(outline.points).map((to) => ({ to })),
      );
    case 'curved':
      return chainSpans(outline.start, outline.edges);
  }
}

/** Outline as a ring running anticlockwise, first corner not repeated; round edges flattened. */
export function outlineRing(outline: Outline): Point[] {
  const ring = ringFromSpans(outlineSpans(outline));
  return ringArea(ring) < 0 ? ring.reverse() : ring;
}

/** Trouble with an outline, and which corner it is at. */
export interface OutlineFault {
  /** Index of the corner or edge as typed; null for the whole outline. */
  readonly corner: number | null;
  readonly why: SurfaceMessage;
}

/**
 * Checks that an outline bounds one piece.
 * @returns the first few faults; an empty list for a sound outline
 */
export function outlineFaults(outline: Outline): OutlineFault[] {
  if (outline.kind === 'rectangle' || outline.kind === 'disc') return [];
  if (outline.kind === 'curved') return curvedFaults(outline);
  return ringFaults(outline.points.map(pointFromPair));
}

function curvedFaults({ start, edges }: Extract<Outline, { kind: 'curved' }>): OutlineFault[] {
  const last = edges.length - 1;
  if (distance(pointFromPair(start), pointFromPair(edges[last]!.to)) > 0.01)
    return [{ corner: last, why: messageWithoutValues('outline.open') }];
  const short = chainSpans(start, edges).findIndex((span) => span.endAt - span.startAt < 0.01);
  if (short >= 0) return [{ corner: short, why: messageWithoutValues('outline.no-length') }];
  return ringFaults(outlineRing({ kind: 'curved', start, edges })).map(({ why }) => ({
    corner: null,
    why: why.code === 'outline.edges-cross' ? messageWithoutValues('outline.crosses-itself') : why,
  }));
}

/** Checks a ring of corners for repeated corners, edges that cross, and next to no size. */
export function ringFaults(ring: readonly Point[]): OutlineFault[] {
  const repeated = ring.findIndex((point, index) => distance(point, ring[(index + 1) % ring.length]!) < 0.01);
  if (repeated >= 0)
    return [{ corner: (repeated + 1) % ring.length, why: messageWithoutValues('outline.same-corner') }];
  const crossed = firstCrossing(ring);
  if (crossed)
    return [
      {
        corner: crossed[1],
        why: { code: 'outline.edges-cross', values: { edge: crossed[1] + 1, other: crossed[0] + 1 } },
      },
    ];
  if (Math.abs(ringArea(ring)) < 1) return [{ corner: null, why: messageWithoutValues('outline.too-small') }];
  return [];
}

function firstCrossing(ring: readonly Point[]): readonly [number, number] | null {
  for (let first = 0; first < ring.length; first++) {
    for (let second = first + 1; second < ring.length; second++) {
      const neighbours = second === first + 1 || (first === 0 && second === ring.length - 1);
      const touching = neighbours
        ? foldsBack(ring, first, second)
        : segmentCrossing(ring[first]!, ring[first + 1]!, ring[second]!, ring[(second + 1) % ring.length]!) !== null;
      if (touching) return [first, second];
    }
  }
  return null;
}

/** Two edges that share a corner cross only where the outline turns straight back on itself. */
function foldsBack(ring: readonly Point[], first: number, second: number): boolean {
  const [before, corner, after] = firstThree(
    second === first + 1
      ? [ring[first]!, ring[second]!, ring[(second + 1) % ring.length]!]
      : [ring[second]!, ring[first]!, ring[first + 1]!],
  );
  const inX = corner.x - before.x;
  const inY = corner.y - before.y;
  const outX = after.x - corner.x;
  const outY = after.y - corner.y;
  const turn = inX * outY - inY * outX;
  return (
    Math.abs(turn) < TOLERANCE.rounding * Math.hypot(inX, inY) * Math.hypot(outX, outY) && inX * outX + inY * outY < 0
  );
}
