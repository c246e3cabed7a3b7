import fc from 'fast-check';
import { depth } from '../../../scripts/test-limits.mjs';
import { traceCycles } from './faces';
import { fromGrid, gridKey, type GridPoint, orientation, toGrid } from './grid';
import { interiorPoint } from './interior-point';
import { mergeCollinearEdges, type Segment, splitAtIntersections } from './intersections';

const at = (x: number, y: number): GridPoint => ({ x, y });
const piece = (a: GridPoint, b: GridPoint, source = 0): Segment => ({
  a,
  b,
  source,
  fromAt: 0,
  toAt: Math.hypot(b.x - a.x, b.y - a.y),
});
const place = fc.record({ x: fc.integer({ min: -400, max: 400 }), y: fc.integer({ min: -400, max: 400 }) });
const pieces = fc
  .array(
    fc.tuple(place, place).filter(([a, b]) => a.x !== b.x || a.y !== b.y),
    { minLength: 1, maxLength: 14 },
  )
  .map((ends) => ends.map(([a, b], source) => piece(a, b, source)));

describe('the grid', () => {
  it('keeps a micrometre and loses nothing above it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -30_000, max: 30_000, noNaN: true }),
        (mm) => Math.abs(fromGrid(toGrid({ x: mm, y: 0 })).x - mm) <= 0.0005 + 1e-9,
      ),
    );
  });
  it('gives every place its own key, and none outside', () => {
    fc.assert(fc.property(place, place, (a, b) => (gridKey(a) === gridKey(b)) === (a.x === b.x && a.y === b.y)));
    expect(Number.isSafeInteger(gridKey(at(2 ** 25 - 1, 2 ** 25 - 1)))).toBe(true);
    expect(() => gridKey(at(2 ** 25, 0))).toThrow(/outside the grid/);
  });
  it('turns exactly, even at 30 m', () => {
    const far = 30_000_000;
    expect(orientation(at(-far, -far), at(far, far), at(far - 1, far))).toBeGreaterThan(0);
    expect(orientation(at(-far, -far), at(far, far), at(0, 0))).toBe(0);
  });
});

describe('noded', () => {
  it('splits a cross in four and shares the distance along each', () => {
    const split = splitAtIntersections([piece(at(0, 0), at(100, 100)), piece(at(0, 100), at(100, 0), 1)]);
    expect(split).toHaveLength(4);
    const first = split.filter(({ source }) => source === 0);
    expect(first.map(({ fromAt, toAt }) => [Math.round(fromAt), Math.round(toAt)])).toEqual([
      [0, 71],
      [71, 141],
    ]);
  });
  it('leaves pieces that only share an end as they are', () =>
    expect(splitAtIntersections([piece(at(0, 0), at(50, 0)), piece(at(50, 0), at(50, 50))])).toHaveLength(2));
  it('splits where an end touches, and where pieces overlap', () => {
    expect(splitAtIntersections([piece(at(0, 0), at(100, 0)), piece(at(50, 0), at(50, 80), 1)])).toHaveLength(3);
    expect(
      mergeCollinearEdges(splitAtIntersections([piece(at(0, 0), at(100, 0)), piece(at(150, 0), at(40, 0), 1)])),
    ).toHaveLength(3);
  });
  it('leaves nothing that crosses or touches between its ends', () => {
    fc.assert(
      fc.property(pieces, (given) => {
        const split = splitAtIntersections(given);
        return split.every((p, i) =>
          split.slice(0, i).every((q) => {
            const sides =
              orientation(p.a, p.b, q.a) > 0 !== orientation(p.a, p.b, q.b) > 0 &&
              orientation(q.a, q.b, p.a) > 0 !== orientation(q.a, q.b, p.b) > 0;
            const proper = [
              orientation(p.a, p.b, q.a),
              orientation(p.a, p.b, q.b),
              orientation(q.a, q.b, p.a),
              orientation(q.a, q.b, p.b),
            ].every((side) => side !== 0);
            return !(sides && proper);
          }),
        );
      }),
      { numRuns: depth(25, 150) },
    );
  });
  it('keeps the length of every source, but for the rounding of its splits', () => {
    fc.assert(
      fc.property(pieces, (given) => {
        const split = splitAtIntersections(given);
        return given.every(({ source, toAt }) => {
          const segments = split.filter((segment) => segment.source === source);
          return (
            Math.abs(segments.reduce((sum, segment) => sum + segment.toAt - segment.fromAt, 0) - toAt) <
            0.01 * segments.length + 2
          );
        });
      }),
    );
  });
});

describe('traceCycles', () => {
  const square = [
    piece(at(0, 0), at(100, 0)),
    piece(at(100, 0), at(100, 100)),
    piece(at(100, 100), at(0, 100)),
    piece(at(0, 100), at(0, 0)),
  ];

  it('walks once inside and once outside a square', () => {
    const { cycles, dangling } = traceCycles(mergeCollinearEdges(square));
    expect(cycles.map((cycle) => cycle.length)).toEqual([4, 4]);
    expect(dangling).toEqual([]);
  });
  it('takes off what hangs free, however long the tail', () => {
    const tail = [
      piece(at(100, 100), at(150, 150), 1),
      piece(at(150, 150), at(200, 120), 1),
      piece(at(200, 120), at(260, 130), 1),
    ];
    const { cycles, dangling } = traceCycles(mergeCollinearEdges([...square, ...tail]));
    expect(dangling).toHaveLength(3);
    expect(cycles).toHaveLength(2);
  });
  it('uses every side of every edge exactly once', () => {
    fc.assert(
      fc.property(pieces, (given) => {
        const edges = mergeCollinearEdges(splitAtIntersections(given));
        const { cycles, dangling } = traceCycles(edges);
        return cycles.reduce((sum, cycle) => sum + cycle.length, 0) === 2 * (edges.length - dangling.length);
      }),
    );
  });
});

it('a place well inside lies inside a crescent, whose middle does not', () => {
  const arc = (radius: number, shift: number) =>
    Array.from({ length: 40 }, (_, i) => ({
      x: radius * Math.cos((i * Math.PI) / 39),
      y: radius * Math.sin((i * Math.PI) / 39) - shift,
    }));
  const crescent = [...arc(100, 0), ...arc(90, 0).reverse()];
  const { x, y } = interiorPoint([crescent]);
  expect(Math.hypot(x, y)).toBeGreaterThan(90);
  expect(Math.hypot(x, y)).toBeLessThan(100);
});
