import { wordsFor } from '@lintrel/words';
import fc from 'fast-check';
import { circleFit, ringArea } from '../curves';
import { firstItem } from '../kit';
import { areasOn, linesOn, setOutOne, straight } from '../testing/samples';
import { coneSheet, ringRadiusOnSheet } from './cone-unrolled';
import type { Panel } from './net';
import { outlineRing } from './outline';
import { pointOnProfile, profileOf } from './profile';
import { rotateByPose, toPieceSpace, vectorLength } from './space';
import { skinOf, type Surface, surfaceFaults } from './surface';

const { say } = wordsFor();

const CONE: Surface = { kind: 'cone', d1: 40, d2: 90, length: 120 };
const TUBE: Surface = { kind: 'tube', diameter: 60, length: 200 };
const SPHERE_RADIUS = 80;
/** Half a circle from pole to pole, a sphere when turned. */
const SPHERE: Surface = {
  kind: 'turned',
  profile: {
    start: [0, 0],
    edges: [{ to: [2 * SPHERE_RADIUS, 0], through: [SPHERE_RADIUS, SPHERE_RADIUS] }],
    smooth: false,
  },
};
const panel = (id: string, width: number, height: number, fold: Panel['fold']): Panel => ({
  id,
  name: id,
  outline: { kind: 'rectangle', width, height },
  fold,
});

describe('outlines with round edges', () => {
  it('a disc has the size of its circle, within what flattening takes', () => {
    const size = ringArea(outlineRing({ kind: 'disc', diameter: 300 }));
    expect(size).toBeLessThan(Math.PI * 150 ** 2);
    expect(size).toBeGreaterThan(Math.PI * 150 ** 2 * 0.9985);
  });
  it('a bow on top adds its segment', () => {
    // Half circle of radius 50 on a 100 × 40 rectangle.
    const ring = outlineRing({
      kind: 'curved',
      start: [0, 0],
      edges: [{ to: [100, 0] }, { to: [100, 40] }, { to: [0, 40], through: [50, 90] }, { to: [0, 0] }],
    });
    expect(ringArea(ring)).toBeCloseTo(4000 + (Math.PI * 2500) / 2, -1);
  });
  it.each<[string, Surface, RegExp]>([
    [
      'an outline that does not close',
      { kind: 'flat', outline: { kind: 'curved', start: [0, 0], edges: [{ to: [100, 0] }, { to: [100, 90] }] } },
      /end where/,
    ],
    [
      'one that crosses itself',
      {
        kind: 'flat',
        outline: {
          kind: 'curved',
          start: [0, 0],
          edges: [{ to: [100, 100] }, { to: [100, 0] }, { to: [0, 100] }, { to: [0, 0] }],
        },
      },
      /crosses itself/,
    ],
    ['a cone that is a tube', { kind: 'cone', d1: 50, d2: 50, length: 10 }, /make it a tube/],
    [
      'a radius below 0',
      { kind: 'turned', profile: { start: [0, 5], edges: [{ to: [10, -1] }], smooth: false } },
      /below 0/,
    ],
    [
      'a profile that passes the axis',
      { kind: 'turned', profile: { start: [0, 5], edges: [{ to: [100, 5], through: [50, -20] }], smooth: false } },
      /passes the axis/,
    ],
    [
      'a panel that hangs on nothing',
      { kind: 'folded', panels: [panel('a', 100, 50, null), panel('b', 100, 50, null)] },
      /hangs on no other/,
    ],
    [
      'an edge longer than the one it hangs on',
      {
        kind: 'folded',
        panels: [panel('a', 100, 50, null), panel('b', 120, 50, { on: 'a', edge: 0, own: 2, angleDeg: 90, radius: 2 })],
      },
      /only 100 mm/,
    ],
  ])('refuses %s', (_, surface, message) =>
    expect(
      surfaceFaults(surface)
        .map((fault) => say(fault.why))
        .join(),
    ).toMatch(message),
  );
});

describe('a cone unrolled', () => {
  it('has the worked figures', () => {
    const { slantMm, sinHalfAngle, apexToSmallMm, apexToBigMm, sectorDeg } = coneSheet(40, 90, 120);
    expect(slantMm).toBeCloseTo(122.577, 3);
    expect(sinHalfAngle).toBeCloseTo(0.20395, 5);
    expect(apexToSmallMm).toBeCloseTo(98.06, 2);
    expect(apexToBigMm).toBeCloseTo(220.64, 2);
    expect(sectorDeg).toBeCloseTo(73.42, 2);
    expect(coneSheet(50, 50, 80)).toMatchObject({ apexToSmallMm: null, sectorDeg: 0 });
  });
  it('has the skin of the cone, whichever end is the small one', () => {
    const skin = (Math.PI * (40 + 90) * coneSheet(40, 90, 120).slantMm) / 2;
    for (const surface of [CONE, { ...CONE, d1: 90, d2: 40 }]) {
      const area = firstItem(areasOn(surface, []).areas);
      expect(Math.abs(area.sizeMm2 - skin) / skin).toBeLessThan(2e-3);
      expect(area.perimeterMm).toBeCloseTo(Math.PI * 130, 0);
    }
  });
  it('a ring round it is an arc of its apex distance, 1e-6 exact', () => {
    for (const [d1, d2] of [
      [40, 90],
      [90, 40],
    ] as const) {
      const ring = firstItem(
        linesOn({ kind: 'cone', d1, d2, length: 120 }, [{ kind: 'ring', id: 'r', name: 'r', runOn: false, at: 60 }]),
      );
      const { sheetRadiusMm, girthMm } = ringRadiusOnSheet(d1, d2, 120, 60);
      const piece = ring.pieces[0]!;
      expect(Math.abs(Math.abs(1 / piece[5]!.curvature) / (sheetRadiusMm ?? 0) - 1)).toBeLessThan(1e-6);
      expect(Math.abs(piece.at(-1)!.at / girthMm - 1)).toBeLessThan(1e-6);
    }
  });
});

