import { wordsFor } from '@lintrel/words';
import fc from 'fast-check';
import type { Border } from '../areas';
import { pathFromSamples, straightPath } from '../curves';
import { maxDwellMin } from '../drying';
import type { FeatureCrossing, TrimLine } from '../lines';
import { deTackFor, holdOnFilm, tapeGrip } from '../masking';
import { SHIPPED_TAPES, type Tape } from '../tape';
import { areasOn, BOARD, linesOn, sweep } from '../testing/samples';
import { chooseTape, type TapeWish } from './choose';
import { cutOutFor } from './cut-out';
import { BEFORE_PLANNING, type PartEdge, stripWidth, tapeEdgeSpans } from './edge-runs';
import { RUN_RULES } from './rules-of-thumb';
import type { MaskedPart } from './run';
import { longestCleanOn, stageRuns } from './stage-runs';
import { stripTapes } from './strip';
import { type LayInput, techniquesFor } from './technique';

const { say, why } = wordsFor();

const bends = (...radii: number[]) =>
  radii.map((radius, index) => ({ at: index * 20, curvature: Number.isFinite(radius) ? 1 / radius : 0 }));
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
  bondN25: Infinity,
  model: false,
  ...over,
});
const chosen = (over: Partial<TapeWish>, shelf: readonly Tape[] = SHIPPED_TAPES) => chooseTape(shelf, wish(over));

