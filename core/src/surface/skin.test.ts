import fc from 'fast-check';
import { depth } from '../../../scripts/test-limits.mjs';
import { boundingBox, isInsideRing, pathLength, type Point, pointAt, ringArea } from '../curves';
import { firstItem, firstThree, firstTwo } from '../kit';
import { mirrorSkin, type Skin, SURFACE_KINDS, type SurfaceKind } from './skin';
import { addVectors, dot, type SpacePoint, unitVector, vectorLength } from './space';
import { skinOf, type Surface } from './surface';

/** One of every kind, with what makes each of them hard: round edges, a tip, a waist, bends both ways. */
const ONE_OF: Readonly<Record<SurfaceKind, Surface>> = {
  flat: {
    kind: 'flat',
    outline: {
      kind: 'curved',
      start: [0, 0],
      edges: [{ to: [900, 0] }, { to: [900, 400], through: [980, 200] }, { to: [0, 400] }, { to: [0, 0] }],
    },
  },
  tube: { kind: 'tube', diameter: 180, length: 700 },
  cone: { kind: 'cone', d1: 260, d2: 60, length: 500 },
  turned: {
    kind: 'turned',
    profile: { start: [0, 60], edges: [{ to: [200, 140] }, { to: [420, 90] }, { to: [600, 120] }], smooth: true },
  },
  folded: {
    kind: 'folded',
    panels: [
      { id: 'a', name: 'A', outline: { kind: 'rectangle', width: 400, height: 300 }, fold: null },
      {
        id: 'b',
        name: 'B',
        outline: { kind: 'rectangle', width: 200, height: 300 },
        fold: { on: 'a', edge: 1, own: 3, angleDeg: 60, radius: 30 },
      },
      {
        id: 'c',
        name: 'C',
        outline: { kind: 'rectangle', width: 400, height: 150 },
        fold: { on: 'a', edge: 2, own: 0, angleDeg: -40, radius: 20 },
      },
    ],
  },
};
const share = fc.double({ min: 0.05, max: 0.95, noNaN: true });
const heading = fc.double({ min: -Math.PI, max: Math.PI, noNaN: true });
const minus = (a: SpacePoint, b: SpacePoint): SpacePoint => addVectors(a, b, -1);

/** A place on a skin, some way in from its rim and its seam. */
function placeOn(skin: Skin, u: number, v: number): Point {
  if (skin.axle) return skin.axle.onSheet({ along: u * skin.axle.lengthMm, angle: (v - 0.5) * 1.8 * Math.PI });
  const { minX, maxX, minY, maxY } = boundingBox(skin.ring);
  return { x: minX + u * (maxX - minX), y: minY + v * (maxY - minY) };
}

