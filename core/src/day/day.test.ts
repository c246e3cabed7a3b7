import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { SHIPPED_SHELF, upgradedDesign, type Design } from '../job';
import { planJob } from '../plan';
import { scheduleFaults } from '../schedule';
import { hoursOver, jobTasks, planDay, usualShopDay, type CalendarDay, type JobAtWork } from '.';

const jobOf = (name: string, done: Readonly<Record<string, number>> = {}): JobAtWork => {
  const { design } = JSON.parse(readFileSync(join(__dirname, `../../../examples/${name}.json`), 'utf8')) as { design: unknown };
  return { id: name, title: name, steps: planJob(upgradedDesign(design) as Design, SHIPPED_SHELF).steps, doneMin: new Map(Object.entries(done)) };
};
const days: readonly CalendarDay[] = Array.from({ length: 14 }, (_, day) => ({
  midnightMin: day * 1440,
  weekday: day % 7,
  date: `2026-06-${String(day + 1).padStart(2, '0')}`,
}));
const shop = usualShopDay('UTC', 'Ada');
const NAMES = ['juniper', 'saltwort', 'ostrel', 'brindle', 'marigold', 'tansy', 'bramble'];

it.each(NAMES)('%s: every step for a hand stands in one task, in order, and no window lies inside one', (name) => {
  const job = jobOf(name);
  const { work } = jobTasks(job, 480);
  const told = work.flatMap(({ steps }) => steps.map(({ id }) => id));
  expect(told).toEqual(job.steps.filter(({ attended }) => attended).map(({ id }) => id));
  for (const { steps, task } of work) {
    expect(task.minutes).toBeCloseTo(
      steps.reduce((sum, { startMin, endMin }) => sum + endMin - startMin, 0),
      6,
    );
    for (const step of steps.slice(1)) expect(step.after.every(({ code }) => code === 'order')).toBe(true);
  }
  expect(work.length).toBeLessThan(told.length);
});

it('plans all the examples together, and keeps every lag, all hours and the booth', () => {
  const jobs = ['juniper', 'saltwort', 'brindle'].map((name) => jobOf(name));
  const two = { ...shop, people: ['ada', 'bo'].map((id) => ({ id, name: id, week: shop.people[0]!.week, off: [] })) };
  const plan = planDay(jobs, two, days, 480);
  expect(plan.schedule).not.toBeNull();
  const places = ['booth', 'gun'].map((id) => ({ id, hours: null }));
  const workers = two.people.map(({ id, week }) => ({ id, hours: hoursOver(week, days) }));
  const problem = { tasks: plan.work.map(({ task }) => task), workers, places, nowMin: 480 };
  const faults = scheduleFaults(problem, plan.schedule!);
  // What was given up is told.
  expect(faults.length).toBeLessThanOrEqual(plan.troubles.length);
  expect(plan.schedule!.endMin).toBeGreaterThanOrEqual(plan.leastEndMin - 1e-6);
  expect(plan.binding.at(-1)?.task).toBeDefined();
});

it('counts what follows from when a step was really done, and tells a window that has closed since', () => {
  const marigold = jobOf('marigold');
  const [first, second] = marigold.steps.filter(({ kind }) => kind === 'coat');
  const rule = second!.after.find(({ code }) => code === 'recoat')!;
  expect(rule.maxMin).not.toBeNull();
  const doneMin = new Map(marigold.steps.filter(({ attended, startMin }) => attended && startMin <= first!.startMin).map(({ id }) => [id as string, 600]));
  const soon = jobTasks({ ...marigold, doneMin }, 605);
  expect(soon.missed).toEqual([]);
  expect(soon.past).toHaveLength(1);
  const plan = planDay([{ ...marigold, doneMin }], shop, days, 605);
  const coat = plan.schedule!.placed.find(({ task }) => task.endsWith(second!.id))!;
  expect(coat.startMin).toBeCloseTo(600 + rule.minMin, 3);
  expect(coat.scuffMin).toBe(0);
  const late = jobTasks({ ...marigold, doneMin }, 600 + rule.maxMin! + 30);
  expect(late.missed).toMatchObject([{ code: 'recoat', closedMin: 600 + rule.maxMin! }]);
  const scuffed = planDay([{ ...marigold, doneMin }], shop, days, 600 + rule.maxMin! + 30);
  expect(scuffed.schedule!.placed.find(({ task }) => task.endsWith(second!.id))!.scuffMin).toBe(20);
});

it('takes days off and closed days into account', () => {
  expect(hoursOver([{ fromMin: 480, toMin: 960 }, null, null, null, null, null, null], days)).toEqual([
    { from: 480, to: 960 },
    { from: 7 * 1440 + 480, to: 7 * 1440 + 960 },
  ]);
  expect(hoursOver(shop.people[0]!.week, days.slice(0, 2), ['2026-06-01'])).toEqual([{ from: 1440 + 420, to: 1440 + 1140 }]);
});

it('of many jobs plans the next stretches of each, and says how many follow', () => {
  const many = Array.from({ length: 60 }, (_, index) => ({ ...jobOf('marigold'), id: `j${index}`, title: `${index}` }));
  const plan = planDay(many, shop, days, 480);
  expect(plan.work).toHaveLength(120);
  expect(plan.more).toBe(60 * jobTasks(many[0]!, 480).work.length - 120);
  expect(plan.schedule ?? plan.troubles[0]).toBeTruthy();
}, 60_000);

it('moves little when something else becomes known, and is empty with nothing to do', () => {
  const jobs = ['juniper', 'brindle'].map((name) => jobOf(name));
  const first = planDay(jobs, shop, days, 480);
  const again = planDay(jobs, shop, days, 485, first.kept);
  expect(again.schedule!.placed.map(({ task, workers }) => [task, workers])).toEqual(first.schedule!.placed.map(({ task, workers }) => [task, workers]));
  expect(planDay([], shop, days, 480)).toMatchObject({ work: [], proven: true, troubles: [] });
});
