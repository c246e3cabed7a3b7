import { depth } from '../../../scripts/test-limits.mjs';
import { remixId, ruleInAir, scuffId } from '../log';
import { workSort } from '../runsheet';
import { scheduleFaults } from '../schedule';
import { days, doneUntil, shop, stepsOf, two } from '../testing/days';
import { planDay } from './plan-day';
import { expectedAir, hoursOver } from './shop-day';
import type { PersonSpeed } from './step-minutes';
import { jobTasks, type RunningJob } from './tasks';

const jobOf = (name: string, done: Readonly<Record<string, number>> = {}): RunningJob => ({
  id: name,
  title: name,
  steps: stepsOf(name),
  doneMin: new Map(Object.entries(done)),
});
const NAMES = ['juniper', 'saltwort', 'ostrel', 'brindle', 'marigold', 'tansy', 'bramble'];

it.each(NAMES)('%s: every step for a hand stands in one task, in order, and no window lies inside one', (name) => {
  const job = jobOf(name);
  const { work } = jobTasks(job, 480);
  const stepIds = work.flatMap(({ steps }) => steps.map(({ id }) => id));
  expect(stepIds).toEqual(job.steps.filter(({ attended }) => attended).map(({ id }) => id));
  for (const { steps, task } of work) {
    expect(task.minutes).toBeCloseTo(
      steps.reduce((sum, { startMin, endMin }) => sum + endMin - startMin, 0),
      6,
    );
    for (const step of steps.slice(1)) expect(step.after.every(({ code }) => code === 'order')).toBe(true);
  }
  expect(work.length).toBeLessThan(stepIds.length);
});

it('plans all the examples together, and keeps every lag, all hours and the booth', () => {
  const jobs = ['juniper', 'saltwort', 'brindle'].map((name) => jobOf(name));
  const two = { ...shop, people: ['ada', 'bo'].map((id) => ({ id, name: id, week: shop.people[0]!.week, off: [] })) };
  const plan = planDay(jobs, two, days, 480);
  expect(plan.schedule).not.toBeNull();
  const places = ['booth', 'gun gun'].map((id) => ({ id, hours: null }));
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
  const doneMin = new Map(
    marigold.steps
      .filter(({ attended, startMin }) => attended && startMin <= first!.startMin)
      .map(({ id }) => [id as string, 600]),
  );
  const soon = jobTasks({ ...marigold, doneMin }, 605);
  expect(soon.missed).toEqual([]);
  expect(soon.past).toHaveLength(1);
  const plan = planDay([{ ...marigold, doneMin }], shop, days, 605);
  const coat = plan.schedule!.placed.find(({ task }) => task.endsWith(second!.id))!;
  expect(coat.startMin).toBeCloseTo(600 + rule.minMin, 3);
  expect(coat.scuffMin).toBe(0);
  const late = jobTasks({ ...marigold, doneMin }, 600 + rule.maxMin! + 30);
  expect(late.missed).toMatchObject([{ code: 'recoat', closedMin: 600 + rule.maxMin! }]);
  // Paint of a can takes no coat between its two windows: it waits for the second, however it is scuffed.
  const waits = planDay([{ ...marigold, doneMin }], shop, days, 600 + rule.maxMin! + 30);
  expect(waits.schedule!.placed.find(({ task }) => task.endsWith(second!.id))).toMatchObject({ scuffMin: 0 });
  expect(waits.schedule!.placed.find(({ task }) => task.endsWith(second!.id))!.startMin).toBeGreaterThanOrEqual(
    600 + rule.againMin!,
  );
  expect(waits.missed[0]!.againMin).toBeCloseTo(600 + rule.againMin!, 6);
});

it('scuffs for a coat whose limit has passed where that helps, and not again once it is scuffed', () => {
  const juniper = jobOf('juniper');
  const second = juniper.steps.find(
    ({ kind, after }) => kind === 'coat' && after.some(({ code, maxMin }) => code === 'recoat' && maxMin !== null),
  )!;
  const rule = second.after.find(({ code }) => code === 'recoat')!;
  expect(rule.againMin).toBeUndefined();
  const before = juniper.steps.slice(0, juniper.steps.indexOf(second)).filter(({ attended }) => attended);
  const doneMin = new Map(before.map(({ id }) => [id as string, 600]));
  const nowMin = 600 + rule.maxMin! + 30;
  const coatOf = (done: ReadonlyMap<string, number>) =>
    planDay([{ ...juniper, doneMin: done }], shop, days, nowMin).schedule!.placed.find(({ task }) =>
      task.endsWith(second.id),
    )!;
  expect(coatOf(doneMin).scuffMin).toBe(20);
  const scuffed = new Map([...doneMin, [scuffId(second.id), nowMin - 5]]);
  expect(coatOf(scuffed).scuffMin).toBe(0);
  // What was mixed has gone off as well: the coat takes as much longer as mixing takes, until that is done.
  const mix = juniper.steps.find(({ id }) => second.after.some(({ code, step }) => code === 'pot' && step === id))!;
  expect(jobTasks({ ...juniper, doneMin: scuffed }, nowMin).missed).toMatchObject([{ code: 'pot', againMin: null }]);
  const long = coatOf(scuffed);
  scuffed.set(remixId(mix.id), nowMin - 1);
  const short = coatOf(scuffed);
  expect(long.endMin - long.startMin - (short.endMin - short.startMin)).toBeCloseTo(mix.endMin - mix.startMin, 6);
  expect(jobTasks({ ...juniper, doneMin: scuffed }, nowMin).missed).toEqual([]);
});

