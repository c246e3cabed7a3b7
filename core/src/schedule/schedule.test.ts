import fc from 'fast-check';
import highsLoader from 'highs';
import { depth } from '../../../scripts/test-limits.mjs';
import { modelOf } from '../testing/schedule-model';
import { after, shopOf, task } from '../testing/schedule-shop';
import { bindingConstraints } from './binding';
import { scheduleFaults } from './check';
import { scheduleTrouble } from './infeasible';
import { latestStarts } from './latest';
import { type ScheduleProblem, type Shift, type Task, taskMinutes } from './problem';
import { solveSchedule } from './solve';

const ALWAYS: readonly Shift[] = [{ from: 0, to: 100_000 }];
const problem = (tasks: readonly Task[], more: Partial<ScheduleProblem> = {}): ScheduleProblem => ({
  tasks,
  workers: [{ id: 'ada', hours: ALWAYS }],
  places: [{ id: 'booth', hours: null }],
  nowMin: 0,
  ...more,
});

/** One thing told apart from all others by whole minutes, so that every schedule can be counted through. */
const anyProblem = (most: number) =>
  fc
    .record({
      tasks: fc.array(
        fc.record({
          minutes: fc.integer({ min: 1, max: 9 }),
          hands: fc.constantFrom(0, 1, 1, 1, 2),
          booth: fc.boolean(),
          pauses: fc.constantFrom(false, false, true),
          earliest: fc.integer({ min: 0, max: 12 }),
          lags: fc.array(
            fc.record({
              to: fc.nat(20),
              min: fc.integer({ min: 0, max: 6 }),
              open: fc.option(fc.integer({ min: 0, max: 6 })),
              start: fc.boolean(),
              scuff: fc.constantFrom(null, null, 3),
            }),
            { maxLength: 2 },
          ),
          pinned: fc.constantFrom(null, null, null, 'ada', 'bo'),
          // Some take longer, or shorter, than others.
          pace: fc.constantFrom(null, null, { ada: 2 }, { bo: -1 }, { ada: 1, bo: 3 }),
        }),
        { minLength: 1, maxLength: most },
      ),
      workers: fc.array(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 8, max: 25 })), {
          minLength: 1,
          maxLength: 2,
        }),
        {
          minLength: 1,
          maxLength: 2,
        },
      ),
      boothFrom: fc.constantFrom(null, 0, 4),
    })
    .map(({ tasks, workers, boothFrom }): ScheduleProblem => {
      const made = workers.map((shifts, index) => {
        let at = 0;
        const hours = shifts.map(([gap, length]) => ({ from: (at += gap), to: (at += length) }));
        return { id: index === 0 ? 'ada' : 'bo', hours };
      });
      return {
        nowMin: 0,
        workers: made,
        places: [{ id: 'booth', hours: boothFrom === null ? null : [{ from: boothFrom, to: 60 }] }],
        tasks: tasks.map(({ minutes, hands, booth, pauses, earliest, lags, pinned, pace }, index) => ({
          ...task(`t${index}`, minutes),
          hands,
          places: booth ? ['booth'] : [],
          ...(pace === null
            ? {}
            : {
                minutesBy: Object.fromEntries(
                  Object.entries(pace).map(([id, more]) => [id, Math.max(1, minutes + more)]),
                ),
              }),
          pauses: pauses && hands === 1 && !booth,
          earliestMin: earliest,
          ...(pinned !== null && made.some(({ id }) => id === pinned) ? { worker: pinned } : {}),
          after:
            index === 0
              ? []
              : lags.map(({ to, min, open, start, scuff }) => ({
                  task: `t${to % index}`,
                  from: start ? ('start' as const) : ('end' as const),
                  minMin: min,
                  maxMin: open === null ? null : min + open,
                  ...(scuff === null || open === null ? {} : { scuffMin: scuff }),
                })),
        })),
      };
    });

