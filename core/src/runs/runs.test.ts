import { wordsFor } from '@lintrel/words';
import type { Border } from '../areas';
import type { TrimLine } from '../lines';
import { SHIPPED_TAPES, type Tape } from '../tape';
import { areasOn, BOARD, linesOn, sweep } from '../testing';
import { chooseTape, edgeSpans, longestCleanOn, oneTapeStrip, stageRuns, stripWidth, techniqueFor, type MaskedPart, type PartEdge, type TapeWish } from '.';

const { say, why } = wordsFor();

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
      doubt: { code: 'doubt.outstays' },
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
    expect(chosen({ samples: bends(2, 2), side: 'left' })?.doubt?.code).toBe('doubt.too-tight');
    expect(chosen({ surfaceC: 2 })?.doubt).toEqual({ code: 'doubt.cold', values: { needsC: 10, surfaceC: 2 } });
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
    [{ ...fit, verdict: 'stretch' as const, stretch: 0.006, worstRadiusMm: 400, worstAt: 3 }, false, /about 0.6 %/],
    [{ ...fit, verdict: 'stretch' as const, stretch: 0.004, worstRadiusMm: 900, worstAt: 3 }, false, /no stretch/],
    [{ ...fit, verdict: 'too-tight' as const }, false, /overlap/],
    [fit, true, /one tape down the strip/],
  ])('%#: says how and why', (of, strip, how) => {
    const technique = techniqueFor(of, strip);
    expect(say(technique)).toMatch(how);
    expect(why(technique).length).toBeGreaterThan(20);
  });
});

describe('edgeSpans', () => {
  const border = (line: string, from: number, to: number, left: number, right: number): Border => ({ line, from, to, left, right });
  const edge = (of: number, closed: number, free: number, over: Partial<PartEdge> = {}): PartEdge => ({
    border: of,
    closed,
    free,
    class: 'crisp',
    strip: false,
    staysMin: 0,
    ...over,
  });

  it('lays tape on the covered side', () => {
    expect(edgeSpans([border('a', 0, 10, 0, 1)], [edge(0, 1, 0)])).toMatchObject([{ line: 'a', from: 0, to: 10, side: 'right', class: 'crisp' }]);
    expect(edgeSpans([border('a', 0, 10, 0, 1)], [edge(0, 0, 1, { class: 'rough' })])).toMatchObject([{ side: 'left', class: 'rough' }]);
    expect(edgeSpans([border('a', 0, 10, 0, 1)], [])).toEqual([]);
  });
  it('runs on past a line that ends on the covered side, but not where the edge changes', () => {
    const borders = [border('a', 0, 10, 0, 1), border('a', 10, 25, 0, 2)];
    const joined = edgeSpans(borders, [edge(0, 1, 0), edge(1, 2, 0)]);
    expect(joined).toMatchObject([{ line: 'a', from: 0, to: 25, side: 'right' }]);
    expect(joined[0]!.edges.map(({ border: of }) => of)).toEqual([0, 1]);
    expect(edgeSpans(borders, [edge(0, 1, 0), edge(1, 2, 0, { class: 'rough' })])).toHaveLength(2);
    expect(edgeSpans(borders, [edge(0, 1, 0, { strip: true }), edge(1, 2, 0, { strip: true })])).toHaveLength(2);
    expect(edgeSpans([border('a', 0, 10, 0, 1), border('a', 12, 25, 0, 1)], [edge(0, 1, 0), edge(1, 1, 0)])).toHaveLength(2);
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
    return stripWidth(arrangement.areas[index]!, index, arrangement.borders);
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
    const strip = arrangement.areas.findIndex(({ sizeMm2 }) => sizeMm2 < 60_000);
    const edges = arrangement.borders.map(({ left, right }, of): PartEdge => ({
      border: of,
      closed: strip,
      free: left === strip ? right : left,
      class: 'crisp',
      strip: true,
      staysMin: 300,
    }));
    const means = { tapes: SHIPPED_TAPES, scale: 1, surfaceC: 20, airC: 20 };
    const runs = stageRuns([{ id: 'side', count: 3, round: false, lines, arrangement, edges }], means);
    expect(runs).toHaveLength(1);
    expect(runs[0]).toMatchObject({ tapeWidthMm: 6, count: 3, doubt: null, strip, edges: [{ border: 0 }, { border: 1 }] });
    expect(edges.map((edge) => longestCleanOn({ lines, arrangement }, edge, means))).toEqual([120, 120]);
  });
});
