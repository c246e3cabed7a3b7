import fc from 'fast-check';
import { type Point, ringArea } from '../curves';
import { closeRing } from '../kit';
import type { Drawing, DrawnPath } from './drawing';
import { readDxf } from './dxf-in';

/** Group codes with their values, as a text DXF has them. */
const codes = (...pairs: readonly (readonly [number, string | number])[]): string =>
  pairs.map(([code, value]) => `${code}\n${value}\n`).join('');
const section = (name: string, inside: string): string =>
  codes([0, 'SECTION'], [2, name]) + inside + codes([0, 'ENDSEC']);
const file = (entities: string, blocks = ''): string =>
  section('HEADER', codes([9, '$INSUNITS'], [70, 4])) +
  (blocks && section('BLOCKS', blocks)) +
  section('ENTITIES', entities) +
  codes([0, 'EOF']);

const line = (from: Point, to: Point): string =>
  codes([0, 'LINE'], [8, 'trim'], [10, from.x], [20, from.y], [11, to.x], [21, to.y]);
const circle = (radius: number): string => codes([0, 'CIRCLE'], [8, 'trim'], [10, 0], [20, 0], [40, radius]);
const ellipse = (axis: Point, ratio: number, from: number, to: number): string =>
  codes([0, 'ELLIPSE'], [8, 'trim'], [10, 5], [20, 7], [11, axis.x], [21, axis.y], [40, ratio], [41, from], [42, to]);
const block = (name: string, base: Point, inside: string): string =>
  codes([0, 'BLOCK'], [2, name], [10, base.x], [20, base.y]) + inside + codes([0, 'ENDBLK']);
const insert = (name: string, point: Point, more: readonly (readonly [number, number])[] = []): string =>
  codes([0, 'INSERT'], [8, 'trim'], [2, name], [10, point.x], [20, point.y], ...more);

function drawn(text: string): Drawing {
  const read = readDxf(text);
  if (!read.ok) throw new Error(read.why.code);
  return read.value;
}
const only = (text: string): DrawnPath => {
  const paths = drawn(text).layers.flatMap((layer) => layer.paths);
  expect(paths).toHaveLength(1);
  return paths[0]!;
};
const rounded = (places: readonly Point[]) =>
  places.map(({ x, y }) => [Math.round(x * 1e6) / 1e6 + 0, Math.round(y * 1e6) / 1e6 + 0]);

