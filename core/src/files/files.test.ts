import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { inflateSync } from 'node:zlib';
import { DEFAULT_PERSON, wordsFor } from '@lintrel/words';
import fc from 'fast-check';
import { depth } from '../../../scripts/test-limits.mjs';
import { flattenBulge, flattenSpline, ringArea } from '../curves';
import { readJobFile } from '../formats';
import { isLine } from '../items';
import { type Design, emptyDesign, type Part, SHIPPED_SHELF } from '../job';
import { firstTwo } from '../kit';
import { setOutParts, type TrimLine } from '../lines';
import { planJob } from '../plan';
import { type PartPlan, stationTable } from '../setout';
import type { Surface } from '../surface';
import { samplePart, straight, sweep } from '../testing/samples';
import { layTable, tableCsv } from '../views';
import { stationCsv } from './csv';
import { type Drawing, DRAWING_LIMITS, type DrawingRead } from './drawing';
import { readDxf } from './dxf-in';
import { writeDxf } from './dxf-out';
import { fromDrawing } from './from-drawing';
import { goresOf } from './gores';
import { maskPieces, maskPlot } from './masks';
import type { PaperText } from './messages';
import { type CutPiece, nestPieces } from './nest';
import { clipToBox, type Plot } from './page';
import { partPlot } from './part-plot';
import { pagesFor, printPdf } from './print';
import { readSvg } from './svg-in';
import { writeSvg } from './svg-out';
import { singlePage, tilePages } from './tiles';

const words = wordsFor();
const onPaper = { tell: words.say, detail: words.detail, stations: words.stations };
const told = (text: PaperText): string => (typeof text === 'string' ? text : words.say(text));
const named = (part: string) => ({ code: 'paper.part' as const, values: { job: 'Sample', part, mirrored: false } });

