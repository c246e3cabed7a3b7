import fc from 'fast-check';
import { arcPath, cornerDistances, type Path, pathFromSamples, pathLength, straightPath } from '../curves';
import { firstItem } from '../kit';
import { skinOf, type Surface } from '../surface';
import { linesOn, straight } from '../testing/samples';
import { filletBetween } from './fillet';
import { isFailure } from './messages';
import { sweepPath } from './sweep';
import { wrapAtSeam } from './wrap';

const TUBE: Surface = { kind: 'tube', diameter: 80, length: 300 };
const CONE: Surface = { kind: 'cone', d1: 50, d2: 120, length: 260 };
const at = (x: number, y: number) => ({ x, y });

describe('cut at the seam', () => {
  const girth = Math.PI * 80;
  it('a line that stays on the sheet is left alone', () => {
    const line = straightPath(at(0, -50), at(300, 60)) as Path;
    expect(wrapAtSeam(line, skinOf(TUBE))).toHaveLength(1);
    expect(wrapAtSeam(line, skinOf({ kind: 'flat', outline: { kind: 'rectangle', width: 9, height: 9 } }))).toEqual([
      line,
    ]);
  });
  it('a helix comes in pieces that lie on the sheet and keep its length', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -900, max: 900, noNaN: true }),
        fc.double({ min: -900, max: 900, noNaN: true }),
        (from, to) => {
          const line = straightPath(at(0, from), at(300, to)) as Path;
          const pieces = wrapAtSeam(line, skinOf(TUBE));
          const onSheet = pieces.every((piece) => piece.every(({ y }) => Math.abs(y) <= girth / 2 + 1e-6));
          return (
            onSheet && Math.abs(pieces.reduce((sum, piece) => sum + pathLength(piece), 0) - pathLength(line)) < 0.01
          );
        },
      ),
    );
  });
  it('a turn of a cone brings a place to where it was', () => {
    const skin = skinOf(CONE);
    fc.assert(
      fc.property(fc.integer({ min: -3, max: 3 }), fc.double({ min: 0, max: 260, noNaN: true }), (turns, along) => {
        const place = at(along, 5);
        const there = skin.seam!.unwound(place, turns);
        const back = skin.seam!.unwound(there, -turns);
        const [a, b] = [skin.axle!.onRound(place), skin.axle!.onRound(there)];
        const round = Math.cos(a.angle - b.angle);
        return (
          Math.hypot(back.x - place.x, back.y - place.y) < 1e-9 &&
          Math.abs(a.along - b.along) < 1e-9 &&
          Math.abs(round - 1) < 1e-9
        );
      }),
    );
  });
  it('a straight tape round a cone is as long on its pieces as on the flat', () => {
    const line = firstItem(linesOn(CONE, [straight('s', [130, -200], [130, 200])]));
    expect(line.pieces.length).toBeGreaterThan(1);
    const whole = line.path as Path;
    expect(line.pieces.reduce((sum, piece) => sum + pathLength(piece), 0)).toBeCloseTo(pathLength(whole), 1);
  });
});

describe('rounded corners', () => {
  const leg = (x: number, y: number) => straightPath(at(0, 0), at(x, y)) as Path;
  it('of two straights touch both at r / tan(half the angle) from the corner', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 2.8, noNaN: true }),
        fc.double({ min: 5, max: 40, noNaN: true }),
        (angle, radius) => {
          const fillet = filletBetween(
            leg(600, 0),
            leg(600 * Math.cos(angle), 600 * Math.sin(angle)),
            radius,
            'end',
            'end',
          );
          if (isFailure(fillet)) return false;
          const away = radius / Math.tan(angle / 2);
          return (
            Math.abs(fillet.a[0]!.x - away) < 1e-3 &&
            Math.abs(pathLength(fillet.path) - radius * (Math.PI - angle)) < 1e-3
          );
        },
      ),
    );
  });
  it('run on in the direction of both lines', () => {
    const bow = arcPath(at(0, 0), at(150, 120), at(300, 100)) as Path;
    const fillet = filletBetween(leg(500, -60), bow, 20, 'end', 'end');
    if (isFailure(fillet)) throw new Error(fillet.code);
    const [first, last] = [fillet.path[0]!, fillet.path.at(-1)!];
    const along = (p: { tx: number; ty: number }, q: { tx: number; ty: number }) => Math.abs(p.tx * q.tx + p.ty * q.ty);
    expect(along(first, fillet.a[0]!)).toBeCloseTo(1, 3);
    expect(along(last, fillet.b[0]!)).toBeCloseTo(1, 3);
  });
  it('of lines that run on into each other are refused', () => {
    expect(filletBetween(leg(500, 0), straightPath(at(0, 0), at(-500, 0)) as Path, 20, 'end', 'end')).toHaveProperty(
      'code',
      expect.stringMatching(/^line\.corner-(straight|apart|room)$/),
    );
  });
});

describe('a path through places from elsewhere', () => {
  it('knows the bend of the circle they lie on', () => {
    const places = Array.from({ length: 90 }, (_, i) =>
      at(200 * Math.cos((i * Math.PI) / 45), 200 * Math.sin((i * Math.PI) / 45)),
    );
    const path = pathFromSamples(places, true) as Path;
    for (const { curvature } of path) expect(1 / curvature).toBeCloseTo(200, 0);
    expect(cornerDistances(path)).toEqual([]);
  });
  it('has a corner where it turns sharply, also at its seam', () => {
    const square = pathFromSamples([at(0, 0), at(10, 0), at(10, 10), at(0, 10)], true) as Path;
    expect(cornerDistances(square)).toHaveLength(4);
    expect(pathLength(square)).toBeCloseTo(40);
  });
  it('is none through one place, however often it is given', () =>
    expect(pathFromSamples([at(1, 1), at(1, 1), at(1, 1)], true)).toBeNull());
  it('is as long as the curve it came from', () => {
    const curve = sweepPath([at(0, 0), at(100, 60), at(200, -20)]) as Path;
    expect(pathLength(pathFromSamples(curve, false) as Path)).toBeCloseTo(pathLength(curve), 6);
  });
});
