import type { Place } from '../curves';
import type { StationWords } from './csv';
import type { PaperMessage } from './messages';
import { type Page, type Paper, PAPERS, type PaperStroke, type PaperWords } from './page';

const EDGE = 15;
const ROW = 5.4;

/** A station table on paper, as many sheets as it needs. */
export function stationPages(table: StationWords, title: PaperMessage, paper: Paper): Page[] {
  const { width, height } = PAPERS[paper];
  const perPage = Math.floor((height - 2 * EDGE - 26) / ROW);
  const sheets = Math.max(1, Math.ceil(table.rows.length / perPage));
  return Array.from({ length: sheets }, (_, sheet) => {
    const rows = table.rows.slice(sheet * perPage, (sheet + 1) * perPage);
    const top = height - EDGE;
    const column = (width - 2 * EDGE) / table.columns.length;
    const cellAt = (index: number, y: number): Place => [EDGE + index * column, y];
    const words: PaperWords[] = [
      { at: [EDGE, top - 5], text: title, sizeMm: 5, bold: true },
      {
        at: [EDGE, top - 11],
        text:
          sheets > 1 ? { code: 'paper.sheet-of', values: { note: table.note, sheet: sheet + 1, sheets } } : table.note,
        sizeMm: 3,
      },
      ...table.columns.map((text, index): PaperWords => ({ at: cellAt(index, top - 19), text, sizeMm: 3, bold: true })),
      ...rows.flatMap((row, line) =>
        row.map((text, index): PaperWords => ({ at: cellAt(index, top - 26 - line * ROW), text, sizeMm: 3.4 })),
      ),
    ];
    const rules = rows.map((_, line): PaperStroke => ({
      pen: 'help',
      points: [
        [EDGE, top - 27.4 - line * ROW],
        [width - EDGE, top - 27.4 - line * ROW],
      ],
    }));
    return {
      widthMm: width,
      heightMm: height,
      strokes: [
        {
          pen: 'rim',
          points: [
            [EDGE, top - 21],
            [width - EDGE, top - 21],
          ],
        },
        ...rules,
      ],
      words,
    };
  });
}