const value = (read: DrawingRead): Drawing => {
  if (!read.ok) throw new Error(read.why.code);
  return read.value;
};
const message = (read: DrawingRead): string => (read.ok ? '' : words.say(read.why));
const svg = (inside: string, head = 'width="200mm" height="100mm" viewBox="0 0 200 100"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" ${head}>${inside}</svg>`;
const places = ({ layers }: Drawing) => layers.flatMap(({ paths }) => paths.flatMap(({ points }) => points));
const part = (surface: Surface, lines: readonly TrimLine[], over: Partial<Part> = {}): Part => ({
  id: samplePart().id,
  name: samplePart().name,
  count: 1,
  substrate: 'steel',
  present: { system: 'bare', colour: '#888888', ageH: 0 },
  ...over,
  datums: [{ id: 'base', name: 'Base', at: [0, 0], angleDeg: 0 }],
  lines: [...lines],
  surface,
});
const design = (...parts: Part[]): Design => ({ ...emptyDesign('Sample', 'other'), parts });
const planOf = (...parts: Part[]): PartPlan => planJob(design(...parts), SHIPPED_SHELF).parts[0]!;
const BOARD: Surface = { kind: 'flat', outline: { kind: 'rectangle', width: 640, height: 420 } };
const circle: TrimLine = {
  kind: 'ellipse',
  id: 'c',
  name: 'c',
  runOn: false,
  datum: 'base',
  centre: { along: 320, above: 200 },
  width: 120,
  height: 120,
  turnDeg: 0,
};

describe('SVG in', () => {
  it('reads shapes, y up, in millimetres of the page', () => {
    const drawing = value(
      readSvg(
        svg(
          '<g id="trim"><path d="M10 20L60 20l0 30z"/><circle cx="100" cy="50" r="20"/></g><rect x="0" y="0" width="40" height="10"/>',
        ),
      ),
    );
    expect(drawing.unitMm).toBe(1);
    expect(drawing.layers.map(({ name, paths }) => [name, paths.length])).toEqual([
      ['trim', 2],
      ['drawing', 1],
    ]);
    expect(drawing.layers[0]!.paths[0]).toEqual({
      closed: true,
      points: [
        { x: 10, y: 80 },
        { x: 60, y: 80 },
        { x: 60, y: 50 },
      ],
    });
    for (const { x, y } of drawing.layers[0]!.paths[1]!.points) expect(Math.hypot(x - 100, y - 50)).toBeCloseTo(20, 1);
  });
  it('follows transforms of groups inside groups, and the scale of the page', () => {
    const drawing = value(
      readSvg(
        svg(
          '<g transform="translate(10 0)"><g transform="rotate(90) scale(2)"><line x1="0" y1="0" x2="5" y2="0"/></g></g>',
          'width="10cm" viewBox="0 0 50 50"',
        ),
      ),
    );
    expect(drawing.unitMm).toBe(2);
    expect(places(drawing).map(({ x, y }) => [Math.round(x * 1e6) / 1e6, Math.round(y * 1e6) / 1e6])).toEqual([
      [10, 50],
      [10, 40],
    ]);
  });
  it.each(['width="100" height="50" viewBox="0 0 100 50"', 'width="100px" height="50px"', 'viewBox="0 0 100 50"'])(
    'asks for the unit where %s says none',
    (head) => expect(value(readSvg(svg('<path d="M0 0L9 9"/>', head))).unitMm).toBeNull(),
  );
  it('flattens curves within a hundredth of a millimetre', () => {
    const drawing = value(readSvg(svg('<path d="M0 0C0 55.2285 44.7715 100 100 100"/>')));
    for (const { x, y } of places(drawing)) expect(Math.abs(Math.hypot(x - 100, y - 100) - 100)).toBeLessThan(0.05);
    const points = places(drawing);
    for (let i = 1; i < points.length; i++) {
      const middle = { x: (points[i - 1]!.x + points[i]!.x) / 2, y: (points[i - 1]!.y + points[i]!.y) / 2 };
      expect(Math.abs(Math.hypot(middle.x - 100, middle.y - 100) - 100)).toBeLessThan(0.05);
    }
  });
  it('passes over what is no line, and says so', () => {
    const drawing = value(
      readSvg(
        svg(
          '<path d="M0 0L9 9"/><text x="3" y="3">Hello</text><image href="x.png"/><use href="#a"/><script>alert(1)</script><path d="M0 0L9 oops"/>',
        ),
      ),
    );
    expect(drawing.skipped.map(words.say).join()).toMatch(
      /1 × text.*1 × image.*reference.*script, not run.*cannot be read/,
    );
    expect(drawing.layers).toHaveLength(1);
  });
  it('leaves out what is hidden or only defined', () => {
    const drawing = value(
      readSvg(
        svg('<defs><path d="M0 0L1 1"/></defs><g style="display:none"><path d="M0 0L1 1"/></g><path d="M0 0L9 9"/>'),
      ),
    );
    expect(places(drawing)).toHaveLength(2);
  });
});

describe('bad SVG', () => {
  const bomb = `<?xml version="1.0"?><!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;">]>${svg('<text>&b;</text><path d="M0 0L9 9"/>')}`;
  it.each([
    ['cut off', svg('<path d="M0 0L9 9"/>').slice(0, -9), /no sound SVG/],
    ['an entity bomb', bomb, /entities of its own/],
    ['an entity that is not there', svg('<title>&nope;</title>'), /no sound SVG/],
    ['another kind of XML', '<html><body/></html>', /no SVG drawing/],
    ['no XML at all', 'hello', /no sound SVG/],
    ['empty', '', /no sound SVG|no SVG drawing/],
    ['no line in it', svg('<text>a</text>'), /no line in this drawing/],
    ['numbers that are none', svg('<path d="M NaN NaN L 9 9"/><line x1="a" x2="b"/>'), /no line in this drawing/],
    ['groups without end', svg('<g>'.repeat(200) + '</g>'.repeat(200)), /deep inside each other/],
    ['a hundred thousand pieces', svg('<path d="M0 0L9 9"/>'.repeat(100_000)), /more than 20000 pieces/],
    ['too large', svg(`<desc>${'a'.repeat(DRAWING_LIMITS.bytes)}</desc>`), /larger than 12 MB/],
  ])('%s is refused in a sentence', (_, text, pattern) => {
    const start = Date.now();
    expect(message(readSvg(text))).toMatch(pattern);
    expect(Date.now() - start).toBeLessThan(10_000);
  });
  it('whatever is typed, it answers and never throws', () => {
    const piece = fc.constantFrom(
      '<svg',
      '>',
      '<path d="',
      'M0 0',
      'L1e400 5',
      '"',
      '/>',
      '</svg>',
      '<g transform="',
      'scale(',
      ')',
      '&amp;',
      '&',
      '<!--',
      '-->',
      'Z',
      ' ',
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 40 }), (pieces) => typeof readSvg(pieces.join('')).ok === 'boolean'),
    );
  });
});

const dxf = (entities: string, unit = '9\n$INSUNITS\n70\n4\n') =>
  `0\nSECTION\n2\nHEADER\n${unit}0\nENDSEC\n0\nSECTION\n2\nENTITIES\n${entities}0\nENDSEC\n0\nEOF\n`;
