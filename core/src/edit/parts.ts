import type { Design, Part } from '../job';
import type { PartId } from '../kit';
import { effectiveShape, type PartShape } from '../lines';

/** The design with a part put in place of itself, or added. What parts are attached to is said by the one that was changed last. */
export function withPart(design: Design, changed: Part): Design {
  const { parts } = design;
  if (!parts.some(({ id }) => id === changed.id)) return { ...design, parts: [...parts, changed] };
  return { ...design, parts: parts.map((part) => (part.id === changed.id ? changed : apartFrom(part, changed.id))) };
}

const apartFrom = (part: Part, other: string): Part =>
  part.attached ? { ...part, attached: part.attached.filter((id) => id !== other) } : part;

/** The design without a part; what was said of it goes when finishes are carried along. */
export const withoutPart = (design: Design, partId: PartId): Design => ({
  ...design,
  parts: design.parts.filter(({ id }) => id !== partId),
});

/** A part that stops following another takes over what it looked like until then; any other comes back as it was made. */
export function detachedPart(changed: Part, before: Part | null, parts: readonly PartShape[]): Part {
  if (!before?.opposite?.follows || changed.opposite?.follows) return changed;
  const { surface, datums, lines, features, pose } = effectiveShape(before, parts);
  return {
    ...changed,
    surface,
    datums: [...datums],
    lines: [...lines],
    ...(features ? { features: [...features] } : {}),
    ...(pose ? { pose } : {}),
  };
}
