import * as v from 'valibot';
import {
  faultText,
  idText,
  nameText,
  numberBetween,
  oneOfWords,
  type PartId,
  positiveUpTo,
  wholeBetween,
} from '../kit';

/** What may lie beyond an edge of a part, in the order it is offered. */
export const EDGE_CONTEXT_KINDS = ['free', 'butt', 'gap', 'goes-on', 'body', 'shut', 'splash'] as const;
export type EdgeContextKind = (typeof EDGE_CONTEXT_KINDS)[number];

/**
 * Ways to mask a gap, in the order they are offered: foam strip in it, tape inside the flange of the part with its sticky side out, tape on
 * the edge of what is beyond it.
 */
export const GAP_WAYS = ['foam', 'back-mask', 'tape'] as const;
export type GapWay = (typeof GAP_WAYS)[number];

/**
 * Which edge of the outline, or end of a round part; by its number, 0 is the first. Where it holds for a stretch of the edge alone: from
 * where to where along it, mm, in the direction that has the part on its left; left out: from its beginning, to its end.
 */
const edge = {
  edge: wholeBetween(0, 499),
  /** What people call it: sill, hinge side. */
  name: v.optional(nameText()),
  from: v.optional(numberBetween(0, 100_000, 'mm')),
  to: v.optional(numberBetween(0, 100_000, 'mm')),
};
/** The part of the job that lies there; left out: something that is not painted here. */
const neighbour = { part: v.optional(idText<PartId>()) };

/** What lies beyond one edge of a part. The default is `free`. */
export const edgeContextSchema = v.variant(
  'beyond',
  [
    /** Nothing: tape and film may go round it and stick behind. */
    v.strictObject({ beyond: v.literal('free'), ...edge }),
    /** A neighbour flush with it, or less than 1.5 mm away. */
    v.strictObject({ beyond: v.literal('butt'), ...edge, ...neighbour }),
    /** A gap: how wide and how deep. */
    v.strictObject({
      beyond: v.literal('gap'),
      ...edge,
      width: positiveUpTo(300, 'mm'),
      depth: positiveUpTo(2000, 'mm'),
      /** How a person masks it; left out: as is usual. */
      by: v.optional(oneOfWords(GAP_WAYS)),
      ...neighbour,
    }),
    /** The surface continues on another part. */
    v.strictObject({ beyond: v.literal('goes-on'), ...edge, part: idText<PartId>() }),
    /** Something bigger that stays clean. */
    v.strictObject({ beyond: v.literal('body'), ...edge }),
    /** Something is shut on paper that is laid into the gap: a door, a lid. */
    v.strictObject({ beyond: v.literal('shut'), ...edge }),
    /** Only drips and splatter reach what is there. */
    v.strictObject({ beyond: v.literal('splash'), ...edge }),
  ],
  faultText({ code: 'field.choice', values: { choices: EDGE_CONTEXT_KINDS } }),
);
export type EdgeContext = v.InferOutput<typeof edgeContextSchema>;

/** The part an edge leads to; null if it leads to none. */
export const neighbourPart = (rim: EdgeContext): PartId | null => ('part' in rim ? (rim.part ?? null) : null);

/** The stretch of an edge this applies to, for a given length of the edge; empty if it ends before it begins. */
export const contextInterval = (
  { from = 0, to = Infinity }: Pick<EdgeContext, 'from' | 'to'>,
  edgeMm: number,
): readonly [from: number, to: number] => [Math.min(from, edgeMm), Math.min(to, edgeMm)];
