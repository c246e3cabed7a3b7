import fc from 'fast-check';
import { depth } from '../../../scripts/test-limits.mjs';
import type { TrimLine } from '../lines';
import type { Feature, Surface } from '../surface';
import { areasOn, straight } from '../testing/samples';

// A line that runs on right across a part divides it, whatever its rim is like and whatever opening it passes through. Lines that
// do not cross are set out side by side, so that how many areas there are, and how large, follows from geometry alone.

jest.setTimeout(300_000);

/** Ten lines a part: in full ten thousand lines a kind. The library prints the seed of a failure. */
const PARTS = { numRuns: depth(12, 1000), seed: 20_261_126 };
const LINES = 10;

type Place = readonly [number, number];
const unit = fc.double({ min: 0, max: 1, noNaN: true });
const inDegrees = (degrees: number): Place => [
  Math.cos((degrees * Math.PI) / 180),
  Math.sin((degrees * Math.PI) / 180),
];

/** Offsets that lie apart, each between the two bounds. */
function offsets(shares: readonly number[], least: number, most: number): number[] {
  const room = (most - least) / shares.length;
  return shares.map((share, index) => least + room * (index + 0.1 + 0.8 * share));
}

/** Area of a convex ring on the left of a line at an offset across a direction. */
function areaBelow(ring: readonly Place[], [ux, uy]: Place, offset: number): number {
  const height = ([x, y]: Place) => -uy * x + ux * y - offset;
  const kept: Place[] = [];
  ring.forEach((a, index) => {
    const b = ring[(index + 1) % ring.length]!;
    const [ha, hb] = [height(a), height(b)];
    if (ha <= 0) kept.push(a);
    if (ha < 0 !== hb < 0 && ha !== hb)
      kept.push([a[0] + (ha / (ha - hb)) * (b[0] - a[0]), a[1] + (ha / (ha - hb)) * (b[1] - a[1])]);
  });
  return kept.reduce((sum, [x, y], index) => {
    const [nx, ny] = kept[(index + 1) % kept.length]!;
    return sum + (x * ny - nx * y) / 2;
  }, 0);
}

const round = (radius: number, from: number, turn: number, middle: Place = [0, 0], steps = 720): Place[] =>
  Array.from({ length: steps }, (_, step) => {
    const angle = from + (turn * step) / steps;
    return [middle[0] + radius * Math.cos(angle), middle[1] + radius * Math.sin(angle)];
  });

interface Rim {
  readonly surface: Surface;
  /** The same rim as closely spaced places. */
  readonly ring: readonly Place[];
  /** A place well inside. */
  readonly middle: Place;
  /** Lines nearer to the middle than this all cross it. */
  readonly reach: number;
}

const flat = (outline: Extract<Surface, { kind: 'flat' }>['outline']): Surface => ({ kind: 'flat', outline });
const RIMS: Readonly<Record<string, fc.Arbitrary<Rim>>> = {
  rectangle: fc.tuple(unit, unit).map(([a, b]) => {
    const [width, height] = [100 + 900 * a, 100 + 900 * b];
    const ring: Place[] = [
      [0, 0],
      [width, 0],
      [width, height],
      [0, height],
    ];
    return {
      surface: flat({ kind: 'rectangle', width, height }),
      ring,
      middle: [width / 2, height / 2],
      reach: Math.min(width, height) / 2,
    };
  }),
  polygon: fc.tuple(fc.array(unit, { minLength: 3, maxLength: 9 }), unit).map(([turns, size]) => {
    const radius = 80 + 400 * size;
    const step = (2 * Math.PI) / turns.length;
    const points = turns.map((turn, index): Place => [
      radius * Math.cos(step * (index + 0.6 * turn)),
      radius * Math.sin(step * (index + 0.6 * turn)),
    ]);
    const edges = points.map((a, index): readonly [Place, Place] => [a, points[(index + 1) % points.length]!]);
    const reach = Math.min(...edges.map(([[ax, ay], [bx, by]]) => (ax * by - ay * bx) / Math.hypot(bx - ax, by - ay)));
    return {
      surface: flat({ kind: 'polygon', points: points.map(([x, y]) => [x, y]) }),
      ring: points,
      middle: [0, 0],
      reach,
    };
  }),
  disc: unit.map((size) => {
    const diameter = 60 + 900 * size;
    return {
      surface: flat({ kind: 'disc', diameter }),
      ring: round(diameter / 2, 0, 2 * Math.PI),
      middle: [0, 0],
      reach: diameter / 2,
    };
  }),
  'round and straight edges': fc.tuple(unit, unit).map(([a, b]) => {
    // A stadium: two straights and two half rounds.
    const [length, radius] = [40 + 400 * a, 30 + 200 * b];
    const ring = [...round(radius, -Math.PI / 2, Math.PI, [length, 0]), ...round(radius, Math.PI / 2, Math.PI)];
    return {
      surface: flat({
        kind: 'curved',
        start: [0, -radius],
        edges: [
          { to: [length, -radius] },
          { to: [length, radius], through: [length + radius, 0] },
          { to: [0, radius] },
          { to: [0, -radius], through: [-radius, 0] },
        ],
      }),
      ring,
      middle: [length / 2, 0],
      reach: radius,
    };
  }),
  'a folded net': unit.map((size) => {
    const width = 100 + 300 * size;
    const panel = { kind: 'rectangle' as const, width, height: 200 };
    const surface: Surface = {
      kind: 'folded',
      panels: [
        { id: 'a', name: 'A', outline: panel, fold: null },
        { id: 'b', name: 'B', outline: panel, fold: { on: 'a', edge: 1, own: 3, angleDeg: 90, radius: 5 } },
      ],
    } as unknown as Surface;
    const bend = (Math.PI / 2) * 5;
    const ring: Place[] = [
      [0, 0],
      [2 * width + bend, 0],
      [2 * width + bend, 200],
      [0, 200],
    ];
    return { surface, ring, middle: [width + bend / 2, 100], reach: 100 };
  }),
};

