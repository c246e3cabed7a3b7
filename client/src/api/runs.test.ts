import type { FrozenPlan } from '@lintrel/core';
import { wholeRun } from './runs';

const plan: FrozenPlan = { format: 'lintrel-plan', version: 2, steps: [] };

it('keeps the sheet of each job, and puts it into answers that leave it out', () => {
  const known: Parameters<typeof wholeRun>[2] = new Map();
  expect(wholeRun('a', { started: null, events: [] }, known)).toEqual({ started: null, events: [] });
  const first = wholeRun('a', { started: { sheet: 3, revision: 1, plan }, events: [] }, known);
  const again = wholeRun('a', { started: { sheet: 3, revision: 1, plan: null }, events: [] }, known);
  expect(again).toEqual(first);
  // The very same object: nothing that is drawn from it is drawn anew.
  expect(again.started?.plan).toBe(plan);
});

it('says so where a sheet is left out that nobody has', () => {
  expect(() => wholeRun('b', { started: { sheet: 3, revision: 1, plan: null }, events: [] }, new Map())).toThrow(/nobody has/);
});
