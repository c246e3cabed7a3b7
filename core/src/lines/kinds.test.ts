import { wordsFor } from '@lintrel/words';
import fc from 'fast-check';
import { cornerDistances, pathLength } from '../curves';
import { firstItem, firstThree, firstTwo, lastItem } from '../kit';
import type { Surface } from '../surface';
import { areasOn, BASE, BOARD, linesOn, samplePart, straight, sweep } from '../testing/samples';
import { type BandSpacing, placeBands, solveBands } from './band-spacing';
import type { TrimLine } from './line';
import { pointOnPiece } from './part-shape';
import { type ResolvedLine, setOutParts } from './set-out';

const { say } = wordsFor();
const said = (fault: ResolvedLine['fault']): string => (fault ? say(fault) : '');

const common = { id: 'l', name: 'l', runOn: false };
const measured = { ...common, datum: 'base' };
const m = (along: number, above: number) => ({ along, above });
const first = (line: TrimLine, surface: Surface = BOARD, ...others: TrimLine[]): ResolvedLine =>
  linesOn(surface, [line, ...others])[0]!;
const length = ({ pieces }: ResolvedLine): number => pieces.reduce((sum, piece) => sum + pathLength(piece), 0);
const TUBE: Surface = { kind: 'tube', diameter: 100, length: 400 };

describe('arcs', () => {
  it('by radius start in their direction and turn as told', () => {
    const arc = first({ kind: 'radius', ...measured, from: m(100, 100), headingDeg: 90, radius: 50, turnDeg: -90 });
    const [start, end] = [arc.pieces[0]![0]!, arc.pieces[0]!.at(-1)!];
    expect([start.tx, start.ty].map(Math.round)).toEqual([0, 1]);
    expect([end.x, end.y].map(Math.round)).toEqual([150, 150]);
    expect(length(arc)).toBeCloseTo(25 * Math.PI, 9);
    expect(start.curvature).toBeCloseTo(-1 / 50, 12);
  });
  it('through more than three places come as near as one circle can', () => {
    const on = (angle: number) => m(500 + 200 * Math.cos(angle), 100 + 200 * Math.sin(angle));
    const arc = first({
      kind: 'arc',
      ...measured,
      from: on(0.3),
      through: on(1),
      also: [on(1.6), on(2.2)],
      to: on(2.8),
    });
    expect(1 / arc.pieces[0]![2]!.curvature).toBeCloseTo(200, 6);
  });
});

describe('sweeps', () => {
  it('leave and arrive in the directions asked for', () => {
    const line = first({
      kind: 'sweep',
      ...measured,
      points: [m(0, 100), m(400, 200), m(1000, 150)],
      startDeg: 0,
      endDeg: -20,
    });
    const piece = line.pieces[0]!;
    expect(piece[0]!.ty).toBeCloseTo(0, 9);
    expect(Math.atan2(piece.at(-1)!.ty, piece.at(-1)!.tx)).toBeCloseTo((-20 * Math.PI) / 180, 9);
  });
  it('never loop between places that go forward', () => {
    const heights = fc.array(fc.integer({ min: 0, max: 300 }), { minLength: 3, maxLength: 9 });
    const steps = fc.array(fc.integer({ min: 20, max: 300 }), { minLength: 9, maxLength: 9 });
    fc.assert(
      fc.property(heights, steps, (above, gaps) => {
        let along = 0;
        const points = above.map((height, index) => m((along += gaps[index]!), height));
        const surface: Surface = { kind: 'flat', outline: { kind: 'rectangle', width: 4000, height: 2000 } };
        const path = first({ kind: 'sweep', ...measured, points }, surface).path ?? [];
        // Between two places the direction never swings right round: only a loop does that.
        let span = 0;
        let [turned, least, most] = [0, 0, 0];
        for (let i = 1; i < path.length; i++) {
          const [a, b] = [path[i - 1]!, path[i]!];
          turned += Math.atan2(a.tx * b.ty - a.ty * b.tx, a.tx * b.tx + a.ty * b.ty);
          least = Math.min(least, turned);
          most = Math.max(most, turned);
          if (most - least > Math.PI) return false;
          if (Math.hypot(b.x - points[span + 1]!.along, b.y - points[span + 1]!.above) < 1e-9) {
            span++;
            [turned, least, most] = [0, 0, 0];
          }
        }
        return span === points.length - 1;
      }),
    );
  });
});

