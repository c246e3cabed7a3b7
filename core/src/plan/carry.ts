import { carriedChoices } from '../areas';
import type { Design, PartAreaChoice } from '../job';
import { rounded } from '../units';
import { workOutPart } from './part-work';

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
    const was = workOutPart(old, before).arrangement.areas;
    const is = workOutPart(part, after).arrangement.areas;
    return carriedChoices(was, is, choices.map(({ seed: [x, y], finish }) => ({ seed: { x, y }, finish }))).map(({ seed, finish }) => ({
      part: part.id,
      seed: rounded([seed.x, seed.y], 3) as [number, number],
      finish,
    }));
  });
  return { ...after, scheme: { areas } };
}
