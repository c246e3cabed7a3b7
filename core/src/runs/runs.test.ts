import type { Border } from '../areas';
import type { TrimLine } from '../lines';
import { SHIPPED_TAPES, type Tape } from '../tape';
import { areasOn, BOARD, linesOn, sweep } from '../testing';
import { chooseTape, edgeSpans, oneTapeStrip, stageRuns, stripWidth, techniqueFor, type MaskedPart, type TapeWish } from '.';

const bends = (...radii: number[]) => radii.map((radius, index) => ({ at: index * 20, curvature: Number.isFinite(radius) ? 1 / radius : 0 }));
const STRAIGHT = bends(Infinity, Infinity);
const wish = (over: Partial<TapeWish> = {}): TapeWish => ({
  samples: STRAIGHT,
  side: 'right',
  crisp: true,
  exactWidthMm: null,
  roomMm: 300,
  surfaceC: 20,
  airC: 20,
  staysMin: 300,
  model: false,
  ...over,
});
const chosen = (over: Partial<TapeWish>, shelf: readonly Tape[] = SHIPPED_TAPES) => chooseTape(shelf, wish(over));

describe('chooseTape', () => {
  it('takes a tape that still comes off clean when it is pulled before one that is otherwise better', () => {
    const rough = { crisp: false, roomMm: 60 };
    expect(chosen(rough)?.tape.kind).toBe('C');
    // High-tack crepe has to be off within a day; gentle crepe may stay a week.
    expect(chosen({ ...rough, staysMin: 30 * 60 })).toMatchObject({ doubt: null, tape: { kind: 'P' } });
    expect(chosen({ ...rough, staysMin: 30 * 60, airC: 53 })?.doubt ?? chosen({ ...rough, staysMin: 30 * 60, airC: 53 })?.tape.kind).toBe('P');
    expect(chosen({ ...rough, staysMin: 20 * 24 * 60 })).toMatchObject({
      tape: { kind: 'C' },
      doubt: expect.stringMatching(/comes off clean for .* and stays .* here/),
    });
  });
  it('takes stiff film for a straight and soft vinyl for a bend', () => {
    expect(chosen({})?.tape.code).toBe('F19');
    expect(chosen({ samples: bends(400, 400) })?.tape.kind).toBe('V');
  });
  it('takes the gentle kinds on a model', () => {
    expect(chosen({ model: true })?.tape.kind).toBe('W');
    expect(chosen({ model: true, samples: bends(30, 30) })?.tape.kind).toBe('M');
  });
  it('takes cheap crepe where the edge gets painted over', () => expect(chosen({ crisp: false })?.tape.code).toBe('C24'));
  it('takes a narrower tape in a tighter bend', () => {
    const width = (radius: number) => chosen({ samples: bends(radius, radius) })?.tape.widthMm ?? 0;
    expect(width(1000)).toBe(12);
    expect(width(60)).toBeLessThan(12);
    expect(width(60)).toBeGreaterThan(width(15));
  });
  it('leaves no tape on the open side', () => expect(chosen({ roomMm: 7 })?.tape.widthMm).toBeLessThanOrEqual(7));
  it('covers a strip with exactly its width, or not at all', () => {
    expect(chosen({ exactWidthMm: 6 })?.tape.widthMm).toBe(6);
    expect(chosen({ exactWidthMm: 7.3 })).toBeNull();
  });
  it('says what stands against the best there is', () => {
    expect(chosen({ samples: bends(2, 2), side: 'left' })?.doubt).toMatch(/too tight/);
    expect(chosen({ surfaceC: 2 })?.doubt).toMatch(/needs 10 °C.*has 2 °C/);
    expect(chosen({}, [])).toBeNull();
    expect(
      chosen(
        {},
        SHIPPED_TAPES.filter(({ edge }) => edge !== 'crisp'),
      ),
    ).toBeNull();
  });
  it('passes over cold-shy tape while another sticks', () => {
    expect(chosen({ surfaceC: 11 })).toMatchObject({ doubt: null, tape: { minApplyC: 10 } });
    expect(chosen({ surfaceC: 6, crisp: false })?.tape.kind).toBe('C');
  });
});