describe('chooseTape', () => {
  it('takes a tape that still comes off clean when it is pulled before one that is otherwise better', () => {
    const rough = { crisp: false, roomMm: 60 };
    expect(chosen(rough)?.tape.kind).toBe('C');
    // High-tack crepe has to be off within a day; gentle crepe may stay a week.
    expect(chosen({ ...rough, staysMin: 30 * 60 })).toMatchObject({ doubts: [], tape: { kind: 'P' } });
    expect(chosen({ ...rough, staysMin: 30 * 60, airC: 53 })).toMatchObject({ doubts: [], tape: { kind: 'P' } });
    expect(chosen({ ...rough, staysMin: 20 * 24 * 60 })).toMatchObject({
      tape: { kind: 'C' },
      doubts: [{ code: 'doubt.outstays' }],
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
  it('takes cheap crepe where the edge gets painted over', () =>
    expect(chosen({ crisp: false })?.tape.code).toBe('C24'));
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
    expect(chosen({ samples: bends(2, 2), side: 'left' })?.doubts.map(({ code }) => code)).toEqual(['doubt.too-tight']);
    expect(chosen({ surfaceC: 2 })?.doubts).toEqual([{ code: 'doubt.cold', values: { needsC: 10, surfaceC: 2 } }]);
    expect(chosen({}, [])).toBeNull();
  });
  it('passes over cold-shy tape while another sticks', () => {
    expect(chosen({ surfaceC: 11 })).toMatchObject({ doubts: [], tape: { minApplyC: 10 } });
    expect(chosen({ surfaceC: 6, crisp: false })?.tape.kind).toBe('C');
  });
});

describe('a tape and the paint below it', () => {
  const bonds = { hard: 40, enamel: 25, base: 18, acrylic: 9, styrene: 4 };
  it.each<[string, number, boolean, boolean, string, string, number]>([
    ['a curve on cured two-part', bonds.hard, true, false, 'V', 'safe', 0],
    ['backing on cured two-part', bonds.hard, false, false, 'C', 'safe', 0],
    ['backing on sound varnish', 20, false, false, 'G', 'safe', 0],
    ['a line on airbrush acrylic', bonds.acrylic, true, true, 'M', 'safe', 0],
    ['a line on airbrush acrylic over bare styrene', bonds.styrene, true, true, 'M', 'safe', 3],
  ])('%s', (_, bondN25, crisp, model, kind, hold, deTack) => {
    expect(chosen({ bondN25, crisp, model, samples: crisp ? bends(60, 60) : STRAIGHT, roomMm: 60 })).toMatchObject({
      tape: { kind },
      hold,
      deTack,
      doubts: [],
    });
  });
  it('on doubtful varnish a fair tape that is safe goes before a crisp one that needs a test', () => {
    const noWashi = SHIPPED_TAPES.filter(({ kind }) => kind !== 'W' && kind !== 'M' && kind !== 'T');
    const gentle = { ...noWashi.find(({ code }) => code === 'P24')!, adhesionN25: 2 };
    expect(chosen({ bondN25: 6, roomMm: 60 }, [...noWashi, gentle])).toMatchObject({
      tape: { kind: 'P' },
      hold: 'safe',
      doubts: [{ code: 'doubt.lesser-edge', values: { edge: 'fair', gentle: true } }],
    });
  });
  it("one painter's tape on the shelf still makes a plan, with a doubt", () => {
    const only = SHIPPED_TAPES.filter(({ code }) => code === 'P24');
    expect(chosen({ roomMm: 60 }, only)).toMatchObject({
      tape: { code: 'P24' },
      doubts: [{ code: 'doubt.lesser-edge', values: { edge: 'fair', gentle: false } }],
    });
    expect(chosen({ bondN25: 3.3, roomMm: 60 }, only)?.doubts.map(({ code }) => code)).toEqual([
      'doubt.lesser-edge',
      'doubt.test-pull',
    ]);
    expect(chosen({ bondN25: 2, roomMm: 60 }, only)?.doubts.map(({ code }) => code)).toEqual([
      'doubt.lesser-edge',
      'doubt.lifts',
    ]);
  });
  it('where no crisp tape makes the bend the run is split, not laid with a lesser one', () =>
    expect(
      chosen(
        { samples: bends(12, 12), side: 'left', roomMm: 60, bondN25: 20 },
        SHIPPED_TAPES.filter(({ code }) => code === 'F19' || code === 'X6'),
      )?.doubts,
    ).toEqual([{ code: 'doubt.too-tight', values: {} }]));
  it('never one that lifts more where one that lifts less would do', () => {
    const rank = { safe: 0, test: 1, no: 2 } as const;
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 50, noNaN: true }),
        fc.boolean(),
        fc.boolean(),
        fc.double({ min: 0, max: 4000, noNaN: true }),
        (bondN25, crisp, model, staysMin) => {
          const choice = chosen({ bondN25, crisp, model, staysMin, roomMm: 60 });
          const best = Math.min(
            ...SHIPPED_TAPES.filter(
              ({ widthMm, cleanHours, edge }) =>
                widthMm <= (crisp && edge === 'crisp' ? 19 : 24) && maxDwellMin(cleanHours, 20) >= staysMin,
            ).map((tape) => {
              const share = staysMin / maxDwellMin(tape.cleanHours, 20);
              return deTackFor(bondN25, tape, share) !== null ? 0 : rank[holdOnFilm(bondN25, tapeGrip(tape, share))];
            }),
          );
          return choice !== null && rank[choice.hold] === best;
        },
      ),
    );
  });
});

