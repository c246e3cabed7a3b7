import type { Step } from '../runsheet';
import { days, doneUntil, stepsOf, two } from '../testing/days';
import { gunConflict } from './gun-uses';
import { planDay } from './plan-day';
import { gunFacility, type RunningJob } from './tasks';

const tansy = stepsOf('tansy');
/** The same job in another colour. */
const recoloured = (steps: readonly Step[]): readonly Step[] =>
  steps.map((step) =>
    step.say.values.finish === undefined
      ? step
      : {
          ...step,
          say: { ...step.say, values: { ...step.say.values, finish: `other ${String(step.say.values.finish)}` } },
        },
  );
const job = (id: string, steps: readonly Step[], doneMin: RunningJob['doneMin']): RunningJob => ({
  id,
  title: id,
  steps,
  doneMin,
});
const spans = (jobs: readonly RunningJob[]) => {
  const plan = planDay(jobs, two, days, 500);
  const at = new Map(plan.schedule!.placed.map((assignment) => [assignment.task, assignment]));
  return {
    plan,
    of: (id: string, kind: string) =>
      plan.work
        .filter((work) => work.job === id && work.steps.some((step) => step.kind === kind))
        .map(({ task }) => at.get(task.id)!),
  };
};

it('one colour goes through the gun at a time, and is cleaned out of it before the next', () => {
  const jobs = [
    job('one', tansy, doneUntil(tansy, 'mix', 480)),
    job('two', recoloured(tansy), doneUntil(tansy, 'mix', 480)),
  ];
  const { plan, of } = spans(jobs);
  expect(plan.troubles).toEqual([]);
  expect(gunConflict(plan.work, jobs, plan.schedule!.placed, 500)).toBeNull();
  const [first, second] = ['one', 'two'].sort((a, b) => of(a, 'coat')[0]!.startMin - of(b, 'coat')[0]!.startMin);
  expect(of(second!, 'coat')[0]!.startMin).toBeGreaterThanOrEqual(of(first!, 'gun-clean')[0]!.endMin - 1e-6);
  expect(plan.schedule!.endMin).toBeGreaterThanOrEqual(plan.leastEndMin - 1e-6);
});
it('a colour that is in the gun already is cleaned out first, also where its coats are all on', () => {
  const mixed = doneUntil(tansy, 'gun-clean', 480);
  const other = recoloured(tansy);
  const { plan, of } = spans([job('one', tansy, mixed), job('two', other, doneUntil(other, 'coat', 490))]);
  expect(plan.schedule).not.toBeNull();
  expect(of('two', 'coat')[0]!.startMin).toBeGreaterThanOrEqual(of('one', 'gun-clean')[0]!.endMin - 1e-6);
});
it('the same colour may follow itself', () => {
  const jobs = ['one', 'two'].map((id) => job(id, tansy, doneUntil(tansy, 'mix', 480)));
  const { plan } = spans(jobs);
  expect(gunConflict(plan.work, jobs, plan.schedule!.placed, 500)).toBeNull();
});
it('colours that meet since neither can wait are told', () => {
  const jobs = [
    job('one', tansy, doneUntil(tansy, 'coat', 490)),
    job('two', recoloured(tansy), doneUntil(tansy, 'coat', 490)),
  ];
  const first = tansy.find(({ kind }) => kind === 'coat')!;
  const pins = [520, 535].map((atMin, index) => ({ work: `${jobs[index]!.id} ${first.id}`, person: null, atMin }));
  const plan = planDay(jobs, two, days, 500, { pins });
  expect(plan.schedule).not.toBeNull();
  expect(plan.clash).toMatchObject({ until: { job: 'one' }, waits: { job: 'two' } });
  expect(planDay(jobs, two, days, 500).clash).toBeNull();
});
it('two guns are two: each has its own colour', () => {
  const second = recoloured(tansy).map((step) => (step.gun === undefined ? step : { ...step, gun: 'gun small' }));
  const jobs = [job('one', tansy, doneUntil(tansy, 'mix', 480)), job('two', second, doneUntil(tansy, 'mix', 480))];
  const { plan, of } = spans(jobs);
  expect(gunConflict(plan.work, jobs, plan.schedule!.placed, 500)).toBeNull();
  const [first, last] = ['one', 'two'].sort((a, b) => of(a, 'coat')[0]!.startMin - of(b, 'coat')[0]!.startMin);
  expect(of(last!, 'coat')[0]!.startMin).toBeLessThan(of(first!, 'gun-clean')[0]!.startMin);
  // Of a plan from before nobody knows which: there is one.
  const before = tansy.map(({ gun: _, ...step }) => step as Step);
  expect(gunFacility(before.find(({ kind }) => kind === 'coat')!)).toBe(
    gunFacility(tansy.find(({ kind }) => kind === 'coat')!),
  );
});