describe('round surfaces', () => {
  it.each([
    ['tube', TUBE],
    ['cone', CONE],
    ['sphere', SPHERE],
  ])('%s: place, sheet and place again are the same', (_, surface) => {
    const skin = skinOf(surface);
    const length = skin.axle?.lengthMm ?? 0;
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        fc.double({ min: -3.1, max: 3.1, noNaN: true }),
        (share, angle) => {
          const back = skin.axle!.onRound(skin.axle!.onSheet({ along: share * length, angle }));
          return Math.abs(back.along - share * length) < 1e-6 && Math.abs(back.angle - angle) < 1e-6;
        },
      ),
    );
  });
  it('stand where they should in space, looking outwards', () => {
    const tube = skinOf(TUBE);
    expect(tube.inSpace({ x: 50, y: 0 })).toMatchObject({ at: { x: 50, y: 0, z: 30 }, out: { z: 1 } });
    expect(tube.inSpace(tube.axle!.onSheet({ along: 50, angle: Math.PI / 2 })).at.y).toBeCloseTo(30);
    const sphere = skinOf(SPHERE);
    const { at, out } = sphere.inSpace(sphere.axle!.onSheet({ along: 40, angle: 1 }));
    const middle = { x: at.x - SPHERE_RADIUS, y: at.y, z: at.z };
    expect(vectorLength(middle)).toBeCloseTo(SPHERE_RADIUS, 9);
    expect(out.x * middle.x + out.y * middle.y + out.z * middle.z).toBeCloseTo(SPHERE_RADIUS, 6);
  });
  it('a latitude of a sphere bends by tan φ / r, a meridian not at all, 1e-6 exact', () => {
    for (const latitude of [0.2, 0.5, 1, 1.3]) {
      const at = SPHERE_RADIUS * (1 - Math.sin(latitude));
      const ring = firstItem(linesOn(SPHERE, [{ kind: 'ring', id: 'r', name: 'r', runOn: false, at }]));
      const bend = Math.abs(ring.pieces[0]![3]!.curvature);
      expect(Math.abs(bend / (Math.tan(latitude) / SPHERE_RADIUS) - 1)).toBeLessThan(1e-6);
      expect(
        Math.abs(ring.pieces[0]!.at(-1)!.at / (2 * Math.PI * SPHERE_RADIUS * Math.cos(latitude)) - 1),
      ).toBeLessThan(1e-6);
    }
    const meridian = firstItem(linesOn(SPHERE, [straight('m', [10, 0], [200, 0])]));
    expect(meridian.pieces[0]!.every(({ curvature }) => Math.abs(curvature) < 1e-9)).toBe(true);
  });
  it('a cap of a sphere has 2πrh, 1e-6 exact but for the grid', () => {
    const height = 30;
    const { areas } = areasOn(SPHERE, [{ kind: 'ring', id: 'r', name: 'r', runOn: false, at: height }]);
    const sizes = areas.map(({ sizeMm2 }) => sizeMm2).sort((a, b) => a - b);
    expect(Math.abs(sizes[0]! / (2 * Math.PI * SPHERE_RADIUS * height) - 1)).toBeLessThan(2e-5);
    expect(Math.abs((sizes[0]! + sizes[1]!) / (4 * Math.PI * SPHERE_RADIUS ** 2) - 1)).toBeLessThan(1e-5);
  });
  it('a smooth profile passes its pairs and knows its slope', () => {
    const profile = profileOf({
      start: [0, 10],
      edges: [{ to: [50, 30] }, { to: [120, 42] }, { to: [200, 40] }],
      smooth: true,
    });
    const samples = Array.from({ length: 2000 }, (_, i) => pointOnProfile(profile, (profile.lengthMm * i) / 1999));
    for (const [along, radius] of [
      [0, 10],
      [50, 30],
      [120, 42],
      [200, 40],
    ] as const)
      expect(Math.min(...samples.map((s) => Math.hypot(s.along - along, s.radius - radius)))).toBeLessThan(0.1);
    for (const at of [20, 90, 150]) {
      const [a, b] = [pointOnProfile(profile, at - 0.01), pointOnProfile(profile, at + 0.01)];
      expect((b.radius - a.radius) / 0.02).toBeCloseTo(pointOnProfile(profile, at).slope, 3);
      expect(Math.hypot(b.radius - a.radius, b.along - a.along) / 0.02).toBeCloseTo(1, 3);
    }
  });
});

