import fc from 'fast-check';
import { airAt, type AirReading, dryingRate } from '../air';
import type { LogEvent } from './event';
import { progressOf, type RunningWindow, type WindowCount, windowInAir as overShopAir } from './progress';
import { airSeriesOf, NO_AIR, ruleInAir } from './shop-air';

const windowInAir = (window: RunningWindow, measured: readonly AirReading[]) =>
  overShopAir(window, { ...NO_AIR, measured });

const MINUTE = 60_000;
const film = { activationKj: 50, waterborne: false, airC: 23, rhPercent: 50, movement: 'normal' as const };
const count = (more: Partial<WindowCount> = {}): WindowCount => ({
  since: 1000 * MINUTE,
  minMin: 60,
  maxMin: 120,
  film,
  ...more,
});
const windowOf = (counts: readonly WindowCount[], opens = 1060, closes: number | null = 1120): RunningWindow =>
  ({
    step: 's',
    say: { code: 'x', values: {} },
    code: 'pull',
    opens: opens * MINUTE,
    closes: closes === null ? null : closes * MINUTE,
    counts,
  }) as RunningWindow;
const steady = (airC: number, from = 0, to = 5000): AirReading[] =>
  [from, to].map((atMin) => ({ atMin, airC, rhPercent: 50 }));
const rate = (airC: number) => dryingRate(50, false, { airC, rhPercent: 50, movement: 'normal' });

it('stays as planned where the air is as planned, or nobody has read it off', () => {
  const planned = windowOf([count()]);
  expect(windowInAir(planned, [])).toEqual(planned);
  const same = windowInAir(planned, steady(23));
  expect([same.opens! / MINUTE, same.closes! / MINUTE].map((at) => Math.round(at * 1000) / 1000)).toEqual([1060, 1120]);
  expect(windowInAir({ ...planned, counts: undefined } as unknown as RunningWindow, steady(10))).toMatchObject({
    opens: 1060 * MINUTE,
  });
});
it('opens and closes later in colder air, by what the film dries slower', () => {
  const cold = windowInAir(windowOf([count()]), steady(13));
  expect(cold.opens! / MINUTE).toBeCloseTo(1000 + 60 / rate(13), 3);
  expect(cold.closes! / MINUTE).toBeCloseTo(1000 + 120 / rate(13), 3);
});
it('counts the air of the plan before the first reading and long after the last', () => {
  const half = windowInAir(windowOf([count()]), [
    { atMin: 1030, airC: 13, rhPercent: 50 },
    { atMin: 1100, airC: 13, rhPercent: 50 },
  ]);
  expect(half.opens! / MINUTE).toBeCloseTo(1030 + 30 / rate(13), 3);
  const long = windowInAir(windowOf([count({ minMin: 2000, maxMin: null })], 3000, null), [
    { atMin: 1000, airC: 13, rhPercent: 50 },
  ]);
  // Two hours passing into the planned air, the rest as planned: between all cold and all planned.
  expect(long.opens! / MINUTE).toBeGreaterThan(3000);
  expect(long.opens! / MINUTE).toBeLessThan(3000 + 120 / rate(13));
  expect(long.closes).toBeNull();
});
it('opens with the last of several films and closes with the first', () => {
  const two = windowInAir(
    windowOf([count(), count({ since: 900 * MINUTE, minMin: 100, maxMin: 180 })], 1060, 1080),
    steady(18),
  );
  expect(two.opens! / MINUTE).toBeCloseTo(Math.max(1000 + 60 / rate(18), 900 + 100 / rate(18)), 3);
  expect(two.closes! / MINUTE).toBeCloseTo(Math.min(1000 + 120 / rate(18), 900 + 180 / rate(18)), 3);
});
it('a time no film is waited for stays as it is', () => {
  const { film: _film, ...plain } = count();
  expect(windowInAir(windowOf([plain as WindowCount]), steady(5)).opens).toBe(1060 * MINUTE);
});
it('never opens sooner where it was colder', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 5, max: 35 }), { minLength: 1, maxLength: 10 }),
      fc.integer({ min: 0, max: 8 }),
      (air, less) => {
        const readings = (by: number) =>
          air.map((airC, index) => ({ atMin: 980 + index * 20, airC: airC - by, rhPercent: 50 }));
        expect(windowInAir(windowOf([count()]), readings(less)).opens!).toBeGreaterThanOrEqual(
          windowInAir(windowOf([count()]), readings(0)).opens! - 1,
        );
      },
    ),
  );
});

