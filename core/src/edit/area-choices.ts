import { areaAt } from '../areas';
import type { Place } from '../curves';
import type { Design, PartAreaChoice, Present } from '../job';
import type { FinishId, PartId } from '../kit';
import { type AreaPlan, outlineOf } from '../setout';

/**
 * Gives an area a finish, replacing earlier choices for it.
 * @param area the area as the plan draws it
 * @param finish null keeps what is on it
 * @param more special ways of painting it
 */
export function giveFinish(
  design: Design,
  partId: PartId,
  area: AreaPlan,
  finish: FinishId | null,
  more: Pick<PartAreaChoice, 'blend' | 'clear'> = {},
): Design {
  const inside = insideOf(area);
  const others = design.scheme.areas.filter(({ part, seed }) => part !== partId || !inside(seed));
  const [x, y] = area.seed;
  const flags = { ...(more.blend ? { blend: true } : {}), ...(more.clear === false ? { clear: false } : {}) };
  return {
    ...design,
    scheme: { ...design.scheme, areas: [...others, { part: partId, seed: [x, y], finish, ...flags }] },
  };
}

/**
 * Sets the existing finish of an area.
 * @param present null: that of its part
 */
export function givePresent(design: Design, partId: PartId, area: AreaPlan, present: Present | null): Design {
  const inside = insideOf(area);
  const others = (design.presentAt ?? []).filter(({ part, seed }) => part !== partId || !inside(seed));
  const [x, y] = area.seed;
  return { ...design, presentAt: present === null ? others : [...others, { part: partId, seed: [x, y], ...present }] };
}

/** Removes the choices for one point of a part. */
export function forgetAtPoint(design: Design, partId: PartId, place: Place): Design {
  const areas = design.scheme.areas.filter(
    ({ part, seed }) => part !== partId || seed[0] !== place[0] || seed[1] !== place[1],
  );
  return { ...design, scheme: { ...design.scheme, areas } };
}

/**
 * Pins an area open or covered while a finish is sprayed.
 * @param open null takes the pin back
 */
export function pinArea(
  design: Design,
  partId: PartId,
  area: AreaPlan,
  finish: FinishId,
  open: boolean | null,
): Design {
  const inside = insideOf(area);
  const others = (design.choices.pins ?? []).filter(
    (pin) => pin.part !== partId || pin.finish !== finish || !inside(pin.seed),
  );
  const [x, y] = area.seed;
  const pins = open === null ? others : [...others, { part: partId, seed: [x, y] as const, finish, open }];
  return { ...design, choices: { ...design.choices, pins } };
}

/** Whether an area is pinned while a finish is sprayed; null where it is free. */
export function pinnedOpen({ choices }: Design, partId: PartId, area: AreaPlan, finish: FinishId): boolean | null {
  const inside = insideOf(area);
  return (
    (choices.pins ?? []).find((pin) => pin.part === partId && pin.finish === finish && inside(pin.seed))?.open ?? null
  );
}

function insideOf(area: AreaPlan): (seed: Place) => boolean {
  const outline = [outlineOf(area)];
  return ([x, y]) => areaAt(outline, { x, y }) >= 0;
}