it('takes days off and closed days into account', () => {
  expect(hoursOver([{ fromMin: 480, toMin: 960 }, null, null, null, null, null, null], days)).toEqual([
    { from: 480, to: 960 },
    { from: 7 * 1440 + 480, to: 7 * 1440 + 960 },
  ]);
  expect(hoursOver(shop.people[0]!.week, days.slice(0, 2), ['2026-06-01'])).toEqual([
    { from: 1440 + 420, to: 1440 + 1140 },
  ]);
});

it('of many jobs plans the next stretches of each, and says how many follow', () => {
  const count = depth(24, 60);
  const many = Array.from({ length: count }, (_, index) => ({
    ...jobOf('marigold'),
    id: `j${index}`,
    title: `${index}`,
  }));
  const plan = planDay(many, shop, days, 480);
  expect(plan.work).toHaveLength(120);
  expect(plan.more).toBe(count * jobTasks(many[0]!, 480).work.length - 120);
  expect(plan.schedule ?? plan.troubles[0]).toBeTruthy();
});

it('moves little when something else becomes known, and is empty with nothing to do', () => {
  const jobs = ['juniper', 'brindle'].map((name) => jobOf(name));
  const first = planDay(jobs, shop, days, 480);
  const again = planDay(jobs, shop, days, 485, { before: first.kept });
  expect(again.schedule!.placed.map(({ task, workers }) => [task, workers])).toEqual(
    first.schedule!.placed.map(({ task, workers }) => [task, workers]),
  );
  expect(planDay([], shop, days, 480)).toMatchObject({ work: [], proven: true, troubles: [] });
});

describe('the air of the hours', () => {
  const wave = (dayC: number, nightC: number, count = 8) =>
    expectedAir(
      { forecast: days.slice(0, count).map(({ date }) => ({ date, dayC, nightC, dayRh: 50, nightRh: 60 })) },
      days,
    );
  const endOf = (plan: ReturnType<typeof planDay>) => plan.schedule!.endMin;

  it('is that of the days with a forecast, without a gap, and of no other', () => {
    const some = expectedAir(
      { forecast: [1, 2, 4].map((at) => ({ date: days[at]!.date, dayC: 24, nightC: 12, dayRh: 50, nightRh: 80 })) },
      days,
    );
    expect(some[0]).toMatchObject({ atMin: 1440 + 300, airC: 12, rhPercent: 80 });
    expect(some.at(-1)!.atMin).toBe(3 * 1440 + 300);
    expect(Math.max(...some.map(({ airC }) => airC))).toBeCloseTo(24, 6);
    expect(expectedAir({ forecast: [] }, days)).toEqual([]);
  });
  it.each(
    [
      ['warm', 30, 24],
      ['cold', 14, 6],
      ['swinging', 28, 8],
    ].slice(depth(2, 0)) as [string, number, number][],
  )('on %s days every wait is as long as the film takes in the air of its very hours', (_, dayC, nightC) => {
    const air = { measured: [], expected: wave(dayC, nightC) };
    const plan = planDay(
      ['juniper', 'marigold', 'brindle'].map((name) => jobOf(name)),
      shop,
      days,
      480,
      { air },
    );
    const booked = new Map(plan.schedule!.placed.map((assignment) => [assignment.task, assignment]));
    const taskOf = new Map(
      plan.work.flatMap(({ task, steps, job }) => steps.map(({ id }) => [`${job} ${id}`, task.id] as const)),
    );
    let counted = 0;
    for (const { task, steps, job } of plan.work) {
      for (const rule of steps[0]!.after.filter(({ film }) => film)) {
        const before = booked.get(taskOf.get(`${job} ${rule.step}`)!);
        const assignment = booked.get(task.id)!;
        if (!before || before.endMin > air.expected.at(-1)!.atMin) continue;
        const from = rule.from === 'end' ? before.endMin : before.startMin;
        expect(assignment.startMin + 3).toBeGreaterThan(from + ruleInAir(rule, from, air).minMin);
        counted++;
      }
    }
    expect(counted).toBeGreaterThan(5);
  });
  it('makes cold days longer than warm ones, and says nothing where nobody knows', () => {
    const jobs = [jobOf('juniper')];
    const plain = planDay(jobs, shop, days, 480);
    expect(endOf(planDay(jobs, shop, days, 480, { air: { measured: [], expected: wave(12, 8) } }))).toBeGreaterThan(
      endOf(plain),
    );
    expect(
      endOf(planDay(jobs, shop, days, 480, { air: { measured: [], expected: wave(30, 28) } })),
    ).toBeLessThanOrEqual(endOf(plain));
    expect(planDay(jobs, shop, days, 480, { air: { measured: [], expected: [] } })).toEqual(plain);
  });
  it('of a coat that is on is what was measured', () => {
    const marigold = jobOf('marigold');
    const coats = marigold.steps.filter(({ kind }) => kind === 'coat');
    const index = marigold.steps.findIndex((step) => step.after.some(({ code, film }) => code === 'pull' && film));
    const last = marigold.steps
      .slice(0, index)
      .filter(({ kind }) => kind === 'coat')
      .at(-1)!;
    const doneMin = new Map(
      marigold.steps
        .slice(0, marigold.steps.indexOf(last) + 1)
        .filter(({ attended }) => attended)
        .map(({ id }) => [id as string, 600]),
    );
    const pullAt = (airC: number) => {
      const { work } = jobTasks({ ...marigold, doneMin }, 605, {
        air: { measured: [600, 605].map((atMin) => ({ atMin, airC, rhPercent: 50 })), expected: wave(airC, airC) },
      });
      return work
        .find(({ steps }) => steps[0]!.after.some(({ code }) => code === 'pull'))!
        .task.after.find(({ task }) => task.includes('done'))!.minMin;
    };
    expect(coats.length).toBeGreaterThan(0);
    expect(pullAt(12)).toBeGreaterThan(1.5 * pullAt(26));
  });
});