describe('how a run is laid', () => {
  const fit = { tape: 'V6', verdict: 'lays', stretch: 0, worstAt: null, worstRadiusMm: null, stretches: [] } as const;
  const piece = straightPath({ x: 0, y: 0 }, { x: 900, y: 0 })!;
  const run = (over: Partial<LayInput> = {}): LayInput => ({
    fit,
    hold: 'safe',
    deTack: 0,
    piece,
    crosses: [],
    metric: null,
    folds: [],
    oneTapeWide: false,
    soft: false,
    overhangs: [],
    closed: false,
    side: 'left',
    widthMm: 6,
    rollMm: 6,
    rows: [],
    posts: new Set(),
    slitMm: null,
    gapMm: null,
    ...over,
  });
  const met = (
    kind: FeatureCrossing['kind'],
    from: number,
    to = from,
    bend: FeatureCrossing['bend'] = null,
  ): FeatureCrossing => ({
    feature: 'f',
    name: 'F',
    kind,
    bend,
    from,
    to,
  });
  const codes = (over: Partial<LayInput>) => techniquesFor(run(over)).map(({ code }) => code.replace('technique.', ''));
  it.each<[Partial<LayInput>, RegExp]>([
    [{}, /unroll past/],
    [{ fit: { ...fit, worstRadiusMm: 900, worstAt: 3 } }, /no stretch/],
    [{ fit: { ...fit, verdict: 'stretch', stretch: 0.034 } }, /about 3 %/],
    [{ fit: { ...fit, verdict: 'stretch', stretch: 0.006, worstRadiusMm: 400, worstAt: 3 } }, /about 0.6 %/],
    [{ fit: { ...fit, verdict: 'stretch', stretch: 0.004, worstRadiusMm: 900, worstAt: 3 } }, /no stretch/],
    [{ fit: { ...fit, verdict: 'too-tight' } }, /overlap/],
    [{ oneTapeWide: true }, /one tape down the strip/],
  ])('%#: says how and why', (over, how) => {
    const technique = techniquesFor(run(over))[0]!;
    expect(say(technique)).toMatch(how);
    expect(why(technique).length).toBeGreaterThan(20);
  });
  it('over raised rows a guide, and no tension', () => {
    expect(techniquesFor(run({ crosses: [met('raised-row', 200), met('raised-row', 640)] }))).toEqual([
      { code: 'technique.guide', values: { atMm: [200, 640] }, from: 200, to: 640 },
    ]);
    // What the line meets elsewhere is no matter of this run.
    expect(codes({ crosses: [met('raised-row', 1200)] })).toEqual(['sighted']);
    expect(codes({ crosses: [met('raised-row', 200)], fit: { ...fit, worstRadiusMm: 300, worstAt: 3 } })).toEqual([
      'guide',
      'steer',
    ]);
  });
  it('what the paint below asks for comes first, then what is met, then what lies between', () =>
    expect(
      codes({
        hold: 'test',
        crosses: [met('crease', 300, 300, 'concave'), met('crease', 500, 500, 'convex'), met('texture', 600, 700)],
      }),
    ).toEqual(['test-pull', 'texture', 'hollow', 'press', 'sighted', 'low-pull']));
  it('snips at folds, splits at corners, laps over where it closes, and takes tweezers for what is short', () => {
    expect(
      techniquesFor(
        run({
          folds: [
            [
              { x: 250, y: -50 },
              { x: 250, y: 50 },
            ],
          ],
        }),
      )[0],
    ).toMatchObject({ code: 'technique.snip', values: { atMm: [250] } });
    const square = pathFromSamples(
      [
        { x: 0, y: 0 },
        { x: 100, y: 0 },
        { x: 100, y: 100 },
        { x: 0, y: 100 },
      ],
      true,
    )!;
    expect(codes({ piece: square, closed: true })).toEqual(['closed', 'corner']);
    expect(codes({ piece: straightPath({ x: 0, y: 0 }, { x: 40, y: 0 })! })).toEqual(['short']);
  });
  it('a long piece on doubtful paint comes off in lengths, a short one as it is', () => {
    const pull = (lengthMm: number) =>
      techniquesFor(run({ hold: 'test', piece: straightPath({ x: 0, y: 0 }, { x: lengthMm, y: 0 })! })).find(
        ({ code }) => code === 'technique.low-pull',
      )?.values;
    expect(pull(900)).toEqual({ inMm: null });
    expect(pull(4000)).toEqual({ inMm: RUN_RULES.peelLength });
  });
  it('a strip of an odd width is slit first, a narrow gap is tried', () => {
    expect(techniquesFor(run({ slitMm: 4.5, rollMm: 6 }))[0]).toEqual({
      code: 'technique.slit',
      values: { fromMm: 6, toMm: 4.5 },
    });
    expect(techniquesFor(run({ gapMm: 0.8 }))[0]).toEqual({ code: 'technique.gap', values: { gapMm: 0.8 } });
  });
  it('goes round a post in pieces, and not round another opening', () => {
    const crosses = [met('opening', 300, 320)];
    expect(codes({ crosses, posts: new Set(['f']) })).toContain('pieces');
    expect(codes({ crosses })).not.toContain('pieces');
  });
  it('a row of heads that lies along under the tape is told with its stretch, one that crosses it or lies beside it is not', () => {
    const row = (x1: number, y1: number, x2: number, y2: number) =>
      [
        [
          { x: x1, y: y1 },
          { x: x2, y: y2 },
        ],
      ] as const;
    const along = techniquesFor(run({ rows: row(200, 3, 600, 3) })).find(({ code }) => code === 'technique.row-along');
    expect(along?.from).toBeCloseTo(205, 0);
    expect(along?.to).toBeCloseTo(595, 0);
    for (const rows of [row(200, -3, 600, -3), row(200, 9, 600, 9), row(300, -50, 300, 50)])
      expect(codes({ rows })).not.toContain('row-along');
  });
  it('what was not worked out says so', () => {
    const [technique] = techniquesFor(run({ crosses: [met('no-touch', 100, 180)] }));
    expect(say(technique!)).toMatch(/Not worked out: decide at the piece/);
  });
});

