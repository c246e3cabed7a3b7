import { wordsFor } from '@lintrel/words';
import fc from 'fast-check';
import * as v from 'valibot';
import { boundingBox, distanceToSegment, isInsideRing, ringArea, ringLength, segmentCrossing } from '../curves';
import { type Datum, measurementOfPoint, pointOfMeasurement } from './datum';
import { type Outline, outlineFaults, outlineRing, outlineSchema } from './outline';

const { say } = wordsFor();

const polygon = (...points: [number, number][]): Outline => ({ kind: 'polygon', points });
const coordinate = fc.double({ min: -5000, max: 5000, noNaN: true });
const place = fc.record({ x: coordinate, y: coordinate });

describe('outlines', () => {
  it('a rectangle starts at its lower left and runs anticlockwise', () => {
    const ring = outlineRing({ kind: 'rectangle', width: 40, height: 30 });
    expect(ring[0]).toEqual({ x: 0, y: 0 });
    expect(ringArea(ring)).toBe(1200);
    expect(ringLength(ring)).toBe(140);
  });

  it('a polygon typed clockwise is turned round', () => {
    expect(ringArea(outlineRing(polygon([0, 0], [0, 10], [10, 10], [10, 0])))).toBe(100);
  });

  it.each<[string, Outline, number | null, RegExp]>([
    ['a bow tie', polygon([0, 0], [100, 100], [100, 0], [0, 100]), 2, /crosses/],
    ['a corner given twice', polygon([0, 0], [100, 0], [100, 0], [0, 100]), 2, /same place/],
    ['its first corner repeated at the end', polygon([0, 0], [100, 0], [100, 100], [0, 0]), 0, /same place/],
    ['an edge that turns back on itself', polygon([0, 0], [100, 0], [50, 0], [50, 80]), 1, /crosses/],
    ['an edge through a corner', polygon([0, 0], [100, 0], [100, 100], [50, 0], [0, 100]), 2, /crosses/],
    ['next to nothing', polygon([0, 0], [1, 0], [1, 0.5]), null, /next to nothing/],
  ])('refuses %s', (_, outline, corner, message) => {
    const faults = outlineFaults(outline);
    expect(faults).toEqual([{ corner, why: expect.anything() }]);
    expect(say(faults[0]!.why)).toMatch(message);
  });

  it.each<[string, Outline]>([
    ['a triangle', polygon([0, 0], [100, 0], [0, 100])],
    ['an L', polygon([0, 0], [100, 0], [100, 40], [40, 40], [40, 100], [0, 100])],
    ['corners on a straight', polygon([0, 0], [50, 0], [100, 0], [100, 100], [0, 100])],
  ])('takes %s', (_, outline) => expect(outlineFaults(outline)).toEqual([]));

  it.each([
    [{ kind: 'rectangle', width: 0, height: 5 }],
    [{ kind: 'rectangle', width: Infinity, height: 5 }],
    [{ kind: 'rectangle', width: 5 }],
    [{ kind: 'circle', diameter: 5 }],
    [
      {
        kind: 'polygon',
        points: [
          [0, 0],
          [1, 1],
        ],
      },
    ],
    [
      {
        kind: 'polygon',
        points: [
          [0, 0],
          [1, 1],
          [0, 1, 2],
        ],
      },
    ],
    [
      {
        kind: 'polygon',
        points: [
          [0, 0],
          [1, 1],
          [0, NaN],
        ],
      },
    ],
    [null],
  ])('the schema refuses %j', (data) => expect(v.is(outlineSchema, data)).toBe(false));
});

describe('datums', () => {
  it('measure back what was measured, wherever they lie and however they are turned', () => {
    const datum = fc.record({
      x: coordinate,
      y: coordinate,
      angleDeg: fc.double({ min: -360, max: 360, noNaN: true }),
    });
    fc.assert(
      fc.property(datum, fc.record({ along: coordinate, above: coordinate }), ({ x, y, angleDeg }, measured) => {
        const from: Datum = { id: 'd', name: 'D', at: [x, y], angleDeg };
        const back = measurementOfPoint(from, pointOfMeasurement(from, measured));
        return Math.abs(back.along - measured.along) < 1e-6 && Math.abs(back.above - measured.above) < 1e-6;
      }),
    );
  });

  it('measure above to the left of their direction', () => {
    const up: Datum = { id: 'd', name: 'D', at: [0, 0], angleDeg: 90 };
    expect(pointOfMeasurement(up, { along: 0, above: 10 }).x).toBeCloseTo(-10);
  });
});

describe('plane geometry', () => {
  it('two pieces cross the same whichever comes first', () => {
    fc.assert(
      fc.property(place, place, place, place, (a, b, c, d) => {
        const first = segmentCrossing(a, b, c, d);
        const second = segmentCrossing(c, d, a, b);
        return (
          (first === null) === (second === null) &&
          (!first || !second || Math.abs(first.onFirst - second.onSecond) < 1e-6)
        );
      }),
    );
  });

  it('a place on a piece has no distance from it, and never a negative one', () => {
    fc.assert(
      fc.property(place, place, fc.double({ min: 0, max: 1, noNaN: true }), (a, b, share) => {
        const on = { x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y) };
        return distanceToSegment(on, a, b) < 1e-6 && distanceToSegment({ x: on.x + 3, y: on.y }, a, b) <= 3 + 1e-6;
      }),
    );
    expect(distanceToSegment({ x: 3, y: 4 }, { x: 0, y: 0 }, { x: 0, y: 0 })).toBe(5);
  });

  it('the middle of a triangle lies in it, a far place does not', () => {
    fc.assert(
      fc.property(place, place, place, (a, b, c) => {
        fc.pre(Math.abs(ringArea([a, b, c])) > 1000);
        const middle = { x: (a.x + b.x + c.x) / 3, y: (a.y + b.y + c.y) / 3 };
        return isInsideRing(middle, [a, b, c]) && !isInsideRing({ x: middle.x + 20_000, y: middle.y }, [a, b, c]);
      }),
    );
  });

  it('a box needs a place to be round', () => {
    expect(
      boundingBox([
        { x: 1, y: 5 },
        { x: -2, y: 3 },
      ]),
    ).toEqual({ minX: -2, minY: 3, maxX: 1, maxY: 5 });
    expect(() => boundingBox([])).toThrow(/at least one/);
  });
});
