import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type CalendarDay, defaultShopDay } from '../day';
import { type Design, SHIPPED_SHELF, upgradeDesign } from '../job';
import { planJob } from '../plan';
import type { Step } from '../runsheet';

/** The steps of an example. */
export const stepsOf = (name: string): readonly Step[] => {
  const { design } = JSON.parse(readFileSync(join(__dirname, `../../../examples/${name}.json`), 'utf8')) as {
    design: unknown;
  };
  return planJob(upgradeDesign(design) as Design, SHIPPED_SHELF).steps;
};

/** Two weeks from a Monday whose midnight is 0. */
export const days: readonly CalendarDay[] = Array.from({ length: 14 }, (_, day) => ({
  midnightMin: day * 1440,
  weekday: day % 7,
  date: `2026-06-${String(day + 1).padStart(2, '0')}`,
}));

/** A shop of one, and of two. */
export const shop = defaultShopDay('UTC', 'Ada');
export const two = {
  ...shop,
  people: ['ada', 'bo'].map((id) => ({ id, name: id, week: shop.people[0]!.week, off: [] })),
};

/** All steps before the first of a kind, done at a moment. */
export const doneUntil = (steps: readonly Step[], kind: Step['kind'], atMin: number): Map<string, number> =>
  new Map(
    steps
      .slice(
        0,
        steps.findIndex((step) => step.kind === kind),
      )
      .map(({ id }) => [id as string, atMin]),
  );
