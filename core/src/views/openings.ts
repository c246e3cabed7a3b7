import type { Design, Part } from '../job';
import { type FeatureId, isModelScale, type PartId, sumOf } from '../kit';
import { effectiveShape } from '../lines';
import { closingMethod, closingMin, type Opening, openingMin, possibleWays, usualWay } from '../masking';
import { chosenWay } from '../problem';
import type { ClosingWay } from '../surface';

/** Openings that are alike and closed in the same way: what a person decides about in one go. */
export interface OpeningGroup {
  readonly openings: readonly { readonly part: PartId; readonly opening: FeatureId }[];
  /** Their names, each once, and the parts they are on. */
  readonly names: readonly string[];
  readonly parts: readonly string[];
  /** How many, all equal parts together. */
  readonly count: number;
  /** The ways that can be, with the minutes to close and open all of them; an estimate. */
  readonly ways: readonly { readonly way: ClosingWay; readonly minutes: number }[];
  readonly usual: ClosingWay;
  /** The way a person has chosen; null: none. */
  readonly chosen: ClosingWay | null;
}

/** The openings of a part: those of the part it follows, where it does. */
const openingsOf = (part: Part, parts: readonly Part[]): Opening[] =>
  (effectiveShape(part, parts).features ?? []).flatMap((feature) => (feature.kind === 'opening' ? [feature] : []));

/** All openings of a job, alike ones together, in the order of the parts. */
export function openingGroups(design: Design): OpeningGroup[] {
  const model = isModelScale(design.scale);
  const groups = new Map<string, { part: Part; opening: Opening }[]>();
  for (const part of design.parts)
    for (const opening of openingsOf(part, design.parts)) {
      const { at: _, ...shape } = { at: null, ...opening.shape };
      const key = JSON.stringify([opening.use, shape, chosenWay(design, part.id, opening.id)]);
      groups.set(key, [...(groups.get(key) ?? []), { part, opening }]);
    }
  return [...groups.values()].map((alike) => {
    const [{ part, opening }] = alike as [{ part: Part; opening: Opening }];
    const count = sumOf(alike, (one) => one.part.count);
    return {
      openings: alike.map((one) => ({ part: one.part.id, opening: one.opening.id })),
      names: [...new Set(alike.map((one) => one.opening.name))],
      parts: [...new Set(alike.map((one) => one.part.name))],
      count,
      ways: possibleWays(opening, model).map((way) => {
        const closing = closingMethod(opening, null, 1, model, way);
        return { way, minutes: closing === null ? 0 : count * (closingMin(closing, model) + openingMin(closing)) };
      }),
      usual: usualWay(opening, model),
      chosen: chosenWay(design, part.id, opening.id),
    };
  });
}
