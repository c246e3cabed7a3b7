import fc from 'fast-check';
import { learnedFactorFrom, NO_LEARNING } from './factor';
import { speedFactorFrom } from './minutes';
import { type Feel, FEELS, type FilmMarks, type Observation, observedSpan, PULLS } from './observation';

const marks: FilmMarks = { wetLimitMin: 9, touchMin: 45, touchCloseMin: 135, throughMin: 1440 };
const feel = (passedMin: number, how: Feel, filmMarks: FilmMarks = marks): Observation => ({
  passedMin,
  marks: filmMarks,
  saw: { kind: 'feel', feel: how },
});

/** Touch tests on a film whose times are a multiple of its data sheet's. */
function touched(passedMin: number, truth: number): Feel {
  if (passedMin < marks.wetLimitMin * truth) return 'wet';
  if (passedMin >= marks.touchMin * truth) return 'dry';
  return passedMin < ((marks.wetLimitMin + marks.touchMin) / 2) * truth ? 'tacky' : 'marks';
}

it('with nothing seen is the sheet, with the spread one starts from', () => {
  expect(learnedFactorFrom([])).toEqual(NO_LEARNING);
  expect(NO_LEARNING.high).toBeCloseTo(1.419, 3);
});

it('slower after a film that was tacky when it should have been dry, faster after one that was dry too soon', () => {
  expect(learnedFactorFrom([feel(50, 'tacky')]).factor).toBeGreaterThan(1.15);
  expect(learnedFactorFrom([feel(35, 'dry')]).factor).toBeLessThan(0.85);
});

it('in shops whose films dry 0.6 to 1.6 times the sheet comes within a tenth in five touch tests', () => {
  const misses: number[] = [];
  for (let step = 0; step <= 50; step++) {
    const truth = 0.6 + step * 0.02;
    const seen: Observation[] = [];
    // One tests when the shop's own figure says that it is touch-dry.
    for (let test = 0; test < 5; test++) {
      const at = marks.touchMin * learnedFactorFrom(seen).factor;
      seen.push(feel(at, touched(at, truth)));
    }
    misses.push(Math.abs(learnedFactorFrom(seen).factor / truth - 1));
  }
  expect(Math.max(...misses)).toBeLessThan(0.1);
});

it('the same with fingers that err, in three shops of four at least', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.6, max: 1.6, noNaN: true }), fc.integer(), (truth, seed) => {
      let state = seed >>> 0;
      const random = () => ((state = (Math.imul(state, 1664525) + 1013904223) >>> 0) + 0.5) / 2 ** 32;
      const noise = () => Math.exp(0.05 * (random() + random() + random() + random() - 2) * 1.7);
      let near = 0;
      for (let shop = 0; shop < 20; shop++) {
        const seen: Observation[] = [];
        for (let test = 0; test < 5; test++) {
          const at = marks.touchMin * learnedFactorFrom(seen).factor;
          seen.push(feel(at, touched(at * noise(), truth)));
        }
        if (Math.abs(learnedFactorFrom(seen).factor / truth - 1) < 0.1) near++;
      }
      expect(near).toBeGreaterThanOrEqual(15);
    }),
    { numRuns: 15 },
  );
});

it('one that was wrong is outweighed by those that follow', () => {
  const truth = [0.9, 1.1, 1, 1.05, 0.95].map((share) =>
    feel(marks.touchMin * share, touched(marks.touchMin * share, 1)),
  );
  expect(learnedFactorFrom([feel(100, 'wet'), ...truth]).factor).toBeLessThan(1.25);
});

it('gets surer the more is seen, and stays in order', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.integer({ min: 1, max: 3000 }), fc.constantFrom(...FEELS)), { maxLength: 12 }),
      (seen) => {
        const { factor, low, high, count } = learnedFactorFrom(seen.map(([at, how]) => feel(at, how)));
        expect(low <= factor && factor <= high && low > 0.3 && high < 3.1).toBe(true);
        expect(count).toBe(seen.length);
      },
    ),
  );
});

it('hears pulls as well: a strung one was not touch-dry, a torn one past it', () => {
  const pull = (result: (typeof PULLS)[number], school: 'wet' | 'touch' | 'dry' = 'touch') => ({
    passedMin: 60,
    marks,
    saw: { kind: 'pull', school, result } as const,
  });
  expect(PULLS.map((result) => observedSpan(pull(result)))).toEqual([
    [45, 1440],
    [9, 45],
    [135, 1440],
    [0, 9],
  ]);
  expect(observedSpan(pull('clean', 'dry'))).toEqual([1440, Infinity]);
  expect(learnedFactorFrom([pull('strung')]).factor).toBeGreaterThan(1.2);
  expect(learnedFactorFrom([{ ...pull('tore'), passedMin: 80 }]).factor).toBeLessThan(0.8);
});

describe('minutes', () => {
  it('of somebody who takes half as long again are learned in some steps', () => {
    expect(speedFactorFrom([])).toMatchObject({ factor: 1, count: 0 });
    const seen = Array.from({ length: 8 }, () => ({ plannedMin: 10, realMin: 15 }));
    expect(speedFactorFrom(seen).factor).toBeGreaterThan(1.4);
    expect(speedFactorFrom(seen).factor).toBeLessThan(1.5);
    expect(speedFactorFrom(seen).high - speedFactorFrom(seen).low).toBeLessThan(
      speedFactorFrom(seen.slice(0, 2)).high - speedFactorFrom(seen.slice(0, 2)).low,
    );
  });
  it('of a step that was left open over lunch say nothing', () => {
    expect(
      speedFactorFrom([
        { plannedMin: 5, realMin: 60 },
        { plannedMin: 0, realMin: 3 },
      ]),
    ).toMatchObject({ factor: 1, count: 0 });
  });
});
