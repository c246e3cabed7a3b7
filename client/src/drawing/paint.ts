import type { AreaPlan, Finish, Moment, PartPlan, Plan, Shelf, StagePlan } from '@lintrel/core';
import type { DrawnArea } from './shapes';

const effects = new WeakMap<Shelf, Map<string, Finish['effect']>>();

/** Effect of a finish on the shelf; solid if it is missing. */
function effectOf(shelf: Shelf, id: string | null): Finish['effect'] {
  const known = effects.get(shelf) ?? new Map(shelf.finishes.map((finish) => [finish.id, finish.effect]));
  effects.set(shelf, known);
  return (id === null ? undefined : known.get(id)) ?? 'solid';
}

/** Areas as they shall be in the end. */
export const finalAreas = (areas: readonly AreaPlan[], shelf: Shelf): DrawnArea[] =>
  areas.map(({ code, colour, finish }) => ({ code, colour, effect: effectOf(shelf, finish) }));

/** Last finish of an area up to a stage, to draw its effect; null where it is still what it was. */
function finishIn(plan: Plan, part: string, code: string, stage: number): string | null {
  const last = plan.stages
    .slice(0, stage)
    .findLast(
      ({ pictures, layer }) =>
        layer !== 'clear' &&
        pictures.some(
          (picture) => picture.part === part && picture.areas.some((area) => area.code === code && area.open),
        ),
    );
  return last?.finish ?? null;
}

/** Areas after a stage, with what is covered in it. */
export function stageAreas(plan: Plan, stage: StagePlan, part: PartPlan, shelf: Shelf): DrawnArea[] {
  const areas = stage.pictures.find((picture) => picture.part === part.id)?.areas ?? [];
  return areas.map(({ code, covered, colour }) => ({
    code,
    colour,
    covered,
    effect: effectOf(shelf, finishIn(plan, part.id, code, stage.number)),
  }));
}

/** Areas at a moment of the rehearsal. */
export function momentAreas(plan: Plan, moment: Moment, part: PartPlan, shelf: Shelf): DrawnArea[] {
  const areas = moment.pictures.find((picture) => picture.part === part.id)?.areas ?? [];
  return areas.map((area) => ({ ...area, effect: effectOf(shelf, finishIn(plan, part.id, area.code, moment.stage)) }));
}