describe('closed lines', () => {
  it('a circle has its girth and makes one area', () => {
    const circle: TrimLine = { kind: 'ellipse', ...measured, centre: m(500, 250), width: 200, height: 200, turnDeg: 0 };
    expect(length(first(circle))).toBeCloseTo(200 * Math.PI, 9);
    const { areas } = areasOn(BOARD, [circle]);
    expect(areas).toHaveLength(2);
    expect(Math.min(...areas.map(({ sizeMm2 }) => sizeMm2))).toBeCloseTo(Math.PI * 10_000, -2);
  });
  const wholePath = (line: TrimLine) => firstItem(first(line).pieces);
  it('a rectangle with rounded corners is one closed piece, begun in the middle of its lower side', () => {
    const frame: TrimLine = {
      kind: 'frame',
      ...measured,
      centre: m(500, 250),
      width: 400,
      height: 200,
      corner: 50,
      turnDeg: 0,
    };
    const path = wholePath(frame);
    expect(path[0]).toMatchObject({ x: 500, y: 150, at: 0 });
    expect(path.at(-1)).toMatchObject({ x: 500, y: 150 });
    expect(pathLength(path)).toBeCloseTo(2 * 300 + 2 * 100 + 2 * Math.PI * 50, 6);
    expect(cornerDistances(path)).toEqual([]);
    expect(Math.max(...path.map(({ curvature }) => curvature))).toBeCloseTo(1 / 50, 9);
    expect(path.every(({ x, y }) => Math.abs(x - 500) <= 200 + 1e-9 && Math.abs(y - 250) <= 100 + 1e-9)).toBe(true);
    // Turned by a quarter it stands on end; sharp corners are four.
    const sharp = wholePath({ ...frame, corner: 0, turnDeg: 90 });
    expect(Math.max(...sharp.map(({ y }) => y))).toBeCloseTo(450, 9);
    expect(pathLength(sharp)).toBeCloseTo(1200, 9);
    expect(cornerDistances(sharp)).toHaveLength(4);
    // A radius of half the lesser side and more makes round ends.
    expect(pathLength(wholePath({ ...frame, corner: 500 }))).toBeCloseTo(2 * 200 + 2 * Math.PI * 100, 6);
  });
  it('four straight lines that each end on the next make a rectangle; one that ends on itself makes none', () => {
    const corners = [m(100, 100), m(500, 100), m(500, 300), m(100, 300)] as const;
    const ids = ['a', 'b', 'c', 'd'] as const;
    const sides = ids.map((id, index): TrimLine => ({
      kind: 'straight',
      id,
      name: id,
      runOn: false,
      datum: 'base',
      from: corners[index]!,
      // Each is measured beyond its corner.
      to: m(
        corners[index]!.along + 1.2 * (corners[(index + 1) % 4]!.along - corners[index]!.along),
        corners[index]!.above + 1.2 * (corners[(index + 1) % 4]!.above - corners[index]!.above),
      ),
      endOn: ids[(index + 1) % 4]!,
    }));
    const made = linesOn(BOARD, sides);
    expect(made.map((line) => [line.fault, Math.round(length(line))])).toEqual([
      [null, 400],
      [null, 200],
      [null, 400],
      [null, 200],
    ]);
    expect(Math.min(...areasOn(BOARD, sides).areas.map(({ sizeMm2 }) => sizeMm2))).toBeCloseTo(80_000, 0);
    const [alone] = linesOn(BOARD, [{ ...sides[0]!, endOn: 'a' }]);
    expect(alone!.fault).not.toBeNull();
  });
  it('an ellipse bends by a/b² at its sharp ends', () => {
    const line = first({ kind: 'ellipse', ...measured, centre: m(500, 250), width: 300, height: 100, turnDeg: 30 });
    expect(Math.max(...line.pieces[0]!.map(({ curvature }) => curvature))).toBeCloseTo(150 / 50 ** 2, 6);
  });
  it('a parallel inside a circle is a smaller one, and past its middle there is none', () => {
    const circle: TrimLine = {
      kind: 'ellipse',
      ...measured,
      id: 'c',
      centre: m(500, 250),
      width: 200,
      height: 200,
      turnDeg: 0,
    };
    const inside = (offset: number) => linesOn(BOARD, [circle, { kind: 'parallel', ...common, of: 'c', offset }])[1]!;
    expect(length(inside(30))).toBeCloseTo(140 * Math.PI, 0);
    expect(length(inside(-30))).toBeCloseTo(260 * Math.PI, 0);
    expect(said(inside(150).fault)).toMatch(/nothing left/);
  });
});

