import { boundingBox, type Box, type Place } from '../curves';
import {
  checkBar,
  clipToBox,
  type Page,
  type Paper,
  PAPERS,
  type PaperStroke,
  type PaperWords,
  type Plot,
} from './page';

/** White margin of most printers, room for the footer, and overlap of neighbouring sheets; mm. */
const EDGE = 8;
const FOOT = 16;
const OVERLAP = 10;

/** A grid of sheets over a plot. */
interface Grid {
  readonly paper: { readonly width: number; readonly height: number };
  readonly origin: Place;
  readonly across: number;
  readonly up: number;
  readonly stepX: number;
  readonly stepY: number;
}

/**
 * Spreads a plot over sheets of paper, full size. Neighbouring sheets overlap and share crosses to lay them by; sheets that
 * would carry nothing are left out.
 */
export function tilePages(plot: Plot, paper: Paper): Page[] {
  const box = boxOfPlot(plot);
  const grid = bestGrid(box, paper);
  const pages: Page[] = [];
  for (let row = grid.up - 1; row >= 0; row--) {
    for (let column = 0; column < grid.across; column++) {
      const page = tilePage(plot, grid, row, column);
      if (page) pages.push(page);
    }
  }
  return pages;
}

/** One sheet as large as the plot, for a wide printer. */
export function singlePage(plot: Plot): Page {
  const { minX, minY, maxX, maxY } = boxOfPlot(plot);
  const moved = ([x, y]: Place): Place => [x - minX + EDGE, y - minY + EDGE + FOOT];
  const foot = footOf(plot, EDGE, null);
  return {
    widthMm: Math.max(maxX - minX + 2 * EDGE, 200),
    heightMm: maxY - minY + 2 * EDGE + FOOT,
    strokes: [...plot.strokes.map((stroke) => ({ ...stroke, points: stroke.points.map(moved) })), ...foot.strokes],
    words: [...plot.words.map((words) => ({ ...words, at: moved(words.at) })), ...foot.words],
  };
}

function boxOfPlot({ strokes }: Plot): Box {
  const places = strokes.flatMap(({ points }) => points.map(([x, y]) => ({ x, y })));
  return places.length > 0 ? boundingBox(places) : { minX: 0, minY: 0, maxX: 1, maxY: 1 };
}

/** Upright or across, whichever needs fewer sheets. */
function bestGrid(box: Box, paper: Paper): Grid {
  const { width, height } = PAPERS[paper];
  const [upright, across] = [gridOf(box, width, height), gridOf(box, height, width)];
  return across.across * across.up < upright.across * upright.up ? across : upright;
}

function gridOf({ minX, minY, maxX, maxY }: Box, width: number, height: number): Grid {
  const [stepX, stepY] = [width - 2 * EDGE - OVERLAP, height - 2 * EDGE - FOOT - OVERLAP];
  // A little air, so that a line along the very edge of the drawing is not cut.
  const air = 2;
  const count = (size: number, step: number) => Math.max(1, Math.ceil((size + 2 * air - OVERLAP) / step));
  const [columns, rows] = [count(maxX - minX, stepX), count(maxY - minY, stepY)];
  const spare = [columns * stepX + OVERLAP - (maxX - minX), rows * stepY + OVERLAP - (maxY - minY)];
  return {
    paper: { width, height },
    origin: [minX - spare[0]! / 2, minY - spare[1]! / 2],
    across: columns,
    up: rows,
    stepX,
    stepY,
  };
}

const codeOf = (grid: Grid, row: number, column: number): string =>
  `${String.fromCharCode(65 + ((grid.up - 1 - row) % 26))}${column + 1}`;

function tilePage(plot: Plot, grid: Grid, row: number, column: number): Page | null {
  const [x0, y0] = [grid.origin[0] + column * grid.stepX, grid.origin[1] + row * grid.stepY];
  const box = { minX: x0, minY: y0, maxX: x0 + grid.stepX + OVERLAP, maxY: y0 + grid.stepY + OVERLAP };
  const moved = ([x, y]: Place): Place => [x - x0 + EDGE, y - y0 + EDGE + FOOT];
  const strokes = plot.strokes
    .flatMap((stroke) => clippedStroke(stroke, box))
    .map((stroke) => ({ ...stroke, points: stroke.points.map(moved) }));
  if (!strokes.some(({ pen }) => pen === 'trim' || pen === 'rim')) return null;
  const inside = ({ at: [x, y] }: PaperWords) => x >= box.minX && x <= box.maxX && y >= box.minY && y <= box.maxY;
  const crosses = crossesOf(grid, row, column).map((stroke) => ({ ...stroke, points: stroke.points.map(moved) }));
  const many = grid.across * grid.up > 1;
  const foot = footOf(
    plot,
    EDGE,
    many
      ? {
          sheet: codeOf(grid, row, column),
          first: codeOf(grid, grid.up - 1, 0),
          last: codeOf(grid, 0, grid.across - 1),
        }
      : null,
  );
  return {
    widthMm: grid.paper.width,
    heightMm: grid.paper.height,
    strokes: [...strokes, ...(many ? crosses : []), ...foot.strokes],
    words: [...plot.words.filter(inside).map((words) => ({ ...words, at: moved(words.at) })), ...foot.words],
  };
}

/** Pieces of a line inside a box, those that hang together as one. */
function clippedStroke(stroke: PaperStroke, box: Box): PaperStroke[] {
  const pieces: Place[][] = [];
  for (let index = 1; index < stroke.points.length; index++) {
    const piece = clipToBox(stroke.points[index - 1]!, stroke.points[index]!, box);
    if (!piece) continue;
    const last = pieces.at(-1)?.at(-1);
    if (last && last[0] === piece[0][0] && last[1] === piece[0][1]) pieces.at(-1)!.push(piece[1]);
    else pieces.push([...piece]);
  }
  return pieces.map((points) => ({ ...stroke, points }));
}

/** Crosses in the middle of every overlap: neighbouring sheets carry the same ones. */
function crossesOf(grid: Grid, row: number, column: number): PaperStroke[] {
  const arm = 4;
  const places = [0, 1].flatMap((right) =>
    [0, 1].map(
      (up) =>
        [
          grid.origin[0] + (column + right) * grid.stepX + OVERLAP / 2,
          grid.origin[1] + (row + up) * grid.stepY + OVERLAP / 2,
        ] as const,
    ),
  );
  return places.flatMap(([x, y]): PaperStroke[] => [
    {
      pen: 'help',
      points: [
        [x - arm, y],
        [x + arm, y],
      ],
    },
    {
      pen: 'help',
      points: [
        [x, y - arm],
        [x, y + arm],
      ],
    },
  ]);
}

/** Codes of a sheet in a grid, and of the first and the last of them. */
type SheetCodes = Readonly<Record<'sheet' | 'first' | 'last', string>>;

function footOf(
  { title, note }: Plot,
  x: number,
  codes: SheetCodes | null,
): { strokes: PaperStroke[]; words: PaperWords[] } {
  const mm = checkBar(x, EDGE + 3, 100, '100 mm');
  const inches = checkBar(x, EDGE + 8, 101.6, '4 in');
  return {
    strokes: [...mm.strokes, ...inches.strokes],
    words: [
      ...mm.words,
      ...inches.words,
      {
        at: [x, EDGE + 11.5],
        text: codes ? { code: 'paper.foot', values: { title, ...codes } } : title,
        sizeMm: 3.4,
        bold: true,
      },
      ...(note ? [{ at: [x + 122, EDGE + 2] as const, text: note, sizeMm: 2.6 }] : []),
    ],
  };
}