/** The truth: every start at every whole minute, every team, in the order of the tasks; the least end and then the least scuffing. */
function countedThrough(given: ScheduleProblem, horizon: number): { endMin: number; scuffMin: number } | null {
  const { tasks, workers, places } = given;
  let best: { endMin: number; scuffMin: number } | null = null;
  const teamsOf = (other: Task): string[][] => {
    const ids = workers.map(({ id }) => id);
    const all = other.hands === 0 ? [[]] : other.hands === 1 ? ids.map((id) => [id]) : ids.length > 1 ? [ids] : [];
    return other.worker === undefined || other.hands === 0 ? all : all.filter((team) => team.includes(other.worker!));
  };
  const booked: { id: string; start: number; end: number; team: string[]; places: readonly string[] }[] = [];
  const open = (hours: readonly Shift[] | null, minute: number) =>
    hours === null || hours.some(({ from, to }) => from <= minute && minute + 1 <= to);
  const place = (index: number, endMin: number, scuffMin: number): void => {
    if (best && (endMin > best.endMin || (endMin === best.endMin && scuffMin >= best.scuffMin))) return;
    if (index === tasks.length) {
      best = { endMin, scuffMin };
      return;
    }
    const one = tasks[index]!;
    for (let start = one.earliestMin; start <= horizon; start++) {
      const lags = one.after.map((lag) => ({
        lag,
        since: start - booked.find(({ id }) => id === lag.task)![lag.from],
      }));
      if (lags.some(({ lag, since }) => since < lag.minMin)) continue;
      const late = lags.filter(({ lag, since }) => lag.maxMin !== null && since > lag.maxMin);
      if (late.some(({ lag }) => lag.scuffMin === undefined)) continue;
      const scuffs = late.reduce((sum, { lag }) => sum + lag.scuffMin!, 0);
      for (const team of teamsOf(one)) {
        const limits = [
          ...team.map((id) => workers.find((worker) => worker.id === id)!.hours),
          ...one.places.map((id) => places.find((room) => room.id === id)!.hours),
        ];
        let left = taskMinutes(one, team) + scuffs;
        let at = start;
        if (limits.length > 0 && !limits.every((hours) => open(hours, start))) continue;
        while (left > 0 && at < horizon + 200) {
          if (limits.every((hours) => open(hours, at))) left--;
          else if (!one.pauses) break;
          at++;
        }
        if (left > 0) continue;
        const clash = booked.some(
          (other) =>
            start < other.end &&
            other.start < at &&
            (other.team.some((id) => team.includes(id)) || other.places.some((id) => one.places.includes(id))),
        );
        if (clash) continue;
        booked.push({ id: one.id, start, end: at, team, places: one.places });
        place(index + 1, Math.max(endMin, at), scuffMin + scuffs);
        booked.pop();
      }
    }
  };
  place(0, 0, 0);
  return best;
}

it('is the best there is, against every schedule counted through', () => {
  fc.assert(
    fc.property(anyProblem(4), (given) => {
      const truth = countedThrough(given, 60);
      const schedule = solveSchedule(given);
      if (truth === null) return expect(schedule === null || schedule.schedule.endMin > 60).toBe(true);
      expect(schedule).not.toBeNull();
      expect(schedule!.proven).toBe(true);
      expect(scheduleFaults(given, schedule!.schedule)).toEqual([]);
      expect([schedule!.schedule.endMin, schedule!.schedule.scuffMin]).toEqual([truth.endMin, truth.scuffMin]);
    }),
    { numRuns: depth(41, 250) },
  );
});

const SHOPS = depth(400, 5000);

it('breaks no lag, no hours and books nobody twice in random shops', () => {
  let schedules = 0;
  fc.assert(
    fc.property(anyProblem(9), (given) => {
      const schedule = solveSchedule(given, { most: 60 });
      if (!schedule) return;
      schedules++;
      expect(scheduleFaults(given, schedule.schedule)).toEqual([]);
      expect(schedule.leastEndMin).toBeLessThanOrEqual(schedule.schedule.endMin + 1e-6);
    }),
    { numRuns: SHOPS },
  );
  expect(schedules).toBeGreaterThan(0.24 * SHOPS);
});

it('ends at the very minute that a solver of mixed-integer programs finds for the same shop', async () => {
  const highs = await highsLoader();
  const all = [
    [2, 5],
    [3, 99],
    [3, 12345],
    [5, 12345],
  ] as const;
  for (const [jobs, seed] of all.slice(0, depth(2, all.length))) {
    const shop = shopOf(jobs, seed);
    const schedule = solveSchedule(shop)!;
    const { Status, ObjectiveValue } = highs.solve(modelOf(shop), { time_limit: 150 });
    expect([Status, schedule.proven]).toEqual(['Optimal', true]);
    expect(schedule.schedule.endMin).toBeCloseTo(ObjectiveValue + shop.nowMin, 3);
    expect(scheduleFaults(shop, schedule.schedule)).toEqual([]);
  }
}, 240_000);