describe('what a person has fixed', () => {
  const two = { ...shop, people: ['ada', 'bo'].map((id) => ({ id, name: id, week: shop.people[0]!.week, off: [] })) };
  const jobs = [jobOf('bramble'), jobOf('tansy')];
  const placedOf = (plan: ReturnType<typeof planDay>, work: string) =>
    plan.schedule!.placed.find(({ task }) => task === work)!;
  const first = planDay(jobs, two, days, 480).work[0]!.task.id;

  it('is done by that one, at that time', () => {
    for (const person of ['ada', 'bo']) {
      const plan = planDay(jobs, two, days, 480, { pins: [{ work: first, person, atMin: 600 }] });
      expect(placedOf(plan, first)).toMatchObject({ workers: [person], startMin: 600 });
      expect(plan.troubles).toEqual([]);
    }
  });
  it('is let go and told where it cannot be: at night, or out of order', () => {
    const plan = planDay(jobs, two, days, 480, { pins: [{ work: first, person: null, atMin: 1300 }] });
    expect(plan.troubles).toMatchObject([{ code: 'pinned', task: first }]);
    expect(placedOf(plan, first).startMin).toBeLessThan(1140);
    const last = planDay(jobs, two, days, 480)
      .work.filter(({ job }) => job === 'bramble')
      .at(-1)!.task.id;
    const both = planDay(jobs, two, days, 480, {
      pins: [
        { work: first, person: 'ada', atMin: null },
        { work: last, person: null, atMin: 490 },
      ],
    });
    expect(both.troubles).toMatchObject([{ code: 'pinned', task: last }]);
    expect(placedOf(both, first).workers).toEqual(['ada']);
  });
  it('is passed over where it is of the past, of nobody here, or of work that is no more', () => {
    const plain = planDay(jobs, two, days, 480);
    const pins = [
      { work: first, person: 'gone', atMin: 300 },
      { work: 'no such work', person: 'ada', atMin: 600 },
    ];
    expect(planDay(jobs, two, days, 480, { pins }).schedule).toEqual(plain.schedule);
  });
});

it('a pull is over before its window closes, and is begun at once where that cannot be any more', () => {
  const juniper = jobOf('juniper');
  const pull = juniper.steps.find(
    ({ kind, after }) => kind === 'pull' && after.some(({ code, maxMin }) => code === 'pull' && maxMin !== null),
  )!;
  const rule = pull.after.find(({ code }) => code === 'pull')!;
  const doneMin = new Map(
    juniper.steps
      .slice(0, juniper.steps.indexOf(pull))
      .filter(({ attended }) => attended)
      .map(({ id }) => [id as string, 600]),
  );
  const lagAt = (nowMin: number) =>
    jobTasks({ ...juniper, doneMin }, nowMin)
      .work.find(({ steps }) => steps[0] === pull)!
      .task.after.find(({ maxMin }) => maxMin !== null)!.maxMin!;
  expect(lagAt(605)).toBeCloseTo(rule.maxMin! - (pull.endMin - pull.startMin), 6);
  expect(lagAt(600 + rule.maxMin! - 1)).toBeCloseTo(rule.maxMin!, 6);
});

