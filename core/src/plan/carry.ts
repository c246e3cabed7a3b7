import { areaAt, carriedChoices } from '../areas';
import type { Design, PartAreaChoice } from '../job';
import { rounded } from '../units';
import { workOutPart } from './part-work';
import type { AreaPlan } from './types';

/**
 * Carries the finishes of areas over to a changed design, part by part.
 * @param before design the choices were made on
 * @param after the same design with lines or outlines changed
 * @returns `after` with its choices moved to where their areas are now; choices of removed parts are dropped
 */
export function carryScheme(before: Design, after: Design): Design {
  const areas = after.parts.flatMap((part): PartAreaChoice[] => {
    const old = before.parts.find(({ id }) => id === part.id);
    const choices = after.scheme.areas.filter((choice) => choice.part === part.id);
    const unchanged = old && JSON.stringify([old.surface, old.datums, old.lines]) === JSON.stringify([part.surface, part.datums, part.lines]);
    if (!old || unchanged || choices.length === 0) return choices;
    const was = workOutPart(old, before).arrangement;
    const is = workOutPart(part, after).arrangement;
    return carriedChoices(
      was,
      is,
      choices.map(({ seed: [x, y], finish }) => ({ seed: { x, y }, finish })),
    ).map(({ seed, finish }) => ({
      part: part.id,
      seed: rounded([seed.x, seed.y], 3) as [number, number],
      finish,
    }));
  });
  return { ...after, scheme: { areas } };
}

/**
 * Gives an area a finish, in place of whatever was said about it before.
 * @param area the area as the plan draws it
 * @param finish null keeps what is on it
 */
export function giveFinish(design: Design, partId: string, area: AreaPlan, finish: string | null): Design {
  const ring = (points: AreaPlan['rim']) => points.map(([x, y]) => ({ x, y }));
  const outline = { rim: ring(area.rim), holes: area.holes.map(ring) };
  const others = design.scheme.areas.filter(({ part, seed: [x, y] }) => part !== partId || areaAt([outline], { x, y }) < 0);
  const [x, y] = area.seed;
  return { ...design, scheme: { areas: [...others, { part: partId, seed: [x, y], finish }] } };
}