const LINE = '0\nLINE\n8\ntrim\n10\n0\n20\n0\n11\n30\n21\n40\n';

describe('DXF in', () => {
  it('reads lines with layers and units', () => {
    const drawing = value(readDxf(dxf(LINE)));
    expect(drawing).toMatchObject({
      unitMm: 1,
      layers: [
        {
          name: 'trim',
          paths: [
            {
              closed: false,
              points: [
                { x: 0, y: 0 },
                { x: 30, y: 40 },
              ],
            },
          ],
        },
      ],
    });
    expect(value(readDxf(dxf(LINE, '9\n$INSUNITS\n70\n1\n'))).unitMm).toBe(25.4);
    expect(value(readDxf(dxf(LINE, ''))).unitMm).toBeNull();
  });
  it('reads arcs, circles and bows of polylines', () => {
    const arc = value(readDxf(dxf('0\nARC\n8\na\n10\n5\n20\n5\n40\n10\n50\n0\n51\n90\n')));
    for (const { x, y } of places(arc)) expect(Math.hypot(x - 5, y - 5)).toBeCloseTo(10, 6);
    const round = value(readDxf(dxf('0\nCIRCLE\n8\na\n10\n5\n20\n5\n40\n10\n')));
    expect(round.layers[0]!.paths[0]!.closed).toBe(true);
    const bow = value(readDxf(dxf('0\nLWPOLYLINE\n8\na\n90\n2\n70\n0\n10\n0\n20\n0\n42\n1\n10\n10\n20\n0\n')));
    // Bulge 1 is a half circle, to the left of the way.
    for (const { x, y } of places(bow)) expect(Math.hypot(x - 5, y)).toBeCloseTo(5, 6);
    expect(Math.min(...places(bow).map(({ y }) => y))).toBeCloseTo(-5, 1);
  });
  it('a bow is a bow whatever its bulge', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -3, max: 3, noNaN: true }).filter((b) => Math.abs(b) > 0.01),
        (bulge) => {
          const all = [{ x: 0, y: 0 }, ...flattenBulge({ x: 0, y: 0 }, { x: 80, y: 0 }, bulge, 0.01)];
          const sagitta = Math.max(...all.map(({ y }) => -Math.sign(bulge) * y));
          return Math.abs(sagitta - Math.abs(bulge) * 40) < 0.02 && all.at(-1)!.x === 80;
        },
      ),
    );
  });
  it('a spline of degree 2 on simple knots is the parabola of its three points', () => {
    const points = flattenSpline(
      2,
      [
        { x: 0, y: 0 },
        { x: 50, y: 100 },
        { x: 100, y: 0 },
      ],
      [0, 0, 0, 1, 1, 1],
      null,
      0.01,
    )!;
    for (const { x, y } of points) expect(y).toBeCloseTo(2 * x * (1 - x / 100), 6);
    expect(flattenSpline(3, [{ x: 0, y: 0 }], [0, 1], null, 0.01)).toBeNull();
  });
  it('passes over texts, names what it passed over', () =>
    expect(value(readDxf(dxf(`${LINE}0\nTEXT\n8\na\n10\n0\n20\n0\n40\n5\n1\nHi\n`))).skipped.map(words.say)).toEqual([
      '1 × text',
    ]));
  it.each([
    ['cut off', dxf(LINE).slice(0, 60), /no sound DXF|no line/],
    ['something else', 'PK\u0003\u0004 not a drawing', /no sound DXF|no line/],
    ['binary', 'AutoCAD Binary DXF\r\n', /binary form/],
    ['numbers that are none', dxf('0\nLINE\n8\na\n10\nx\n20\ny\n11\n5\n21\n5\n'), /no line in this drawing/],
    ['a hundred thousand pieces', dxf(LINE.repeat(100_000)), /more than 20000 pieces/],
  ])('%s is refused in a sentence', (_, text, pattern) => expect(message(readDxf(text))).toMatch(pattern));
});