it('whoever is quicker at a sort of work is given it, where that ends sooner; a difference that is none is left alone', () => {
  const steps = stepsOf('tansy');
  const sort = workSort(steps.find(({ kind }) => kind === 'cover')!)!;
  const speed = (person: string | null, factor: number): PersonSpeed => ({
    person,
    sort,
    factor,
    low: factor,
    high: factor,
    count: 12,
  });
  const job = [{ id: 'tansy', title: 'Tansy', steps, doneMin: new Map<string, number>() }];
  const names = two.people.map(({ name }) => name);
  const coveredIn = (speeds: readonly PersonSpeed[]) => {
    const plan = planDay(job, two, days, 480, { speeds });
    const work = plan.work.find((one) => one.steps.some(({ kind }) => kind === 'cover'))!;
    return { task: work.task, at: plan.schedule!.placed.find(({ task }) => task === work.task.id)! };
  };
  const even = coveredIn([speed(null, 1), speed(names[0]!, 1.02), speed(names[1]!, 0.99)]);
  expect(even.task.minutesBy).toBeUndefined();
  for (const quick of names) {
    const { task, at } = coveredIn([speed(null, 1), ...names.map((name) => speed(name, name === quick ? 0.5 : 2))]);
    expect(at.workers).toEqual([two.people.find(({ name }) => name === quick)!.id]);
    expect(at.endMin - at.startMin).toBeCloseTo(task.minutesBy![at.workers[0]!]!, 6);
    expect(at.endMin - at.startMin).toBeLessThan(even.at.endMin - even.at.startMin);
  }
});

it('a pull is over in its window whoever does it', () => {
  const steps = stepsOf('tansy');
  const pull = steps.find(({ kind }) => kind === 'pull')!;
  const doneMin = doneUntil(steps, 'pull', 480);
  const slow: PersonSpeed = {
    person: two.people[1]!.name,
    sort: workSort(pull)!,
    factor: 3,
    low: 2,
    high: 4,
    count: 9,
  };
  const last = (speeds: readonly PersonSpeed[]) =>
    planDay([{ id: 'tansy', title: 'Tansy', steps, doneMin }], two, days, 481, { speeds }).work[0]!.task.after.find(
      ({ maxMin }) => maxMin !== null,
    )!.maxMin!;
  expect(last([]) - last([slow])).toBeCloseTo(2 * (pull.endMin - pull.startMin), 6);
});

it('of two jobs mixed right before closing time each window that cannot be kept is told, and all else is planned', () => {
  const steps = stepsOf('tansy');
  const closes = shop.people[0]!.week[0]!.toMin;
  const doneMin = new Map([
    ...doneUntil(steps, 'mix', closes - 60),
    [steps.find(({ kind }) => kind === 'mix')!.id as string, closes - 10],
  ]);
  const jobs = ['left', 'right'].map((id) => ({ id, title: id, steps, doneMin }));
  const plan = planDay(jobs, shop, days, closes - 5);
  expect(plan.troubles.length).toBeGreaterThan(1);
  expect(new Set(plan.troubles.map(({ code }) => code))).toEqual(new Set(['window']));
  const placed = new Set(plan.schedule!.placed.map(({ task }) => task));
  expect(plan.work.every(({ task }) => placed.has(task.id))).toBe(true);
  expect(plan.schedule!.endMin).toBeGreaterThan(1440);
  // Told is what the plan does pass, and nothing it keeps.
  const at = new Map(plan.schedule!.placed.map((assignment) => [assignment.task, assignment]));
  for (const trouble of plan.troubles)
    if (trouble.code === 'window')
      expect(at.get(trouble.task)!.startMin - at.get(trouble.other)!.endMin).toBeGreaterThan(trouble.maxMin);
});

it('jobs that are all different are planned together, none of them lost', () => {
  const jobs = depth(NAMES.slice(2, 6), NAMES.concat(NAMES.slice(0, 3))).map((name, index) => ({
    ...jobOf(name),
    id: `${index}`,
    title: `${index}`,
  }));
  const plan = planDay(jobs, two, days, 480);
  const placed = new Set(plan.schedule!.placed.map(({ task }) => task));
  expect(plan.work.every(({ task }) => placed.has(task.id))).toBe(true);
  expect(new Set(plan.work.map(({ job }) => job)).size).toBe(jobs.length);
});
