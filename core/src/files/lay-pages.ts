import type { Plan, StagePlan } from '../contract';
import type { Place } from '../curves';
import { isLine, itemsIn } from '../items';
import { closeRing, maxOf, minOf, TOLERANCE } from '../kit';
import type { Step } from '../runsheet';
import type { PartPlan } from '../setout';
import type { PaperMessage, PaperText, PaperTexts } from './messages';
import { type Page, type Paper, PAPERS, type PaperStroke, type PaperWords } from './page';

/** How a step is put into words. */
export interface LayWords {
  readonly tell: PaperTexts;
  readonly detail: PaperTexts;
}

const EDGE = 15;
const SIZE = 3.3;
const LINE = 4.6;
/** Characters per millimetre of line at most, for characters 1 mm high. */
const LETTERS_PER_MM = 2.05;
const DRAWING = 62;

/** Step kinds of masking in a stage, in working order. */
const MASKING = new Set(['plug', 'lay', 'cover', 'seal', 'gate', 'pull', 'uncover', 'unplug']);

/** A piece of a sheet: it is not broken. */
interface Block {
  readonly height: number;
  readonly draw: (top: number) => { readonly strokes: readonly PaperStroke[]; readonly words: readonly PaperWords[] };
}

/**
 * The lay list on paper: stage by stage what is laid, how and in which order, with a box to tick, then what comes off; before them the parts
 * with their tapes, each with its code.
 */
export function layPages(
  plan: Plan,
  title: PaperMessage,
  names: (finish: string) => string,
  words: LayWords,
  paper: Paper,
): Page[] {
  const { width, height } = PAPERS[paper];
  const blocks = plan.stages.flatMap((stage): Block[] => [
    heading({ code: 'paper.stage', values: { stage: stage.number, finish: names(stage.finish) } }),
    ...drawings(plan, stage, width - 2 * EDGE),
    ...plan.steps
      .filter((step) => step.stage === stage.number && MASKING.has(step.kind))
      .map((step) =>
        stepBlock(
          [codesOf(plan, step), words.tell(step.say)].filter(Boolean).join('  '),
          words.detail(step.say),
          width - 2 * EDGE,
        ),
      ),
  ]);
  const sheets: Block[][] = [[]];
  let left = height - 2 * EDGE - 12;
  for (const block of blocks) {
    if (block.height > left && sheets.at(-1)!.length > 0) {
      sheets.push([]);
      left = height - 2 * EDGE - 12;
    }
    sheets.at(-1)!.push(block);
    left -= block.height;
  }
  return sheets.map((sheetBlocks, sheet) => {
    let top = height - EDGE - 12;
    const drawn = sheetBlocks.map((block) => {
      const drawing = block.draw(top);
      top -= block.height;
      return drawing;
    });
    const head: PaperWords[] = [
      { at: [EDGE, height - EDGE - 5], text: title, sizeMm: 5, bold: true },
      {
        at: [EDGE, EDGE - 6],
        text: { code: 'paper.sheet-of', values: { note: words.tell(title), sheet: sheet + 1, sheets: sheets.length } },
        sizeMm: 2.8,
      },
    ];
    return {
      widthMm: width,
      heightMm: height,
      strokes: drawn.flatMap(({ strokes }) => strokes),
      words: [...head, ...drawn.flatMap((block) => block.words)],
    };
  });
}

/** Codes of what a step lays, as they stand on the drawings. */
const codesOf = ({ items }: Plan, step: Step): string =>
  step.kind === 'lay'
    ? items
        .flatMap((item) =>
          step.items.includes(item.id) && 'code' in item && !(isLine(item) && item.sheetOf !== null) ? [item.code] : [],
        )
        .join(', ')
    : '';

const heading = (text: PaperText): Block => ({
  height: 11,
  draw: (top) => ({ strokes: [], words: [{ at: [EDGE, top - 7], text, sizeMm: 4.4, bold: true }] }),
});

