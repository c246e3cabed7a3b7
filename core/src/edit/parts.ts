import type { Design, Part } from '../job';
import type { PartId } from '../kit';
import { effectiveShape, type PartShape } from '../lines';

/** The design with a part replaced or added. Attachments follow the part changed last. */
export function withPart(design: Design, changed: Part): Design {
  const { parts } = design;
  if (!parts.some(({ id }) => id === changed.id)) return { ...design, parts: [...parts, changed] };
  return { ...design, parts: parts.map((part) => (part.id === changed.id ? changed : apartFrom(part, changed.id))) };
}

const apartFrom = (part: Part, other: string): Part =>
  part.attached ? { ...part, attached: part.attached.filter((id) => id !== other) } : part;

/** The design without a part; choices for it are removed when finishes are carried over. */
export const withoutPart = (design: Design, partId: PartId): Design => ({
  ...design,
  parts: design.parts.filter(({ id }) => id !== partId),
});

/** A part that stops mirroring another one takes over its present shape; any other part is returned unchanged. */
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
