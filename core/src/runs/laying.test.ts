import fc from 'fast-check';
import { arcPath, type Path, pathLength, straightPath } from '../curves';
import { RULE_OF_THUMB } from '../kit';
import { skinOf, type Surface } from '../surface';
import { SHIPPED_TAPES } from '../tape';
import { areasOn, straight as straightLine } from '../testing/samples';
import { backingFor } from './backing';
import type { TapeWish } from './choose';
import { type CutShape, filmSheetFor } from './film-sheet';
import { layOrder } from './lay-order';
import { overhangs } from './overhang';

const straight = (x1: number, y1: number, x2: number, y2: number): Path =>
  straightPath({ x: x1, y: y1 }, { x: x2, y: y2 })!;

describe('walkOrder', () => {
  const run = (piece: Path, crisp = true) => ({ piece, crisp, staysMin: 60 });
  it('begins with the longest crisp run and goes back along the next from where it ended', () => {
    const [short, long, near] = [
      run(straight(0, 300, 400, 300)),
      run(straight(0, 0, 900, 0)),
      run(straight(0, 50, 880, 50)),
    ];
    const walked = layOrder([short, long, near]);
    expect(walked.map(({ run: one }) => one)).toEqual([long, near, short]);
    expect(walked.map(({ backwards }) => backwards)).toEqual([false, true, false]);
    // From 900, 0 to 880, 50; then from 0, 50 to 0, 300.
    expect(walked.map(({ walkMm }) => Math.round(walkMm * 100) / 100)).toEqual([0, 53.85, 250]);
  });
  it('lays what is rough only after all that makes a line', () => {
    const walked = layOrder([run(straight(0, 0, 2000, 0), false), run(straight(0, 900, 100, 900))]);
    expect(walked.map(({ run: { crisp } }) => crisp)).toEqual([true, false]);
  });
  it('lays each once', () => {
    const place = fc.integer({ min: 0, max: 1000 });
    const runs = fc.array(
      fc
        .tuple(place, place, fc.integer({ min: 1, max: 500 }))
        .map(([x, y, length]) => run(straight(x, y, x + length, y))),
      { minLength: 1, maxLength: 12 },
    );
    fc.assert(
      fc.property(runs, (all) => {
        const walked = layOrder(all);
        expect(new Set(walked.map(({ run: one }) => one))).toEqual(new Set(all));
        for (const { walkMm } of walked) expect(walkMm).toBeGreaterThanOrEqual(0);
      }),
    );
  });
});

describe('backing', () => {
  const wish: TapeWish = {
    samples: [],
    side: 'left',
    crisp: true,
    exactWidthMm: null,
    roomMm: 200,
    surfaceC: 20,
    airC: 20,
    staysMin: 300,
    bondN25: Infinity,
    model: false,
  };
  const means = { tapes: SHIPPED_TAPES, scale: 1, surfaceC: 20, airC: 20 };
  const anyRoom = () => Infinity;
  it('of a straight line is one piece of a tape that carries paper, 3 mm back from the line', () => {
    const backing = backingFor(straight(0, 0, 900, 0), 6, 900, wish, means, anyRoom);
    expect(backing).toMatchObject({
      pieces: 1,
      pieceMm: null,
      offsetMm: 3,
      tape: 'C18',
      lengthMm: 900 + 2 * RULE_OF_THUMB.tail.full,
    });
  });
  it('round a bend comes in facets of 2√(2Rδ − δ²)', () => {
    // Radius 300, slack 6 − 2 − 1.5 = 2.5: 2√(2·300·2.5 − 2.5²) = 77.3 mm.
    const side = 300 * Math.SQRT1_2;
    const piece = arcPath({ x: 300, y: 0 }, { x: side, y: side }, { x: 0, y: 300 })!;
    const bent = { ...wish, samples: piece.map(({ at, curvature }) => ({ at, curvature })) };
    // Paper tape of which no piece makes this bend.
    const stiff = { ...means, tapes: SHIPPED_TAPES.filter(({ code }) => code === 'P48') };
    const backing = backingFor(piece, 6, pathLength(piece), bent, stiff, anyRoom);
    expect(backing.pieces).toBe(Math.ceil(pathLength(piece) / 77.29));
    expect(backing.pieceMm).toBeLessThanOrEqual(77.3);
    expect(backing.lengthMm).toBeCloseTo(
      pathLength(piece) + (backing.pieces - 1) * RULE_OF_THUMB.pieceOverlap.full + 2 * RULE_OF_THUMB.tail.full,
      6,
    );
  });
  it('is one flexible tape where straight pieces would be short', () => {
    const side = 120 * Math.SQRT1_2;
    const piece = arcPath({ x: 120, y: 0 }, { x: side, y: side }, { x: 0, y: 120 })!;
    const bent = { ...wish, samples: piece.map(({ at, curvature }) => ({ at, curvature })) };
    const backing = backingFor(piece, 6, pathLength(piece), bent, means, anyRoom);
    expect(backing).toMatchObject({ pieces: 1, pieceMm: null, tapeKind: 'X' });
    const stiff = { ...means, tapes: SHIPPED_TAPES.filter(({ kind }) => kind === 'C' || kind === 'G') };
    expect(backingFor(piece, 6, pathLength(piece), bent, stiff, anyRoom).pieces).toBeGreaterThan(1);
  });
  it('is told to be missing where no tape has room', () => {
    const backing = backingFor(straight(0, 0, 900, 0), 6, 900, wish, means, (innerMm) => innerMm + 4);
    expect(backing).toMatchObject({ tape: null, hold: null });
    expect(backing.doubts.map(({ code }) => code)).toEqual(['doubt.none-narrow']);
  });
  it('is told to be missing where no tape is wider than the line tape', () => {
    const narrow = { ...means, tapes: SHIPPED_TAPES.filter(({ widthMm }) => widthMm <= 6) };
    expect(backingFor(straight(0, 0, 900, 0), 6, 900, wish, narrow, anyRoom).doubts).toEqual([
      { code: 'doubt.none-wider', values: { lineTapeMm: 6 } },
    ]);
  });
});

