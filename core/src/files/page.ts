import type { Place } from '../curves';
import type { PaperMessage, PaperText } from './messages';

/** A line on paper, mm from the lower left. */
export interface PaperStroke {
  readonly points: readonly Place[];
  /** `trim` lines and `rim` are the main content; `help` lines are thin; `dash` are folds and datums. */
  readonly pen: 'trim' | 'rim' | 'help' | 'dash';
}

/** Words on paper. */
export interface PaperWords {
  readonly at: Place;
  readonly text: PaperText;
  readonly sizeMm: number;
  readonly bold?: boolean;
  /** Turned to the left, degrees. */
  readonly turnDeg?: number;
}

/** One sheet of paper. */
export interface Page {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly strokes: readonly PaperStroke[];
  readonly words: readonly PaperWords[];
}

/** Papers with their sizes upright, mm. */
export const PAPERS = { A4: { width: 210, height: 297 }, Letter: { width: 215.9, height: 279.4 } } as const;
export type Paper = keyof typeof PAPERS;

/** Something to be drawn full size, larger than any paper: mm, y up. */
export interface Plot {
  readonly title: PaperMessage;
  readonly note: PaperText;
  readonly strokes: readonly PaperStroke[];
  readonly words: readonly PaperWords[];
}

/** A bar to check the scale of the printer, with ticks at its ends. */
export function checkBar(
  x: number,
  y: number,
  lengthMm: number,
  label: string,
): { strokes: PaperStroke[]; words: PaperWords[] } {
  return {
    strokes: [
      {
        pen: 'trim',
        points: [
          [x, y],
          [x + lengthMm, y],
        ],
      },
      {
        pen: 'trim',
        points: [
          [x, y - 1.5],
          [x, y + 1.5],
        ],
      },
      {
        pen: 'trim',
        points: [
          [x + lengthMm, y - 1.5],
          [x + lengthMm, y + 1.5],
        ],
      },
    ],
    words: [{ at: [x + lengthMm + 1.5, y - 1], text: label, sizeMm: 2.6 }],
  };
}

/** The part of a straight piece inside a box; null where it misses. Source: Liang and Barsky. */
export function clipToBox(
  [x0, y0]: Place,
  [x1, y1]: Place,
  box: { readonly minX: number; readonly minY: number; readonly maxX: number; readonly maxY: number },
): readonly [Place, Place] | null {
  const [dx, dy] = [x1 - x0, y1 - y0];
  let [from, to] = [0, 1];
  for (const [p, q] of [
    [-dx, x0 - box.minX],
    [dx, box.maxX - x0],
    [-dy, y0 - box.minY],
    [dy, box.maxY - y0],
  ] as const) {
    if (p === 0 && q < 0) return null;
    if (p === 0) continue;
    const share = q / p;
    if (p < 0) from = Math.max(from, share);
    else to = Math.min(to, share);
    if (from > to) return null;
  }
  return [
    [x0 + from * dx, y0 + from * dy],
    [x0 + to * dx, y0 + to * dy],
  ];
}