describe('techniqueFor', () => {
  const fit = { tape: 'V6', verdict: 'lays', stretch: 0, worstAt: null, worstRadiusMm: null, stretches: [] } as const;
  it.each([
    [fit, false, /unroll past/],
    [{ ...fit, worstRadiusMm: 900, worstAt: 3 }, false, /no stretch/],
    [{ ...fit, verdict: 'stretch' as const, stretch: 0.034 }, false, /about 3 %/],
    [{ ...fit, verdict: 'stretch' as const, stretch: 0.004 }, false, /about 0.4 %/],
    [{ ...fit, verdict: 'too-tight' as const }, false, /overlap/],
    [fit, true, /one tape down the strip/],
  ])('%#: says how and why', (of, strip, how) => {
    expect(techniqueFor(of, strip).how).toMatch(how);
    expect(techniqueFor(of, strip).why.length).toBeGreaterThan(20);
  });
});

describe('edgeSpans', () => {
  const border = (line: string, from: number, to: number, left: number, right: number): Border => ({ line, from, to, left, right });

  it('needs tape only between open and covered, on the covered side', () => {
    expect(edgeSpans([border('a', 0, 10, 0, 1)], [true, false], [false, true])).toEqual([
      { line: 'a', from: 0, to: 10, side: 'right', crisp: true, closed: [1] },
    ]);
    expect(edgeSpans([border('a', 0, 10, 0, 1)], [false, true], [false, true])).toMatchObject([{ side: 'left', crisp: false, closed: [0] }]);
    expect(edgeSpans([border('a', 0, 10, 0, 1)], [true, true], [false, false])).toEqual([]);
  });
  it('runs on past a line that ends on the covered side, but not where the edge changes', () => {
    const joined = edgeSpans([border('a', 0, 10, 0, 1), border('a', 10, 25, 0, 2)], [true, false, false], [false, true, true]);
    expect(joined).toEqual([{ line: 'a', from: 0, to: 25, side: 'right', crisp: true, closed: [1, 2] }]);
    expect(edgeSpans([border('a', 0, 10, 0, 1), border('a', 10, 25, 0, 2)], [true, false, false], [false, true, false])).toHaveLength(2);
    expect(edgeSpans([border('a', 0, 10, 0, 1), border('a', 12, 25, 0, 1)], [true, false], [false, true])).toHaveLength(2);
  });
});

describe('strips', () => {
  const waist = sweep('w', [0, 200], [500, 260], [1000, 210]);
  const parallel = (offset: number): TrimLine => ({ kind: 'parallel', id: 'p', name: 'p', runOn: true, of: 'w', offset });
  const part = (offset: number): Pick<MaskedPart, 'arrangement' | 'lines'> => {
    const lines = [waist, parallel(offset)];
    return { lines: linesOn(BOARD, lines), arrangement: areasOn(BOARD, lines) };
  };
  const middle = (offset: number) => {
    const { arrangement } = part(offset);
    const index = arrangement.areas.findIndex(({ sizeMm2 }) => sizeMm2 < 60_000);
    return stripWidth(arrangement.areas[index], index, arrangement.borders);
  };

  it.each([3, 6, 12, 25])('%d mm between a sweep and its parallel is measured as that', (width) => expect(middle(-width)).toBeCloseTo(width, 1));
  it('a broad area is no strip', () => {
    const { arrangement } = part(-6);
    arrangement.areas.forEach((area, index) => area.sizeMm2 > 60_000 && expect(stripWidth(area, index, arrangement.borders)).toBeNull());
  });
  it('is covered by one tape where the shelf has its width', () => {
    const strip = (offset: number) => {
      const of = part(offset);
      return oneTapeStrip(
        of,
        of.arrangement.areas.findIndex(({ sizeMm2 }) => sizeMm2 < 60_000),
        SHIPPED_TAPES,
      );
    };
    expect([strip(-6), strip(-7.5)]).toEqual([6, null]);
  });
  it('lays one run on a covered strip, not one at each edge', () => {
    const { lines, arrangement } = part(-6);
    const open = arrangement.areas.map(({ sizeMm2 }) => sizeMm2 > 60_000);
    const runs = stageRuns([{ id: 'side', count: 3, lines, arrangement, open, stays: open.map((is) => !is) }], {
      tapes: SHIPPED_TAPES,
      scale: 1,
      surfaceC: 20,
      airC: 20,
      staysMin: 300,
    });
    expect(runs).toHaveLength(1);
    expect(runs[0]).toMatchObject({ coversStrip: true, tapeWidthMm: 6, count: 3, doubt: null });
  });
});
