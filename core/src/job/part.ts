import * as v from 'valibot';
import { placeSchema } from '../curves';
import { PAINT_SYSTEM_KEYS } from '../finish';
import {
  booleanField,
  colourText,
  compareText,
  type FinishId,
  idText,
  listOf,
  nameText,
  numberBetween,
  oneOfWords,
  type PartId,
  wholeBetween,
} from '../kit';
import { lineSchema, mirroredPart } from '../lines';
import { datumSchema, featureSchema, poseSchema, surfaceSchema } from '../surface';
import { type EdgeContext, edgeContextSchema, neighbourPart } from './edge-context';

/** What a part is made of. */
export const SUBSTRATES = [
  'steel',
  'aluminium',
  'gelcoat',
  'carbon',
  'wood',
  'varnished-wood',
  'fabric',
  'styrene',
  'resin',
  'print',
  'melamine',
  'other',
] as const;
export type Substrate = (typeof SUBSTRATES)[number];

const present = {
  /** The existing system; `bare` for none. */
  system: oneOfWords(['bare', ...PAINT_SYSTEM_KEYS] as const),
  colour: colourText(),
  ageH: numberBetween(0, 1_000_000, 'h'),
  /** The finish on the shelf it is in already, where it is known: while that is sprayed the part may stay open. */
  finish: v.optional(idText<FinishId>()),
};
const presentSchema = v.strictObject(present);
export type Present = v.InferOutput<typeof presentSchema>;

/** Existing finish of the area that contains a point, if it differs from the rest of the part. */
export const presentAtSchema = v.strictObject({ part: idText<PartId>(), seed: placeSchema, ...present });
export type PresentAt = v.InferOutput<typeof presentAtSchema>;

/** One physical piece with one surface. */
export const partSchema = v.strictObject({
  id: idText<PartId>(),
  name: nameText(),
  /** How many alike. */
  count: wholeBetween(1, 500),
  substrate: oneOfWords(SUBSTRATES),
  present: presentSchema,
  surface: surfaceSchema,
  datums: listOf(datumSchema, 'datums', 50, 1),
  lines: listOf(lineSchema, 'lines', 200),
  features: v.optional(listOf(featureSchema, 'features', 200)),
  /** Position on the whole piece; left out if unknown. */
  pose: v.optional(poseSchema),
  /** Mirror image of another part. While it follows, shape, features and lines are the other's. */
  opposite: v.optional(v.strictObject({ of: idText<PartId>(), follows: booleanField() })),
  /** Other parts it is attached to while the work is done: they are in reach of its spray. It is enough that one names the other. */
  attached: v.optional(listOf(idText<PartId>(), 'parts', 49)),
  /** What lies beyond its edges; an edge that is left out is free. */
  rims: v.optional(listOf(edgeContextSchema, 'edges', 500)),
  /** What is done with it; left out: painted. */
  treatment: v.optional(oneOfWords(['paint', 'blend', 'leave'])),
});
export type Part = v.InferOutput<typeof partSchema>;

/**
 * What lines and areas of each part follow from, as text: the part's own shape, and those of the parts its lines or its mirror
 * image come from, near and far, each once. Two parts with the same text have the same lines and areas.
 */
export function geometryKeys(parts: readonly Part[]): ReadonlyMap<string, string> {
  const byId = new Map(parts.map((part) => [part.id, part]));
  return new Map(parts.map(({ id }) => [id, worksKey(id, byId)]));
}

/** What lines and areas of one part follow from, as text. */
const worksKey = (id: string, parts: ReadonlyMap<string, Part>): string =>
  behind(id, parts)
    .map((other) => {
      const part = parts.get(other);
      return part ? ownText(part) : `no ${other}`;
    })
    .join('\n');

/** A part that did not change is the same object, or has the same text. */
const texts = new WeakMap<Part, string>();

function ownText(part: Part): string {
  const known = texts.get(part);
  if (known !== undefined) return known;
  const { id, surface, datums, lines, features, pose, opposite } = part;
  const text = JSON.stringify([id, surface, datums, lines, features, pose, opposite]);
  texts.set(part, text);
  return text;
}

/** A part and all it follows from, each once: itself first, the others by their ids. */
function behind(id: string, byId: ReadonlyMap<string, Part>): string[] {
  const reached = new Set([id]);
  for (const partId of reached) {
    const part = byId.get(partId);
    if (part?.opposite?.follows) reached.add(part.opposite.of);
    for (const line of part?.lines ?? []) if (line.kind === 'continuation') reached.add(line.part);
  }
  reached.delete(id);
  return [id, ...[...reached].sort(compareText)];
}

/**
 * What lies beyond the edges of a part: its own, or, while it follows its opposite and says nothing of its own, what lies beyond that, with
 * the mirror image of each neighbour that has one.
 * @returns `mirrored`: true where stretches of edges are measured on the opposite, from the other end
 */
export function surroundingsOf<P extends Pick<Part, 'id' | 'rims' | 'opposite'>>(
  part: P,
  parts: readonly P[],
): { readonly rims: readonly EdgeContext[]; readonly mirrored: boolean } {
  const { rims } = part;
  const source = mirroredPart(part, parts);
  if (rims || !source) return { rims: rims ?? [], mirrored: false };
  // Each of the two is the image of the other.
  const imageOf = (id: PartId): PartId =>
    parts.find((other) => other.opposite?.of === id)?.id ?? parts.find((other) => other.id === id)?.opposite?.of ?? id;
  return {
    rims: (source.rims ?? []).map((rim) => {
      const neighbour = neighbourPart(rim);
      return neighbour === null ? rim : { ...rim, part: imageOf(neighbour) };
    }),
    mirrored: true,
  };
}

/** Parts each part is attached to, in both directions, or meets at an edge; detached ones are left out. */
export function attachedParts(
  parts: readonly Pick<Part, 'id' | 'attached' | 'rims' | 'opposite'>[],
): ReadonlyMap<string, readonly string[]> {
  const links = new Map<string, Set<string>>();
  const join = (partId: string, other: string) => links.set(partId, (links.get(partId) ?? new Set()).add(other));
  for (const part of parts) {
    const { id, attached = [] } = part;
    for (const other of [...attached, ...surroundingsOf(part, parts).rims.flatMap((rim) => neighbourPart(rim) ?? [])]) {
      join(id, other);
      join(other, id);
    }
  }
  return new Map([...links].map(([id, others]) => [id, [...others].sort(compareText)]));
}