/** Lines across a direction, each measured somewhere along itself. */
const across = (
  middle: Place,
  [ux, uy]: Place,
  heights: readonly number[],
  spans: readonly (readonly [number, number])[],
): TrimLine[] =>
  heights.map((height, index) => {
    const foot: Place = [middle[0] - uy * height, middle[1] + ux * height];
    const place = (at: number): Place => [foot[0] + ux * at, foot[1] + uy * at];
    return straight(`l${index}`, place(spans[index]![0]), place(spans[index]![1]), true);
  });
const shares = fc.array(unit, { minLength: LINES, maxLength: LINES });

it.each(Object.entries(RIMS))('%s: lines right across make strips, each as large as geometry says', (_, rims) => {
  fc.assert(
    fc.property(
      rims,
      fc.integer({ min: 0, max: 35_999 }),
      shares,
      shares,
      ({ surface, ring, middle, reach }, hundredths, at, spans) => {
        // A narrow part leaves no room for lines that lie apart.
        fc.pre(reach > 5);
        const direction = inDegrees(hundredths / 100);
        const heights = offsets(at, -0.97 * reach, 0.97 * reach);
        // Measured near the foot: the ends run on to the rim from well inside.
        const lines = across(
          middle,
          direction,
          heights,
          spans.map((share) => [-0.02 * reach * (0.1 + share), 0.02 * reach * (0.1 + share)]),
        );
        const { areas, loose } = areasOn(surface, lines);
        expect(loose).toEqual([]);
        expect(areas).toHaveLength(LINES + 1);
        const own = ([x, y]: Place): Place => [x - middle[0], y - middle[1]];
        const below = [
          ...heights.map((height) => areaBelow(ring.map(own), direction, height)),
          areaBelow(ring.map(own), direction, 1e9),
        ];
        const strips = below.map((area, index) => area - (index === 0 ? 0 : below[index - 1]!)).sort((a, b) => a - b);
        const found = areas.map(({ sizeMm2 }) => sizeMm2).sort((a, b) => a - b);
        const whole = below[LINES]!;
        found.forEach((size, index) => expect(Math.abs(size - strips[index]!) / whole).toBeLessThan(2e-3));
      },
    ),
    PARTS,
  );
});

const opening = (shape: object): Feature =>
  ({ kind: 'opening', id: 'h', name: 'H', datum: 'base', use: 'hole', shape }) as unknown as Feature;
/** Half the width of an opening across a direction. */
const OPENINGS: Readonly<Record<string, { readonly shape: object; readonly half: (direction: Place) => number }>> = {
  'a round opening': { shape: { kind: 'round', at: { along: 100, above: 80 }, diameter: 36 }, half: () => 18 },
  'an opening with corners': {
    shape: {
      kind: 'corners',
      points: [
        { along: 80, above: 70 },
        { along: 120, above: 70 },
        { along: 120, above: 90 },
        { along: 80, above: 90 },
      ],
    },
    half: ([ux, uy]) => Math.abs(uy) * 20 + Math.abs(ux) * 10,
  },
};

