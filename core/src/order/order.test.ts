import fc from 'fast-check';
import { SHIPPED_FINISHES } from '../finish';
import { reasonFor, searchOrder, stageCost, stageScore, startProgress, usedFinishes, type OrderProblem, type Progress } from '.';

const IDS = ['cream-two-part', 'sea-green-two-part', 'copper-two-part', 'signal-base'];
const finishes = new Map(SHIPPED_FINISHES.map((finish) => [finish.id, finish]));
const air = { airC: 20, rhPercent: 50, movement: 'normal' as const };

function problemOf(areas: readonly (string | null)[], borders: readonly [number, number, number][], present = '#c7bfa6'): OrderProblem {
  return {
    areas: areas.map((finish, index) => ({ id: `p/A${index + 1}`, sizeM2: 0.2 + 0.3 * index, present, finish, oneTapeWide: false })),
    borders: borders.map(([a, b, lengthM]) => ({ a, b, lengthM, pieces: 1, points: 3, bend: 'straight' })),
    finishes,
    air,
    model: false,
    school: null,
  };
}

/** Every order and every choice of open areas, with the same evaluator and nothing clever. */
function bruteForce(problem: OrderProblem): number {
  let best = Infinity;
  const visit = (progress: Progress, left: readonly string[], score: number) => {
    if (left.length === 0) {
      best = Math.min(best, score);
      return;
    }
    for (const finish of left) {
      const free = problem.areas.flatMap((area, index) => (area.finish !== null && area.finish !== finish && left.includes(area.finish) ? [index] : []));
      for (let choice = 0; choice < 2 ** free.length; choice++) {
        const open = problem.areas.map((area, index) => area.finish === finish || (free.includes(index) && ((choice >> free.indexOf(index)) & 1) === 1));
        const stage = stageCost(problem, progress, finish, open);
        visit(
          stage.after,
          left.filter((id) => id !== finish),
          score + stageScore(stage),
        );
      }
    }
  };
  visit(startProgress(problem), usedFinishes(problem), 0);
  return best;
}

const anyProblem = fc
  .record({
    areas: fc.array(fc.constantFrom<(string | null)[]>(...IDS.slice(0, 3), null), { minLength: 1, maxLength: 5 }),
    borders: fc.array(fc.tuple(fc.nat(4), fc.nat(4), fc.integer({ min: 1, max: 60 })), { maxLength: 6 }),
    present: fc.constantFrom('#c7bfa6', '#1c1f24', '#ffffff'),
  })
  .map(({ areas, borders, present }) =>
    problemOf(
      areas,
      borders.filter(([a, b]) => a !== b && a < areas.length && b < areas.length).map(([a, b, length]) => [a, b, length / 10]),
      present,
    ),
  );

describe('searchOrder', () => {
  it('finds the true optimum of small jobs', () => {
    fc.assert(
      fc.property(anyProblem, (problem) => {
        const { sequences, complete } = searchOrder(problem);
        if (usedFinishes(problem).length === 0) return sequences.length === 0;
        return complete && sequences[0].score === bruteForce(problem);
      }),
      { numRuns: 150 },
    );
  });

  it('paints every area that has a finish once, and never opens one that is kept or painted', () => {
    fc.assert(
      fc.property(anyProblem, (problem) =>
        searchOrder(problem).sequences.every(({ stages }) =>
          stages.every(({ open, finish }, index) => {
            const done = index > 0 ? stages[index - 1].after.painted : [];
            return problem.areas.every((area, at) => (area.finish === finish ? open[at] : !open[at] || (area.finish !== null && !done[at])));
          }),
        ),
      ),
      { numRuns: 60 },
    );
  });

  it('keeps the order a person has fixed', () => {
    const problem = problemOf(IDS.slice(0, 3), [
      [0, 1, 2],
      [1, 2, 2],
    ]);
    const fixed = ['copper-two-part', 'sea-green-two-part', 'cream-two-part'];
    expect(searchOrder(problem, fixed).sequences[0].order).toEqual(fixed);
    expect(searchOrder(problem, ['night-can-lacquer', 'copper-two-part']).sequences[0].order[0]).toBe('copper-two-part');
  });

  it('tells different orders, cheapest first', () => {
    const { sequences } = searchOrder(
      problemOf(IDS.slice(0, 3), [
        [0, 1, 2],
        [1, 2, 2],
      ]),
    );
    expect(new Set(sequences.map(({ order }) => order.join())).size).toBe(3);
    expect(sequences.map(({ score }) => score)).toEqual([...sequences.map(({ score }) => score)].sort((a, b) => a - b));
  });

  it('says when it did not look at everything, and still answers', () => {
    const many = problemOf(
      Array.from({ length: 14 }, (_, index) => SHIPPED_FINISHES[index % 9].id),
      Array.from({ length: 13 }, (_, index) => [index, index + 1, 1]),
    );
    const { sequences, complete } = searchOrder(many);
    expect(complete).toBe(false);
    expect(sequences[0].stages.length).toBe(9);
  });

  it('has nothing to say where everything is kept', () => expect(searchOrder(problemOf([null, null], [[0, 1, 1]]))).toEqual({ sequences: [], complete: true }));
});