describe('parallels of edges', () => {
  it('lie inside the part for a positive distance', () => {
    const line = first({ kind: 'parallel', ...common, of: { edge: 0 }, offset: 40 });
    expect(line.pieces[0]!.every(({ y }) => Math.abs(y - 40) < 1e-9)).toBe(true);
    expect(said(first({ kind: 'parallel', ...common, of: { edge: 9 }, offset: 40 }).fault)).toMatch(
      /edge 10, which the part does not have/,
    );
  });
  it('round a corner of another line, they swing outside and meet inside', () => {
    const angle: TrimLine = {
      kind: 'imported',
      ...measured,
      id: 'a',
      paths: [
        {
          closed: false,
          points: [
            [100, 100],
            [500, 100],
            [500, 400],
          ],
        },
      ],
    };
    const at = (offset: number) => linesOn(BOARD, [angle, { kind: 'parallel', ...common, of: 'a', offset }])[1]!;
    expect(length(at(-50))).toBeCloseTo(700 + (Math.PI / 2) * 50, 0);
    expect(length(at(50))).toBeCloseTo(600, 1);
  });
});

describe('bands', () => {
  it('are as wide as typed, square to themselves, however they slant', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -80, max: 80 }),
        fc.integer({ min: 0, max: 359 }),
        fc.double({ min: 2, max: 60, noNaN: true }),
        fc.double({ min: 0.5, max: 2, noNaN: true }),
        (slantDeg, headingDeg, width, taper) => {
          const line: TrimLine = {
            kind: 'bands',
            ...common,
            datum: 'base',
            from: m(500, 250),
            headingDeg,
            count: 3,
            width,
            gap: 7,
            margin: 11,
            slantDeg,
            taper,
          };
          const placed = placeBands(3, width, 7, 11, taper).flatMap(({ from, widthMm }) => [from, from + widthMm]);
          const edges = linesOn({ kind: 'flat', outline: { kind: 'rectangle', width: 3000, height: 3000 } }, [line], {
            datums: [{ ...BASE, at: [1000, 1250] }],
          });
          const lean = ((headingDeg + 90 - slantDeg) * Math.PI) / 180;
          edges.forEach(({ path }, index) => {
            const { x, y } = (path ?? [])[0]!;
            const square = (x - 1500) * Math.sin(lean) - (y - 1500) * Math.cos(lean);
            expect(Math.abs(square)).toBeCloseTo(placed[index]!, 6);
          });
        },
      ),
    );
  });
  const known: BandSpacing = { lengthMm: 1000, count: 5, widthMm: 100, gapMm: 75, marginMm: 100 };
  it('solve back whatever is left out', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 40 }),
        fc.integer({ min: 1, max: 300 }),
        fc.integer({ min: 1, max: 300 }),
        fc.integer({ min: 1, max: 300 }),
        (count, widthMm, gapMm, marginMm) => {
          const whole = {
            count,
            widthMm,
            gapMm,
            marginMm,
            lengthMm: 2 * marginMm + count * widthMm + (count - 1) * gapMm,
          };
          return (['length', 'count', 'width', 'gap', 'margin'] as const).every((unknown) => {
            const key = unknown === 'count' ? 'count' : (`${unknown}Mm` as const);
            const solved = solveBands({ ...whole, [key]: 1 }, unknown);
            return solved.ok && Math.abs(solved.value[key] - whole[key]) < 1e-6;
          });
        },
      ),
    );
  });
  it('refuse a count that is not whole, with the nearest two', () => {
    const solved = solveBands({ ...known, lengthMm: 1040 }, 'count');
    expect(solved).toMatchObject({ ok: false, nearest: [{ count: 5 }, { count: 6 }] });
    if (!solved.ok)
      for (const { lengthMm, count, widthMm, gapMm, marginMm } of solved.nearest)
        expect(2 * marginMm + count * widthMm + (count - 1) * gapMm).toBeCloseTo(lengthMm);
  });
  it('refuse what does not fit', () => {
    expect(solveBands({ ...known, widthMm: 400 }, 'gap')).toMatchObject({ ok: false, why: { code: 'bands.too-wide' } });
    expect(solveBands({ ...known, gapMm: 400 }, 'width').ok).toBe(false);
    expect(solveBands({ ...known, count: 1 }, 'gap').ok).toBe(false);
  });
  it('lie across the part, each edge a line of its own', () => {
    const line: TrimLine = {
      kind: 'bands',
      ...measured,
      from: m(0, 0),
      headingDeg: 0,
      count: 3,
      width: 100,
      gap: 50,
      margin: 100,
      slantDeg: 0,
      taper: 1,
    };
    const lines = linesOn(BOARD, [line]);
    expect(lines.map(({ code }) => code)).toEqual(['L1a', 'L1b', 'L1c', 'L1d', 'L1e', 'L1f']);
    expect(lines.map(({ pieces }) => Math.round(pieces[0]![0]!.x))).toEqual([100, 200, 250, 350, 400, 500]);
    expect(areasOn(BOARD, [line]).areas).toHaveLength(7);
  });
  it('taper evenly and slant', () => {
    expect(placeBands(3, 100, 0, 0, 0.5).map(({ widthMm }) => widthMm)).toEqual([100, 75, 50]);
    const edge = firstItem(
      linesOn(BOARD, [
        {
          kind: 'bands',
          ...measured,
          from: m(0, 0),
          headingDeg: 0,
          count: 1,
          width: 50,
          gap: 0,
          margin: 300,
          slantDeg: 45,
          taper: 1,
        },
      ]),
    );
    const ys = edge.pieces[0]!;
    expect(Math.abs(ys.at(-1)!.x - ys[0]!.x)).toBeCloseTo(500, 0);
  });
  it('are rings round a tube', () => {
    const lines = linesOn(TUBE, [
      {
        kind: 'bands',
        ...measured,
        from: m(0, 0),
        headingDeg: 0,
        count: 2,
        width: 20,
        gap: 30,
        margin: 40,
        slantDeg: 0,
        taper: 1,
      },
    ]);
    expect(lines.map((line) => Math.round(length(line)))).toEqual(Array(4).fill(Math.round(100 * Math.PI)));
    expect(
      areasOn(TUBE, [
        {
          kind: 'bands',
          ...measured,
          from: m(0, 0),
          headingDeg: 0,
          count: 2,
          width: 20,
          gap: 30,
          margin: 40,
          slantDeg: 0,
          taper: 1,
        },
      ]).areas,
    ).toHaveLength(5);
  });
});