it.each(Object.entries(OPENINGS))(
  '%s: a line past it divides once, one through it does too, and two through it leave two pieces between them',
  (_, { shape, half }) => {
    const surface: Surface = flat({ kind: 'rectangle', width: 200, height: 160 });
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 35_999 }), shares, shares, (hundredths, at, spans) => {
        const direction = inDegrees(hundredths / 100);
        const heights = offsets(at, -60, 60);
        const wide = half(direction);
        fc.pre(heights.every((height) => Math.abs(Math.abs(height) - wide) > 0.2));
        // Measured from before the opening to behind it, so that it counts as passing through.
        const lines = across(
          [100, 80],
          direction,
          heights,
          spans.map((share) => [-25 - 10 * share, 25 + 10 * share]),
        );
        const { areas, loose } = areasOn(surface, lines, { features: [opening(shape)] });
        const through = heights.filter((height) => Math.abs(height) < wide).length;
        expect(loose).toEqual([]);
        expect(areas).toHaveLength(LINES + 1 + Math.max(0, through - 1));
      }),
      PARTS,
    );
  },
);

const ROUND: Readonly<Record<string, fc.Arbitrary<Surface>>> = {
  'a tube': fc.tuple(unit, unit).map(([a, b]) => ({ kind: 'tube', diameter: 5 + 30 * a, length: 100 + 500 * b })),
  'a cone': fc
    .tuple(unit, unit, unit)
    .map(([a, b, c]) => ({ kind: 'cone', d1: 4 + 12 * a, d2: 18 + 20 * b, length: 100 + 300 * c })),
  'a turned part': fc.tuple(unit, unit).map(([a, b]) => ({
    kind: 'turned',
    profile: { start: [0, 3 + 4 * a], edges: [{ to: [100, 8] }, { to: [220, 4 + 3 * b] }], smooth: true },
  })),
};
const lengthOf = (surface: Surface): number =>
  surface.kind === 'tube' || surface.kind === 'cone' ? surface.length : 220;

/** As many rings in fewer parts, since a turned one takes long to lay out. */
const RINGS = 40;
const FEWER = { ...PARTS, numRuns: Math.max(2, (PARTS.numRuns * LINES) / RINGS) };

it.each(Object.entries(ROUND))('%s: rings part it one after another', (_, surfaces) => {
  fc.assert(
    fc.property(surfaces, fc.array(unit, { minLength: RINGS, maxLength: RINGS }), (surface, at) => {
      const rings = offsets(at, 0.05 * lengthOf(surface), 0.95 * lengthOf(surface)).map((along, index): TrimLine => ({
        kind: 'ring',
        id: `r${index}`,
        name: 'R',
        runOn: false,
        at: along,
      }));
      const { areas, loose } = areasOn(surface, rings);
      expect(loose).toEqual([]);
      expect(areas).toHaveLength(RINGS + 1);
    }),
    FEWER,
  );
});

it('a tube: lines that wind from end to end side by side leave as many strips', () => {
  fc.assert(
    fc.property(ROUND['a tube']!, shares, fc.integer({ min: -60, max: 60 }), (surface, at, slantDeg) => {
      fc.pre(surface.kind === 'tube');
      if (surface.kind !== 'tube') return;
      const girth = Math.PI * surface.diameter;
      const rise = Math.tan((slantDeg * Math.PI) / 180);
      // Lines run on at most three times round.
      fc.pre(Math.abs(rise) * surface.length < 2 * girth);
      const middle = surface.length / 2;
      const lines = offsets(at, -girth / 2, girth / 2).map((y, index) =>
        straight(`l${index}`, [middle - 3, y - 3 * rise], [middle + 3, y + 3 * rise], true),
      );
      const { areas, loose } = areasOn(surface, lines);
      expect(loose).toEqual([]);
      expect(areas).toHaveLength(LINES);
    }),
    PARTS,
  );
});

it.each<[string, Surface, Place, Place, Feature[]]>([
  ['an end a micrometre beside a round rim', flat({ kind: 'disc', diameter: 300 }), [-50, -95], [50, -75], []],
  [
    'an end a micrometre beside a round opening',
    flat({ kind: 'rectangle', width: 200, height: 160 }),
    [94, 40],
    [134, 120],
    [opening({ kind: 'round', at: { along: 120, above: 80 }, diameter: 24 })],
  ],
])('%s touches it', (_, surface, from, to, features) => {
  const { areas, loose } = areasOn(surface, [straight('l', from, to, true)], { features });
  expect([areas.length, loose]).toEqual([2, []]);
});
