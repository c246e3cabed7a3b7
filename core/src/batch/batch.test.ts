import fc from 'fast-check';
import { depth } from '../../../scripts/test-limits.mjs';
import { type BatchAction, minutesOfActions, scheduleActions, type StripTimes } from './actions';
import { type Batches, batches } from './batch';

/** Every order of turns in which strips are painted and pulled in turn. */
function* everyOrder(count: number, painted = 0, pulled = 0): Generator<BatchAction[]> {
  if (pulled === count) return yield [];
  if (painted < count) for (const rest of everyOrder(count, painted + 1, pulled)) yield ['paint', ...rest];
  if (pulled < painted) for (const rest of everyOrder(count, painted, pulled + 1)) yield ['pull', ...rest];
}

/** The truth, by looking at every order. */
function exhaustive(strips: StripTimes) {
  let paintAhead = 0;
  let totalMinutes: number | null = null;
  for (const turns of everyOrder(strips.strips)) {
    const total = minutesOfActions(turns, strips);
    if (total === null) continue;
    paintAhead = Math.max(paintAhead, turns.indexOf('pull'));
    totalMinutes = Math.min(totalMinutes ?? Infinity, total);
  }
  return { feasible: totalMinutes !== null, paintAhead, totalMinutes };
}

const minutes = (most: number) => fc.integer({ min: 0, max: most * 4 }).map((quarters) => quarters / 4);
const anyStrips = fc
  .record({
    paintMin: minutes(8),
    pullMin: minutes(8),
    fromMin: minutes(20),
    openMin: minutes(25),
    strips: fc.integer({ min: 1, max: 6 }),
  })
  .map(({ openMin, ...rest }): StripTimes => ({ ...rest, toMin: rest.fromMin + openMin }));

it('finds the least total and the largest lead there is, against every order of turns', () => {
  fc.assert(
    fc.property(anyStrips, (strips) => {
      const truth = exhaustive(strips);
      const found = batches(strips);
      expect(found.feasible).toBe(truth.feasible);
      if (!found.feasible) return;
      expect(found.proven).toBe(true);
      expect(found.paintAhead).toBe(truth.paintAhead);
      expect(found.totalMinutes).toBeCloseTo(truth.totalMinutes!, 6);
    }),
    { numRuns: depth(100, 600) },
  );
});

it('gives a rhythm in which every pull lies in its window, and that takes what it says', () => {
  fc.assert(
    fc.property(anyStrips, fc.integer({ min: 7, max: 30 }), (few, count) => {
      const strips = { ...few, strips: count };
      const found = batches(strips);
      if (!found.feasible) return;
      const turns = found.rhythm.flatMap(({ turn, strips: heap }) => Array.from({ length: heap }, () => turn));
      const begins = scheduleActions(turns, strips)!;
      const [painted, pulled] = (['paint', 'pull'] as const).map((turn) =>
        begins.filter((_, index) => turns[index] === turn),
      );
      expect(painted).toHaveLength(count);
      painted!.forEach((begin, strip) => {
        const since = pulled![strip]! - begin - strips.paintMin;
        expect(since).toBeGreaterThanOrEqual(strips.fromMin - 1e-6);
        expect(since + strips.pullMin).toBeLessThanOrEqual(strips.toMin + 1e-6);
      });
      begins
        .slice(1)
        .forEach((begin, index) =>
          expect(begin - begins[index]!).toBeGreaterThanOrEqual(
            (turns[index] === 'paint' ? strips.paintMin : strips.pullMin) - 1e-6,
          ),
        );
      expect(pulled![count - 1]! + strips.pullMin).toBeCloseTo(found.totalMinutes, 6);
      expect(found.totalMinutes).toBeGreaterThanOrEqual(count * (strips.paintMin + strips.pullMin) - 1e-6);
    }),
    { numRuns: depth(6, 60) },
  );
});

const found = (strips: StripTimes) => batches(strips) as Batches;

it('paints four strips of a deck before the first is pulled', () => {
  // 5 min to paint, 3 to pull, tacky from 10 to 20 minutes: the fourth is painted 15 after the first, whose pull is over at 18.
  expect(found({ paintMin: 5, pullMin: 3, fromMin: 10, toMin: 20, strips: 8 })).toMatchObject({
    paintAhead: 4,
    proven: true,
  });
});

it('a single strip is painted, waited for and pulled', () => {
  expect(found({ paintMin: 4, pullMin: 2, fromMin: 15, toMin: 30, strips: 1 })).toMatchObject({
    paintAhead: 1,
    totalMinutes: 21,
  });
});

it('without waiting takes the work alone', () => {
  expect(found({ paintMin: 3, pullMin: 3, fromMin: 6, toMin: 30, strips: 10 }).totalMinutes).toBe(60);
});

it('says how short a pull, or how late a close, would do', () => {
  expect(batches({ paintMin: 5, pullMin: 12, fromMin: 10, toMin: 20, strips: 3 })).toEqual({
    feasible: false,
    longestPullMin: 10,
    leastToMin: 22,
  });
});