describe('edgeSpans', () => {
  const border = (line: string, from: number, to: number, left: number, right: number): Border => ({
    line,
    from,
    to,
    left,
    right,
  });
  const edge = (of: number, closed: number, free: number, over: Partial<PartEdge> = {}): PartEdge => ({
    border: of,
    closed,
    free,
    class: 'crisp',
    strip: false,
    ...BEFORE_PLANNING,
    ...over,
  });

  it('lays tape on the covered side', () => {
    expect(tapeEdgeSpans([border('a', 0, 10, 0, 1)], [edge(0, 1, 0)])).toMatchObject([
      { line: 'a', from: 0, to: 10, side: 'right', class: 'crisp' },
    ]);
    expect(tapeEdgeSpans([border('a', 0, 10, 0, 1)], [edge(0, 0, 1, { class: 'rough' })])).toMatchObject([
      { side: 'left', class: 'rough' },
    ]);
    expect(tapeEdgeSpans([border('a', 0, 10, 0, 1)], [])).toEqual([]);
  });
  it('runs on past a line that ends on the covered side, but not where the edge changes', () => {
    const borders = [border('a', 0, 10, 0, 1), border('a', 10, 25, 0, 2)];
    const joined = tapeEdgeSpans(borders, [edge(0, 1, 0), edge(1, 2, 0)]);
    expect(joined).toMatchObject([{ line: 'a', from: 0, to: 25, side: 'right' }]);
    expect(joined[0]!.edges.map(({ border: of }) => of)).toEqual([0, 1]);
    expect(tapeEdgeSpans(borders, [edge(0, 1, 0), edge(1, 2, 0, { class: 'rough' })])).toHaveLength(2);
    expect(tapeEdgeSpans(borders, [edge(0, 1, 0, { strip: true }), edge(1, 2, 0, { strip: true })])).toHaveLength(2);
    expect(
      tapeEdgeSpans([border('a', 0, 10, 0, 1), border('a', 12, 25, 0, 1)], [edge(0, 1, 0), edge(1, 1, 0)]),
    ).toHaveLength(2);
  });
});

