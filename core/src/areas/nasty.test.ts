import fc from 'fast-check';
import { depth } from '../../../scripts/test-limits.mjs';
import type { TrimLine } from '../lines';
import type { Surface } from '../surface';
import { areasOn, BASE, BOARD, straight, sweep } from '../testing/samples';
import { areaAt } from './find';
import { mirrorArrangement } from './mirror';

// Cases that break careless geometry, each for a reason of its own.

const TUBE: Surface = { kind: 'tube', diameter: 100, length: 400 };
const GIRTH = 100 * Math.PI;
const SKIN = GIRTH * 400;
const CONE: Surface = { kind: 'cone', d1: 60, d2: 140, length: 300 };
const count = (lines: readonly TrimLine[], surface: Surface = BOARD) => areasOn(surface, lines).areas.length;
const sum = (lines: readonly TrimLine[], surface: Surface = BOARD) =>
  areasOn(surface, lines).areas.reduce((total, { sizeMm2 }) => total + sizeMm2, 0);
const circle = (id: string, along: number, above: number, diameter: number): TrimLine => ({
  kind: 'ellipse',
  id,
  name: id,
  runOn: false,
  datum: 'base',
  centre: { along, above },
  width: diameter,
  height: diameter,
  turnDeg: 0,
});
const ring = (id: string, at: number): TrimLine => ({ kind: 'ring', id, name: id, runOn: false, at });

describe('lines that touch, overlap or almost do', () => {
  it('two circles that touch from outside make three areas', () =>
    expect(count([circle('a', 300, 250, 200), circle('b', 500, 250, 200)])).toBe(3));
  it('a circle that touches the edge is a hole that reaches it', () =>
    expect(count([circle('a', 100, 250, 200)])).toBe(2));
  it('a tangent straight splits nothing off a circle', () =>
    expect(count([circle('a', 500, 250, 200), straight('t', [0, 350], [1000, 350])])).toBe(3));
  it('a curve laid over itself a hair apart makes no crumbs', () => {
    const lines = [
      sweep('a', [0, 200], [300, 280], [700, 180], [1000, 240]),
      sweep('b', [0, 200.004], [300, 280.006], [700, 179.997], [1000, 240.002]),
    ];
    const { areas } = areasOn(BOARD, lines);
    expect(areas).toHaveLength(2);
    expect(areas.every(({ sliver }) => !sliver)).toBe(true);
  });
  it('a figure of eight by one line makes two areas more', () => {
    const eight: TrimLine = {
      kind: 'imported',
      id: 'e',
      name: 'e',
      runOn: false,
      datum: 'base',
      paths: [
        {
          closed: true,
          points: [
            [200, 100],
            [600, 400],
            [600, 100],
            [200, 400],
          ],
        },
      ],
    };
    expect(count([eight])).toBe(3);
  });
  it('twenty lines through one place', () => {
    const lines = Array.from({ length: 20 }, (_, index) =>
      straight(
        `l${index}`,
        [500, 250],
        [500 + 300 * Math.cos((index * Math.PI) / 20), 250 + 300 * Math.sin((index * Math.PI) / 20)],
        true,
      ),
    );
    expect(count(lines)).toBe(40);
  });
  it('lines along the rim and through corners', () =>
    expect(
      count([straight('a', [0, 0], [1000, 0]), straight('b', [0, 0], [1000, 500]), straight('c', [0, 500], [1000, 0])]),
    ).toBe(4));
  it('a line traced by another over part of its way', () =>
    expect(
      count([
        straight('a', [0, 200], [1000, 200]),
        straight('b', [300, 200], [700, 200]),
        straight('c', [500, 200], [500, 500]),
      ]),
    ).toBe(3));
  it('a strip of 0.3 mm is told as a sliver and kept', () => {
    const { areas } = areasOn(BOARD, [straight('a', [0, 200], [1000, 200]), straight('b', [0, 200.3], [1000, 200.3])]);
    expect(areas.map(({ sliver }) => sliver).filter(Boolean)).toHaveLength(1);
  });
});

