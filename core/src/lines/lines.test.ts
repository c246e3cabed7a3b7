import { wordsFor } from '@lintrel/words';
import fc from 'fast-check';
import { arcPath, inflections, type Path, pathLength, straightPath, tightestBend } from '../curves';
import { firstItem } from '../kit';
import type { Datum } from '../surface';
import { BASE, BOARD, linesOn, straight } from '../testing/samples';
import type { TrimLine } from './line';
import { parallelPath } from './parallel';
import { sweepPath } from './sweep';

const { say } = wordsFor();

const at = (x: number, y: number) => ({ x, y });
const m = (along: number, above: number) => ({ along, above });
const resolve = (lines: TrimLine[], datums: Datum[] = [BASE]) => linesOn(BOARD, lines, { datums });
const path = (made: Path | null): Path => {
  if (!made) throw new Error('no path');
  return made;
};

describe('arcPath', () => {
  it('is a half circle through its top', () => {
    const half = path(arcPath(at(-100, 0), at(0, 100), at(100, 0)));
    expect(pathLength(half)).toBeCloseTo(Math.PI * 100, 6);
    expect(tightestBend(half)?.radiusMm).toBeCloseTo(100, 6);
    expect(half[0]!.curvature).toBeLessThan(0);
  });

  it('runs the other way round when its middle lies there', () => {
    expect(path(arcPath(at(-100, 0), at(0, -100), at(100, 0)))[0]!.curvature).toBeGreaterThan(0);
    expect(pathLength(path(arcPath(at(100, 0), at(-100, 1e-6), at(0, -100))))).toBeCloseTo(Math.PI * 150, 3);
  });

  it('strays nowhere from the circle by more than the tolerance, and passes its three places', () => {
    const place = fc.record({ x: fc.integer({ min: -2000, max: 2000 }), y: fc.integer({ min: -2000, max: 2000 }) });
    fc.assert(
      fc.property(place, place, place, (a, b, c) => {
        const cross = Math.abs((b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x));
        fc.pre(cross > 1000);
        const arc = path(arcPath(a, b, c));
        const radius = 1 / Math.abs(arc[0]!.curvature);
        const chord = Math.hypot(arc[1]!.x - arc[0]!.x, arc[1]!.y - arc[0]!.y);
        const sagitta = radius - Math.sqrt(Math.max(0, radius ** 2 - chord ** 2 / 4));
        const last = arc.at(-1)!;
        return sagitta <= 0.0501 && arc[0]!.x === a.x && last.x === c.x && last.y === c.y;
      }),
    );
  });

  it('is none through three places on a straight, or two at one place', () => {
    expect(arcPath(at(0, 0), at(5, 5), at(10, 10))).toBeNull();
    expect(arcPath(at(0, 0), at(0, 0), at(10, 10))).toBeNull();
  });
});

describe('sweepPath', () => {
  const points = [at(0, 200), at(300, 320), at(700, 250), at(1000, 300)];

  it('passes every measured place', () => {
    const sweep = path(sweepPath(points));
    for (const { x, y } of points)
      expect(Math.min(...sweep.map((point) => Math.hypot(point.x - x, point.y - y)))).toBeLessThan(1e-9);
  });

  it('bends without a jump', () => {
    const sweep = path(sweepPath(points));
    const biggest = Math.max(
      ...sweep.slice(1).map((point, index) => Math.abs(point.curvature - sweep[index]!.curvature)),
    );
    expect(biggest).toBeLessThan(0.05 * Math.max(...sweep.map(({ curvature }) => Math.abs(curvature))));
    expect(inflections(sweep).length).toBe(1);
  });

  it('tells the bend of a circle it was measured from', () => {
    const circle = Array.from({ length: 13 }, (_, i) =>
      at(500 * Math.cos((i * Math.PI) / 12), 500 * Math.sin((i * Math.PI) / 12)),
    );
    const middle = path(sweepPath(circle)).filter(({ x }) => Math.abs(x) < 250);
    for (const { curvature } of middle) expect(1 / curvature).toBeCloseTo(500, -1);
  });

  it('is a straight through two places and none through repeated ones', () => {
    expect(pathLength(path(sweepPath([at(0, 0), at(30, 40)])))).toBeCloseTo(50);
    expect(sweepPath([at(0, 0), at(0, 0), at(1, 1)])).toBeNull();
    expect(sweepPath([at(0, 0)])).toBeNull();
  });
});

