import { areaAt, carriedChoices } from '../areas';
import { worksKey, type Design, type PartAreaChoice } from '../job';
import { rounded } from '../units';
import { workOutParts, type WorkStore } from './part-work';
import type { AreaPlan } from './types';

/**
 * Carries the finishes of areas over to a changed design, part by part.
 * @param before design the choices were made on
 * @param after the same design with lines or outlines changed
 * @returns `after` with its choices moved to where their areas are now; choices of removed parts are dropped
 */
export function carryScheme(before: Design, after: Design): Design {
  if (after.scheme.areas.length === 0 || sameShapes(before, after)) return withoutGoneParts(after);
  // Parts that did not change are worked out once for both.
  const store: WorkStore = new Map();
  const was = workOutParts(before, store);
  const is = workOutParts(after, store);
  const areas = is.flatMap(({ part, arrangement }): PartAreaChoice[] => {
    const old = was.find((work) => work.part.id === part.id);
    const choices = after.scheme.areas.filter((choice) => choice.part === part.id);
    const unchanged = old && worksKey(old.part, before.parts) === worksKey(part, after.parts);
    if (!old || unchanged || choices.length === 0) return choices;
    return carriedChoices(
      old.arrangement,
      arrangement,
      choices.map(({ seed: [x, y], finish }) => ({ seed: { x, y }, finish })),
    ).map(({ seed, finish }) => ({
      part: part.id,
      seed: rounded([seed.x, seed.y], 3) as [number, number],
      finish,
    }));
  });
  return { ...after, scheme: { areas } };
}

const sameShapes = (before: Design, after: Design): boolean =>
  after.parts.every((part) => {
    const old = before.parts.find(({ id }) => id === part.id);
    return !old || worksKey(old, before.parts) === worksKey(part, after.parts);
  });

function withoutGoneParts(design: Design): Design {
  const ids = new Set(design.parts.map(({ id }) => id));
  if (design.scheme.areas.every(({ part }) => ids.has(part))) return design;
  return { ...design, scheme: { areas: design.scheme.areas.filter(({ part }) => ids.has(part)) } };
}

/**
 * Gives an area a finish, in place of whatever was said about it before.
 * @param area the area as the plan draws it
 * @param finish null keeps what is on it
 */
export function giveFinish(design: Design, partId: string, area: AreaPlan, finish: string | null): Design {
  const outline = { rings: area.rings.map((ring) => ring.map(([x, y]) => ({ x, y }))) };
  const others = design.scheme.areas.filter(({ part, seed: [x, y] }) => part !== partId || areaAt([outline], { x, y }) < 0);
  const [x, y] = area.seed;
  return { ...design, scheme: { areas: [...others, { part: partId, seed: [x, y], finish }] } };
}