describe.each(SURFACE_KINDS)('the skin of a %s piece', (kind) => {
  const skin = skinOf(ONE_OF[kind]);
  const onPart = fc.tuple(share, share).map(([u, v]) => placeOn(skin, u, v));
  const inside = onPart.filter((place) => isInsideRing(place, skin.ring));

  it('is outlined anticlockwise, with its edges on the outline', () => {
    expect(ringArea(skin.ring)).toBeGreaterThan(0);
    for (const { places } of skin.edges)
      for (const place of places)
        expect(Math.min(...skin.ring.map(({ x, y }) => Math.hypot(x - place.x, y - place.y)))).toBeLessThan(1e-6);
  });

  it('holds what lies within its outline and nothing beyond its ends', () => {
    fc.assert(fc.property(inside, (place) => skin.holds(place)));
    const { minX, maxX } = boundingBox(skin.ring);
    expect([minX - 5, maxX + 5].map((x) => skin.holds({ x, y: 0.1 }))).toEqual([false, false]);
  });

  it('the way between two places is as long as the walk from one to the other', () => {
    fc.assert(
      fc.property(inside, heading, fc.double({ min: 3, max: 40, noNaN: true }), (from, angle, length) => {
        const there = skin.walk(from, angle, length);
        const way = skin.between(from, there);
        return (
          way !== null &&
          Math.abs(pathLength(way) - length) < 0.01 &&
          Math.hypot(way[0]!.x - from.x, way[0]!.y - from.y) < 1e-9
        );
      }),
      { numRuns: depth(10, 60) },
    );
    const place = firstItem(fc.sample(inside, 1));
    expect(skin.between(place, place)).toBeNull();
  });

  it('a step on it is as long in space, and square to the outside', () => {
    fc.assert(
      fc.property(inside, heading, (from, angle) => {
        const [here, there] = [skin.inSpace(from), skin.inSpace(skin.walk(from, angle, 0.2))];
        const step = minus(there.at, here.at);
        return (
          Math.abs(vectorLength(step) - 0.2) < 1e-3 &&
          Math.abs(vectorLength(here.out) - 1) < 1e-9 &&
          Math.abs(dot(step, here.out)) < 2e-3
        );
      }),
      { numRuns: depth(33, 200) },
    );
  });

  it('lengths and sizes on the drawing are those in space', () => {
    fc.assert(
      fc.property(inside, heading, (from, angle) => {
        const corner = (turn: number): Point => ({
          x: from.x + 0.2 * Math.cos(angle + turn),
          y: from.y + 0.2 * Math.sin(angle + turn),
        });
        const ring = [from, corner(0), corner(1.2)];
        const [a, b, c] = firstThree(ring.map((place) => skin.inSpace(place).at));
        const length = skin.metric ? skin.metric.lengthOf(ring[0]!, ring[1]!) : 0.2;
        const size = skin.metric ? skin.metric.sizeOf(ring) : ringArea(ring);
        const [p, q] = [minus(b, a), minus(c, a)];
        const inSpace = Math.sqrt(Math.max(0, dot(p, p) * dot(q, q) - dot(p, q) ** 2)) / 2;
        return Math.abs(vectorLength(p) - length) < 1e-3 && Math.abs(inSpace - size) < 2e-4;
      }),
      { numRuns: depth(33, 200) },
    );
  });

  it('a line run on leaves the part', () => {
    fc.assert(
      fc.property(inside, heading, fc.boolean(), (place, angle, forward) => {
        // Square to a turned part a line goes round and round.
        fc.pre(!skin.axle || Math.abs(Math.cos(angle)) > 0.5);
        const end = { ...place, tx: Math.cos(angle), ty: Math.sin(angle), curvature: 0, at: 0 };
        const gone = skin.onward(end, forward).at(-1)!;
        const { minX, maxX, minY, maxY } = boundingBox(skin.ring);
        return gone.x < minX || gone.x > maxX || gone.y < minY || gone.y > maxY;
      }),
      { numRuns: depth(10, 60) },
    );
  });

  it('a plane meets it in places that lie in the plane', () => {
    const direction = fc.tuple(heading, fc.double({ min: -1.4, max: 1.4, noNaN: true }));
    let met = 0;
    fc.assert(
      fc.property(inside, direction, (through, [round, up]) => {
        const normal = unitVector({
          x: Math.cos(round) * Math.cos(up),
          y: Math.sin(round) * Math.cos(up),
          z: Math.sin(up),
        });
        const offset = dot(normal, skin.inSpace(through).at);
        const cuts = skin.cut({ a: normal.x, b: normal.y, c: normal.z, offset });
        // A straight cut of a flat sheet has its ends alone, beyond the part.
        const places = cuts
          .flatMap((path) =>
            path.length === 2 ? [0.2, 0.35, 0.5, 0.65].map((part) => pointAt(path, part * pathLength(path))) : path,
          )
          .filter((place) => skin.holds(place) && isInsideRing(place, skin.ring));
        met += places.length > 0 ? 1 : 0;
        return places.every((place) => Math.abs(dot(normal, skin.inSpace(place).at) - offset) < 0.05);
      }),
      { numRuns: depth(20, 60) },
    );
    expect(met).toBeGreaterThan(10);
  });

  it('turned into its mirror image twice it is as it was', () => {
    const back = mirrorSkin(mirrorSkin(skin));
    const far = (point: Point, other: Point) => Math.hypot(point.x - other.x, point.y - other.y);
    expect(Math.max(...back.ring.map((place, index) => far(place, skin.ring[index]!)))).toBeLessThan(1e-9);
    expect(ringArea(mirrorSkin(skin).ring)).toBeCloseTo(ringArea(skin.ring), 6);
    fc.assert(fc.property(inside, (place) => far(skin.reflect(skin.reflect(place)), place) < 1e-9));
  });

  it('closes at its seam', () => {
    if (!skin.seam) return expect(skin.axle).toBeNull();
    const { edges, unwound, turnsAt, holds, along } = skin.seam;
    const [low, high] = firstTwo(edges);
    for (const at of [0, 0.25, 0.6, 1]) {
      const on = ([a, b]: (typeof edges)[number]): Point => ({ x: a.x + at * (b.x - a.x), y: a.y + at * (b.y - a.y) });
      const [p, q] = [on(low), on(high)];
      expect([holds(p), holds(q), holds({ x: p.x, y: p.y / 2 })]).toEqual([true, true, false]);
      expect(vectorLength(minus(skin.inSpace(p).at, skin.inSpace(q).at))).toBeLessThan(1e-6);
      expect(along(p)).toBeCloseTo(along(q), 6);
      expect(turnsAt(q, 0.5) - turnsAt(p, -0.5)).toBeCloseTo(1, 9);
      expect(Math.hypot(unwound(q, 1).x - p.x, unwound(q, 1).y - p.y)).toBeLessThan(1e-6);
    }
  });
});
