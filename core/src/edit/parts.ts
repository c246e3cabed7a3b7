import { effectiveShape, type PartShape } from '../lines';
import type { Design, Part } from '../job';
import type { PartId } from '../units';

/** The design with a part put in place of itself, or added. What parts are attached to is said by the one that was changed last. */
export function withPart(design: Design, made: Part): Design {
  const { parts } = design;
  if (!parts.some(({ id }) => id === made.id)) return { ...design, parts: [...parts, made] };
  return { ...design, parts: parts.map((one) => (one.id === made.id ? made : apartFrom(one, made.id))) };
}

const apartFrom = (part: Part, other: string): Part =>
  part.attached ? { ...part, attached: part.attached.filter((id) => id !== other) } : part;

/** The design without a part; what was said of it goes when finishes are carried along. */
export const withoutPart = (design: Design, partId: PartId): Design => ({
  ...design,
  parts: design.parts.filter(({ id }) => id !== partId),
});

/** A part that stops following another takes over what it looked like until then; any other comes back as it was made. */
export function detachedPart(made: Part, before: Part | null, parts: readonly PartShape[]): Part {
  if (!before?.opposite?.follows || made.opposite?.follows) return made;
  const { surface, datums, lines, features, pose } = effectiveShape(before, parts);
  return {
    ...made,
    surface,
    datums: [...datums],
    lines: [...lines],
    ...(features ? { features: [...features] } : {}),
    ...(pose ? { pose } : {}),
  };
}
