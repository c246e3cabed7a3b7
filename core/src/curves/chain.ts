import * as v from 'valibot';
import { coordinate, faultText, messageWithoutValues, TOLERANCE } from '../kit';
import { arcSteps, arcSweep, circleThrough } from './circle';
import { distance, type Point } from './point';

/** A place as the job file writes it: [x, y] in mm. */
export const placeSchema = v.pipe(
  v.strictTuple([coordinate(), coordinate()], faultText(messageWithoutValues('field.place'))),
  v.readonly(),
);
export type Place = v.InferOutput<typeof placeSchema>;
export const pointFromPair = ([x, y]: Place): Point => ({ x, y });

/** One edge of a chain: on to a place, straight, or as the arc through another place. */
export const edgeSchema = v.strictObject({ to: placeSchema, through: v.optional(placeSchema) });
export type Edge = v.InferOutput<typeof edgeSchema>;

/** A straight or round piece of a chain, with its distances along the whole chain. */
export interface ChainSpan {
  readonly from: Point;
  readonly to: Point;
  readonly startAt: number;
  readonly endAt: number;
  /** Null on a straight piece. */
  readonly arc: { readonly centre: Point; readonly radius: number; readonly turn: number } | null;
}

/**
 * Puts straight and round edges one after another.
 * @returns spans in order; an arc whose three places lie on a straight becomes a straight
 */
export function chainSpans(start: Place, edges: readonly Edge[]): ChainSpan[] {
  const spans: ChainSpan[] = [];
  let from = pointFromPair(start);
  let along = 0;
  for (const edge of edges) {
    const to = pointFromPair(edge.to);
    const through = edge.through && pointFromPair(edge.through);
    const circle = through ? circleThrough(from, through, to) : null;
    const arc = circle && through ? { ...circle, turn: arcSweep(circle.centre, from, through, to) } : null;
    const length = arc ? arc.radius * Math.abs(arc.turn) : distance(from, to);
    spans.push({ from, to, startAt: along, endAt: along + length, arc });
    along += length;
    from = to;
  }
  return spans;
}

/** Length of a chain, mm. */
export const chainLength = (spans: readonly ChainSpan[]): number => spans.at(-1)?.endAt ?? 0;

/** A place on a chain with its unit direction and bend, 1/mm, positive to the left. */
export interface ChainPoint extends Point {
  readonly tx: number;
  readonly ty: number;
  readonly curvature: number;
}

/** The place on a span at a distance along the chain. */
export function pointOnSpan({ from, to, startAt, endAt, arc }: ChainSpan, along: number): ChainPoint {
  const share = endAt > startAt ? (along - startAt) / (endAt - startAt) : 0;
  if (!arc) {
    const length = endAt - startAt || 1;
    const [tx, ty] = [(to.x - from.x) / length, (to.y - from.y) / length];
    return { x: from.x + share * (to.x - from.x), y: from.y + share * (to.y - from.y), tx, ty, curvature: 0 };
  }
  const { centre, radius, turn } = arc;
  const angle = Math.atan2(from.y - centre.y, from.x - centre.x) + share * turn;
  const sign = Math.sign(turn);
  const place =
    share === 0
      ? from
      : share === 1
        ? to
        : { x: centre.x + radius * Math.cos(angle), y: centre.y + radius * Math.sin(angle) };
  return { x: place.x, y: place.y, tx: -sign * Math.sin(angle), ty: sign * Math.cos(angle), curvature: sign / radius };
}

/** Places along a span, both ends included; chords stray at most the flattening tolerance. */
export function pointsOnSpan(span: ChainSpan, tolerance: number = TOLERANCE.flatten): ChainPoint[] {
  const steps = span.arc ? arcSteps(span.arc.radius, span.arc.turn, tolerance) : 1;
  return Array.from({ length: steps + 1 }, (_, step) =>
    pointOnSpan(span, span.startAt + ((span.endAt - span.startAt) * step) / steps),
  );
}

/** The places of a closed chain as a ring, first place not repeated. */
export const ringFromSpans = (spans: readonly ChainSpan[]): Point[] =>
  spans.flatMap((span) =>
    pointsOnSpan(span)
      .slice(0, -1)
      .map(({ x, y }) => ({ x, y })),
  );
