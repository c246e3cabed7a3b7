import fc from 'fast-check';
import { type Finish, SHIPPED_FINISHES } from '../finish';
import { type Design, designFaults, emptyDesign } from '../job';
import { type FinishId, LIMITS, type PartId } from '../kit';
import { planJob } from '../plan';
import { sampleArea, sampleBorder, sampleProblem } from '../testing/order';
import { bitCount, latticeEffort } from './lattice';
import { type SearchResult, searchSteps } from './search';

// Jobs of about as many finishes as a number has bits.

const BASE = SHIPPED_FINISHES.find(({ id }) => id === 'cream-two-part')!;
const finishesOf = (count: number): Finish[] =>
  Array.from({ length: count }, (_, index) => ({
    ...BASE,
    id: `f${index}` as FinishId,
    colour: `#${(0x101010 + index * 0x060503).toString(16)}`,
  }));

/** An area for each finish, on one part beside each other or each on a part of its own. */
function problemOf(count: number, onOnePart: boolean) {
  const finishes = finishesOf(count);
  const areas = finishes.map(({ id }, index) =>
    sampleArea(index, id, { part: (onOnePart ? 'p' : `p${index}`) as PartId, sizeM2: 0.2 + index / 50 }),
  );
  const borders = onOnePart ? areas.slice(1).map((_, index) => sampleBorder(index, index + 1, 1 + index / 7)) : [];
  return sampleProblem(areas, borders, { finishes: new Map(finishes.map((finish) => [finish.id as string, finish])) });
}

/** The result of a search, and in how many steps it came. */
function searched(problem: ReturnType<typeof problemOf>, effort: number): { result: SearchResult; steps: number } {
  const search = searchSteps(problem, effort);
  for (let steps = 1; ; steps++) {
    const next = search.next();
    if (next.done) return { result: next.value, steps };
  }
}

it('bits are counted as they are written, the sign bit too', () => {
  fc.assert(
    fc.property(
      fc.integer(),
      (bits) => bitCount(bits) === [...(bits >>> 0).toString(2)].filter((bit) => bit === '1').length,
    ),
  );
  expect([0, 1, -1, 1 << 31, (1 << 30) - 1].map(bitCount)).toEqual([0, 1, 32, 1, 30]);
});

it.each([29, 30].flatMap((count) => [true, false].map((onOnePart) => ({ count, onOnePart }))))(
  'an order is found for $count finishes, in steps; on one part: $onOnePart',
  ({ count, onOnePart }) => {
    const { result, steps } = searched(problemOf(count, onOnePart), 4);
    expect(new Set(result.sequences[0]!.stages.map(({ finish }) => finish)).size).toBe(count);
    expect(result.gap).toBeGreaterThanOrEqual(0);
    expect(steps).toBeGreaterThan(3);
  },
);

it.each([31, 32, 33])('no order is looked for with %i finishes', (count) => {
  expect(searched(problemOf(count, false), 4)).toEqual({
    result: { sequences: [], complete: false, gap: 1 },
    steps: 1,
  });
});

it('a lattice over many finishes is not taken for cheap, wherever they lie', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 30 }),
      fc.array(fc.integer({ min: 0, max: 2 ** 30 - 1 }), { maxLength: 40 }),
      (count, finishes) => {
        const parts = finishes.map((bits) => ({
          areas: [0],
          edges: [],
          hangsBehind: false,
          finishes: bits & (2 ** count - 1),
        }));
        expect(latticeEffort({ parts, finishes: finishesOf(count) })).toBeGreaterThanOrEqual(2 ** count / 20);
      },
    ),
  );
});

/** A board divided into upright strips, each in a finish of its own. */
function designOf(count: number): Design {
  const width = 100 * count;
  const strips = Array.from({ length: count - 1 }, (_, index) => ({
    kind: 'straight' as const,
    id: `l${index}`,
    name: `Line ${index}`,
    runOn: false,
    datum: 'base',
    from: { along: 100 * (index + 1), above: -1 },
    to: { along: 100 * (index + 1), above: 501 },
  }));
  const part = {
    id: 'board',
    name: 'Board',
    count: 1,
    substrate: 'steel',
    present: { system: 'filler-primer', colour: '#c7bfa6', ageH: 48 },
    surface: { kind: 'flat', outline: { kind: 'rectangle', width, height: 500 } },
    datums: [{ id: 'base', name: 'Base', at: [0, 0], angleDeg: 0 }],
    lines: strips,
  };
  const areas = finishesOf(count).map(({ id }, index) => ({
    part: 'board',
    seed: [100 * index + 50, 250],
    finish: id,
  }));
  return { ...emptyDesign('Many', 'other'), parts: [part], scheme: { areas } } as unknown as Design;
}

it.each([30, 31, 32, 33])('a design of %i finishes: kept with up to 30, else refused at its scheme', (count) => {
  const shelf = { tapes: [], finishes: finishesOf(count) };
  const faults = designFaults(designOf(count), shelf, ['design']).filter(
    ({ code }) => code === 'design.too-many-finishes',
  );
  expect(faults).toEqual(
    count <= LIMITS.finishes
      ? []
      : [{ path: 'design.scheme.areas', code: 'design.too-many-finishes', values: { count, max: 30 } }],
  );
});

it('the plan of one kept by an earlier version says so, and ends', () => {
  const plan = planJob(designOf(32), { tapes: [], finishes: finishesOf(32) });
  expect(plan.stages).toEqual([]);
  expect(plan.advice).toContainEqual(
    expect.objectContaining({ level: 'stop', code: 'advice.too-many-finishes', values: { count: 32, max: 30 } }),
  );
});
