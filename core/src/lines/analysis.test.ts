import fc from 'fast-check';
import { depth } from '../../../scripts/test-limits.mjs';
import { type Path, pathLength, pointAt } from '../curves';
import { firstItem } from '../kit';
import { areasOn, BOARD, linesOn, straight, sweep } from '../testing/samples';
import { fairPoints, findWiggles } from './fairness';
import { compareSides } from './match';
import { stationsOf } from './stations';
import { sweepPath } from './sweep';

const plain = ({ x, y }: { x: number; y: number }) => ({ along: x, above: y });
const curve = (...points: [number, number][]): Path => sweepPath(points.map(([x, y]) => ({ x, y }))) as Path;
const FAIR: [number, number][] = Array.from({ length: 11 }, (_, index) => [
  index * 200,
  300 + 120 * Math.sin(index * 0.25),
]);

describe('stations', () => {
  it('stand at even steps of the datum, whatever way the line runs', () => {
    const forward = stationsOf(curve([30, 100], [500, 180], [940, 120]), plain, 200, 1);
    const backward = stationsOf(curve([940, 120], [500, 180], [30, 100]), plain, 200, 1);
    for (const { rows, by } of [forward, backward]) {
      expect(by).toBe('datum');
      expect(rows.filter(({ extra }) => !extra).map(({ along }) => Math.round(along))).toEqual([
        30, 200, 400, 600, 800, 940,
      ]);
    }
  });
  it('keep straight chords within the tolerance', () => {
    const height = fc.integer({ min: 0, max: 300 });
    fc.assert(
      fc.property(height, height, height, fc.constantFrom(0.2, 0.5, 2), (a, b, c, tolerance) => {
        const path = curve([0, a], [400, b], [900, c], [1400, a]);
        const { rows } = stationsOf(path, plain, 300, tolerance);
        const at = rows.map((row) => row.at).sort((p, q) => p - q);
        return path.every((point) => {
          const next = at.findIndex((one) => one >= point.at - 1e-9);
          if (next <= 0) return true;
          const [p, q] = [pointAt(path, at[next - 1]!), pointAt(path, at[next]!)];
          const cross = (q.x - p.x) * (point.y - p.y) - (q.y - p.y) * (point.x - p.x);
          return Math.abs(cross) / Math.hypot(q.x - p.x, q.y - p.y) <= tolerance + 1e-6;
        });
      }),
      { numRuns: depth(10, 60) },
    );
  });
  it('count along a line that turns back on itself', () => {
    const circle = firstItem(
      linesOn(BOARD, [
        {
          kind: 'ellipse',
          id: 'c',
          name: 'c',
          runOn: false,
          datum: 'base',
          centre: { along: 500, above: 250 },
          width: 200,
          height: 200,
          turnDeg: 0,
        },
      ]),
    );
    const { by, rows } = stationsOf(circle.pieces[0]!, plain, 100, 5);
    expect(by).toBe('line');
    expect(rows.filter(({ extra }) => !extra)).toHaveLength(8);
  });
});

describe('fairness', () => {
  it('finds nothing on a fair curve, a straight or an arc', () => {
    expect(findWiggles(curve(...FAIR))).toEqual([]);
    expect(findWiggles(linesOn(BOARD, [straight('s', [0, 0], [900, 400])])[0]!.pieces[0]!)).toEqual([]);
  });
  it('finds one point that is out, where it is and about how much', () => {
    const wrong = FAIR.map(([x, y], index): [number, number] => (index === 6 ? [x, y + 4] : [x, y]));
    const path = curve(...wrong);
    const worst = findWiggles(path).sort((a, b) => b.sizeMm - a.sizeMm)[0]!;
    expect(worst).toBeDefined();
    expect(Math.abs(pointAt(path, worst.at).x - 1200)).toBeLessThan(300);
    expect(worst.sizeMm).toBeGreaterThan(0.4);
    expect(worst.sizeMm).toBeLessThan(5);
  });
  it('is made by moving no point farther than allowed, and ends stay', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -5, max: 5 }), { minLength: 11, maxLength: 11 }),
        fc.integer({ min: 1, max: 6 }),
        (noise, most) => {
          const points = FAIR.map(([x, y], index) => ({ x, y: y + noise[index]! }));
          const { points: faired, movedMm } = fairPoints(points, most);
          const still = (index: number) =>
            faired[index]!.x === points[index]!.x && faired[index]!.y === points[index]!.y;
          return movedMm.every((moved) => moved <= most + 1e-9) && still(0) && still(points.length - 1);
        },
      ),
    );
  });
  it('takes a wiggle out of a line that wavers', () => {
    const points = FAIR.map(([x, y], index) => ({ x, y: index === 5 ? y + 5 : y }));
    const size = (path: Path) => Math.max(0, ...findWiggles(path).map(({ sizeMm }) => sizeMm));
    const { points: faired } = fairPoints(points, 6);
    expect(size(sweepPath(faired) as Path)).toBeLessThan(0.5 * size(sweepPath(points) as Path));
  });
});