describe('lines made from lines', () => {
  const waist = sweep('w', [0, 200], [400, 300], [1000, 180]);
  it('a mirror reflects about its datum and follows its line', () => {
    const datum = { id: 'centre', name: 'Centre', at: [0, 250] as [number, number], angleDeg: 0 };
    const mirror: TrimLine = { kind: 'mirror', ...common, runOn: true, datum: 'centre', of: 'w' };
    const at = (line: TrimLine) =>
      linesOn(BOARD, [line, mirror], { datums: [{ id: 'base', name: 'b', at: [0, 0], angleDeg: 0 }, datum] });
    for (const height of [300, 340]) {
      const [own, other] = firstTwo(at(sweep('w', [0, 200], [400, height], [1000, 180])));
      own.pieces[0]!.forEach(({ y }, index) => expect(other.pieces[0]![index]!.y).toBeCloseTo(500 - y, 6));
    }
  });
  it('a rounded corner touches both lines and cuts them off there', () => {
    const fillet: TrimLine = {
      kind: 'fillet',
      ...common,
      id: 'f',
      a: 'a',
      b: 'b',
      radius: 60,
      keepA: 'start',
      keepB: 'end',
    };
    const [a, b, f] = firstThree(
      linesOn(BOARD, [straight('a', [0, 200], [600, 200]), straight('b', [500, 0], [500, 500]), fillet]),
    );
    expect(length(f)).toBeCloseTo((Math.PI / 2) * 60, 3);
    expect(a.pieces[0]!.at(-1)!.x).toBeCloseTo(440, 6);
    expect(b.pieces[0]![0]!.y).toBeCloseTo(260, 6);
    expect(
      areasOn(BOARD, [straight('a', [0, 200], [600, 200]), straight('b', [500, 0], [500, 500]), fillet]).areas,
    ).toHaveLength(2);
  });
  it.each([false, true])('at both ends of a line is cut at both, whether lines run on (%s) or not', (runOn) => {
    const round = (
      id: string,
      a: string,
      b: string,
      keepA: 'start' | 'end',
      keepB: 'start' | 'end',
      radius = 50,
    ): TrimLine => ({
      kind: 'fillet',
      ...common,
      id,
      a,
      b,
      radius,
      keepA,
      keepB,
    });
    const lines = [
      straight('left', [200, 0], [200, 250], runOn),
      straight('top', [100, 200], [700, 200], runOn),
      straight('right', [600, 250], [600, 0], runOn),
      round('f', 'left', 'top', 'start', 'end'),
      round('g', 'top', 'right', 'start', 'end'),
    ];
    const all = linesOn(BOARD, lines);
    const [left, top, right] = firstThree(all);
    const ends = ({ pieces }: ResolvedLine) =>
      [firstItem(firstItem(pieces)), lastItem(firstItem(pieces))].map(({ x, y }) => [Math.round(x), Math.round(y)]);
    expect(all.map(({ fault, pieces }) => [fault, pieces.length])).toEqual(Array.from({ length: 5 }, () => [null, 1]));
    expect([ends(left), ends(top), ends(right)]).toEqual([
      [
        [200, 0],
        [200, 150],
      ],
      [
        [250, 200],
        [550, 200],
      ],
      [
        [600, 150],
        [600, 0],
      ],
    ]);
    const { areas, loose } = areasOn(BOARD, lines);
    expect([areas.length, loose]).toEqual([2, []]);
    expect(Math.min(...areas.map(({ sizeMm2 }) => sizeMm2))).toBeCloseTo(
      400 * 200 - 2 * (1 - Math.PI / 4) * 50 ** 2,
      -1,
    );
  });
  it('that leaves no room for the one at the other end says so there', () => {
    const round = (id: string, a: string, b: string): TrimLine => ({
      kind: 'fillet',
      ...common,
      id,
      a,
      b,
      radius: 260,
      keepA: 'start',
      keepB: 'end',
    });
    const lines = [
      straight('left', [100, 0], [100, 300]),
      straight('top', [50, 280], [600, 280]),
      straight('right', [550, 300], [550, 0]),
      round('f', 'left', 'top'),
      round('g', 'top', 'right'),
    ];
    const found = linesOn(BOARD, lines);
    expect(found.map(({ fault }) => fault?.code ?? null)).toEqual([null, null, null, null, 'line.corner-crowded']);
  });
  it('a rounding that has no room says so', () => {
    const fillet: TrimLine = { kind: 'fillet', ...common, a: 'a', b: 'b', radius: 4000, keepA: 'start', keepB: 'end' };
    expect(
      said(
        linesOn(BOARD, [straight('a', [0, 200], [600, 200]), straight('b', [500, 0], [500, 500]), fillet])[2]!.fault,
      ),
    ).toMatch(/no room|nothing/);
    expect(
      said(
        linesOn(BOARD, [
          straight('a', [0, 200], [100, 200]),
          straight('b', [0, 300], [100, 300]),
          { ...fillet, radius: 10 },
        ])[2]!.fault,
      ),
    ).toMatch(/do not meet/);
  });
  it('ends stop on other lines, run on to them or cut there', () => {
    const post = straight('post', [600, 0], [600, 500]);
    const stop = (to: number): TrimLine => ({ ...straight('s', [100, 250], [to, 250]), endOn: 'post' });
    expect(length(linesOn(BOARD, [stop(300), post])[0]!)).toBeCloseTo(500, 6);
    expect(length(linesOn(BOARD, [stop(900), post])[0]!)).toBeCloseTo(500, 6);
    expect(said(linesOn(BOARD, [{ ...straight('s', [100, 250], [300, 250]), endOn: 'gone' }])[0]!.fault)).toMatch(
      /ends on a line that is no longer there/,
    );
  });
  it('a line that loses what it is made from says so, and comes back with it', () => {
    const parallel: TrimLine = { kind: 'parallel', ...common, of: 'w', offset: 10 };
    expect(said(linesOn(BOARD, [parallel])[0]!.fault)).toMatch(/no longer there/);
    expect(linesOn(BOARD, [parallel, waist])[0]!.fault).toBeNull();
  });
});

