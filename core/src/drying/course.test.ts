import fc from 'fast-check';
import {
  airAt,
  type AirSeries,
  airTroubles,
  airWithHeat,
  constantAir,
  dryingRate,
  dryingRateFunction,
  elapsedBetween,
  forecastAir,
  heatRisk,
  measuredThenForecast,
  timeWhenElapsed,
} from '../air';
import { SHIPPED_FINISHES } from '../finish';
import { filmOf } from './film';
import { cleanEdgeLikelihood, edgeRisk } from './risk';
import { dwellRate, marksOf, maxDwellMin, pullWindows } from './window';

const steady = (airC: number, rhPercent = 50) => constantAir({ airC, rhPercent, movement: 'normal' });
const course = (...readings: (readonly [number, number, number?])[]): AirSeries => ({
  movement: 'normal',
  readings: readings.map(([atMin, airC, rhPercent = 50]) => ({ atMin, airC, rhPercent })),
});
const film = { activationKj: 50, waterborne: false };
const water = { activationKj: 40, waterborne: true };
const pace = dryingRateFunction(film);
const rate = (airC: number) => dryingRate(50, false, { airC, rhPercent: 50, movement: 'normal' });
const finish = (id: string) => SHIPPED_FINISHES.find((one) => one.id === id)!;

const anyCourse = (least = 2, most = 40) =>
  fc
    .array(
      fc.record({
        gap: fc.integer({ min: 0, max: 300 }),
        airC: fc.integer({ min: least, max: most }),
        rhPercent: fc.integer({ min: 20, max: 95 }),
      }),
      {
        minLength: 1,
        maxLength: 8,
      },
    )
    .map((steps): AirSeries => {
      let atMin = 0;
      return {
        movement: 'normal',
        readings: steps.map(({ gap, airC, rhPercent }) => ({ atMin: (atMin += gap), airC, rhPercent })),
      };
    });

describe('what passes', () => {
  it('in constant air is time by rate', () => {
    expect(elapsedBetween(pace, steady(15), 100, 400)).toBeCloseTo(300 * rate(15), 9);
    expect(timeWhenElapsed(pace, steady(15), 100, 60)).toBeCloseTo(100 + 60 / rate(15), 9);
  });
  it('over a step is the sum of both sides', () => {
    const stepped = course([0, 23], [60, 23], [60, 15]);
    expect(elapsedBetween(pace, stepped, 0, 180)).toBeCloseTo(60 + 120 * rate(15), 9);
    expect(timeWhenElapsed(pace, stepped, 0, 90)).toBeCloseTo(60 + 30 / rate(15), 6);
    expect(airAt(stepped, 60)).toMatchObject({ airC: 15 });
  });
  it('over a day and a night that swing as a wave is the mean of the wave', () => {
    // The mean of exp over a sine, taken in a thousand steps by hand.
    const day = { dayC: 24, nightC: 12, dayRh: 45, nightRh: 80 };
    const swing = forecastAir([day, day, day, day], 0, 'normal');
    const mean =
      Array.from({ length: 1000 }, (_, index) => rate(18 + 6 * Math.cos((2 * Math.PI * (index + 0.5)) / 1000))).reduce(
        (sum, one) => sum + one,
        0,
      ) / 1000;
    // From one coolest hour to the next the forecast is two half waves of 10 and of 14 hours.
    expect(elapsedBetween(pace, swing, 5 * 60, 29 * 60)).toBeCloseTo(1440 * mean, 0);
    expect(airAt(swing, 15 * 60).airC).toBeCloseTo(24, 9);
    expect(airAt(swing, 29 * 60).airC).toBeCloseTo(12, 9);
    expect(airAt(swing, 1e6).airC).toBe(12);
  });
  it('adds up, goes on, and is found again', () => {
    fc.assert(
      fc.property(
        anyCourse(),
        fc.integer({ min: -200, max: 900 }),
        fc.integer({ min: 0, max: 900 }),
        fc.integer({ min: 0, max: 900 }),
        (air, from, first, second) => {
          // The stay of tape has a corner at 23 °C, which the sum rounds off.
          for (const [one, digits] of [
            [pace, 3],
            [dryingRateFunction(water), 2],
            [dwellRate(false), 0],
          ] as const) {
            const whole = elapsedBetween(one, air, from, from + first + second);
            expect(whole).toBeCloseTo(
              elapsedBetween(one, air, from, from + first) +
                elapsedBetween(one, air, from + first, from + first + second),
              digits,
            );
            expect(elapsedBetween(one, air, from + first, from)).toBeCloseTo(
              -elapsedBetween(one, air, from, from + first),
              9,
            );
            const at = timeWhenElapsed(one, air, from, whole)!;
            expect(at).toBeCloseTo(from + first + second, Math.min(1, digits));
          }
        },
      ),
    );
  });
  it('comes never sooner where the air is colder, whatever it does', () => {
    fc.assert(
      fc.property(
        anyCourse(),
        fc.array(fc.integer({ min: 0, max: 12 }), { minLength: 8, maxLength: 8 }),
        fc.integer({ min: 1, max: 3000 }),
        (air, less, needed) => {
          const colder = {
            ...air,
            readings: air.readings.map((reading, index) => ({ ...reading, airC: reading.airC - less[index]! })),
          };
          expect(timeWhenElapsed(pace, colder, 0, needed)!).toBeGreaterThanOrEqual(
            timeWhenElapsed(pace, air, 0, needed)! - 1e-6,
          );
        },
      ),
    );
  });
  it('is looked for a year, no longer', () =>
    expect(
      timeWhenElapsed(dryingRateFunction({ activationKj: 200, waterborne: true }), steady(-20, 100), 0, 1e5),
    ).toBeNull());
});