describe('the second side', () => {
  const line = curve([0, 100], [500, 160], [1000, 120]);
  const at = (along: number, off: number) => ({
    along,
    above: compareSides([line], plain, [{ along, above: 0 }]).rows[0]!.planned! + off,
  });
  it('matches where it was laid as planned', () => {
    const { worstMm, seen } = compareSides([line], plain, [at(100, 0), at(400, 0), at(900, 0)]);
    expect([Math.abs(worstMm) < 1e-9, seen]).toEqual([true, false]);
  });
  it('tells where it is out and by how much, in order', () => {
    const { rows, worstMm } = compareSides([line], plain, [at(900, 1), at(100, -3)]);
    expect(rows.map(({ along, outMm }) => [along, Math.round((outMm ?? 0) * 1e6) / 1e6])).toEqual([
      [100, -3],
      [900, 1],
    ]);
    expect(worstMm).toBeCloseTo(-3);
  });
  it('an even offset is not seen, a quick change is', () => {
    expect(compareSides([line], plain, [at(100, 3), at(500, 3), at(900, 3)]).seen).toBe(false);
    const { rows } = compareSides([line], plain, [at(100, 0), at(300, 3), at(500, 0)]);
    expect(rows.map(({ seen }) => seen)).toEqual([false, true, false]);
  });
  it('says nothing where the line does not reach', () =>
    expect(compareSides([line], plain, [{ along: 2000, above: 5 }]).rows[0]).toMatchObject({
      planned: null,
      outMm: null,
      seen: false,
    }));
});

describe('features on the way', () => {
  const zone = { kind: 'window', at: { along: 500, above: 100 }, width: 200, height: 100, corner: 0 } as const;
  const base = { name: 'n', datum: 'base' };
  const line = straight('s', [0, 100], [1000, 100]);
  it('are told with where the line meets them', () => {
    const found = firstItem(
      linesOn(BOARD, [line], {
        features: [
          {
            kind: 'raised-row',
            id: 'r',
            ...base,
            from: { along: 200, above: 0 },
            to: { along: 200, above: 500 },
            height: 2,
            pitch: 20,
          },
          { kind: 'texture', id: 't', ...base, shape: zone },
        ],
      }),
    );
    expect(found.crosses.map(({ kind, from, to }) => [kind, Math.round(from), Math.round(to)])).toEqual([
      ['raised-row', 200, 200],
      ['texture', 400, 600],
    ]);
  });
  it('an opening cuts the line and the area', () => {
    const features = [{ kind: 'opening', id: 'o', ...base, use: 'window', shape: zone }] as const;
    const found = firstItem(linesOn(BOARD, [line], { features }));
    expect(found.pieces.map((piece) => Math.round(pathLength(piece)))).toEqual([400, 400]);
    expect(found.crosses).toMatchObject([
      { kind: 'opening', from: expect.closeTo(400, 3), to: expect.closeTo(600, 3) },
    ]);
    const { areas } = areasOn(BOARD, [line], { features });
    expect(areas).toHaveLength(2);
    expect(areas.reduce((sum, { sizeMm2 }) => sum + sizeMm2, 0)).toBeCloseTo(500_000 - 20_000, 0);
  });
  it('an opening across the seam of a tube is one opening', () => {
    const tube = { kind: 'tube', diameter: 100, length: 400 } as const;
    const hatch = {
      kind: 'opening',
      id: 'o',
      ...base,
      use: 'hole',
      shape: { kind: 'round', at: { along: 200, above: 50 * Math.PI }, diameter: 60 },
    } as const;
    const { areas } = areasOn(tube, [], { features: [hatch] });
    expect(areas).toHaveLength(1);
    expect(areas[0]!.sizeMm2).toBeCloseTo(Math.PI * 100 * 400 - Math.PI * 900, -2);
  });
  it('lines hidden in the drawing still bound areas', () =>
    expect(areasOn(BOARD, [{ ...sweep('w', [0, 200], [1000, 240]), hidden: true }]).areas).toHaveLength(2));
});