describe('drawings out and back in', () => {
  const lines = [sweep('w', [0, 120], [300, 180], [640, 90]), circle, straight('s', [0, 300], [640, 330])];
  const plan = planOf(part(BOARD, lines));
  it('every record of a DXF names its layer, and every vertex its place', () => {
    const lines = writeDxf(plan).split('\n');
    const pairs = Array.from({ length: Math.floor(lines.length / 2) }, (_, index) =>
      lines.slice(2 * index, 2 * index + 2),
    );
    const records: string[][][] = [];
    for (const pair of pairs) {
      if (pair[0] === '0') records.push([]);
      records.at(-1)!.push(pair);
    }
    const codes = (kind: string) =>
      new Set(records.filter(([first]) => first![1] === kind).map((record) => record.map(([code]) => code).join(' ')));
    expect([...codes('POLYLINE')]).toEqual(['0 8 66 10 20 30 70']);
    expect([...codes('VERTEX')]).toEqual(['0 8 10 20 30']);
    expect([...codes('SEQEND')]).toEqual(['0 8']);
    expect(records.map(([first]) => first![1]).filter((kind) => !/VERTEX|POLYLINE|SEQEND/.test(kind!))).toEqual([
      'SECTION',
      'ENDSEC',
      'SECTION',
      'ENDSEC',
      'EOF',
    ]);
  });
  it.each([
    ['SVG', writeSvg(plan), readSvg],
    ['DXF', writeDxf(plan), readDxf],
  ] as const)('%s keeps layers, unit and geometry to 0.01 mm', (_, text, read) => {
    const drawing = value(read(text));
    expect(drawing.unitMm).toBe(1);
    expect(drawing.layers.map(({ name }) => name)).toEqual([
      'outline',
      'lines-sweep',
      'lines-ellipse',
      'lines-straight',
    ]);
    const names = drawing.layers.map(({ name }) => name).filter((name) => name !== 'outline');
    const back = fromDrawing(drawing, {
      unitMm: 1,
      outline: 'outline',
      lines: names,
      lineId: 'i',
      lineName: 'I',
      datum: 'base',
    });
    expect(back.left).toEqual([]);
    expect(back.outline).toMatchObject({ kind: 'polygon' });
    const again = planOf(part({ kind: 'flat', outline: back.outline! }, [back.line!]));
    expect(again.sizeM2).toBeCloseTo(plan.sizeM2, 7);
    const sizes = (of: PartPlan) => of.areas.map(({ sizeM2 }) => sizeM2).sort((a, b) => a - b);
    expect(sizes(again)).toEqual(sizes(plan).map((size) => expect.closeTo(size, 6)));
    // Every place of what went out lies on what came back.
    const linePoints = plan.lines.flatMap(({ pieces }) => pieces.flat());
    const there = again.lines.flatMap(({ pieces }) => pieces);
    for (const [x, y] of linePoints) {
      const off = Math.min(...there.flatMap((piece) => piece.slice(1).map((b, i) => toSegment([x, y], piece[i]!, b))));
      expect(off).toBeLessThan(0.01);
    }
  });
  it('an outline is taken from the largest closed path; one that is not closed gives none', () => {
    const drawing = value(
      readSvg(
        svg('<g id="a"><path d="M0 0L9 9"/></g><g id="b"><path d="M0 0h50v20h-50z"/><path d="M0 0h5v2h-5z"/></g>'),
      ),
    );
    const wish = { unitMm: 25.4, lines: [], lineId: 'i', lineName: 'I', datum: 'base' };
    expect(fromDrawing(drawing, { ...wish, outline: 'a' })).toMatchObject({
      outline: null,
      left: [{ code: 'taken.no-outline' }],
    });
    const { outline } = fromDrawing(drawing, { ...wish, outline: 'b' });
    expect(outline?.kind === 'polygon' && Math.abs(ringArea(outline.points.map(([x, y]) => ({ x, y }))))).toBeCloseTo(
      50 * 20 * 25.4 ** 2,
      0,
    );
  });
});

function toSegment(
  [x, y]: readonly [number, number],
  a: readonly [number, number, ...number[]],
  b: readonly [number, number, ...number[]],
): number {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const t = Math.min(1, Math.max(0, ((x - a[0]) * dx + (y - a[1]) * dy) / (dx * dx + dy * dy || 1)));
  return Math.hypot(x - a[0] - t * dx, y - a[1] - t * dy);
}