describe('rays, waves and letters', () => {
  it('rays fan from a point', () => {
    const lines = linesOn(BOARD, [
      { kind: 'rays', ...measured, from: m(500, 0), count: 5, firstDeg: 30, stepDeg: 30, clear: 20, length: 100 },
    ]);
    expect(lines).toHaveLength(5);
    for (const line of lines) expect(length(line)).toBeCloseTo(100, 6);
    expect(lines[2]!.pieces[0]![0]).toMatchObject({ x: expect.closeTo(500, 6), y: expect.closeTo(20, 6) });
  });
  it('a wave has whole waves and its height, scallops have cusps', () => {
    const wave = first({
      kind: 'wave',
      ...measured,
      from: m(0, 250),
      to: m(900, 250),
      pitch: 290,
      height: 60,
      shape: 'wave',
    });
    const ys = wave.pieces[0]!.map(({ y }) => y);
    expect(Math.max(...ys) - Math.min(...ys)).toBeCloseTo(60, 2);
    const scallop = first({
      kind: 'wave',
      ...measured,
      from: m(0, 250),
      to: m(900, 250),
      pitch: 290,
      height: 60,
      shape: 'scallop',
    });
    expect(cornerDistances(scallop.pieces[0]!)).toHaveLength(2);
    expect(
      said(
        first({ kind: 'wave', ...measured, from: m(0, 250), to: m(900, 250), pitch: 100, height: 80, shape: 'scallop' })
          .fault,
      ),
    ).toMatch(/half its pitch/);
  });
  it('waves that cannot be are refused in words', () => {
    const wave: TrimLine = {
      kind: 'wave',
      ...measured,
      from: m(50, 250),
      to: m(950, 250),
      pitch: 90,
      height: 30,
      shape: 'wave',
    };
    expect(first(wave).fault).toBeNull();
    expect(said(first({ ...wave, pitch: 0.9 }).fault)).toMatch(/1000 waves: the most is 500, so look at the pitch/);
    expect(said(first({ ...wave, to: wave.from }).fault)).toMatch(/same place/);
    expect(said(first({ ...wave, shape: 'scallop', height: 46 }).fault)).toMatch(/higher than half its pitch/);
    expect(first({ ...wave, shape: 'scallop', height: 45 }).fault).toBeNull();
  });
  it('letters have the height and stroke asked for', () => {
    const text = (value: string, stroke: number) =>
      linesOn(BOARD, [
        {
          kind: 'text',
          ...measured,
          text: value,
          at: m(50, 100),
          height: 200,
          stroke,
          spacing: 10,
          slantDeg: 0,
          turnDeg: 0,
        },
      ]);
    for (const stroke of [20, 33, 44]) {
      const bar = firstItem(text('I', stroke));
      const xs = bar.pieces[0]!.map(({ x }) => x);
      const ys = bar.pieces[0]!.map(({ y }) => y);
      expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(stroke, 1);
      expect([Math.min(...ys), Math.max(...ys)]).toEqual([expect.closeTo(100, 1), expect.closeTo(300, 1)]);
    }
    // An O has a hole: two lines, three areas with what is round it.
    expect(text('O', 33)).toHaveLength(2);
    expect(said(text('O', 80)[0]!.fault)).toMatch(/strokes from/);
  });
});