describe('strips', () => {
  const waist = sweep('w', [0, 200], [500, 260], [1000, 210]);
  const parallel = (offset: number): TrimLine => ({
    kind: 'parallel',
    id: 'p',
    name: 'p',
    runOn: true,
    of: 'w',
    offset,
  });
  const part = (offset: number): Pick<MaskedPart, 'arrangement' | 'lines'> => {
    const lines = [waist, parallel(offset)];
    return { lines: linesOn(BOARD, lines), arrangement: areasOn(BOARD, lines) };
  };
  const middle = (offset: number) => {
    const { arrangement } = part(offset);
    const index = arrangement.areas.findIndex(({ sizeMm2 }) => sizeMm2 < 60_000);
    return stripWidth(arrangement.areas[index]!, index, arrangement.borders);
  };

  it.each([3, 6, 12, 25])('%d mm between a sweep and its parallel is measured as that', (width) =>
    expect(middle(-width)).toBeCloseTo(width, 1),
  );
  it('a broad area is no strip', () => {
    const { arrangement } = part(-6);
    arrangement.areas.forEach(
      (area, index) => area.sizeMm2 > 60_000 && expect(stripWidth(area, index, arrangement.borders)).toBeNull(),
    );
  });
  it('is covered by one tape of its width, or one that is slit to it while it is narrow', () => {
    const strip = (offset: number, shelf: readonly Tape[] = SHIPPED_TAPES) => {
      const of = part(offset);
      const tapes = stripTapes(
        of,
        of.arrangement.areas.findIndex(({ sizeMm2 }) => sizeMm2 < 60_000),
        shelf,
      );
      return tapes && { ...tapes, tapes: tapes.tapes.length };
    };
    expect(strip(-6)).toMatchObject({ widthMm: 6, slit: false });
    expect(strip(-7.5)).toMatchObject({ widthMm: expect.closeTo(7.5, 1), slit: true });
    expect(strip(-14)).toBeNull();
    expect(
      strip(
        -7.5,
        SHIPPED_TAPES.filter(({ widthMm }) => widthMm < 7),
      ),
    ).toBeNull();
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
      ...BEFORE_PLANNING,
      staysMin: 300,
    }));
    const means = { tapes: SHIPPED_TAPES, scale: 1, surfaceC: 20, airC: 20 };
    const skin = { folds: [], seam: null, metric: null };
    const runs = stageRuns(
      [
        {
          id: 'side',
          count: 3,
          round: false,
          lines,
          skin,
          rows: [],
          posts: new Set(),
          arrangement,
          edges,
        },
      ],
      means,
    );
    expect(runs).toHaveLength(1);
    expect(runs[0]).toMatchObject({
      tapeWidthMm: 6,
      count: 3,
      doubts: [],
      strip,
      edges: [{ border: 0 }, { border: 1 }],
    });
    expect(edges.map((edge) => longestCleanOn({ lines, arrangement, skin }, edge, means))).toEqual([120, 120]);
  });
});

describe('a closed shape that tape cannot follow', () => {
  const ring = (count: number, radius: number) =>
    Array.from({ length: count }, (_, index) => ({
      x: radius * Math.cos((2 * Math.PI * index) / count),
      y: radius * Math.sin((2 * Math.PI * index) / count),
    }));
  const star = pathFromSamples(
    ring(10, 40).map(({ x, y }, index) => (index % 2 === 0 ? { x, y } : { x: x / 2, y: y / 2 })),
    true,
  )!;
  const cut = (over: Partial<TapeWish> = {}, path = star, shelf: readonly Tape[] = SHIPPED_TAPES) => {
    const asked = wish({ samples: path.map(({ at, curvature }) => ({ at, curvature })), ...over });
    return cutOutFor(shelf, path, asked, chooseTape(shelf, asked));
  };
  it('is cut from film: the piece itself on its inside, what is left of it round it', () => {
    expect(cut({ side: 'left' })).toMatchObject({
      film: { code: 'T150' },
      inside: true,
      lengthMm: expect.closeTo(2 * 40 * Math.cos(Math.PI / 10) + 40, 0),
    });
    expect(cut({ side: 'right' })).toMatchObject({ film: { code: 'T150' }, inside: false });
  });
  it('that is larger takes the wider film, and none where it is larger than that, does not last, lifts paint or has no room', () => {
    expect(
      cut(
        {},
        pathFromSamples(
          star.map(({ x, y }) => ({ x: 3 * x, y: 3 * y })),
          true,
        )!,
      )?.film.code,
    ).toBe('T300');
    expect(
      cut(
        {},
        pathFromSamples(
          star.map(({ x, y }) => ({ x: 5 * x, y: 5 * y })),
          true,
        )!,
      ),
    ).toBeNull();
    expect([
      cut({ staysMin: 9000 }),
      cut({ bondN25: 5 }),
      cut({ surfaceC: 5 }),
      cut({ roomMm: 10 }),
      cut({}, star, []),
    ]).toEqual([null, null, null, null, null]);
  });
  it('but one that tape follows is taped, and so is what is open', () => {
    expect(cut({}, pathFromSamples(ring(120, 200), true)!)).toBeNull();
    expect(
      cut(
        {},
        pathFromSamples(
          [
            { x: 0, y: 0 },
            { x: 50, y: 0 },
            { x: 50, y: 50 },
            { x: 0, y: 50 },
          ],
          false,
        )!,
      ),
    ).toBeNull();
  });
});
