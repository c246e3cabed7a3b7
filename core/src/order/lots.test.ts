import fc from 'fast-check';
import { lotsOf } from '.';

const paint = (potLifeMin: number | null) => ({ potLifeMin, mixRatio: [4, 1], method: 'gun' as const });
const three = { coats: 3, eachMin: 10, lastMin: 0, gapMin: 15 };

it('mixes once what keeps, and what is on before it has gone off', () => {
  expect(lotsOf(three, paint(null))).toEqual({ from: [1], perCoat: 1, mixMin: 0, waitMin: 30 });
  // Three coats of 10 with 15 between them: the last is on after 60.
  expect(lotsOf(three, paint(60)).from).toEqual([1]);
  expect(lotsOf(three, paint(59))).toEqual({ from: [1, 3], perCoat: 1, mixMin: 8, waitMin: 22 });
  expect(lotsOf(three, paint(34)).from).toEqual([1, 2, 3]);
});
it('waits for mixing where a coat flashes sooner, and counts what is done with the same paint after the last coat', () => {
  expect(lotsOf({ ...three, gapMin: 3 }, paint(20))).toEqual({ from: [1, 2, 3], perCoat: 1, mixMin: 16, waitMin: 0 });
  expect(lotsOf({ ...three, lastMin: 10 }, paint(60)).from).toEqual([1, 3]);
});
it('mixes on the way where one coat takes longer than a mix lasts', () => {
  expect(lotsOf({ ...three, eachMin: 50 }, paint(20))).toMatchObject({ from: [1, 2, 3], perCoat: 3 });
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
      const { from, perCoat, mixMin, waitMin } = lotsOf(given, paint(lifeMin));
      const ends = [...from.slice(1), given.coats + 1];
      const age = (first: number, end: number) => (end - first) * given.eachMin + (end - 1 - first) * given.gapMin + (end > given.coats ? given.lastMin : 0);
      expect(perCoat).toBe(1);
      from.forEach((first, lot) => expect(age(first, ends[lot]!)).toBeLessThanOrEqual(lifeMin));
      from.slice(1).forEach((next, lot) => expect(age(from[lot]!, next + 1)).toBeGreaterThan(lifeMin));
      expect(mixMin).toBe(8 * (from.length - 1));
      expect(mixMin + waitMin).toBe(from.slice(1).length * Math.max(8, given.gapMin) + (given.coats - from.length) * given.gapMin);
    }),
  );
});
