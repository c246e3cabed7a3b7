import { areaAt, carriedChoices, carriedPlaces, type Arrangement } from '../areas';
import { worksKeys, type AreaPin, type Design, type PartAreaChoice, type Present, type PresentAt, type Scheme } from '../job';
import type { Point } from '../surface';
import { rounded } from '../units';
import { workOutParts, type WorkStore } from './part-work';
import type { AreaPlan, Coordinates } from './types';

/**
 * Carries the finishes of areas over to a changed design, part by part.
 * @param before design the choices were made on
 * @param after the same design with lines or outlines changed
 * @returns `after` with its choices moved to where their areas are now; choices of removed parts are dropped
 */
export function carryScheme(before: Design, after: Design): Design {
  const nothing = after.scheme.areas.length === 0 && [after.others, after.choices.pins, after.presentAt].every((list) => (list ?? []).length === 0);
  if (nothing || changedParts(before, after).size === 0) return withoutGoneParts(after);
  // Parts that did not change are worked out once for both.
  const store: WorkStore = new Map();
  const changed = changedParts(before, after);
  const was = workOutParts(before, store);
  const is = workOutParts(after, store);
  const moved = <C extends { readonly part: string; readonly seed: Coordinates }>(
    all: readonly C[],
    carry: (
      before: Arrangement,
      after: Arrangement,
      places: readonly (Omit<C, 'seed'> & { readonly seed: Point })[],
    ) => readonly (Omit<C, 'seed'> & { readonly seed: Point })[],
  ): C[] =>
    is.flatMap(({ part, arrangement }): C[] => {
      const old = was.find((work) => work.part.id === part.id);
      const own = all.filter((one) => one.part === part.id);
      if (!old || !changed.has(part.id) || own.length === 0) return own;
      const placed = own.map((one) => ({ ...one, seed: { x: one.seed[0], y: one.seed[1] } }));
      return carry(old.arrangement, arrangement, placed).map((one) => ({ ...one, seed: rounded([one.seed.x, one.seed.y], 3) }) as unknown as C);
    });
  const scheme = (of: Scheme): Scheme => ({ ...of, areas: moved<PartAreaChoice>(of.areas, carriedChoices) });
  return withoutGoneParts({
    ...after,
    scheme: scheme(after.scheme),
    ...(after.others ? { others: after.others.map(scheme) } : {}),
    ...(after.presentAt ? { presentAt: moved<PresentAt>(after.presentAt, carriedPlaces) } : {}),
    choices: { ...after.choices, ...(after.choices.pins ? { pins: moved<AreaPin>(after.choices.pins, carriedPlaces) } : {}) },
  });
}

/** Parts that were there before and whose lines and areas may have changed. */
function changedParts(before: Design, after: Design): ReadonlySet<string> {
  const [was, is] = [worksKeys(before.parts), worksKeys(after.parts)];
  return new Set([...is].filter(([id, key]) => was.has(id) && was.get(id) !== key).map(([id]) => id));
}

function withoutGoneParts(design: Design): Design {
  const ids = new Set(design.parts.map(({ id }) => id));
  const there = ({ part }: { readonly part: string }) => ids.has(part);
  const { others, choices, presentAt = [] } = design;
  const held = design.parts.every(({ attached = [] }) => attached.every((part) => ids.has(part)));
  const all = [design.scheme, ...(others ?? [])].every(({ areas }) => areas.every(there)) && [...(choices.pins ?? []), ...presentAt].every(there);
  if (all && held) return design;
  const scheme = (of: Scheme): Scheme => ({ ...of, areas: of.areas.filter(there) });
  return {
    ...design,
    parts: design.parts.map((part) => (part.attached ? { ...part, attached: part.attached.filter((one) => ids.has(one)) } : part)),
    scheme: scheme(design.scheme),
    ...(design.presentAt ? { presentAt: presentAt.filter(there) } : {}),
    ...(others ? { others: others.map(scheme) } : {}),
    choices: { ...choices, ...(choices.pins ? { pins: choices.pins.filter(there) } : {}) },
  };
}

/**
 * Gives an area a finish, in place of whatever was said about it before.
 * @param area the area as the plan draws it
 * @param finish null keeps what is on it
 * @param more how it is painted, where that is out of the ordinary
 */
export function giveFinish(design: Design, partId: string, area: AreaPlan, finish: string | null, more: Pick<PartAreaChoice, 'blend' | 'clear'> = {}): Design {
  const inside = insideOf(area);
  const others = design.scheme.areas.filter(({ part, seed }) => part !== partId || !inside(seed));
  const [x, y] = area.seed;
  const told = { ...(more.blend ? { blend: true } : {}), ...(more.clear === false ? { clear: false } : {}) };
  return { ...design, scheme: { ...design.scheme, areas: [...others, { part: partId, seed: [x, y], finish, ...told }] } };
}

/**
 * Says what is on an area now.
 * @param present null: what is on the rest of its part
 */
export function givePresent(design: Design, partId: string, area: AreaPlan, present: Present | null): Design {
  const inside = insideOf(area);
  const others = (design.presentAt ?? []).filter(({ part, seed }) => part !== partId || !inside(seed));
  const [x, y] = area.seed;
  return { ...design, presentAt: present === null ? others : [...others, { part: partId, seed: [x, y], ...present }] };
}

/** Forgets what was said of one place of a part. */
export function withoutPlace(design: Design, partId: string, place: Coordinates): Design {
  const areas = design.scheme.areas.filter(({ part, seed }) => part !== partId || seed[0] !== place[0] || seed[1] !== place[1]);
  return { ...design, scheme: { ...design.scheme, areas } };
}

/**
 * Pins an area open or covered while a finish is sprayed.
 * @param open null takes the pin back
 */
export function pinArea(design: Design, partId: string, area: AreaPlan, finish: string, open: boolean | null): Design {
  const inside = insideOf(area);
  const others = (design.choices.pins ?? []).filter((pin) => pin.part !== partId || pin.finish !== finish || !inside(pin.seed));
  const [x, y] = area.seed;
  const pins = open === null ? others : [...others, { part: partId, seed: [x, y] as [number, number], finish, open }];
  return { ...design, choices: { ...design.choices, pins } };
}

/** Whether an area is pinned while a finish is sprayed; null where it is free. */
export function pinnedOpen({ choices }: Design, partId: string, area: AreaPlan, finish: string): boolean | null {
  const inside = insideOf(area);
  return (choices.pins ?? []).find((pin) => pin.part === partId && pin.finish === finish && inside(pin.seed))?.open ?? null;
}

function insideOf(area: AreaPlan): (seed: Coordinates) => boolean {
  const outline = [outlineOf(area)];
  return ([x, y]) => areaAt(outline, { x, y }) >= 0;
}

/** Rings of an area as places. */
export const outlineOf = ({ rings }: Pick<AreaPlan, 'rings'>) => ({ rings: rings.map((ring) => ring.map(([x, y]) => ({ x, y }))) });