describe('parallelPath', () => {
  it('of an arc is an arc about the same centre', () => {
    const arc = path(arcPath(at(-100, 0), at(0, 100), at(100, 0)));
    // The arc runs clockwise, so its right side is inside.
    expect(tightestBend(path(parallelPath(arc, -30)))?.radiusMm).toBeCloseTo(70, 6);
    expect(tightestBend(path(parallelPath(arc, 30)))?.radiusMm).toBeCloseTo(130, 6);
  });

  it('keeps its distance everywhere, also past a bend tighter than the distance', () => {
    const sweep = path(sweepPath([at(0, 0), at(200, 180), at(250, 200), at(300, 180), at(500, 0)]));
    const inner = path(parallelPath(sweep, -60));
    for (const point of inner) {
      const nearest = Math.min(...sweep.map(({ x, y }) => Math.hypot(x - point.x, y - point.y)));
      expect(nearest).toBeGreaterThan(59.8);
    }
    expect(inner.length).toBeGreaterThan(20);
  });

  it('is none where nothing is left', () => {
    const small = path(arcPath(at(-10, 0), at(0, 10), at(10, 0)));
    expect(parallelPath(small, -50)).toBeNull();
  });
});

describe('setOutParts', () => {
  it('measures from a datum that is moved and turned', () => {
    const turned: Datum = { id: 'base', name: 'Centre line', at: [500, 0], angleDeg: 90 };
    const line = firstItem(resolve([straight('a', [100, 50], [400, 50])], [turned]));
    expect(line.path?.[0]?.x).toBeCloseTo(450);
    expect(line.path?.[0]?.y).toBeCloseTo(100);
  });

  it('cuts at the outline, and runs on to it when asked', () => {
    expect(pathLength(resolve([straight('a', [-50, 100], [1200, 100])])[0]!.pieces[0]!)).toBeCloseTo(1000);
    expect(pathLength(resolve([straight('a', [300, 100], [400, 100], true)])[0]!.pieces[0]!)).toBeCloseTo(1000);
    expect(resolve([straight('a', [300, 100], [400, 100], true)])[0]!.pieces[0]![0]!.at).toBe(0);
  });

  it('tells what is wrong on the line itself', () => {
    const lines: TrimLine[] = [
      straight('out', [0, 900], [1000, 900]),
      straight('point', [5, 5], [5, 5]),
      { kind: 'parallel', id: 'p', name: 'p', runOn: true, of: 'gone', offset: 5 },
      { kind: 'parallel', id: 'q', name: 'q', runOn: true, of: 'r', offset: 5 },
      { kind: 'parallel', id: 'r', name: 'r', runOn: true, of: 'q', offset: 5 },
      { kind: 'parallel', id: 's', name: 's', runOn: true, of: 'point', offset: 5 },
      {
        kind: 'arc',
        id: 'flat',
        name: 'flat',
        runOn: false,
        datum: 'base',
        from: m(0, 0),
        through: m(1, 1),
        to: m(2, 2),
      },
      { kind: 'straight', id: 'lost', name: 'lost', runOn: false, datum: 'nowhere', from: m(0, 0), to: m(1, 1) },
    ];
    expect(resolve(lines).map(({ fault }) => fault && say(fault))).toEqual([
      expect.stringMatching(/outside the part/),
      expect.stringMatching(/same place/),
      expect.stringMatching(/no longer there/),
      expect.stringMatching(/itself/),
      expect.stringMatching(/itself/),
      expect.stringMatching(/cannot be laid out/),
      expect.stringMatching(/three places/),
      expect.stringMatching(/datum/),
    ]);
  });

  it('follows the line a parallel is made from, wherever that stands in the list', () => {
    const parallel: TrimLine = { kind: 'parallel', id: 'p', name: 'p', runOn: false, of: 'a', offset: -6 };
    const line = firstItem(resolve([parallel, straight('a', [0, 100], [1000, 100])]));
    expect(line.path?.every(({ y }) => Math.abs(y - 94) < 1e-9)).toBe(true);
  });
});

it('straightPath is none between a place and itself', () => expect(straightPath(at(1, 1), at(1, 1))).toBeNull());