describe('curves of a DXF', () => {
  it('an arc that starts after its end goes on past nought', () => {
    const { points } = only(file(codes([0, 'ARC'], [8, 'a'], [10, 0], [20, 0], [40, 10], [50, 270], [51, 90])));
    expect(rounded([points[0]!, points.at(-1)!])).toEqual([
      [0, -10],
      [0, 10],
    ]);
    // The right half: from below, by the right, to above.
    for (const { x } of points) expect(x).toBeGreaterThan(-1e-6);
  });
  it('a whole ellipse is closed and has its area, whichever way it lies', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        fc.double({ min: 0.2, max: 1, noNaN: true }),
        (turn, ratio) => {
          const { closed, points } = only(
            file(ellipse({ x: 40 * Math.cos(turn), y: 40 * Math.sin(turn) }, ratio, 0, 2 * Math.PI)),
          );
          const wanted = Math.PI * 40 * 40 * ratio;
          return closed && Math.abs(ringArea(points) - wanted) < 0.002 * wanted;
        },
      ),
    );
  });
  it('half an ellipse is open and ends on its long axis', () => {
    const { closed, points } = only(file(ellipse({ x: 0, y: 40 }, 0.5, 0, Math.PI)));
    expect(closed).toBe(false);
    expect(rounded([points[0]!, points.at(-1)!])).toEqual([
      [5, 47],
      [5, -33],
    ]);
    expect(Math.min(...points.map(({ x }) => x))).toBeCloseTo(5 - 20, 1);
  });
  it('a spline with weights is the circle it stands for, without them a parabola', () => {
    const spline = (weights: readonly number[]) =>
      codes(
        [0, 'SPLINE'],
        [8, 'a'],
        [70, weights.length > 0 ? 4 : 0],
        [71, 2],
        ...[0, 0, 0, 1, 1, 1].map((knot) => [40, knot] as const),
        ...weights.map((weight) => [41, weight] as const),
        ...[100, 100, 0].flatMap((x, index) => [
          [10, x] as const,
          [20, index === 0 ? 0 : 100] as const,
          [30, 0] as const,
        ]),
      );
    for (const { x, y } of only(file(spline([1, Math.SQRT1_2, 1]))).points)
      expect(Math.hypot(x, y)).toBeCloseTo(100, 6);
    // The parabola of the same places: √x + √y measured from the outer corner is constant.
    for (const { x, y } of only(file(spline([]))).points)
      expect(Math.sqrt(100 - x) + Math.sqrt(100 - y)).toBeCloseTo(10, 6);
  });
  it('a closed polyline comes back to its start, its last bow with it', () => {
    const corners = [
      [0, 0],
      [80, 0],
      [80, 50],
      [0, 50],
    ];
    const bowed = codes(
      [0, 'LWPOLYLINE'],
      [8, 'a'],
      [90, 4],
      [70, 1],
      ...corners.flatMap(([x, y], index) => [
        [10, x!] as const,
        [20, y!] as const,
        ...(index === 3 ? [[42, 1] as const] : []),
      ]),
    );
    const { closed, points } = only(file(bowed));
    expect(closed).toBe(true);
    // A rectangle with a half disc of the short side put on.
    const wanted = 80 * 50 + (Math.PI * 25 * 25) / 2;
    // Chords lie inside the bow by the tolerance of files at most.
    expect(ringArea(points)).toBeLessThanOrEqual(wanted);
    expect(ringArea(points)).toBeGreaterThan(wanted - Math.PI * 25 * 0.01);
  });
});

describe('blocks of a DXF', () => {
  const flag = block('flag', { x: 0, y: 0 }, line({ x: 0, y: 0 }, { x: 10, y: 5 }));
  it.each<[string, (readonly [number, number])[], number[][]]>([
    ['moved', [], [[100, 50], [110, 55]]], // prettier-ignore
    ['scaled', [[41, 2], [42, 2]], [[100, 50], [120, 60]]], // prettier-ignore
    ['turned', [[50, 90]], [[100, 50], [95, 60]]], // prettier-ignore
    ['mirrored', [[41, -1]], [[100, 50], [90, 55]]], // prettier-ignore
    ['mirrored, then turned', [[41, -1], [50, 90]], [[100, 50], [95, 40]]], // prettier-ignore
  ])('are put down %s', (_, more, wanted) => {
    expect(rounded(only(file(insert('flag', { x: 100, y: 50 }, more), flag)).points)).toEqual(wanted);
  });
  it('hang on their base', () => {
    const based = block('based', { x: 10, y: 5 }, line({ x: 10, y: 5 }, { x: 20, y: 5 }));
    expect(rounded(only(file(insert('based', { x: 0, y: 0 }, [[50, 180]]), based)).points)).toEqual([
      [0, 0],
      [-10, 0],
    ]);
  });
  it('inside blocks are put down by both, and round ones stay as fine as the scale asks for', () => {
    const wheel = block('wheel', { x: 0, y: 0 }, circle(1));
    const pair = block('pair', { x: 0, y: 0 }, insert('wheel', { x: 0, y: 0 }) + insert('wheel', { x: 10, y: 0 }));
    const { paths } = drawn(file(insert('pair', { x: 0, y: 0 }, [[41, 100], [42, 100], [50, 90]]), wheel + pair)).layers[0]!; // prettier-ignore
    expect(paths).toHaveLength(2);
    for (const [index, { points }] of paths.entries()) {
      const centre = { x: 0, y: index * 1000 };
      const around = closeRing(points);
      around.slice(1).forEach((to, at) => {
        const half = { x: (around[at]!.x + to.x) / 2, y: (around[at]!.y + to.y) / 2 };
        expect(Math.hypot(to.x - centre.x, to.y - centre.y)).toBeCloseTo(100, 6);
        expect(100 - Math.hypot(half.x - centre.x, half.y - centre.y)).toBeLessThan(0.0101);
      });
    }
  });
  it('that are not in the file are passed over by name', () => {
    expect(drawn(file(line({ x: 0, y: 0 }, { x: 9, y: 0 }) + insert('gone', { x: 0, y: 0 }), flag)).skipped).toEqual([
      { code: 'skipped.no-block', values: { count: 1, name: '' } },
    ]);
  });
  it('that hold themselves end in a sentence', () => {
    const endless = block('endless', { x: 0, y: 0 }, insert('endless', { x: 1, y: 0 }));
    expect(readDxf(file(insert('endless', { x: 0, y: 0 }), endless))).toEqual({
      ok: false,
      why: { code: 'drawing.endless-blocks', values: {} },
    });
  });
  it('that multiply without end stop at the limit of pieces', () => {
    const doubling = Array.from({ length: 20 }, (_, level) =>
      block(
        `b${level}`,
        { x: 0, y: 0 },
        level === 0
          ? line({ x: 0, y: 0 }, { x: 1, y: 0 })
          : insert(`b${level - 1}`, { x: 0, y: 0 }) + insert(`b${level - 1}`, { x: 1, y: 0 }),
      ),
    ).join('');
    expect(readDxf(file(insert('b19', { x: 0, y: 0 }), doubling))).toMatchObject({
      ok: false,
      why: { code: 'drawing.too-many-pieces', values: { most: 20_000 } },
    });
  });
});