describe('templates', () => {
  const plan = planOf(part(BOARD, [sweep('w', [0, 120], [300, 180], [640, 90]), circle]));
  const plot = partPlot(plan, 'Sample', false);
  const lengthOf = (strokes: readonly { points: readonly (readonly [number, number])[] }[]) =>
    strokes.reduce(
      (sum, { points }) =>
        sum + points.slice(1).reduce((all, b, i) => all + Math.hypot(b[0] - points[i]![0], b[1] - points[i]![1]), 0),
      0,
    );

  it.each(['A4', 'Letter'] as const)('on %s carry everything, overlap by 10 mm and leave out empty sheets', (paper) => {
    const pages = tilePages(plot, paper);
    expect(pages.length).toBeGreaterThan(3);
    const printed = lengthOf(pages.flatMap(({ strokes }) => strokes.filter(({ pen }) => pen === 'trim')));
    const own = lengthOf(plot.strokes.filter(({ pen }) => pen === 'trim'));
    // What lies in an overlap is there twice; the bars at the foot are 204.6 mm a sheet.
    expect(printed - pages.length * (100 + 101.6 + 12)).toBeGreaterThan(own - 1);
    for (const page of pages) expect(page.words.some(({ text }) => /sheet [A-Z]\d/.test(told(text)))).toBe(true);
    const strip: Plot = {
      ...plot,
      strokes: [
        {
          pen: 'trim',
          points: [
            [0, 0],
            [900, 900],
          ],
        },
      ],
    };
    expect(tilePages(strip, paper).length).toBeLessThan(20);
  });
  it('on one sheet everything lies where it is on the part, inside the white margin', () => {
    const page = singlePage(plot);
    const places = (of: Pick<Plot, 'strokes'>, pen: string) =>
      of.strokes.filter((stroke) => stroke.pen === pen).flatMap(({ points }) => points);
    const rim = places(plot, 'rim');
    const [left, low] = [Math.min(...rim.map(([x]) => x)), Math.min(...rim.map(([, y]) => y))];
    const [white, foot] = [8, 16];
    const planned = places(plot, 'trim');
    const off = places(page, 'trim')
      .slice(0, planned.length)
      .map(([x, y], index) => {
        const [planX, planY] = planned[index]!;
        return Math.hypot(x - planX + left - white, y - planY + low - white - foot);
      });
    expect(Math.max(...off)).toBeLessThan(1e-6);
    const all = page.strokes.flatMap(({ points }) => points);
    const [xs, ys] = [all.map(([x]) => x), all.map(([, y]) => y)];
    expect(Math.min(...xs)).toBeGreaterThanOrEqual(white - 1e-6);
    expect(Math.max(...xs)).toBeLessThanOrEqual(page.widthMm - white + 1e-6);
    expect(Math.min(...ys)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...ys)).toBeLessThanOrEqual(page.heightMm - white + 1e-6);
  });
  it('mirrored they are the other way round, their words still to be read', () => {
    const mirrored = partPlot(plan, 'Sample', true);
    const at = (of: Plot) => of.strokes.filter(({ pen }) => pen === 'trim')[0]!.points[0]!;
    expect(at(mirrored)[0]).toBeCloseTo(640 - at(plot)[0], 6);
    expect(told(mirrored.title)).toMatch(/mirrored/);
  });
  it('a piece is cut at the edge of its sheet', () => {
    const box = { minX: 0, minY: 0, maxX: 10, maxY: 10 };
    expect(clipToBox([-5, 5], [15, 5], box)).toEqual([
      [0, 5],
      [10, 5],
    ]);
    expect(clipToBox([-5, 15], [15, 15], box)).toBeNull();
    expect(clipToBox([2, 2], [3, 3], box)).toEqual([
      [2, 2],
      [3, 3],
    ]);
  });

  it('measured back from the PDF, bars and lines are right to 0.05 mm', async () => {
    const job = design(part(BOARD, [straight('s', [50, 60], [150, 60]), circle]));
    const printed = await printPdf(
      job,
      SHIPPED_SHELF,
      { what: 'template', unit: 'mm', part: 'part', paper: 'A4', mirrored: false, single: true },
      onPaper,
    );
    if (!printed.ok) throw new Error(printed.why.code);
    expect(printed.title).toMatch(/: /);
    const paths = pathsOf(printed.bytes);
    const straights = paths
      .filter((points) => points.length === 2)
      .map(firstTwo)
      .map(([a, b]) => Math.hypot(b[0] - a[0], b[1] - a[1]));
    const nearest = (wanted: number) => Math.min(...straights.map((length) => Math.abs(length - wanted)));
    expect(nearest(100)).toBeLessThan(0.05);
    expect(nearest(101.6)).toBeLessThan(0.05);
    const rim = paths.find((points) => points.length === 5)!;
    expect(Math.max(...rim.map(([x]) => x)) - Math.min(...rim.map(([x]) => x))).toBeCloseTo(640, 1);
    const ring = paths.find((points) => points.length > 20)!;
    const xs = ring.map(([x]) => x);
    expect(Math.abs(Math.max(...xs) - Math.min(...xs) - 120)).toBeLessThan(0.05);
  });
  it('sheets of a PDF fit together: the same line on two sheets runs on, to 0.05 mm', () => {
    const long = partPlot(planOf(part(BOARD, [straight('s', [10, 10], [630, 400])])), 'Sample', false);
    const pages = tilePages(long, 'A4');
    const slope = 390 / 620;
    for (const { strokes } of pages) {
      for (const { points, pen } of strokes) {
        if (pen !== 'trim' || points.length !== 2) continue;
        const [[x0, y0], [x1, y1]] = firstTwo(points);
        if (Math.abs(y1 - y0) < 4 || Math.abs(x1 - x0) < 1e-9) continue;
        expect(Math.abs((y1 - y0) / (x1 - x0) - slope)).toBeLessThan(1e-9);
      }
    }
  });
});