describe('a folded piece', () => {
  const box: Surface = {
    kind: 'folded',
    panels: [
      panel('front', 400, 300, null),
      panel('right', 200, 300, { on: 'front', edge: 1, own: 3, angleDeg: 90, radius: 10 }),
      panel('top', 400, 250, { on: 'front', edge: 2, own: 0, angleDeg: 90, radius: 0 }),
    ],
  };
  const skin = skinOf(box);
  it('unfolds with the bends as wide as their arcs', () => {
    const bend = (Math.PI / 2) * 10;
    expect(ringArea(skin.ring)).toBeCloseTo(400 * 300 + (200 + bend) * 300 + 400 * 250, 3);
    expect(surfaceFaults(box)).toEqual([]);
  });
  it('keeps lengths from sheet to space on panels and over bends', () => {
    const bend = (Math.PI / 2) * 10;
    const along = [300, 390, 399, 400 + bend / 2, 400 + bend + 1, 500].map((x) => skin.inSpace({ x, y: 120 }).at);
    expect(along[0]).toMatchObject({ x: 300, z: 120 });
    // Past the bend the panel runs away from the viewer, 10 mm beyond where the bend began.
    expect(along[4]!.x).toBeCloseTo(410, 6);
    expect(along[5]!.y - along[4]!.y).toBeCloseTo(500 - 401 - bend, 6);
    expect(Math.hypot(along[3]!.x - 400, along[3]!.y - 10)).toBeCloseTo(10, 6);
    expect(skin.inSpace({ x: 500, y: 120 }).out.x).toBeCloseTo(1, 9);
  });
  it('lets the top fold back', () => {
    const { at, out } = skin.inSpace({ x: 100, y: 400 });
    expect([at.x, at.y, at.z].map(Math.round)).toEqual([100, 100, 300]);
    expect(out.z).toBeCloseTo(1, 9);
  });
});

describe('poses', () => {
  it('turn by right angles exactly', () =>
    expect(rotateByPose({ yawDeg: 90, pitchDeg: 0, rollDeg: -90 }, { x: 1, y: 0, z: 0 })).toEqual({
      x: 0,
      y: 1,
      z: 0,
    }));
  it('keep lengths, whatever the angles', () => {
    const angle = fc.double({ min: -360, max: 360, noNaN: true });
    const length = fc.double({ min: -1000, max: 1000, noNaN: true });
    fc.assert(
      fc.property(angle, angle, angle, length, length, length, (yawDeg, pitchDeg, rollDeg, x, y, z) => {
        const turned = rotateByPose({ yawDeg, pitchDeg, rollDeg }, { x, y, z });
        return Math.abs(vectorLength(turned) - Math.hypot(x, y, z)) < 1e-6;
      }),
    );
    expect(toPieceSpace({ at: [1, 2, 3], yawDeg: 0, pitchDeg: 0, rollDeg: 0 }, { x: 1, y: 1, z: 1 })).toEqual({
      x: 2,
      y: 3,
      z: 4,
    });
  });
});

it('the nearest circle to places on one is that one', () => {
  const places = [0.1, 0.7, 1.1, 2, 2.6].map((angle) => ({
    x: 30 + 120 * Math.cos(angle),
    y: -10 + 120 * Math.sin(angle),
  }));
  expect(circleFit(places)).toMatchObject({
    radius: expect.closeTo(120, 6),
    centre: { x: expect.closeTo(30, 6), y: expect.closeTo(-10, 6) },
  });
  expect(
    circleFit([
      { x: 0, y: 0 },
      { x: 1, y: 1 },
      { x: 2, y: 2 },
      { x: 3, y: 3 },
    ]),
  ).toBeNull();
});

describe('an opposite part', () => {
  const feature = {
    kind: 'opening',
    id: 'vent',
    name: 'Vent',
    datum: 'base',
    use: 'hole',
    shape: { kind: 'round', at: { along: 100, above: 400 }, diameter: 80 },
  } as const;
  it('is the mirror image: line, opening and place in space', () => {
    const setOut = setOutOne({ lines: [straight('a', [0, 100], [1000, 300])], features: [feature] });
    const other = setOutOne({
      lines: [straight('a', [0, 100], [1000, 300])],
      features: [feature],
      opposite: { of: 'x', follows: false },
    });
    expect(setOut.lines[0]!.pieces[0]![0]).toMatchObject({ x: 0, y: 100 });
    expect(other.lines[0]!.pieces[0]![0]).toMatchObject({ x: 1000, y: 100 });
    expect(Math.max(...other.openings[0]!.map(({ x }) => x))).toBeCloseTo(940, 0);
    expect(ringArea(other.openings[0]!)).toBeGreaterThan(0);
  });
});
