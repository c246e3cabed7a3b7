import fc from 'fast-check';
import { potLifeAt } from '../drying';
import { lotsOf } from './lots';

const two = { mixRatio: [4, 1], method: 'gun' as const };
/** Mixing 8 minutes, and 3 to empty and rinse the gun. */
const AGAIN_MIN = 11;
const three = { coats: 3, eachMin: 10, lastMin: 0, gapMin: 15 };

it('mixes once what keeps, and what is on before it has gone off', () => {
  expect(lotsOf(three, null, two)).toEqual({ lifeMin: null, from: [1], perCoat: 1, mixMin: 0, waitMin: 30 });
  // Three coats of 10 with 15 between them: the last is on after 60.
  expect(lotsOf(three, 60, two).from).toEqual([1]);
  expect(lotsOf(three, 59, two)).toEqual({
    lifeMin: 59,
    from: [1, 3],
    perCoat: 1,
    mixMin: AGAIN_MIN,
    waitMin: 30 - AGAIN_MIN,
  });
  expect(lotsOf(three, 34, two).from).toEqual([1, 2, 3]);
});
it('waits for mixing where a coat flashes sooner, and counts what is done with the same paint after the last coat', () => {
  expect(lotsOf({ ...three, gapMin: 3 }, 20, two)).toEqual({
    lifeMin: 20,
    from: [1, 2, 3],
    perCoat: 1,
    mixMin: 2 * AGAIN_MIN,
    waitMin: 0,
  });
  expect(lotsOf({ ...three, lastMin: 10 }, 60, two).from).toEqual([1, 3]);
});
it('rinses no gun where there is none', () => {
  expect(lotsOf(three, 59, { ...two, method: 'roller' }).mixMin).toBe(8);
});
it('mixes on the way where one coat takes longer than a mix lasts', () => {
  expect(lotsOf({ ...three, eachMin: 50 }, 20, two)).toMatchObject({ from: [1, 2, 3], perCoat: 3 });
});
it('no lot is older than its pot life, and none could have taken one coat more', () => {
  const some = fc.record({
    coats: fc.integer({ min: 1, max: 12 }),
    eachMin: fc.integer({ min: 1, max: 60 }),
    lastMin: fc.integer({ min: 0, max: 20 }),
    gapMin: fc.integer({ min: 0, max: 60 }),
  });
  fc.assert(
    fc.property(some, fc.integer({ min: 80, max: 300 }), (given, lifeMin) => {
      const { from, perCoat, mixMin, waitMin } = lotsOf(given, lifeMin, two);
      const ends = [...from.slice(1), given.coats + 1];
      const age = (first: number, end: number) =>
        (end - first) * given.eachMin + (end - 1 - first) * given.gapMin + (end > given.coats ? given.lastMin : 0);
      expect(perCoat).toBe(1);
      from.forEach((first, lot) => expect(age(first, ends[lot]!)).toBeLessThanOrEqual(lifeMin));
      from.slice(1).forEach((next, lot) => expect(age(from[lot]!, next + 1)).toBeGreaterThan(lifeMin));
      expect(mixMin).toBe(AGAIN_MIN * (from.length - 1));
      expect(mixMin + waitMin).toBe(
        from.slice(1).length * Math.max(AGAIN_MIN, given.gapMin) + (given.coats - from.length) * given.gapMin,
      );
    }),
  );
});
it('sets sooner in warmth, and no later in the cold', () => {
  const sheet = { potLifeMin: 180, activationKj: 50 };
  expect(potLifeAt(sheet, 23)).toBe(180);
  // The worked rate at 30 °C is 1.598.
  expect(potLifeAt(sheet, 30)).toBeCloseTo(180 / 1.598, 1);
  expect(potLifeAt(sheet, 10)).toBe(180);
  expect(potLifeAt({ ...sheet, potLifeMin: null }, 30)).toBeNull();
});