/** Straight paths of a PDF in mm, from its own drawing operators. */
function pathsOf(bytes: Uint8Array): [number, number][][] {
  const raw = Buffer.from(bytes);
  const paths: [number, number][][] = [];
  for (let index = raw.indexOf('stream\n'); index >= 0; index = raw.indexOf('stream\n', index + 7)) {
    if (raw.subarray(index - 3, index).toString() === 'end') continue;
    const end = raw.indexOf('endstream', index);
    let text: string;
    try {
      text = inflateSync(raw.subarray(index + 7, end)).toString('latin1');
    } catch {
      continue;
    }
    for (const [, x, y, operator] of text.matchAll(/(-?[\d.]+) (-?[\d.]+) ([ml])\b/g)) {
      const place: [number, number] = [(Number(x) * 25.4) / 72, (Number(y) * 25.4) / 72];
      if (operator === 'm') paths.push([place]);
      else paths[paths.length - 1]?.push(place);
    }
  }
  return paths;
}

describe('round parts on paper', () => {
  it('a tube says which edges meet', () => {
    const tube = planOf(part({ kind: 'tube', diameter: 60, length: 150 }, []));
    expect(
      partPlot(tube, 'Sample', false)
        .words.map(({ text }) => told(text))
        .join(),
    ).toMatch(/Edge P meets edge Q.*Edge Q meets edge P/);
  });
  it('a turned part comes in gores that say what they are wrong by', () => {
    const radius = 80;
    const sphere: Surface = {
      kind: 'turned',
      profile: { start: [0, 0], edges: [{ to: [2 * radius, 0], through: [radius, radius] }], smooth: false },
    };
    const ball = part(sphere, [{ kind: 'ring', id: 'r', name: 'r', runOn: false, at: 60 }]);
    const gores = goresOf(setOutParts([ball]).get('part')!, named('Ball'))!;
    expect(gores.errorMm).toBeLessThan(0.5);
    const size = gores.strokes
      .filter(({ pen }) => pen === 'rim')
      .reduce((sum, { points }) => sum + Math.abs(ringArea(points.slice(0, -1).map(([x, y]) => ({ x, y })))), 0);
    expect(Math.abs(size / (4 * Math.PI * radius ** 2) - 1)).toBeLessThan(1e-3);
    // The ring is there once on every gore.
    expect(gores.strokes.filter(({ pen }) => pen === 'trim').length).toBeGreaterThanOrEqual(gores.gores);
    expect(goresOf(setOutParts([part(BOARD, [])]).get('part')!, named('Board'))).toBeNull();
  });
  it('masks are laid out on the film, those too large are named', () => {
    const open = (id: string, diameter: number) =>
      ({
        kind: 'opening',
        id,
        name: id,
        datum: 'base',
        use: 'hole',
        shape: { kind: 'round', at: { along: 300, above: 200 }, diameter },
      }) as const;
    const plan = planOf(part(BOARD, [], { count: 3, features: [open('small', 60), open('large', 260)] }));
    const { plot, tooLarge } = maskPlot([plan], 'Sample', 150);
    expect(plot.strokes.filter(({ pen }) => pen === 'trim')).toHaveLength(3);
    expect(tooLarge).toEqual(['large', 'large', 'large']);
    for (const { points } of plot.strokes) for (const [, y] of points) expect(y).toBeLessThanOrEqual(150);
  });
  it('what cannot be printed says why', () => {
    const bare = design(part(BOARD, [straight('s', [0, 900], [640, 900])]));
    expect(
      pagesFor(bare, SHIPPED_SHELF, { what: 'masks', unit: 'mm', width: 150, paper: 'A4' }, onPaper),
    ).toMatchObject({
      ok: false,
      why: { code: 'print.no-masks' },
    });
    expect(
      pagesFor(
        bare,
        SHIPPED_SHELF,
        { what: 'template', unit: 'mm', part: 'x', paper: 'A4', mirrored: false, single: false },
        onPaper,
      ),
    ).toMatchObject({
      ok: false,
    });
    expect(
      pagesFor(
        bare,
        SHIPPED_SHELF,
        { what: 'stations', unit: 'mm', part: 'part', line: 's', step: 100, tolerance: 0.5, paper: 'A4' },
        onPaper,
      ),
    ).toMatchObject({
      ok: false,
      why: { code: 'print.nothing-to-mark' },
    });
  });
});