describe('what is expected', () => {
  const expected = [600, 1200, 1800].map((atMin) => ({ atMin, airC: 10, rhPercent: 70 }));
  it('counts where nothing was measured, and the air of the plan before and after it', () => {
    const course = airSeriesOf({ measured: [], expected }, film);
    expect([500, 599, 700, 1799, 1801, 9000].map((at) => airAt(course, at).airC)).toEqual([23, 23, 10, 10, 23, 23]);
    expect(overShopAir(windowOf([count()]), { measured: [], expected }).opens! / MINUTE).toBeCloseTo(
      1000 + 60 / rate(10),
      3,
    );
  });
  it('takes over some time after the last reading, evenly', () => {
    const course = airSeriesOf({ measured: steady(20, 700, 1000), expected }, film);
    expect([650, 800, 1000, 1060, 1120, 1500].map((at) => airAt(course, at).airC)).toEqual([10, 20, 20, 15, 10, 10]);
  });
  it('moves a rule by what the film dries in it; colder is never sooner', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 2, max: 35 }), { minLength: 2, maxLength: 8 }),
        fc.integer({ min: 0, max: 9 }),
        fc.integer({ min: 500, max: 2000 }),
        (air, less, since) => {
          const over = (by: number) =>
            ruleInAir({ minMin: 60, maxMin: 600, film }, since, {
              measured: [],
              expected: air.map((airC, at) => ({ atMin: 600 + 120 * at, airC: airC - by, rhPercent: 50 })),
            });
          expect(over(less).minMin).toBeGreaterThanOrEqual(over(0).minMin - 1e-6);
          expect(over(less).maxMin!).toBeGreaterThanOrEqual(over(0).maxMin! - 1e-6);
        },
      ),
    );
    expect(ruleInAir({ minMin: 60, maxMin: null }, 0, { measured: [], expected })).toEqual({
      minMin: 60,
      maxMin: null,
    });
  });
});

describe('warmth that is brought to a film', () => {
  const lamp = { kind: 'heater' as const, fromMin: 1010, minutes: 30, filmC: 50 };
  it('counts from when it is on for as long as it is, and then the air again', () => {
    const warmed = overShopAir(
      { ...windowOf([count({ minMin: 200, maxMin: 400 })], 1200, 1400), heats: [lamp] },
      NO_AIR,
    );
    const gained = 30 * (rate(50) - 1);
    expect(warmed.opens! / MINUTE).toBeCloseTo(1200 - gained, 2);
    expect(warmed.closes! / MINUTE).toBeCloseTo(1400 - gained, 2);
  });
  it('never makes a film later, and after it has opened changes nothing', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 15, max: 80 }),
        fc.integer({ min: 900, max: 1400 }),
        fc.integer({ min: 1, max: 300 }),
        (filmC, fromMin, minutes) => {
          const plain = windowOf([count()]);
          const { opens } = overShopAir({ ...plain, heats: [{ ...lamp, filmC, fromMin, minutes }] }, NO_AIR);
          expect(opens!).toBeLessThanOrEqual(plain.opens! + 1);
          if (fromMin > 1060) expect(opens!).toBeCloseTo(plain.opens!, 0);
        },
      ),
    );
  });
  it('is read from the log, of the newest start alone', () => {
    const heat = { kind: 'heat' as const, how: 'bake' as const, filmC: 60, minutes: 40 };
    const entry = (atMin: number, kind: string, saw?: typeof heat): LogEvent => ({
      id: '',
      version: 4,
      at: new Date(atMin * MINUTE).toISOString(),
      kind,
      step: null,
      note: '',
      ...(saw ? { saw } : {}),
    });
    expect(progressOf([], [entry(0, 'start'), entry(10, 'note', heat)]).heats).toEqual([
      { kind: 'bake', fromMin: 10, minutes: 40, filmC: 60 },
    ]);
    expect(progressOf([], [entry(0, 'start'), entry(10, 'note', heat), entry(20, 'start')]).heats).toEqual([]);
  });
});