describe('the stay of tape', () => {
  it('is used up sooner in warmth, and in the sun', () => {
    expect(timeWhenElapsed(dwellRate(true), steady(23), 0, 72 * 60)).toBeCloseTo(maxDwellMin(72, 23) / 3, 6);
    expect(timeWhenElapsed(dwellRate(false), steady(38), 0, 72 * 60)).toBeCloseTo(maxDwellMin(72, 38), 6);
  });
});

describe('warmth', () => {
  it('dries a film faster for its time and changes nothing before and after', () => {
    const baked = airWithHeat(steady(20), { kind: 'bake', fromMin: 30, minutes: 30, filmC: 60 });
    expect(elapsedBetween(pace, baked, 0, 30)).toBeCloseTo(30 * rate(20), 6);
    expect(elapsedBetween(pace, baked, 30, 60)).toBeCloseTo(30 * rate(60), 6);
    expect(elapsedBetween(pace, baked, 60, 120)).toBeCloseTo(60 * rate(20), 6);
  });
  it('dries the air it warms, and cools nothing', () => {
    const heat = { kind: 'heater' as const, fromMin: 0, minutes: 60, filmC: 35 };
    expect(airAt(airWithHeat(steady(20, 60), heat), 30).rhPercent).toBeLessThan(30);
    expect(airAt(airWithHeat(steady(38, 60), heat), 30)).toMatchObject({ airC: 38, rhPercent: 60 });
    expect(heatRisk({ filmC: 80 }, 70)).toBe('too-hot');
    expect(heatRisk({ filmC: 60 }, 70)).toBeNull();
  });
});

describe('the air of the hour', () => {
  it('is told where it gets too damp or too cold within the work', () => {
    const evening = course([0, 20, 50], [240, 9, 92]);
    const [dew, cold] = airTroubles(evening, 0, 240, 12);
    expect(dew).toMatchObject({ code: 'dew' });
    expect(cold).toMatchObject({ code: 'cold', worst: 9 });
    expect(cold!.atMin).toBeGreaterThan(150);
    expect(airTroubles(evening, 0, 60, 12)).toEqual([]);
  });
  it('counts a part that is colder than the air', () => {
    expect(airTroubles(steady(20, 60), 0, 10, 10)).toEqual([]);
    expect(airTroubles(steady(20, 60), 0, 10, 10, 6)).toMatchObject([{ code: 'dew' }]);
  });
});

it('what was measured goes before what is expected, and passes into it', () => {
  const then = measuredThenForecast([{ atMin: 0, airC: 18, rhPercent: 70 }], steady(24, 40), 120);
  expect(airAt(then, 60)).toMatchObject({ airC: 21, rhPercent: 55 });
  expect(airAt(then, 500)).toMatchObject({ airC: 24 });
  expect(measuredThenForecast([], steady(24), 120)).toEqual(steady(24));
});

describe('the edge', () => {
  const marks = pullWindows(marksOf(finish('tomato-can')), { airC: 23, rhPercent: 50, movement: 'normal' }, 1, 72);
  it('is clean in the three windows and not between wet and touch-dry', () => {
    const clean = (at: number) => cleanEdgeLikelihood(edgeRisk(marks, at, 30, 4320));
    const strings = ((marks.wet!.to as number) + marks.touchMin) / 2;
    for (const good of [marks.touchMin * 1.2, marks.throughMin * 1.05])
      expect(clean(good)).toBeGreaterThan(clean(strings) + 0.4);
    expect(clean(6000)).toBeLessThan(0.3);
  });
  it('has risks between 0 and 1 at every moment', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SHIPPED_FINISHES),
        fc.integer({ min: 0, max: 10_000 }),
        fc.integer({ min: 5, max: 300 }),
        (one, at, build) => {
          const windows = pullWindows(marksOf(one), { airC: 20, rhPercent: 50, movement: 'normal' }, 1, 72);
          for (const risk of Object.values(edgeRisk(windows, at, build, 4320)) as number[])
            expect(risk >= 0 && risk <= 1).toBe(true);
        },
      ),
    );
  });
});
it('knows what a finish dries by', () =>
  expect(filmOf(finish('cream-two-part'))).toEqual({ activationKj: 55, waterborne: false }));