describe('station tables', () => {
  it('state heights on the skin and plumb, and the opposite side', () => {
    const right = part(BOARD, [sweep('w', [0, 120], [300, 180], [640, 90])], {
      id: 'part',
      name: 'Right',
      pose: { at: [0, 0, 50], yawDeg: 0, pitchDeg: 0, rollDeg: -30 },
    });
    const left: Part = { ...right, id: 'left', name: 'Left', lines: [], opposite: { of: 'part', follows: true } };
    const table = stationTable(design(right, left), {
      part: 'part',
      line: 'w',
      datum: null,
      stepMm: 100,
      toleranceMm: 0.5,
    })!;
    expect(table.columns).toEqual(['along', 'height-skin', 'height-plumb', 'height-opposite']);
    const row = table.rows.find(({ cells: [along] }) => along === 300)?.cells.map(Number) ?? [];
    expect(row[1]).toBeCloseTo(180, 6);
    expect(row[2]).toBeCloseTo(180 * Math.cos(Math.PI / 6), 6);
    expect(row[3]).toBeCloseTo(row[1]!, 6);
    expect(stationCsv(words.stations(table)).split('\r\n')[0]).toBe(
      'Along,Height on the skin,Height plumb,Height on Left',
    );
    expect(words.stations(table).rows.find(([along]) => along === '300 mm')?.[1]).toBe('180 mm');
    expect(wordsFor({ ...DEFAULT_PERSON, length: 'in' }).stations(table).rows[0]![1]).toBe('4 23/32"');
  });
  it('on a tube add angle and girth from the top', () => {
    const tube = part({ kind: 'tube', diameter: 100, length: 400 }, [straight('s', [0, 25], [400, 25])]);
    const table = stationTable(design(tube), { part: 'part', line: 's', datum: null, stepMm: 100, toleranceMm: 0.5 })!;
    expect(table.columns).toContain('girth');
    expect(words.stations(table).rows[0]!.slice(-2)).toEqual([`${((25 / 50) * (180 / Math.PI)).toFixed(1)}°`, '25 mm']);
  });
  it('a cell that looks like a formula is told to be text', () =>
    expect(stationCsv({ columns: ['=A1', 'a,"b"'], rows: [] })).toBe(`'=A1,"a,""b"""\r\n`));
});

describe('the lay list on paper', () => {
  const read = readJobFile(readFileSync(join(__dirname, '../../../examples/ostrel.json'), 'utf8'));
  if (!read.ok) throw new Error('the example cannot be read');
  const { design: glider, shelf } = read.value;
  const plan = planJob(glider, shelf);
  const printed = pagesFor(glider, shelf, { what: 'lay', unit: 'mm', paper: 'A4' }, onPaper);
  const pages = printed.ok ? printed.pages : [];
  const texts = pages.flatMap((page) => page.words.map(({ text }) => told(text)));

  it('tells every tape that is laid, with its code on a drawing and beside a box to tick', () => {
    const codes = new Set(
      plan.items.flatMap((item) => (isLine(item) && item.sheetOf === null ? [`${item.stage} ${item.code}`] : [])),
    );
    expect(codes.size).toBeGreaterThan(10);
    for (const code of new Set([...codes].map((other) => other.split(' ')[1]!))) expect(texts).toContain(code);
    const laid = plan.steps.filter(({ kind }) => kind === 'lay').map(({ say }) => words.say(say));
    for (const title of laid) expect(texts.some((text) => text.endsWith(title))).toBe(true);
  });
  it('tells the stages in order, and what comes off after what is laid', () => {
    const stages = texts.filter((text) => text.startsWith('Stage '));
    expect(stages).toEqual(
      plan.stages.map(
        ({ number, finish }) => `Stage ${number}: ${shelf.finishes.find(({ id }) => id === finish)!.name}`,
      ),
    );
    expect(texts.findIndex((text) => text.startsWith('Pull the tape'))).toBeGreaterThan(
      texts.findIndex((text) => text.startsWith('Cover ')),
    );
  });
  it('keeps within its sheets, and no line is longer than the sheet is wide', () => {
    for (const { widthMm, heightMm, words: on } of pages)
      for (const {
        at: [x, y],
        text,
        sizeMm,
      } of on) {
        expect(y).toBeGreaterThan(5);
        expect(y).toBeLessThan(heightMm);
        expect(x + told(text).length * sizeMm * 0.48).toBeLessThan(widthMm + 25);
      }
  });
  it('says so where there is nothing to lay', () => {
    const bare = emptyDesign('Bare', 'other');
    expect(pagesFor(bare, shelf, { what: 'lay', unit: 'mm', paper: 'A4' }, onPaper)).toMatchObject({
      ok: false,
      why: { code: 'print.nothing-to-lay' },
    });
  });
  it('goes into a table with a row for everything that is laid, lengths as in the plan', () => {
    const rows = layTable(plan);
    expect(rows.map(({ id }) => id)).toEqual(plan.items.map(({ id }) => id));
    const [head, ...lines] = tableCsv([['What', 'Where'], ...rows.map(({ kind, where }) => [kind, where])])
      .trim()
      .split('\r\n');
    expect(head).toBe('What,Where');
    expect(lines).toHaveLength(plan.items.length);
  });
});