/** A step with a box to tick. */
function stepBlock(title: string, detail: string, widthMm: number): Block {
  const inset = 7;
  const lines = wrapText(detail, Math.floor(((widthMm - inset) * LETTERS_PER_MM) / SIZE));
  const x = EDGE + inset;
  return {
    height: (lines.length + 1) * LINE + 2.5,
    draw: (top) => ({
      strokes: [
        {
          pen: 'rim',
          points: closeRing([
            [EDGE, top - 4],
            [EDGE + 4, top - 4],
            [EDGE + 4, top],
            [EDGE, top],
          ]),
        },
      ],
      words: [
        { at: [x, top - 3.4], text: title, sizeMm: SIZE, bold: true },
        ...lines.map((text, index): PaperWords => ({ at: [x, top - 3.4 - (index + 1) * LINE], text, sizeMm: SIZE })),
      ],
    }),
  };
}

/** Breaks text into lines of at most a number of characters; a longer word stands alone. */
function wrapText(text: string, letters: number): string[] {
  const lines: string[] = [];
  for (const word of text.split(/\s+/).filter(Boolean)) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + 1 + word.length <= letters) lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}

/** The parts something is laid on, two beside one another, small, with the codes of their tapes. */
function drawings(plan: Plan, stage: StagePlan, widthMm: number): Block[] {
  const items = itemsIn(plan, stage);
  const parts = plan.parts.filter(({ id }) => items.some(({ part }) => part === id));
  const columns = widthMm / 2 - 4;
  return Array.from({ length: Math.ceil(parts.length / 2) }, (_, row): Block => ({
    height: DRAWING,
    draw: (top) => {
      const two = parts.slice(2 * row, 2 * row + 2).map((part, column) =>
        smallPart(part, items, {
          x: EDGE + column * (columns + 8),
          y: top - DRAWING + 4,
          w: columns,
          h: DRAWING - 14,
        }),
      );
      return { strokes: two.flatMap(({ strokes }) => strokes), words: two.flatMap(({ words }) => words) };
    },
  }));
}

function smallPart(part: PartPlan, items: Plan['items'], box: { x: number; y: number; w: number; h: number }) {
  const [xs, ys] = [part.ring.map(([x]) => x), part.ring.map(([, y]) => y)];
  const [minX, minY] = [minOf(xs), minOf(ys)];
  const scale = Math.min(box.w / Math.max(1, maxOf(xs) - minX), box.h / Math.max(1, maxOf(ys) - minY));
  const put = ([x, y]: readonly [number, number, ...number[]]): Place => [
    box.x + (x - minX) * scale,
    box.y + (y - minY) * scale,
  ];
  const tapes = items.filter(isLine).filter((item) => item.part === part.id && item.sheetOf === null);
  const along = (line: string, from: number, to: number) =>
    (part.lines.find(({ id }) => id === line)?.pieces ?? []).flatMap((piece) => {
      const linePoints = piece.filter(([, , at]) => at >= from - TOLERANCE.along && at <= to + TOLERANCE.along);
      return linePoints.length > 1 ? [linePoints] : [];
    });
  return {
    strokes: [
      { pen: 'rim' as const, points: closeRing(part.ring).map(put) },
      ...part.openings.map((ring) => ({ pen: 'help' as const, points: closeRing(ring).map(put) })),
      ...tapes.flatMap((tape) =>
        along(tape.line, tape.from, tape.to).map((piece) => ({ pen: 'trim' as const, points: piece.map(put) })),
      ),
    ],
    words: [
      { at: [box.x, box.y + box.h + 3] as const, text: part.name, sizeMm: 3, bold: true },
      ...tapes.flatMap((tape): PaperWords[] => {
        const piece = along(tape.line, tape.from, tape.to)[0];
        const middle = piece?.[Math.floor(piece.length / 2)];
        return middle ? [{ at: [put(middle)[0] + 0.8, put(middle)[1] + 0.8], text: tape.code, sizeMm: 2.6 }] : [];
      }),
    ],
  };
}
