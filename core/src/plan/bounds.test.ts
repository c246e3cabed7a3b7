import { wordsFor } from '@lintrel/words';
import { depth } from '../../../scripts/test-limits.mjs';
import type { Plan } from '../contract';
import { type Design, designFaults, emptyDesign, type Part, SHIPPED_SHELF } from '../job';
import { LIMITS } from '../kit';
import type { TrimLine } from '../lines';
import { layoutFaults } from '../setout';
import type { Feature, Surface } from '../surface';
import { planJob } from './plan';

const { say } = wordsFor();

// Each of these held a server up for minutes or ended it. What counts is bounded, and the line that is too much says so.

const base = { id: 'base', name: 'Base', at: [0, 0] as [number, number], angleDeg: 0 };
const square: Surface = { kind: 'flat', outline: { kind: 'rectangle', width: 30_000, height: 30_000 } };
const part = (surface: Surface, lines: unknown[], features: unknown[] = [], id = 'p'): Part => ({
  id,
  name: id,
  count: 1,
  substrate: 'steel',
  present: { system: 'bare', colour: '#888888', ageH: 0 },
  surface,
  datums: [base],
  lines: lines as TrimLine[],
  features: features as Feature[],
});
const jobOf = (...parts: Part[]): Design => ({
  ...emptyDesign('Bounds', 'other'),
  parts,
  scheme: { areas: [{ part: parts[0]!.id, seed: [50, 0.01], finish: SHIPPED_SHELF.finishes[0]!.id }] },
});
const planned = (...parts: Part[]): Plan => planJob(jobOf(...parts), SHIPPED_SHELF);
const common = (id: string) => ({ id, name: id, runOn: true, datum: 'base' });
const straight = (id: string, along: number, above: number) => ({
  kind: 'straight',
  ...common(id),
  from: { along: 0, above: 0 },
  to: { along, above },
});
const bands = (id: string, headingDeg: number, count = 100) => ({
  kind: 'bands',
  ...common(id),
  from: { along: 100, above: 100 },
  headingDeg,
  count,
  width: 100,
  gap: 100,
  margin: 0,
  slantDeg: 0,
  taper: 1,
});
const round = (id: string, along: number, above: number, diameter = 30_000) => ({
  kind: 'opening',
  id,
  name: id,
  datum: 'base',
  use: 'hole',
  shape: { kind: 'round', at: { along, above }, diameter },
});
/** Numbers from 0 to 30 000, the same in every run. */
const numbers = (() => {
  let seed = 7;
  return () => ((seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647) * 30_000;
})();
const told = (plan: Plan): string =>
  faultsOf(plan)
    .map(({ fault }) => say(fault))
    .join();
const faultsOf = (plan: Plan) =>
  plan.parts.flatMap(({ lines }) => lines).flatMap(({ owner, fault }) => (fault === null ? [] : [{ owner, fault }]));

it.each<[string, Part, RegExp]>([
  [
    'a wave of 500 by 30 m',
    part(square, [
      {
        kind: 'wave',
        ...common('w'),
        from: { along: 0, above: 15_000 },
        to: { along: 30_000, above: 15_000 },
        pitch: 60,
        height: 30_000,
        shape: 'wave',
      },
    ]),
    /is so fine that it takes \d+ straight pieces/,
  ],
  [
    'a helix round a wire',
    part({ kind: 'tube', diameter: 0.01, length: 30_000 }, [straight('s', 30_000, 30_000)]),
    /goes round 2\d{6} times: the most is 200/,
  ],
  [
    'a helix round a rod',
    part({ kind: 'tube', diameter: 1, length: 30_000 }, [straight('s', 30_000, 30_000)]),
    /goes round \d+ times/,
  ],
  [
    'a slanting line on a needle',
    part({ kind: 'cone', d1: 0.5, d2: 1, length: 30_000 }, [straight('s', 30_000, 30_000)]),
    /goes round \d+ times/,
  ],
  [
    '5000 random places',
    part(square, [
      {
        kind: 'imported',
        ...common('i'),
        paths: [{ closed: false, points: Array.from({ length: 5000 }, () => [numbers(), numbers()]) }],
      },
    ]),
    /meets other lines more often than is worked out/,
  ],
  [
    'a sweep all over the place',
    part(square, [
      {
        kind: 'sweep',
        ...common('s'),
        points: Array.from({ length: 200 }, () => ({ along: numbers(), above: numbers() })),
      },
    ]),
    /is so fine/,
  ],
])('%s is told on its line, and the part is planned without it', (_, one, says) => {
  const plan = planned(one);
  expect(faultsOf(plan)).toEqual([{ owner: one.lines[0]!.id, fault: expect.anything() }]);
  expect(told(plan)).toMatch(says);
  expect(plan.parts[0]!.areas).toHaveLength(1);
  expect(layoutFaults(jobOf(one))).toMatchObject([{ path: 'parts[0].lines[0]', code: faultsOf(plan)[0]!.fault.code }]);
});

it('100 bands across 100: the second are left out and say so, the first stand', () => {
  const one = part(square, [bands('a', 0), bands('b', 90)]);
  const plan = planned(one);
  expect([...new Set(faultsOf(plan).map(({ owner }) => owner))]).toEqual(['b']);
  expect(plan.parts[0]!.areas).toHaveLength(201);
  expect(plan.advice.some((advice) => /meets other lines more often/.test(say(advice)))).toBe(true);
});
it('as many bands as are worked out make all their areas', () => {
  const plan = planned(part(square, [bands('a', 0, 20), bands('b', 90, 20)]));
  expect(faultsOf(plan)).toEqual([]);
  expect(plan.parts[0]!.areas).toHaveLength(41 * 41);
});
it('120 rays from each of 50 places: only so many strokes are set out', () => {
  const fans = Array.from({ length: 50 }, (_, index) => ({
    kind: 'rays',
    ...common(`r${index}`),
    from: { along: numbers(), above: numbers() },
    count: 120,
    firstDeg: 0,
    stepDeg: 3,
    clear: 0,
    // Long ones cross each other tens of thousands of times, which takes long and changes nothing about how many are set out.
    length: depth(100, 30_000),
  }));
  const plan = planned(part(square, fans));
  expect(faultsOf(plan).filter(({ fault }) => fault.code === 'line.part-strokes').length).toBe(
    50 - Math.floor(LIMITS.strokes / 120),
  );
  expect(plan.parts[0]!.areas.length).toBeGreaterThan(1);
});
it('200 holes of 30 m are refused at the first too many, and planned up to it', () => {
  const one = part(
    square,
    [],
    Array.from({ length: 200 }, (_, index) => round(`h${index}`, numbers(), numbers())),
  );
  expect(designFaults(jobOf(one), SHIPPED_SHELF)).toEqual([
    {
      path: expect.stringMatching(/^parts\[0\]\.features\[\d+\]$/),
      code: 'design.rim-corners',
      values: { most: LIMITS.rimCorners },
    },
  ]);
  expect(() => planned(one)).not.toThrow();
});
it('a hole whose rim lies beyond 33 m cuts what it covers of the part', () => {
  const plan = planned(part(square, [], [round('h', 30_000, 30_000, 30_000)]));
  expect(plan.parts[0]!.areas).toHaveLength(1);
  expect(plan.parts[0]!.areas[0]!.sizeM2).toBeCloseTo(900 - (Math.PI * 15 ** 2) / 4, 1);
});
it.each<[string, Surface, string]>([
  ['a tube of 30 m', { kind: 'tube', diameter: 30_000, length: 100 }, 'parts[0].surface.diameter'],
  ['a flat cone of 30 m', { kind: 'cone', d1: 0, d2: 30_000, length: 30_000 }, 'parts[0].surface'],
])(
  '%s is refused, since laid flat it goes beyond 33 m, and planned without areas where it is kept already',
  (_, surface, path) => {
    const one = part(surface, [straight('s', 100, 100)]);
    expect(designFaults(jobOf(one), SHIPPED_SHELF)).toMatchObject([{ path, code: 'surface.too-far' }]);
    const plan = planned(one);
    expect(plan.parts[0]!.areas).toEqual([]);
    expect(faultsOf(plan)).toHaveLength(1);
  },
);

describe('lines made from one another', () => {
  const chain = (length: number, last: unknown) => [
    ...Array.from({ length: length - 1 }, (_, index) => ({
      kind: 'parallel',
      id: `l${index}`,
      name: 'P',
      runOn: true,
      of: `l${index + 1}`,
      offset: 10,
    })),
    last,
  ];
  it('may be 200 behind each other, in whatever order they stand', () => {
    const lines = chain(200, straight('l199', 30_000, 0.5));
    for (const order of [lines, [...lines].reverse()]) {
      const plan = planned(part(square, order));
      expect(faultsOf(plan)).toEqual([]);
      expect(plan.parts[0]!.areas).toHaveLength(201);
    }
  });
  it('across 50 parts may be 10 000 behind each other', () => {
    const small: Surface = { kind: 'flat', outline: { kind: 'rectangle', width: 300, height: 300 } };
    const placed = (index: number, lines: unknown[]): Part => ({
      ...part(small, lines, [], `p${index}`),
      pose: { at: [index * 310, 0, 0], yawDeg: 0, pitchDeg: 0, rollDeg: 0 },
    });
    const parts = Array.from({ length: 50 }, (_, index) => {
      const lines = chain(
        200,
        index === 49
          ? { ...straight('l199', 300, 0), from: { along: 0, above: 150 }, to: { along: 300, above: 150 } }
          : {
              kind: 'continuation',
              ...common('l199'),
              datum: undefined,
              part: `p${index + 1}`,
              of: 'l0',
              end: 'start',
              mode: 'side',
            },
      );
      return placed(
        index,
        lines.map((line, at) => ({ ...(line as object), ...(at < 199 ? { offset: at % 2 === 0 ? 0.5 : -0.5 } : {}) })),
      );
    });
    const plan = planned(...parts);
    expect(faultsOf(plan)).toEqual([]);
    expect(plan.parts).toHaveLength(50);
  });
  it('in a ring of any length say that they are made from themselves', () => {
    const lines = chain(200, { kind: 'parallel', id: 'l199', name: 'P', runOn: true, of: 'l0', offset: 10 });
    const faults = faultsOf(planned(part(square, lines)));
    expect(faults).toHaveLength(200);
    expect(faults.every(({ fault }) => fault.code === 'line.itself' || fault.code === 'line.of-itself')).toBe(true);
  });
});

describe('stripes that go on over many panels', () => {
  const panel: Surface = { kind: 'flat', outline: { kind: 'rectangle', width: 500, height: 400 } };
  const panels = (count: number): Part[] =>
    Array.from({ length: count }, (_, index) => ({
      ...part(
        panel,
        [0, 1, 2].map((stripe) =>
          index === 0
            ? {
                ...straight(`s${stripe}`, 0, 0),
                from: { along: 0, above: 100 + 80 * stripe },
                to: { along: 500, above: 100 + 80 * stripe },
              }
            : {
                kind: 'continuation',
                id: `s${stripe}`,
                name: 'S',
                runOn: true,
                part: `p${index - 1}`,
                of: `s${stripe}`,
                end: 'end',
                mode: 'side',
              },
        ),
        [],
        `p${index}`,
      ),
      pose: { at: [index * 510, 0, 0], yawDeg: 0, pitchDeg: 0, rollDeg: 0 },
    }));
  it.each([10, 50])('%i panels have four areas each, level all the way', (count) => {
    const plan = planned(...panels(count));
    expect(faultsOf(plan)).toEqual([]);
    expect(plan.parts.map(({ areas }) => areas.length)).toEqual(Array.from({ length: count }, () => 4));
    expect(plan.parts[count - 1]!.lines[0]!.pieces[0]![0]![1]).toBeCloseTo(100, 6);
  });
});