describe('sheetFor', () => {
  const films = SHIPPED_TAPES.filter(({ kind }) => kind === 'T');
  const box = (x: number, w: number, h: number, inside = false): CutShape => ({
    part: 'fin',
    owner: 'marks',
    code: 'L1',
    piece: [
      { x, y: 0 },
      { x: x + w, y: 0 },
      { x: x + w, y: h },
      { x, y: h },
    ],
    inside,
  });
  it('takes the narrowest film that holds all shapes with the margin round them', () => {
    expect(filmSheetFor([box(0, 60, 100), box(80, 60, 100), box(95, 20, 40, true)], films)).toMatchObject({
      shapes: 2,
      inner: 1,
      widthMm: 140,
      heightMm: 100,
      film: { code: 'T150' },
      lengthMm: 140 + 2 * RULE_OF_THUMB.cutMargin,
    });
    expect(filmSheetFor([box(0, 60, 200), box(500, 60, 200)], films)).toMatchObject({
      film: { code: 'T300' },
      lengthMm: 560 + 2 * RULE_OF_THUMB.cutMargin,
    });
  });
  it('is none for one shape, and where no film is wide enough', () => {
    expect(filmSheetFor([box(0, 60, 100)], films)).toBeNull();
    expect(filmSheetFor([box(0, 600, 700), box(900, 60, 100)], films)).toBeNull();
  });
});

describe('overhangs', () => {
  // A wedge between two lines that meet at 0, 200: at x it is 0.1·x high.
  const surface: Surface = { kind: 'flat', outline: { kind: 'rectangle', width: 1000, height: 400 } };
  const arrangement = areasOn(surface, [
    straightLine('low', [0, 200], [1000, 200]),
    straightLine('high', [0, 200], [1000, 300]),
  ]);
  const wedge = arrangement.areas.findIndex(
    ({ seed }) => seed.y > 200 && seed.y < 300 && seed.x > 400 && seed.y < 200 + 0.1 * seed.x,
  );
  const open = arrangement.areas.map((_, area) => area !== wedge);
  const piece = straight(0, 200, 1000, 200);
  const found = (widthMm: number, side: 'left' | 'right' = 'left', painted = open) =>
    overhangs({ skin: skinOf(surface), arrangement }, painted, piece, side, { innerMm: 0, outerMm: widthMm });
  it('are where the wedge is narrower than the tape', () => {
    expect(wedge).toBeGreaterThanOrEqual(0);
    for (const width of [15, 24, 48]) {
      const [over, ...more] = found(width);
      expect(more).toEqual([]);
      expect(over!.fromMm).toBeLessThan(25);
      // It is as wide as the tape at ten times its width; looked at every fiftieth of the line.
      expect(Math.abs(over!.toMm - 10 * width)).toBeLessThan(1000 / 48 + 5);
    }
  });
  it('are none where what is beside it is covered as well, or the tape lies on the other side', () => {
    expect(
      found(
        24,
        'left',
        open.map(() => false),
      ),
    ).toEqual([]);
    expect(
      found(
        24,
        'right',
        open.map((_, area) => area === wedge),
      ),
    ).toEqual([]);
  });
  it('of a backing begin where it does, off the line', () => {
    const [over] = overhangs({ skin: skinOf(surface), arrangement }, open, piece, 'left', { innerMm: 3, outerMm: 27 });
    expect(Math.abs(over!.toMm - 268)).toBeLessThan(21);
  });
});