describe('round surfaces', () => {
  it('a bare tube, cone and sphere are one area each', () => {
    expect(count([], TUBE)).toBe(1);
    expect(count([], CONE)).toBe(1);
    expect(sum([], TUBE)).toBeCloseTo(SKIN, 0);
  });
  it('a ring cuts a tube in two, a line along it in one', () => {
    expect(count([ring('r', 150)], TUBE)).toBe(2);
    expect(count([straight('l', [0, 30], [400, 30])], TUBE)).toBe(1);
    expect(count([straight('l', [0, 30], [400, 30]), straight('m', [0, -60], [400, -60])], TUBE)).toBe(2);
  });
  it('a line on the seam itself counts like any other', () => {
    const bottom = straight('b', [0, GIRTH / 2], [400, GIRTH / 2]);
    expect(count([bottom], TUBE)).toBe(1);
    const { areas, borders } = areasOn(TUBE, [bottom, straight('t', [0, 0], [400, 0])]);
    expect(areas).toHaveLength(2);
    expect(borders.filter(({ line }) => line === 'b').reduce((all, { from, to }) => all + to - from, 0)).toBeCloseTo(
      400,
      3,
    );
  });
  it('a helix that goes round once and more closes areas across the seam', () => {
    const helix = straight('h', [0, -100], [400, 500]);
    expect(count([helix], TUBE)).toBe(1);
    expect(count([helix, ring('r', 200)], TUBE)).toBe(2);
    expect(sum([helix, ring('r', 200)], TUBE)).toBeCloseTo(SKIN, 0);
  });
  it('a circle across the seam is whole', () => {
    const { areas } = areasOn(TUBE, [circle('c', 200, GIRTH / 2, 80)]);
    expect(areas).toHaveLength(2);
    const small = areas.find(({ sizeMm2 }) => sizeMm2 < SKIN / 2);
    expect(small?.sizeMm2).toBeCloseTo(Math.PI * 1600, -2);
    expect(small?.perimeterMm).toBeCloseTo(80 * Math.PI, 0);
    expect(areaAt(areas, { x: 200, y: GIRTH / 2 - 5 })).toBe(areaAt(areas, { x: 200, y: -GIRTH / 2 + 5 }));
  });
  it('a ring round a tube is as long round as its two edges, not the seam', () => {
    const { areas } = areasOn(TUBE, [ring('a', 100), ring('b', 130)]);
    const band = areas.find(({ sizeMm2 }) => sizeMm2 < 30.5 * GIRTH);
    expect(band?.perimeterMm).toBeCloseTo(2 * GIRTH, 1);
  });
  it('a straight tape on a cone crosses its seam and goes on', () => {
    const { areas } = areasOn(CONE, [
      straight('s', [150, -300], [150, 300], true),
      straight('d', [0, 0], [300, 0], true),
    ]);
    expect(areas.length).toBeGreaterThan(1);
    expect(areas.reduce((total, { sizeMm2 }) => total + sizeMm2, 0)).toBeCloseTo(sum([], CONE), 0);
  });
});

const height = fc.integer({ min: -150, max: 150 });
const along = fc.integer({ min: 0, max: 400 });
const anyRound: fc.Arbitrary<(id: string) => TrimLine> = fc.oneof(
  along.map((at) => (id: string) => ring(id, Math.min(399, Math.max(1, at)))),
  fc.tuple(height, height).map(
    ([a, b]) =>
      (id: string) =>
        straight(id, [0, a], [400, b]),
  ),
  fc.tuple(along, height, fc.integer({ min: 20, max: 180 })).map(
    ([x, y, size]) =>
      (id: string) =>
        circle(id, x, y, size),
  ),
  fc.tuple(height, height, height).map(
    ([a, b, c]) =>
      (id: string) =>
        sweep(id, [0, a], [200, b], [400, c]),
  ),
);
const anyRoundLines = fc
  .array(anyRound, { minLength: 1, maxLength: 5 })
  .map((makers) => makers.map((make, index) => make(`l${index}`)));

describe('any lines on a tube', () => {
  it('make areas that add up to its skin, each bounded by real lines, its seed in it alone', () => {
    fc.assert(
      fc.property(anyRoundLines, (lines) => {
        const { areas, borders } = areasOn(TUBE, lines);
        const slack = 0.002 * areas.reduce((all, { perimeterMm }) => all + perimeterMm, 0) + 1;
        const whole = Math.abs(areas.reduce((all, { sizeMm2 }) => all + sizeMm2, 0) - SKIN) <= slack;
        const seeds = areas.every(({ seed }, index) => areaAt(areas, seed) === index);
        const known = borders.every(
          ({ line, left, right }) =>
            lines.some(({ id }) => id === line) && left !== right && left < areas.length && right < areas.length,
        );
        return whole && seeds && known;
      }),
      { numRuns: depth(16, 100) },
    );
  });
  it('make as many areas however the seam is turned', () => {
    fc.assert(
      fc.property(anyRoundLines, fc.integer({ min: 11, max: 300 }), (lines, turn) => {
        const turned = { datums: [{ ...BASE, at: [0, turn + 0.37] as [number, number] }] };
        const before = areasOn(TUBE, lines)
          .areas.filter(({ sizeMm2 }) => sizeMm2 > 20)
          .map(({ sizeMm2 }) => sizeMm2)
          .sort((a, b) => a - b);
        const after = areasOn(TUBE, lines, turned)
          .areas.filter(({ sizeMm2 }) => sizeMm2 > 20)
          .map(({ sizeMm2 }) => sizeMm2)
          .sort((a, b) => a - b);
        fc.pre(before.every((size) => size > 25));
        return before.length === after.length && before.every((size, index) => Math.abs(size - after[index]!) < 3);
      }),
      { numRuns: depth(13, 80) },
    );
  });
});

describe('a mirror image', () => {
  it('has the areas of its part, reflected: the same as worked out anew on the reflected lines', () => {
    fc.assert(
      fc.property(anyRoundLines, (lines) => {
        const part = areasOn(TUBE, lines);
        const reflect = ({ x, y }: { x: number; y: number }) => ({ x, y: -y });
        const ours = mirrorArrangement(part, reflect);
        const anew = areasOn(TUBE, lines, { opposite: { of: 'other', follows: false } });
        const sizes = (arrangement: typeof ours) =>
          arrangement.areas.map(({ sizeMm2 }) => Math.round(sizeMm2 / 5)).sort((a, b) => a - b);
        const turned = ours.borders.every(
          ({ left, right, line, from, to }) =>
            part.borders.some((border) => border.line === line && border.from === from && border.to === to) &&
            left !== right,
        );
        return (
          sizes(ours).every((size, index) => Math.abs(size - sizes(anew)[index]!) <= 1) &&
          turned &&
          ours.areas.every(({ seed }, index) => areaAt(ours.areas, seed) === index)
        );
      }),
      { numRuns: depth(10, 40) },
    );
  });
});
