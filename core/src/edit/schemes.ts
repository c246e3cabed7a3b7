import type { Design, Scheme } from '../job';
import type { FinishId } from '../kit';

/** The design with a copy of its scheme kept under a name. */
export const withSchemeCopy = (design: Design, name: string): Design => ({
  ...design,
  others: [...(design.others ?? []), { ...design.scheme, name }],
});

/** The design with its scheme under another name. */
export const withSchemeName = (design: Design, name: string): Design => ({
  ...design,
  scheme: { ...design.scheme, name },
});

/**
 * The design with one of its other schemes planned, and the planned one put in its place.
 * @param names new names of the two: the one planned so far, and the other
 */
export function withOtherScheme(design: Design, index: number, names: readonly [string, string]): Design {
  const { scheme, others = [] } = design;
  if (!others[index]) return design;
  return {
    ...design,
    scheme: { ...others[index], name: names[1] },
    others: others.map((other, otherIndex) => (otherIndex === index ? { ...scheme, name: names[0] } : other)),
  };
}

/** The design without one of its other schemes. */
export const withoutScheme = (design: Design, index: number): Design => ({
  ...design,
  others: design.others?.filter((_, otherIndex) => otherIndex !== index),
});

/** The design with a primer under, or a clear over, everything that is painted; null: none. */
export function withLayer(design: Design, layer: 'primer' | 'clear', finish: FinishId | null): Design {
  const { [layer]: _old, ...rest } = design.scheme;
  return { ...design, scheme: (finish === null ? rest : { ...rest, [layer]: finish }) as Scheme };
}