describe('planes through the whole piece', () => {
  const cut = (over: object): TrimLine =>
    ({
      kind: 'cut',
      ...common,
      view: 'side',
      from: { across: 0, up: 20 },
      to: { across: 100, up: 20 },
      half: 'both',
      ...over,
    }) as TrimLine;
  const pose = { at: [0, 0, 0] as [number, number, number], yawDeg: 0, pitchDeg: 0, rollDeg: 0 };
  const heights = (surface: Surface, line: TrimLine, pitchDeg = 0) => {
    const setOut = setOutParts([samplePart({ surface, lines: [line], pose: { ...pose, pitchDeg } })]).get('part')!;
    return setOut.lines.flatMap(({ pieces }) =>
      pieces.flatMap((piece) => piece.map((point) => pointOnPiece(setOut.board, point).at)),
    );
  };

  it.each<[string, Surface]>([
    ['tube', TUBE],
    ['cone', { kind: 'cone', d1: 120, d2: 60, length: 300 }],
    [
      'pointed nose',
      { kind: 'turned', profile: { start: [0, 0], edges: [{ to: [80, 45] }, { to: [300, 60] }], smooth: true } },
    ],
    ['board', BOARD],
  ])('a level lies level on a %s, however it is pitched', (_, surface) => {
    for (const pitchDeg of [0, 7, -12]) {
      const points = heights(surface, cut({}), pitchDeg);
      expect(points.length).toBeGreaterThan(1);
      // Between two samples a chord stands for the curve: the flattening tolerance, where the skin is curved.
      for (const { z } of points) expect(Math.abs(z - 20)).toBeLessThan(surface.kind === 'turned' ? 0.05 : 5e-4);
    }
  });
  it('on a level tube it runs at acos(height / r) from the top on both sides', () => {
    const lines = linesOn(TUBE, [cut({})], { pose });
    expect(lines).toHaveLength(2);
    for (const { pieces } of lines)
      for (const { y } of pieces[0]!) expect(Math.abs(y)).toBeCloseTo(50 * Math.acos(20 / 50), 6);
  });
  it('shows only the side one sees when asked', () => {
    const near = heights(TUBE, cut({ half: 'near' }));
    expect(near.every(({ y }) => y < 0)).toBe(true);
    expect(heights(TUBE, cut({ half: 'far' })).every(({ y }) => y > 0)).toBe(true);
  });
  it('a plane square to the tube is a ring, one that misses says so', () => {
    const ring = linesOn(TUBE, [cut({ from: { across: 100, up: 0 }, to: { across: 100, up: 50 } })], { pose })[0]!;
    expect(length(ring)).toBeCloseTo(100 * Math.PI, 6);
    expect(
      said(linesOn(TUBE, [cut({ from: { across: 0, up: 90 }, to: { across: 100, up: 90 } })], { pose })[0]!.fault),
    ).toMatch(/does not meet/);
  });
  it('a raked plane across a tube closes on itself and cuts it in two', () => {
    const raked = cut({ from: { across: 150, up: -50 }, to: { across: 250, up: 50 } });
    const { areas } = areasOn(TUBE, [raked], { pose });
    expect(areas).toHaveLength(2);
    expect(areas[0]!.sizeMm2).toBeCloseTo(areas[1]!.sizeMm2, -1);
    expect(areas[0]!.sizeMm2 + areas[1]!.sizeMm2).toBeCloseTo(Math.PI * 100 * 400, 0);
  });
  it('on a folded box it goes round the bend at one height', () => {
    const fold = { on: 'a', edge: 1, own: 3, angleDeg: 90, radius: 12 };
    const surface: Surface = {
      kind: 'folded',
      panels: [
        { id: 'a', name: 'a', outline: { kind: 'rectangle', width: 300, height: 200 }, fold: null },
        { id: 'b', name: 'b', outline: { kind: 'rectangle', width: 150, height: 200 }, fold },
      ],
    };
    const line = linesOn(surface, [cut({ from: { across: 0, up: 90 }, to: { across: 100, up: 90 } })], { pose });
    expect(line).toHaveLength(1);
    expect(length(line[0]!)).toBeCloseTo(300 + 150 + (Math.PI / 2) * 12, 3);
  });
});