describe('a day in the shop', () => {
  const day: readonly Shift[] = [
    { from: 480, to: 1020 },
    { from: 1920, to: 2460 },
  ];
  const coats = (more: Partial<ScheduleProblem> = {}) =>
    problem(
      [
        task('mask', 60),
        task('coat', 30, { places: ['booth'], after: [after('mask')] }),
        task('pull', 20, { after: [after('coat', 180, 240)] }),
      ],
      {
        workers: [{ id: 'ada', hours: day }],
        nowMin: 480,
        ...more,
      },
    );

  it('says the last moment for the coat, and when its pull would fall after that', () => {
    const shop = coats();
    const schedule = solveSchedule(shop)!;
    const [latest] = latestStarts(shop, schedule);
    // The pull must be over by five: it begins by 16:40 at the latest, four hours after a coat of half an hour at the most.
    expect(latest).toEqual({ task: 'coat', latestMin: 1000 - 180 - 30, missed: { task: 'pull', atMin: 1001 } });
  });
  it('says what binds it, from the first task to the last', () => {
    const shop = coats();
    expect(bindingConstraints(shop, solveSchedule(shop)!).map(({ task: id, by }) => `${id} ${by}`)).toEqual([
      'mask now',
      'coat order',
      'pull drying',
    ]);
  });
  it('leaves a coat for the next morning where its pull would fall into the night', () => {
    const schedule = solveSchedule(coats({ nowMin: 800 }))!;
    expect(schedule.schedule.placed.map(({ startMin }) => startMin)).toEqual([800, 1920, 2130]);
  });
  it('scuffs where that ends sooner than keeping the limit, and only there', () => {
    const lag = { maxMin: 60, scuffMin: 15 };
    const shop = (nowMin: number) =>
      problem(
        [
          task('coat1', 30),
          task('long', 100, { worker: 'ada', after: [after('coat1')] }),
          task('coat2', 30, { after: [{ ...after('coat1'), ...lag }, after('long')] }),
        ],
        { nowMin },
      );
    expect(solveSchedule(shop(0))!.schedule).toMatchObject({ endMin: 175, scuffMin: 15 });
  });
  it('pauses overnight what may pause, and nothing else', () => {
    const long = (pauses: boolean) =>
      solveSchedule(problem([task('sand', 600, { pauses })], { workers: [{ id: 'ada', hours: day }], nowMin: 480 }));
    expect(long(true)!.schedule.endMin).toBe(1980);
    expect(long(false)).toBeNull();
  });
  it('keeps what was planned where another plan is worth little, and moves what gains much', () => {
    const shop = shopOf(4, 7);
    const first = solveSchedule(shop)!;
    const again = solveSchedule({ ...shop, nowMin: 481 }, { before: first.decisions, worthMin: 15 })!;
    expect(again.decisions.order).toEqual(first.decisions.order);
    const idle = problem([task('a', 60, { worker: 'ada' }), task('b', 60)], {
      workers: [
        { id: 'ada', hours: ALWAYS },
        { id: 'bo', hours: ALWAYS },
      ],
    });
    const clumsy = { team: [0, 0], order: [[0, 1]] as const, lag: [] };
    expect(solveSchedule(idle, { before: clumsy, worthMin: 15 })!.schedule.endMin).toBe(60);
  });
});

describe('where there is no schedule, says which and what would help:', () => {
  const pull = [task('coat', 30), task('pull', 20, { after: [after('coat', 180, 200)] })];
  const day = (from: number, to: number): readonly Shift[] =>
    [0, 1, 2].map((number) => ({ from: number * 1440 + from, to: number * 1440 + to }));
  it.each([
    ['nobody works here', problem(pull, { workers: [] }), { code: 'no-workers' }],
    [
      'people without hours',
      problem(pull, { workers: [{ id: 'ada', hours: [] }] }),
      { code: 'no-hours', worker: 'ada' },
    ],
    [
      'a booth closed all week',
      problem([task('coat', 30, { places: ['booth'] })], { places: [{ id: 'booth', hours: [] }] }),
      { code: 'closed', place: 'booth', task: 'coat' },
    ],
    [
      'a pull for four hands of one person',
      problem([task('pull', 20, { hands: 2 })]),
      { code: 'hands', task: 'pull', hands: 2, workers: 1 },
    ],
    [
      'a coat longer than the day',
      problem([task('coat', 500)], { workers: [{ id: 'ada', hours: day(480, 900) }] }),
      { code: 'too-long', task: 'coat', minutes: 500, longestMin: 420 },
    ],
    [
      'a window no day is long enough for',
      problem(pull, { workers: [{ id: 'ada', hours: day(480, 660) }] }),
      { code: 'window', task: 'pull', other: 'coat', maxMin: 200, extraMin: 60, also: [] },
    ],
    [
      'a pin that stands in the way',
      problem([task('coat', 30, { atMin: 700 })], { workers: [{ id: 'ada', hours: day(480, 660) }] }),
      { code: 'pinned', task: 'coat' },
    ],
  ])('%s', (_, shop, trouble) => {
    expect(solveSchedule(shop)).toBeNull();
    expect(scheduleTrouble(shop)).toEqual(trouble);
  });
});