describe('nesting', () => {
  const piece = (name: string, widthMm: number, heightMm: number): CutPiece => ({ name, widthMm, heightMm, cuts: [] });
  const sizes = fc.array(fc.tuple(fc.integer({ min: 5, max: 200 }), fc.integer({ min: 5, max: 200 })), {
    minLength: 1,
    maxLength: 30,
  });
  it('lays every piece that fits on the film, once, none over another or over the rim', () =>
    fc.assert(
      fc.property(sizes, fc.integer({ min: 60, max: 400 }), (all, widthMm) => {
        const pieces = all.map(([w, h], index) => piece(`p${index}`, w, h));
        const { pieces: laid, tooLarge, lengthMm } = nestPieces(pieces, widthMm);
        expect([...laid.map(({ name }) => name), ...tooLarge].sort()).toEqual(pieces.map(({ name }) => name).sort());
        for (const name of tooLarge) {
          const { widthMm: w, heightMm: h } = pieces.find((cutPiece) => cutPiece.name === name)!;
          expect(Math.min(w, h)).toBeGreaterThan(widthMm - 10);
        }
        laid.forEach((one, index) => {
          expect(one.x).toBeGreaterThanOrEqual(5 - 1e-9);
          expect(one.y).toBeGreaterThanOrEqual(5 - 1e-9);
          expect(one.x + one.widthMm).toBeLessThanOrEqual(lengthMm - 5 + 1e-6);
          expect(one.y + one.heightMm).toBeLessThanOrEqual(widthMm - 5 + 0.1);
          for (const other of laid.slice(0, index)) {
            const apart =
              one.x >= other.x + other.widthMm + 4.8 ||
              other.x >= one.x + one.widthMm + 4.8 ||
              one.y >= other.y + other.heightMm + 4.8 ||
              other.y >= one.y + one.heightMm + 4.8;
            expect(apart).toBe(true);
          }
        });
      }),
      { numRuns: depth(10, 60) },
    ));
  it('turns what is too high for the film, its cuts with it', () => {
    const [laid] = nestPieces(
      [
        {
          ...piece('a', 20, 100),
          cuts: [
            [
              [0, 0],
              [20, 0],
              [0, 100],
            ],
          ],
        },
      ],
      60,
    ).pieces;
    expect(laid).toMatchObject({
      widthMm: 100,
      heightMm: 20,
      cuts: [
        [
          [100, 0],
          [100, 20],
          [0, 0],
        ],
      ],
    });
  });
  it('leaves out what a sheet has no room for, and says which', () => {
    const { pieces: laid, tooLarge } = nestPieces(
      [piece('a', 90, 90), piece('b', 90, 90), piece('c', 30, 30)],
      100,
      200,
    );
    expect(laid.length + tooLarge.length).toBe(3);
    expect(tooLarge.length).toBeGreaterThan(0);
  });
  it('the letters of a part are one piece with film round them, and lie on a film that is wide enough', () => {
    const read = readJobFile(readFileSync(join(__dirname, '../../../examples/ostrel.json'), 'utf8'));
    if (!read.ok) throw new Error('the example cannot be read');
    const pieces = maskPieces(planJob(read.value.design, read.value.shelf).parts);
    const letters = pieces.find(({ cuts }) => cuts.length > 3)!;
    // Five letters, two of them with a piece within, and the frame.
    expect(letters.cuts).toHaveLength(8);
    expect(nestPieces(pieces, 200).pieces.map(({ name }) => name)).toContain(letters.name);
    expect(nestPieces(pieces, 150).tooLarge).toEqual([letters.name]);
  });
});