describe('going on across a gap', () => {
  const door = samplePart({ id: 'door', lines: [straight('c', [0, 100], [1000, 150])] });
  const wing = (mode: 'side' | 'level') =>
    samplePart({
      id: 'wing',
      pose: { at: [1020, 0, 0], yawDeg: 0, pitchDeg: 0, rollDeg: 0 },
      lines: [{ kind: 'continuation', ...common, runOn: true, part: 'door', of: 'c', end: 'end', mode }],
    });
  const heights = (mode: 'side' | 'level') =>
    setOutParts([door, wing(mode)])
      .get('wing')!
      .lines[0]!.pieces[0]!.map(({ x, y }) => [x, y] as const);
  it('goes straight on as seen from the side', () => {
    for (const [x, y] of heights('side')) expect(y).toBeCloseTo(150 + (20 + x) * 0.05, 4);
  });
  it('or level', () => {
    for (const [, y] of heights('level')) expect(y).toBeCloseTo(150, 4);
  });
  it('from a panel onto a barrel that tapers, still straight from the side', () => {
    const barrel = samplePart({
      id: 'barrel',
      surface: { kind: 'cone', d1: 400, d2: 200, length: 900 },
      pose: { at: [1010, 150, 100], yawDeg: 0, pitchDeg: 0, rollDeg: 0 },
      lines: [{ kind: 'continuation', ...common, part: 'door', of: 'c', end: 'end', mode: 'side' }],
    });
    const setOut = setOutParts([door, barrel]).get('barrel')!;
    const places = setOut.lines[0]!.pieces.flatMap((piece) =>
      piece.map((point) => pointOnPiece(setOut.board, point).at),
    );
    expect(places.length).toBeGreaterThan(20);
    for (const { x, y, z } of places) {
      expect(z).toBeCloseTo(150 + (x - 1000) * 0.05, 2);
      expect(y).toBeLessThan(150);
    }
  });
  it('two lines that go on from each other are told apart from sound ones', () => {
    const a = samplePart({
      id: 'a',
      lines: [{ kind: 'continuation', ...common, part: 'b', of: 'l', end: 'end', mode: 'side' }],
    });
    const b = samplePart({
      id: 'b',
      lines: [{ kind: 'continuation', ...common, part: 'a', of: 'l', end: 'end', mode: 'side' }],
    });
    expect(said(setOutParts([a, b]).get('a')!.lines[0]!.fault)).toMatch(/itself/);
    expect(said(setOutParts([a]).get('a')!.lines[0]!.fault)).toMatch(/no longer there/);
  });
});