describe('stageCost', () => {
  const problem = problemOf(
    ['cream-two-part', 'sea-green-two-part', null],
    [
      [0, 1, 2],
      [1, 2, 3],
    ],
  );
  const first = stageCost(problem, startProgress(problem), 'cream-two-part', [true, true, false]);

  it('needs tape only between open and covered areas', () => expect(first.tapeM).toBe(3));
  it('counts coats over what is really below', () => {
    const overCream = stageCost(problem, first.after, 'sea-green-two-part', [false, true, false]);
    expect(overCream.under).toBe('#f5f3ea');
    expect(first.under).toBe('#c7bfa6');
  });
  it('waits until covered colour takes tape, even where only paper lies on it', () => {
    const apart = problemOf(['cream-two-part', 'sea-green-two-part', null], [[1, 2, 3]]);
    const creamFirst = stageCost(apart, startProgress(apart), 'cream-two-part', [true, false, false]);
    const next = stageCost(apart, creamFirst.after, 'sea-green-two-part', [false, true, false]);
    expect(next.waits.tapeMin).toBeGreaterThan(600);
  });
  it('charges a rough edge less than one that stays', () => {
    const against = (other: string | null) => {
      const pair = problemOf(['cream-two-part', other], [[0, 1, 2]]);
      return stageCost(pair, startProgress(pair), 'cream-two-part', [true, false]).layMin;
    };
    expect(against('sea-green-two-part')).toBeLessThan(against(null));
  });
  it('covers a strip one tape wide with one length of tape and no paper', () => {
    const wide = problemOf(
      ['cream-two-part', null, 'cream-two-part'],
      [
        [0, 1, 4],
        [1, 2, 4],
      ],
    );
    const strip = { ...wide, areas: wide.areas.map((area, index) => ({ ...area, oneTapeWide: index === 1 })) };
    const cost = (of: OrderProblem) => stageCost(of, startProgress(of), 'cream-two-part', [true, false, true]);
    expect([cost(wide).tapeM, cost(strip).tapeM, cost(strip).drapeM2]).toEqual([8, 4, 0]);
  });
  it('strips the gun after flakes before a solid', () => {
    const flakes = problemOf(['copper-two-part', 'cream-two-part'], []);
    const copper = stageCost(flakes, startProgress(flakes), 'copper-two-part', [true, false]);
    const solid = stageCost(flakes, copper.after, 'cream-two-part', [false, true]);
    const plain = stageCost(flakes, { ...copper.after, lastFinish: 'sea-green-two-part' }, 'cream-two-part', [false, true]);
    expect(solid.changeMin - plain.changeMin).toBe(25);
  });
  it('refuses a finish the problem does not hold', () => expect(() => stageCost(problem, startProgress(problem), 'mauve', [])).toThrow(/mauve/));
});

it('gives a reason in words for every sequence', () => {
  const problem = problemOf(IDS.slice(0, 2), [[0, 1, 2]]);
  const { sequences } = searchOrder(problem);
  for (const sequence of sequences) expect(reasonFor(problem, sequence, sequences)).toMatch(/\.$/);
  const one = searchOrder(problemOf(['cream-two-part'], []));
  expect(reasonFor(problem, one.sequences[0], one.sequences)).toMatch(/One colour|instead of/);
});