describe('pieces drawn from behind', () => {
  const behind = codes([210, 0], [220, 0], [230, -1]);
  it('have x the other way', () => {
    expect(
      rounded(
        only(file(codes([0, 'LWPOLYLINE'], [8, 'a'], [90, 2], [70, 0], [10, 5], [20, 0], [10, 30], [20, 10]) + behind))
          .points,
      ),
    ).toEqual([
      [-5, 0],
      [-30, 10],
    ]);
    const arc = only(file(codes([0, 'ARC'], [8, 'a'], [10, 5], [20, 0], [40, 10], [50, 0], [51, 90]) + behind)).points;
    expect(rounded([arc[0]!, arc.at(-1)!])).toEqual([
      [-15, 0],
      [-5, 10],
    ]);
    for (const { x, y } of only(file(codes([0, 'CIRCLE'], [8, 'a'], [10, 50], [20, 0], [40, 10]) + behind)).points)
      expect(Math.hypot(x + 50, y)).toBeCloseTo(10, 6);
  });
  it('a line is where it says, from whichever side', () =>
    expect(rounded(only(file(line({ x: 5, y: 0 }, { x: 30, y: 10 }) + behind)).points)).toEqual([
      [5, 0],
      [30, 10],
    ]));
  it('a block of them is put down mirrored', () => {
    const flag = block('flag', { x: 0, y: 0 }, line({ x: 0, y: 0 }, { x: 10, y: 5 }));
    expect(rounded(only(file(insert('flag', { x: 100, y: 50 }) + behind, flag)).points)).toEqual([
      [-100, 50],
      [-110, 55],
    ]);
  });
  it('one that stands on edge is passed over by name', () => {
    const edgeOn = codes([0, 'CIRCLE'], [8, 'a'], [10, 0], [20, 0], [40, 10], [210, 1], [220, 0], [230, 0]);
    expect(drawn(file(line({ x: 0, y: 0 }, { x: 9, y: 0 }) + edgeOn)).skipped).toEqual([
      { code: 'skipped.not-flat', values: { count: 1, name: 'circle' } },
    ]);
  });
});