describe('on a turned surface', () => {
  const barrel: Surface = {
    kind: 'turned',
    profile: { start: [0, 100], edges: [{ to: [400, 100], through: [200, 150] }], smooth: false },
  };
  it('straight is the shortest way', () => {
    const line = first(straight('s', [60, 0], [300, 120]), barrel);
    const direct = length(line);
    // Any way a little beside it is longer: through a place pushed aside at its middle.
    const middle = line.pieces[0]![Math.floor(line.pieces[0]!.length / 2)]!;
    for (const push of [-25, 25]) {
      const via = { x: middle.x, y: middle.y + push };
      const [p, q] = [
        first(straight('a', [60, 0], [via.x, via.y]), barrel),
        first(straight('b', [via.x, via.y], [300, 120]), barrel),
      ];
      expect(length(p) + length(q)).toBeGreaterThan(direct + 0.1);
    }
  });
  it('a parallel of a ring keeps its distance on the skin', () => {
    const ring: TrimLine = { kind: 'ring', ...common, id: 'r', at: 100 };
    const [own, other] = firstTwo(linesOn(barrel, [ring, { kind: 'parallel', ...common, of: 'r', offset: -40 }]));
    for (const point of other.pieces[0]!) expect(point.x - own.pieces[0]![0]!.x).toBeCloseTo(40, 3);
  });
  it('a circle is one distance from its middle in every direction', () => {
    const circle = first(
      { kind: 'ellipse', ...measured, centre: m(200, 0), width: 120, height: 120, turnDeg: 0 },
      barrel,
    );
    for (const index of [0, 40, 95, 150]) {
      const { x, y } = circle.pieces[0]![index]!;
      expect(length(first(straight('s', [200, 0], [x, y]), barrel))).toBeCloseTo(60, 1);
    }
  });
});
