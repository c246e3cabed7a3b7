import { type Arrangement, carryChoices, carryPoints } from '../areas';
import type { Place, Point } from '../curves';
import { type AreaPin, type Design, geometryKeys, type PartAreaChoice, type PresentAt, type Scheme } from '../job';
import { type PartId, roundNumbers } from '../kit';
import { newPartCache, type PartCache, workOutParts } from '../setout';

/**
 * Carries the finishes of areas over to a changed design, part by part.
 * @param before design for which the choices were made
 * @param after the same design with changed lines or outlines
 * @param store cache: unchanged parts are computed once for both
 * @returns `after` with its choices moved to the current places of their areas; choices of removed parts are dropped
 */
export function carryScheme(before: Design, after: Design, store: PartCache = newPartCache()): Design {
  const nothing =
    after.scheme.areas.length === 0 &&
    [after.others, after.choices.pins, after.presentAt].every((list) => (list ?? []).length === 0);
  if (nothing || changedParts(before, after).size === 0) return withoutGoneParts(after);
  const changed = changedParts(before, after);
  const was = workOutParts(before, store);
  const is = workOutParts(after, store);
  const moved = <C extends { readonly part: PartId; readonly seed: Place }>(
    all: readonly C[],
    carry: (
      before: Arrangement,
      after: Arrangement,
      places: readonly (Omit<C, 'seed'> & { readonly seed: Point })[],
    ) => readonly (Omit<C, 'seed'> & { readonly seed: Point })[],
  ): C[] =>
    is.flatMap(({ part, arrangement }): C[] => {
      const old = was.find((work) => work.part.id === part.id);
      const choices = all.filter((choice) => choice.part === part.id);
      if (!old || !changed.has(part.id) || choices.length === 0) return choices;
      const placed = choices.map((choice) => ({ ...choice, seed: { x: choice.seed[0], y: choice.seed[1] } }));
      return carry(old.arrangement, arrangement, placed).map(
        (choice) => ({ ...choice, seed: roundNumbers([choice.seed.x, choice.seed.y], 3) }) as unknown as C,
      );
    });
  const scheme = (source: Scheme): Scheme => ({ ...source, areas: moved<PartAreaChoice>(source.areas, carryChoices) });
  return withoutGoneParts({
    ...after,
    scheme: scheme(after.scheme),
    ...(after.others ? { others: after.others.map(scheme) } : {}),
    ...(after.presentAt ? { presentAt: moved<PresentAt>(after.presentAt, carryPoints) } : {}),
    choices: {
      ...after.choices,
      ...(after.choices.pins ? { pins: moved<AreaPin>(after.choices.pins, carryPoints) } : {}),
    },
  });
}

/** Parts that were there before and whose lines and areas may have changed. */
function changedParts(before: Design, after: Design): ReadonlySet<string> {
  const [was, is] = [geometryKeys(before.parts), geometryKeys(after.parts)];
  return new Set([...is].filter(([id, key]) => was.has(id) && was.get(id) !== key).map(([id]) => id));
}

function withoutGoneParts(design: Design): Design {
  const ids = new Set(design.parts.map(({ id }) => id));
  const there = ({ part }: { readonly part: PartId }) => ids.has(part);
  const { others, choices, presentAt = [] } = design;
  const held = design.parts.every(({ attached = [] }) => attached.every((part) => ids.has(part)));
  const all =
    [design.scheme, ...(others ?? [])].every(({ areas }) => areas.every(there)) &&
    [...(choices.pins ?? []), ...presentAt].every(there);
  if (all && held) return design;
  const scheme = (source: Scheme): Scheme => ({ ...source, areas: source.areas.filter(there) });
  return {
    ...design,
    parts: design.parts.map((part) =>
      part.attached ? { ...part, attached: part.attached.filter((partId) => ids.has(partId)) } : part,
    ),
    scheme: scheme(design.scheme),
    ...(design.presentAt ? { presentAt: presentAt.filter(there) } : {}),
    ...(others ? { others: others.map(scheme) } : {}),
    choices: { ...choices, ...(choices.pins ? { pins: choices.pins.filter(there) } : {}) },
  };
}
