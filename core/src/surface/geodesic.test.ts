import fc from 'fast-check';
import { depth } from '../../../scripts/test-limits.mjs';
import { pathLength } from '../curves';
import type { SpacePoint } from './space';
import { skinOf, type Surface } from './surface';

const R = 200;
/** A ball on its axis; distance along the skin is R times the angle from its first pole. */
const BALL: Surface = {
  kind: 'turned',
  profile: { start: [0, 0], edges: [{ to: [2 * R, 0], through: [R, R] }], smooth: false },
};
const skin = skinOf(BALL);
const placeAt = (fromPole: number, angle: number) => skin.axle!.onSheet({ along: R * fromPole, angle });
const outwards = (place: { x: number; y: number }): SpacePoint => {
  const { at } = skin.inSpace(place);
  return { x: at.x - R, y: at.y, z: at.z };
};
const dot = (a: SpacePoint, b: SpacePoint) => a.x * b.x + a.y * b.y + a.z * b.z;
const cross = (a: SpacePoint, b: SpacePoint): SpacePoint => ({
  x: a.y * b.z - a.z * b.y,
  y: a.z * b.x - a.x * b.z,
  z: a.x * b.y - a.y * b.x,
});

// Away from the poles, where headings lose their meaning, and from the seam.
const fromPole = fc.double({ min: 0.6, max: Math.PI - 0.6, noNaN: true });
const angle = fc.double({ min: -1.2, max: 1.2, noNaN: true });

describe('straight over a ball', () => {
  it('lies in the plane through its middle, and is as long as the great circle', () => {
    fc.assert(
      fc.property(fromPole, angle, fromPole, angle, (p, a, q, b) => {
        const [from, to] = [placeAt(p, a), placeAt(q, b)];
        const [u, w] = [outwards(from), outwards(to)];
        const apart = Math.acos(Math.max(-1, Math.min(1, dot(u, w) / (R * R))));
        fc.pre(apart > 0.05);
        const path = skin.between(from, to);
        if (!path) return false;
        const normal = cross(u, w);
        const size = Math.hypot(normal.x, normal.y, normal.z);
        const off = Math.max(...path.map((place) => Math.abs(dot(outwards(place), normal)) / size));
        // The profile is a circle taken in short chords: the flattening tolerance shows in length and place.
        return off < 0.05 && Math.abs(pathLength(path) - R * apart) < 0.05;
      }),
      { numRuns: depth(10, 40) },
    );
  });
  it('starts and ends where asked, heads along itself and does not bend', () => {
    const [from, to] = [placeAt(1, -0.8), placeAt(2, 0.9)];
    const path = skin.between(from, to)!;
    expect(Math.hypot(path[0]!.x - from.x, path[0]!.y - from.y)).toBeLessThan(1e-9);
    expect(path.at(-1)).toMatchObject(to);
    for (let index = 1; index < path.length; index++) {
      const { curvature, tx, ty } = path[index]!;
      const step = { x: path[index]!.x - path[index - 1]!.x, y: path[index]!.y - path[index - 1]!.y };
      expect(curvature).toBe(0);
      expect((step.x * tx + step.y * ty) / Math.hypot(step.x, step.y)).toBeGreaterThan(0.999);
    }
  });
  it('is no line between a place and itself', () => expect(skin.between(placeAt(1, 0), placeAt(1, 0))).toBeNull());
  it('there and back comes to where it began', () => {
    fc.assert(
      fc.property(
        fromPole,
        fc.double({ min: -1.2, max: 1.2, noNaN: true }),
        fc.double({ min: 5, max: 60, noNaN: true }),
        (p, heading, length) => {
          const from = placeAt(p, 0);
          const away = skin.walk(from, heading, length);
          const back = skin.between(away, from);
          return back !== null && Math.abs(pathLength(back) - length) < 0.01;
        },
      ),
      { numRuns: depth(10, 40) },
    );
  });
});

describe('walking straight on', () => {
  it('a quarter round along a meridian is a quarter of the girth', () => {
    const { along, angle: round } = skin.axle!.onRound(skin.walk(placeAt(0.5, 0.3), 0, (R * Math.PI) / 4));
    expect(along).toBeCloseTo(R * (0.5 + Math.PI / 4), 6);
    expect(round).toBeCloseTo(0.3, 9);
  });
  it('square to the meridian at the equator stays on the equator', () => {
    const { along, angle: round } = skin.axle!.onRound(skin.walk(placeAt(Math.PI / 2, 0), Math.PI / 2, R));
    expect(along).toBeCloseTo((R * Math.PI) / 2, 2);
    expect(round).toBeCloseTo(1, 4);
  });
});

describe('running on past an end', () => {
  it('on a straight barrel is the helix it was, to the rim', () => {
    const barrel = skinOf({ kind: 'turned', profile: { start: [0, 50], edges: [{ to: [400, 50] }], smooth: false } });
    const slant = Math.PI / 6;
    const end = {
      ...barrel.axle!.onSheet({ along: 100, angle: 0 }),
      tx: Math.cos(slant),
      ty: Math.sin(slant),
      curvature: 0,
      at: 0,
    };
    for (const forward of [true, false]) {
      const more = barrel.onward(end, forward);
      expect(more.length).toBeGreaterThan(5);
      for (const place of more) {
        const { along, angle: round } = barrel.axle!.onRound(place);
        expect(50 * round).toBeCloseTo((along - 100) * Math.tan(slant), 6);
      }
      expect(forward ? more.at(-1)!.x > 399 : more.at(-1)!.x < 1).toBe(true);
    }
  });
});
