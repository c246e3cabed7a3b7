import { planFaults } from '../check';
import type { Plan } from '../contract';
import { type Design, designFaults, emptyDesign, type Part, type Shelf, SHIPPED_SHELF } from '../job';
import { planJob } from '../plan';
import { BASE } from './samples';

/** A flat panel, primed days ago. */
export const panel = (id: string, width: number, height: number, over: Partial<Part> = {}): Part => ({
  id,
  name: `Panel ${id}`,
  count: 1,
  substrate: 'other',
  present: { system: 'filler-primer', colour: '#c7bfa6', ageH: 72 },
  surface: { kind: 'flat', outline: { kind: 'rectangle', width, height } },
  datums: [BASE],
  lines: [],
  ...over,
});

/** A job of some panels, with finishes at places of them. */
export const panelJob = (
  parts: readonly Part[],
  areas: readonly [part: string, x: number, y: number, finish: string | null][],
  over: Partial<Design> = {},
): Design => ({
  ...emptyDesign('Panels', 'road'),
  parts: [...parts],
  scheme: { areas: areas.map(([part, x, y, finish]) => ({ part, seed: [x, y], finish })) },
  ...over,
});

/** Its plan; a design that is not sound, or a plan that contradicts itself, fails the test. */
export function planned(design: Design, shelf: Shelf = SHIPPED_SHELF): Plan {
  expect(designFaults(design, shelf)).toEqual([]);
  const plan = planJob(design, shelf);
  expect(planFaults(plan)).toEqual([]);
  return plan;
}
