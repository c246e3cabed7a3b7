import { scheduleFaults } from '../schedule';
import { days, doneUntil, stepsOf, two } from '../testing/days';
import { planDay } from './plan-day';
import { hoursOver } from './shop-day';
import type { RunningJob } from './tasks';

const steps = stepsOf('tansy');
const job = (id: string, done: RunningJob['doneMin'] = new Map()): RunningJob => ({
  id,
  title: id,
  steps,
  doneMin: done,
});
/** Everything before the first mixing is done. */
const ready = (atMin: number) => doneUntil(steps, 'mix', atMin);
const planned = (...jobs: RunningJob[]) => planDay(jobs, two, days, 500);

it('sprays two jobs of one colour from one mix, and keeps every window', () => {
  const plan = planned(job('one', ready(480)), job('two', ready(480)));
  const [once] = plan.oneMix;
  const mixes = steps.filter(({ kind }) => kind === 'mix');
  expect(once).toMatchObject({ finish: mixes[0]!.say.values.finish, ml: 2 * Number(mixes[0]!.say.values.ml) });
  expect(new Set([once!.first, once!.second])).toEqual(new Set(['one', 'two']));
  expect(once!.savedMin).toBeGreaterThan(8);
  const places = ['booth', 'gun gun'].map((id) => ({ id, hours: null }));
  const workers = two.people.map(({ id, week }) => ({ id, hours: hoursOver(week, days) }));
  expect(plan.troubles).toEqual([]);
  const faults = scheduleFaults(
    { tasks: plan.work.map(({ task }) => task), workers, places, nowMin: 500 },
    plan.schedule!,
  );
  expect(faults).toEqual([]);
  // What is not mixed a second time, and not cleaned in between, takes so much less.
  const minutes = (id: string) =>
    plan.work.filter(({ job: of }) => of === id).reduce((sum, { task }) => sum + task.minutes, 0);
  expect(minutes('one') + minutes('two')).toBeCloseTo(
    2 *
      steps
        .filter(({ attended, id }) => attended && !ready(480).has(id))
        .reduce((sum, { startMin, endMin }) => sum + endMin - startMin, 0) -
      once!.savedMin,
    6,
  );
  const startOf = (id: string, kind: string) =>
    plan.schedule!.placed.find(({ task }) =>
      plan.work.find(
        (work) => work.task.id === task && work.job === id && work.steps.some((step) => step.kind === kind),
      ),
    )!;
  // The second is sprayed while the first flashes or soon after, and the gun is cleaned after both.
  expect(startOf(once!.second, 'coat').startMin - startOf(once!.first, 'coat').endMin).toBeLessThanOrEqual(60 + 1e-6);
  expect(startOf(once!.second, 'gun-clean').startMin).toBeGreaterThanOrEqual(startOf(once!.first, 'coat').endMin);
});
it('leaves alone what has no second job, what is mixed already, and what would hold up the shop for long', () => {
  expect(planned(job('one', ready(480))).oneMix).toEqual([]);
  const mixed = new Map([...ready(480), [steps.find(({ kind }) => kind === 'mix')!.id as string, 495]]);
  const [first] = steps.filter(({ kind }) => kind === 'mix');
  expect(planned(job('one', mixed), job('two', ready(480))).oneMix.map(({ finish }) => finish)).not.toContain(
    first!.say.values.finish,
  );
  // The other one has all of its masking still before it.
  const far = planned(job('one', ready(480)), job('two'));
  for (const { first: before, second } of far.oneMix) expect(before).not.toBe(second);
});
